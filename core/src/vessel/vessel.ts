import { OutOfRangeError, requireRange } from "../issues/index.ts";
import { type PlanCorner, planAreaM2, planPoints } from "./plan.ts";

/** Inside dimensions, metres. A drum is a cylinder lying on its side, `depthM` from pane to pane. */
export type Vessel =
  | { readonly shape: "box"; readonly lengthM: number; readonly widthM: number; readonly heightM: number }
  | {
      readonly shape: "bow-front";
      readonly lengthM: number;
      /** Front to back at the sides. */
      readonly widthM: number;
      /** How much further the front pane reaches in its middle. */
      readonly bowM: number;
      readonly heightM: number;
    }
  | { readonly shape: "cylinder"; readonly diameterM: number; readonly heightM: number }
  | {
      readonly shape: "quarter-round" | "half-round" | "three-quarter-round";
      readonly radiusM: number;
      readonly heightM: number;
    }
  | {
      readonly shape: "hexagon" | "octagon";
      /** Between opposite panes. */
      readonly acrossM: number;
      readonly heightM: number;
    }
  | {
      readonly shape: "corner";
      /** The two panes along the walls. */
      readonly lengthM: number;
      readonly widthM: number;
      /** The two short panes beside the slanting front. */
      readonly endM: number;
      readonly heightM: number;
    }
  | {
      /** A corner whose two short panes differ. */
      readonly shape: "uneven-corner";
      readonly lengthM: number;
      readonly widthM: number;
      /** The short pane at the end of the left wall, and of the right one. */
      readonly endM: number;
      readonly endRightM: number;
      readonly heightM: number;
    }
  | {
      readonly shape: "l-shape";
      readonly lengthM: number;
      readonly widthM: number;
      /** What is missing from the rectangle in front, at the right. */
      readonly cutLengthM: number;
      readonly cutWidthM: number;
      readonly heightM: number;
    }
  | {
      readonly shape: "trapezoid";
      /** Front and back pane. */
      readonly lengthM: number;
      readonly backM: number;
      readonly widthM: number;
      readonly heightM: number;
    }
  | {
      readonly shape: "sloping";
      /** Length at the rim and on the floor: the side panes lean. */
      readonly lengthM: number;
      readonly floorM: number;
      readonly widthM: number;
      readonly heightM: number;
    }
  | {
      readonly shape: "bowl";
      /** Of the whole ball, at its widest. */
      readonly diameterM: number;
      /** Floor to the open rim; less than the diameter. */
      readonly heightM: number;
    }
  | {
      readonly shape: "flat-bowl";
      /** Of the whole ball, at its widest. */
      readonly diameterM: number;
      /** Of the flat floor that it stands on. */
      readonly floorM: number;
      /** Floor to the open rim. */
      readonly heightM: number;
    }
  | { readonly shape: "drum"; readonly diameterM: number; readonly depthM: number };

export type VesselShape = Vessel["shape"];

/**
 * Height of the inside, floor to rim, m.
 *
 * @example
 * vesselHeightM({ shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.4 }); // 0.4
 */
export function vesselHeightM(vessel: Vessel): number {
  return vessel.shape === "drum" ? vessel.diameterM : vessel.heightM;
}

/** Corners of a rectangle about the middle of its length, front pane at y 0. */
const rectangle = (lengthM: number, widthM: number): PlanCorner[] => [
  { x: -lengthM / 2, y: 0 },
  { x: lengthM / 2, y: 0 },
  { x: lengthM / 2, y: widthM },
  { x: -lengthM / 2, y: widthM },
];

const circle = (radius: number): PlanCorner[] => [
  { x: radius, y: radius, turn: Math.PI },
  { x: -radius, y: radius, turn: Math.PI },
];

/** A regular polygon with a flat pane in front. */
function regular(sides: number, acrossM: number): PlanCorner[] {
  const apothem = acrossM / 2;
  const radius = apothem / Math.cos(Math.PI / sides);
  return Array.from({ length: sides }, (_, i) => {
    const angle = -Math.PI / 2 + ((2 * i - 1) * Math.PI) / sides;
    return { x: radius * Math.cos(angle), y: apothem + radius * Math.sin(angle) };
  });
}

