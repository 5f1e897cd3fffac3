"use client";

import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from "react";
import { ringAlso, ringNoMore } from "@/device/ring";
import { allowSound, ring } from "./alarm";
import { endsAt, type RunningClock, rangBetween, readClocks } from "./clockModel";

interface Clocks {
  readonly running: readonly RunningClock[];
  /** Of the device, ms since 1970. */
  readonly now: number;
  /** The visit that is shown. */
  readonly visitId: string;
  readonly start: (step: { readonly id: string; readonly label: string; readonly minutes: number }) => void;
  readonly stop: (id: string) => void;
}

const ClocksContext = createContext<Clocks | null>(null);

const KEY = "keel-clocks";

/** Which clock is of a step. */
export const clockId = (visitId: string, stepId: string): string => `${visitId} ${stepId}`;

/**
 * The clocks of the device, whichever visit started them. They are timestamps: a reload, a sleep or another tank's visit changes
 * nothing of them.
 */
export function ClocksProvider({ visitId, tank, children }: { visitId: string; tank: string; children: ReactNode }) {
  const [running, setRunning] = useState<readonly RunningClock[]>(() => readClocks(localStorage.getItem(KEY)));
  const [now, setNow] = useState(() => Date.now());
  const looked = useRef(now);
  const keep = useCallback((next: readonly RunningClock[]) => {
    if (next.length > 0) localStorage.setItem(KEY, JSON.stringify(next));
    else localStorage.removeItem(KEY);
    setRunning(next);
  }, []);
  const ticking = running.length > 0;
  useEffect(() => {
    if (!ticking) return;
    const look = () => {
      const at = Date.now();
      if (running.some((clock) => rangBetween(clock, looked.current, at))) ring();
      looked.current = at;
      setNow(at);
    };
    const timer = setInterval(look, 1000);
    document.addEventListener("visibilitychange", look);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", look);
    };
  }, [ticking, running]);
  useWakeLock(running.some((clock) => endsAt(clock) > now));
  const clocks = useMemo<Clocks>(
    () => ({
      running,
      now,
      visitId,
      start: (step) => {
        allowSound();
        const startedAt = Date.now();
        looked.current = startedAt;
        setNow(startedAt);
        const id = clockId(visitId, step.id);
        const clock = { ...step, id, visitId, tank, startedAt };
        keep([...running.filter((c) => c.id !== id), clock]);
        void ringAlso(clock);
      },
      stop: (id) => {
        keep(running.filter((c) => c.id !== id));
        void ringNoMore(id);
      },
    }),
    [running, now, keep, visitId, tank],
  );
  return <ClocksContext.Provider value={clocks}>{children}</ClocksContext.Provider>;
}

/** The clocks of the visit that is shown. */
export function useClocks(): Clocks {
  const clocks = useContext(ClocksContext);
  if (!clocks) throw new Error("There are clocks inside of a visit only.");
  return clocks;
}

/** Keeps the screen awake while something runs; a device that cannot sleeps as it does. */
function useWakeLock(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const take = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        lock = await navigator.wakeLock.request("screen");
        if (over) await lock.release();
      } catch (error) {
        // Refused by a low battery or a setting: the clock says that a sleeping phone cannot ring.
        if (!(error instanceof DOMException)) throw error;
      }
    };
    void take();
    document.addEventListener("visibilitychange", take);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", take);
      void lock?.release();
    };
  }, [wanted]);
}
