export {
  cmFromRim,
  type Display,
  displayLevelM,
  displayVolumeL,
  type Furnishing,
  runBack,
  type Sump,
  sumpVolumeL,
} from "./display.ts";
export { frontWidthM, grossVolumeL, surfaceM2, type Vessel, vesselHeightM } from "./vessel.ts";
