import { civilOf } from "@keel-round/core/calendar";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { requireStop } from "../access/sight";
import { type StopVisit, stopVisit } from "../series/read";
import { loadRound, type Round, type RoundStop } from "./round";

/** A stop with the round it belongs to; one that is left out is in no round. */
export interface LoadedStop {
  readonly visit: StopVisit;
  readonly planned: { readonly stop: RoundStop; readonly round: Round } | null;
  readonly today: string;
}

/** A stop as its page shows it. */
export async function loadStop(scope: Scope, stopId: string): Promise<LoadedStop> {
  await requireStop(scope, stopId);
  const visit = await stopVisit(scope, stopId);
  if (!visit) throw notFound("stop");
  const today = civilOf(Date.now(), scope.zone).date;
  if (visit.off) return { visit, planned: null, today };
  const round = await loadRound(scope, visit.personId, visit.onDate);
  const stop = round.stops.find((s) => s.id === stopId);
  if (!stop) throw notFound("stop");
  return { visit, planned: { stop, round }, today };
}
