import type { Vessel, VesselShape } from "./vessel.ts";

/** One dimension that a person measures. */
export interface Dimension {
  readonly key: string;
  readonly label: string;
}

const length = { key: "lengthM", label: "Length" };
const width = { key: "widthM", label: "Front to back" };
const height = { key: "heightM", label: "Height" };

/** Every shape with its name and what to measure on it, inside the glass, in the order a tape goes round. */
export const vesselShapes: Readonly<
  Record<VesselShape, { readonly label: string; readonly dimensions: readonly Dimension[] }>
> = {
  box: { label: "Box", dimensions: [length, width, height] },
  "bow-front": {
    label: "Bow front",
    dimensions: [length, { key: "widthM", label: "Front to back at the sides" }, { key: "bowM", label: "Bow" }, height],
  },
  cylinder: { label: "Upright cylinder", dimensions: [{ key: "diameterM", label: "Diameter" }, height] },
  "quarter-round": { label: "Quarter round", dimensions: [{ key: "radiusM", label: "Radius" }, height] },
  "half-round": { label: "Half round", dimensions: [{ key: "radiusM", label: "Radius" }, height] },
  "three-quarter-round": { label: "Three-quarter round", dimensions: [{ key: "radiusM", label: "Radius" }, height] },
  hexagon: { label: "Hexagon", dimensions: [{ key: "acrossM", label: "Between opposite panes" }, height] },
  octagon: { label: "Octagon", dimensions: [{ key: "acrossM", label: "Between opposite panes" }, height] },
  corner: {
    label: "Corner pentagon",
    dimensions: [
      { key: "lengthM", label: "Along the left wall" },
      { key: "widthM", label: "Along the right wall" },
      { key: "endM", label: "Short end pane" },
      height,
    ],
  },
  "uneven-corner": {
    label: "Corner pentagon, ends differ",
    dimensions: [
      { key: "lengthM", label: "Along the left wall" },
      { key: "widthM", label: "Along the right wall" },
      { key: "endM", label: "Short pane at the left wall" },
      { key: "endRightM", label: "Short pane at the right wall" },
      height,
    ],
  },
  "l-shape": {
    label: "L",
    dimensions: [
      length,
      width,
      { key: "cutLengthM", label: "Missing length" },
      { key: "cutWidthM", label: "Missing depth" },
      height,
    ],
  },
  trapezoid: {
    label: "Trapezoid in plan",
    dimensions: [{ key: "lengthM", label: "Front pane" }, { key: "backM", label: "Back pane" }, width, height],
  },
  sloping: {
    label: "Sloping ends",
    dimensions: [
      { key: "lengthM", label: "Length at the rim" },
      { key: "floorM", label: "Length on the floor" },
      width,
      height,
    ],
  },
  bowl: { label: "Bowl", dimensions: [{ key: "diameterM", label: "Widest diameter" }, height] },
  "flat-bowl": {
    label: "Bowl with a flat floor",
    dimensions: [
      { key: "diameterM", label: "Widest diameter" },
      { key: "floorM", label: "Diameter of the floor" },
      height,
    ],
  },
  drum: {
    label: "Drum, lying",
    dimensions: [
      { key: "diameterM", label: "Diameter" },
      { key: "depthM", label: "Pane to pane" },
    ],
  },
};

export const VESSEL_SHAPES = Object.keys(vesselShapes) as VesselShape[];

/**
 * A vessel of a shape from dimensions by key; one that is not given is 0, which no vessel accepts.
 *
 * @example
 * vesselOf("cylinder", { diameterM: 1 }); // { "shape": "cylinder", "diameterM": 1, "heightM": 0 }
 */
export function vesselOf(shape: VesselShape, dimensions: Readonly<Record<string, number>>): Vessel {
  return {
    shape,
    ...Object.fromEntries(vesselShapes[shape].dimensions.map(({ key }) => [key, dimensions[key] ?? 0])),
  } as unknown as Vessel;
}
