import type { Random } from "../numeric/index.ts";
import type { TankKind } from "../tank/index.ts";
import type { CauseCode } from "./causes.ts";

/**
 * A tank as it works, for tests of the guide: causes move its state, its state makes what is seen. Nothing here knows how the guide
 * weighs anything.
 */
interface Tank {
  kind: TankKind;
  salt: boolean;
  ageDays: number;
  dryRock: boolean;
  /** Of the best that was measured, and of the jets in the tank. */
  flow: number;
  waveMaker: boolean;
  weir: number;
  lightHours: number;
  nitrate: number;
  phosphate: number;
  risen: number;
  tapWater: boolean;
  tan: number;
  chlorine: number;
  /** What breathes more than gets in, as a share of what saturates the water. */
  crowd: number;
  /** Bacteria and dust in the water, algae that swim, colour. */
  bacteria: number;
  dust: number;
  greenCells: number;
  colour: number;
  undissolved: number;
  bubbles: number;
  film: number;
  temperatureOff: number;
  salinityOff: number;
  levelCm: number;
  floorL: number;
  seamDrips: boolean;
  power: boolean;
  pumpWear: number;
  pumpDrawsAir: boolean;
  drainAir: number;
  foam: number;
  diatoms: number;
  glassAlgae: number;
  hair: number;
  hairRoots: number;
  slime: number;
  dinos: number;
  darkTufts: number;
  spots: number;
  spotsRaised: boolean;
  dead: number;
  missing: number;
  snailHarm: number;
  coralStress: number;
  levels: number;
  kitError: boolean;
  kitPast: boolean;
  changedDaysAgo: number;
  unconditioned: boolean;
  dosedDaysAgo: number;
  bedDug: boolean;
  newFishDaysAgo: number;
  slipped: boolean;
  lid: boolean;
}

const SALT: readonly TankKind[] = [
  "marine-fish",
  "soft-coral",
  "stony-coral",
  "jellyfish",
  "seahorse",
  "large-polyp",
  "anemone",
];
const CORALS: readonly TankKind[] = ["soft-coral", "stony-coral", "large-polyp", "anemone"];

const between = (random: Random, low: number, high: number) => low + (high - low) * random();
const chance = (random: Random, p: number) => random() < p;

/** An ordinary tank of a kind, with nothing wrong. */
function ordinary(kind: TankKind, random: Random): Tank {
  const ageDays = chance(random, 0.25) ? between(random, 20, 240) : between(random, 240, 2500);
  return {
    ...{ kind, salt: SALT.includes(kind), ageDays, dryRock: chance(random, 0.3) },
    ...{
      flow: between(random, 0.9, 1),
      waveMaker: true,
      weir: between(random, 0.85, 1),
      lightHours: between(random, 7, 10),
    },
    ...{ nitrate: between(random, 4, 18), phosphate: between(random, 0.04, 0.14), risen: between(random, 0.85, 1.2) },
    ...{ tapWater: chance(random, 0.1), tan: between(random, 0, 0.03), chlorine: 0, crowd: 0 },
    ...{
      bacteria: between(random, 0, 0.2),
      dust: between(random, 0, 0.2),
      greenCells: 0,
      colour: between(random, 0, 0.4),
    },
    ...{ undissolved: 0, bubbles: between(random, 0, 0.2), film: between(random, 0, 0.4) },
    ...{
      temperatureOff: between(random, -0.7, 0.9),
      salinityOff: between(random, -0.5, 0.5),
      levelCm: between(random, 0, 2.5),
    },
    ...{ floorL: 0, seamDrips: false, power: true, pumpWear: between(random, 0, 0.4), pumpDrawsAir: false },
    ...{ drainAir: between(random, 0, 0.3), foam: between(random, 0, 0.4) },
    ...{
      diatoms: 0,
      glassAlgae: between(random, 0, 0.5),
      hair: 0,
      hairRoots: between(random, 0, 1),
      slime: 0,
      dinos: 0,
      darkTufts: 0,
    },
    ...{ spots: 0, spotsRaised: false, dead: 0, missing: 0, snailHarm: 0, coralStress: between(random, 0, 0.3) },
    ...{ levels: between(random, 0.95, 1.1), kitError: false, kitPast: chance(random, 0.1) },
    ...{
      changedDaysAgo: between(random, 4, 14),
      unconditioned: false,
      dosedDaysAgo: between(random, 6, 60),
      bedDug: false,
    },
    ...{ newFishDaysAgo: chance(random, 0.1) ? between(random, 2, 30) : between(random, 31, 400) },
    ...{ slipped: chance(random, 0.12), lid: chance(random, 0.6) },
  };
}

