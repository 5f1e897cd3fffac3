import { greeting } from "../letter/index.ts";
import { type Message, m, say } from "../say/index.ts";
import { inSentence, sentence } from "../text/index.ts";
import { quantityText, type UnitPreference } from "../units/index.ts";
import { monthName, type Period, periodName } from "./period.ts";
import { type Detail, type ReportCurve, type ReportTank, type TankPeriod, tankReport } from "./tankReport.ts";

/** What happened to animals in a period. */
export interface AnimalNews {
  readonly kind: "lost" | "born" | "moved-out";
  readonly name: string;
  readonly tank: string;
  readonly number: number;
  /** Civil date. */
  readonly on: string;
  readonly cause: string;
  /** What was done about it; empty where nobody wrote it down. */
  readonly remedy: string;
}

/** Equipment whose life ends, by its hours or its days. */
export interface Ending {
  readonly name: string;
  readonly tank: string;
  /** Civil date. */
  readonly replaceOn: string;
}

/** Salt that was weighed and the water that it made. */
export interface SaltWeighed {
  readonly kg: number;
  readonly litres: number;
}

/** What the log has of one client over a period. */
export interface ClientPeriod {
  readonly period: Period;
  readonly business: string;
  readonly phone: string;
  readonly contact: string;
  readonly signedBy: string;
  readonly colour: string | null;
  readonly tanks: readonly TankPeriod[];
  readonly animals: readonly AnimalNews[];
  readonly endings: readonly Ending[];
  readonly salt: SaltWeighed;
}

/** Lines under a heading. */
export interface ReportSection {
  readonly title: string;
  readonly lines: readonly string[];
}

/** What a report is rendered from. */
export interface ReportContent {
  /** Language of its words, a BCP 47 tag. */
  readonly locale: string;
  readonly business: string;
  readonly colour: string | null;
  /** "Your tanks in October 2026" */
  readonly title: string;
  /** "October 2026" */
  readonly period: string;
  /** Civil dates: what the curves reach from and to. */
  readonly fromOn: string;
  readonly untilOn: string;
  readonly greeting: string;
  /** The answer. */
  readonly answer: string;
  /** Litres, kilograms, jobs. */
  readonly totals: readonly string[];
  /** Of all tanks together; none in a client's report. */
  readonly curves: readonly ReportCurve[];
  readonly curvesOf: string;
  readonly tanks: readonly ReportTank[];
  readonly sections: readonly ReportSection[];
  readonly table: { readonly head: readonly string[]; readonly rows: readonly (readonly string[])[] } | null;
  readonly close: string;
  readonly signedBy: string;
}

/** A period of one client's tanks, in words and curves: every figure of it stands in the log. */
export function clientReport(of: ClientPeriod, detail: Detail, units: UnitPreference): ReportContent {
  const all = of.tanks.map((t) => tankReport(t, detail, units));
  // A line a tank: the first ones that somebody has to know of.
  const tanks =
    detail === "lines"
      ? [...all].sort((a, b) => URGENT.indexOf(a.state) - URGENT.indexOf(b.state)).slice(0, MOST_TANKS)
      : all;
  const more = all.length - tanks.length;
  return {
    locale: units.locale ?? "en-GB",
    ...{ business: of.business, colour: of.colour, signedBy: of.signedBy },
    ...{ fromOn: of.period.fromOn, untilOn: of.period.untilOn, period: periodName(of.period, units) },
    title: say(m("report.title", { tanks: of.tanks.length, during: during(of.period, units) }), units),
    greeting: say(greeting(of.contact), units),
    answer: say(answer(all, during(of.period, units)), units),
    totals: [...totals(of, units), ...(more > 0 ? [say(m("report.more-tanks", { count: more }), units)] : [])],
    ...{ curves: [], curvesOf: "", table: null },
    tanks,
    sections: sections(inTheirTanks(of), units),
    close: say(m("report.close", { phone: of.phone }), units),
  };
}

/** Where it happened, inside a sentence: a client knows the tank by its name alone. */
const inTheirTanks = ({ period, animals, endings }: ClientPeriod) => ({
  period,
  animals: animals.map((a) => ({ ...a, tank: inSentence(a.tank) })),
  endings: endings.map((e) => ({ ...e, tank: inSentence(e.tank) })),
});

const URGENT: readonly ReportTank["state"][] = ["off", "drifting", "unknown", "steady"];
/** So many lines stand on three pages with everything else. */
const MOST_TANKS = 48;

/** "in October 2026", "from July to September 2026" */
const during = (of: Period, units: UnitPreference): string => {
  const said = { period: periodName(of, units) };
  return say(of.kind === "quarter" ? m("report.during.quarter", said) : m("report.during", said), units);
};

