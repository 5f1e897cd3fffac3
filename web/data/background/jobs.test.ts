import { Readable } from "node:stream";
import { addDays } from "@keel-round/core/calendar";
import { eq, sql } from "drizzle-orm";
import { beforeAll, beforeEach, describe, expect, test } from "vitest";
import { ownDatabase } from "../../../tools/testing/ownDatabase.ts";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { newId } from "../database/ids";
import { HORIZON_DAYS, layOut } from "../round/layOut";
import { business, job, stop } from "../schema";
import { checkImport, loadImport } from "../transfer/imports";
import { stageFile } from "../transfer/stage";
import {
  claimJob,
  countGivenUp,
  failJob,
  finishJob,
  type Job,
  type JobKind,
  listGivenUp,
  renewJob,
  tryAgain,
} from "./jobs";

let businessId: string;
let today: string;
beforeAll(async () => {
  // Whoever claims a job claims any firm's.
  await ownDatabase("jobs");
  ({ businessId, today } = await demoBusiness());
  await db().delete(job);
});

/** As if so many seconds had passed for every job. */
const pass = (seconds: number) =>
  db().execute(
    sql`update job set run_at = run_at - interval ${seconds} second, lease_until = lease_until - interval ${seconds} second`,
  );
const put = (kind: JobKind, payload: Job["payload"]) => enqueue(db(), businessId, kind, payload);
const claimed = async (owner: string): Promise<Job> => {
  const got = await claimJob(owner);
  if (!got) throw new Error("not claimed");
  return got;
};

describe("jobs", () => {
  beforeEach(async () => {
    await db().delete(job);
  });
  test("one process gets a job, another one only after the lease ran out", async () => {
    await put("mail", { letterId: "x" });
    const claims = await Promise.all([claimJob("a"), claimJob("b"), claimJob("c")]);
    expect(claims.filter(Boolean)).toHaveLength(1);
    await pass(30);
    expect(await claimJob("b")).toBeNull();
    await pass(31);
    const again = await claimed("b");
    expect(again.attempts).toBe(2);
    expect(await finishJob(again)).toBe(true);
    await pass(600);
    expect(await claimJob("c")).toBeNull();
  });
  test("one that takes longer keeps its lease by renewing it, and only who holds it can", async () => {
    await put("import-check", { importId: "z" });
    const mine = await claimed("a");
    await pass(50);
    expect(await renewJob(mine)).toBe(true);
    await pass(40);
    expect(await claimJob("b")).toBeNull();
    expect(await renewJob({ ...mine, owner: "b" })).toBe(false);
    await pass(21);
    const theirs = await claimed("b");
    expect(theirs.id).toBe(mine.id);
    // Whoever lost it can neither finish it nor give it back.
    expect(await finishJob(mine)).toBe(false);
    expect(await failJob(mine, "too slow")).toBe(false);
    expect(await renewJob(theirs)).toBe(true);
    expect(await finishJob(theirs)).toBe(true);
  });
  test("a failed one comes back later, and is given up with its error after six tries", async () => {
    await put("letter", { stopId: "y" });
    for (let i = 0; i < 6; i++) {
      const got = await claimed("a");
      expect(got.attempts).toBe(i + 1);
      expect(await failJob(got, "no paper")).toBe(i === 5);
      expect(await claimJob("a")).toBeNull();
      await pass(3600);
    }
    expect(await claimJob("a")).toBeNull();
    expect((await db().select().from(job))[0]).toMatchObject({ error: "no paper", failedAt: expect.any(Date) });
  });
  test("a mail server that is away for a day is asked again all day", async () => {
    await put("mail", { letterId: "y" });
    let tries = 0;
    for (let minutes = 0; minutes < 24 * 60; minutes += 5) {
      const got = await claimJob("a");
      if (got) {
        tries += 1;
        expect(await failJob(got, "connection refused")).toBe(false);
      }
      await pass(300);
    }
    // A quarter of an hour apart at most.
    expect(tries).toBeGreaterThan(90);
    expect(await claimed("a")).toMatchObject({ kind: "mail" });
  }, 60_000);
});

