import { addDays, civilOf } from "@keel-round/core/calendar";
import { METRIC, methodSigma } from "@keel-round/core/units";
import { and, eq } from "drizzle-orm";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import { Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { dayRequest, finding, job, levelLog, ownerDay, photo, proposal, reading, stop, tank } from "../schema";
import { answerRequest, askForDay, openRequests, requestsOf } from "../series/dayRequests";
import { correctedReadings } from "../tanks/corrected";
import { loadTank } from "../tanks/tanks";
import { ownerDays, saveDay } from "./days";
import { loadOwnerPage } from "./page";
import { answerProposal, proposalsOf, propose, withdraw } from "./proposals";
import { tellFirm, toldMail, toldOf } from "./told";

let owner: Scope;
let maud: Scope;
let tankId: string;
let others: string;
let today: string;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  const demo = await demoBusiness();
  today = demo.today;
  const of = (name: string) => scopeOf(demo.businessId, name);
  [owner, maud] = await Promise.all([of("Dr."), of("Maud")]);
  tankId = (await visitsOf(demo.businessId, "Ilves Dental", today))[0]?.tankId ?? "";
  others = (await visitsOf(demo.businessId, "Kettle Diner", today))[0]?.tankId ?? "";
});

const day = (change: Partial<Parameters<typeof saveDay>[1]> = {}) => ({
  ...{ tankId, done: [], topUp: "", temperature: "" },
  ...change,
});
const todays = async () => (await ownerDays(owner, tankId, today)).find((d) => d.on === today);

describe("the owner's own list", () => {
  test("keeps what is ticked of it and nothing else, and the last save of the day stands", async () => {
    await saveDay(owner, day({ done: ["owner-count", "glass-inside", "nonsense"] }), when());
    expect((await todays())?.done).toEqual(["owner-count"]);
    await saveDay(owner, day({ done: ["owner-look"] }), when());
    expect((await todays())?.done).toEqual(["owner-look"]);
    const rows = await db()
      .select()
      .from(ownerDay)
      .where(and(eq(ownerDay.tankId, tankId), eq(ownerDay.onDate, today)));
    expect(rows.length).toBe(1);
  });
  test("takes litres in the owner's own unit", async () => {
    const us = { ...owner, units: { ...METRIC, volume: "US gal" } } as const;
    await saveDay(us, day({ topUp: "0.5" }), when());
    // A US gallon is 3.785411784 L.
    expect((await todays())?.topUpL).toBeCloseTo(1.892705892, 9);
    expect((await loadOwnerPage(us, tankId, when())).today.topUp).toBe("0.5");
    await saveDay(owner, day({ topUp: "2,5" }), when());
    expect((await todays())?.topUpL).toBe(2.5);
  });
  test("a temperature is a reading; another one corrects it in sight, and an emptied field takes it back", async () => {
    await saveDay(owner, day({ temperature: "25.4" }), when());
    const mine = async () =>
      (await db().select().from(reading).where(eq(reading.tankId, tankId))).filter(
        (r) => r.personId === owner.personId,
      );
    expect(await mine()).toMatchObject([{ parameter: "temperature", value: 25.4, onDate: today }]);
    // It counts with its own uncertainty: three times that of a thermometer of ours, ±0.3 °C for 19 of 20.
    const ours = methodSigma("temperature", "thermometer", 25.4);
    expect((await mine())[0]?.sigma).toBeCloseTo(3 * ours, 9);
    await saveDay(owner, day({ temperature: "25.4", done: ["owner-count"] }), when());
    expect((await mine()).length).toBe(1);
    await saveDay(owner, day({ temperature: "25.9" }), when());
    expect(await mine()).toMatchObject([{ value: 25.9 }]);
    expect((await mine())[0]?.sigma).toBeCloseTo(3 * ours, 9);
    expect((await correctedReadings(maud, tankId))[0]).toMatchObject({
      ...{ was: "25.4 °C", now: "25.9 °C", by: "Dr. Ilves" },
    });
    await saveDay(owner, day(), when());
    expect(await mine()).toEqual([]);
    expect((await todays())?.temperatureC).toBeNull();
  });
  test.each([
    ["topUp", "lots", /^Enter what you poured in, from 0 to /],
    ["topUp", "-1", /^Enter what you poured in/],
    ["topUp", "9000", /^Enter what you poured in/],
    ["temperature", "warm", /^Enter Temperature as a number/],
    ["temperature", "250", /^Enter a figure from 0 to 40 °C for Temperature/],
  ] as const)("%s “%s” is refused beside its field, and nothing is kept", async (field, text, says) => {
    const before = await todays();
    await expect(saveDay(owner, day({ done: ["owner-count"], [field]: text }), when())).rejects.toMatchObject({
      ...{ status: 422, fields: { [field]: [expect.stringMatching(says)] } },
    });
    expect(await todays()).toEqual(before);
  });
  test("of somebody else's tank does not exist", async () => {
    await expect(saveDay(owner, day({ tankId: others }), when())).rejects.toMatchObject({ status: 404 });
    await expect(loadOwnerPage(owner, others, when())).rejects.toMatchObject({ status: 404 });
  });
  test("what was topped up had evaporated: the next plan reckons with it", async () => {
    const [clinic] = await visitsOf(maud.businessId, "Lanehead Clinic", today);
    const at = { businessId: maud.businessId, tankId: clinic?.tankId ?? "", personId: owner.personId };
    const evaporates = async () => (await loadTank(maud, at.tankId, today)).input.facts.evaporationLPerDay;
    const before = await evaporates();
    const [level] = (await db().select().from(levelLog).where(eq(levelLog.tankId, at.tankId)))
      .filter((l) => l.days)
      .sort((a, b) => (a.onDate < b.onDate ? 1 : -1));
    const onDate = level?.onDate ?? "";
    await db()
      .insert(ownerDay)
      .values({ id: crypto.randomUUID(), ...at, onDate, done: [], topUpL: 70, at: new Date() });
    // The tank's own figure counts twice and six levels once each: an eighth of 70 L over the days of one of them.
    expect((await evaporates()) - before).toBeCloseTo(70 / (level?.days ?? 1) / 8, 6);
  });
});

