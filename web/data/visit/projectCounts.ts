import type { LoggedCount, VisitState } from "@keel-round/core/visit";
import { and, asc, eq, inArray } from "drizzle-orm";
import { v5 } from "uuid";
import type { Queries } from "../database/transaction";
import { animal, animalEvent } from "../schema";

type Event = typeof animalEvent.$inferSelect;

interface Base {
  readonly businessId: string;
  readonly tankId: string;
  readonly visitId: string;
}

/** Writes the counts of a visit's log as events of its animals; whatever this visit said of them before is replaced. */
export async function projectCounts(
  tx: Queries,
  base: Base,
  { was, state }: { readonly was: VisitState; readonly state: VisitState },
  { personId, on }: { readonly personId: string; readonly on: string },
): Promise<void> {
  if (JSON.stringify(was.counts) === JSON.stringify(state.counts)) return;
  const touched = [...new Set([...was.counts, ...state.counts].map((c) => c.animal))];
  // A group that is not of this tank, or not of this business, is nobody's here.
  const groups = await tx
    .select()
    .from(animal)
    .where(and(eq(animal.businessId, base.businessId), eq(animal.tankId, base.tankId), inArray(animal.id, touched)));
  for (const group of groups) {
    const counted = state.counts.find((c) => c.animal === group.id);
    const all = await tx
      .select()
      .from(animalEvent)
      .where(and(eq(animalEvent.businessId, base.businessId), eq(animalEvent.animalId, group.id)))
      .orderBy(asc(animalEvent.onDate), asc(animalEvent.at));
    const mine = all.filter((e) => e.visitId === base.visitId);
    const first = all[0] ? (all[0].countBefore ?? startOf(all[0])) : group.count;
    await tx
      .delete(animalEvent)
      .where(
        and(
          eq(animalEvent.businessId, base.businessId),
          eq(animalEvent.animalId, group.id),
          eq(animalEvent.visitId, base.visitId),
        ),
      );
    const said = counted ? eventsOf(counted, base, { group: group.id, personId, on }) : [];
    const others = all.filter((e) => !mine.includes(e));
    const { events, count } = replayed([...others, ...said], first);
    for (const e of events) {
      if (said.some((s) => s.id === e.id)) await tx.insert(animalEvent).values(e);
      else if (changed(others, e))
        await tx
          .update(animalEvent)
          .set({ countBefore: e.countBefore, countAfter: e.countAfter })
          .where(and(eq(animalEvent.businessId, base.businessId), eq(animalEvent.id, e.id)));
    }
    if (count !== group.count)
      await tx
        .update(animal)
        .set({ count, version: group.version + 1 })
        .where(and(eq(animal.businessId, base.businessId), eq(animal.id, group.id)));
  }
}

const SIGN = { added: 1, born: 1, lost: -1, "moved-out": -1 } as const;

/** How many there were before an event that does not say so. */
const startOf = ({ kind, number, countAfter }: Event): number =>
  kind === "counted" ? countAfter : Math.max(0, countAfter - SIGN[kind] * number);

/** The dead first, then the count of the living. */
function eventsOf(
  { seen, dead, at }: LoggedCount,
  { businessId, visitId }: Base,
  { group, personId, on }: { readonly group: string; readonly personId: string; readonly on: string },
): Event[] {
  const event = (kind: "lost" | "counted", number: number, cause: string, afterMs: number): Event => ({
    // The same log makes the same events.
    id: v5(`${kind} ${group}`, visitId),
    businessId,
    animalId: group,
    personId,
    visitId,
    onDate: on,
    kind,
    number,
    countBefore: null,
    countAfter: 0,
    cause,
    remedy: "",
    at: new Date(Date.parse(at) + afterMs),
  });
  return [...(dead > 0 ? [event("lost", dead, "found dead at the visit", 0)] : []), event("counted", seen, "", 1)];
}

/** Events in their order, each with how many there were before and after it. */
function replayed(events: readonly Event[], first: number): { readonly events: Event[]; readonly count: number } {
  let count = first;
  const done = [...events]
    .sort((a, b) => (a.onDate === b.onDate ? a.at.getTime() - b.at.getTime() : a.onDate < b.onDate ? -1 : 1))
    .map((e): Event => {
      const countBefore = count;
      count = e.kind === "counted" ? e.number : Math.max(0, count + SIGN[e.kind] * e.number);
      return { ...e, countBefore, countAfter: count };
    });
  return { events: done, count };
}

const changed = (before: readonly Event[], now: Event): boolean => {
  const was = before.find((e) => e.id === now.id);
  return was?.countBefore !== now.countBefore || was.countAfter !== now.countAfter;
};
