export { type Dimension, VESSEL_SHAPES, vesselOf, vesselShapes } from "./dimensions.ts";
export {
  cmFromRim,
  type Display,
  displayLevelM,
  displayVolumeL,
  type Furnishing,
  heapsOf,
  rockKgOf,
  runBack,
} from "./display.ts";
export { returnFloorM2, type Sump, sumpCapacityL, sumpLevelM, sumpVolumeL } from "./sump.ts";
export {
  frontWidthM,
  grossVolumeL,
  insideOf,
  surfaceM2,
  type Vessel,
  type VesselShape,
  vesselBounds,
  vesselHeightM,
  vesselPlanPoints,
  wallsLean,
  widestAtM,
} from "./vessel.ts";
