import { OutOfRangeError, requireRange } from "../issues/index.ts";

/** Inside dimensions, metres. A drum is a cylinder lying on its side, `depthM` from pane to pane. */
export type Vessel =
  | { readonly shape: "box"; readonly lengthM: number; readonly widthM: number; readonly heightM: number }
  | { readonly shape: "cylinder"; readonly diameterM: number; readonly heightM: number }
  | { readonly shape: "drum"; readonly diameterM: number; readonly depthM: number };

/** Height of the inside, floor to rim, m. */
export function vesselHeightM(vessel: Vessel): number {
  return vessel.shape === "drum" ? vessel.diameterM : vessel.heightM;
}

/** Width seen from the front at a height above the floor, m. The section is drawn from this. */
export function frontWidthM(vessel: Vessel, heightM: number): number {
  if (vessel.shape === "box") return vessel.lengthM;
  if (vessel.shape === "cylinder") return vessel.diameterM;
  const r = vessel.diameterM / 2;
  return 2 * Math.sqrt(Math.max(0, r * r - (heightM - r) ** 2));
}

/** Area of the water's surface at a height above the floor, m². */
export function surfaceM2(vessel: Vessel, heightM: number): number {
  if (vessel.shape === "box") return vessel.lengthM * vessel.widthM;
  if (vessel.shape === "cylinder") return Math.PI * (vessel.diameterM / 2) ** 2;
  return frontWidthM(vessel, heightM) * vessel.depthM;
}

/**
 * Litres of the empty vessel up to a height above the floor. Geometry; the drum by the area of a circular segment.
 *
 * @throws {OutOfRangeError} for a height outside the vessel, or a vessel without size.
 */
export function grossVolumeL(vessel: Vessel, heightM: number): number {
  const top = vesselHeightM(vessel);
  if (!(top > 0) || !(surfaceM2(vessel, top / 2) > 0))
    throw new OutOfRangeError({ code: "no-volume", field: "vessel", value: top });
  requireRange("heightM", heightM, 0, top + 1e-9);
  if (vessel.shape !== "drum") return surfaceM2(vessel, heightM) * heightM * 1000;
  const r = vessel.diameterM / 2;
  const offset = Math.min(1, Math.max(-1, (r - heightM) / r));
  const segmentM2 = r * r * (Math.acos(offset) - offset * Math.sqrt(1 - offset * offset));
  return segmentM2 * vessel.depthM * 1000;
}
