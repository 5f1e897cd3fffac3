import { daysBetween } from "@keel-round/core/calendar";
import { FEW_TESTS, type KitOnDay } from "@keel-round/core/kits";
import { containerLasts } from "@keel-round/core/mixing";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { dosingOf, type Pump } from "../plan/doses";
import { kitsOn } from "../plan/kits";
import { listTanks } from "./tanks";

/** A dosing pump whose container runs out before long. */
export interface RunningOut {
  readonly pumpId: string;
  readonly pump: string;
  readonly product: string;
  readonly tankId: string;
  readonly tank: string;
  /** Whole days from today; below zero it should be empty already. */
  readonly days: number;
}

/** What is measured and dosed with, and needs somebody. */
export interface KitsAhead {
  readonly kits: readonly KitOnDay[];
  readonly pumps: readonly RunningOut[];
}

/** Before the visit after the next one a container has to be filled. */
const SOON_DAYS = 14;

/** Days that the container of a pump lasts from a day on; null where nobody counted it. */
export function lastsFrom({ leftMl, leftOn, setMlPerDay, factor, archivedAt }: Pump, on: string): number | null {
  if (leftMl === null || leftOn === null || archivedAt) return null;
  return containerLasts({ leftMl, mlPerDay: setMlPerDay * factor, sinceDays: daysBetween(leftOn, on) });
}

/** Kits past their time, due or nearly used up, and containers of the tanks in sight that run out, the soonest first. */
export async function kitsAhead(scope: Scope, today: string): Promise<KitsAhead> {
  const tanks = await listTanks(scope, today);
  const { pumps } = await dosingOf(
    db(),
    scope.businessId,
    tanks.map((t) => t.id),
    today,
  );
  const out = tanks.flatMap((t) =>
    (pumps.get(t.id) ?? []).flatMap((p): RunningOut[] => {
      const days = lastsFrom(p, today);
      if (days === null || days > SOON_DAYS) return [];
      return [
        { pumpId: p.id, pump: p.name, product: p.product.name, tankId: t.id, tank: `${t.name}, ${t.siteName}`, days },
      ];
    }),
  );
  const kits = await kitsOn(scope.businessId, today);
  return {
    kits: kits.filter((k) => k.problems.length > 0 || (k.testsLeft !== null && k.testsLeft <= FEW_TESTS)),
    pumps: out.sort((a, b) => a.days - b.days),
  };
}