/** What each cause does to a tank. */
const DRIVES: Readonly<Record<CauseCode, (t: Tank, random: Random) => void>> = {
  "brown-film": (t, r) => {
    t.ageDays = chance(r, 0.6) ? between(r, 10, 50) : t.ageDays;
    t.tapWater = t.tapWater || chance(r, 0.4);
    t.diatoms = between(r, 0.7, 1);
  },
  "green-film": (t, r) => {
    t.glassAlgae = between(r, 0.85, 1);
  },
  "hair-young": (t, r) => {
    t.ageDays = between(r, 70, 240);
    t.dryRock = chance(r, 0.65);
    t.lightHours = between(r, 8, 12);
    t.phosphate = between(r, 0.06, 0.25);
    t.hair = between(r, 0.7, 1);
    t.hairRoots = between(r, 0, 0.3);
  },
  "hair-rooted": (t, r) => {
    t.ageDays = between(r, 200, 1500);
    t.lightHours = between(r, 8, 12);
    t.phosphate = between(r, 0.1, 0.4);
    t.nitrate = between(r, 10, 45);
    t.risen = between(r, 1, 1.9);
    t.hair = between(r, 0.7, 1);
    t.hairRoots = between(r, 0.7, 1);
  },
  slime: (t, r) => {
    t.flow = between(r, 0.5, 0.92);
    t.slipped = chance(r, 0.4);
    t.waveMaker = !chance(r, 0.1);
    t.risen = between(r, 1, 2);
    t.slime = between(r, 0.7, 1);
  },
  "dark-tufts": (t, r) => {
    t.darkTufts = between(r, 0.7, 1);
    t.nitrate = between(r, 8, 40);
  },
  dinoflagellates: (t, r) => {
    if (chance(r, 0.75)) [t.nitrate, t.phosphate] = [between(r, 0, 0.6), between(r, 0, 0.015)];
    t.dinos = between(r, 0.7, 1);
    t.snailHarm = chance(r, 0.2) ? 0.7 : 0;
  },
  "bacterial-bloom": (t, r) => {
    if (chance(r, 0.5)) t.ageDays = between(r, 5, 40);
    t.bacteria = between(r, 0.8, 1);
    if (chance(r, 0.3)) t.tan = between(r, 0.1, 0.4);
  },
  "stirred-bed": (t, r) => {
    t.bedDug = true;
    t.dust = between(r, 0.8, 1);
  },
  "green-water": (t, r) => {
    t.greenCells = between(r, 0.8, 1);
    t.lightHours = between(r, 8, 13);
    t.nitrate = between(r, 10, 50);
  },
  "yellow-water": (t, r) => {
    t.colour = between(r, 0.85, 1);
  },
  "cold-fill-bubbles": (t, r) => {
    t.changedDaysAgo = between(r, 0, 0.4);
    t.bubbles = between(r, 0.8, 1);
    t.temperatureOff -= between(r, 0, 1.8);
  },
  "air-drawn-in": (t, r) => {
    t.pumpDrawsAir = true;
    t.levelCm = chance(r, 0.5) ? between(r, 3.5, 7) : t.levelCm;
    t.bubbles = between(r, 0.8, 1);
  },
  "surface-film": (t, r) => {
    t.film = between(r, 0.85, 1);
    if (chance(r, 0.4)) t.weir = between(r, 0.2, 0.5);
  },
  "undissolved-salt": (t, r) => {
    t.changedDaysAgo = between(r, 0, 1);
    t.undissolved = between(r, 0.8, 1);
    if (chance(r, 0.4)) t.levels = between(r, 0.75, 0.93);
  },
  "dead-wave-maker": (t) => {
    t.waveMaker = false;
  },
  "blocked-flow": (t, r) => {
    t.flow = between(r, 0.4, 0.72);
    t.slipped = chance(r, 0.5);
  },
  ammonia: (t, r) => {
    const why = r();
    if (why < 0.5) t.ageDays = between(r, 5, 40);
    else if (why < 0.75) t.newFishDaysAgo = between(r, 1, 14);
    t.tan = between(r, 0.5, 3);
    t.dead = chance(r, 0.35) ? 1 : 0;
  },
  chlorine: (t, r) => {
    t.changedDaysAgo = between(r, 0, 0.5);
    t.unconditioned = true;
    t.chlorine = between(r, 0.15, 1);
    t.tan = chance(r, 0.25) ? between(r, 0.15, 0.6) : t.tan;
  },
  "low-oxygen": (t, r) => {
    if (chance(r, 0.55)) t.flow = between(r, 0.35, 0.6);
    else t.film = between(r, 0.9, 1);
    t.slipped = chance(r, 0.4);
    t.bacteria = Math.max(t.bacteria, between(r, 0.2, 0.6));
    t.crowd = between(r, 0.2, 0.3);
  },
  "too-warm": (t, r) => {
    t.temperatureOff = between(r, 2.6, 6);
  },
  "too-cold": (t, r) => {
    t.temperatureOff = between(r, -8, -2.6);
  },
  "jelly-light": (t, r) => {
    t.salinityOff = between(r, -4, -1.2);
  },
  "jelly-heavy": (t, r) => {
    t.salinityOff = between(r, 1.2, 4);
  },
  "mixing-error": (t, r) => {
    t.changedDaysAgo = between(r, 0, 1.9);
    t.levels = between(r, 0.7, 0.9);
    t.salinityOff = chance(r, 0.4) ? between(r, -3, -1.2) : t.salinityOff;
  },
  "wrong-reading": (t, r) => {
    t.kitError = true;
    t.kitPast = chance(r, 0.65);
  },
  "top-up-stuck": (t, r) => {
    t.levelCm = between(r, -6, -2.5);
    t.salinityOff = between(r, -3, -0.8);
    t.floorL = chance(r, 0.3) ? 5 : 0;
  },
  "fish-spots": (t, r) => {
    t.spots = between(r, 0.7, 1);
    t.spotsRaised = chance(r, 0.7);
    if (chance(r, 0.5)) t.newFishDaysAgo = between(r, 3, 28);
  },
  "fish-dead": (t) => {
    t.dead = 1;
  },
  "animals-missing": (t, r) => {
    t.missing = Math.ceil(between(r, 0, 3));
    t.lid = chance(r, 0.4);
  },
  "corals-after-change": (t, r) => {
    t.changedDaysAgo = between(r, 0, 0.9);
    t.coralStress = between(r, 0.75, 1);
  },
  "corals-water-off": (t, r) => {
    const which = r();
    if (which < 0.4) t.levels = between(r, 0.7, 0.9);
    else if (which < 0.75) t.salinityOff = chance(r, 0.5) ? between(r, -3, -1.2) : between(r, 1.2, 3);
    else t.nitrate = t.phosphate = 0;
    t.coralStress = between(r, 0.75, 1);
  },
  "dose-harms": (t, r) => {
    t.dosedDaysAgo = between(r, 0, 3);
    t.snailHarm = between(r, 0.75, 1);
    t.dead = chance(r, 0.3) ? 1 : 0;
  },
  "power-cut": (t, r) => {
    t.power = false;
    t.temperatureOff -= chance(r, 0.3) ? between(r, 2, 4) : 0;
  },
  leak: (t, r) => {
    t.floorL = between(r, 2, 30);
    t.seamDrips = true;
    t.levelCm = between(r, 2.5, 15);
  },
  overflow: (t, r) => {
    t.weir = between(r, 0, 0.25);
    t.floorL = between(r, 2, 30);
    t.levelCm = chance(r, 0.6) ? between(r, -4, -2) : t.levelCm;
  },
  "skimmer-wild": (t, r) => {
    t.foam = between(r, 0.85, 1);
    const after = r();
    if (after < 0.35) t.changedDaysAgo = between(r, 0, 1);
    else if (after < 0.75) t.dosedDaysAgo = between(r, 0, 2);
  },
  "noisy-pump": (t, r) => {
    t.pumpWear = between(r, 0.8, 1);
    t.slipped = chance(r, 0.45);
  },
  "noisy-drain": (t, r) => {
    t.drainAir = between(r, 0.8, 1);
    t.weir = chance(r, 0.35) ? between(r, 0.3, 0.5) : t.weir;
  },
};

