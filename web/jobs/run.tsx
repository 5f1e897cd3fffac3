import { hostname } from "node:os";
import { civilOf } from "@keel-round/core/calendar";
import nodemailer from "nodemailer";
import { makeEntry } from "@/data/access/entry";
import { plainError } from "@/data/access/plainError";
import { whenOf } from "@/data/access/when";
import { claimJob, failJob, finishJob, type Job, renewJob } from "@/data/background/jobs";
import { db } from "@/data/database/connection";
import { driverError, isBusy } from "@/data/database/transaction";
import { fillKinds } from "@/data/desk/kinds";
import { fillEntries } from "@/data/find/entries";
import { keepSet, letterToSet } from "@/data/letters/edit";
import { paperImages } from "@/data/letters/images";
import { letterContent, letterToken, storeLetter } from "@/data/letters/letters";
import { letterMail, noteMail, sendByItself } from "@/data/letters/mail";
import { fillJobs } from "@/data/library/firmJobs";
import { noteNotice, noticeMail } from "@/data/notices/notices";
import { toldMail } from "@/data/owner/told";
import { sweep } from "@/data/photos/sweep";
import { keepTimes, sweepSignIns } from "@/data/privacy/retention";
import { layAll } from "@/data/programme/layJobs";
import { refreshPaces } from "@/data/programme/paces";
import { ringNow } from "@/data/push/push";
import { layOut } from "@/data/round/layOut";
import { refreshRoads } from "@/data/round/roads";
import { business } from "@/data/schema";
import { noteOrder, orderMail } from "@/data/stores/orders";
import { refreshDay } from "@/data/tanks/status";
import { importScope, runImport } from "@/data/transfer/imports";
import { renderLetter } from "@/places/letters/render";
import { keptPdf } from "@/places/letters/render/pdf";
import { entryMessage } from "./entryMessage";
import { letterMessage } from "./message";
import { noticeMessage } from "./noticeMessage";
import { orderMessage } from "./orderMessage";
import { reports } from "./reports";
import { toldMessage } from "./toldMessage";

const IDLE_MS = 500;
const RENEW_MS = 20_000;
const DAILY_CHECK_MS = 10 * 60_000;
/** A database that is away is asked for at least this often. */
const LONGEST_WAIT_MS = 20_000;
const owner = `${hostname()}:${process.pid}`;

function setting(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set. Start the application with \`npm run demo\`.`);
  return value;
}

async function makeLetter(job: Job): Promise<void> {
  const { stopId } = job.payload;
  if (job.payload.letterId) return setLetter(job.businessId, job.payload.letterId);
  if (!stopId) return;
  const content = await letterContent(job.businessId, stopId);
  // Another tank of the stop is still open; its closing asks again.
  if (!content) return;
  const rendered = await renderLetter(content, await paperImages(job.businessId));
  const letterId = await storeLetter(job.businessId, stopId, content, rendered, new Date());
  if (letterId) await sendByItself(job.businessId, letterId, new Date());
}

/** Sets a letter that somebody worded anew. */
async function setLetter(businessId: string, letterId: string): Promise<void> {
  const row = await letterToSet(businessId, letterId);
  if (row?.content) await keepSet(row, await renderLetter(row.content, await paperImages(businessId, row.content)));
}

async function mailOut(message: object): Promise<void> {
  const transport = nodemailer.createTransport({
    url: setting("SMTP_URL"),
    connectionTimeout: 5_000,
    greetingTimeout: 5_000,
    socketTimeout: 10_000,
  } as never);
  try {
    await transport.sendMail(message);
  } finally {
    transport.close();
  }
}

/** The database's clock says when work is due; this process's may be behind it. */
const CLOCKS_APART_MS = 90_000;

async function sendMail(job: Job): Promise<void> {
  const mail = job.payload.letterId ? await letterMail(job.businessId, job.payload.letterId) : null;
  // Called back, or queued anew for later: its time has not come.
  const { queuedAt } = mail?.letter ?? {};
  if (!mail || mail.letter.sentAt || !queuedAt || queuedAt.getTime() > Date.now() + CLOCKS_APART_MS) return;
  const link = `${setting("BETTER_AUTH_URL")}/letter/${letterToken(mail.letter.id)}`;
  const pdf = await keptPdf(mail.letter);
  try {
    await mailOut(letterMessage({ ...mail, letter: { ...mail.letter, pdf } }, link));
    await noteMail(mail.letter.id, { sentAt: new Date() });
  } catch (error) {
    const sendError = error instanceof Error ? error.message : String(error);
    const refused = isRefused(error);
    await noteMail(mail.letter.id, { sendError, ...(refused ? { returnedAt: new Date() } : {}) });
    // It would be refused again: somebody has to look at the address.
    if (!refused) throw error;
  }
}

/** Whether a mail server refused an address for good (RFC 5321: 550 to 559), and not only for now. */
function isRefused(error: unknown): boolean {
  const code = (error as { responseCode?: unknown }).responseCode;
  return typeof code === "number" && code >= 550 && code <= 559;
}

