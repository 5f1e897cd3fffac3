import type { TankOnDay } from "../given/index.ts";
import {
  DOSED,
  type Dosed,
  type DoseProduct,
  type DoseUnit,
  movesPh,
  risePerUnit,
  unitOfProduct,
} from "../mixing/index.ts";
import type { Band } from "../tank/index.ts";
import { type Parameter, parameterFacts } from "../units/index.ts";
import { q, type Worked, worked } from "../worked/index.ts";
import type { WaterPlan } from "./waterPlan.ts";

/** A dose of this visit that brings a figure towards its band, and what is left for later. */
export interface CorrectionDose {
  readonly ok: true;
  readonly parameter: Dosed;
  readonly product: Pick<DoseProduct, "id" | "name" | "ownerGives">;
  readonly unit: DoseUnit;
  /** Today, g or mL, as it is weighed or measured. */
  readonly amount: Worked;
  /** What that raises it by. */
  readonly rise: number;
  /** Before it, once the change is done, and after it. */
  readonly from: number;
  readonly to: Worked;
  readonly target: number;
  /** What is still to be given after today, g or mL, in so many days of equal parts. */
  readonly restAmount: number;
  readonly restDays: number;
  /** Whether today's water was measured: else the reading comes first, and the dose follows it. */
  readonly measured: boolean;
  readonly ph: "lowers" | "raises" | null;
}

/** Why a figure that is too low is not dosed today. */
export type NotDosed =
  | "retest"
  | "treatment"
  | "salt-first"
  | "magnesium-first"
  | "magnesium-today"
  | "ammonia"
  | "too-much-calcium"
  | "too-much-alkalinity"
  | "ph-high"
  | "day-used"
  | "no-product";

export interface NoDose {
  readonly ok: false;
  readonly parameter: Dosed;
  readonly why: NotDosed;
  readonly from: number;
  /** The figure that stands in its way. */
  readonly by?: { readonly parameter: Parameter; readonly value: number };
}

export type Correction = CorrectionDose | NoDose;

const AMMONIA: readonly string[] = ["ammonia-emergency", "ammonia-would-rise", "ph-first"];
/** Above this a carbonate would go on to raise a pH that is high already, and lime falls out. */
const HIGH_PH = 8.4;
/** A dose has to show on a kit: less is left for the next visit. */
const LEAST_OF_KIT = 1;
/** What is weighed or measured is right within this, one sigma. */
const WEIGHED_RELATIVE = 0.02;

/**
 * What is put right by a dose on this visit: figures that the change alone leaves under their band, within what a day may move.
 *
 * A change and the doses of a day count together. Nothing is dosed on a reading that does not fit, into a treatment, where
 * salinity is what is low, before magnesium holds, or where it would fall out of the water again: each says so.
 */
export function correctionsOn(tank: TankOnDay, water: WaterPlan): Correction[] {
  const doses = DOSED.flatMap((parameter) => correctionOf(tank, water, parameter) ?? []);
  const magnesium = doses.some((d) => d.ok && d.parameter === "magnesium");
  // Hours apart is longer than anybody stays.
  return doses.map((d) =>
    magnesium && d.ok && d.parameter === "calcium"
      ? { ok: false, parameter: d.parameter, why: "magnesium-today", from: d.from }
      : d,
  );
}

interface Low {
  readonly tank: TankOnDay;
  readonly water: WaterPlan;
  readonly parameter: Dosed;
  readonly band: Band;
  /** As found, and once the change is done. */
  readonly before: number;
  readonly value: number;
  readonly sigma: number;
}

const bandOf = ({ facts }: TankOnDay, parameter: Parameter): Band | undefined =>
  facts.bands.find((b) => b.parameter === parameter);

/** A parameter once the change is done. */
function afterChange({ known }: TankOnDay, water: WaterPlan, parameter: Parameter) {
  const expected = water.after.find((e) => e.parameter === parameter);
  if (expected) {
    const { low, high } = expected.after.range ?? { low: expected.after.value, high: expected.after.value };
    return { before: expected.before, value: expected.after.value, sigma: (high - low) / 3.919928 };
  }
  const now = known[parameter];
  return now ? { before: now.value, value: now.value, sigma: now.sigma } : null;
}

function correctionOf(tank: TankOnDay, water: WaterPlan, parameter: Dosed): Correction | null {
  const band = bandOf(tank, parameter);
  const found = band && afterChange(tank, water, parameter);
  // Within the error of what is known it is not low.
  if (!band || !found || found.value >= band.idealLow - found.sigma) return null;
  const low: Low = { tank, water, parameter, band, ...found };
  const hindrance = hindered(low);
  if (hindrance) return { ok: false, parameter, from: low.value, ...hindrance };
  return doseFor(low);
}

type Hindrance = Pick<NoDose, "why" | "by">;

