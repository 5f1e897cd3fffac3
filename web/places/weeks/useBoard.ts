"use client";

import { type Board, moved, type RefillStop, type SeriesMove, type Slot } from "@keel-round/core/weeks";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { NoticeDraft } from "@/data/notices/notices";
import type { AwayNoted } from "@/data/round/away";
import type { Weeks } from "@/data/round/weeks";
import { answered, NO_ANSWER } from "@/kit/answered";
import {
  acceptNoticesAction,
  addVisitAction,
  lockStopsAction,
  noteAwayAction,
  placeStopsAction,
  settleAction,
  takeBackAction,
  takeBackNoticeAction,
} from "./actions";

/** Where stops are put. */
export type Target = Slot | "aside";

/** Who is away, when and why. */
export interface Absence {
  readonly personIds: readonly string[];
  /** The site that is closed, where that is why. */
  readonly siteId: string | null;
  readonly fromOn: string;
  readonly untilOn: string;
  readonly why: string;
}

/** One visit more of a site, beside its series. */
export interface Extra extends Slot {
  readonly siteId: string;
}

/** A change of the board: its moves, who is away where that is why, or a visit more. */
interface Change {
  readonly moves: ReadonlyMap<string, Target>;
  readonly why: string;
  readonly absence: Absence | null;
  readonly extra: Extra | null;
  /** Series that move as a whole; their visits are among the moves. */
  readonly series: readonly SeriesMove[];
  /** Days that go back to base after a stop. */
  readonly refills: readonly RefillStop[];
}

/** One that was made here, with what undoes it. */
interface Made extends Change {
  readonly changeIds: readonly string[];
  readonly awayIds: readonly string[];
  readonly closed: AwayNoted["closed"];
}

const POLL_MS = 5000;
const NONE: ReadonlyMap<string, Target> = new Map();
const NO_CHANGE: Change = { moves: NONE, why: "", absence: null, extra: null, series: [], refills: [] };

/** The board with what is moved on it here, kept in step with the server and with everybody else. */
export function useBoard(weeks: Weeks) {
  const router = useRouter();
  // What is on its way to the server, shown meanwhile; gone as soon as the server has answered with its own board.
  const [pending, setPending] = useState(NONE);
  const [done, setDone] = useState<readonly Made[]>([]);
  const [undone, setUndone] = useState<readonly Change[]>([]);
  const [tell, setTell] = useState<AwayNoted["tell"]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new board of the server takes the place of ours.
  useEffect(() => setPending(NONE), [weeks.board]);
  // Locks that are on their way, shown meanwhile.
  const [locking, setLocking] = useState<ReadonlyMap<string, boolean>>(new Map());
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new board of the server takes the place of ours.
  useEffect(() => setLocking(new Map()), [weeks.board]);
  const board = useMemo(() => {
    const now = pending.size === 0 ? weeks.board : moved(weeks.board, pending);
    if (locking.size === 0) return now;
    return { ...now, stops: now.stops.map((s) => ({ ...s, locked: locking.get(s.id) ?? s.locked ?? false })) };
  }, [weeks.board, pending, locking]);
  usePolling(weeks.version, busy, () => router.refresh());

  const make = useCallback(
    async (change: Change): Promise<Made | null> => {
      setPending(change.moves);
      setProblem(null);
      setTell([]);
      setBusy(true);
      const answer = await answered(ask(weeks.board, change));
      setBusy(false);
      if (!answer.ok) {
        setPending(NONE);
        setProblem(answer.message);
      } else setTell(answer.value.tell);
      router.refresh();
      return answer.ok ? { ...change, ...answer.value } : null;
    },
    [weeks.board, router],
  );
  const change = async (wanted: Change): Promise<void> => {
    const made = await make(wanted);
    if (!made) return;
    setDone((before) => [...before, made]);
    setUndone([]);
  };
  const undo = async () => {
    const last = done.at(-1);
    if (!last || busy) return;
    setBusy(true);
    setProblem(null);
    const answer = await answered(
      takeBackAction({ changeIds: [...last.changeIds], awayIds: [...last.awayIds], closed: last.closed }),
    );
    setBusy(false);
    setTell([]);
    router.refresh();
    // Nobody knows whether it was undone: it can be asked for once more.
    if (!answer.ok && answer.code === NO_ANSWER) return setProblem(answer.message);
    // What cannot be undone any more is not offered again.
    setDone((before) => before.slice(0, -1));
    if (answer.ok) setUndone((before) => [...before, last]);
    else setProblem(answer.message);
  };
  const redo = async () => {
    const last = undone.at(-1);
    if (!last || busy) return;
    setUndone((before) => before.slice(0, -1));
    const made = await make(last);
    if (made) setDone((before) => [...before, made]);
  };
  const told = async (asked: Promise<{ ok: true } | { ok: false; message: string }>): Promise<string | null> => {
    setBusy(true);
    const answer = await answered(asked);
    setBusy(false);
    router.refresh();
    return answer.ok ? null : answer.message;
  };
  return {
    board,
    place: (moves: ReadonlyMap<string, Target>, why = "") => change({ ...NO_CHANGE, moves, why }),
    accept: (moves: ReadonlyMap<string, Target>, series: readonly SeriesMove[], refills: readonly RefillStop[]) =>
      change({ ...NO_CHANGE, moves, series, refills }),
    lock: async (stopIds: readonly string[], locked: boolean) => {
      setLocking(new Map(stopIds.map((id) => [id, locked])));
      const failed = await told(lockStopsAction({ stopIds: [...stopIds], locked }));
      if (failed === null) return;
      setLocking(new Map());
      setProblem(failed);
    },
    noteAway: (absence: Absence, moves: ReadonlyMap<string, Target>) =>
      change({ ...NO_CHANGE, moves, why: absence.why, absence }),
    addVisit: (extra: Extra) => change({ ...NO_CHANGE, extra }),
    undo,
    redo,
    send: async (notices: { changeId: string; kind: NoticeDraft["kind"]; text: string }[]) => {
      const problem = await told(acceptNoticesAction({ notices }));
      if (problem === null) setTell([]);
      return problem;
    },
    takeBackMessage: (noticeId: string) => told(takeBackNoticeAction({ noticeId })),
    busy,
    problem,
    /** Owners whose visits were moved by an absence, with what to write to them. */
    tell,
    mayUndo: done.length > 0,
    mayRedo: undone.length > 0,
  };
}

