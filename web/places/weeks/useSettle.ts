"use client";

import { type Board, moved, type RefillStop, refilled, type Settled } from "@keel-round/core/weeks";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { SettleAsked, SettleTold } from "../../workers/settle.worker";

/** How often something is taken out and put back. */
const TRIES = 16_000;

/** A settling of the round: under way, or ended with its best. */
export interface Settling {
  readonly of: Board;
  readonly days: readonly string[];
  readonly told: Settled | null;
  readonly tries: number;
  readonly running: boolean;
}

/** What a return to base is told apart by, beside the ids of stops. */
export const refillKey = ({ personId, on, siteId }: RefillStop): string => `refill ${personId} ${on} ${siteId}`;

/** Settles a board in a worker, told as it improves; may be stopped at any time, and what was found stays. */
export function useSettle() {
  const [settling, setSettling] = useState<Settling | null>(null);
  // Moves and refills that somebody does not want.
  const [unwanted, setUnwanted] = useState<ReadonlySet<string>>(new Set());
  const worker = useRef<Worker | null>(null);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => end, [end]);
  const start = (board: Board, days: readonly string[]) => {
    end();
    const made = new Worker(new URL("../../workers/settle.worker.ts", import.meta.url), { type: "module" });
    worker.current = made;
    setUnwanted(new Set());
    setSettling({ of: board, days, told: null, tries: TRIES, running: true });
    made.onmessage = ({ data }: MessageEvent<SettleTold>) => {
      const running = data.tried < TRIES;
      if (!running) end();
      setSettling((now) => now && { ...now, told: data, running });
    };
    // Nothing was changed: it can be asked for once more.
    made.onerror = () => {
      end();
      setSettling((now) => now && { ...now, running: false });
    };
    made.postMessage({ board, days, locked: [], tries: TRIES } satisfies SettleAsked);
  };
  const stop = () => {
    end();
    setSettling((now) => now && { ...now, running: false });
  };
  const leave = () => {
    end();
    setSettling(null);
  };
  const toggle = (id: string) =>
    setUnwanted((before) => new Set(before.has(id) ? [...before].filter((x) => x !== id) : [...before, id]));
  const told = settling?.told;
  const wanted = useMemo(() => new Map([...(told?.moves ?? [])].filter(([id]) => !unwanted.has(id))), [told, unwanted]);
  const refills = useMemo(() => (told?.refills ?? []).filter((r) => !unwanted.has(refillKey(r))), [told, unwanted]);
  /** The board as it would be with what is wanted. */
  const shown = useMemo(
    () => (settling ? refilled(moved(settling.of, wanted), refills) : null),
    [settling, wanted, refills],
  );
  return { settling, shown, wanted, unwanted, toggle, start, stop, leave };
}

export type SettleState = ReturnType<typeof useSettle>;
