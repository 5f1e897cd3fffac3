import { type Message, m } from "../say/index.ts";
import { inSentence } from "../text/index.ts";

/** Words that are a tank by themselves: "the reef", not "the reef tank". */
const VESSELS = [
  "tank",
  "tanks",
  "reef",
  "aquarium",
  "pond",
  "pool",
  "bowl",
  "cube",
  "lagoon",
  "wall",
  "column",
  "jar",
];

/** "axolotl" of "axolotls": a tank is called by one of what lives in it. */
const one = (word: string): string => {
  if (/ies$/.test(word)) return word.replace(/ies$/, "y");
  return /[^siu]s$/.test(word) ? word.slice(0, -1) : word;
};

/**
 * What a letter calls a tank, inside a sentence.
 *
 * @param name The tank's name in the book.
 * @example
 * say(tankCalled("Axolotls"), METRIC); // "the axolotl tank"
 * say(tankCalled("Stony reef"), METRIC); // "the stony reef"
 */
export function tankCalled(name: string): Message {
  const words = inSentence(name.trim()).split(/\s+/);
  const last = words.at(-1) ?? "";
  if (VESSELS.includes(last.toLowerCase())) return m("letter.named", { name: words.join(" ") });
  return m("letter.tank", { name: [...words.slice(0, -1), one(last)].join(" ") });
}

/** What a client's contact is called where it is nobody's name. */
const NOBODY = /^(the|our|a)\b|^(reception|office|house|front desk|caretaker|manager|team|staff|desk)\b/i;

/** Who is greeted by name; empty where a contact is nobody's name. */
export const nameOf = (contact: string): string => (NOBODY.test(contact.trim()) ? "" : contact.trim());

/**
 * The greeting of a letter: by name, or plain where nobody's name is known.
 *
 * @example
 * say(greeting("Dr. Ilves"), METRIC); // "Dear Dr. Ilves,"
 * say(greeting("The house"), METRIC); // "Hello,"
 */
export const greeting = (contact: string): Message =>
  contact.trim() === "" || NOBODY.test(contact.trim()) ? m("letter.hello") : m("letter.dear", { name: contact.trim() });
