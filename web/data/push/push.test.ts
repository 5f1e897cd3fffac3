import { createECDH } from "node:crypto";
import { readFileSync } from "node:fs";
import { request } from "node:https";
import { eq } from "drizzle-orm";
import { afterAll, afterEach, beforeAll, describe, expect, test, vi } from "vitest";
import { startPushSink } from "../../../stand-ins/src/pushSink.ts";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { job, pushSubscription } from "../schema";
import { dropRing, pushKey, ringNow, setRing, subscribe } from "./push";

let ines: Scope;
let visitId: string;
let sink: Awaited<ReturnType<typeof startPushSink>>;
const NOW = new Date("2026-11-29T10:00:00Z");
const ENDS = "2026-11-29T10:07:00.000Z";
const clock = (id: string) => ({ id, label: "Drain to the line", tank: "Reef", visitId, endsAt: ENDS });

/** What the stand-in says, trusted by its own certificate. */
const asked = <T>(method: string, path: string): Promise<T> =>
  new Promise((resolve, reject) => {
    const call = request(`${sink.url}${path}`, { method, ca: readFileSync(sink.ca) }, (answer) => {
      let text = "";
      answer.on("data", (part) => {
        text += String(part);
      });
      answer.on("end", () => resolve((text === "" ? null : JSON.parse(text)) as T));
    });
    call.on("error", reject);
    call.end();
  });
type Given = Parameters<typeof subscribe>[1];
const browser = () => asked<Given>("POST", "/browsers");
const rung = (of: Given) => asked<unknown[]>("GET", `/browsers/${of.endpoint.split("/").at(-1)}`);
const jobs = async () =>
  (await db().select().from(job).where(eq(job.kind, "ring"))).filter((j) => j.businessId === ines.businessId);
const mine = () => db().select().from(pushSubscription).where(eq(pushSubscription.personId, ines.personId));

beforeAll(async () => {
  const { businessId, today } = await demoBusiness();
  ines = await scopeOf(businessId, "Ines");
  visitId = (await visitsOf(businessId, "Ilves Dental", today))[0]?.visitId ?? "";
  sink = await startPushSink(0);
  const pair = createECDH("prime256v1");
  pair.generateKeys();
  vi.stubEnv("VAPID_PUBLIC_KEY", pair.getPublicKey("base64url"));
  vi.stubEnv("VAPID_PRIVATE_KEY", pair.getPrivateKey("base64url"));
  vi.stubEnv("VAPID_SUBJECT", "mailto:office@calder-renn.example");
  vi.stubEnv("PUSH_HOSTS", "localhost");
  vi.stubEnv("PUSH_CA", sink.ca);
});
afterEach(async () => {
  await db().delete(job).where(eq(job.kind, "ring"));
  await db().delete(pushSubscription).where(eq(pushSubscription.personId, ines.personId));
});
afterAll(async () => {
  vi.unstubAllEnvs();
  await sink.stop();
});

describe("a clock that ends", () => {
  test("rings every browser of whoever started it, readable there alone", async () => {
    const [phone, tablet] = [await browser(), await browser()];
    await subscribe(ines, phone, NOW);
    await subscribe(ines, phone, NOW);
    await subscribe(ines, tablet, NOW);
    expect(await mine()).toHaveLength(2);
    await setRing(ines, clock("drain"), NOW);
    const [due] = await jobs();
    expect(due?.runAt.toISOString()).toBe(ENDS);
    if (due) await ringNow(due, new Date(ENDS));
    const said = [{ title: "Drain to the line: ended", body: "Reef", url: `/visit?visit=${visitId}` }];
    expect(await rung(phone)).toEqual(said);
    expect(await rung(tablet)).toEqual(said);
  });
  test("started anew rings once, at its new end; stopped, it rings nobody", async () => {
    await setRing(ines, clock("drain"), NOW);
    await setRing(ines, { ...clock("drain"), endsAt: "2026-11-29T10:20:00.000Z" }, NOW);
    expect((await jobs()).map((j) => j.runAt.toISOString())).toEqual(["2026-11-29T10:20:00.000Z"]);
    await dropRing(ines, "another");
    expect(await jobs()).toHaveLength(1);
    await dropRing(ines, "drain");
    expect(await jobs()).toEqual([]);
  });
  test("long ago frightens nobody", async () => {
    const phone = await browser();
    await subscribe(ines, phone, NOW);
    await setRing(ines, clock("drain"), NOW);
    const [due] = await jobs();
    if (due) await ringNow(due, new Date("2026-11-29T10:40:00Z"));
    expect(await rung(phone)).toEqual([]);
  });
  test("forgets a browser that is gone, and rings the others", async () => {
    const [gone, phone] = [await browser(), await browser()];
    await subscribe(ines, gone, NOW);
    await subscribe(ines, phone, NOW);
    await asked("DELETE", `/browsers/${gone.endpoint.split("/").at(-1)}`);
    await setRing(ines, clock("drain"), NOW);
    const [due] = await jobs();
    if (due) await ringNow(due, new Date(ENDS));
    expect((await mine()).map((s) => s.endpoint)).toEqual([phone.endpoint]);
    expect(await rung(phone)).toHaveLength(1);
  });
  test("is tried again while the service is away", async () => {
    const phone = await browser();
    await subscribe(ines, { ...phone, endpoint: phone.endpoint.replace(/:\d+/, ":9") }, NOW);
    await setRing(ines, clock("drain"), NOW);
    const [due] = await jobs();
    if (!due) throw new Error("No job");
    await expect(ringNow(due, new Date(ENDS))).rejects.toThrow();
    expect(await mine()).toHaveLength(1);
  });
});

describe("ringing", () => {
  test("is refused for a service that is not let in, and for a clock that ends after a day", async () => {
    const phone = await browser();
    for (const endpoint of ["https://169.254.169.254/x", "https://localhost.example/x", "https://10.0.0.1/ring"])
      await expect(subscribe(ines, { ...phone, endpoint }, NOW)).rejects.toMatchObject({ code: "other-service" });
    await expect(setRing(ines, { ...clock("x"), endsAt: "2026-12-24T00:00:00Z" }, NOW)).rejects.toMatchObject({
      code: "too-far",
    });
  });
  test("is off where nobody set it up, and says so", async () => {
    const phone = await browser();
    vi.stubEnv("PUSH_HOSTS", "");
    expect(pushKey()).toBeNull();
    await expect(subscribe(ines, phone, NOW)).rejects.toMatchObject({ code: "not-set-up" });
    vi.stubEnv("PUSH_HOSTS", "localhost");
    expect(pushKey()).not.toBeNull();
  });
});
