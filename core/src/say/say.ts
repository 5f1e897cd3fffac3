import { longDate, sayDay } from "../calendar/civil.ts";
import { clockFor, duration } from "../calendar/clock.ts";
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
import { CATALOGUES } from "./catalogues.compiled.ts";
import { SENTENCES } from "./en.compiled.ts";
import type { PlainCode } from "./m.ts";
import type { Amount, Message, Sentence, Value } from "./message.ts";
import { retold } from "./retold.ts";

const BRITISH = "en-GB";

/** A language as sentences are made in it: its plurals and its sign before decimals too. */
interface Language {
  /** The sentence of a code: its own, else the English one. */
  readonly sentence: (code: string) => Sentence | undefined;
  readonly plurals: Intl.PluralRules;
  readonly decimal: string;
}
const languages = new Map<string, Language>();

const SPOKEN: Record<string, Sentence | undefined> = { ...SENTENCES };

/** Adds sentences that are loaded only where they are asked for. They are the same ones each time. */
export function learn(sentences: Readonly<Record<string, Sentence>>): void {
  Object.assign(SPOKEN, sentences);
}

/** The language of somebody: messages that it does not have yet are English. */
function languageOf({ locale = BRITISH }: UnitPreference): Language {
  const known = languages.get(locale);
  if (known) return known;
  const own = CATALOGUES[new Intl.Locale(locale).language] ?? {};
  const language: Language = {
    sentence: (code) => own[code] ?? SPOKEN[code],
    plurals: new Intl.PluralRules(locale),
    decimal: new Intl.NumberFormat(locale).formatToParts(1.5).find((p) => p.type === "decimal")?.value ?? ".",
  };
  languages.set(locale, language);
  return language;
}

/** Words that stand with a thing of the core, in another language where its messages name it. */
const inLanguage = (code: string, english: string, units: UnitPreference): string =>
  languageOf(units).sentence(code)?.(
    () => "",
    () => 0,
    () => "other",
  ) ?? english;

/**
 * The words of a message for somebody.
 *
 * @param units What quantities are told in.
 * @example
 * say(m("job.skipped", { times: 2 }), METRIC); // "Skipped 2 times."
 */
export function say(message: Message, units: UnitPreference): string {
  if ("told" in message) return message.told;
  if ("job" in message)
    return inLanguage(`job.${message.job}.${message.its}`, libraryJob(message.job)?.[message.its] ?? "", units);
  if ("kept" in message) return retold(message.kept, units);
  // One that an earlier catalogue knew: it says nothing rather than something else.
  const { sentence: sentenceOf, plurals } = languageOf(units);
  const sentence = sentenceOf(message.say);
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
  if ("day" in value) return sayDay(value.day, units.locale);
  if ("longDay" in value) return longDate(value.longDay, units.locale);
  if ("list" in value) return listed(value.list.map((v) => textOf(v, units)));
  if ("all" in value)
    return andList(
      value.all.map((v) => textOf(v, units)),
      units.locale,
    );
  if ("parameter" in value) {
    const label = inLanguage(`parameter.${value.parameter}`, parameterFacts[value.parameter].label, units);
    return value.begins ? label : inSentence(label);
  }
  const { decimal } = languageOf(units);
  const text = amountText(value, units);
  return decimal === "." ? text : text.replace(/(\d)\.(\d)/g, `$1${decimal}$2`);
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
  if ("clock" in amount) return clockFor(amount.clock, units.locale ?? BRITISH);
  if ("figure" in amount) return figure(amount.figure, amount.decimals);
  return `${figure(amount.mgL, amount.decimals ?? 1)} mg/L`;
}
