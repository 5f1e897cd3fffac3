import { addDays, daysBetween } from "../calendar/civil.ts";

/** A piece of equipment with the rules of its life. Hours a day and days; what has no rule is null. */
export interface EquipmentLife {
  readonly installedOn: string;
  readonly hoursPerDay: number | null;
  /** What its own hour meter showed, and when; null without one. */
  readonly meterHours: number | null;
  readonly meterOn: string | null;
  readonly serviceEveryDays: number | null;
  readonly lastServicedOn: string | null;
  readonly replaceAfterDays: number | null;
  readonly replaceAfterHours: number | null;
}

/** Where a piece of equipment stands in its life on a day. */
export interface Wear {
  readonly hoursRun: number | null;
  readonly serviceDueOn: string | null;
  readonly replaceDueOn: string | null;
  /** Which rule replaces it first. */
  readonly replaceBy: "days" | "hours" | null;
  /** Part of its life that is used, from 0; above 1 it is overdue. Null without a rule. */
  readonly used: number | null;
}

/**
 * Hours run, and when service and replacement fall due.
 *
 * A service counts from the last one, or from the day it was installed. With a rule of days and one of hours, the
 * earlier replaces it. Hours are days since it was installed times the hours it runs a day; with a meter, its reading
 * and the days since then.
 * @example
 * wearOf({ installedOn: "2026-01-01", hoursPerDay: 10, meterHours: null, meterOn: null, serviceEveryDays: 30, lastServicedOn: null, replaceAfterDays: null, replaceAfterHours: 1000 }, "2026-02-10"); // { "hoursRun": 400, "serviceDueOn": "2026-01-31", "replaceDueOn": "2026-04-11", "used": 0.4 }
 */
export function wearOf(life: EquipmentLife, today: string): Wear {
  const age = Math.max(0, daysBetween(life.installedOn, today));
  const perDay = life.hoursPerDay;
  const metered = life.meterHours !== null && life.meterOn !== null && life.meterOn <= today;
  const sinceDays = metered ? Math.max(0, daysBetween(life.meterOn ?? today, today)) : age;
  const hoursRun =
    metered || perDay !== null ? (metered ? (life.meterHours ?? 0) : 0) + sinceDays * (perDay ?? 0) : null;
  // Days from the first day to the last hour: those gone by, and what is left at today's use.
  const byHoursDays =
    life.replaceAfterHours !== null && hoursRun !== null && perDay !== null && perDay > 0
      ? age + (life.replaceAfterHours - hoursRun) / perDay
      : null;
  const lives = [
    ...(life.replaceAfterDays === null ? [] : [{ by: "days" as const, days: life.replaceAfterDays }]),
    ...(byHoursDays === null ? [] : [{ by: "hours" as const, days: byHoursDays }]),
  ].sort((a, b) => a.days - b.days);
  const first = lives[0];
  return {
    hoursRun,
    serviceDueOn:
      life.serviceEveryDays === null ? null : addDays(life.lastServicedOn ?? life.installedOn, life.serviceEveryDays),
    replaceDueOn: first ? addDays(life.installedOn, Math.floor(first.days)) : null,
    replaceBy: first?.by ?? null,
    used: first ? age / first.days : null,
  };
}
