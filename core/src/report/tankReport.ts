import { tankCalled } from "../letter/index.ts";
import { type Message, m, say } from "../say/index.ts";
import { inSentence, sentence } from "../text/index.ts";
import { type Parameter, parameterFacts, type UnitPreference, withUnit } from "../units/index.ts";
import { type Course, courseOf, courseSentence, type DatedValue, type PeriodSeries, rightOf } from "./course.ts";

/** A job of a period: how often it was done, or left out and why the last time. */
export interface JobCount {
  readonly name: string;
  /** What was done, in the past: "cleaned the viewing panes inside"; null of a job that a firm named itself. */
  readonly told: string | null;
  readonly times: number;
  /** Empty where nobody said why, and for what was done. */
  readonly reason: string;
}

/** What the log has of one tank over a period. */
export interface TankPeriod {
  readonly name: string;
  readonly siteName: string;
  /** Sea or brackish water: what its parameters are called. */
  readonly salt: boolean;
  readonly systemL: number;
  readonly series: readonly PeriodSeries[];
  /** Closed visits. */
  readonly visits: number;
  /** Visits that changed water. */
  readonly changes: number;
  readonly changedL: number;
  readonly topUpL: number;
  readonly done: readonly JobCount[];
  readonly left: readonly JobCount[];
}

/** The curve of one figure, ready to be drawn. */
export interface ReportCurve {
  readonly parameter: Parameter;
  readonly label: string;
  /** The last reading, with its unit. */
  readonly shown: string;
  readonly ended: Course["ended"];
  /** "7.6 to 8.8 is right" */
  readonly right: string;
  /** What is right; null where nothing is. */
  readonly band: { readonly low: number; readonly high: number } | null;
  readonly points: readonly DatedValue[];
  /** What its height reaches from and to, where that is not its own. */
  readonly reach?: { readonly low: number; readonly high: number };
}

/** How much is told: everything, curves of what was not steady alone, no curves and jobs, or one line a tank. */
export const DETAILS = ["all", "unsteady", "words", "lines"] as const;
export type Detail = (typeof DETAILS)[number];

/** What a report says of one tank. */
export interface ReportTank {
  readonly name: string;
  readonly siteName: string;
  readonly state: "steady" | "drifting" | "off" | "unknown";
  readonly heading: string;
  readonly body: readonly string[];
  readonly curves: readonly ReportCurve[];
  readonly done: readonly string[];
  /** Jobs that were left out, each with how often and why; empty where none was. */
  readonly left: string;
}

const MOST_JOBS = 8;

/** One tank over a period, in words and curves. */
export function tankReport(tank: TankPeriod, detail: Detail, units: UnitPreference): ReportTank {
  const courses = tank.series.flatMap((s) => courseOf(s) ?? []);
  const { state, heading } = answerOf(tank, courses);
  const words = (messages: readonly (Message | null)[]) => messages.flatMap((w) => (w ? [say(w, units)] : []));
  const told = detail === "lines" ? [] : [...steadyOnes(courses), ...courses.map(courseSentence)];
  const jobs = detail === "all" || detail === "unsteady";
  return {
    ...{ name: tank.name, siteName: tank.siteName, state },
    heading: sentence(say(heading, units)),
    body: [words(told).join(" "), words(detail === "lines" ? [] : water(tank)).join(" ")].filter((p) => p !== ""),
    curves: courses
      .filter((c) => detail === "all" || (detail === "unsteady" && c.how !== "steady"))
      .map((c) => curveOf(c, tank, units)),
    done: jobs ? jobLines(tank.done, units) : [],
    left:
      jobs && tank.left.length > 0
        ? say(m("report.left.all", { jobs: leftLines(tank.left, units).join("; ") }), units)
        : "",
  };
}

const named = (parameters: readonly Parameter[], begins: boolean) => ({
  all: parameters.map((parameter, i) => ({ parameter, begins: begins && i === 0 })),
});

/** The answer: how the tank went. */
function answerOf(
  { name }: TankPeriod,
  courses: readonly Course[],
): { readonly state: ReportTank["state"]; readonly heading: Message } {
  const tank = tankCalled(name);
  const out = (ended: Course["ended"]) => courses.filter((c) => c.ended === ended).map((c) => c.parameter);
  const [far, little] = [out("act"), out("watch")];
  if (courses.length === 0) return { state: "unknown", heading: m("report.tank.unknown", { tank }) };
  if (far.length > 0)
    return {
      state: "off",
      heading: m("report.tank.off", { tank, parameters: named(far, false), count: far.length }),
    };
  if (little.length > 0)
    return {
      state: "drifting",
      heading: m("report.tank.drifting", { tank, parameters: named(little, false), count: little.length }),
    };
  const recovered = courses.some((c) => c.how === "recovered");
  return { state: "steady", heading: m(recovered ? "report.tank.recovered" : "report.tank.steady", { tank }) };
}

function steadyOnes(courses: readonly Course[]): Message[] {
  const steady = courses.filter((c) => c.how === "steady").map((c) => c.parameter);
  return steady.length === 0 ? [] : [m("report.steady", { parameters: named(steady, true), count: steady.length })];
}

function water({ visits, changes, changedL, topUpL, systemL }: TankPeriod): Message[] {
  const came =
    changedL > 0
      ? m("report.changed", {
          ...{ visits, changes, litres: { litres: changedL } },
          share: Math.round((100 * changedL) / changes / systemL),
        })
      : m("report.visits", { visits });
  return [...(visits > 0 ? [came] : []), ...(topUpL > 0 ? [m("report.topped", { litres: { litres: topUpL } })] : [])];
}

const curveOf = (
  { parameter, band, points, ended }: Course,
  { salt }: TankPeriod,
  units: UnitPreference,
): ReportCurve => {
  const its = parameterFacts[parameter];
  return {
    ...{ parameter, points, ended },
    label: salt ? its.label : (its.freshLabel ?? its.label),
    shown: withUnit(parameter, points.at(-1)?.value ?? 0, units),
    right: say(rightOf(parameter, band), units),
    band: { low: band.idealLow, high: band.idealHigh },
  };
};

const mostFirst = (jobs: readonly JobCount[]): JobCount[] => [...jobs].sort((a, b) => b.times - a.times);

/** What was done most, in a sentence, and what a firm calls its own way after it. */
function jobLines(jobs: readonly JobCount[], units: UnitPreference): string[] {
  const most = mostFirst(jobs).slice(0, MOST_JOBS);
  const times = (of: readonly JobCount[]) => ({
    all: of.map((j) => m("report.job", { job: j.told ?? inSentence(j.name), times: j.times })),
  });
  const [known, own] = [most.filter((j) => j.told !== null), most.filter((j) => j.told === null)];
  return [
    ...(known.length > 0 ? [say(m("report.did", { jobs: times(known) }), units)] : []),
    ...(own.length > 0 ? [say(m("report.did.own", { jobs: times(own) }), units)] : []),
  ];
}

const leftLines = (jobs: readonly JobCount[], units: UnitPreference): string[] =>
  mostFirst(jobs).map(({ name, times, reason }) =>
    say(
      m("report.left", {
        job: inSentence(name),
        times,
        said: reason === "" ? "other" : "yes",
        reason: inSentence(reason),
      }),
      units,
    ),
  );
