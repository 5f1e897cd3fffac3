import { readFileSync } from "node:fs";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { seeded } from "@keel-round/core/numeric";
import type { VisitOp } from "@keel-round/core/visit";
import { and, asc, eq, gte, isNull } from "drizzle-orm";
import { v7 } from "uuid";
import { walkThrough } from "../tools/seed/walkThrough.ts";
import { findings, install, wait } from "./installation.ts";
import { Phone } from "./phone.ts";
import { cpuOf } from "./processes.ts";

// 200 phones send their day in ten minutes: eight visits each, the log in batches as it grows. How long an answer takes, beside the same on a machine that
// does nothing else, and what of the processors it takes.
const { values } = parseArgs({
  options: { phones: { type: "string", default: "200" }, minutes: { type: "string", default: "10" } },
});
const [PHONES, MINUTES] = [Number(values.phones), Number(values.minutes)];
const VISITS = 8;
/** Entries that a phone sends at once: what was ticked and entered in a few minutes. */
const BATCH = 6;
/** Days of the scale over which its people have stops: each person's day is one phone. */
const DAYS = 5;
const MOST = 5;
const IDLE_TRIES = 60;

const { expect, end } = findings();
const house = await install({ loaded: false });
const mysql = await import("mysql2/promise");
const admin = await mysql.createConnection((house.env.DATABASE_URL ?? "").replace(/[^/]+$/, ""));
await admin.query("create database chaos");
await admin.end();
const { migrateDatabase } = await import("@/data/database/migrate");
await migrateDatabase(house.env.DATABASE_URL ?? "", "data/database/migrations");
const { loadScale } = await import("../tools/seed/scale.ts");
// One more is measured with while nothing else goes on, and one is the scale's own.
const people = Math.ceil(PHONES / DAYS) + 2;
const { businessId } = await loadScale(people * DAYS * VISITS * 3, 2, "load");
const { db } = await import("@/data/database/connection");
const { addLogin } = await import("@/data/access/logins");
const { operation, person, stop, visit } = await import("@/data/schema");
const staff = await db()
  .select()
  .from(person)
  .where(and(eq(person.businessId, businessId), isNull(person.userId)));
const password = "many-phones-200";
const email = (i: number) => `phone${i}@load.example`;
for (const [i, { id }] of staff.entries()) {
  const userId = await addLogin(db(), { name: "Technician", email: email(i), password }, new Date());
  await db().update(person).set({ userId }).where(eq(person.id, id));
}
await house.web.start();
const today = new Date().toISOString().slice(0, 10);
/** A day of one person: the first visit of each stop. */
interface Day {
  readonly phone: Phone;
  readonly visits: readonly string[];
}
const days: Day[] = [];
for (const [i, { id }] of staff.entries()) {
  const phone = new Phone(house.address, { email: email(i), password }, seeded(i + 1));
  await phone.signIn();
  const rows = await db()
    .select({ stopId: stop.id, on: stop.onDate, visitId: visit.id })
    .from(stop)
    .innerJoin(visit, eq(visit.stopId, stop.id))
    .where(and(eq(stop.personId, id), gte(stop.onDate, today), eq(visit.state, "planned")))
    .orderBy(asc(stop.onDate), asc(stop.id));
  const byDay = new Map<string, Map<string, string>>();
  for (const { stopId, on, visitId } of rows) {
    const stops = byDay.get(on) ?? new Map<string, string>();
    if (!stops.has(stopId)) stops.set(stopId, visitId);
    byDay.set(on, stops);
  }
  for (const stops of [...byDay.values()].slice(0, DAYS))
    days.push({ phone, visits: [...stops.values()].slice(0, VISITS) });
}
const [idleDay, ...others] = days;
const phones = [...(idleDay ? others : [])].slice(0, PHONES);

const answers: number[] = [];
let refused = 0;
let entries = 0;

/** Sends what was logged; how long the answer took, ms. */
async function send(phone: Phone, visitId: string, ops: readonly VisitOp[], into: number[]): Promise<void> {
  for (;;) {
    const began = performance.now();
    const answer = await phone.ask(`/api/visits/${visitId}/operations`, { ops });
    await answer?.arrayBuffer();
    into.push(performance.now() - began);
    if (answer?.status === 200) return;
    refused += 1;
    await wait(1000);
  }
}

async function logOf(phone: Phone, visitId: string): Promise<readonly VisitOp[]> {
  const answer = await phone.ask(`/api/visits/${visitId}`);
  if (answer?.status !== 200) throw new Error(`A bundle was not given: ${answer?.status}`);
  const { bundle } = (await answer.json()) as { bundle: { input: Parameters<typeof walkThrough>[0] } };
  const last = (p: string) => bundle.input.readings.findLast((r) => r.parameter === p)?.value ?? 8;
  const device = v7();
  return walkThrough(bundle.input, Date.now(), last).ops.map((op) => ({ ...op, device }));
}

const batchesOf = (ops: readonly VisitOp[]) =>
  Array.from({ length: Math.ceil(ops.length / BATCH) }, (_, i) => ops.slice(i * BATCH, (i + 1) * BATCH));

const idle: number[] = [];
if (idleDay)
  for (const visitId of idleDay.visits)
    for (const batch of batchesOf(await logOf(idleDay.phone, visitId)))
      if (idle.length < IDLE_TRIES) await send(idleDay.phone, visitId, batch, idle);

const database = Number(readFileSync(join(house.folder, "pid"), "utf8"));
const cpu = () => ({ web: house.web.cpuS?.() ?? 0, database: cpuOf(database) });
const before = cpu();
const began = Date.now();
const spanMs = MINUTES * 60_000;
await Promise.all(
  phones.map(async ({ phone, visits }, i) => {
    const random = seeded(1000 + i);
    for (const [n, visitId] of visits.entries()) {
      // Its visits are spread over the time, as those of all others are.
      const due = ((n + random()) / visits.length) * spanMs * 0.9;
      await wait(Math.max(0, began + due - Date.now()));
      const ops = await logOf(phone, visitId);
      for (const batch of batchesOf(ops)) {
        await send(phone, visitId, batch, answers);
        await wait(200 + 600 * random());
      }
      entries += ops.length;
    }
  }),
);
const seconds = (Date.now() - began) / 1000;
const used = cpu();
/** The value below which a part of all lies, by rank. */
const at = (all: readonly number[], p: number) =>
  Math.round([...all].sort((a, b) => a - b)[Math.min(all.length - 1, Math.floor(p * all.length))] ?? 0);
const ratio = at(answers, 0.95) / Math.max(1, at(idle, 0.5));
console.log(
  JSON.stringify(
    {
      phones: phones.length,
      seconds: Math.round(seconds),
      entries,
      answers: answers.length,
      refused,
      "idle, ms": { median: at(idle, 0.5), p95: at(idle, 0.95) },
      "under load, ms": { median: at(answers, 0.5), p95: at(answers, 0.95), longest: at(answers, 1) },
      "p95 by the idle median": Number(ratio.toFixed(2)),
      "processors used": {
        web: Number(((used.web - before.web) / seconds).toFixed(2)),
        database: Number(((used.database - before.database) / seconds).toFixed(2)),
      },
    },
    null,
    2,
  ),
);
const [kept] = await Promise.all([
  db().select({ opId: operation.opId }).from(operation).where(eq(operation.businessId, businessId)),
]);
expect(kept.length >= entries, `all of ${entries} entries are there`);
expect(refused === 0, "none had to be sent twice");
expect(ratio < MOST, `95 of 100 answers come in less than ${MOST} times what one takes on an idle machine`);
await house.end();
end();
