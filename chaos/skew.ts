import { existsSync } from "node:fs";
import type { VisitOp } from "@keel-round/core/visit";
import { and, asc, eq, gte, isNull } from "drizzle-orm";
import { ensurePrograms } from "../tools/lib/system.mjs";
import { findings, install, letLeave, tsx, until, wait } from "./installation.ts";
import { program } from "./processes.ts";
import { verify } from "./verify.ts";

// Hosts whose clocks are a minute apart: the web process is a minute behind the database, of two jobs processes one is a minute ahead and one
// behind. Visits are logged, letters leave by themselves, sign-ins and links work.
const LIBRARY = "/usr/lib/x86_64-linux-gnu/faketime/libfaketimeMT.so.1";
if (!existsSync(LIBRARY)) ensurePrograms(["faketime"]);
const shifted = (by: string) => ({
  ...{ LD_PRELOAD: LIBRARY, FAKETIME: by, FAKETIME_DONT_FAKE_MONOTONIC: "1" },
});
const { expect, end } = findings();
const house = await install({ web: shifted("-60s"), jobs: shifted("+60s") });
const { db } = await import("@/data/database/connection");
const { business, job, letter, person, stop, visit } = await import("@/data/schema");
await db().update(business).set({ letterWay: "by-itself", letterHour: null });
const behind = program(
  "jobs",
  tsx("jobs/run.tsx"),
  { ...house.env, ...shifted("-60s") },
  `${house.folder}/parts.log`,
  () => wait(1500),
);
await Promise.all([house.mailServer.start(), house.web.start(), house.jobs.start(), behind.start()]);
const [firm] = await db().select().from(business);
const businessId = firm?.id ?? "";
const today = new Date().toISOString().slice(0, 10);
const leftBefore = new Set((await db().select({ id: letter.id }).from(letter)).map((l) => l.id));
const logs = new Map<string, readonly VisitOp[]>();
for (const name of ["Ines", "Tobiah"]) {
  const phone = await house.phone(name);
  const mine = await db()
    .select({ id: visit.id })
    .from(visit)
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .innerJoin(person, eq(person.id, stop.personId))
    .where(and(eq(person.businessId, businessId), gte(visit.onDate, today), eq(visit.state, "planned")))
    .orderBy(asc(visit.onDate))
    .limit(40);
  const names = await db().select().from(person).where(eq(person.businessId, businessId));
  const own = names.find((p) => p.name.startsWith(name))?.id;
  for (const { id } of mine) {
    const [row] = await db()
      .select({ personId: stop.personId })
      .from(visit)
      .innerJoin(stop, eq(stop.id, visit.stopId))
      .where(eq(visit.id, id));
    if (row?.personId === own && logs.size < 16) logs.set(id, await phone.visit(id));
  }
}
expect(logs.size > 5, `${logs.size} visits were logged and taken`);
const open = () =>
  db()
    .select()
    .from(job)
    .where(and(eq(job.businessId, businessId), isNull(job.doneAt)));
const over = async () => {
  await letLeave();
  return (await open()).length === 0;
};
expect(await until(over, 120), "no work waits for ever");
const mails = await house.mails();
const verdict = await verify({
  ...{ businessId, logs, files: [], restored: { emails: [], tanks: 0 }, mails, leftBefore },
});
const letters = mails.map((m) => m.messageId).filter((id) => id.startsWith("<letter-"));
expect(letters.length > 0 && letters.length === new Set(letters).size, `${letters.length} letters arrived, each once`);
for (const [what, found] of Object.entries(verdict))
  expect(found.length === 0, `${found.length} ${what} ${found[0] ?? ""}`);
await behind.stop();
await house.end();
end();
