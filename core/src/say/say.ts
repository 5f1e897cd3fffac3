import { sayDay } from "../calendar/civil.ts";
import { clockText, duration } from "../calendar/clock.ts";
import { libraryJob } from "../programme/index.ts";
import { andList, inSentence } from "../text/index.ts";
import {
  figure,
  litresText,
  parameterFacts,
  quantityText,
  showReading,
  type UnitPreference,
  withUnit,
} from "../units/index.ts";
import { SENTENCES } from "./en.compiled.ts";
import type { Code, PlainCode } from "./m.ts";
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

/** Whether the catalogue has a message of this code that is told with nothing. */
export const isPlainCode = (code: string): code is PlainCode => code in SENTENCES;

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
  if ("all" in value) return andList(value.all.map((v) => textOf(v, units)));
  if ("parameter" in value) {
    const { label } = parameterFacts[value.parameter];
    return value.begins ? label : inSentence(label);
  }
  return amountText(value, units);
}

/** "a, b, c": what is carried, switched or measured, in its order. */
const listed = (texts: readonly string[]): string => texts.join(", ");

function amountText(amount: Amount, units: UnitPreference): string {
  if ("litres" in amount)
    return amount.decimals === undefined
      ? litresText(amount.litres, units)
      : quantityText(amount.litres, "L", units, amount.decimals);
  if ("cm" in amount) return quantityText(amount.cm, "cm", units);
  if ("metres" in amount)
    return quantityText(amount.metres, "m", units, units.length === "cm" && Number.isInteger(amount.metres) ? 0 : 1);
  if ("kg" in amount) return quantityText(amount.kg, "kg", units, 0);
  if ("celsius" in amount) return quantityText(amount.celsius, "°C", units);
  if ("reading" in amount) {
    const { of, reading, bare } = amount;
    return bare ? showReading(of, reading, units) : withUnit(of, reading, units);
  }
  if ("moves" in amount) return quantityText(amount.moves, amount.unit, units);
  if ("minutes" in amount) return duration(amount.minutes);
  if ("clock" in amount) return clockText(amount.clock);
  if ("figure" in amount) return figure(amount.figure, amount.decimals);
  return `${figure(amount.mgL, amount.decimals ?? 1)} mg/L`;
}
