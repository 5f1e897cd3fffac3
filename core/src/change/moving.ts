import { bucketFactor, gravityFlowLPerMinute, type Hose, liftMinutes, pumpFlowLPerMinute } from "../flow/index.ts";
import { litresAboveM, markPlace, pumpsOffLevelM, type TankOnDay } from "../given/index.ts";
import type { DrainHose, RefillPump, TankFacts, TimedBucket } from "../tank/index.ts";
import { displayLevelM, displayVolumeL } from "../vessel/index.ts";
import { q, type Worked, worked } from "../worked/index.ts";

/** Slices that the fall of the display is cut into; twice as many move the minutes by less than a thousandth. */
const SLICES = 48;
/** A siphon sucks air when its end is this near the floor, m. */
const LOWEST_M = 0.02;

/** Minutes of draining by level: the display falling through its hose. */
interface Fall {
  /** Levels from where the fall begins downwards, m above the floor. */
  readonly levelsM: readonly number[];
  readonly minutes: readonly number[];
  /** The lowest level that the hose draws to, m. */
  readonly lowestM: number;
}

/** A tank and where its water stands: as much as the flow depends on. */
export type Drained = Pick<TankOnDay, "facts" | "standing" | "bed">;

/** A tank that is refilled: as much as the flow into it depends on. */
export type Refilled = Pick<TankOnDay, "facts" | "standing">;

const hoseOf = ({ boreMm, lengthM }: Pick<DrainHose, "boreMm" | "lengthM">): Hose => ({
  lengthM,
  diameterM: boreMm / 1000,
});

const timedFactor = (timed: TimedBucket | undefined, computedLPerMinute: number): number =>
  timed && computedLPerMinute > 0 ? bucketFactor(timed.litres, timed.seconds, computedLPerMinute) : 1;

/** Flow of the drain hose at a level of the display, L/min: its fall against its loss, put right by a timed bucket. */
export function drainFlowLPerMinute(hose: DrainHose, levelM: number, timedAtM: number): number {
  const pipe = hoseOf(hose);
  return (
    timedFactor(hose.timed, gravityFlowLPerMinute(pipe, timedAtM + hose.dropM)) *
    gravityFlowLPerMinute(pipe, levelM + hose.dropM)
  );
}

/** The flow that refills, L/min: of the pump against its lift and hose, else as it is written down. */
export function refillFlowLPerMinute(facts: Pick<TankFacts, "refillPump" | "refillLPerMinute">): number {
  const { refillPump } = facts;
  if (!refillPump) return facts.refillLPerMinute;
  const computed = pumpFlowOf(refillPump);
  return computed > 0 ? computed * timedFactor(refillPump.timed, computed) : facts.refillLPerMinute;
}

/** What the pump would lift by its curve, L/min; 0 where it cannot. */
export function pumpFlowOf({ shutOffM, openLPerMinute, liftM, ...hose }: RefillPump): number {
  return pumpFlowLPerMinute({ shutOffM, openLPerMinute }, hoseOf(hose), liftM);
}

// A plan asks for the same tank many times while a mark is dragged.
const falls = new WeakMap<TankFacts, Map<number, Fall | null>>();

/** How the display falls through its hose from a level; null where it has none, or where it does not fall. */
function fallOf(facts: TankFacts, startM: number): Fall | null {
  const known = falls.get(facts) ?? new Map<number, Fall | null>();
  falls.set(facts, known);
  const found = known.get(startM);
  if (found !== undefined) return found;
  const made = facts.drainHose && markPlace(facts) === "display" ? integrate(facts, facts.drainHose, startM) : null;
  known.set(startM, made);
  return made;
}

