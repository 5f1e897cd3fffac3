import type { Values as Everyday } from "./en.compiled.ts";
import type { Values as Guide } from "./guide.compiled.ts";
import type { Message, Nothing, Value } from "./message.ts";

type Values = Everyday & Guide;

/** Names a message of the catalogue. */
export type Code = keyof Values;

/** Messages that are told with nothing. */
export type PlainCode = { [C in Code]: Values[C] extends Nothing ? C : never }[Code];

/**
 * A message of the catalogue with its values, each as the catalogue asks for it.
 *
 * @example
 * m("heater-off.title"); // { say: "heater-off.title" }
 */
export function m<C extends Code>(code: C, ...values: Values[C] extends Nothing ? [] : [Values[C]]): Message {
  const [given] = values;
  return given === undefined ? { say: code } : { say: code, with: given as Readonly<Record<string, Value>> };
}

/** Words as they are. */
export const told = (text: string): Message => ({ told: text });
