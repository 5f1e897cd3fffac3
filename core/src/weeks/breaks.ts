import { addDays, daysBetween, weekday } from "../calendar/index.ts";
import type { DayPlan } from "../round/index.ts";
import { type Message, m } from "../say/index.ts";
import { isOpen, isSpecial, weekdayName, windowOn } from "../series/index.ts";
import type { Board, BoardPerson, BoardStop } from "./board.ts";
import { KNOWS_NAME } from "./knows.ts";

/** A rule that a stop breaks where it stands. */
export interface Break {
  readonly code: keyof typeof RULES;
  /** Nobody may break it: the stop cannot be put there. */
  readonly refused: boolean;
  readonly says: Message;
}

/** What the rules look at: a stop among the others of its person's day. */
interface Standing {
  readonly board: Board;
  readonly person: BoardPerson;
  readonly stop: BoardStop;
  readonly on: string;
  readonly day: DayPlan;
}

type Rule = (of: Standing) => Message | null;

/** What the two rules look at that nobody may break. */
interface Given {
  readonly person: Pick<BoardPerson, "name" | "knows" | "vanKg">;
  readonly stop: Pick<BoardStop, "needs" | "carriesSalt" | "load">;
}

/** A gap may be a third longer or shorter than its series asks for. */
export const SLACK = 1 / 3;

/** In the order in which they are told; the first two are never broken. */
const RULES = {
  knows: ({ person, stop }: Given) => {
    const lacks = stop.needs.filter((n) => person.knows && !person.knows.includes(n));
    return lacks.length === 0
      ? null
      : m("weeks.knows", { name: person.name, what: { all: lacks.map((l) => KNOWS_NAME[l]) } });
  },
  septic: ({ person, stop }: Given) =>
    stop.carriesSalt && wasteKg(stop) > person.vanKg
      ? m("weeks.septic", { waste: { kg: wasteKg(stop) }, van: { kg: person.vanKg } })
      : null,
  away: ({ person, on }) => {
    const away = person.away.find((a) => a.fromOn <= on && on <= a.untilOn);
    return away ? m("weeks.away", { name: person.name, why: away.why }) : null;
  },
  workday: ({ person, on }) =>
    person.workdays.includes(weekday(on))
      ? null
      : m("weeks.workday", { name: person.name, day: weekdayName(weekday(on)) }),
  closed: ({ stop, on }) => {
    if (isOpen(stop.windows, on)) return null;
    return isSpecial(stop.windows, on) ? m("weeks.closed-then") : m("weeks.closed", { day: weekdayName(weekday(on)) });
  },
  window: ({ stop, day, on }) => {
    const left = day.leftOver.find((l) => l.stop.id === stop.id);
    if (!left) return null;
    const closes = windowOn(stop.windows, on)?.to;
    return left.alone || closes === undefined ? m("weeks.no-room") : m("weeks.too-long", { closes: { clock: closes } });
  },
  twice: ({ board, stop, on }) => {
    const other = board.stops.find(
      (s) => s.siteId === stop.siteId && s.on === on && s.id !== stop.id && s.setAside === null,
    );
    const by = board.people.find((p) => p.id === other?.personId);
    return other ? m("weeks.twice", { name: by?.name ?? "" }) : null;
  },
  spacing: ({ board, stop, on }) => {
    if (stop.gapDays === null) return null;
    const [before, after] = neighbours(board, stop, on);
    const [most, least] = [stop.gapDays * (1 + SLACK), stop.gapDays * (1 - SLACK)];
    const usual = Math.round(stop.gapDays);
    const since = before ? daysBetween(before, on) : null;
    const until = after ? daysBetween(on, after) : null;
    if (since !== null && (since > most || since < least)) return m("weeks.since", { days: since, usual });
    return until !== null && (until > most || until < least) ? m("weeks.until", { days: until, usual }) : null;
  },
  tide: ({ stop, day }) =>
    stop.load.seaL > 0 && day.collection !== null && day.collection.none !== null ? m("weeks.no-tide") : null,
  slips: ({ stop, on }) => {
    const days = daysBetween(stop.originalOn, on);
    if (days <= 0 || (stop.condition !== "drifting" && stop.condition !== "off")) return null;
    return m("weeks.slips", { days });
  },
} satisfies Readonly<Record<string, Rule>>;

const REFUSED: readonly (keyof typeof RULES)[] = ["knows", "septic"];

const wasteKg = (stop: Pick<BoardStop, "load">): number => stop.load.wasteL * SALT_WASTE_KG_PER_L;
/** 1.025 kg/L: sea water of 35 PSU. */
const SALT_WASTE_KG_PER_L = 1.025;

/** The visits of the same series before and after a day, without the stop itself; none is looked for further than the board knows. */
function neighbours(
  board: Board,
  stop: BoardStop,
  on: string,
): [before: string | undefined, after: string | undefined] {
  const days = [
    ...board.beside.filter((b) => b.seriesId === stop.seriesId).map((b) => b.on),
    ...board.stops
      .filter((s) => s.seriesId === stop.seriesId && s.id !== stop.id && s.setAside === null)
      .map((s) => s.on),
  ].sort();
  return [days.findLast((d) => d < on), days.find((d) => d > on)];
}

/** What a stop breaks where it stands, in the order of the rules. */
export function breaksOf(of: Standing): Break[] {
  return (Object.keys(RULES) as (keyof typeof RULES)[]).flatMap((code) => {
    const says = (RULES[code] as Rule)(of);
    return says ? [{ code, refused: REFUSED.includes(code), says }] : [];
  });
}

/** Why nobody may give a stop to a person, whatever the day: empty where somebody may. */
export function refusedTo(
  person: Pick<BoardPerson, "name" | "knows" | "vanKg">,
  stop: Pick<BoardStop, "needs" | "carriesSalt" | "load">,
): Message[] {
  return [RULES.knows({ person, stop }), RULES.septic({ person, stop })].filter((says) => says !== null);
}

/** What a day as a whole goes beyond: the person's hours, and their van. */
export function dayBreaks(day: DayPlan, person: BoardPerson): Message[] {
  const over: Message[] = [];
  if (day.overtimeMinutes >= 1) over.push(m("weeks.overtime", { time: { minutes: day.overtimeMinutes } }));
  const { vanKg, vanL, vanBarrels } = person;
  if (day.peakKg > vanKg + 1e-6) over.push(m("weeks.load", { over: { kg: day.peakKg - vanKg } }));
  if (vanL && day.peakL > vanL + 1e-6) over.push(m("weeks.litres", { over: { litres: day.peakL - vanL } }));
  if (vanBarrels && day.peakBarrels > vanBarrels)
    over.push(m("weeks.barrels", { needs: day.peakBarrels, most: vanBarrels }));
  return over;
}

/** Days around the shown ones on which a neighbour of a series may lie. */
const BESIDE_DAYS = 62;

/** The first and last day of which the board has to know the visits. */
export const besideOf = (from: string, to: string): readonly [string, string] => [
  addDays(from, -BESIDE_DAYS),
  addDays(to, BESIDE_DAYS),
];
