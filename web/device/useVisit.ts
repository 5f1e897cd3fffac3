"use client";

import { type PlanInput, withToday } from "@keel-round/core/given";
import {
  type OpBody,
  planVisit,
  type Refusal,
  type SaidPlan,
  sayPlan,
  seenToday,
  type VisitBundle,
  type VisitState,
  visitState,
} from "@keel-round/core/visit";
import { liveQuery } from "dexie";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { mergeLog, writeEntry } from "./entries";
import { currentPerson, type QueuedOp, storeOf } from "./store";
import { fetchVisit, retryInMs, type SyncState, sendKept } from "./sync";

/** A visit on this device: its log, its state, its plan as of now, and the way to write to it. */
export interface LiveVisit {
  readonly kept: VisitBundle;
  readonly state: VisitState;
  /** What the plan is made from as of now. */
  readonly input: PlanInput;
  readonly plan: SaidPlan;
  /** The plan before anything was read today. */
  readonly firstPlan: SaidPlan;
  readonly refused: readonly QueuedOp[];
  readonly waiting: number;
  /** Writes an operation; answers why not, if it may not be written. */
  readonly say: (body: OpBody) => Promise<Refusal | null>;
  /** The state with everything that was written so far, also what is not drawn yet. */
  readonly latest: () => Promise<VisitState>;
}

export type VisitLoad =
  | { readonly status: "loading" }
  | { readonly status: "missing"; readonly why: Exclude<SyncState, "online"> | "gone" }
  | { readonly status: "ready"; readonly visit: LiveVisit; readonly sync: SyncState };

/** Reads a visit from the device's store, on or off line, and keeps it in step with the server. */
export function useVisit(visitId: string): VisitLoad {
  const [kept, setKept] = useState<VisitBundle | null>(null);
  const [mine, setMine] = useState<readonly QueuedOp[]>([]);
  const [sync, setSync] = useState<SyncState>("online");
  const [missing, setMissing] = useState<Exclude<SyncState, "online"> | "gone" | null>(null);
  const person = useRef<string | null>(null);

  useEffect(() => {
    let alive = true;
    let stop: (() => void) | undefined;
    const watch = (personId: string) => {
      person.current = personId;
      const subscription = liveQuery(async () => {
        const store = storeOf(personId);
        return {
          visit: await store.visits.get(visitId),
          ops: await store.ops.where("visitId").equals(visitId).toArray(),
        };
      }).subscribe(({ visit, ops }) => {
        if (!alive) return;
        setMine(ops);
        if (visit) setKept(visit);
      });
      stop = () => subscription.unsubscribe();
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

  const waiting = mine.filter((o) => o.status === "kept").length;
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
  const state = useMemo(() => visitState(log), [log]);
  const firstPlan = useMemo(() => (kept ? sayPlan(planVisit(kept.input), kept.units) : null), [kept]);
  const input = useMemo(() => (kept ? withToday(kept.input, seenToday(state, kept.on)) : null), [kept, state]);
  const plan = useMemo(() => (input && kept ? sayPlan(planVisit(input), kept.units) : null), [input, kept]);

  // Writes are made one after another: the next sequence number depends on the last write.
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const say = useCallback(
    (body: OpBody): Promise<Refusal | null> => {
      const write = async (): Promise<Refusal | null> => {
        const personId = person.current;
        if (!kept || !personId) return { code: "not-started" };
        return writeEntry(storeOf(personId), kept, body);
      };
      const result = queue.current.then(write, write);
      queue.current = result;
      return result;
    },
    [kept],
  );

  const latest = useCallback(async (): Promise<VisitState> => {
    await queue.current;
    const personId = person.current;
    if (!kept || !personId) return visitState([]);
    return visitState(mergeLog(kept, await storeOf(personId).ops.where("visitId").equals(visitId).toArray()));
  }, [kept, visitId]);

  if (missing && !kept) return { status: "missing", why: missing };
  if (!kept || !input || !plan || !firstPlan) return { status: "loading" };
  return {
    status: "ready",
    sync,
    visit: {
      kept,
      state,
      input,
      plan,
      firstPlan,
      refused: mine.filter((o) => o.status === "refused"),
      waiting,
      say,
      latest,
    },
  };
}
