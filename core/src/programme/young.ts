import { daysBetween } from "../calendar/civil.ts";
import type { TankFacts } from "../tank/index.ts";

/** A stretch of a new tank's first months. */
export interface YoungPhase {
  readonly name: string;
  /** Days since the tank was started, from and up to. */
  readonly fromDay: number;
  readonly toDay: number;
  readonly says: string;
}

const AT_ITS_WORST = "algae at their worst";

/** Weeks of each stretch by what a tank was started with: a running filter settles first, bare rock last. */
const WEEKS = {
  "cured-rock": { filter: 3, brown: 5, green: 8, worst: 8, steady: 12 },
  // Dry rock gives back what it holds: months four to six are the worst, month eight the first quiet one.
  "dry-rock": { filter: 7, brown: 9, green: 13, worst: 26, steady: 35 },
  bare: { filter: 6, brown: 8, green: 11, worst: 11, steady: 16 },
} as const;

/**
 * The calendar of a new tank: ammonia and nitrite while the filter grows, light low while rock settles, brown film about
 * the second week, green after it, larger changes until it is steady.
 */
export function youngPhases(facts: Pick<TankFacts, "startedWith">): YoungPhase[] {
  const weeks = WEEKS[facts.startedWith ?? "bare"];
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
    phase(
      AT_ITS_WORST,
      weeks.green,
      weeks.worst,
      "Hair algae on dry rock: brush what comes away, 40 to 50 % a week, shorter light, less and better food, grazers.",
    ),
    phase("settling", weeks.worst, weeks.steady, "Changes a half larger until readings hold between visits."),
  ].filter((p) => p.toDay > p.fromDay);
}

/** The stretches that a tank is in on a day, in their order; none once it is steady. */
export function youngNow(facts: Pick<TankFacts, "startedOn" | "startedWith">, on: string): YoungPhase[] {
  const age = daysBetween(facts.startedOn, on);
  return age < 0 ? [] : youngPhases(facts).filter((p) => age >= p.fromDay && age < p.toDay);
}

/** Jobs that only a young tank has, each while its stretch lasts. */
const YOUNG_JOBS: Readonly<Record<string, readonly string[]>> = {
  "the filter grows": ["young-ammonia", "young-nitrite", "young-light"],
  "brown film": ["young-algae"],
  green: ["young-algae"],
  [AT_ITS_WORST]: ["young-algae"],
};

/** Codes of the jobs that a tank's age asks for on a day. */
export function youngJobs(facts: Pick<TankFacts, "startedOn" | "startedWith">, on: string): string[] {
  return [...new Set(youngNow(facts, on).flatMap((p) => YOUNG_JOBS[p.name] ?? []))];
}

/** Codes of all the jobs that a tank's age still asks for or will. */
export function youngProgramme(facts: Pick<TankFacts, "startedOn" | "startedWith">, on: string): string[] {
  const age = daysBetween(facts.startedOn, on);
  const ahead = youngPhases(facts).filter((p) => age < p.toDay);
  return [...new Set(ahead.flatMap((p) => YOUNG_JOBS[p.name] ?? []))];
}

/** How much larger a change is than the tank's share once algae show, until the tank is steady. */
const YOUNG_SHARE = 1.5;
const LARGER: readonly string[] = ["green", AT_ITS_WORST, "settling"];
/** What algae at their worst call for each week, 0 to 1. */
const WORST_SHARE = 0.45;

/** What a young tank's share of a change is multiplied with on a day, and in which stretch; 1 for any other. */
export function youngShare(
  facts: Pick<TankFacts, "startedOn" | "startedWith" | "practice">,
  on: string,
): { readonly times: number; readonly phase: string | null } {
  const phase = youngNow(facts, on).find((p) => LARGER.includes(p.name));
  if (!phase) return { times: 1, phase: null };
  const worst = phase.name === AT_ITS_WORST ? WORST_SHARE / facts.practice.share : 1;
  return { times: Math.max(YOUNG_SHARE, worst), phase: phase.name };
}
