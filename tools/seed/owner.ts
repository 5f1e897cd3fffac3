import { instantOf } from "@keel-round/core/calendar";
import { newId } from "@/data/database/ids";
import * as t from "@/data/schema";
import { type Rows, ZONE } from "./rows.ts";

/** Days of the owner's list that were saved; on some nobody was in. */
const SAVED_DAYS = 26;
const isIn = (daysAgo: number): boolean => daysAgo % 7 < 5;

/** What went to and fro with the owner of a tank: days of their list, something they told, and what is proposed to them. */
export function addOwner(
  rows: Rows,
  base: { readonly businessId: string; readonly tankId: string },
  { ownerId, leadId }: { readonly ownerId: string; readonly leadId: string },
  day: (offset: number) => string,
): void {
  const at = (daysAgo: number, minute: number) => new Date(instantOf(day(-daysAgo), minute, ZONE));
  for (let ago = 1; ago <= SAVED_DAYS; ago++)
    if (isIn(ago))
      rows.add(t.ownerDay, {
        ...{ id: newId(), ...base, personId: ownerId, onDate: day(-ago), at: at(ago, 525) },
        done: ["owner-count", "owner-look", ...(ago % 3 === 0 ? [] : ["owner-feed"])],
      });
  rows.add(t.finding, {
    ...{ id: newId(), ...base, kind: "equipment", text: "The pump hums louder since the weekend", state: "fixed" },
    ...{ seenAt: at(19, 610), toldBy: ownerId },
  });
  rows.add(t.proposal, {
    ...{ id: newId(), ...base, personId: leadId, what: "A new heater", minutes: 20, madeAt: at(6, 900) },
    why: "Yours is 31 months old, and heaters fail in the cold.",
    ifNot: "If it stops over a weekend the reef cools within a day.",
  });
  rows.add(t.proposal, {
    ...{ id: newId(), ...base, personId: leadId, what: "A second wave-maker", minutes: 30, madeAt: at(70, 900) },
    why: "The left third of the reef lies still and gathers dirt.",
    ifNot: "We go on blowing it clean by hand every second visit.",
    ...{ answer: "declined", answeredBy: ownerId, answeredAt: at(66, 480) },
  });
}
