import { addDays } from "@keel-round/core/calendar";
import { and, asc, eq, inArray } from "drizzle-orm";
import fc from "fast-check";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { recordAnimalEvent } from "../desk/animals";
import { letterContent } from "../letters/letters";
import { animal, animalEvent, finding } from "../schema";

let businessId: string;
let today: string;
let maud: Scope;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
});

const groupsOf = (tankId: string) =>
  db()
    .select()
    .from(animal)
    .where(and(eq(animal.businessId, businessId), eq(animal.tankId, tankId)))
    .orderBy(asc(animal.position), asc(animal.name));
const countOf = async (id: string) => (await db().select().from(animal).where(eq(animal.id, id)))[0]?.count;
const eventsOf = (id: string) =>
  db()
    .select()
    .from(animalEvent)
    .where(eq(animalEvent.animalId, id))
    .orderBy(asc(animalEvent.onDate), asc(animalEvent.at));

/** A tank's first group, and a phone at its next visit. */
async function at(siteName: string) {
  const [visit] = await visitsOf(businessId, siteName, today);
  const [group] = visit ? await groupsOf(visit.tankId) : [];
  if (!visit || !group) throw new Error(`No animals at ${siteName}`);
  const phone = new Phone(maud, visit.visitId);
  const count = (seen: number, dead = 0) =>
    ({ type: "count", animal: group.id, name: group.name, of: group.count, seen, dead }) as const;
  return { visit, group, phone, count };
}

describe("a count at the tank", () => {
  test("is what lives there from then on: fewer, more, dead ones with their cause", async () => {
    const { group, phone, count } = await at("Ilves Dental");
    await phone.say({ type: "start" }, count(group.count));
    expect(await countOf(group.id)).toBe(group.count);
    await phone.say(count(group.count - 3, 2));
    expect(await countOf(group.id)).toBe(group.count - 3);
    const mine = (await eventsOf(group.id)).filter((e) => e.visitId === phone.visitId);
    expect(mine.map((e) => [e.kind, e.number, e.countBefore, e.countAfter, e.cause])).toEqual([
      ["lost", 2, group.count, group.count - 2, "found dead at the visit"],
      ["counted", group.count - 3, group.count - 2, group.count - 3, ""],
    ]);
  });
  test("of another firm's animals, or of none, changes nothing and is no error", async () => {
    const { phone } = await at("Harrow & Pike");
    const other = await at("Kettle Diner");
    const before = other.group.count;
    const results = await phone.say({ type: "start" }, { ...other.count(0), name: "not mine" });
    expect(results.map((r) => r.result)).toEqual(["applied", "applied"]);
    expect(await countOf(other.group.id)).toBe(before);
  });
  test("that was taken back leaves what was there before it", async () => {
    const { group, phone, count } = await at("Ormond house");
    await phone.say({ type: "start" }, count(1), { type: "count-back", animal: group.id });
    expect(await countOf(group.id)).toBe(group.count);
    expect((await eventsOf(group.id)).filter((e) => e.visitId === phone.visitId)).toEqual([]);
    const [refused] = await phone.say({ type: "count-back", animal: group.id });
    expect(refused).toMatchObject({ result: "refused", code: "unknown-count" });
  });
  test("opens a finding at the close, and the letter says what was counted and nothing else", async () => {
    const { visit, group, phone, count } = await at("Town Museum");
    const others = (await groupsOf(visit.tankId)).slice(1);
    const open = await db()
      .select({ id: finding.id, text: finding.text })
      .from(finding)
      .where(and(eq(finding.tankId, visit.tankId), inArray(finding.state, ["open", "carried"])));
    const results = await phone.say(
      { type: "start" },
      ...open.map(({ id, text }) => ({ type: "resolve", id, text, how: "fixed" }) as const),
      { type: "tick", step: "look" },
      count(group.count - 2, 1),
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan: (await planOf(businessId, visit)).plan },
      { type: "close" },
    );
    expect(results.filter((r) => r.result !== "applied")).toEqual([]);
    const seen = await db()
      .select()
      .from(finding)
      .where(and(eq(finding.visitId, visit.visitId), eq(finding.kind, "livestock")));
    expect(seen.map((f) => [f.text.toLowerCase(), f.state])).toContainEqual([
      `${group.name.toLowerCase()}: 1 of ${group.count} not seen, 1 found dead`,
      "open",
    ]);
    const letter = await letterContent(businessId, visit.stopId);
    const told = letter?.tanks.flatMap((t) => t.body).join(" ") ?? "";
    expect(told).toContain(`${group.count - 2} of ${group.count} ${group.name}`);
    expect(told).toContain("found dead");
    for (const other of others) expect(told).not.toContain(other.name);
    // Counted wrong: corrected afterwards, the finding goes and the count comes back.
    await phone.say({ type: "correct", why: "one sat behind the filter", change: count(group.count) });
    expect(await countOf(group.id)).toBe(group.count);
    const left = await db()
      .select()
      .from(finding)
      .where(and(eq(finding.visitId, visit.visitId), eq(finding.kind, "livestock")));
    expect(left.filter((f) => f.text.toLowerCase().startsWith(group.name.toLowerCase()))).toEqual([]);
  });
  test("corrected after the desk moved animals keeps what the desk said", async () => {
    const { visit, group, phone, count } = await at("Saltmarket Hotel");
    await phone.say({ type: "start" }, count(10));
    const later = { now: new Date(Date.now() + 60_000), today: addDays(visit.on, 1) };
    const put = { animalId: group.id, kind: "added", number: 5, onDate: addDays(visit.on, 1), cause: "" } as const;
    expect(await recordAnimalEvent(maud, put, later)).toEqual({ count: 15 });
    await phone.say(count(12));
    expect(await countOf(group.id)).toBe(17);
  });
});

test("whatever is counted, corrected and taken back, the count is that of the last event, and each begins where the last ended", async () => {
  const { group, phone } = await at("Ferry Street School");
  await phone.say({ type: "start" });
  const step = fc.oneof(
    fc.record({ seen: fc.nat(40), dead: fc.nat(4) }),
    fc.constant("back" as const),
    fc.record({ add: fc.integer({ min: 1, max: 9 }) }),
  );
  let minutes = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 8 }), async (steps) => {
      for (const s of steps) {
        if (s === "back") await phone.say({ type: "count-back", animal: group.id });
        else if ("add" in s) {
          minutes += 1;
          const when = { now: new Date(Date.now() + minutes * 60_000), today };
          await recordAnimalEvent(
            maud,
            { animalId: group.id, kind: "added", number: s.add, onDate: today, cause: "" },
            when,
          );
        } else
          await phone.say({
            type: "count",
            animal: group.id,
            name: group.name,
            of: group.count,
            seen: s.seen,
            dead: s.dead,
          });
        const events = await eventsOf(group.id);
        for (const [i, e] of events.entries()) if (i > 0) expect(e.countBefore).toBe(events[i - 1]?.countAfter);
        if (events.length > 0) expect(await countOf(group.id)).toBe(events.at(-1)?.countAfter);
        expect(events.filter((e) => e.visitId === phone.visitId && e.kind === "counted").length).toBeLessThanOrEqual(1);
      }
    }),
    { numRuns: 15, seed: 6 },
  );
});
