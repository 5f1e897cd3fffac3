import {
  amountOf,
  type Correction,
  type CorrectionDose,
  type NoDose,
  notDosedTitle,
  restOfDose,
  whyNotDosed,
} from "../change/index.ts";
import type { Dosed } from "../mixing/index.ts";
import { plain } from "../programme/index.ts";
import { m } from "../say/index.ts";
import type { Parameter } from "../units/index.ts";
import { type Making, type Step, stepOf, testOf, those } from "./step.ts";

/** What a dose takes: dissolved, poured slowly. */
const DOSE_MINUTES = 4;
const READ_MINUTES = 4;
/** Two doses that would fall out together, minutes apart. */
const APART_MINUTES = 30;
const FIRST_NUMBER = 176;
/** These get hot as they dissolve, or burn where they touch. */
const HOT: readonly Dosed[] = ["calcium", "magnesium"];

const idOf = (parameter: Parameter) => `dose-${parameter}`;

/** Doses that put figures right, each after it was measured, and what is not dosed today with the reason. */
export function correctionSteps(making: Making, corrections: readonly Correction[], others: readonly Step[]): Step[] {
  const doses = corrections.filter((c) => c.ok);
  return [
    ...readFirst(making, doses, others),
    ...doses.map((dose, i) =>
      doseStep(
        making,
        dose,
        i,
        doses.slice(i + 1).map((d) => idOf(d.parameter)),
      ),
    ),
    ...corrections.flatMap((c) => (c.ok ? [] : [notToday(making, c)])),
  ];
}

/** A dose is given on a figure of today, and the last one is looked at: measured where no job does it anyway. */
function readFirst(making: Making, doses: readonly CorrectionDose[], others: readonly Step[]): Step[] {
  const { input } = making;
  const today = new Set(input.readings.flatMap((r) => (r.on === input.on && !r.after ? [r.parameter] : [])));
  const unread = (input.dosed ?? []).filter(
    (d) => !input.readings.some((r) => r.parameter === d.parameter && r.on > d.on),
  );
  const asked = new Set<Dosed>([
    ...doses.flatMap((d) => (d.measured ? [] : [d.parameter])),
    ...unread.map((d) => d.parameter),
  ]);
  return [...asked]
    .filter((parameter) => !today.has(parameter) && !others.some((s) => testOf(s) === parameter))
    .map((parameter) => {
      const given = unread.findLast((d) => d.parameter === parameter);
      return stepOf(making, `read-${parameter}`, "test", 46, READ_MINUTES, {
        title: m("dose-read.title", { parameter: { parameter } }),
        reason: [given ? m("dose-read.after", { day: { day: given.on } }) : m("dose-read.reason")],
        enters: [{ reading: parameter, needed: true }],
        kit: plain("test kit"),
      });
    });
}

function doseStep(making: Making, dose: CorrectionDose, place: number, later: readonly string[]): Step {
  const { parameter, product, from, to, target } = dose;
  const rest = restOfDose(dose);
  const reading = (value: number) => ({ reading: value, of: parameter });
  return stepOf(making, idOf(parameter), "dose", FIRST_NUMBER + place, DOSE_MINUTES, {
    title: m("dose.title", { amount: amountOf(dose, dose.amount.value), product: product.name }),
    done: m("dose.done", { product: product.name }),
    reason: [
      m("dose.reason", {
        parameter: { parameter, begins: true },
        from: reading(from),
        to: reading(to.value),
        target: reading(target),
      }),
      ...(rest ? [rest] : []),
    ],
    figure: "dose",
    enters: [{ dose: parameter, needed: true }],
    kit: [{ item: product.name }, { item: dose.unit === "g" ? "scale" : "syringe" }],
    craft: those(dose.unit === "g" ? m("dose.dissolve") : m("dose.pour"), later.length > 0 && m("dose.apart")),
    caution: those(
      dose.unit === "g" && HOT.includes(parameter) && m("dose.hot"),
      dose.unit === "g" && dose.ph === "raises" && m("dose.caustic"),
      dose.ph === "raises" ? m("dose.ph-up") : dose.ph === "lowers" && m("dose.ph-down"),
      !dose.measured && m("dose.measure"),
    ),
    ...(later.length > 0 ? { aloneMinutes: APART_MINUTES, alone: m("dose.spreads"), until: later } : {}),
  });
}

/** A figure that is too low and not dosed today: nobody may decide otherwise on site. */
function notToday(making: Making, no: NoDose): Step {
  const id = idOf(no.parameter);
  return stepOf(making, `held:${id}`, "look", 28, 0, {
    title: notDosedTitle(no),
    reason: [whyNotDosed(no)],
    held: { code: id, strict: true, final: true },
  });
}