/** What follows from the state by itself: flow stops without power, fish breathe what is there, animals bear what they bear. */
function consequences(t: Tank): void {
  if (!t.power) [t.flow, t.waveMaker] = [0, false];
}

/** Share of what saturates it: movement brings it in, warmth and breathing take it. */
const oxygen = (t: Tank): number =>
  0.55 + 0.4 * t.flow - 0.36 * Math.max(0, t.film - 0.7) - 0.035 * t.temperatureOff - 0.12 * t.bacteria - t.crowd;

/** What is seen of the state, without a mistake. */
function visible(t: Tank): Record<string, boolean> {
  const poisoned = t.tan > 0.4 || t.chlorine > 0.1;
  const short = oxygen(t) < 0.68;
  return {
    "slime-sheets": t.slime > 0.5,
    "hairy-tufts": t.hair > 0.5,
    "bubble-strings": t.dinos > 0.5 && t.salt,
    "brown-dust": t.diatoms > 0.5 || t.dinos > 0.85,
    "green-glass": t.glassAlgae > 0.6 || t.greenCells > 0.9,
    "dark-tufts": t.darkTufts > 0.5,
    "weak-jet": t.flow < 0.75,
    // It takes days to settle: a power cut is not that old.
    "silt-on-bed": (t.power && (!t.waveMaker || t.flow < 0.6)) || (t.slime > 0.5 && t.flow < 0.8),
    "milky-water": t.bacteria > 0.7 || t.dust > 0.7 || t.undissolved > 0.5,
    "green-water": t.greenCells > 0.5,
    "yellow-water": t.colour > 0.7,
    "fine-bubbles": t.bubbles > 0.6,
    "surface-film": t.film > 0.75 || t.flow < 0.45,
    "gasping-fish": (poisoned || short) && t.kind !== "jellyfish",
    "spotted-fish": t.spots > 0.5,
    "dead-animal": t.dead > 0,
    "missing-animal": t.missing > 0,
    "jelly-sinks": t.kind === "jellyfish" && t.salinityOff < -1,
    "jelly-floats": t.kind === "jellyfish" && t.salinityOff > 1,
    "corals-closed": CORALS.includes(t.kind) && (t.coralStress > 0.7 || t.temperatureOff > 4),
    "snails-dying": t.snailHarm > 0.5,
    "water-warm": t.temperatureOff > 2,
    "water-cold": t.temperatureOff < -2,
    "level-low": t.levelCm > 3,
    "level-high": t.levelCm < -1.5,
    "wet-floor": t.floorL > 0.5,
    "no-power": !t.power,
    "skimmer-over": t.salt && t.foam > 0.7,
    "grinding-noise": t.pumpWear > 0.7 || (t.pumpDrawsAir && t.pumpWear > 0.3),
    "gurgling-noise": t.drainAir > 0.7 || (t.weir < 0.15 && t.power),
    "lets-go": t.hairRoots < 0.5,
    "jar-clumps": t.dinos > 0.5,
    "after-change": t.changedDaysAgo < 2,
    "after-dose": t.dosedDaysAgo < 4,
    "dug-up": t.bedDug,
    "air-at-intake": t.pumpDrawsAir,
    "wave-maker-stands": !t.waveMaker,
    "many-gasp": true,
    "tap-water-new": t.unconditioned,
    "spots-rise": t.spotsRaised,
    "weir-choked": t.weir < 0.55,
    "drop-below-line": t.seamDrips,
    "second-kit-differs": t.kitError,
    "ammonia-read": t.tan > 0.1,
    "chlorine-read": t.chlorine > 0.05,
  };
}

