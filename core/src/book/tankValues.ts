import type { TankFacts } from "../tank/index.ts";
import { type VesselShape, vesselOf, vesselShapes } from "../vessel/index.ts";
import { recordKinds } from "./records.ts";
import { getPath, setPath, type Values } from "./values.ts";

/** Fields of a tank that stand on its row; every other one is a path into its facts. */
export const TANK_COLUMNS: readonly string[] = ["name", "siteId", "kind", "sourceId", "topUpSourceId"];

/** The fields' values of a tank's facts. */
export function valuesOfFacts(facts: object): Values {
  return Object.fromEntries(
    recordKinds.tank.fields
      .filter(({ key }) => !TANK_COLUMNS.includes(key))
      .map(({ key }) => [key, (getPath(facts, key) ?? null) as Values[string]]),
  );
}

/**
 * Facts of a tank with some values set: what is set is no longer assumed, and dimensions of another shape go.
 *
 * The result may still not fit together; `TankFactsSchema` and `tankMisfits` say so.
 */
export function factsWith(facts: object, values: Values): TankFacts {
  let next = facts;
  for (const [key, value] of Object.entries(values))
    if (!TANK_COLUMNS.includes(key)) next = setPath(next, key, value === "" ? null : value);
  const vessel = getPath(next, "display.vessel") as Record<string, unknown> | undefined;
  if (vessel && typeof vessel.shape === "string" && vessel.shape in vesselShapes)
    next = setPath(next, "display.vessel", vesselOf(vessel.shape as VesselShape, vessel as Record<string, number>));
  const assumed = ((next as TankFacts).assumed ?? []).filter((key) => !(key in values));
  return setPath(next, "assumed", assumed.length > 0 ? assumed : null) as TankFacts;
}
