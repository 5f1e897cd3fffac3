import { addDays, daysBetween, sayDay } from "../calendar/civil.ts";
import type { Band } from "../tank/index.ts";
import { inSentence } from "../text/index.ts";
import { type Parameter, parameterFacts } from "../units/index.ts";
import {
  afterUnits,
  type Cadence,
  type CadenceEvent,
  type CadenceGear,
  inSeason,
  nextInSeason,
  type Sign,
} from "./cadence.ts";
import { cadenceOf, type TankTask } from "./task.ts";

/** What is known of a tank that calls for jobs. */
export interface Evidence {
  /** Of a flow: the filter whose it is; the return's where none is named. */
  readonly readings: readonly {
    readonly parameter: Parameter;
    readonly value: number;
    readonly on: string;
    readonly item?: string;
  }[];
  readonly bands: readonly Pick<Band, "parameter" | "idealLow" | "idealHigh">[];
  readonly events: readonly { readonly kind: CadenceEvent; readonly on: string }[];
  /** Hours that a piece of equipment has run up to a day, and runs a day. */
  readonly running: readonly {
    readonly of: CadenceGear;
    readonly name: string;
    readonly installedOn: string;
    readonly hoursRun: number;
    readonly hoursPerDay: number;
    readonly asOf: string;
  }[];
  /** How dirty each job was found, oldest first. */
  readonly dirt: readonly { readonly job: string; readonly on: string; readonly dirt: number }[];
}

export const NO_EVIDENCE: Evidence = { readings: [], bands: [], events: [], running: [], dirt: [] };

interface Call {
  readonly on: string;
  readonly by: string;
}

/** A job with what the tank's readings, events, hours and dirt call for on a day; one that comes by time is left as it is. */
export function calledTask(task: TankTask, evidence: Evidence, on: string): TankTask {
  const cadence = cadenceOf(task);
  if (cadence.by === "time") return task;
  const call = callOf(cadence, task, evidence, on);
  return { ...task, calledOn: call?.on ?? null, ...(call ? { calledBy: call.by } : {}) };
}

function callOf(cadence: Cadence, task: TankTask, evidence: Evidence, on: string): Call | null {
  switch (cadence.by) {
    case "time":
      return null;
    case "season":
      return bySeason(cadence, task);
    case "event":
      return byEvent(cadence, task, evidence, on);
    case "hours":
      return byHours(cadence, task, evidence);
    case "sign": {
      const sign = bySign(cadence.sign, task, evidence, on);
      if (sign || cadence.atLatestDays === null) return sign;
      const latest = addDays(task.lastDoneOn, cadence.atLatestDays);
      return { on: latest, by: `nothing called for it, and it was last done on ${sayDay(task.lastDoneOn)}` };
    }
  }
}

/** In its part of the year, so long after the last time; the first day of that part where it is not yet. */
function bySeason(cadence: Cadence & { by: "season" }, task: TankTask): Call {
  const next = afterUnits(task.lastDoneOn, cadence.every, cadence.unit);
  // Once a season: the turn of the year it was done in is over, however late in it that was.
  const once = cadence.unit === "year" && inSeason(task.lastDoneOn, cadence);
  const from = once
    ? addDays(seasonEnd(task.lastDoneOn, cadence), 1)
    : cadence.unit === "year"
      ? task.lastDoneOn
      : next;
  return { on: nextInSeason(from, cadence), by: "the time of the year" };
}

function seasonEnd(within: string, { from, to }: { readonly from: string; readonly to: string }): string {
  const year = Number(within.slice(0, 4));
  return from <= to || within.slice(5) <= to ? `${year}-${to}` : `${year + 1}-${to}`;
}

const EVENT_WORDS: Record<CadenceEvent, string> = {
  stocking: "new animals came",
  treatment: "the treatment ended",
  "new-lamp": "the lamp was replaced",
};

/** The first day after an event that has not been answered yet; several missed ones are one. */
function byEvent(cadence: Cadence & { by: "event" }, task: TankTask, { events }: Evidence, on: string): Call | null {
  const open = events
    .filter((e) => e.kind === cadence.after)
    .flatMap((e) => cadence.onDays.map((d) => ({ on: addDays(e.on, d), event: e.on })))
    // Done on the day of the event itself counts for no day after it.
    .filter((c) => c.on > task.lastDoneOn && daysBetween(c.on, on) <= FORGOTTEN_DAYS)
    .sort((a, b) => (a.on < b.on ? -1 : 1));
  const past = open.filter((c) => c.on <= on);
  const call = past.at(-1) ?? open[0];
  return call ? { on: call.on, by: `${EVENT_WORDS[cadence.after]} on ${sayDay(call.event)}` } : null;
}

