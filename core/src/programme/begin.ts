import { addDays, daysBetween } from "../calendar/civil.ts";
import type { Job } from "./job.ts";
import { BIOLOGICAL_REST_DAYS } from "./together.ts";

/** A tank that has run for longer than this was somebody's before: nobody knows what was done when. */
const TAKEN_OVER_DAYS = 14;
/** Spreads long jobs evenly over their interval, whatever their order: the golden ratio's part. */
const SPREAD = 0.618_034;

/**
 * The day that each job of a programme counts from when a tank is taken on.
 *
 * On a tank just started everything counts from today, and its tests are due at once. One that was somebody's before is at its
 * dirtiest: what is cleaned often is due at the first visit, long jobs are spread over their interval, and units of bacteria
 * come at least four weeks, or half their cadence, apart.
 *
 * @param startedOn The day the tank was started.
 * @returns By code; nobody says that these were done, they are where counting begins.
 */
export function countsFrom(
  jobs: readonly { readonly code: string; readonly job: Job }[],
  startedOn: string,
  today: string,
): Map<string, string> {
  const takenOver = daysBetween(startedOn, today) > TAKEN_OVER_DAYS;
  const long = jobs.filter(({ job }) => job.long && job.unit === undefined);
  return new Map(
    jobs.map(({ code, job }) => {
      const { everyDays } = job;
      const test = typeof job.result === "object" && job.cadence.by === "time";
      if (test) return [code, addDays(today, -everyDays)];
      if (!takenOver || job.cadence.by !== "time" || job.by === "owner") return [code, today];
      if (job.unit !== undefined) {
        const apart = Math.max(BIOLOGICAL_REST_DAYS, Math.ceil(everyDays / 2));
        return [code, addDays(today, job.unit * apart - everyDays)];
      }
      const place = long.findIndex((l) => l.code === code);
      const part = place < 0 ? 1 : (SPREAD * (place + 1)) % 1;
      return [code, addDays(today, -Math.round(everyDays * part))];
    }),
  );
}