export type BoardState = ReturnType<typeof useBoard>;

const NOBODY_AWAY = { awayIds: [], closed: null, tell: [] };

/** Asks the server for a change; all ways answer alike. */
async function ask(board: Board, { moves, why, absence, extra, series, refills }: Change) {
  const whole = new Set(series.flatMap((s) => s.stopIds));
  const going = movesFrom(board, new Map([...moves].filter(([id]) => !whole.has(id))));
  if (series.length > 0 || refills.length > 0) {
    const asked = series.map(({ seriesId, shiftDays, personId, firstOn }) => ({
      seriesId,
      shiftDays,
      personId,
      firstOn,
    }));
    const answer = await settleAction({ moves: going, series: asked, refills: [...refills] });
    return answer.ok ? { ...answer, value: { ...answer.value, ...NOBODY_AWAY } } : answer;
  }
  if (extra) {
    // What it breaks was shown before it was asked for.
    const answer = await addVisitAction({ ...extra, tankIds: null, anyway: true });
    return answer.ok ? { ...answer, value: { changeIds: [answer.value.changeId], ...NOBODY_AWAY } } : answer;
  }
  if (absence) return noteAwayAction({ ...absence, personIds: [...absence.personIds], moves: going });
  const answer = await placeStopsAction({ moves: going, ...(why ? { why } : {}) });
  return answer.ok ? { ...answer, value: { ...answer.value, ...NOBODY_AWAY } } : answer;
}

/** What the server is told: where each stop stood here, and where it goes. */
function movesFrom(board: Board, moves: ReadonlyMap<string, Target>) {
  return [...moves].flatMap(([stopId, to]) => {
    const stop = board.stops.find((s) => s.id === stopId);
    if (!stop) return [];
    const was = { on: stop.on, personId: stop.personId, aside: stop.setAside !== null };
    return [{ stopId, was, to: to === "aside" ? null : { on: to.on, personId: to.personId } }];
  });
}

/** Asks every few seconds whether somebody else has changed the round; not while something of ours is on its way. */
function usePolling(version: string, busy: boolean, onOther: () => void): void {
  const latest = useRef({ version, busy, onOther });
  latest.current = { version, busy, onOther };
  useEffect(() => {
    const timer = setInterval(async () => {
      if (document.visibilityState === "hidden" || latest.current.busy) return;
      const asked = latest.current.version;
      // Without a network there is nothing new to hear of.
      const answer = await fetch("/api/weeks", { cache: "no-store" }).catch(() => null);
      if (!answer?.ok) return;
      const { version: now } = (await answer.json()) as { version: string };
      if (now !== asked && asked === latest.current.version && !latest.current.busy) latest.current.onOther();
    }, POLL_MS);
    return () => clearInterval(timer);
  }, []);
}
