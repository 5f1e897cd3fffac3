import { chmodSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { seeded } from "@keel-round/core/numeric";
import type { VisitOp } from "@keel-round/core/visit";
import { and, asc, eq, gte, isNotNull } from "drizzle-orm";
import { v7 } from "uuid";
import { CLUSTER_PROGRAMS, haproxy, startCluster } from "../tools/lib/cluster.mjs";
import { ensurePrograms, freePort, guard, root, run, stopProcess } from "../tools/lib/system.mjs";
import logins from "../tools/seed/logins.json" with { type: "json" };
import { Phone } from "./phone.ts";
import { answers, type Part, program } from "./processes.ts";
import { verify } from "./verify.ts";

// Three nodes of the database, two web and two jobs processes, each killed in turn while visits are logged: what was acknowledged and is gone,
// and how long nobody could write.
const { values } = parseArgs({ options: { rounds: { type: "string", default: "3" } } });
const ROUNDS = Number(values.rounds);
/** Between a kill and the start after it, and until the next kill. */
const [DOWN_MS, UP_MS] = [4000, 6000];
/** So often somebody writes. */
const EVERY_MS = 100;
/** The longest that nobody may be able to write. */
const MOST_GAP_MS = 5000;
const SETTLE_MS = 120_000;

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
const folder = mkdtempSync(join(tmpdir(), "keel-cluster-"));
chmodSync(folder, 0o755);
const log = join(folder, "parts.log");
const tsx = (script: string) => ["--import", "tsx", script];
ensurePrograms(CLUSTER_PROGRAMS);
const cluster = await startCluster(join(folder, "nodes"));
const [frontPort, webA, webB, smtp, outbox] = await Promise.all([1, 2, 3, 4, 5].map(freePort));
const address = `http://127.0.0.1:${frontPort}`;
const env: NodeJS.ProcessEnv = {
  ...process.env,
  NODE_ENV: "production",
  NEXT_TELEMETRY_DISABLED: "1",
  DATABASE_URL: cluster.url("chaos"),
  PHOTO_FOLDER: join(folder, "photos"),
  BETTER_AUTH_URL: address,
  BETTER_AUTH_SECRET: "a-secret-for-chaos-0123456789abcdef0123",
  TRUSTED_PROXIES: "1",
  SMTP_URL: `smtp://127.0.0.1:${smtp}`,
  MAIL_SMTP_PORT: String(smtp),
  MAIL_HTTP_PORT: String(outbox),
  LETTER_WAIT_MINUTES: "0",
};
Object.assign(process.env, env);
// After the environment: these read it when they are loaded.
const { db } = await import("@/data/database/connection");
const { business, letter, operation, person, stop, visit } = await import("@/data/schema");

if ((await run(process.execPath, tsx("../tools/seed/run.ts"), { cwd: join(root, "web"), env })) !== 0) process.exit(1);
const { spawn } = await import("node:child_process");
const sink = spawn(process.execPath, tsx("src/main.ts"), {
  ...{ cwd: join(root, "stand-ins"), env, stdio: "ignore", detached: true },
});
guard(sink);
const next = join(root, "node_modules/next/dist/bin/next");
const webs = [webA, webB].map((port) =>
  program("web", [next, "start", "-p", String(port), "-H", "127.0.0.1"], env, log, () =>
    answers(`http://127.0.0.1:${port}/api/live`),
  ),
);
const jobs = [1, 2].map(() => program("jobs", tsx("jobs/run.tsx"), env, log, () => wait(1500)));
const nodes: readonly Part<"writer" | "node">[] = [1, 2, 3].map((i) => ({
  name: i === 1 ? ("writer" as const) : ("node" as const),
  kill: () => cluster.kill(i),
  start: () => cluster.start(i),
  stop: async () => {},
}));
await Promise.all([...webs, ...jobs].map((part) => part.start()));
const front = haproxy("haproxy-web.cfg", {
  FRONT: `127.0.0.1:${frontPort}`,
  WEB1: `127.0.0.1:${webA}`,
  WEB2: `127.0.0.1:${webB}`,
});
await answers(`${address}/sign-in`);

const [firm] = await db().select().from(business);
// Letters leave by themselves, so that both jobs processes have work.
await db().update(business).set({ letterWay: "by-itself", letterHour: null });
const businessId = firm?.id ?? "";
const people = await db().select().from(person).where(eq(person.businessId, businessId));
const today = new Date().toISOString().slice(0, 10);
const queue = await db()
  .select({ visitId: visit.id, personId: stop.personId })
  .from(visit)
  .innerJoin(stop, eq(stop.id, visit.stopId))
  .where(and(eq(visit.businessId, businessId), eq(visit.state, "planned"), gte(visit.onDate, today)))
  .orderBy(asc(visit.onDate));
const sent = await db().select({ id: letter.id }).from(letter).where(isNotNull(letter.sentAt));
const leftBefore = new Set(sent.map((l) => l.id));
const logs = new Map<string, readonly VisitOp[]>();
let goesOn = true;

async function technician(name: string): Promise<void> {
  const login = logins.logins.find((l) => l.name === name);
  if (!login) throw new Error(`Nobody called ${name}`);
  const phone = new Phone(address, login, seeded(name.length));
  await phone.signIn();
  const personId = people.find((p) => p.name === name)?.id;
  // The last visit is the prober's.
  for (const { visitId } of queue.filter((v) => v.personId === personId).slice(0, -1)) {
    if (!goesOn) return;
    logs.set(visitId, await phone.visit(visitId));
  }
}

interface Written {
  readonly at: number;
  readonly ok: boolean;
}
const written: Written[] = [];
/** Entries of the prober that were taken and are gone. */
let probed = 0;

/** Somebody who writes all the time, one entry after another, and says when it was taken. */
async function prober(): Promise<void> {
  const login = logins.logins.find((l) => l.role === "office") as { email: string; password: string };
  const phone = new Phone(address, login, seeded(7));
  await phone.signIn();
  const visitId = queue.findLast((v) => v.personId === people.find((p) => p.name === "Ines Calder")?.id)?.visitId;
  const device = v7();
  const ops: VisitOp[] = [];
  const op = (body: VisitOp["body"]): VisitOp => ({
    ...{ opId: v7(), device, seq: ops.length + 1, at: new Date().toISOString(), body },
  });
  ops.push(op({ type: "start" }));
  for (let taken = 0; goesOn; ) {
    const answer = await phone.ask(`/api/visits/${visitId}/operations`, { ops: [ops[taken]] });
    const said = answer?.status === 200 ? ((await answer.json()) as { results: { result: string }[] }) : null;
    const ok = said !== null && ["applied", "already"].includes(said.results[0]?.result ?? "");
    if (said && !ok) throw new Error(`The prober was refused: ${JSON.stringify(said.results[0])}`);
    written.push({ at: Date.now(), ok });
    if (ok) {
      taken += 1;
      ops.push(op({ type: "note", id: v7(), text: `entry ${taken}` }));
    }
    await wait(EVERY_MS);
  }
  probed = await missing(String(visitId), ops.slice(0, -1));
}

/** Of a log that was taken, how many entries are not there. */
async function missing(visitId: string, taken: readonly VisitOp[]): Promise<number> {
  const kept = await db().select({ opId: operation.opId }).from(operation).where(eq(operation.visitId, visitId));
  const there = new Set(kept.map((o) => o.opId));
  return taken.filter((o) => !there.has(o.opId)).length;
}

/** The longest time after an instant in which nothing was taken. */
const gapAfter = (since: number): number => {
  const ok = written.filter((w) => w.ok).map((w) => w.at);
  let longest = 0;
  for (let i = 1; i < ok.length; i++)
    if ((ok[i] as number) >= since)
      longest = Math.max(longest, (ok[i] as number) - Math.max(ok[i - 1] as number, since));
  return longest;
};

const work = Promise.all(["Ines Calder", "Tobiah Renn"].map(technician));
const probing = prober();
await wait(2000);
const gaps: { part: string; ms: number }[] = [];
for (let round = 0; round < ROUNDS; round++)
  for (const part of [...nodes, ...webs, ...jobs]) {
    const since = Date.now();
    await part.kill();
    await wait(DOWN_MS);
    await part.start();
    await wait(UP_MS);
    gaps.push({ part: part.name, ms: gapAfter(since) });
  }
goesOn = false;
await Promise.all([work, probing]);

const promised = { businessId, logs, files: [], restored: { emails: [], tanks: 0 }, leftBefore };
let mails: { messageId: string }[] = [];
let verdict = await verify({ ...promised, mails });
for (const until = Date.now() + SETTLE_MS; Date.now() < until; await wait(1000)) {
  mails = (await (await fetch(`http://127.0.0.1:${outbox}`)).json()) as typeof mails;
  verdict = await verify({ ...promised, mails });
  if (verdict.stuck.length === 0) break;
}
const longest = Object.fromEntries(
  ["writer", "node", "web", "jobs"].map((name) => [
    name,
    Math.max(...gaps.filter((g) => g.part === name).map((g) => g.ms)),
  ]),
);
console.log(
  JSON.stringify(
    {
      kills: gaps.length,
      visits: logs.size,
      entries: [...logs.values()].reduce((n, l) => n + l.length, 0),
      "not taken and sent again": written.filter((w) => !w.ok).length,
      "longest without a write, ms": longest,
      mails: mails.length,
      ...{ lost: verdict.lost.length + probed, doubled: verdict.doubled.length, stuck: verdict.stuck.length },
    },
    null,
    2,
  ),
);
for (const what of [...verdict.lost, ...verdict.doubled, ...verdict.stuck].slice(0, 10)) console.log(`  ${what}`);
await Promise.all([...webs, ...jobs].map((part) => part.stop()));
await Promise.all([stopProcess(front), stopProcess(sink)]);
const { closeDatabase } = await import("@/data/database/connection");
await closeDatabase();
await cluster.stop();
rmSync(folder, { recursive: true, force: true });
const held =
  probed + verdict.lost.length + verdict.doubled.length + verdict.stuck.length === 0 &&
  Object.values(longest).every((ms) => ms <= MOST_GAP_MS);
process.exit(held ? 0 : 1);
