import type { TankFacts, TankKind } from "../../tank/index.ts";
import type { Job } from "../job.ts";
import type { TaskCode } from "./index.ts";

const EVERY: readonly TaskCode[] = [
  "test-temperature",
  "glass-inside",
  "outside-glass",
  "photo",
  "count-animals",
  "light-clean",
  "lamps",
  "led-replace",
  "uv-lamp",
  "heater-check",
  "heater-replace",
  "chiller-clean",
  "yearly-check",
  "bio-media",
  "owner-count",
  "owner-look",
  "owner-temperature",
  "owner-top-up",
  "batch-purified",
  "cartridges",
  "resin",
  "membrane",
  "tds-check",
  "stocking-ammonia",
  "stocking-watch",
  "treatment-ammonia",
  "treatment-carbon",
  "season-heat",
  "season-holiday",
  "season-oxygen",
  "extra-change",
  "surface-skimmer",
];
const FED: readonly TaskCode[] = ["owner-feed"];
const FRESH: readonly TaskCode[] = [...EVERY, "test-nitrate", "test-ph", "season-chlorine", "impeller", "pipes-hoses"];
const SALT: readonly TaskCode[] = [
  ...EVERY,
  "brush-pumps",
  "socks",
  "owner-socks",
  "test-salinity",
  "test-nitrate",
  "salt-creep",
  "batch-salt",
  "skimmer-cup",
  "skimmer-soak",
  "skimmer-dirt",
  "wave-maker-soak",
  "pump-soak",
  "flow-check",
  "pump-flow",
  "top-up-sensor",
  "top-up-refill",
  "sump-clean",
  "pipes-hoses",
];
/** Corals and anemones: what their light, their water and their dosing ask for. */
const REEF: readonly TaskCode[] = [
  ...SALT,
  ...FED,
  "test-alkalinity",
  "test-calcium",
  "test-magnesium",
  "test-phosphate",
  "test-ph",
  "blow-rock",
  "feed-pause",
  "dosing-check",
  "owner-dose",
  "trace",
  "carbon",
  "phosphate-high",
  "probe-calibrate",
  "probes-replace",
  "reactor-top-up",
  "reactor-media",
  "lamp-shorter",
  "lamp-back",
  "filter-a",
  "filter-b",
];
const SOCKS: readonly TaskCode[] = ["wash-media"];
const FLOSS: readonly TaskCode[] = ["floss", "wash-media"];
const BED: readonly TaskCode[] = ["vacuum-sector", "deep-sector", "sand-top"];
const SPONGE: readonly TaskCode[] = ["sponge-half", "test-ammonia", "test-nitrite"];
const CANISTER: readonly TaskCode[] = ["prefilter", "basket-dirt", "filter-flow"];
const PLANTS: readonly TaskCode[] = [
  "test-alkalinity",
  "test-gh",
  "test-phosphate",
  "wave-plants",
  "trim-plants",
  "fertiliser",
  "lids",
  "lamp-shorter",
  "lamp-back",
  "owner-dose",
];

