import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { parseArgs } from "node:util";
import { seeded } from "@keel-round/core/numeric";
import type { VisitOp } from "@keel-round/core/visit";
import { and, asc, eq, gte, isNotNull, isNull } from "drizzle-orm";
import { freePort, root, run, stopProcess } from "../tools/lib/system.mjs";
import logins from "../tools/seed/logins.json" with { type: "json" };
import { archiveOf, restore } from "./archives.ts";
import { badLine } from "./front.ts";
import { Phone } from "./phone.ts";
import { answers, database, type Part, program } from "./processes.ts";
import { badUploads } from "./uploads.ts";
import { verify } from "./verify.ts";

const { values } = parseArgs({
  options: { kills: { type: "string", default: "60" }, seed: { type: "string", default: String(Date.now() % 1e6) } },
});
const KILLS = Number(values.kills);
const SEED = Number(values.seed);
const TROUBLE = { refused: 0.05, cut: 0.05 };
/** A file of so many rows is brought in after so many kills. */
const [ROWS, EVERY_KILLS] = [60, 8];
/** An archive is brought into a business of its own after so many kills. */
const ARCHIVE_KILLS = 20;
/** Characters of what the parts said last that are shown where something failed. */
const LOGGED = 6000;
const SETTLE_MS = 120_000;

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
const random = seeded(SEED);
const began = Date.now();
const folder = mkdtempSync(join(tmpdir(), "keel-chaos-"));
/** What the parts say of their troubles. */
const log = join(folder, "parts.log");
const tsx = (script: string) => ["--import", "tsx", script];

const db0 = await database(folder);
const [webPort, smtp, outbox] = [await freePort(), await freePort(), await freePort()];
const line = badLine(webPort, TROUBLE, seeded(SEED + 1));
const frontPort = await freePort();
await new Promise<void>((resolve) => line.server.listen(frontPort, "127.0.0.1", resolve));
const address = `http://127.0.0.1:${frontPort}`;
const env: NodeJS.ProcessEnv = {
  ...process.env,
  NODE_ENV: "production",
  NEXT_TELEMETRY_DISABLED: "1",
  DATABASE_URL: db0.url("chaos"),
  PHOTO_FOLDER: join(folder, "photos"),
  BETTER_AUTH_URL: address,
  BETTER_AUTH_SECRET: "a-secret-for-chaos-0123456789abcdef0123",
  SMTP_URL: `smtp://127.0.0.1:${smtp}`,
  MAIL_SMTP_PORT: String(smtp),
  MAIL_HTTP_PORT: String(outbox),
  // Nobody waits half an hour for the letters of visits that are closed here.
  LETTER_WAIT_MINUTES: "0",
};
Object.assign(process.env, env);
// After the environment: these read it when they are loaded.
const { db } = await import("@/data/database/connection");
const { business, letter, person, stop, visit } = await import("@/data/schema");
const { queueLetter } = await import("@/data/letters/mail");
const { scopeOfUser } = await import("@/data/access/scope");
const { applyImport, checkImport, loadImport } = await import("@/data/transfer/imports");
const { stageFile } = await import("@/data/transfer/stage");

if ((await run(process.execPath, tsx("../tools/seed/run.ts"), { cwd: join(root, "web"), env })) !== 0) process.exit(1);
const { spawn } = await import("node:child_process");
const sink = spawn(process.execPath, tsx("src/main.ts"), {
  cwd: join(root, "stand-ins"),
  env,
  stdio: "ignore",
  detached: true,
});
const web = program(
  "web",
  [join(root, "node_modules/next/dist/bin/next"), "start", "-p", String(webPort)],
  env,
  log,
  () => answers(`http://127.0.0.1:${webPort}/sign-in`),
);
const jobs = program("jobs", tsx("jobs/run.tsx"), env, log, () => wait(1500));
await Promise.all([web.start(), jobs.start(), answers(`http://127.0.0.1:${outbox}`)]);

