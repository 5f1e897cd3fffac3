import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { newId } from "../database/ids";
import { listRecords } from "../desk/lists";
import { changeRecord, setArchived } from "../desk/records";
import { storeLetter } from "../letters/letters";
import { find } from "./find";

let ines: Scope;
let maud: Scope;
let owner: Scope;
let businessId: string;
let today: string;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, maud, owner] = await Promise.all([
    scopeOf(businessId, "Ines"),
    scopeOf(businessId, "Maud"),
    scopeOf(businessId, "Dr."),
  ]);
});

const titles = async (text: string, scope = maud) =>
  (await find(scope, text, today)).map((h) => `${h.entity}: ${h.title}`);

describe("find anything", () => {
  test("finds each kind of thing by its name", async () => {
    expect(await titles("archerfish")).toEqual(
      expect.arrayContaining(["tank: Archerfish, Kettle Diner", "animal: archerfish"]),
    );
    expect(await titles("lanehead")).toEqual(
      expect.arrayContaining(["client: Lanehead Clinic", "site: Lanehead Clinic"]),
    );
    expect(await titles("wave maker maritime")).toContain("equipment: Wave-maker");
    const [v] = await visitsOf(businessId, "Ormond house", today);
    if (!v) throw new Error("no visit");
    const letterId = newId();
    await storeLetter(
      businessId,
      v.stopId,
      {
        ...{ letterId, clientId: v.clientId, revision: 1, business: "x", date: "x", greeting: "x", siteName: "x" },
        ...{ tanks: [], close: "x", signedBy: "x" },
      },
      { subject: "The rift-lake fish, a quiet week", html: "x", plain: "find", pdf: Buffer.from("x") },
      new Date(),
    );
    expect(await titles("letter quiet ormond")).toEqual(["letter: The rift-lake fish, a quiet week"]);
  });
  test("the best comes first: a name before what only belongs to it", async () => {
    expect((await titles("kettle diner"))[0]).toBe("tank: Archerfish, Kettle Diner");
    expect((await titles("axolotls"))[0]).toMatch(/Axolotls, Ferry Street School|axolotls/);
  });
  test("word order, accents and capitals do not count", async () => {
    const plain = await titles("cafe pavilion");
    expect(plain.length).toBeGreaterThan(0);
    expect(await titles("PAVILION Café")).toEqual(plain);
  });
  test("one wrong letter in five is forgiven", async () => {
    for (const slip of ["axolatls", "axolols", "axolotlss", "saltmarkt", "saltnarket", "kettel", "moritime"])
      expect((await titles(slip)).length, slip).toBeGreaterThan(0);
    // Four letters forgive none.
    expect(await titles("kexx")).toEqual([]);
  });
  test("the beginning of a word is enough, while it is typed", async () => {
    expect(await titles("arch")).toContain("tank: Archerfish, Kettle Diner");
    expect(await titles("ket arc")).toContain("tank: Archerfish, Kettle Diner");
  });
  test("a year of letters about a tank leaves room for the tank, its animals and its site", async () => {
    const found = await titles("archerfish");
    expect(found).toEqual(expect.arrayContaining(["tank: Archerfish, Kettle Diner", "animal: archerfish"]));
    // Much is called reef: letters about reefs do not crowd it out.
    expect((await titles("reef")).filter((t) => t.startsWith("letter:"))).toHaveLength(3);
    // Where nothing else fits, as many are found as there is room for.
    const letters = await titles("letter archerfish kettle");
    expect(letters.length).toBe(12);
    expect(letters.every((t) => t.startsWith("letter:"))).toBe(true);
  });
  test("every word must fit", async () => expect(await titles("archerfish museum")).toEqual([]));
  test("nothing, signs and far too much find nothing, and no error", async () => {
    for (const text of ["", "   ", "%", "_", "'; drop table tank; --", "x".repeat(4000)])
      expect(await titles(text), text).toEqual([]);
  });
  test("under a tank stand its next and its last visit", async () => {
    const hits = await find(ines, "archerfish kettle", today);
    const visits = hits.filter((h) => h.entity === "visit");
    expect(visits).toHaveLength(2);
    expect(visits.map((v) => v.title >= today)).toEqual([true, false]);
    expect(visits[0]?.href).toMatch(/^\/stops\//);
  });
});

describe("whose it is", () => {
  test("an owner finds their own tank and letters, and nothing of a neighbour", async () => {
    expect(await titles("reef", owner)).toContain("tank: Reef, Ilves Dental");
    expect(await titles("kettle", owner)).toEqual([]);
    for (const hit of await find(owner, "ilves", today)) expect(["tank", "letter"]).toContain(hit.entity);
  });
  test("another business finds nothing", async () =>
    expect(await find({ ...ines, businessId: "01a214be-1d4f-722b-a13e-38a0f24382fe" }, "reef", today)).toEqual([]));
});

describe("a change", () => {
  const when = () => ({ now: new Date(), today });
  test("of a site's name renames what stands in it", async () => {
    const row = (await listRecords(maud, "site", { q: "Customs House" })).rows[0];
    if (!row) throw new Error("no site");
    await changeRecord(maud, "site", { id: row.id, version: row.version, values: { name: "Zephyr Rooms" } }, when());
    expect((await titles("zephyr")).some((t) => t.startsWith("tank:"))).toBe(true);
    expect(await titles("zephyr heater")).toEqual(expect.arrayContaining([expect.stringContaining("equipment:")]));
  });
  test("into the archive takes a tank and what hangs on it out of the finds, and back", async () => {
    const row = (await listRecords(maud, "tank", { q: "Moon drum" })).rows[0];
    if (!row) throw new Error("no tank");
    expect((await titles("moon jellies")).length).toBeGreaterThan(0);
    await setArchived(maud, "tank", row.id, true, when());
    // What was written of it stays to be found.
    expect((await titles("moon drum")).filter((t) => !t.startsWith("letter:"))).toEqual([]);
    await setArchived(maud, "tank", row.id, false, when());
    expect(await titles("moon drum")).toContain("tank: Moon drum, Town Museum");
  });
});