/** A day after an event that is this long gone is no use any more. */
const FORGOTTEN_DAYS = 21;

/** Hours since the job was last done, or since the piece was installed if that is later. */
function byHours(cadence: Cadence & { by: "hours" }, task: TankTask, { running }: Evidence): Call | null {
  const calls = running
    .filter((r) => r.of === cadence.of)
    .flatMap((r) => {
      const renewed = task.lastDoneOn > r.installedOn;
      const ran = renewed ? Math.max(0, daysBetween(task.lastDoneOn, r.asOf)) * r.hoursPerDay : r.hoursRun;
      if (ran < cadence.hours && r.hoursPerDay <= 0) return [];
      const days = r.hoursPerDay > 0 ? (cadence.hours - ran) / r.hoursPerDay : 0;
      return [{ on: addDays(r.asOf, Math.floor(days)), by: `the ${r.name} has run ${Math.round(ran)} hours` }];
    })
    .sort((a, b) => (a.on < b.on ? -1 : 1));
  return calls[0] ?? null;
}

function bySign(sign: Sign, task: TankTask, evidence: Evidence, on: string): Call | null {
  switch (sign.of) {
    case "flow":
      return byFlow(sign.lostShare, task, evidence);
    case "tds":
      return sinceDone(task, evidence, "tds", on, ({ value }) =>
        value > sign.aboveMgL ? `TDS of the purified water is ${value} mg/L` : null,
      );
    case "band": {
      const band = evidence.bands.find((b) => b.parameter === sign.parameter);
      const { label } = parameterFacts[sign.parameter];
      const name = inSentence(label);
      return band
        ? sinceDone(task, evidence, sign.parameter, on, ({ value }) =>
            value > band.idealHigh || value < band.idealLow
              ? // Without its figure: whoever reads it has their own units, and the readings show it.
                `${name} was ${value > band.idealHigh ? "above" : "below"} its band`
              : null,
          )
        : null;
    }
    case "dirt": {
      const last = evidence.dirt.findLast((d) => d.job === sign.job && d.on > task.lastDoneOn);
      return last && last.dirt >= sign.atLeast ? { on: last.on, by: `it was rated ${last.dirt} of 5` } : null;
    }
  }
}

/** The newest reading since the job was done decides. */
function sinceDone(
  task: TankTask,
  { readings }: Evidence,
  parameter: Parameter,
  on: string,
  why: (reading: Evidence["readings"][number]) => string | null,
): Call | null {
  const last = readings.findLast((r) => r.parameter === parameter && r.on > task.lastDoneOn && r.on <= on);
  const by = last ? why(last) : null;
  return last && by ? { on: last.on, by: `${by} on ${sayDay(last.on)}` } : null;
}

/** The return has a job of its own; any other is about the filters, as long as one of them was measured. */
const OF_RETURN = "pump-flow";

/** Against the best that was measured since the last service; before one, against the best of all. Each filter by itself. */
function byFlow(lostShare: number, task: TankTask, { readings }: Evidence): Call | null {
  const flows = readings.filter((r) => r.parameter === "flow");
  const filters = new Set(flows.flatMap((r) => r.item ?? []));
  const asked = task.code === OF_RETURN || filters.size === 0 ? [undefined] : [...filters];
  const calls = asked.flatMap(
    (item) =>
      fallOf(
        flows.filter((r) => r.item === item),
        task,
        lostShare,
        item,
      ) ?? [],
  );
  return calls.sort((a, b) => (a.on < b.on ? -1 : 1))[0] ?? null;
}

function fallOf(flows: Evidence["readings"], task: TankTask, lostShare: number, item: string | undefined): Call | null {
  const since = flows.filter((r) => r.on >= task.lastDoneOn);
  const last = since.at(-1);
  if (!last) return null;
  const best = Math.max(...(since.length > 1 ? since : flows).map((r) => r.value));
  const lost = 1 - last.value / best;
  if (lost < lostShare - 1e-9) return null;
  return { on: last.on, by: `the flow${item ? ` of ${inSentence(item)}` : ""} fell ${Math.round(lost * 100)} %` };
}
