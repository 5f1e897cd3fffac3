import { addDays } from "@keel-round/core/calendar";
import { stepDoing } from "@keel-round/core/steps";
import { and, eq } from "drizzle-orm";
import { v7 } from "uuid";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { letterContent } from "../letters/letters";
import { finding, site, stop, tank, visit } from "../schema";
import { endTrouble, looksAgain, noteTrouble } from "./told";

let businessId: string;
let today: string;
let maud: Scope;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
});

const findingsOf = (visitId: string) =>
  db()
    .select()
    .from(finding)
    .where(and(eq(finding.businessId, businessId), eq(finding.visitId, visitId)))
    .orderBy(finding.dueOn);
const visitOf = (tankId: string, on: string) =>
  db()
    .select({ visit, stop })
    .from(visit)
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .where(and(eq(visit.businessId, businessId), eq(visit.tankId, tankId), eq(visit.onDate, on)));

/** A visit that finds a trouble and is closed. */
async function finds(siteName: string, trouble: "slime" | "fish-dead" | "hair-young" | "chlorine") {
  const [now] = await visitsOf(businessId, siteName, today);
  if (!now) throw new Error(`No visit at ${siteName}`);
  const { input, plan } = await planOf(businessId, now);
  const phone = new Phone(maud, now.visitId);
  const id = v7();
  await phone.say(
    { type: "start" },
    { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
    { type: "trouble", id, trouble, seen: ["slime-sheets"], unseen: ["bubble-strings"] },
    ...input.findings.map((f) => ({ type: "resolve", id: f.id, how: "fixed" }) as const),
    { type: "close" },
  );
  return { now, phone, id };
}

describe("a trouble that was found", () => {
  test("is looked at again: dated findings with their window, and the next visits ask for them in it and not before", async () => {
    const { now } = await finds("Ilves Dental", "slime");
    const [again] = await findingsOf(now.visitId);
    expect(again).toMatchObject({
      trouble: "slime",
      state: "carried",
      giveDays: 2,
      minutes: 10,
      text: "Slime bacteria",
    });
    expect(again?.dueOn).toBe(addDays(now.on, 7));
    const asked = async (on: string) => {
      const { input } = await planOf(businessId, { ...now, visitId: v7(), on });
      return input.findings.some((f) => f.id === again?.id);
    };
    expect([await asked(addDays(now.on, 4)), await asked(addDays(now.on, 5))]).toEqual([false, true]);
  });

  test("where nobody would come in time one more visit is planned, by whoever was there, and told in the site's history", async () => {
    const { now, phone, id } = await finds("Harrow & Pike", "fish-dead");
    const [again] = await findingsOf(now.visitId);
    const days = [1, 2, 3].map((n) => addDays(now.on, n));
    const planned = (await Promise.all(days.map((on) => visitOf(now.tankId, on)))).flat();
    expect(planned).toHaveLength(1);
    const [one] = planned;
    const [came] = await visitOf(now.tankId, now.on);
    expect(one?.stop.personId).toBe(came?.stop.personId);
    const { input, plan } = await planOf(businessId, {
      ...now,
      visitId: one?.visit.id ?? "",
      on: one?.visit.onDate ?? "",
    });
    expect(input.findings.map((f) => f.id)).toContain(again?.id);
    expect(plan.steps.find((s) => s.id === `finding:${again?.id}`)?.enters).toContainEqual({
      ...{ reading: "ammonia", needed: false },
    });
    // It was none: what it asked for goes with it.
    await phone.say({ type: "correct", why: "It was a shed skin", change: { type: "trouble-back", id } });
    expect(await findingsOf(now.visitId)).toEqual([]);
    expect((await Promise.all(days.map((on) => visitOf(now.tankId, on)))).flat()).toEqual([]);
  });

  test("said again by a lost answer it is there once; a stop that somebody skipped stays skipped", async () => {
    const { now, phone } = await finds("Customs House", "chlorine");
    const due = (await findingsOf(now.visitId))[0]?.dueOn ?? "";
    const before = await visitOf(now.tankId, due);
    await phone.say({ type: "correct", why: "Forgot to say", change: { type: "note", text: "Lid was open" } });
    expect(await visitOf(now.tankId, due)).toHaveLength(before.length);
    expect(await findingsOf(now.visitId)).toHaveLength(1);
  });

  test("on days when the site is closed none is planned, and the finding stands all the same", async () => {
    const [next] = await visitsOf(businessId, "Foundry Lofts", today);
    const [place] = await db().select().from(site).where(eq(site.name, "Foundry Lofts"));
    const closed = [1, 2, 3, 4].map((n) => addDays(next?.on ?? today, n));
    await db()
      .update(site)
      .set({ dates: closed.map((on) => ({ fromOn: on, untilOn: on, opensH: null, closesH: null, why: "closed" })) })
      .where(eq(site.id, place?.id ?? ""));
    const { now } = await finds("Foundry Lofts", "fish-dead");
    expect(await findingsOf(now.visitId)).toHaveLength(1);
    expect((await Promise.all(closed.map((on) => visitOf(now.tankId, on)))).flat()).toEqual([]);
  });

  test("is told to the owner: what it is, when it is looked at again, what they do until then", async () => {
    const { now } = await finds("Maritime College", "hair-young");
    const content = await letterContent(businessId, now.stopId);
    const text = JSON.stringify(content);
    expect(text).toContain("Hair algae of a young tank");
    expect(text).toMatch(/Lights two hours shorter/);
    expect(text).toMatch(/I look at it again about/);
  });
});

test("a visit before the window of a look is closed without it: nobody is asked for what is not due", async () => {
  const { now } = await finds("Ferry Street School", "hair-young");
  const later = (await visitsOf(businessId, "Ferry Street School", addDays(now.on, 1))).find(
    (v) => v.tankId === now.tankId,
  );
  if (!later) throw new Error("Plan a second visit at Ferry Street School in the demo");
  const { input } = await planOf(businessId, later);
  const phone = new Phone(maud, later.visitId);
  const answers = await phone.say(
    { type: "start" },
    ...input.findings.map((f) => ({ type: "resolve", id: f.id, how: "fixed" }) as const),
    { type: "close" },
  );
  expect(answers.at(-1)).toMatchObject({ result: "applied" });
  const open = (await findingsOf(now.visitId)).filter((f) => f.state === "carried");
  expect(open.map((f) => f.dueOn)).toContain(addDays(now.on, 28));
});

describe("a trouble that the office noted", () => {
  const when = () => ({ now: new Date(), today });

  test("is done on the next visit, and looked at again from there once it was seen to", async () => {
    const [now] = await visitsOf(businessId, "Ferry Street School", addDays(today, 1));
    if (!now) throw new Error("No visit at the school");
    const note = { tankId: now.tankId, trouble: "blocked-flow" as const };
    const { id } = await noteTrouble(maud, note, when());
    expect((await noteTrouble(maud, note, when())).id).toBe(id);
    const { input, plan } = await planOf(businessId, now);
    expect(input.troubles).toEqual([{ id, trouble: "blocked-flow" }]);
    // Measured where it is looked at again, and done as steps of their own.
    expect(stepDoing(plan.steps, "measure-flow")?.id).toBe(`finding:${id}`);
    expect(stepDoing(plan.steps, "clear-pump")).toBeDefined();
    const phone = new Phone(maud, now.visitId);
    await phone.say(
      { type: "start" },
      ...input.findings.map((f) => ({ type: "resolve", id: f.id, how: "fixed" }) as const),
      { type: "close" },
    );
    const again = (await looksAgain(maud, now.tankId)).find((l) => l.trouble === "blocked-flow");
    expect(again).toMatchObject({ dueOn: addDays(now.on, 14), giveDays: 7 });
    const then = await planOf(businessId, { ...now, visitId: v7(), on: addDays(now.on, 14) });
    expect(then.input.troubles ?? []).toEqual([]);
    expect(then.input.findings.map((f) => f.id)).toContain(again?.id);
  });

  test("is over by one press, and the stop that was planned for it goes with it", async () => {
    const [now] = await visitsOf(businessId, "Vale house", today);
    if (!now) throw new Error("No visit at the house");
    const { input } = await planOf(businessId, now);
    await new Phone(maud, now.visitId).say(
      { type: "start" },
      { type: "trouble", id: v7(), trouble: "leak", seen: ["wet-floor"], unseen: [] },
      ...input.findings.map((f) => ({ type: "resolve", id: f.id, how: "fixed" }) as const),
      { type: "close" },
    );
    const [look] = await looksAgain(maud, now.tankId);
    const stops = async () =>
      db()
        .select()
        .from(stop)
        .where(eq(stop.id, look?.id ?? ""));
    expect(await stops()).toHaveLength(1);
    const ended = { tankId: now.tankId, findingId: look?.id ?? "" };
    await endTrouble(maud, ended, when());
    expect(await stops()).toEqual([]);
    expect(await looksAgain(maud, now.tankId)).toEqual([]);
    await expect(endTrouble(maud, ended, when())).rejects.toMatchObject({ code: "not-found" });
  });
});

describe("a course of treatment that began on a visit", () => {
  const remedy = {
    ...{ id: v7(), name: "Slime treatment", group: "algae" as const, per100L: 10, unit: "mL" as const },
    ...{ labelPercent: null, bottlePercent: null, doses: 2, everyDays: 3, contactDays: 2, contactMinutes: null },
    ...{ harms: [], off: [], carbonOut: true, changeShare: 0.4, followUpDays: 4, prescription: false },
  };
  const factsOf = async (tankId: string) => (await db().select().from(tank).where(eq(tank.id, tankId)))[0]?.facts;

  test("is the tank's: its doses and its follow-up come with their stops, and go when it was none", async () => {
    const [now] = await visitsOf(businessId, "Town Museum", today);
    if (!now) throw new Error("No visit at the museum");
    const { input } = await planOf(businessId, now);
    const before = (await factsOf(now.tankId))?.treatment;
    const phone = new Phone(maud, now.visitId);
    const id = v7();
    await phone.say(
      { type: "start" },
      { type: "treat", id, remedy, litres: 400, on: now.on },
      ...input.findings.map((f) => ({ type: "resolve", id: f.id, how: "fixed" }) as const),
      { type: "close" },
    );
    expect((await factsOf(now.tankId))?.treatment).toMatchObject({
      ...{ id, name: "Slime treatment", litres: 400, followUpOn: addDays(now.on, 9) },
      doses: [0, 3].map((n) => ({ on: addDays(now.on, n), amount: 40, unit: "mL" })),
    });
    const looks = await findingsOf(now.visitId);
    // A dose is a step of its visit; what has to be answered is the follow-up.
    expect(looks.map((f) => [f.dueOn, f.giveDays, f.text])).toEqual([
      [addDays(now.on, 9), 2, "Follow-up of Slime treatment: look, test ammonia, change 40 %"],
    ]);
    // On the day of the second dose somebody comes, last of the day and with the tank's own kit.
    const [second] = await visitOf(now.tankId, addDays(now.on, 3));
    expect(second).toBeDefined();
    const then = await planOf(businessId, { ...now, visitId: second?.visit.id ?? "", on: addDays(now.on, 3) });
    expect(then.plan.steps.map((s) => s.id)).toContain("course:dose:2");
    expect(then.input.site.hygieneLast).toBe(true);
    // Once its days are over it stays the last of the day until somebody has answered the follow-up.
    const after = async () => {
      const [visit] = await visitsOf(businessId, "Town Museum", addDays(now.on, 10));
      return (await planOf(businessId, visit ?? expect.fail("no visit afterwards"))).input.site.hygieneLast;
    };
    expect(await after()).toBe(true);
    await db()
      .update(finding)
      .set({ state: "fixed" })
      .where(eq(finding.id, looks[0]?.id ?? ""));
    expect(await after()).toBe(false);
    await db()
      .update(finding)
      .set({ state: "carried" })
      .where(eq(finding.id, looks[0]?.id ?? ""));
    await phone.say({ type: "correct", why: "Only looked at the bottle", change: { type: "treat-back", id } });
    expect((await factsOf(now.tankId))?.treatment).toEqual(before);
    expect(await findingsOf(now.visitId)).toEqual([]);
    expect(await visitOf(now.tankId, addDays(now.on, 3))).toEqual([]);
  });

  test("is refused by the server where one lives that it harms, whatever a phone says, and nothing of it is kept", async () => {
    const [, later] = await visitsOf(businessId, "Harrow & Pike", today);
    if (!later) throw new Error("No visit at the shrimps");
    const before = await factsOf(later.tankId);
    const phone = new Phone(maud, later.visitId);
    const harmful = { ...remedy, harms: ["shrimp" as const] };
    const [, answer] = await phone.say(
      { type: "start" },
      { type: "treat", id: v7(), remedy: harmful, litres: 40, on: later.on },
    );
    expect(answer).toMatchObject({ result: "refused", code: "must-not-treat" });
    expect(answer?.items?.join(" ")).toMatch(/harms animals of this tank: red shrimp/);
    expect(await factsOf(later.tankId)).toEqual(before);
  });
});
