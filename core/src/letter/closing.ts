import { longDate } from "../calendar/civil.ts";
import { type Message, m } from "../say/index.ts";

/** How a letter ends: when its client is seen again, and where to call. */
export function closing(next: { readonly on: string; readonly about: string | null } | null, phone: string): Message {
  if (!next) return m("letter.close.open", { phone });
  const day = longDate(next.on);
  return next.about === null
    ? m("letter.close.day", { day, phone })
    : m("letter.close", { day, about: next.about, phone });
}