/** Jobs that belong to a kind of tank. What its gear does not ask for is left out when a tank is given them. */
export const kindProgramme: Readonly<Record<TankKind, readonly TaskCode[]>> = Object.fromEntries(
  Object.entries({
    community: [
      ...FRESH,
      ...FED,
      ...BED,
      ...SPONGE,
      "prefilter",
      "filter-a",
      "filter-b",
      "internal-filter",
      "hang-on-filter",
      "carbon",
      "floss",
      "wash-media",
    ],
    planted: [...FRESH, ...FED, ...PLANTS, ...CANISTER, "filter-a", "filter-b", "gas-cylinder", "vacuum-sector"],
    "planted-low": [...FRESH, ...FED, ...PLANTS, "prefilter", "filter-a", "filter-b", "sponge-half", "hang-on-filter"],
    shrimp: [...FRESH, ...FED, ...SPONGE, "test-gh", "test-alkalinity", "minerals", "lids", "spot-siphon", "carbon"],
    "rift-lake": [
      ...FRESH,
      ...FED,
      ...CANISTER,
      ...BED,
      "test-gh",
      "test-alkalinity",
      "test-ammonia",
      "filter-a",
      "filter-b",
      "minerals",
      "lids",
    ],
    "cool-fresh": [...FRESH, ...SPONGE, "owner-feed-predators", "gill-check", "spot-siphon", "lids", "internal-filter"],
    brackish: [
      ...SALT,
      ...FED,
      ...CANISTER,
      ...BED,
      "test-ph",
      "test-alkalinity",
      "test-ammonia",
      "insect-feed",
      "filter-a",
      "filter-b",
      "lids",
      "impeller",
      "season-chlorine",
    ],
    "marine-fish": [
      ...SALT,
      ...SOCKS,
      ...BED,
      "owner-feed-predators",
      "test-ph",
      "test-alkalinity",
      "test-ammonia",
      "test-phosphate",
      "carbon",
      "filter-a",
      "filter-b",
    ],
    "soft-coral": [...REEF, ...FLOSS, "vacuum-sector"],
    "large-polyp": [...REEF, ...SOCKS, "vacuum-sector", "deep-sector"],
    "stony-coral": [...REEF, ...SOCKS, "vacuum-sector", "phosphate-media"],
    anemone: [...REEF, ...FLOSS, "vacuum-sector"],
    seahorse: [
      ...SALT,
      ...FED,
      ...FLOSS,
      ...SPONGE,
      "test-phosphate",
      "test-ph",
      "harvest-macroalgae",
      "trace",
      "vacuum-sector",
      "carbon",
      "phosphate-high",
    ],
    jellyfish: [
      ...SALT,
      ...FED,
      ...FLOSS,
      "test-ph",
      "test-ammonia",
      "test-nitrite",
      "bell-check",
      "spot-siphon",
      "carbon",
      "filter-a",
    ],
    "temperate-marine": [
      ...SALT,
      "owner-feed-predators",
      "test-ph",
      "test-ammonia",
      "brush-rock",
      "prefilter",
      "basket-dirt",
      "filter-a",
      "filter-b",
      "deep-sector",
      "carbon",
    ],
  } satisfies Record<TankKind, readonly TaskCode[]>).map(([kind, jobs]) => [kind, [...new Set(jobs)]]),
) as unknown as Record<TankKind, readonly TaskCode[]>;

type Asked = Pick<TankFacts, "gear" | "sump" | "topUp" | "display" | "lidded" | "filterUnits"> & {
  /** A purifier of the site makes some of its water. */
  readonly purifierAtSite?: boolean | undefined;
};

/** Whether a tank has what a job is about. */
export function asksFor({ needs }: Pick<Job, "needs">, facts: Asked): boolean {
  if (!needs) return true;
  const units = facts.filterUnits.filter((u) => u.biological).length;
  const called = (part: string) => facts.filterUnits.some((u) => u.name.toLowerCase().includes(part));
  return (
    (needs.gear === undefined || facts.gear.includes(needs.gear)) &&
    (needs.oneOf === undefined || needs.oneOf.some((g) => facts.gear.includes(g))) &&
    (!needs.purifier || facts.purifierAtSite === true) &&
    (!needs.sump || facts.sump !== undefined) &&
    (!needs.reservoir || facts.topUp === "reservoir") &&
    (!needs.bed || facts.display.substrate !== "bare") &&
    (!needs.lid || facts.lidded) &&
    (needs.units === undefined || units >= needs.units) &&
    (needs.unitCalled === undefined || called(needs.unitCalled)) &&
    (needs.noUnitCalled === undefined || !called(needs.noUnitCalled)) &&
    (!needs.ownerTopsUp || facts.topUp === "owner")
  );
}
