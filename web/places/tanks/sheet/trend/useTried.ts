"use client";

import type { Band } from "@keel-round/core/tank";
import { isHeld, playedForward, settledOf, type Trend } from "@keel-round/core/trend";
import { shareToHold } from "@keel-round/core/water";
import { useMemo, useState } from "react";
import type { TankTrend } from "@/data/tanks/trend";

/** Another share or interval is one from this much on. */
const ANOTHER_SHARE = 0.004;

/** The days of the changes ahead: the planned ones, or the next of them and then one after every so many days. */
function daysOf(planned: readonly number[], intervalDays: number | null, daysAhead: number): readonly number[] {
  const [next] = planned;
  if (intervalDays === null || next === undefined) return planned;
  const days: number[] = [];
  for (let day = next; day <= daysAhead; day += intervalDays) days.push(day);
  return days;
}

/** A share and an interval that are tried on the drawing: where they settle and how the figure gets there. */
export function useTried(trend: TankTrend, fitted: Trend | null, band: Band | null) {
  const { steady, plannedDays, daysAhead, dosesAhead } = trend;
  const [share, setShare] = useState<number | null>(null);
  const [interval, setInterval] = useState<number | null>(null);
  return useMemo(() => {
    if (!fitted || !steady) return null;
    const now = fitted.ahead[0]?.value ?? 0;
    const used = { ...steady, share: share ?? steady.share, intervalDays: interval ?? steady.intervalDays };
    const settled = settledOf(fitted.movesPerDay, fitted.perDay, used, band);
    if (!settled) return null;
    const days = daysOf(plannedDays, interval, daysAhead);
    const changes = days.map((day) => ({ day, share: used.share, refill: used.refill }));
    const next = days[0] ?? 0;
    const otherInterval = interval !== null && Math.round(steady.intervalDays) !== interval;
    return {
      share: used.share,
      intervalDays: Math.round(used.intervalDays),
      otherInterval,
      otherShare: share !== null && Math.abs(share - steady.share) > ANOTHER_SHARE,
      changed: otherInterval || (share !== null && Math.abs(share - steady.share) > ANOTHER_SHARE),
      /** The day of the change after the next one: it is what the interval is taken hold of by. */
      secondDay: Math.min(daysAhead, next + used.intervalDays),
      daysAt: (day: number) => day - next,
      peak: settled.before.value,
      held: isHeld(settled, fitted.movesPerDay),
      course: playedForward(now, fitted.movesPerDay, changes, daysAhead, dosesAhead),
      shareFor: (peak: number) => shareToHold(peak, steady.refill, fitted.movesPerDay, used.intervalDays),
      setShare,
      setInterval,
      asItIs: () => {
        setShare(null);
        setInterval(null);
      },
    };
  }, [fitted, steady, share, interval, band, plannedDays, daysAhead, dosesAhead]);
}

export type Tried = NonNullable<ReturnType<typeof useTried>>;
