import { meantBy, type Offer, type PlanInput } from "@keel-round/core/given";
import { type KitOnDay, usualKit, usualMethod } from "@keel-round/core/kits";
import {
  type DecimalSign,
  PARAMETERS,
  type Parameter,
  parseReading,
  type UnitPreference,
  unitFor,
} from "@keel-round/core/units";

/** What is known of a tank where readings of it are entered: enough to offer its kits, and to question a figure. */
export type KnownForEntry = Pick<PlanInput, "readings" | "rates" | "facts" | "on" | "kits" | "meters">;

export const knownForEntry = ({ readings, rates, facts, on, kits, meters }: PlanInput): KnownForEntry => ({
  ...{ readings, rates, facts, on },
  ...(meters ? { meters } : {}),
  ...(kits ? { kits } : {}),
});

/** What a tank is measured for: what is right for it is known, it was read before, something of it flows, or has an hour meter. */
export function parametersOf({ readings, facts, meters }: PlanInput): Parameter[] {
  const bands = facts.bands.map((b) => b.parameter);
  const flows = facts.filterUnits.length > 0 || facts.gear.includes("return");
  const beside = PARAMETERS.filter(
    (p) => readings.some((r) => r.parameter === p) || (p === "flow" && flows) || (p === "hours" && meters),
  );
  return [...bands, ...beside.filter((p) => !bands.includes(p))];
}

/** A row of the form, as it is typed. */
export interface Typed {
  readonly text: string;
  readonly unit: string;
  readonly method: string;
  /** A kit of the register; its method is the reading's. */
  readonly kitId: string | null;
  /** Of a flow: the filter whose it is; of hours: the piece of equipment. */
  readonly item?: string | null;
}

export const kitsFor = ({ kits = [] }: KnownForEntry, parameter: Parameter): KitOnDay[] =>
  kits.filter((k) => k.parameter === parameter);

/** An empty row: the unit the person reads in, and what the tank is usually measured with. */
export function usualRow(known: KnownForEntry, parameter: Parameter, units: UnitPreference): Typed {
  const last = known.readings.findLast((r) => r.parameter === parameter)?.kit;
  const kit = usualKit(known.kits ?? [], parameter, known.facts.practice, last);
  return {
    ...{ text: "", unit: unitFor(parameter, units) },
    method: kit?.method ?? usualMethod(parameter, known.facts.practice),
    kitId: kit?.kit.id ?? null,
    ...(parameter === "hours" ? { item: known.meters?.[0]?.name ?? null } : {}),
  };
}

/** The figure of a row as it will be kept; null where it is none. */
export function figureOf(known: KnownForEntry, parameter: Parameter, row: Typed, units: UnitPreference) {
  const kit = kitsFor(known, parameter).find((k) => k.kit.id === row.kitId)?.kit;
  const parsed = parseReading({ parameter, ...row, decimal: units.decimal, kit });
  return parsed.ok
    ? { parameter, value: parsed.value, sigma: parsed.sigma, ...(row.item ? { item: row.item } : {}) }
    : null;
}

/** The row as it was meant. */
export const asOffered = (
  known: KnownForEntry,
  parameter: Parameter,
  row: Typed,
  offer: Offer,
  decimal?: DecimalSign,
): Partial<Typed> =>
  meantBy(
    {
      ...{ parameter, text: row.text, unit: row.unit, temperatureC: known.facts.targetC, decimal },
      kit: kitsFor(known, parameter).find((k) => k.kit.id === row.kitId)?.kit,
    },
    offer,
  );
