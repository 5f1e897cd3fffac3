import { grossVolumeL, surfaceM2, type Vessel, vesselHeightM } from "../vessel/index.ts";
import { evaporationL } from "../water/index.ts";
import type { Landmark, TankKind } from "./facts.ts";
import { type KindFacts, kindFacts } from "./kinds.ts";
import type { KeptFacts } from "./schema.ts";
import type { SwitchGear } from "./vocabulary.ts";

/** What a person answers to begin a tank; name, site and water stand on its row. */
export interface QuickAnswers {
  readonly kind: TankKind;
  /** What the firm begins this kind with; without it, what the library does. */
  readonly firm?: Omit<KindFacts, "label" | "basis">;
  readonly vessel: Vessel;
  readonly sump: boolean;
  readonly startedOn: string;
}

/** What usually stands in a tank of a kind: parts of the height, and kilograms of dry rock a litre. */
interface UsualContents {
  readonly bed: readonly [kind: "sand" | "gravel" | "bare", depthM: number];
  readonly rockKgPerL: number;
  readonly gear: readonly SwitchGear[];
  readonly landmarks: readonly (Omit<Landmark, "heightM"> & { readonly part: number })[];
  readonly filters: readonly [name: string, biological: boolean][];
}

const heater = { name: "heater", kind: "heater", airMinutes: 0, part: 0.3 } as const;
const FRESH: UsualContents = {
  bed: ["gravel", 0.05],
  rockKgPerL: 0.03,
  gear: ["heater", "filter"],
  landmarks: [heater, { name: "filter intake", kind: "intake", airMinutes: 0, part: 0.2 }],
  filters: [["canister filter", true]],
};
const REEF: UsualContents = {
  bed: ["sand", 0.03],
  rockKgPerL: 0.12,
  gear: ["top-up", "skimmer", "heater", "return", "wave-maker"],
  landmarks: [
    heater,
    { name: "highest coral", kind: "coral", airMinutes: 10, part: 0.75 },
    { name: "wave-maker", kind: "intake", airMinutes: 0, part: 0.6 },
  ],
  filters: [["filter sock", false]],
};

const usual: Readonly<Record<TankKind, UsualContents>> = {
  community: FRESH,
  planted: {
    ...FRESH,
    gear: ["co2", "heater", "filter"],
    landmarks: [...FRESH.landmarks, { name: "highest plant", kind: "plant", airMinutes: 20, part: 0.8 }],
  },
  "planted-low": {
    ...FRESH,
    landmarks: [...FRESH.landmarks, { name: "highest plant", kind: "plant", airMinutes: 20, part: 0.8 }],
  },
  shrimp: { ...FRESH, filters: [["sponge filter", true]] },
  "rift-lake": {
    ...FRESH,
    bed: ["sand", 0.04],
    rockKgPerL: 0.2,
    filters: [
      ["canister A", true],
      ["canister B", true],
    ],
  },
  "cool-fresh": {
    bed: ["bare", 0],
    rockKgPerL: 0,
    gear: ["filter"],
    landmarks: [{ name: "filter intake", kind: "intake", airMinutes: 0, part: 0.2 }],
    filters: [["sponge filter", true]],
  },
  brackish: { ...FRESH, bed: ["sand", 0.05] },
  "marine-fish": {
    ...REEF,
    landmarks: [heater],
    rockKgPerL: 0.06,
    filters: [
      ["filter sock", false],
      ["bio media", true],
    ],
  },
  "soft-coral": REEF,
  "large-polyp": REEF,
  "stony-coral": REEF,
  anemone: {
    ...REEF,
    landmarks: [
      heater,
      { name: "anemone's perch", kind: "coral", airMinutes: 3, part: 0.65 },
      { name: "covered wave-maker", kind: "intake", airMinutes: 0, part: 0.6 },
    ],
  },
  seahorse: { ...REEF, rockKgPerL: 0.06, gear: ["heater", "filter"] },
  jellyfish: {
    bed: ["bare", 0],
    rockKgPerL: 0,
    gear: ["chiller", "filter"],
    landmarks: [{ name: "spray bar", kind: "intake", airMinutes: 0, part: 0.7 }],
    filters: [["bio media", true]],
  },
  "temperate-marine": {
    ...REEF,
    gear: ["skimmer", "chiller", "return", "wave-maker"],
    landmarks: [{ name: "chiller intake", kind: "intake", airMinutes: 0, part: 0.4 }],
    filters: [["bio media", true]],
  },
};

/** Water usually stands this far below the rim, as a part of the height. */
const LEVEL_PART = 0.92;
/** A sump under a display: usual inside sizes, m, and where it runs. */
const SUMP = { widthM: 0.4, heightM: 0.45, runningLevelM: 0.22, lowestLevelM: 0.12, pipesL: 4 } as const;
/** The return chamber is usually the last third of it. */
const RETURN_SHARE = 1 / 3;
/** Litres of sump for a litre of display. */
const SUMP_SHARE = 0.2;
/** Air of a heated room over the water; a lid keeps two thirds of what would go. */
const ROOM = { airC: 22, humidity: 0.5, airMS: 0.1 } as const;
const LID = 1 / 3;

