import { m, say } from "../say/index.ts";
import { byName } from "../text/index.ts";
import { litresText, type Parameter, parameterFacts, type UnitPreference } from "../units/index.ts";
import { type ClientPeriod, type ReportContent, sections, totals } from "./clientReport.ts";
import { periodName } from "./period.ts";
import type { ReportCurve } from "./tankReport.ts";

/** Readings of one parameter in one month, over all tanks, and how many of them were right. */
export interface MonthOf {
  readonly parameter: Parameter;
  /** "2026-10" */
  readonly month: string;
  readonly readings: number;
  readonly right: number;
}

/** One client's year in figures. */
export interface ClientYear {
  readonly name: string;
  readonly tanks: number;
  readonly visits: number;
  readonly changedL: number;
  readonly readings: number;
  readonly right: number;
  readonly lost: number;
}

/** What the log has of a whole firm over a year. */
export interface FirmPeriod extends Omit<ClientPeriod, "contact" | "phone"> {
  readonly clients: readonly ClientYear[];
  readonly months: readonly MonthOf[];
}

const HEADS = [
  ...(["report.head.client", "report.head.tanks", "report.head.visits"] as const),
  ...(["report.head.changed", "report.head.right", "report.head.lost"] as const),
] as const;
const MOST_CURVES = 8;
const MOST_CLIENTS = 24;

const share = ({ readings, right }: Pick<MonthOf, "readings" | "right">): number | null =>
  readings === 0 ? null : Math.round((100 * right) / readings);

/** A year of the firm: figures, how well each parameter was held from month to month, and its clients. */
export function firmYear(of: FirmPeriod, units: UnitPreference): ReportContent {
  return {
    locale: units.locale ?? "en-GB",
    ...{ business: of.business, colour: of.colour, signedBy: of.signedBy },
    ...{ fromOn: of.period.fromOn, untilOn: of.period.untilOn, period: periodName(of.period, units) },
    title: say(m("report.title.firm", { firm: of.business, period: periodName(of.period, units) }), units),
    ...{ greeting: "", answer: "", close: "" },
    totals: totals(of, units),
    curves: curves(of.months, units),
    curvesOf: say(m("report.part.curves"), units),
    tanks: [],
    table: clientTable(of.clients, units),
    sections: sections(of, units),
  };
}

/** The share of right readings of what was measured most, month by month. */
function curves(months: readonly MonthOf[], units: UnitPreference): ReportCurve[] {
  const parameters = [...new Set(months.filter((m) => m.readings > 0).map((m) => m.parameter))];
  const count = (p: Parameter) => months.filter((m) => m.parameter === p).reduce((n, m) => n + m.readings, 0);
  return parameters
    .sort((a, b) => count(b) - count(a))
    .slice(0, MOST_CURVES)
    .map((parameter) => {
      const points = months
        .filter((m) => m.parameter === parameter)
        .sort((a, b) => (a.month < b.month ? -1 : 1))
        .flatMap((m) => {
          const value = share(m);
          return value === null ? [] : [{ on: `${m.month}-15`, value }];
        });
      return {
        ...{ parameter, points, ended: "ideal" as const, band: null },
        label: parameterFacts[parameter].label,
        right: say(m("report.nothing-right"), units),
        reach: { low: 0, high: 100 },
        shown: `${points.at(-1)?.value ?? 0} %`,
      };
    });
}

/** The clients with the most visits by name, the others in one line. */
function clientTable(clients: readonly ClientYear[], units: UnitPreference): ReportContent["table"] {
  const busiest = [...clients].sort((a, b) => b.visits - a.visits || byName(a.name, b.name));
  const shown = busiest.slice(0, MOST_CLIENTS).filter((c) => c.visits > 0);
  const rest = busiest.slice(shown.length);
  const row = (c: ClientYear) => {
    const right = share(c);
    return [
      c.name,
      String(c.tanks),
      String(c.visits),
      litresText(c.changedL, units),
      right === null ? say(m("report.no-reading"), units) : `${right} %`,
      String(c.lost),
    ];
  };
  const all = (of: keyof Omit<ClientYear, "name">) => rest.reduce((n, c) => n + c[of], 0);
  const others: ClientYear = {
    name: say(m("report.others", { count: rest.length }), units),
    ...{ tanks: all("tanks"), visits: all("visits"), changedL: all("changedL") },
    ...{ readings: all("readings"), right: all("right"), lost: all("lost") },
  };
  return {
    head: HEADS.map((head) => say(m(head), units)),
    rows: [...shown.sort((a, b) => byName(a.name, b.name)), ...(rest.length > 0 ? [others] : [])].map(row),
  };
}