/** Tries until the database has answered: it is killed like everything else. */
async function sure<T>(ask: () => Promise<T>): Promise<T> {
  for (;;)
    try {
      return await ask();
    } catch (error) {
      if (typeof (error as { status?: unknown }).status === "number" && (error as { status: number }).status < 500)
        throw error;
      await wait(300);
    }
}

const [firm] = await sure(() => db().select().from(business));
const businessId = firm?.id ?? "";
const people = await sure(() => db().select().from(person).where(eq(person.businessId, businessId)));
const maud = await sure(() => scopeOfUser(people.find((p) => p.role === "office")?.userId ?? ""));
if (!maud) throw new Error("Nobody is in the office");

const today = new Date().toISOString().slice(0, 10);
const queue = await sure(() =>
  db()
    .select({ visitId: visit.id, personId: stop.personId })
    .from(visit)
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .where(and(eq(visit.businessId, businessId), eq(visit.state, "planned"), gte(visit.onDate, today)))
    .orderBy(asc(visit.onDate)),
);
const sentLetters = await sure(() => db().select({ id: letter.id }).from(letter).where(isNotNull(letter.sentAt)));
const leftBefore = new Set(sentLetters.map((l) => l.id));
const archive = await sure(() => archiveOf(maud));
const archivedTanks = (JSON.parse(archive) as { tables: { tank: unknown[] } }).tables.tank.length;
const restored: string[] = [];
const logs = new Map<string, readonly VisitOp[]>();
const files: { prefix: string; rows: number }[] = [];
const kills = { web: 0, jobs: 0, database: 0 };
let goesOn = true;

/** A technician's phone: one visit after another, as long as there are any. */
async function technician(name: string): Promise<void> {
  const login = logins.logins.find((l) => l.name === name);
  if (!login) throw new Error(`Nobody called ${name}`);
  const phone = new Phone(address, login, seeded(SEED + name.length));
  await phone.signIn();
  const personId = people.find((p) => p.name === name)?.id;
  for (const { visitId } of queue.filter((v) => v.personId === personId)) {
    if (!goesOn) return;
    logs.set(visitId, await phone.visit(visitId));
  }
}

/** The office: sends what was written, and brings files in. */
async function office(): Promise<void> {
  for (let n = 0; goesOn; n++) {
    const waiting = await sure(() =>
      db()
        .select({ id: letter.id })
        .from(letter)
        .where(and(eq(letter.businessId, businessId), isNull(letter.queuedAt))),
    );
    for (const l of waiting)
      await sure(() => queueLetter(maud as NonNullable<typeof maud>, l.id, new Date())).catch(refusedBefore);
    if (kills.web + kills.jobs + kills.database >= files.length * EVERY_KILLS) files.push(await bringIn(`Chaos ${n}`));
    await wait(500);
  }
}

/** Offices that begin, each with an archive of the first. */
async function beginners(): Promise<void> {
  const scope = maud as NonNullable<typeof maud>;
  while (goesOn) {
    if (kills.web + kills.jobs + kills.database >= restored.length * ARCHIVE_KILLS)
      restored.push((await restore(address, scope, archive, restored.length, seeded(SEED + 17), sure)).email);
    await wait(500);
  }
}

/** A try whose answer was lost may have been taken: the next one is refused for it. */
function refusedBefore(error: unknown): void {
  if ((error as { code?: string }).code !== "already-queued" && (error as { code?: string }).code !== "not-mailed")
    throw error;
}

async function bringIn(prefix: string): Promise<{ prefix: string; rows: number }> {
  const scope = maud as NonNullable<typeof maud>;
  const rows = Array.from(
    { length: ROWS },
    (_, i) => `${prefix} no ${i},Contact,a${i}@${prefix.replace(" ", "")}.example\n`,
  );
  const text = `Name,Contact,E-mail\n${rows.join("")}`;
  const { id } = await sure(() =>
    stageFile(
      scope,
      { kind: "client", fileName: `${prefix}.csv`, bytes: Readable.from([Buffer.from(text)]) },
      new Date(),
    ),
  );
  const state = async (wanted: readonly string[]) => {
    for (;;) {
      const file = await sure(() => loadImport(scope, id));
      if (wanted.includes(file.state)) return file;
      if (file.state === "failed") throw new Error(`The file ${prefix} failed: ${file.error}`);
      await wait(200);
    }
  };
  const staged = await state(["staged", "checking", "checked"]);
  if (staged.state === "staged")
    await sure(() =>
      checkImport(scope, id, { meanings: staged.meanings, style: staged.style, zone: staged.zone }),
    ).catch(inTheWrongState);
  await state(["checked"]);
  await sure(() => applyImport(scope, id, true)).catch(inTheWrongState);
  await state(["done"]);
  return { prefix, rows: ROWS };
}

