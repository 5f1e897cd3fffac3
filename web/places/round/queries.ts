import { civilOf } from "@keel-round/core/calendar";
import { cache } from "react";
import { type Scope, seesAll } from "@/data/access/scope";
import { technicians } from "@/data/access/units";
import { loadRound, type Round } from "@/data/round/round";

/** Today in the business's zone, and the minute of its day. */
export function nowIn(scope: Pick<Scope, "zone">): { readonly date: string; readonly minute: number } {
  return civilOf(Date.now(), scope.zone);
}

const loadOnce = cache(
  (scope: Scope, personId: string, on: string): Promise<Round> =>
    loadRound(scope, personId, on, { ...nowIn(scope), zone: scope.zone }),
);

/** A day's round; the header and the page share one load. */
export function roundOf(scope: Scope, personId: string, on: string): Promise<Round> {
  return loadOnce(scope, personId, on);
}

const techniciansOnce = cache((scope: Scope) => technicians(scope));

/** Whose round is shown: a technician's own, or the one the office chose. */
export async function whoseRound(
  scope: Scope,
  wanted?: string,
): Promise<{ readonly personId: string | null; readonly people: readonly { id: string; name: string }[] }> {
  const all = await techniciansOnce(scope);
  // A technician has their own round, and no colleague's.
  const people = seesAll(scope.role) ? all : all.filter((p) => p.id === scope.personId);
  if (wanted && people.some((p) => p.id === wanted)) return { personId: wanted, people };
  if (people.some((p) => p.id === scope.personId)) return { personId: scope.personId, people };
  return { personId: people[0]?.id ?? null, people };
}
