import { and, eq, isNotNull, isNull, sql } from "drizzle-orm";
import { findings, install, letLeave, until, wait } from "./installation.ts";

// The mail server is away for a day: letters wait, nothing is given up, and each arrives once when it is back. The day goes by in steps of a
// quarter of an hour, in the database's own times, with the real jobs process at work.
const STEP_MINUTES = 15;
const STEPS = (24 * 60) / STEP_MINUTES;
const { expect, end } = findings();
const house = await install();
const { db } = await import("@/data/database/connection");
const { business, job, letter, visit, stop, person } = await import("@/data/schema");
await db().update(business).set({ letterWay: "by-itself", letterHour: null });
await Promise.all([house.web.start(), house.jobs.start()]);
const [ines] = await db().select().from(person).where(eq(person.name, "Ines Calder"));
const today = new Date().toISOString().slice(0, 10);
const visits = await db()
  .select({ id: visit.id })
  .from(visit)
  .innerJoin(stop, eq(stop.id, visit.stopId))
  .where(and(eq(stop.personId, ines?.id ?? ""), eq(visit.onDate, today), eq(visit.state, "planned")));
const phone = await house.phone("Ines");
for (const { id } of visits) await phone.visit(id);
const waiting = () =>
  db()
    .select()
    .from(job)
    .where(and(eq(job.kind, "mail"), isNull(job.doneAt)));
const made = async () => {
  await letLeave();
  return (await waiting()).some((j) => j.attempts > 0);
};
expect(await until(made, 90), "letters wait for their mail server");
for (let step = 0; step < STEPS; step++) {
  await db().execute(
    sql`update job set run_at = run_at - interval ${STEP_MINUTES} minute, lease_until = lease_until - interval ${STEP_MINUTES} minute where done_at is null`,
  );
  await wait(400);
}
const after = await waiting();
const givenUp = await db().select().from(job).where(isNotNull(job.failedAt));
expect(after.length > 0 && givenUp.length === 0, `none was given up in a day, ${after.length} wait on`);
expect(Math.max(...after.map((j) => j.attempts)) > STEPS / 3, "they were tried all day");
await house.mailServer.start();
await db().execute(sql`update job set run_at = run_at - interval 1 hour where done_at is null`);
expect(await until(async () => (await waiting()).length === 0, 60), "all of them left once it was back");
const ids = (await house.mails()).map((m) => m.messageId).filter((id) => id.startsWith("<letter-"));
const sent = await db()
  .select({ id: letter.id })
  .from(letter)
  .where(and(isNotNull(letter.sentAt), sql`${letter.sentAt} > now() - interval 1 hour`));
expect(ids.length > 0 && ids.length === new Set(ids).size, `${ids.length} letters arrived, each once`);
expect(ids.length === sent.length, "what is said to be sent is what arrived");
await house.end();
end();
