import { instantOf } from "@keel-round/core/calendar";
import {
  asksFor,
  type Cadence,
  kindProgramme,
  libraryTask,
  type TaskCode,
  youngProgramme,
} from "@keel-round/core/programme";
import { type Parameter, parameterFacts } from "@keel-round/core/units";
import { newId } from "@/data/database/ids";
import { windowColumns } from "@/data/library/window";
import * as t from "@/data/schema";
import { type Rows, ZONE } from "./rows.ts";
import type { Story } from "./stories.ts";

/** Parts of their interval that jobs without a logged past are into it: told apart by their place, the same each time. */
const INTO = [0.35, 0.6, 0.15, 0.8, 0.45, 0.7, 0.25];

/** The rest of a tank's programme: jobs that its log says nothing of yet. */
export function addProgramme(
  rows: Rows,
  base: { readonly businessId: string; readonly tankId: string },
  story: Story,
  day: (offset: number) => string,
): void {
  const facts = { ...story.facts, purifierAtSite: story.topUpSource !== undefined };
  const codes = kindProgramme[story.kind].filter(
    (code) => !story.jobs.includes(code) && !story.without?.includes(code) && asksFor(libraryTask(code), facts),
  );
  const young = youngProgramme(story.facts, day(0)) as TaskCode[];
  for (const [i, code] of [...codes, ...young].entries()) {
    const { everyDays, by, cadence } = libraryTask(code);
    const past = story.past?.[code];
    const into = INTO[(i + story.tank.length) % INTO.length] ?? 0.5;
    rows.add(t.task, {
      id: newId(),
      ...base,
      code,
      everyDays,
      ...windowColumns(libraryTask(code)),
      lastDoneOn:
        (past ? day(-past.doneDaysAgo) : null) ??
        lastDone(cadence, day) ??
        day(by === "owner" ? -1 : -Math.round(everyDays * into)),
    });
  }
}

/** Longer ago than anything that a demo tank lived through. */
const LONG_AGO = 1500;

/** What comes once a season was last done in the last one, what hours call for never yet; null for anything else. */
function lastDone(cadence: Cadence, day: (offset: number) => string): string | null {
  if (cadence.by === "hours" || (cadence.by === "sign" && cadence.atLatestDays === null)) return day(-LONG_AGO);
  if (cadence.by !== "season" || cadence.unit !== "year") return null;
  for (let ago = 1; ago <= 366; ago++) if (day(-ago).slice(5) === cadence.to) return day(-ago);
  return null;
}

/** What lately called for jobs: flow and TDS that were measured, a filthy pre-filter, animals that came; and hour meters. */
export function addCalls(
  rows: Rows,
  base: { readonly businessId: string; readonly tankId: string },
  { calls, meter }: Story,
  personId: string,
  day: (offset: number) => string,
): void {
  const read = (parameter: Parameter, daysAgo: number, value: number, sigma: number, item: string | null = null) =>
    rows.add(t.reading, {
      id: newId(),
      ...base,
      parameter,
      item,
      entered: String(value),
      unit: parameterFacts[parameter].unit,
      method: parameterFacts[parameter].methods[0]?.method ?? "meter",
      value,
      sigma,
      takenAt: new Date(instantOf(day(-daysAgo), 620, ZONE)),
      onDate: day(-daysAgo),
    });
  for (const [parameter, list] of Object.entries(calls?.readings ?? {}))
    for (const [daysAgo, value] of list) read(parameter as Parameter, daysAgo, value, value * 0.05);
  for (const [daysAgo, hours] of meter?.readings ?? []) read("hours", daysAgo, hours, 0.5, meter?.of);
  if (calls?.dirt) {
    const { job, daysAgo, dirt } = calls.dirt;
    rows.add(t.stepLog, { id: newId(), ...base, step: job, onDate: day(-daysAgo), outcome: "done", dirt });
  }
  if (calls?.stocked) {
    const { daysAgo, number } = calls.stocked;
    const animalId = newId();
    const at = { onDate: day(-daysAgo), at: new Date(instantOf(day(-daysAgo), 640, ZONE)) };
    rows.add(t.animal, {
      id: animalId,
      ...base,
      name: "new fish",
      count: number,
      position: 9,
      since: at.onDate,
    });
    rows.add(t.animalEvent, {
      id: newId(),
      businessId: base.businessId,
      animalId,
      personId,
      kind: "added",
      number,
      countAfter: number,
      ...at,
    });
  }
}
