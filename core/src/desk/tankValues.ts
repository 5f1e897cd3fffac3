import type { SourceFacts } from "../given/index.ts";
import type { KeptFacts } from "../tank/index.ts";
import { byText } from "../text/index.ts";
import type { Parameter } from "../units/index.ts";
import { type VesselShape, vesselOf, vesselShapes } from "../vessel/index.ts";
import type { Entity, ListRow } from "./fields.ts";
import { recordKinds } from "./records.ts";
import { getPath, setPath, type Values } from "./values.ts";

/** Fields of a tank that stand on its row; every other one is a path into its facts. */
export const TANK_COLUMNS: readonly string[] = ["name", "siteId", "kind", "sourceId", "topUpSourceId"];

/** The same of a source of water and of a kind of tank. */
export const SOURCE_COLUMNS: readonly string[] = ["name", "siteId"];
export const KIND_COLUMNS: readonly string[] = ["name"];
export const JOB_COLUMNS: readonly string[] = ["name"];

/** The fields' values of the facts that a record keeps as one document. */
function valuesAt(entity: Entity, facts: object, columns: readonly string[]): Values {
  return Object.fromEntries(
    recordKinds[entity].fields
      .filter(({ key }) => !columns.includes(key))
      .map(({ key }) => [key, (getPath(facts, key) ?? null) as Values[string]]),
  );
}

/** Facts with some values set; what is empty goes. */
function setAt(facts: object, values: Values, columns: readonly string[]): object {
  let next = facts;
  for (const [key, value] of Object.entries(values))
    if (!columns.includes(key)) next = setPath(next, key, value === "" ? null : value);
  return next;
}

/** The fields' values of a tank's facts. */
export const valuesOfFacts = (facts: object): Values => valuesAt("tank", facts, TANK_COLUMNS);

/** The fields' values of the facts of a kind of tank, and back. */
export const valuesOfKind = (facts: object): Values => valuesAt("kind", facts, KIND_COLUMNS);
export const kindWith = (facts: object, values: Values): object => setAt(facts, values, KIND_COLUMNS);

/** The fields' values of the facts of a job of the programme library, and back. */
export const valuesOfJob = (facts: object): Values => valuesAt("job", facts, JOB_COLUMNS);
export const jobWith = (facts: object, values: Values): object => setAt(facts, values, JOB_COLUMNS);

/** The fields' values of a source: its chemistry as lines. */
export function valuesOfSource(facts: SourceFacts): Values {
  return {
    ...valuesAt("source", facts, SOURCE_COLUMNS),
    chemistry: Object.entries(facts.chemistry).map(([parameter, value]) => ({ parameter, value })),
  };
}

/** What a purifier's plate usually says where nobody copied it. */
const PURIFIER = { ratedBar: 4, wasteRatio: 3, flushMinutes: 3 } as const;

/** A conditioner or a salt without anything typed is none; what a new salt weighs comes from its label until a batch says more. */
function completed({ conditioner, minerals, salt, purifier, ...source }: SourceFacts): SourceFacts {
  const dosed = conditioner && (conditioner.name || conditioner.mlPer100L !== undefined);
  const asLabelled = salt && !(salt.batches > 0);
  return {
    ...source,
    ...(minerals && (minerals.name || minerals.gramsPer100L !== undefined) ? { minerals } : {}),
    ...(purifier && purifier.litresPerDayAt25 !== undefined ? { purifier: { ...PURIFIER, ...purifier } } : {}),
    ...(dosed
      ? {
          conditioner: {
            ...conditioner,
            bindsAmmonia: conditioner.bindsAmmonia ?? false,
            maximumMlPer100L: conditioner.maximumMlPer100L ?? conditioner.mlPer100L,
          },
        }
      : {}),
    ...(salt ? { salt: asLabelled ? { ...salt, gramsPerLitre: salt.labelGramsPerLitre, batches: 0 } : salt } : {}),
  };
}

/** Facts of a source with some values set; lines of its chemistry become figures by parameter, the last one counts. */
export function sourceWith(facts: object, values: Values): SourceFacts {
  const { chemistry, measured, ...rest } = values;
  // The newest first: what is typed today stands on top the next time.
  const sorted: Values = measured
    ? { measured: [...(measured as readonly ListRow[])].sort((a, b) => byText(String(b.on), String(a.on))) }
    : {};
  const next = completed(setAt(facts, { ...rest, ...sorted }, SOURCE_COLUMNS) as SourceFacts);
  if (chemistry === undefined) return next;
  const rows = (chemistry ?? []) as readonly ListRow[];
  return {
    ...next,
    chemistry: Object.fromEntries(rows.map((r) => [r.parameter as Parameter, r.value as number])),
  };
}

/**
 * Facts of a tank with some values set: what is set is no longer assumed, and dimensions of another shape go.
 *
 * The result may still not fit together; `KeptFactsSchema` and `tankMisfits` say so.
 */
export function factsWith(facts: object, values: Values): KeptFacts {
  let next = setAt(facts, values, TANK_COLUMNS);
  const vessel = getPath(next, "display.vessel") as Record<string, unknown> | undefined;
  if (vessel && typeof vessel.shape === "string" && vessel.shape in vesselShapes)
    next = setPath(next, "display.vessel", vesselOf(vessel.shape as VesselShape, vessel as Record<string, number>));
  const assumed = ((next as KeptFacts).assumed ?? []).filter((key) => !(key in values));
  return setPath(next, "assumed", assumed.length > 0 ? assumed : null) as KeptFacts;
}
