import type { TankFacts } from "../../tank/index.ts";
import type { Vessel } from "../../vessel/index.ts";

/** Area of a vessel's water at a height, m²: the school formula of each shape. Nothing of the planner's own geometry. */
function areaM2(v: Vessel, h: number): number {
  switch (v.shape) {
    case "box":
      return v.lengthM * v.widthM;
    case "bow-front": {
      const half = v.lengthM / 2;
      const r = (half ** 2 + v.bowM ** 2) / (2 * v.bowM);
      const angle = 2 * Math.asin(Math.min(1, half / r));
      return v.lengthM * v.widthM + (r ** 2 / 2) * (angle - Math.sin(angle));
    }
    case "cylinder":
      return (Math.PI * v.diameterM ** 2) / 4;
    case "quarter-round":
      return (Math.PI * v.radiusM ** 2) / 4;
    case "half-round":
      return (Math.PI * v.radiusM ** 2) / 2;
    case "three-quarter-round":
      return (3 * Math.PI * v.radiusM ** 2) / 4;
    case "hexagon":
      return (Math.sqrt(3) / 2) * v.acrossM ** 2;
    case "octagon":
      return 2 * (Math.SQRT2 - 1) * v.acrossM ** 2;
    case "corner":
      return v.lengthM * v.widthM - ((v.lengthM - v.endM) * (v.widthM - v.endM)) / 2;
    case "uneven-corner":
      return v.lengthM * v.widthM - ((v.lengthM - v.endM) * (v.widthM - v.endRightM)) / 2;
    case "l-shape":
      return v.lengthM * v.widthM - v.cutLengthM * v.cutWidthM;
    case "trapezoid":
      return ((v.lengthM + v.backM) / 2) * v.widthM;
    case "sloping":
      return (v.floorM + ((v.lengthM - v.floorM) * h) / v.heightM) * v.widthM;
    case "bowl":
      return Math.PI * Math.max(0, (v.diameterM / 2) ** 2 - (h - v.diameterM / 2) ** 2);
    case "flat-bowl": {
      // The middle of the ball lies so high over the floor that the floor's circle is on it.
      const middle = Math.sqrt(Math.max(0, (v.diameterM / 2) ** 2 - (v.floorM / 2) ** 2));
      return Math.PI * Math.max(0, (v.diameterM / 2) ** 2 - (h - middle) ** 2);
    }
    case "drum":
      return 2 * Math.sqrt(Math.max(0, (v.diameterM / 2) ** 2 - (h - v.diameterM / 2) ** 2)) * v.depthM;
  }
}

const rimM = (v: Vessel): number => (v.shape === "drum" ? v.diameterM : v.heightM);

/** Water between the grains of a settled bed, and litres of a kilogram of rock. */
const PORES = { sand: 0.4, gravel: 0.45, bare: 1 } as const;
const ROCK_L_PER_KG = 1 / 2.8;
const SLICES = 1200;

/** A display cut into thin slices of water from floor to rim. */
export interface Slices {
  readonly rimM: number;
  readonly stepM: number;
  /** Litres up to the top of each slice. */
  readonly litres: readonly number[];
}

/** Adds up a display's net water slice by slice: the glass, less the bed's grains, less the rock spread over its height. */
export function slicesOf({ display }: Pick<TankFacts, "display">): Slices {
  const { vessel, substrate, substrateDepthM, rockKg, rockTopM, runningLevelM, measuredNetL } = display;
  const rim = rimM(vessel);
  const stepM = rim / SLICES;
  const middle = (i: number) => (i + 0.5) * stepM;
  const gross = Array.from({ length: SLICES }, (_, i) => areaM2(vessel, middle(i)) * stepM * 1000);
  const heap = gross.reduce((sum, l, i) => (middle(i) > substrateDepthM && middle(i) <= rockTopM ? sum + l : sum), 0);
  const displaced = gross.map((l, i) => {
    const bed = middle(i) <= substrateDepthM ? l * (1 - PORES[substrate]) : 0;
    const rock =
      middle(i) > substrateDepthM && middle(i) <= rockTopM && heap > 0 ? (l / heap) * rockKg * ROCK_L_PER_KG : 0;
    return bed + rock;
  });
  const upTo = (values: readonly number[]) =>
    values.reduce((sum, l, i) => (middle(i) <= runningLevelM ? sum + l : sum), 0);
  const times = measuredNetL === undefined ? 1 : (upTo(gross) - measuredNetL) / Math.max(1e-9, upTo(displaced));
  let sum = 0;
  const litres = gross.map((l, i) => {
    sum += l - times * (displaced[i] ?? 0);
    return sum;
  });
  return { rimM: rim, stepM, litres };
}

/** Litres up to a level. */
export function litresAt({ stepM, litres }: Slices, levelM: number): number {
  const place = Math.min(litres.length, Math.max(0, levelM / stepM));
  const whole = Math.floor(place);
  const below = whole > 0 ? (litres[whole - 1] ?? 0) : 0;
  const next = litres[whole] ?? below;
  return below + (next - below) * (place - whole);
}

/** Level of so many litres. */
export function levelAt({ stepM, litres }: Slices, wanted: number): number {
  let [low, high] = [0, litres.length];
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (litresAt({ rimM: 0, stepM, litres }, middle * stepM) < wanted) low = middle;
    else high = middle;
  }
  return ((low + high) / 2) * stepM;
}
