import { addDays } from "@keel-round/core/calendar";
import { judgeDay, mondayOf, settle } from "@keel-round/core/weeks";
import { and, eq, gte, lte } from "drizzle-orm";
import type { Scope } from "@/data/access/scope";
import { db } from "@/data/database/connection";
import { loadWeeks } from "@/data/round/weeks";
import { site, stop, tankStatus, visit } from "@/data/schema";
import { refreshDay } from "@/data/tanks/status";
import { loadScale } from "../tools/seed/scale.ts";
import { freshDatabase, spread, timed } from "./lib.ts";

// The weeks of a whole firm: reading them, beside plain SELECTs of the same rows; judging every day of them; and how long
// settling a week takes.
const ROUNDS = 20;
const WEEKS = 8;
const TRIES = 100;

for (const count of [90, 900]) {
  await freshDatabase();
  const { businessId, today } = await loadScale(count, WEEKS, `weeks${count}`);
  await refreshDay(businessId, today);
  const scope = { businessId, role: "office", personId: "", zone: "Europe/London" } as unknown as Scope;
  const [from, to] = [mondayOf(today), addDays(mondayOf(today), 7 * WEEKS - 1)];
  const rows = async () => {
    const days = and(eq(stop.businessId, businessId), gte(stop.onDate, from), lte(stop.onDate, to));
    await db().select().from(stop).where(days);
    await db()
      .select()
      .from(visit)
      .where(and(eq(visit.businessId, businessId), gte(visit.onDate, from), lte(visit.onDate, to)));
    await db().select().from(site).where(eq(site.businessId, businessId));
    await db().select().from(tankStatus).where(eq(tankStatus.businessId, businessId));
  };
  const [ours, plain]: [number[], number[]] = [[], []];
  for (let i = 0; i < ROUNDS; i++) {
    const sides = [
      async () => ours.push(await timed(() => loadWeeks(scope, from, to))),
      async () => plain.push(await timed(rows)),
    ];
    for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
  }
  const { board } = await loadWeeks(scope, from, to);
  const days = Array.from({ length: 7 * WEEKS }, (_, i) => addDays(from, i));
  let judged = 0;
  const judging = await timed(() => {
    for (const p of board.people) for (const on of days) if (judgeDay(board, { personId: p.id, on })) judged++;
  });
  const week = { ...board, stops: board.stops.filter((s) => s.on < addDays(from, 7)) };
  let last = null;
  const settling = await timed(() => {
    for (const told of settle(week, { days: days.slice(0, 7), locked: [], seed: 1, tries: TRIES })) last = told;
  });
  console.log(`${count} tanks, ${WEEKS} weeks: ${board.stops.length} stops of ${board.people.length} people`);
  console.log(
    `  reading them ${spread(ours, 0)} ms, ${spread(ours.map((ms, i) => ms / (plain[i] ?? Number.NaN)))} times plain SELECTs`,
  );
  console.log(`  judging a day ${(judging / judged).toFixed(2)} ms (${judged} days)`);
  console.log(
    `  settling a week of ${week.stops.length} stops: ${(settling / TRIES).toFixed(1)} ms a try; ${JSON.stringify(last)}`,
  );
}
process.exit(0);
