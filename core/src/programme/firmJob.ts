import { TANK_KINDS, type TankKind } from "../tank/index.ts";
import { PARAMETERS, type Parameter, parameterFacts } from "../units/index.ts";
import { sayCadence } from "./cadence.ts";
import { everyDaysOf, type Job, type Performer, PHASES, type Phase, type Skill } from "./job.ts";
import { isLibraryTask, libraryTask, type TaskCode } from "./library/index.ts";
import { kindProgramme } from "./library/kinds.ts";
import { parseCadence } from "./parseCadence.ts";

/** What is recorded, as a firm chooses it. */
export const RESULTS = ["done", "dirt", "count", "photo", ...PARAMETERS.map((p) => `test:${p}` as const)] as const;

/** A job as a firm keeps its own copy: its cadence in plain words, lists with commas. */
export interface FirmJob {
  readonly when: string;
  readonly by: Performer;
  readonly phase: Phase;
  readonly minutes: number;
  readonly aloneMinutes?: number | undefined;
  readonly reason: string;
  readonly caution?: string | undefined;
  readonly kit?: string | undefined;
  readonly uses?: string | undefined;
  readonly result: (typeof RESULTS)[number];
  readonly skills?: readonly Skill[] | undefined;
  readonly kinds?: readonly TankKind[] | undefined;
  readonly after?: string | undefined;
  readonly before?: string | undefined;
  readonly media?: "media" | "deep-clean" | undefined;
}

const listed = (text: string | undefined): string[] =>
  (text ?? "")
    .split(",")
    .map((part) => part.trim())
    .filter(Boolean);

/** Where a name of a job or of a part of the visit leads. */
export type CodeOfName = (name: string) => string | null;

/** Codes by the names of the library's jobs and of the parts of a visit; `own` are the firm's. */
export function codesByName(own: readonly { readonly code: string; readonly name: string }[]): CodeOfName {
  const plain = (text: string) => text.trim().toLowerCase().replaceAll("-", " ");
  const codes = new Map<string, string>();
  for (const phase of PHASES) codes.set(plain(phase), phase);
  for (const { code, name } of own) {
    codes.set(plain(name), code);
    codes.set(plain(code), code);
  }
  return (name) => codes.get(plain(name)) ?? null;
}

/** The library's jobs with their names. */
export const libraryNames = (library: Readonly<Record<string, Job>>) =>
  Object.entries(library).map(([code, { name }]) => ({ code, name }));

/** A firm's copy of a library job as it begins. */
export function firmJobOf(code: TaskCode): FirmJob {
  const job = libraryTask(code);
  return {
    when: sayCadence(job.cadence, job),
    by: job.by,
    phase: job.phase,
    minutes: job.minutes,
    ...(job.aloneMinutes ? { aloneMinutes: job.aloneMinutes } : {}),
    reason: job.reason,
    ...(job.caution ? { caution: job.caution } : {}),
    ...(job.kit.length > 0 ? { kit: job.kit.join(", ") } : {}),
    ...(job.uses.length > 0 ? { uses: job.uses.join(", ") } : {}),
    result: typeof job.result === "object" ? `test:${job.result.test}` : job.result,
    ...(job.skills ? { skills: [...job.skills] } : {}),
    kinds: TANK_KINDS.filter((kind: TankKind) => kindProgramme[kind].includes(code)),
    ...(job.kind ? { media: job.kind } : {}),
  };
}

/**
 * The job that a firm's copy describes.
 *
 * What only the library knows (the unit it opens, what a tank has to have) stays the library's.
 *
 * @throws for a cadence that cannot be read; it was refused when it was typed.
 */
export function jobOfFirm(code: string, name: string, facts: FirmJob, codeOf: CodeOfName): Job {
  const read = parseCadence(facts.when);
  if (!read.ok) throw new Error(`${name}: ${read.problem}`);
  const base: Partial<Job> = isLibraryTask(code) ? libraryTask(code) : {};
  const resolved = (text: string | undefined) => listed(text).flatMap((part) => codeOf(part) ?? []);
  const [after, before] = [resolved(facts.after), resolved(facts.before)];
  const { unit, needs, long, onceAtSite, covers } = base;
  return {
    name,
    by: facts.by,
    phase: facts.phase,
    cadence: read.cadence,
    everyDays: everyDaysOf(read.cadence),
    ...(read.window ?? { giveDays: 0 }),
    minutes: facts.minutes,
    ...(facts.aloneMinutes ? { aloneMinutes: facts.aloneMinutes } : {}),
    reason: facts.reason,
    ...(facts.caution ? { caution: facts.caution } : {}),
    kit: listed(facts.kit),
    uses: listed(facts.uses),
    result: facts.result.startsWith("test:")
      ? { test: facts.result.slice(5) as Parameter }
      : (facts.result as Exclude<Job["result"], object>),
    ...(facts.skills && facts.skills.length > 0 ? { skills: facts.skills } : {}),
    ...(facts.media ? { kind: facts.media } : {}),
    ...(after.length > 0 ? { after } : {}),
    ...(before.length > 0 ? { before } : {}),
    ...(unit !== undefined ? { unit } : {}),
    ...(needs ? { needs } : {}),
    ...(long ? { long } : {}),
    ...(onceAtSite ? { onceAtSite } : {}),
    ...(covers ? { covers } : {}),
  };
}

/** What is wrong with a firm's job, by field; `codeOf` knows every job of the firm. */
export function firmJobMisfits(facts: Pick<FirmJob, "when" | "after" | "before">, codeOf: CodeOfName) {
  const read = parseCadence(facts.when);
  const unknown = (text: string | undefined) => listed(text).find((part) => codeOf(part) === null);
  const issues: Record<string, string> = {};
  if (!read.ok) issues.when = read.problem;
  for (const field of ["after", "before"] as const) {
    const name = unknown(facts[field]);
    if (name) issues[field] = `No job and no part of the visit is called ${name}.`;
  }
  return issues;
}

/** How a result is called in a choice. */
export function resultName(result: (typeof RESULTS)[number]): string {
  const names = { done: "only that it is done", dirt: "how dirty it was", count: "a count", photo: "a photo" } as const;
  return result in names
    ? names[result as keyof typeof names]
    : `a reading: ${parameterFacts[result.slice(5) as Parameter].label}`;
}