/** Decimals kept of what is filled in: 1 mm, 10 mL, 0.1 kg. */
const round = (value: number, decimals: number) => Number(value.toFixed(decimals));

/**
 * The facts of a new tank: what was answered, and the rest as it usually is for its kind.
 *
 * Everything that nobody answered is named in `assumed` until somebody confirms it.
 *
 * @throws {OutOfRangeError} for dimensions that make no vessel.
 */
export function quickStart({ kind, firm, vessel, sump, startedOn }: QuickAnswers): KeptFacts {
  const of = firm ?? kindFacts[kind];
  const contents = usual[kind];
  const heightM = vesselHeightM(vessel);
  const runningLevelM = round(heightM * LEVEL_PART, 3);
  const displayL = grossVolumeL(vessel, runningLevelM);
  const [substrate, usualDepthM] = contents.bed;
  // In a low vessel the bed and the rock stay in proportion.
  const substrateDepthM = round(Math.min(usualDepthM, heightM * 0.12), 3);
  const rockKg = round(contents.rockKgPerL * displayL, 1);
  const rockTopM = rockKg > 0 ? round(heightM * 0.6, 3) : 0;
  const lidded = of.targetPsu === 0;
  const surface = surfaceM2(vessel, Math.min(runningLevelM, heightM * 0.9));
  const sumpLengthM = round(Math.max(0.3, (SUMP_SHARE * displayL) / 1000 / SUMP.widthM / SUMP.runningLevelM), 2);
  const gear = contents.gear.filter((g) => sump || (g !== "return" && g !== "top-up"));
  return {
    display: { vessel, runningLevelM, substrate, substrateDepthM, rockKg, rockTopM },
    material: "glass",
    lidded,
    sectors: substrate === "bare" ? 1 : 4,
    ...(sump
      ? {
          sump: {
            ...SUMP,
            lengthM: sumpLengthM,
            returnLengthM: round(sumpLengthM * RETURN_SHARE, 3),
            baffleM: SUMP.runningLevelM,
            weirM: round(runningLevelM - 0.02, 3),
          },
        }
      : {}),
    landmarks: contents.landmarks.map(({ part, ...mark }) => ({ ...mark, heightM: round(part * runningLevelM, 3) })),
    gear: [...gear],
    filterUnits: contents.filters.map(([name, biological]) => ({
      name,
      kind: biological ? ("biological" as const) : ("mechanical" as const),
      biological,
    })),
    startedOn,
    evaporationLPerDay: round(
      evaporationL({ surfaceM2: surface, waterC: of.targetC, ...ROOM }) * (lidded ? LID : 1),
      2,
    ),
    topUp: sump ? "reservoir" : "owner",
    // A way that needs a sump falls back to the plain way where there is none.
    practice: sump
      ? of.practice
      : {
          ...of.practice,
          how: of.practice.how === "from-sump" ? "drain-then-fill" : of.practice.how,
          heater: of.practice.heater === "in-sump" ? "off" : of.practice.heater,
        },
    bands: [...of.bands],
    targetPsu: of.targetPsu,
    targetC: of.targetC,
    drainLPerMinute: 12,
    refillLPerMinute: 10,
    notes: [],
    mostShare: of.mostShare,
    assumed: [
      "display.runningLevelM",
      "display.substrate",
      ...(substrate === "bare" ? [] : ["display.substrateDepthM"]),
      "display.rockKg",
      ...(rockKg > 0 ? ["display.rockTopM"] : []),
      ...(sump ? SUMP_FIELDS : []),
      "material",
      "lidded",
      "gear",
      "targetC",
      "targetPsu",
      "evaporationLPerDay",
      "topUp",
      "drainLPerMinute",
      "refillLPerMinute",
      "landmarks",
      "filterUnits",
      "bands",
    ],
  };
}

const SUMP_FIELDS = [
  "lengthM",
  "widthM",
  "heightM",
  "runningLevelM",
  "lowestLevelM",
  "returnLengthM",
  "baffleM",
  "weirM",
  "pipesL",
].map((key) => `sump.${key}`);

/** Fields that decide how much water there is. */
const VOLUME_FIELDS = ["display.runningLevelM", "display.substrate", "display.substrateDepthM", "display.rockKg"];

/**
 * How well the volume of a tank is known, as a relative 95 % half-width.
 *
 * 2 % where the litres were measured while filling, 5 % from measured dimensions, 10 % while bed, rock, level or sump
 * are assumed. General practice, editable by measuring.
 */
export function volumeRelative95(facts: {
  readonly display: { readonly measuredNetL?: number | undefined };
  readonly assumed?: readonly string[] | undefined;
}): number {
  if (facts.display.measuredNetL !== undefined) return 0.02;
  const assumed = facts.assumed ?? [];
  return assumed.some((key) => VOLUME_FIELDS.includes(key) || key.startsWith("sump.")) ? 0.1 : 0.05;
}