describe("what an owner tells", () => {
  const open = async (text: string) =>
    (await db().select().from(finding).where(eq(finding.tankId, tankId))).filter((f) => f.text === text);
  const mails = async (id: string) =>
    (await db().select().from(job).where(eq(job.kind, "told"))).filter((j) => j.payload.findingId === id);

  test("stands on the next plan with its day, and is mailed to nobody where it can wait", async () => {
    expect(await tellFirm(owner, { tankId, text: "The glass is green" }, null, when())).toEqual({ urgent: false });
    const [row] = await open("The glass is green");
    const { plan } = await loadTank(maud, tankId, today);
    const step = plan.steps.find((s) => s.id === `finding:${row?.id}`);
    expect(step?.title).toBe("Look again: The glass is green");
    expect(step?.reason).toMatch(/^The owner told this on /);
    expect(await mails(row?.id ?? "")).toEqual([]);
    expect((await toldOf(maud, when(), tankId))[0]).toMatchObject({
      ...{ text: "The glass is green", by: "Dr. Ilves", state: "open", urgent: false },
    });
  });
  test("goes to the office and to who comes next at once where it cannot wait, once however often it is sent", async () => {
    const text = "One fish is gasping at the surface";
    expect(await tellFirm(owner, { tankId, text }, null, when())).toEqual({ urgent: true });
    await tellFirm(owner, { tankId, text }, null, when());
    const found = await open(text);
    expect(found.length).toBe(1);
    const [row] = found;
    expect(row?.kind).toBe("livestock");
    expect((await mails(row?.id ?? "")).length).toBe(1);
    const mail = await toldMail(row?.id ?? "", new Date());
    expect(mail?.to.some((to) => to.includes("maud@"))).toBe(true);
    expect(mail?.to.some((to) => to.includes("owner@"))).toBe(false);
    await db()
      .update(finding)
      .set({ state: "fixed" })
      .where(eq(finding.id, row?.id ?? ""));
    // Seen to before the mail left: nobody is alarmed.
    expect(await toldMail(row?.id ?? "", new Date())).toBeNull();
  });
  test("brings a picture that the firm sees with it", async () => {
    const shot = await sharp({ create: { width: 40, height: 30, channels: 3, background: "#123" } })
      .png()
      .toBuffer();
    await tellFirm(owner, { tankId, text: "This spot is new" }, shot, when());
    const [told] = await toldOf(maud, when(), tankId);
    expect(told).toMatchObject({ text: "This spot is new", photoIds: [expect.any(String)] });
    const [kept] = await db()
      .select()
      .from(photo)
      .where(eq(photo.id, told?.photoIds[0] ?? ""));
    expect(kept).toMatchObject({ personId: owner.personId, tankId, spot: "finding" });
  });
  test("with a file that is no picture is refused whole", async () => {
    await expect(tellFirm(owner, { tankId, text: "Look" }, Buffer.from("no picture"), when())).rejects.toBeInstanceOf(
      Refused,
    );
    expect(await open("Look")).toEqual([]);
  });
  test("of somebody else's tank is refused", async () => {
    await expect(tellFirm(owner, { tankId: others, text: "x" }, null, when())).rejects.toMatchObject({ status: 404 });
  });
});

