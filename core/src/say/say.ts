import { sayDay } from "../calendar/civil.ts";
import { libraryJob } from "../programme/index.ts";
import { figure, quantityText, type UnitPreference } from "../units/index.ts";
import { SENTENCES } from "./en.compiled.ts";
import type { Code } from "./m.ts";
import type { Amount, Message, Sentence, Value } from "./message.ts";
import { retold } from "./retold.ts";

const LOCALE = "en-GB";
const plurals = new Intl.PluralRules(LOCALE);

/**
 * The words of a message for somebody.
 *
 * @param units What quantities are told in.
 * @example
 * say(m("job.skipped", { times: 2 }), METRIC); // "Skipped 2 times."
 */
export function say(message: Message, units: UnitPreference): string {
  if ("told" in message) return message.told;
  if ("job" in message) return libraryJob(message.job)?.[message.its] ?? "";
  if ("kept" in message) return retold(message.kept, units);
  // One that an earlier catalogue knew: it says nothing rather than something else.
  const sentence: Sentence | undefined = SENTENCES[message.say as Code];
  if (!sentence) return "";
  const value = (name: string): Value => message.with?.[name] ?? "";
  const number = (name: string): number => Number(value(name));
  return sentence(
    (name) => textOf(value(name), units),
    number,
    (name) => plurals.select(number(name)),
  );
}

/** Several messages one after the other, as sentences; nothing where there is none. */
export const sayAll = (messages: readonly Message[] | undefined, units: UnitPreference): string =>
  (messages ?? [])
    .map((message) => say(message, units))
    .filter(Boolean)
    .join(" ");

/** A value as it stands in a sentence. */
export function textOf(value: Value, units: UnitPreference): string {
  if (typeof value === "string") return value;
  if (typeof value === "number") return String(value);
  if ("say" in value || "told" in value || "kept" in value || "job" in value) return say(value, units);
  if ("day" in value) return sayDay(value.day);
  if ("list" in value) return listed(value.list.map((v) => textOf(v, units)));
  return amountText(value, units);
}

/** "a, b, c": what is carried, switched or measured, in its order. */
const listed = (texts: readonly string[]): string => texts.join(", ");

function amountText(amount: Amount, units: UnitPreference): string {
  if ("litres" in amount)
    return quantityText(amount.litres, "L", units, amount.decimals ?? (amount.litres >= 20 ? 0 : 1));
  if ("cm" in amount) return quantityText(amount.cm, "cm", units);
  if ("metres" in amount)
    return quantityText(amount.metres, "m", units, units.length === "cm" && Number.isInteger(amount.metres) ? 0 : 1);
  if ("kg" in amount) return quantityText(amount.kg, "kg", units, 0);
  if ("celsius" in amount) return quantityText(amount.celsius, "°C", units);
  return `${figure(amount.mgL, 1)} mg/L`;
}