/** What the tank's own data say of it. */
function recorded(t: Tank, random: Random): Record<string, boolean> {
  const measured = chance(random, 0.7);
  return {
    "first-weeks": t.ageDays < 56,
    "young-months": t.ageDays >= 56 && t.ageDays < 245,
    "young-filter": t.ageDays < 42,
    ...(t.salt ? { "dry-rock": t.dryRock, "tap-source": t.tapWater } : {}),
    ...(measured
      ? {
          "nutrients-none": t.nitrate <= 1 && t.phosphate <= 0.02,
          "nutrients-high": t.nitrate > 20 || t.phosphate > 0.15,
          "nutrients-rising": t.risen > 1.3,
        }
      : {}),
    "long-light": t.lightHours > 9,
    ...(chance(random, 0.5) ? { "flow-fell": t.flow < 0.8 && t.power } : {}),
    "new-animals": t.newFishDaysAgo <= 30,
    "jobs-slipped": t.slipped,
    "open-top": !t.lid,
    "changed-lately": t.changedDaysAgo <= 2,
    ...(t.salt ? { "levels-low": t.levels < 0.94 || t.kitError, "kit-doubtful": t.kitPast } : {}),
    ...(t.salt && chance(random, 0.8) ? { "salt-low": t.salinityOff < -1, "salt-high": t.salinityOff > 1 } : {}),
  };
}

/** A glance misses one sign in twenty and takes one in two hundred for seen that is not there; a test errs once in forty. */
const MISSED = 1 / 20;
const FANCIED = 1 / 200;
/** These nobody overlooks. */
const STRIKING = ["gasping-fish", "no-power", "wet-floor", "dead-animal"];
const OVERLOOKED = 1 / 60;
const ERRS = 1 / 40;

/** A tank with something wrong, and somebody who looks at it. */
export function troubled(kind: TankKind, trouble: CauseCode, random: Random) {
  const tank = ordinary(kind, random);
  DRIVES[trouble](tank, random);
  consequences(tank);
  const truth = visible(tank);
  return {
    setting: { kind, salt: tank.salt, ageDays: tank.ageDays },
    recorded: recorded(tank, random),
    /** What catches the eye of itself; something of it made them open the guide. */
    glances: (codes: readonly string[]): string[] => {
      const shows = codes.some((code) => truth[code]);
      for (;;) {
        const seen = codes.filter((code) =>
          truth[code] ? !chance(random, STRIKING.includes(code) ? OVERLOOKED : MISSED) : chance(random, FANCIED),
        );
        if (!shows || seen.some((code) => truth[code])) return seen;
      }
    },
    /** What is said when it is asked for. */
    answer: (code: string): boolean => (chance(random, ERRS) ? !truth[code] : (truth[code] ?? false)),
  };
}
