export { type Dimension, VESSEL_SHAPES, vesselOf, vesselShapes } from "./dimensions.ts";
export { cmFromRim, displayLevelM, displayVolumeL, runBack } from "./display.ts";
export { type Display, type Furnishing, heapsOf, rockKgOf } from "./furnishing.ts";
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