describe("another day", () => {
  const next = async () => {
    const page = await loadOwnerPage(owner, tankId, when());
    if (!page.next) throw new Error("No visit is planned");
    return page.next;
  };
  const ask = async (change: Partial<Parameters<typeof askForDay>[1]> = {}) =>
    askForDay(owner, { stopId: (await next()).stopId, wishedOn: "", why: "", ...change }, when());

  test("is asked for, shown to the firm, asked anew, and answered with a word", async () => {
    const { stopId, on } = await next();
    await ask({ wishedOn: addDays(on, 2), why: "We are closed." });
    await ask({ wishedOn: addDays(on, 3), why: "We are closed for two days." });
    const open = (await openRequests(maud, when())).filter((r) => r.stopId === stopId);
    expect(open).toMatchObject([
      { wishedOn: addDays(on, 3), why: "We are closed for two days.", insteadOf: on, siteName: "Ilves Dental" },
    ]);
    const requestId = open[0]?.id ?? "";
    await expect(answerRequest(maud, { requestId, answer: "kept", text: "" }, when())).rejects.toMatchObject({
      fields: { text: ["Say why it stays, in a few words."] },
    });
    await answerRequest(maud, { requestId, answer: "kept", text: "We are full that week." }, when());
    await expect(answerRequest(maud, { requestId, answer: "kept", text: "x" }, when())).rejects.toMatchObject({
      code: "answered",
    });
    expect((await requestsOf(owner, [stopId]))[0]).toMatchObject({
      ...{ answer: "kept", answerText: "We are full that week." },
    });
    expect((await openRequests(maud, when())).some((r) => r.stopId === stopId)).toBe(false);
  });
  test("is granted by moving the visit, with the answer", async () => {
    const { stopId, on } = await next();
    // The first day ahead on which the site is open and not visited anyway.
    for (let ahead = 1; ahead <= 6; ahead++) {
      await ask({ wishedOn: addDays(on, ahead) });
      const [open] = (await openRequests(maud, when())).filter((r) => r.stopId === stopId);
      const taken = await answerRequest(maud, { requestId: open?.id ?? "", answer: "moved", text: "" }, when()).then(
        () => true,
        (error: unknown) => {
          // A day on which it is closed is refused with the reason, and nothing is moved or answered.
          expect(error).toBeInstanceOf(Refused);
          return false;
        },
      );
      const [now] = await db().select().from(stop).where(eq(stop.id, stopId));
      expect(now?.onDate).toBe(taken ? addDays(on, ahead) : on);
      if (!taken) continue;
      expect((await requestsOf(owner, [stopId]))[0]).toMatchObject({ answer: "moved", on: addDays(on, ahead) });
      return;
    }
    throw new Error("No day of the week would do");
  });
  test("without a day named is answered once somebody has moved it", async () => {
    await ask({ why: "Any other day." });
    const { stopId } = await next();
    const [open] = (await openRequests(maud, when())).filter((r) => r.stopId === stopId);
    await expect(
      answerRequest(maud, { requestId: open?.id ?? "", answer: "moved", text: "" }, when()),
    ).rejects.toMatchObject({ code: "not-moved" });
    await db()
      .delete(dayRequest)
      .where(eq(dayRequest.id, open?.id ?? ""));
  });
  test("that is over, or the visit's own, or of somebody else's visit is refused", async () => {
    const { on } = await next();
    await expect(ask({ wishedOn: addDays(today, -1) })).rejects.toMatchObject({ fields: { wishedOn: [/over/] } });
    await expect(ask({ wishedOn: on })).rejects.toMatchObject({ fields: { wishedOn: [expect.any(String)] } });
    const [theirs] = await visitsOf(maud.businessId, "Kettle Diner", today);
    await expect(ask({ stopId: theirs?.stopId ?? "" })).rejects.toMatchObject({ status: 404 });
  });
});

