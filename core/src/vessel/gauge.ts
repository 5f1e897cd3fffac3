import { OutOfRangeError } from "../issues/index.ts";
import { risingRoot } from "../numeric/index.ts";
import { type Display, heapsOf } from "./furnishing.ts";
import { grossOf, vesselHeightM, wallsLean } from "./vessel.ts";

/** A display as a dipstick reads it. */
interface Gauge {
  /** Its rim above the floor, m. */
  readonly topM: number;
  /** Net litres up to a level, m. */
  readonly volumeL: (levelM: number) => number;
  /** Level that so many net litres reach up to, m. */
  readonly levelM: (litres: number) => number;
}

/** Share of a settled bed that is water between the grains. */
const POROSITY = { sand: 0.4, gravel: 0.45, bare: 1 } as const;

/** Density of reef rock's solid, kg/L (calcite 2.7, aragonite 2.9). */
const ROCK_KG_PER_L = 2.8;

/** A plan asks for the same display hundreds of times: what follows from its measures alone is worked out once. */
const gauges = new WeakMap<Display, Gauge>();

/**
 * The gauge of a display.
 *
 * @throws {OutOfRangeError} for dimensions that make no vessel, or a measured volume larger than the vessel's.
 */
export function gaugeOf(display: Display): Gauge {
  const known = gauges.get(display);
  if (known) return known;
  const gauge = makeGauge(display);
  gauges.set(display, gauge);
  return gauge;
}

function makeGauge(display: Display): Gauge {
  const topM = vesselHeightM(display.vessel);
  const gross = grossOf(display.vessel);
  const displaced = displacedBy(display, gross);
  const scale = scaleOf(display, gross, displaced);
  const volumeL = (levelM: number) => gross(levelM) - scale * displaced(levelM);
  return { topM, volumeL, levelM: levelsOf(display, topM, volumeL) };
}

/** What bed and rock take up below a level, L. Rock is spread evenly through the room from the bed to its highest point. */
function displacedBy(display: Display, gross: (heightM: number) => number): (levelM: number) => number {
  const { substrateDepthM, substrate, voidShare } = display;
  const solid = 1 - (substrate === "bare" ? POROSITY.bare : (voidShare ?? POROSITY[substrate]));
  const floorL = gross(substrateDepthM);
  // Where the walls come in, so does the rock.
  const heaps = heapsOf(display)
    .filter((h) => h.rockKg !== 0)
    .map((h) => ({
      solidL: h.rockKg / ROCK_KG_PER_L,
      roomL: gross(Math.max(h.rockTopM, substrateDepthM)) - floorL,
    }));
  return (levelM) => {
    let litres = gross(Math.min(levelM, substrateDepthM)) * solid;
    const reachedL = gross(Math.max(levelM, substrateDepthM)) - floorL;
    for (const { solidL, roomL } of heaps)
      litres += solidL * (roomL > 0 ? Math.min(1, reachedL / roomL) : Number(reachedL > 0));
    return litres;
  };
}

/** By how much a measured volume says that bed and rock take up more, or less, than they are reckoned to. */
function scaleOf(
  { measuredNetL, runningLevelM }: Display,
  gross: (heightM: number) => number,
  displaced: (levelM: number) => number,
): number {
  if (measuredNetL === undefined) return 1;
  const [fullL, takenL] = [gross(runningLevelM), displaced(runningLevelM)];
  const scale = takenL > 0 ? (fullL - measuredNetL) / takenL : 1;
  if (scale < 0)
    throw new OutOfRangeError({
      code: "out-of-range",
      field: "measuredNetL",
      value: measuredNetL,
      low: 0,
      high: fullL,
    });
  return scale;
}

/** The inverse of a gauge's litres: between straight walls exact, by the heights where bed and rock end; else the root. */
function levelsOf(display: Display, topM: number, volumeL: (levelM: number) => number): Gauge["levelM"] {
  const byRoot = (litres: number) => risingRoot((levelM) => volumeL(levelM) - litres, 0, topM);
  if (wallsLean(display.vessel)) return byRoot;
  const { substrateDepthM } = display;
  const heaps = heapsOf(display).filter((h) => h.rockKg !== 0);
  const ends = [substrateDepthM, ...heaps.map((h) => h.rockTopM)].filter((m) => m > 0 && m < topM);
  const knots = [0, ...ends.sort((a, b) => a - b), topM].map((levelM) => ({ levelM, litres: volumeL(levelM) }));
  const rises = knots.every((k, i) => i === 0 || k.litres > (knots[i - 1]?.litres ?? 0));
  // Rock that is told to end inside the bed takes up its room all at once.
  if (!rises || heaps.some((h) => h.rockTopM <= substrateDepthM)) return byRoot;
  return (litres) => {
    const i = Math.max(
      1,
      knots.findIndex((k) => k.litres >= litres),
    );
    const [below, above] = [knots[i - 1], knots[i]];
    if (!below || !above || litres >= (knots.at(-1)?.litres ?? 0)) return litres <= 0 ? 0 : topM;
    return below.levelM + ((litres - below.litres) / (above.litres - below.litres)) * (above.levelM - below.levelM);
  };
}