function answer(tanks: readonly ReportTank[], period: string): Message {
  const known = tanks.filter((t) => t.state !== "unknown");
  if (known.length === 0) return m("report.answer.unknown", { tanks: tanks.length, period });
  const out = known.filter((t) => t.state !== "steady");
  if (out.length === 0) return m("report.answer.steady", { tanks: known.length, period });
  return out.length === known.length
    ? m("report.answer.all", { tanks: out.length })
    : m("report.answer.some", { count: out.length, tanks: known.length, period });
}

/** A section of a firm with nine hundred tanks stays on its page. */
const MOST_LINES = 14;

const sum = (numbers: readonly number[]): number => numbers.reduce((all, n) => all + n, 0);

/** The figures of a whole period, a line each; what nobody logged has none. */
export function totals(
  { tanks, animals, salt }: Pick<ClientPeriod, "tanks" | "animals" | "salt">,
  units: UnitPreference,
): string[] {
  const readings = tanks.flatMap((t) => t.series.flatMap((s) => s.points.map((p) => ({ ...p, band: s.band }))));
  const right = readings.filter((r) => r.value >= r.band.idealLow && r.value <= r.band.idealHigh).length;
  const changedL = sum(tanks.map((t) => t.changedL));
  const [done, left] = [
    sum(tanks.flatMap((t) => t.done.map((j) => j.times))),
    sum(tanks.flatMap((t) => t.left.map((j) => j.times))),
  ];
  const lost = sum(animals.filter((a) => a.kind === "lost").map((a) => a.number));
  const said: readonly (Message | null)[] = [
    m("report.all.visits", {
      visits: sum(tanks.map((t) => t.visits)),
      tanks: tanks.filter((t) => t.visits > 0).length,
    }),
    changedL > 0 ? m("report.all.litres", { litres: { litres: changedL } }) : null,
    salt.kg > 0
      ? m("report.all.salt", { amount: quantityText(salt.kg, "kg", units, 1), litres: { litres: salt.litres } })
      : null,
    done + left > 0 ? m("report.all.jobs", { done, left }) : null,
    readings.length > 0
      ? m("report.all.tests", { tests: readings.length, share: Math.round((100 * right) / readings.length) })
      : null,
    animals.length > 0 ? m("report.all.lost", { lost }) : null,
  ];
  return said.flatMap((s) => (s ? [say(s, units)] : []));
}

/** Losses, surplus and what will have to be replaced; only what there is. */
export function sections(
  { animals, endings, period }: Pick<ClientPeriod, "animals" | "endings" | "period">,
  units: UnitPreference,
): ReportSection[] {
  const lines = (messages: readonly Message[]) => messages.map((s) => say(s, units).trim());
  const of = (kind: AnimalNews["kind"]) => animals.filter((a) => a.kind === kind);
  const grown = (kind: "born" | "moved-out") =>
    of(kind).map(({ name, number, tank }) => m(`report.${kind}`, { name, count: number, tank }));
  const all: readonly ReportSection[] = [
    { title: say(m("report.part.lost"), units), lines: lines(of("lost").map(lossOf)) },
    { title: say(m("report.part.grown"), units), lines: lines([...grown("born"), ...grown("moved-out")]) },
    {
      title: say(m("report.part.replace"), units),
      lines: lines(
        [...endings]
          .sort((a, b) => (a.replaceOn < b.replaceOn ? -1 : 1))
          .map(({ name, tank, replaceOn }) =>
            m(replaceOn > period.untilOn ? "report.replace" : "report.replace.past", {
              ...{ name, tank, month: monthName(replaceOn, units) },
            }),
          ),
      ),
    },
  ];
  return all
    .filter((s) => s.lines.length > 0)
    .map(({ title, lines: of }) => {
      const more = of.length - MOST_LINES;
      return {
        title,
        lines: more > 1 ? [...of.slice(0, MOST_LINES), say(m("report.more", { count: more }), units)] : of,
      };
    });
}

function lossOf({ name, number, on, tank, cause, remedy }: AnimalNews): Message {
  const why = [
    ...(cause === "" ? [] : [m("report.cause", { cause: bare(cause) })]),
    ...(remedy === "" ? [] : [m("report.remedy", { remedy: bare(remedy) })]),
  ];
  return m("report.lost", {
    ...{ name, count: number, day: { day: on }, tank },
    cause: m("report.why", { first: why[0] ?? "", second: why[1] ?? "" }),
  });
}

/** Words of a person inside a sentence, without their own full stop. */
const bare = (text: string): string => inSentence(sentence(text).replace(/[.]$/, ""));