/** It was taken the time before, and the answer was lost. */
function inTheWrongState(error: unknown): void {
  if ((error as { status?: number }).status !== 409) throw error;
}

/** Kills one part after another, at any moment, and starts it again. */
async function monkey(): Promise<void> {
  const parts: readonly Part[] = [web, web, jobs, jobs, db0];
  for (let n = 0; n < KILLS; n++) {
    await wait(200 + 1200 * random());
    const part = parts[Math.floor(random() * parts.length)] as Part;
    await part.kill();
    kills[part.name]++;
    await wait(600 * random());
    await part.start();
    if ((n + 1) % 25 === 0) console.log(`${n + 1} kills, ${logs.size} visits, ${line.seen.requests} requests`);
  }
}

const technicians = Promise.all(["Ines Calder", "Tobiah Renn"].map(technician));
const cookies = new Phone(
  address,
  logins.logins.find((l) => l.role === "office") as { email: string; password: string },
  random,
);
await cookies.signIn();
const uploads = badUploads(
  frontPort,
  () => cookies.signedIn,
  seeded(SEED + 9),
  () => goesOn,
);
const desk = office();
const begins = beginners();
await monkey();
goesOn = false;
const [, , sentBadly] = await Promise.all([technicians, desk, uploads, begins]);

const settledBy = Date.now() + SETTLE_MS;
let mails: { messageId: string }[] = [];
const promised = { businessId, logs, files, restored: { emails: restored, tanks: archivedTanks }, leftBefore };
let verdict = await verify({ ...promised, mails });
// What is at work is let finish: a lease of whoever was killed has to run out first.
while (Date.now() < settledBy) {
  mails = (await (await fetch(`http://127.0.0.1:${outbox}`)).json()) as typeof mails;
  verdict = await verify({ ...promised, mails });
  if (verdict.stuck.length === 0) break;
  await wait(1000);
}
const idle = Date.now();
const answered = (await fetch(`http://127.0.0.1:${webPort}/sign-in`)).status;
console.log(
  JSON.stringify(
    {
      seed: SEED,
      seconds: Math.round((Date.now() - began) / 1000),
      kills,
      visits: logs.size,
      entries: [...logs.values()].reduce((n, l) => n + l.length, 0),
      files: files.length,
      archives: restored.length,
      mails: mails.length,
      requests: line.seen.requests,
      "answered 502 on the way": line.seen.refused,
      "answers lost": line.seen.cut,
      "uploads cut": sentBadly.cut,
      "uploads stalled": sentBadly.stalled,
      lost: verdict.lost.length,
      doubled: verdict.doubled.length,
      stuck: verdict.stuck.length,
      "500s": line.seen.failed,
      "answers at the end": `${answered} in ${Date.now() - idle} ms`,
    },
    null,
    2,
  ),
);
for (const what of [
  ...verdict.lost.slice(0, 10),
  ...verdict.doubled.slice(0, 10),
  ...verdict.stuck.slice(0, 10),
  ...line.seen.failures,
])
  console.log(`  ${what}`);

if (line.seen.failed > 0) console.log(readFileSync(log, "utf8").slice(-LOGGED));
await Promise.all([web.stop(), jobs.stop(), stopProcess(sink)]);
line.server.close();
line.server.closeAllConnections();
await db0.stop();
rmSync(folder, { recursive: true, force: true });
process.exit(verdict.lost.length + verdict.doubled.length + verdict.stuck.length + line.seen.failed > 0 ? 1 : 0);