/**
 * The water's outline seen from above at a height over the floor, m. Everything that is drawn or computed of a vessel
 * comes from this: its area is the surface, its width the front view, its area over the height the volume.
 */
function vesselPlan(vessel: Vessel, heightM: number): PlanCorner[] {
  switch (vessel.shape) {
    case "box":
      return rectangle(vessel.lengthM, vessel.widthM);
    case "bow-front": {
      const half = vessel.lengthM / 2;
      // The arc through both front corners and the middle of the bow: turn = 4·atan(2·rise/chord).
      const front = { x: -half, y: 0, turn: 4 * Math.atan(vessel.bowM / half) };
      return [front, ...rectangle(vessel.lengthM, vessel.widthM).slice(1)];
    }
    case "cylinder":
      return circle(vessel.diameterM / 2);
    case "quarter-round": {
      const r = vessel.radiusM;
      // The right angle stands in the corner of the room, behind at the left.
      return [
        { x: -r / 2, y: r },
        { x: -r / 2, y: 0, turn: Math.PI / 2 },
        { x: r / 2, y: r },
      ];
    }
    case "half-round": {
      const r = vessel.radiusM;
      return [
        { x: -r, y: r, turn: Math.PI },
        { x: r, y: r },
      ];
    }
    case "three-quarter-round": {
      const r = vessel.radiusM;
      // The missing quarter is behind at the right, where the corner of a wall stands.
      return [
        { x: 0, y: r },
        { x: 0, y: 2 * r, turn: (3 * Math.PI) / 2 },
        { x: r, y: r },
      ];
    }
    case "hexagon":
      return regular(6, vessel.acrossM);
    case "octagon":
      return regular(8, vessel.acrossM);
    case "corner":
    case "uneven-corner": {
      const { lengthM, widthM, endM } = vessel;
      const endRightM = vessel.shape === "corner" ? endM : vessel.endRightM;
      return [
        { x: -lengthM / 2, y: 0 },
        { x: -lengthM / 2 + endM, y: 0 },
        { x: lengthM / 2, y: widthM - endRightM },
        { x: lengthM / 2, y: widthM },
        { x: -lengthM / 2, y: widthM },
      ];
    }
    case "l-shape": {
      const { lengthM, widthM, cutLengthM, cutWidthM } = vessel;
      const inner = lengthM / 2 - cutLengthM;
      return [
        { x: -lengthM / 2, y: 0 },
        { x: inner, y: 0 },
        { x: inner, y: cutWidthM },
        { x: lengthM / 2, y: cutWidthM },
        { x: lengthM / 2, y: widthM },
        { x: -lengthM / 2, y: widthM },
      ];
    }
    case "trapezoid":
      return [
        { x: -vessel.lengthM / 2, y: 0 },
        { x: vessel.lengthM / 2, y: 0 },
        { x: vessel.backM / 2, y: vessel.widthM },
        { x: -vessel.backM / 2, y: vessel.widthM },
      ];
    case "sloping": {
      const { lengthM, floorM, widthM } = vessel;
      return rectangle(floorM + ((lengthM - floorM) * heightM) / vessel.heightM, widthM);
    }
    case "bowl": {
      const r = vessel.diameterM / 2;
      return circle(Math.sqrt(Math.max(0, r * r - (heightM - r) ** 2)));
    }
    case "flat-bowl": {
      const r = vessel.diameterM / 2;
      return circle(Math.sqrt(Math.max(0, r * r - (heightM + cutOffM(vessel) - r) ** 2)));
    }
    case "drum": {
      const r = vessel.diameterM / 2;
      return rectangle(2 * Math.sqrt(Math.max(0, r * r - (heightM - r) ** 2)), vessel.depthM);
    }
  }
}

/**
 * Whether the walls lean or bend, so that the outline differs with height.
 *
 * @example
 * wallsLean({ shape: "bowl", diameterM: 0.4, heightM: 0.3 }); // true
 */