describe("a proposal", () => {
  const heater = { what: "A better lid", why: "Two fish jumped.", ifNot: "More will.", minutes: 25 };
  const newest = async (scope: Scope) => (await proposalsOf(scope, tankId)).find((p) => p.what === heater.what);

  test("that nobody answered in three weeks says by when, changes no plan, and may still be answered", async () => {
    const what = "A second heater, before winter";
    const monthAgo = new Date(Date.now() - 30 * 86_400_000);
    await propose(maud, { tankId, ...heater, what }, { ...when(), now: monthAgo });
    const told = async () => (await proposalsOf(owner, tankId)).find((p) => p.what === what);
    const made = await told();
    const madeOn = civilOf(monthAgo.getTime(), owner.zone).date;
    expect(made).toMatchObject({ answer: null, unanswered: true, answerBy: addDays(madeOn, 21) });
    const findings = await db().select().from(finding).where(eq(finding.text, what));
    expect(findings).toEqual([]);
    await answerProposal(owner, { proposalId: made?.id ?? "", answer: "declined" }, when());
    expect(await told()).toMatchObject({ answer: "declined", unanswered: false });
  });
  test("stands on the owner's page, and what is agreed on the next plan with its minutes", async () => {
    await propose(maud, { tankId, ...heater }, when());
    const made = await newest(owner);
    expect(made).toMatchObject({ ...heater, answer: null });
    const before = (await loadTank(maud, tankId, today)).plan.minutes;
    await answerProposal(owner, { proposalId: made?.id ?? "", answer: "agreed" }, when());
    await answerProposal(owner, { proposalId: made?.id ?? "", answer: "agreed" }, when());
    const { plan } = await loadTank(maud, tankId, today);
    const steps = plan.steps.filter((s) => s.title === "A better lid, as agreed with the owner");
    // A plan knows minutes to the hundredth.
    expect(steps.map((s) => Math.round(s.minutes))).toEqual([25]);
    expect(plan.minutes - before).toBeGreaterThan(20);
    expect(await newest(maud)).toMatchObject({ answer: "agreed", answeredAt: expect.any(Date) });
  });
  test("agreed to may be thought better of until it is done", async () => {
    const made = await newest(owner);
    await answerProposal(owner, { proposalId: made?.id ?? "", answer: "declined" }, when());
    const { plan } = await loadTank(maud, tankId, today);
    expect(plan.steps.some((s) => s.title.startsWith("A better lid"))).toBe(false);
    await answerProposal(owner, { proposalId: made?.id ?? "", answer: "agreed" }, when());
    const [row] = await db()
      .select()
      .from(proposal)
      .where(eq(proposal.id, made?.id ?? ""));
    await db()
      .update(finding)
      .set({ state: "fixed" })
      .where(eq(finding.id, row?.findingId ?? ""));
    await expect(
      answerProposal(owner, { proposalId: made?.id ?? "", answer: "declined" }, when()),
    ).rejects.toMatchObject({ code: "done" });
  });
  test("is taken back as long as nobody answered, and is gone from the page then", async () => {
    await propose(maud, { tankId, ...heater, what: "A blue light" }, when());
    const made = (await proposalsOf(maud, tankId)).find((p) => p.what === "A blue light");
    const proposalId = made?.id ?? "";
    await withdraw(maud, proposalId, when());
    expect((await proposalsOf(owner, tankId)).some((p) => p.id === proposalId)).toBe(false);
    await expect(answerProposal(owner, { proposalId, answer: "agreed" }, when())).rejects.toMatchObject({
      code: "withdrawn",
    });
    const answered = await newest(maud);
    await expect(withdraw(maud, answered?.id ?? "", when())).rejects.toMatchObject({ code: "answered" });
  });

  test("of another firm's tank does not exist", async () => {
    const made = await newest(maud);
    const stranger = { ...maud, businessId: crypto.randomUUID() };
    await expect(withdraw(stranger, made?.id ?? "", when())).rejects.toMatchObject({ status: 404 });
  });
});

describe("a tank under treatment", () => {
  test("its owner reads the days from today on, and what stays off until when; once it is over, nothing", async () => {
    const [row] = await db().select().from(tank).where(eq(tank.id, tankId));
    const treatment = {
      ...{ name: "Slime treatment", startedOn: addDays(today, -2), contactDays: 5, followUpOn: addDays(today, 6) },
      doses: [-2, 1].map((n) => ({ on: addDays(today, n), amount: 40, unit: "mL" as const })),
      ...{ off: ["skimmer" as const], carbonOut: true, backOn: addDays(today, 3) },
    };
    const course = async (facts: object) => {
      await db()
        .update(tank)
        .set({ facts: { ...row?.facts, ...facts } as NonNullable<typeof row>["facts"] })
        .where(eq(tank.id, tankId));
      return (await loadOwnerPage(owner, tankId, when())).course;
    };
    const shown = await course({ treatment });
    expect(shown).toMatchObject({ name: "Slime treatment", off: { until: addDays(today, 3) } });
    expect(shown?.off?.things).toMatch(/skimmer.* and carbon and resins/);
    expect(shown?.days.map((d) => d.on)).toEqual([1, 3, 6].map((n) => addDays(today, n)));
    expect(shown?.days[0]?.says).toBe("Dose 2 of 2: 40 mL of Slime treatment");
    expect(await course({ treatment: { ...treatment, followUpOn: addDays(today, -1) } })).toBeNull();
    expect(await course({})).toBeNull();
  });
});
