import { addDays, weekday } from "@keel-round/core/calendar";
import { and, asc, eq } from "drizzle-orm";
import { beforeAll, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { client, site, stop, tank, visit } from "../schema";
import { makeClient, NewClientSchema } from "./newClient";

let maud: Scope;
let ines: Scope;
let today: string;
const when = () => ({ now: new Date(), today });
beforeAll(async () => {
  const demo = await demoBusiness();
  ({ today } = demo);
  maud = await scopeOf(demo.businessId, "Maud");
  ines = await scopeOf(demo.businessId, "Ines");
});
const input = (name: string) => {
  const fromOn = addDays(today, 3);
  const day = weekday(fromOn);
  return {
    client: { name, contact: "Ada Wren", email: "ada@heron.example", phone: "" },
    site: {
      ...{ address: "4 Quay Street", lat: 50.42, lon: -4.7, access: "Ring." },
      windows: { [String(day)]: { from: 480, to: 600 } },
    },
    tank: {
      ...{ name: "Lobby tank", kind: "community" as const, water: { make: "tap" as const }, sump: false },
      ...{ vessel: { shape: "box" as const, lengthM: 1.2, widthM: 0.5, heightM: 0.5 }, startedOn: today },
    },
    visits: { rhythm: { kind: "weeks" as const, every: 2, weekdays: [day] }, fromOn, personId: ines.personId },
  };
};

test("a client, their site, their tank with its plan, and every second visit are there at once", async () => {
  const made = await makeClient(maud, NewClientSchema.parse(input("Heron Court")), when());
  const visits = await db()
    .select({ on: visit.onDate, personId: stop.personId })
    .from(visit)
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .where(eq(visit.tankId, made.tankId))
    .orderBy(asc(visit.onDate));
  expect(visits.length).toBeGreaterThanOrEqual(4);
  visits.slice(0, 4).forEach((v, i) => {
    expect(v).toEqual({ on: addDays(today, 3 + 14 * i), personId: ines.personId });
  });
  const [of] = await db().select().from(site).where(eq(site.id, made.siteId));
  expect(of).toMatchObject({ clientId: made.clientId, name: "Heron Court", access: "Ring." });
});

test("where one part cannot be, nothing of it is kept", async () => {
  const wrong = input("Nowhere House");
  const closed = {
    ...wrong,
    site: { ...wrong.site, windows: { [String((weekday(wrong.visits.fromOn) % 7) + 1)]: { from: 480, to: 600 } } },
  };
  await expect(makeClient(maud, closed, when())).rejects.toMatchObject({ status: 422 });
  await expect(
    makeClient(maud, { ...wrong, tank: { ...wrong.tank, startedOn: addDays(today, 1) } }, when()),
  ).rejects.toMatchObject({
    message: "That day has not come yet.",
  });
  await expect(makeClient(ines, wrong, when())).rejects.toMatchObject({ code: "not-found" });
  const left = and(eq(client.businessId, maud.businessId), eq(client.name, "Nowhere House"));
  expect(await db().select().from(client).where(left)).toEqual([]);
  expect(
    await db()
      .select()
      .from(tank)
      .where(and(eq(tank.businessId, maud.businessId), eq(tank.name, "Lobby tank"))),
  ).toHaveLength(1);
});
