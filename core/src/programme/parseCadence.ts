import { OF_WATER, type Parameter } from "../units/index.ts";
import {
  CADENCE_GEAR,
  type Cadence,
  type CadenceEvent,
  type CadenceGear,
  type CadenceUnit,
  daysOf,
  type Window,
} from "./cadence.ts";

/** Why a cadence cannot be, in words. */
export type ParsedCadence =
  /** The window is null where none was told. */
  | { readonly ok: true; readonly cadence: Cadence; readonly window: Window | null }
  | { readonly ok: false; readonly problem: string };

const NAMED: Readonly<Record<string, readonly [every: number, unit: CadenceUnit]>> = {
  daily: [1, "day"],
  weekly: [1, "week"],
  fortnightly: [2, "week"],
  monthly: [1, "month"],
  quarterly: [3, "month"],
  "half-yearly": [6, "month"],
  yearly: [1, "year"],
};
const EVENTS: Readonly<Record<string, CadenceEvent>> = {
  stocking: "stocking",
  treatment: "treatment",
  "new lamp": "new-lamp",
};
const GEAR: Readonly<Record<string, CadenceGear>> = Object.fromEntries(
  CADENCE_GEAR.map((gear) => [gear === "uv" ? "uv lamp" : gear.replace("-", gear === "wave-maker" ? "-" : " "), gear]),
);
const MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
const MONTH_DAYS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const UNIT_DAYS = { day: 1, week: 7, month: 30.4375, year: 365.25 } as const;

/** Longest that a job may be put off by its cadence. */
const MOST_DAYS = 3653;

const no = (problem: string): ParsedCadence => ({ ok: false, problem });
const unitOf = (word: string) => word.replace(/s$/, "") as CadenceUnit;
const SPAN = "(\\d+(?:\\.\\d+)?)?\\s*(days?|weeks?|months?|years?)";

/**
 * Reads a cadence in plain words.
 *
 * @example
 * parseCadence("every 3 weeks, give or take 4 days"); // { ok: true, cadence: { by: "time", every: 3, unit: "week" }, window: { giveDays: 4 } }
 * parseCadence("every full moon"); // { ok: false }
 */
export function parseCadence(text: string): ParsedCadence {
  const said = text.trim().toLowerCase().replace(/\s+/g, " ").replace(/[.]$/, "");
  const told = readWindow(said);
  const cadence = read(told ? said.slice(0, told.at).trim() : said);
  if (typeof cadence === "string") return no(cadence);
  const days = daysOf(cadence);
  if (days !== null && days > MOST_DAYS) return no("At most every ten years.");
  const window = told?.window ?? null;
  if (window && days !== null && Math.max(window.giveDays, window.earlyDays ?? 0) >= days)
    return no(`Its window is as wide as its cadence: give or take less than ${days} days.`);
  return { ok: true, cadence, window };
}

const DAYS = "(\\d+) ?(days?|weeks?)";
const daysIn = (count: string | undefined, unit: string | undefined) =>
  Number(count) * (unit?.startsWith("week") ? 7 : 1);

/** The window at the end of what was said, and where it begins; null where there is none. */
function readWindow(said: string): { readonly at: number; readonly window: Window } | null {
  const same = said.match(new RegExp(`,? ?give or take ${DAYS}$`));
  if (same) return { at: same.index ?? 0, window: { giveDays: daysIn(same[1], same[2]) } };
  const late = said.match(new RegExp(`,? ?(?:never|not) early,? (?:or |and )?up to ${DAYS} late$`));
  if (late) return { at: late.index ?? 0, window: { giveDays: daysIn(late[1], late[2]), earlyDays: 0 } };
  const early = said.match(new RegExp(`,? ?up to ${DAYS} early,? (?:and |or )?(?:never|not) late$`));
  if (early) return { at: early.index ?? 0, window: { giveDays: 0, earlyDays: daysIn(early[1], early[2]) } };
  const both = said.match(
    new RegExp(`,? ?up to ${DAYS} early (?:or|and) (?:up to )?(\\d+)(?: ?(days?|weeks?))? late$`),
  );
  if (!both) return null;
  const [earlyDays, giveDays] = [daysIn(both[1], both[2]), daysIn(both[3], both[4] ?? both[2])];
  return { at: both.index ?? 0, window: earlyDays === giveDays ? { giveDays } : { giveDays, earlyDays } };
}

