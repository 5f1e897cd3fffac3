import { type Vessel, type VesselShape, vesselBounds, vesselOf } from "./index.ts";

/** A vessel from free dimensions; what another dimension bounds is so large a part of what it may be, one after the other. */
export function boundedVessel(shape: VesselShape, free: Readonly<Record<string, number>>, part: number): Vessel {
  let dimensions = { ...free };
  for (const { field } of vesselBounds(vesselOf(shape, free))) {
    const high = vesselBounds(vesselOf(shape, dimensions)).find((b) => b.field === field)?.high ?? Number.NaN;
    dimensions = { ...dimensions, [field]: high * part };
  }
  return vesselOf(shape, dimensions);
}