export function wallsLean(vessel: Vessel): boolean {
  return ["sloping", "bowl", "flat-bowl", "drum"].includes(vessel.shape);
}

/** How much of the ball is missing under a flat floor, m: r − √(r² − (floor/2)²). */
function cutOffM({ diameterM, floorM }: { readonly diameterM: number; readonly floorM: number }): number {
  const r = diameterM / 2;
  return r - Math.sqrt(Math.max(0, r * r - (floorM / 2) ** 2));
}

/**
 * Height above the floor at which the plan is largest, m: the middle of a ball, the rim of most.
 *
 * @example
 * widestAtM({ shape: "bowl", diameterM: 0.4, heightM: 0.3 }); // 0.2
 */
export function widestAtM(vessel: Vessel): number {
  const heightM = vesselHeightM(vessel);
  if (vessel.shape === "bowl") return Math.min(heightM, vessel.diameterM / 2);
  if (vessel.shape === "flat-bowl") return Math.min(heightM, vessel.diameterM / 2 - cutOffM(vessel));
  return heightM;
}

/**
 * Width seen from the front at a height above the floor, m. The section is drawn from this.
 *
 * @example
 * frontWidthM({ shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.4 }, 0.1); // 1
 */
export function frontWidthM(vessel: Vessel, heightM: number): number {
  // The widest part of a round plan is where its arc runs straight back, which a corner need not mark.
  if (vessel.shape === "three-quarter-round") return 2 * vessel.radiusM;
  const xs = vesselPlan(vessel, heightM).map((p) => p.x);
  return Math.max(...xs) - Math.min(...xs);
}

/**
 * Area of the water's surface at a height above the floor, m².
 *
 * @example
 * surfaceM2({ shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.4 }, 0.2); // 0.5
 */
export function surfaceM2(vessel: Vessel, heightM: number): number {
  return planAreaM2(vesselPlan(vessel, heightM));
}

/** Vessels that make sense: a plan asks the same one for its litres thousands of times. */
const sensible = new WeakSet<Vessel>();

/** Everything the vessel is measured by, with what each must not exceed. */
function requireSense(vessel: Vessel): void {
  if (sensible.has(vessel)) return;
  for (const [field, value] of Object.entries(vessel))
    if (typeof value === "number" && !(value > 0 && Number.isFinite(value)))
      throw new OutOfRangeError({ code: "no-volume", field, value });
  for (const { field, low = 0, high } of vesselBounds(vessel))
    requireRange(field, (vessel as unknown as Record<string, number>)[field] ?? Number.NaN, low, high);
  sensible.add(vessel);
}

/**
 * Dimensions that another one bounds, m: an end pane is shorter than its wall, a rim lower than its ball.
 *
 * @example
 * vesselBounds({ shape: "bow-front", lengthM: 1, widthM: 0.5, bowM: 0.1, heightM: 0.5 }); // [{ "field": "bowM", "high": 0.5 }]
 */
export function vesselBounds(
  vessel: Vessel,
): readonly { readonly field: string; readonly low?: number; readonly high: number }[] {
  switch (vessel.shape) {
    case "bow-front":
      return [{ field: "bowM", high: vessel.lengthM / 2 }];
    case "corner":
      return [{ field: "endM", high: Math.min(vessel.lengthM, vessel.widthM) }];
    case "uneven-corner":
      return [
        { field: "endM", high: vessel.lengthM },
        { field: "endRightM", high: vessel.widthM },
      ];
    case "l-shape":
      return [
        // What is left on either side is wide enough for a hand.
        { field: "cutLengthM", high: 0.95 * vessel.lengthM },
        { field: "cutWidthM", high: 0.95 * vessel.widthM },
      ];
    case "bowl":
      return [{ field: "heightM", high: vessel.diameterM }];
    case "flat-bowl":
      return [
        { field: "floorM", high: 0.95 * vessel.diameterM },
        { field: "heightM", high: vessel.diameterM - cutOffM(vessel) },
      ];
    default:
      return [];
  }
}

