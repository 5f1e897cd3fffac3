import { type Message, m, type Value } from "../say/index.ts";

/** How a letter ends: when its client is seen again, and where to call. */
export function closing(next: { readonly on: string; readonly about: Value | null } | null, phone: string): Message {
  if (!next) return m("letter.close.open", { phone });
  const day = { longDay: next.on };
  return next.about === null
    ? m("letter.close.day", { day, phone })
    : m("letter.close", { day, about: next.about, phone });
}
