import { addDays } from "../calendar/index.ts";
import type { Treatment } from "./facts.ts";

/** A day on which a course of treatment may have changed how fast something builds up or is used. */
export interface CourseDay {
  /** Civil date. */
  readonly on: string;
  readonly text: string;
}

/**
 * The days on which a course of treatment begins and ends: what lives on nutrients may be gone after it. Those that have not come yet
 * have changed nothing.
 *
 * @example
 * courseDays({ name: "Algae treatment B", startedOn: "2026-11-21", contactDays: 14, followUpOn: "2026-12-05" }, "2026-11-30"); // [{ on: "2026-11-21", text: "Algae treatment B began" }]
 */
export function courseDays(treatment: Treatment | undefined, today: string): CourseDay[] {
  if (!treatment) return [];
  const { name, startedOn, contactDays } = treatment;
  return [
    { on: startedOn, text: `${name} began` },
    { on: addDays(startedOn, contactDays), text: `${name} ended` },
  ].filter((day) => day.on <= today);
}