/** What forbids a dose whatever it is made of. */
function hindered({ tank, water, parameter }: Low): Hindrance | null {
  const { input, facts, salt } = tank;
  if (water.reasons.some((r) => r.code === "retest" && r.parameter === parameter)) return { why: "retest" };
  if (facts.treatment && input.on <= facts.treatment.followUpOn) return { why: "treatment" };
  // More alkalinity is a higher pH, and more of the ammonia free.
  if (parameter === "alkalinity" && water.reasons.some((r) => AMMONIA.includes(r.code))) return { why: "ammonia" };
  const beyond = (other: Parameter, side: "idealLow" | "actLow" | "actHigh") => {
    const band = bandOf(tank, other);
    const is = afterChange(tank, water, other);
    if (!band || !is) return null;
    const past =
      side === "actHigh" ? is.value > band[side] : is.value < band[side] - (side === "idealLow" ? is.sigma : 0);
    return past ? { parameter: other, value: is.value } : null;
  };
  // With less salt there is less of everything in it.
  const salinity = salt && parameter !== "gh" ? beyond("salinity", "idealLow") : null;
  if (salinity) return { why: "salt-first", by: salinity };
  const magnesium = parameter === "alkalinity" || parameter === "calcium" ? beyond("magnesium", "actLow") : null;
  if (magnesium) return { why: "magnesium-first", by: magnesium };
  const calcium = parameter === "alkalinity" ? beyond("calcium", "actHigh") : null;
  if (calcium) return { why: "too-much-calcium", by: calcium };
  const alkalinity = parameter === "calcium" ? beyond("alkalinity", "actHigh") : null;
  return alkalinity ? { why: "too-much-alkalinity", by: alkalinity } : null;
}

/** A product that may be used: one whose pH the tank bears goes before one that nobody knows. */
function productFor({ tank, parameter }: Low): DoseProduct | Hindrance {
  const able = (tank.input.products ?? []).filter(
    (p) => p.raises === parameter && (risePerUnit(p, tank.systemL) ?? 0) > 0,
  );
  if (able.length === 0) return { why: "no-product" };
  const ph = tank.known.ph;
  const fits = able.filter((p) => !(ph && ph.value >= HIGH_PH && movesPh(p) === "raises"));
  const [first] = fits;
  return first ?? { why: "ph-high", by: { parameter: "ph", value: ph?.value ?? HIGH_PH } };
}

/** The most that a day may raise it by, by its animals and by the label; without limit for what they do not mind. */
function mostADay({ tank: { day }, parameter }: Low, product: DoseProduct): number {
  const bears = { magnesium: day.magnesiumMgL, alkalinity: day.alkalinityDkh, calcium: day.calciumMgL, gh: day.ghDgh };
  return Math.min(bears[parameter] ?? Number.POSITIVE_INFINITY, product.mostADay ?? Number.POSITIVE_INFINITY);
}

/** What of a day the change and earlier doses of today have used up. */
function usedToday({ tank: { input }, parameter, before, value }: Low): number {
  const earlier = (input.dosed ?? []).filter((d) => d.parameter === parameter && d.on === input.on);
  return Math.max(0, value - before) + earlier.reduce((sum, d) => sum + d.rise, 0);
}

function doseFor(low: Low): Correction {
  const { tank, water, parameter, band, value, sigma } = low;
  const product = productFor(low);
  if ("why" in product) return { ok: false, parameter, from: value, ...product };
  const litres = tank.systemL - water.leftLowL;
  const perUnit = risePerUnit(product, litres) ?? 0;
  const unit = unitOfProduct(product);
  const target = (Math.max(0, band.idealLow) + band.idealHigh) / 2;
  const need = target - value;
  const most = mostADay(low, product);
  const room = Math.max(0, most - usedToday(low));
  if (room < LEAST_OF_KIT * parameterFacts[parameter].step)
    return { ok: false, parameter, from: value, why: "day-used" };
  const amount = weighed(Math.min(need, room) / perUnit);
  const rise = amount * perUnit;
  const rest = Math.max(0, need - rise);
  // What is left is worth a day of its own only where a kit would see it.
  const restDays = rest > parameterFacts[parameter].step ? Math.ceil(rest / most - 1e-9) : 0;
  const canonical = parameterFacts[parameter].unit;
  return {
    ok: true,
    parameter,
    product: { id: product.id, name: product.name, ownerGives: product.ownerGives },
    unit,
    amount: worked("correction-dose", amount, unit, {
      stands: q(value, canonical),
      wanted: q(target, canonical),
      "may rise today": Number.isFinite(room) ? q(room, canonical) : "as far as wanted",
      litres: q(litres, "L"),
      [`one ${unit} raises it by`]: q(perUnit, canonical),
    }),
    rise,
    from: value,
    to: worked(
      "reading-after-dose",
      value + rise,
      canonical,
      { before: q(value, canonical), dose: q(rise, canonical) },
      Math.hypot(sigma, rise * Math.hypot(WEIGHED_RELATIVE, tank.volumeRelative)),
    ),
    target,
    restAmount: restDays > 0 ? weighed(rest / perUnit) : 0,
    restDays,
    measured: tank.known[parameter]?.today === true,
    ph: movesPh(product),
  };
}

/** What a scale or a syringe can be read to: never more than was worked out. */
function weighed(amount: number): number {
  const step = amount < 10 ? 0.1 : amount < 100 ? 0.5 : amount < 1000 ? 1 : 10;
  return Math.floor(amount / step + 1e-9) * step;
}