function read(said: string): Cadence | string {
  const named = NAMED[said];
  if (named) return { by: "time", every: named[0], unit: named[1] };

  const season = said.match(new RegExp(`^every ${SPAN} from (\\d+) (\\w+) to (\\d+) (\\w+)$`));
  if (season) {
    const every = Number(season[1] ?? 1);
    const [from, to] = [monthDay(season[3], season[4]), monthDay(season[5], season[6])];
    if (!(every > 0)) return "Every 0 is no cadence: enter 1 or more.";
    if (!from || !to) return "A day of the year is told like 1 June.";
    return { by: "season", from, to, every, unit: unitOf(season[2] ?? "day") };
  }
  const time = said.match(new RegExp(`^every ${SPAN}( on the grid)?$`));
  if (time) {
    const every = Number(time[1] ?? 1);
    if (!(every > 0)) return "Every 0 is no cadence: enter 1 or more.";
    if (!Number.isInteger(every)) return "Enter a whole number, or a smaller unit.";
    return { by: "time", every, unit: unitOf(time[2] ?? "day"), ...(time[3] ? { grid: true } : {}) };
  }
  const hours = said.match(/^after (\d+) hours? of the ([\w -]+)$/);
  if (hours) {
    const of = GEAR[hours[2] ?? ""];
    if (!of) return `Hours are counted of: ${Object.keys(GEAR).join(", ")}.`;
    return Number(hours[1]) > 0 ? { by: "hours", hours: Number(hours[1]), of } : "After 0 hours is no cadence.";
  }
  const event = said.match(/^([\d, and]+) days? after (?:an? )?([\w ]+)$/);
  if (event) {
    const after = EVENTS[event[2] ?? ""];
    const onDays = (event[1]?.match(/\d+/g) ?? []).map(Number).sort((a, b) => a - b);
    if (!after) return `It can follow: ${Object.keys(EVENTS).join(", ")}.`;
    return onDays.length > 0 && onDays.every((d) => d <= 365)
      ? { by: "event", after, onDays }
      : "Enter days, up to 365.";
  }
  return readSign(said);
}

function readSign(said: string): Cadence | string {
  const end = said.match(new RegExp(`,? ?at the latest every ${SPAN}$`));
  const atLatestDays = end ? Math.round(Number(end[1] ?? 1) * UNIT_DAYS[unitOf(end[2] ?? "day")]) : null;
  if (atLatestDays === 0) return "At the latest every 0 is no cadence.";
  const sign = end ? said.slice(0, end.index).trim() : said;
  const flow = sign.match(/^when (?:the )?flow is down (\d+) ?%$/);
  if (flow) {
    const lostShare = Number(flow[1]) / 100;
    return lostShare > 0 && lostShare < 1
      ? { by: "sign", sign: { of: "flow", lostShare }, atLatestDays }
      : "Flow can be down between 1 and 99 %.";
  }
  const tds = sign.match(/^when (?:the )?tds is above (\d+(?:\.\d+)?)(?: mg\/l| ppm)?$/);
  if (tds) return { by: "sign", sign: { of: "tds", aboveMgL: Number(tds[1]) }, atLatestDays };
  const dirt = sign.match(/^when ([\w-]+) is rated ([1-5])$/);
  if (dirt) return { by: "sign", sign: { of: "dirt", job: dirt[1] ?? "", atLeast: Number(dirt[2]) }, atLatestDays };
  const band = sign.match(/^when (?:the )?(\w+) is out of band$/);
  if (band) {
    const parameter = OF_WATER.find((p) => p === band[1]);
    return parameter
      ? { by: "sign", sign: { of: "band", parameter: parameter as Parameter }, atLatestDays }
      : `${band[1]} is nothing that is measured.`;
  }
  return "Say it like: every 3 weeks, give or take 4 days.";
}

function monthDay(day: string | undefined, month: string | undefined): string | null {
  const at = MONTHS.indexOf((month ?? "").slice(0, 3));
  const n = Number(day);
  if (at < 0 || !(n >= 1) || n > (MONTH_DAYS[at] ?? 0)) return null;
  return `${String(at + 1).padStart(2, "0")}-${String(n).padStart(2, "0")}`;
}
