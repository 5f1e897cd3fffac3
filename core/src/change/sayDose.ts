import { type Message, m } from "../say/index.ts";
import type { CorrectionDose, NoDose } from "./correction.ts";

/** "17.5 g" of a dose. */
export const amountOf = ({ unit }: Pick<CorrectionDose, "unit">, value: number): Message =>
  m("dose.amount", { amount: { figure: value, decimals: value < 100 ? 1 : 0 }, unit });

/** What is still to come of a dose; null where nothing is. */
export function restOfDose(dose: CorrectionDose): Message | null {
  const { restDays, restAmount, product } = dose;
  if (restDays === 0) return null;
  const said = { days: restDays, amount: amountOf(dose, restAmount / restDays) };
  return product.ownerGives ? m("dose.rest.owner", said) : m("dose.rest.visits", said);
}

/** That a figure is too low and not dosed today. */
export const notDosedTitle = ({ parameter, from }: NoDose): Message =>
  m("not-dosed.title", { parameter: { parameter }, from: { reading: from, of: parameter } });

/** Why not, and what goes first. */
export const whyNotDosed = ({ why, parameter, by }: NoDose): Message =>
  m(`not-dosed.${why}`, { parameter: { parameter }, value: by ? { reading: by.value, of: by.parameter } : "" });
