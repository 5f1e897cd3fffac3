"use client";

import { civilOf } from "@keel-round/core/calendar";
import { type DayBundle, type LiveDay, liveDay, loggedStops } from "@keel-round/core/round";
import { type VisitBundle, type VisitState, visitState } from "@keel-round/core/visit";
import { type UnderWay, waysByItself } from "@keel-round/core/weeks";
import { liveQuery } from "dexie";
import { useEffect, useMemo, useState } from "react";
import { mergeLog } from "./entries";
import { currentPerson } from "./person";
import { type QueuedOp, storeOf } from "./store";

/** A visit that is on this device, and how far it is by its own log. */
export interface KeptVisit {
  readonly bundle: VisitBundle;
  readonly state: VisitState;
  /** Entries that have not gone up yet. */
  readonly waiting: number;
}

/** Everything that is on this device. */
export interface Kept {
  readonly visits: readonly KeptVisit[];
  readonly days: readonly DayBundle[];
}

const NOTHING: Kept = { visits: [], days: [] };

/** What is on this device, as it changes; null until it was read. */
export function useKept(): Kept | null {
  const [kept, setKept] = useState<Kept | null>(null);
  useEffect(() => {
    const person = currentPerson();
    if (!person) return setKept(NOTHING);
    const store = storeOf(person);
    const subscription = liveQuery(async () => {
      const [bundles, ops, days] = [
        await store.visits.toArray(),
        await store.ops.toArray(),
        await store.days.toArray(),
      ];
      return { visits: bundles.map((b) => keptVisit(b, ops)), days };
    }).subscribe(setKept);
    return () => subscription.unsubscribe();
  }, []);
  return kept;
}

function keptVisit(bundle: VisitBundle, all: readonly QueuedOp[]): KeptVisit {
  const own = all.filter((o) => o.visitId === bundle.visitId);
  return {
    bundle,
    state: visitState(mergeLog(bundle, own)),
    waiting: own.filter((o) => o.status === "kept").length,
  };
}

/** Today as it goes by what was entered on this device. */
export interface DayHere extends LiveDay {
  readonly bundle: DayBundle;
  readonly nowMinute: number;
  /** Stops of which every visit is closed. */
  readonly closed: ReadonlySet<string>;
  /** Without which stop it would work out again; none where it does, or nothing has begun. */
  readonly ways: ReturnType<typeof waysByItself>;
}

/** Lays a kept day anew from what was logged on the device; null where today is not on it. */
function dayHere({ days, visits }: Kept, nowMs: number): DayHere | null {
  const bundle = days.find((d) => civilOf(nowMs, d.zone).date === d.on);
  if (!bundle) return null;
  const { minute } = civilOf(nowMs, bundle.zone);
  const instant = (at: string | null) => (at === null ? null : Date.parse(at));
  const own = visits.filter((v) => v.bundle.on === bundle.on);
  const log = loggedStops(
    own.map(({ bundle: { stopId }, state }) => ({
      stopId,
      startedAt: instant(state.startedAt),
      closedAt: instant(state.closedAt),
    })),
    bundle.on,
    bundle.zone,
  );
  const live = liveDay(bundle.input, log, minute);
  const under: UnderWay = { input: bundle.input, log, nowMinute: minute };
  const trouble = log.length > 0 && (live.day.leftOver.length > 0 || live.day.overtimeMinutes >= 1);
  return {
    ...live,
    bundle,
    nowMinute: minute,
    closed: new Set(log.flatMap((l) => (l.end === null ? [] : [l.stopId]))),
    ways: trouble ? waysByItself(live.day, under) : [],
  };
}

const MINUTE_MS = 60_000;

/** Today as it goes, moved on with the clock and with what is entered. */
export function useDayHere(kept: Kept | null): DayHere | null {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), MINUTE_MS);
    return () => clearInterval(timer);
  }, []);
  return useMemo(() => (kept ? dayHere(kept, now) : null), [kept, now]);
}
