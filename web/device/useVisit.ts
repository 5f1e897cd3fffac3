"use client";

import type { PlanInput } from "@keel-round/core/given";
import {
  type OpBody,
  type Refusal,
  type SaidPlan,
  sayPlan,
  seenToday,
  type VisitBundle,
  type VisitOp,
  type VisitState,
  visitState,
} from "@keel-round/core/visit";
import { liveQuery } from "dexie";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { SyncState } from "./ask";
import { mergeLog, writeEntry } from "./entries";
import { currentPerson } from "./person";
import { plannedWith } from "./planned";
import { type QueuedOp, type QueuedPhoto, storeOf } from "./store";
import { fetchVisit, retryInMs, sendKept } from "./sync";

/** A visit on this device: its log, its state, its plan as of now, and the way to write to it. */
export interface LiveVisit {
  readonly kept: VisitBundle;
  readonly state: VisitState;
  /** What the plan is made from as of now. */
  readonly input: PlanInput;
  readonly plan: SaidPlan;
  readonly refused: readonly QueuedOp[];
  /** Entries and pictures that have not gone up yet. */
  readonly waiting: number;
  /** Pictures that were taken on this device. */
  readonly photos: readonly QueuedPhoto[];
  /** Writes an operation; answers why not, if it may not be written. */
  readonly say: (body: OpBody) => Promise<Refusal | null>;
  /** The state with everything that was written so far, also what is not drawn yet. */
  readonly latest: () => Promise<VisitState>;
}

export type VisitLoad =
  | { readonly status: "loading" }
  | { readonly status: "missing"; readonly why: Exclude<SyncState, "online"> | "gone" }
  | { readonly status: "ready"; readonly visit: LiveVisit; readonly sync: SyncState };

const NONE: readonly QueuedOp[] = [];
const NO_PHOTOS: readonly QueuedPhoto[] = [];