/**
 * Litres of the empty vessel up to a height above the floor: the area of its plan over the height.
 *
 * @throws {OutOfRangeError} for a height outside the vessel, or dimensions that make no vessel.
 * @example
 * grossVolumeL({ shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.4 }, 0.3); // 150
 */
export function grossVolumeL(vessel: Vessel, heightM: number): number {
  const litresAt = grossOf(vessel);
  requireRange("heightM", heightM, 0, vesselHeightM(vessel) + 1e-9);
  return litresAt(heightM);
}

/**
 * The litres of an empty vessel by the height above its floor, m, from 0 to its rim.
 *
 * Closed forms where walls lean: a wedge, a ball's cap π h² (3r − h)/3, a lying cylinder's circular segment.
 *
 * @throws {OutOfRangeError} for dimensions that make no vessel.
 * @example
 * grossOf({ shape: "bowl", diameterM: 0.4, heightM: 0.4 })(0.4); // 33.5
 */
export function grossOf(vessel: Vessel): (heightM: number) => number {
  requireSense(vessel);
  switch (vessel.shape) {
    case "sloping": {
      const { lengthM, floorM, widthM } = vessel;
      return (heightM) =>
        widthM * (floorM * heightM + ((lengthM - floorM) * heightM ** 2) / (2 * vessel.heightM)) * 1000;
    }
    case "bowl":
      return (heightM) => capL(vessel.diameterM, heightM);
    case "flat-bowl": {
      const cutM = cutOffM(vessel);
      return (heightM) => capL(vessel.diameterM, heightM + cutM) - capL(vessel.diameterM, cutM);
    }
    case "drum": {
      const r = vessel.diameterM / 2;
      return (heightM) => {
        const offset = Math.min(1, Math.max(-1, (r - heightM) / r));
        return r * r * (Math.acos(offset) - offset * Math.sqrt(1 - offset * offset)) * vessel.depthM * 1000;
      };
    }
    default: {
      // Straight walls: one plan for every height.
      const floorM2 = surfaceM2(vessel, 0);
      return (heightM) => floorM2 * heightM * 1000;
    }
  }
}

const capL = (diameterM: number, heightM: number): number =>
  ((Math.PI * heightM ** 2 * ((3 * diameterM) / 2 - heightM)) / 3) * 1000;

/**
 * Inside dimensions from outside ones.
 *
 * Every horizontal dimension loses two panes, the height one (the floor); a dimension that is measured from one wall
 * only (a radius, an end pane, a bow) loses one or none, as drawn.
 *
 * @param glassM Thickness of every pane, m.
 * @throws {OutOfRangeError} if nothing is left inside.
 * @example
 * insideOf({ shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.4 }, 0.01); // { lengthM: 0.98, widthM: 0.48, heightM: 0.39 }
 */
export function insideOf(outside: Vessel, glassM: number): Vessel {
  requireRange("glassM", glassM, 0, 0.2);
  const less: Readonly<Record<string, number>> = {
    lengthM: 2,
    widthM: 2,
    backM: 2,
    floorM: 2,
    diameterM: 2,
    depthM: 2,
    acrossM: 2,
    radiusM: outside.shape === "half-round" || outside.shape === "quarter-round" ? 2 : 1,
    heightM: 1,
    endM: 1,
    endRightM: 1,
    bowM: 0,
    cutLengthM: 0,
    cutWidthM: 0,
  };
  const inside = Object.fromEntries(
    Object.entries(outside).map(([field, value]) => [
      field,
      typeof value === "number" ? value - (less[field] ?? 0) * glassM : value,
    ]),
  ) as unknown as Vessel;
  requireSense(inside);
  return inside;
}

/**
 * The vessel's outline from above at its running or rim height, as points for a drawing, m.
 *
 * @example
 * vesselPlanPoints({ shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 }, 0.5)[2]; // { "x": 0.5, "y": 0.5 }
 */
export function vesselPlanPoints(vessel: Vessel, heightM: number): { readonly x: number; readonly y: number }[] {
  return planPoints(vesselPlan(vessel, heightM));
}