async function sendNotice(job: Job): Promise<void> {
  const { noticeId } = job.payload;
  const mail = noticeId ? await noticeMail(noticeId, new Date(Date.now() + CLOCKS_APART_MS)) : null;
  if (!noticeId || !mail) return;
  try {
    await mailOut(noticeMessage(mail));
    await noteNotice(noticeId, { sentAt: new Date() });
  } catch (error) {
    await noteNotice(noticeId, { sendError: error instanceof Error ? error.message : String(error) });
    throw error;
  }
}

async function sendTold(job: Job): Promise<void> {
  const { findingId } = job.payload;
  const mail = findingId ? await toldMail(findingId, new Date()) : null;
  if (mail && mail.to.length > 0) await mailOut(toldMessage(mail, setting("BETTER_AUTH_URL")));
}

async function sendOrder({ businessId, payload: { orderId } }: Job): Promise<void> {
  const mail = orderId ? await orderMail(businessId, orderId) : null;
  if (!orderId || !mail) return;
  try {
    await mailOut(orderMessage(mail));
    await noteOrder(businessId, orderId, { sentAt: new Date(), sendError: null });
  } catch (error) {
    await noteOrder(businessId, orderId, { sendError: error instanceof Error ? error.message : String(error) });
    throw error;
  }
}

async function sendEntry(job: Job): Promise<void> {
  const entry = job.payload.userId ? await makeEntry(job.payload.userId) : null;
  if (entry) await mailOut(entryMessage(entry, setting("BETTER_AUTH_URL")));
}

async function workOnImport(job: Job, work: "check" | "apply"): Promise<void> {
  const { importId } = job.payload;
  const scope = importId ? await importScope(importId) : null;
  if (importId && scope) await runImport(scope, importId, work, whenOf(scope));
}

const WORK: Readonly<Record<Job["kind"], (job: Job) => Promise<void>>> = {
  letter: makeLetter,
  mail: sendMail,
  entry: sendEntry,
  "import-check": (job) => workOnImport(job, "check"),
  "import-apply": (job) => workOnImport(job, "apply"),
  ring: (job) => ringNow(job, new Date()),
  notice: sendNotice,
  order: sendOrder,
  told: sendTold,
  report: ({ businessId, payload: { runId } }) => (runId ? reports(businessId, runId) : Promise.resolve()),
};

/** What is due once in a while for one firm. */
async function upkeep(firm: typeof business.$inferSelect): Promise<void> {
  const today = civilOf(Date.now(), firm.zone).date;
  await layOut(firm.id, today);
  await fillKinds(db(), firm.id);
  await fillJobs(db(), firm.id);
  await fillEntries(firm.id);
  await refreshPaces(firm.id);
  await refreshRoads(firm.id, new Date());
  await keepTimes(firm.id, new Date());
  if ((await refreshDay(firm.id, today)) > 0) await layAll(firm.id, today);
}

/** One firm's trouble is its own: the others get their turn. */
async function daily(): Promise<void> {
  for (const firm of await db().select().from(business))
    try {
      await upkeep(firm);
    } catch (error) {
      if (isBusy(error)) throw error;
      console.error(`jobs: the daily work of ${firm.id}:`, plainError(error));
    }
  await sweepSignIns(new Date());
  await sweep();
}

const said = (error: unknown): string => {
  const plain = plainError(error);
  return plain instanceof Error ? plain.message : String(plain);
};

/** Does one piece of work; false where there is none. */
async function workOnce(): Promise<boolean> {
  const job = await claimJob(owner);
  if (!job) return false;
  const renewal = setInterval(() => {
    renewJob(job).catch((error) => console.error("jobs: a lease was not renewed:", plainError(error)));
  }, RENEW_MS);
  try {
    await WORK[job.kind](job);
    await finishJob(job);
  } catch (error) {
    // The database went away: the lease runs out, and the work is tried again once it is there.
    if (isBusy(error)) throw error;
    console.error(`jobs: ${job.kind} ${job.id}, attempt ${job.attempts}:`, plainError(error));
    await failJob(job, said(error));
  } finally {
    clearInterval(renewal);
  }
  return true;
}

async function main(): Promise<void> {
  let running = true;
  let wake: (() => void) | undefined;
  const wait = (ms: number) =>
    new Promise<void>((resolve) => {
      wake = resolve;
      setTimeout(resolve, ms);
    });
  for (const signal of ["SIGTERM", "SIGINT"] as const)
    process.on(signal, () => {
      running = false;
      wake?.();
    });

  let nextDaily = 0;
  let failures = 0;
  console.log("jobs: ready");
  while (running)
    try {
      if (Date.now() >= nextDaily) {
        await daily();
        nextDaily = Date.now() + DAILY_CHECK_MS;
      }
      const worked = await workOnce();
      if (failures > 0) console.log("jobs: the database is there again");
      failures = 0;
      if (!worked) await wait(IDLE_MS);
    } catch (error) {
      if (!isBusy(error)) throw error;
      failures += 1;
      if (failures === 1)
        console.error("jobs: waiting for the database:", driverError(error)?.code ?? "every connection is in use");
      await wait(Math.min(LONGEST_WAIT_MS, IDLE_MS * 2 ** failures) * (0.5 + Math.random() / 2));
    }
  process.exit(0);
}

await main();
