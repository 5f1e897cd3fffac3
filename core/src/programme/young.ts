import { daysBetween } from "../calendar/civil.ts";
import type { TankBook } from "../tank/index.ts";

/** A stretch of a new tank's first months. */
export interface YoungPhase {
  readonly name: string;
  /** Days since the tank was started, from and up to. */
  readonly fromDay: number;
  readonly toDay: number;
  readonly says: string;
}

/** Weeks of each stretch by what a tank was started with: a running filter settles first, bare rock last. */
const WEEKS = {
  "cured-rock": { filter: 3, brown: 5, green: 8, steady: 12 },
  "dry-rock": { filter: 7, brown: 9, green: 14, steady: 20 },
  bare: { filter: 6, brown: 8, green: 11, steady: 16 },
} as const;

/**
 * The calendar of a new tank: ammonia and nitrite while the filter grows, light low while rock settles, brown film about
 * the second week, green after it, larger changes until it is steady.
 */
export function youngPhases(book: Pick<TankBook, "startedWith">): YoungPhase[] {
  const weeks = WEEKS[book.startedWith ?? "bare"];
  const phase = (name: string, from: number, to: number, says: string): YoungPhase => ({
    name,
    fromDay: from * 7,
    toDay: to * 7,
    says,
  });
  return [
    phase(
      "the filter grows",
      0,
      weeks.filter,
      "Ammonia and nitrite every few days, light low or off, few animals or none.",
    ),
    phase("brown film", 2, weeks.brown, "It comes about the second week and goes by itself: wiped, not fought."),
    phase("green", weeks.brown, weeks.green, "Green algae follow the brown: grazers, shorter light, larger changes."),
    phase("settling", weeks.green, weeks.steady, "Changes a half larger until readings hold between visits."),
  ];
}

/** The stretches that a tank is in on a day, in their order; none once it is steady. */
export function youngNow(book: Pick<TankBook, "startedOn" | "startedWith">, on: string): YoungPhase[] {
  const age = daysBetween(book.startedOn, on);
  return age < 0 ? [] : youngPhases(book).filter((p) => age >= p.fromDay && age < p.toDay);
}

/** Jobs that only a young tank has, each while its stretch lasts. */
const YOUNG_JOBS: Readonly<Record<string, readonly string[]>> = {
  "the filter grows": ["young-ammonia", "young-nitrite", "young-light"],
  "brown film": ["young-algae"],
  green: ["young-algae"],
};

/** Codes of the jobs that a tank's age asks for on a day. */
export function youngJobs(book: Pick<TankBook, "startedOn" | "startedWith">, on: string): string[] {
  return [...new Set(youngNow(book, on).flatMap((p) => YOUNG_JOBS[p.name] ?? []))];
}

/** Codes of all the jobs that a tank's age still asks for or will. */
export function youngProgramme(book: Pick<TankBook, "startedOn" | "startedWith">, on: string): string[] {
  const age = daysBetween(book.startedOn, on);
  const ahead = youngPhases(book).filter((p) => age < p.toDay);
  return [...new Set(ahead.flatMap((p) => YOUNG_JOBS[p.name] ?? []))];
}

/** How much larger a change is than the tank's share once algae show, until the tank is steady. */
const YOUNG_SHARE = 1.5;
const LARGER: readonly string[] = ["green", "settling"];

/** What a young tank's share of a change is multiplied with on a day, and in which stretch; 1 for any other. */
export function youngShare(
  book: Pick<TankBook, "startedOn" | "startedWith">,
  on: string,
): { readonly times: number; readonly phase: string | null } {
  const phase = youngNow(book, on).find((p) => LARGER.includes(p.name));
  return { times: phase ? YOUNG_SHARE : 1, phase: phase?.name ?? null };
}