/** Reads a visit from the device's store, on or off line, and keeps it in step with the server. */
export function useVisit(visitId: string): VisitLoad {
  const [bundle, setBundle] = useState<VisitBundle | null>(null);
  const [ops, setMine] = useState<readonly QueuedOp[] | null>(null);
  // What is kept on the device, also before it is read from there again.
  const written = useRef<readonly QueuedOp[]>([]);
  const [taken, setPhotos] = useState<readonly QueuedPhoto[] | null>(null);
  // Shown once all of it was read: a visit that was started here never looks as if it were not.
  const kept = ops && taken ? bundle : null;
  const mine = ops ?? NONE;
  const photos = taken ?? NO_PHOTOS;
  const [sync, setSync] = useState<SyncState>("online");
  const [missing, setMissing] = useState<Exclude<SyncState, "online"> | "gone" | null>(null);
  const person = useRef<string | null>(null);

  useEffect(() => {
    let alive = true;
    written.current = [];
    let stop: (() => void) | undefined;
    const take = (ops: readonly QueuedOp[]) => {
      written.current = ops;
      setMine(ops);
    };
    const watch = (personId: string) => {
      person.current = personId;
      const store = storeOf(personId);
      // Each by itself: an entry that is written does not read the whole visit and its pictures again.
      const watched = [
        liveQuery(() => store.visits.get(visitId)).subscribe((visit) => {
          if (alive && visit) setBundle(visit);
        }),
        liveQuery(() => store.ops.where("visitId").equals(visitId).toArray()).subscribe((read) => {
          if (alive) take(withWritten(read, written.current));
        }),
        liveQuery(() => store.photos.where("visitId").equals(visitId).sortBy("id")).subscribe((pictures) => {
          if (alive) setPhotos(pictures);
        }),
      ];
      stop = () => {
        for (const one of watched) one.unsubscribe();
      };
    };
    const begin = async () => {
      const known = currentPerson();
      if (known) watch(known);
      const answer = known ? await sendKept(known).then(() => fetchVisit(visitId)) : await fetchVisit(visitId);
      if (!alive) return;
      const now = currentPerson();
      if (!stop && now) watch(now);
      if (answer !== "online") {
        const stored = now ? await storeOf(now).visits.get(visitId) : undefined;
        if (!alive) return;
        if (!stored) setMissing(answer);
      }
      setSync(answer === "gone" ? "online" : answer);
    };
    void begin();
    return () => {
      alive = false;
      stop?.();
    };
  }, [visitId]);

  const waiting = [...mine, ...photos].filter((o) => o.status === "kept").length;
  useEffect(() => {
    let failures = 0;
    let timer: ReturnType<typeof setTimeout> | undefined;
    // Longer after each try that did not get through; a network that comes back begins anew.
    const push = () => {
      const personId = person.current;
      if (!personId) return;
      void sendKept(personId).then((came) => {
        setSync(came);
        failures = came === "online" ? 0 : failures + 1;
        clearTimeout(timer);
        if (waiting > 0 && !over) timer = setTimeout(push, retryInMs(failures));
      });
    };
    let over = false;
    if (waiting > 0) {
      if (navigator.onLine) push();
      else timer = setTimeout(push, retryInMs(0));
    }
    const wentOffline = () => setSync("offline");
    window.addEventListener("online", push);
    window.addEventListener("offline", wentOffline);
    return () => {
      window.removeEventListener("online", push);
      window.removeEventListener("offline", wentOffline);
      over = true;
      clearTimeout(timer);
    };
  }, [waiting]);

  const log = useMemo(() => (kept ? mergeLog(kept, mine) : []), [kept, mine]);
  const state = useFolded(log);
  const seen = useSame(useMemo(() => seenToday(state, kept?.on ?? ""), [state, kept?.on]));
  const planned = useMemo(() => {
    if (!kept) return null;
    const { input, plan } = plannedWith(kept, seen);
    return { input, plan: sayPlan(plan, kept.units) };
  }, [kept, seen]);

  // Writes are made one after another: the next sequence number depends on the last write.
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const say = useCallback(
    (body: OpBody): Promise<Refusal | null> => {
      const write = async (): Promise<Refusal | null> => {
        const personId = person.current;
        if (!kept || !personId) return { code: "not-started" };
        return writeEntry(storeOf(personId), kept, body, {
          known: written.current,
          onWritten: (added) => {
            written.current = withWritten(written.current, added);
            setMine(written.current);
          },
        });
      };
      const result = queue.current.then(write, write);
      queue.current = result;
      return result;
    },
    [kept],
  );

  const latest = useCallback(async (): Promise<VisitState> => {
    await queue.current;
    return visitState(kept ? mergeLog(kept, written.current) : []);
  }, [kept]);

  if (missing && !bundle) return { status: "missing", why: missing };
  if (!kept || !planned) return { status: "loading" };
  return {
    status: "ready",
    sync,
    visit: {
      kept,
      state,
      ...planned,
      refused: mine.filter((o) => o.status === "refused"),
      waiting,
      photos,
      say,
      latest,
    },
  };
}

/** What the store was read as, with what was written since that reading began. */
function withWritten(read: readonly QueuedOp[], known: readonly QueuedOp[]): readonly QueuedOp[] {
  const there = new Set(read.map((o) => o.opId));
  return [...read, ...known.filter((o) => !there.has(o.opId))];
}

/** A log as a state, folded on from the last one where it only grew: what an entry leaves alone stays the same object. */
function useFolded(log: readonly VisitOp[]): VisitState {
  const last = useRef<{ readonly log: readonly VisitOp[]; readonly state: VisitState } | null>(null);
  return useMemo(() => {
    const known = last.current;
    const grew = known?.log.every((op, i) => log[i]?.opId === op.opId);
    const state = known && grew ? visitState(log.slice(known.log.length), known.state) : visitState(log);
    last.current = { log, state };
    return state;
  }, [log]);
}

/** The last value that said the same: a plan is made anew only where what it is made from has changed. */
function useSame<T>(value: T): T {
  const last = useRef(value);
  if (JSON.stringify(last.current) !== JSON.stringify(value)) last.current = value;
  return last.current;
}
