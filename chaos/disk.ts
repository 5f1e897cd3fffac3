import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { and, asc, eq, gte } from "drizzle-orm";
import { findings, install, until, wait } from "./installation.ts";

// The disk of database and pictures fills up while a visit is logged: what is not kept is not acknowledged, what the phone has arrives once there is
// room again, and nothing is half written. Takes root: a disk of its own is a tmpfs.
const SIZE_MB = 700;
const folder = mkdtempSync(join(tmpdir(), "keel-disk-"));
const mounted = spawnSync("mount", ["-t", "tmpfs", "-o", `size=${SIZE_MB}m,mode=755`, "tmpfs", folder]);
if (mounted.status !== 0) {
  console.error("A disk of its own could not be mounted: run it as root.");
  process.exit(1);
}
const { expect, end } = findings();
const house = await install({ folder });
const { db, closeDatabase } = await import("@/data/database/connection");
const { operation, person, stop, visit } = await import("@/data/schema");
await house.mailServer.start();
await Promise.all([house.web.start(), house.jobs.start()]);
const phone = await house.phone("Ines");
const [ines] = await db().select().from(person).where(eq(person.name, "Ines Calder"));
const today = new Date().toISOString().slice(0, 10);
const visits = await db()
  .select({ id: visit.id })
  .from(visit)
  .innerJoin(stop, eq(stop.id, visit.stopId))
  .where(and(eq(stop.personId, ines?.id ?? ""), gte(visit.onDate, today), eq(visit.state, "planned")))
  .orderBy(asc(visit.onDate))
  .limit(12);
const [before = "", ...rest] = visits.map((v) => v.id);
const first = await phone.visit(before);
expect((await kept(before)) === first.length, "with room the log is taken");

const balloon = join(folder, "balloon");
/** Takes all the room there is. */
function fill(): void {
  spawnSync("dd", ["if=/dev/zero", `of=${balloon}`, "bs=1M"], { stdio: "ignore" });
}
fill();
expect(full(), "the disk is full");
// Entries go on, as large as they may be, until the database needs room that is not there.
let taken = 0;
let refused = 0;
const acknowledged: { visit: string; ops: number }[] = [];
const working = (async () => {
  for (const id of rest) {
    const ops = await phone.visit(id);
    acknowledged.push({ visit: id, ops: ops.length });
    taken += 1;
  }
})();
const ready = async () => (await fetch(`${house.address}/api/ready`).catch(() => null))?.status ?? 0;
await until(async () => taken === rest.length || (await ready()) === 503, 40);
if (taken < rest.length) refused = rest.length - taken;
console.log(`on the full disk ${taken} visits were taken, ${refused} had to wait`);
for (const { visit: id, ops } of acknowledged)
  expect((await keptSoon(id)) === ops, `what was acknowledged of ${id} is there`);
const live = await fetch(`${house.address}/api/live`);
expect(live.status === 200, "the application still answers");
rmSync(balloon);
// A database that ended for want of room is started anew, as its service does.
if (
  !(await fetch(`${house.address}/api/ready`).then(
    (a) => a.ok,
    () => false,
  ))
) {
  await house.database.kill().catch(goneAlready);
  await house.database.start();
}
expect(
  await Promise.race([working.then(() => true), wait(120_000).then(() => false)]),
  "with room again the rest is taken",
);
if (taken < rest.length)
  console.log(readFileSync(join(folder, "mariadb.log"), "utf8").slice(-1500), house.said().slice(-1500));
for (const { visit: id, ops } of acknowledged) expect((await kept(id)) === ops, `all of ${id} is there, once`);
await house.end().catch(async (error) => {
  await closeDatabase();
  // The folder itself is a mount: it goes below.
  if ((error as { code?: string }).code !== "EBUSY") throw error;
});
spawnSync("umount", ["-l", folder]);
rmSync(folder, { recursive: true, force: true });
end();

async function kept(visitId: string): Promise<number> {
  const rows = await db()
    .select({ opId: operation.opId })
    .from(operation)
    .where(and(eq(operation.visitId, visitId), eq(operation.status, "applied")));
  return rows.length;
}

/** A database that waits for room answers when it can. */
async function keptSoon(visitId: string): Promise<number> {
  return Promise.race([kept(visitId), wait(20_000).then(() => -1)]);
}

/** It had ended by itself. */
function goneAlready(error: unknown): void {
  if ((error as { code?: string }).code !== "ESRCH") throw error;
}

function full(): boolean {
  return (
    spawnSync("dd", ["if=/dev/zero", `of=${join(folder, "more")}`, "bs=64k", "count=1"], { stdio: "ignore" }).status !==
    0
  );
}
