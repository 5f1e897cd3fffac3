import { addDays, clockText, MINUTES_A_DAY } from "@keel-round/core/calendar";
import ical from "ical-generator";
import { tzlib_get_ical_block } from "timezones-ical-library";
import type { FeedEvent } from "./events";

/** What a calendar says of itself. */
interface Calendar {
  readonly name: string;
  /** IANA name of the zone that all times are in. */
  readonly zone: string;
  /** When the round was last changed: the same calendar read twice is the same text. */
  readonly changedAt: Date;
  /** How often it was changed: readers take the higher one. */
  readonly changes: number;
}

/** Seconds after which a calendar is worth reading again. */
const READ_AGAIN_S = 3600;

/** A civil time as the library takes it: local to the zone that stands beside it. */
const local = (on: string, minute: number): string =>
  minute < MINUTES_A_DAY ? `${on}T${clockText(minute)}:00` : `${addDays(on, 1)}T${clockText(minute)}:00`;

/** RFC 5545 text of some events, with the rules of their zone. */
export function calendarText(events: readonly FeedEvent[], { name, zone, changedAt, changes }: Calendar): string {
  const calendar = ical({
    name,
    prodId: { company: "Keel Round", product: "round", language: "EN" },
    // A zone with a name of its own would write UNTIL and DTSTAMP without Z, against RFC 5545.
    timezone: { name: null, generator: (of: string) => tzlib_get_ical_block(of)[0] ?? null },
    ttl: READ_AGAIN_S,
  });
  for (const e of events)
    calendar.createEvent({
      id: `${e.uid}@keel-round.invalid`,
      start: local(e.on, e.startMinute),
      end: local(e.on, e.startMinute + e.minutes),
      timezone: zone,
      summary: e.summary,
      location: e.location,
      description: e.description,
      sequence: changes,
      stamp: changedAt,
      ...(e.repeats ? { repeating: ruleText(e.repeats, e.startMinute, zone) } : {}),
      ...(e.insteadOf ? { recurrenceId: local(e.insteadOf, usualStart(events, e.uid)) } : {}),
    });
  return calendar.toString();
}

/** An exception is named by the time that its series would have given it. */
const usualStart = (events: readonly FeedEvent[], uid: string): number =>
  events.find((e) => e.uid === uid && e.repeats)?.startMinute ?? 0;

function ruleText(
  { rule, untilOn, excluded }: NonNullable<FeedEvent["repeats"]>,
  startMinute: number,
  zone: string,
): string {
  const compact = (on: string, clock: string) => `${on.replaceAll("-", "")}T${clock.replace(":", "")}00`;
  // The end of the last day anywhere on earth is past every visit of it, and before the next one.
  const until = untilOn === null ? "" : `;UNTIL=${compact(addDays(untilOn, 1), "11:59")}Z`;
  const gone = excluded.map((on) => compact(on, clockText(startMinute)));
  return [`RRULE:${rule}${until}`, ...(gone.length > 0 ? [`EXDATE;TZID=${zone}:${gone.join(",")}`] : [])].join("\n");
}