/** dt = dV/Q(h), by the trapezium over slices of the height. A bucket is timed where a full tank's fall begins. */
function integrate(facts: TankFacts, hose: DrainHose, top: number): Fall {
  const timedAtM = pumpsOffLevelM(facts);
  const levelsM: number[] = [top];
  const minutes: number[] = [0];
  let flow = drainFlowLPerMinute(hose, top, timedAtM);
  if (flow <= 0) return { levelsM, minutes, lowestM: top };
  for (let i = 1; i <= SLICES; i++) {
    const level = top - ((top - LOWEST_M) * i) / SLICES;
    const next = drainFlowLPerMinute(hose, level, timedAtM);
    if (next <= 0) break;
    const from = levelsM.at(-1) ?? top;
    const litres = displayVolumeL(facts.display, from) - displayVolumeL(facts.display, level);
    minutes.push((minutes.at(-1) ?? 0) + (litres / 2) * (1 / flow + 1 / next));
    levelsM.push(level);
    flow = next;
  }
  return { levelsM, minutes, lowestM: levelsM.at(-1) ?? top };
}

/** The most litres that the drain hose draws by its own fall; null without one. */
export function hoseLimitL({ facts, standing }: Pick<Drained, "facts" | "standing">): number | null {
  const fall = fallOf(facts, standing.startM);
  return fall && litresAboveM(facts, standing, fall.lowestM);
}

/** Minutes until so many litres have run out, without anything done at the bed. */
export function drainMinutesOf({ facts, standing }: Pick<Drained, "facts" | "standing">, litres: number): number {
  const fall = fallOf(facts, standing.startM);
  if (!fall || litres <= 0) return Math.max(0, litres) / facts.drainLPerMinute;
  const left = displayVolumeL(facts.display, standing.startM) - litres;
  const level = displayLevelM(facts.display, Math.max(0, left));
  const { levelsM, minutes, lowestM } = fall;
  if (level <= lowestM) {
    // What the hose leaves is carried at the rate that is written down.
    const byHoseL = litresAboveM(facts, standing, lowestM);
    return (minutes.at(-1) ?? 0) + Math.max(0, litres - byHoseL) / facts.drainLPerMinute;
  }
  const i = levelsM.findIndex((m) => m <= level);
  const [above, below] = [levelsM[i - 1] ?? level, levelsM[i] ?? level];
  const part = above > below ? (above - level) / (above - below) : 0;
  return (minutes[i - 1] ?? 0) + part * ((minutes[i] ?? 0) - (minutes[i - 1] ?? 0));
}

/** How a drain is shared between the hose that lifts the dirt and the one that takes the rest. */
export interface DrainParts {
  /** Litres that leave while the bed is cleaned, and how long that takes: the slower of hose and hands. */
  readonly bedL: number;
  readonly bedMinutes: number;
  readonly restL: number;
  readonly restMinutes: number;
}

/** The parts of a drain of so many litres. Where hands are slower than the hose it is pinched, so that the litres last. */
export function drainPartsOf(tank: Drained, litres: number): DrainParts {
  const bedMinutes = tank.bed && litres > 0 ? tank.bed.minutes : 0;
  const perMinute = bedMinutes > 0 ? litres / Math.max(drainMinutesOf(tank, litres), 1e-9) : 0;
  const bedL = Math.min(litres, bedMinutes * perMinute);
  return {
    bedL,
    bedMinutes,
    restL: litres - bedL,
    restMinutes: drainMinutesOf(tank, litres) - drainMinutesOf(tank, bedL),
  };
}

/** Minutes from the first litre until so many of a drain's litres are out, the bed's cleaning included. */
export function outMinutesOf(tank: Drained, litres: number, parts: DrainParts): number {
  if (litres <= 0) return 0;
  if (litres <= parts.bedL) return (parts.bedMinutes * litres) / parts.bedL;
  return parts.bedMinutes + drainMinutesOf(tank, litres) - drainMinutesOf(tank, parts.bedL);
}

/** What the pump lifts once its barrel and the display have moved, L/min; 0 where it cannot lift so high. */
function refillFlowAt({ facts, standing }: Refilled, pump: RefillPump, outL: number, inL: number): number {
  const across = pump.barrelAcrossM;
  const sunkM = across === undefined ? 0 : inL / 1000 / ((Math.PI / 4) * across ** 2);
  let belowLineM = 0;
  if (pump.ends === "under" && markPlace(facts) === "display") {
    const litres = displayVolumeL(facts.display, standing.startM) - outL + inL;
    belowLineM = Math.max(0, pumpsOffLevelM(facts) - displayLevelM(facts.display, Math.max(0, litres)));
  }
  return flowAtLift(pump, pump.liftM + sunkM - belowLineM);
}

