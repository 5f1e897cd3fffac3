import { mondayOf } from "@keel-round/core/weeks";
import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { loadWeeks } from "../round/weeks";
import { deskChange } from "../schema";
import { saveWork, WorkSchema } from "./workFacts";

let maud: Scope;
let ines: Scope;
let today: string;

beforeAll(async () => {
  const world = await demoBusiness();
  today = world.today;
  [maud, ines] = (await Promise.all(["Maud", "Ines"].map((n) => scopeOf(world.businessId, n)))) as [Scope, Scope];
});

const when = () => ({ now: new Date(), today });
const work = () => ({
  personId: ines.personId,
  dayStartMinute: 480,
  dayEndMinute: 960,
  vanKg: 300,
  vanL: 280 as number | null,
  vanBarrels: 4 as number | null,
  workdays: [5, 1],
  knows: ["salt" as const, "acid" as const],
});

describe("how somebody works", () => {
  test("is what the weeks are laid by, and who changed it is kept", async () => {
    expect(await saveWork(maud, work(), when())).toEqual({ changed: 7 });
    const { board } = await loadWeeks(maud, mondayOf(today), today);
    expect(board.people.find((p) => p.id === ines.personId)).toMatchObject({
      startMinute: 480,
      endMinute: 960,
      vanKg: 300,
      vanL: 280,
      vanBarrels: 4,
      workdays: [1, 5],
      knows: ["salt", "acid"],
    });
    const rows = await db()
      .select()
      .from(deskChange)
      .where(and(eq(deskChange.entity, "person"), eq(deskChange.entityId, ines.personId)));
    expect(rows.map((r) => r.field).sort()).toEqual([
      ...["dayEndMinute", "dayStartMinute", "knows", "vanBarrels", "vanKg", "vanL", "workdays"],
    ]);
    expect(rows.find((r) => r.field === "vanKg")).toMatchObject({ old: 440, new: 300, personId: maud.personId });
    // The same once more changes nothing.
    expect(await saveWork(maud, work(), when())).toEqual({ changed: 0 });
  });
  test("is the office's to say, of people who work here", async () => {
    await expect(saveWork(ines, work(), when())).rejects.toMatchObject({ status: 404 });
    await expect(saveWork(maud, { ...work(), personId: crypto.randomUUID() }, when())).rejects.toMatchObject({
      status: 404,
    });
  });
  test.each([
    [
      "a day that ends before it begins",
      { dayEndMinute: 400 },
      "dayEndMinute",
      "Enter an end of the day after its start.",
    ],
    ["a van that carries nothing", { vanKg: 0 }, "vanKg", "Enter what the van carries, above 0."],
    ["no van figure at all", { vanKg: null }, "vanKg", "Enter what the van carries, above 0."],
    ["half a barrel", { vanBarrels: 2.5 }, "vanBarrels", "Enter a whole number of barrels, or leave it empty."],
    ["no litres", { vanL: 0 }, "vanL", "Enter litres above 0, or leave it empty."],
    ["no working day", { workdays: [] }, "workdays", "Choose at least one day of the week."],
    ["no time", { dayStartMinute: null }, "dayStartMinute", "Enter a time, such as 06:30."],
  ])("%s is refused beside its field", (_, change, field, message) => {
    const read = WorkSchema.safeParse({ ...work(), ...change });
    expect(read.error?.issues.find((i) => i.path[0] === field)?.message).toBe(message);
  });
});