describe("work that was given up", () => {
  let maud: Scope;
  beforeEach(async () => {
    maud = await scopeOf(businessId, "Maud");
    await db().delete(job);
  });
  const giveUp = async (kind: JobKind, payload: Job["payload"], error: string) => {
    await put(kind, payload);
    for (let i = 0; i < 6; i++) {
      await failJob(await claimed("a"), error);
      await pass(3600);
    }
  };
  test("is listed with its reason, counted, and tried again from the start", async () => {
    await giveUp("letter", { stopId: newId() }, "The letter has no page.");
    expect(await countGivenUp(maud)).toBe(1);
    const [stuck] = await listGivenUp(maud);
    expect(stuck).toMatchObject({ kind: "letter", error: "The letter has no page.", attempts: 6 });
    await tryAgain(maud, stuck?.id ?? "");
    expect(await countGivenUp(maud)).toBe(0);
    expect(await claimed("b")).toMatchObject({ id: stuck?.id, attempts: 1 });
    await expect(tryAgain(maud, stuck?.id ?? "")).rejects.toMatchObject({ code: "not-found" });
  });
  test("of a file says so at the file, and goes on where it was", async () => {
    const csv = Readable.from([Buffer.from("Name,Contact,E-mail\nHeron Row,Mr. Reed,reed@heron.example\n")]);
    const { id } = await stageFile(maud, { kind: "client", fileName: "heron.csv", bytes: csv }, new Date());
    const file = await loadImport(maud, id);
    await checkImport(maud, id, { meanings: file.meanings, style: file.style, zone: null });
    for (let i = 0; i < 6; i++) {
      await failJob(await claimed("a"), "The disk is full.");
      await pass(3600);
    }
    expect(await loadImport(maud, id)).toMatchObject({ state: "failed", error: "The disk is full." });
    const [stuck] = await listGivenUp(maud);
    expect(stuck).toMatchObject({ about: "heron.csv", importId: id });
    await tryAgain(maud, stuck?.id ?? "");
    expect((await loadImport(maud, id)).state).toBe("checking");
  });
  test("of a file that somebody checks anew is no longer told", async () => {
    const csv = Readable.from([Buffer.from("Name,Contact,E-mail\nEgret Row,Mr. Reed,reed@egret.example\n")]);
    const { id } = await stageFile(maud, { kind: "client", fileName: "egret.csv", bytes: csv }, new Date());
    const file = await loadImport(maud, id);
    const check = () => checkImport(maud, id, { meanings: file.meanings, style: file.style, zone: null });
    await check();
    for (let i = 0; i < 6; i++) {
      await failJob(await claimed("a"), "The disk is full.");
      await pass(3600);
    }
    await check();
    expect(await countGivenUp(maud)).toBe(0);
  });
  test("is nobody else's", async () => {
    await giveUp("letter", { stopId: newId() }, "no");
    const [stuck] = await listGivenUp(maud);
    const stranger = { ...maud, businessId: newId() };
    expect(await listGivenUp(stranger)).toEqual([]);
    await expect(tryAgain(stranger, stuck?.id ?? "")).rejects.toMatchObject({ code: "not-found" });
  });
});

describe("stops are laid out", () => {
  test("once, however often and at once, up to the horizon", async () => {
    const count = async () =>
      (await db().select({ id: stop.id }).from(stop).where(eq(stop.businessId, businessId))).length;
    const before = await count();
    await db()
      .update(business)
      .set({ laidOutTo: addDays(today, HORIZON_DAYS - 14) })
      .where(eq(business.id, businessId));
    await Promise.all([layOut(businessId, today), layOut(businessId, today)]);
    expect(await count()).toBe(before);
    await layOut(businessId, addDays(today, 7));
    expect(await count()).toBeGreaterThan(before);
  });
});