// Many litres are asked for the same few lifts: to the millimetre.
const lifts = new WeakMap<RefillPump, Map<number, number>>();

/** Flow at a lift, put right by the bucket that was timed with everything full. */
function flowAtLift(pump: RefillPump, liftM: number): number {
  const known = lifts.get(pump) ?? new Map<number, number>();
  lifts.set(pump, known);
  const mm = Math.round(liftM * 1000);
  const found = known.get(mm);
  if (found !== undefined) return found;
  const flow = timedFactor(pump.timed, pumpFlowOf(pump)) * pumpFlowOf({ ...pump, liftM: mm / 1000 });
  known.set(mm, flow);
  return flow;
}

/**
 * Minutes until so many litres are in again, after others went out.
 *
 * @param outL Litres out of the display before, L.
 * @param inL Litres of new water, L.
 */
export function refillMinutesOf(tank: Refilled, outL: number, inL: number): number {
  const pump = tank.facts.refillPump;
  if (!pump || (pump.barrelAcrossM === undefined && pump.ends !== "under"))
    return inL / refillFlowLPerMinute(tank.facts);
  const { minutes, liftedL } = liftMinutes((litres) => refillFlowAt(tank, pump, outL, litres), inL);
  // What the pump does not lift is carried at the rate that is written down.
  return minutes + (inL - liftedL) / tank.facts.refillLPerMinute;
}

/** What a refill pump gives: at one rate, or from the first litre to the last as the waters move. */
function runsIn(tank: Refilled, pump: RefillPump, litres: number): Worked["inputs"] {
  if (pump.barrelAcrossM === undefined && pump.ends !== "under")
    return { gives: q(refillFlowLPerMinute(tank.facts), "L/min") };
  return {
    ...(pump.barrelAcrossM === undefined ? {} : { "barrel's width": q(pump.barrelAcrossM, "m") }),
    "gives at first": q(refillFlowAt(tank, pump, litres, 0), "L/min"),
    "and at the end": q(refillFlowAt(tank, pump, litres, litres), "L/min"),
  };
}

/** How long the water runs out and in, worked, where a hose or a pump is known; else nothing is to be opened. */
export function runsOf(tank: Refilled, litres: number): { readonly out: Worked | null; readonly in: Worked | null } {
  const { facts, standing } = tank;
  const { drainHose, refillPump } = facts;
  const top = standing.startM;
  const timedAtM = pumpsOffLevelM(facts);
  const bucket = (timed: TimedBucket | undefined): Worked["inputs"] =>
    timed ? { "timed bucket": q(timed.litres, "L"), "it took": q(timed.seconds, "s") } : {};
  const hose = ({ boreMm, lengthM }: Pick<DrainHose, "boreMm" | "lengthM">) => ({
    bore: q(boreMm, "mm"),
    length: q(lengthM, "m"),
  });
  const left = displayVolumeL(facts.display, top) - litres;
  return {
    out:
      drainHose && fallOf(facts, top) && litres > 0
        ? worked("drain-minutes", drainMinutesOf(tank, litres), "min", {
            litres: q(litres, "L"),
            ...hose(drainHose),
            "fall below the floor": q(drainHose.dropM, "m"),
            "runs at first": q(drainFlowLPerMinute(drainHose, top, timedAtM), "L/min"),
            "and at the end": q(
              drainFlowLPerMinute(drainHose, displayLevelM(facts.display, Math.max(0, left)), timedAtM),
              "L/min",
            ),
            ...bucket(drainHose.timed),
          })
        : null,
    in:
      refillPump && litres > 0
        ? worked("refill-minutes", refillMinutesOf(tank, litres, litres), "min", {
            litres: q(litres, "L"),
            ...hose(refillPump),
            "lifted by": q(refillPump.liftM, "m"),
            ...runsIn(tank, refillPump, litres),
            ...bucket(refillPump.timed),
          })
        : null,
  };
}
