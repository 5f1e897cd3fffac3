import { ENTITIES, recordKinds } from "@keel-round/core/desk";
import { describe, expect, test } from "vitest";
import { chosenColumns, columnFields, listHref } from "./columns";

const query = (href: string) => new URL(href, "http://x").searchParams;

describe("the columns of a list", () => {
  for (const entity of ENTITIES)
    test(`of ${recordKinds[entity].many} open with some, and the rest is a choice away`, () => {
      const first = chosenColumns(entity, []);
      expect(first.length).toBeGreaterThan(2);
      expect(first.length).toBeLessThan(7);
      const all = columnFields(entity);
      expect(all.length).toBeGreaterThanOrEqual(first.length);
      // The name is the link of the row, lists do not fit a cell.
      expect(all.map((f) => f.key)).not.toContain("name");
      expect(all.every((f) => f.type.kind !== "list")).toBe(true);
    });
  test("are those of the address, in the order of the fields, and nothing that is no field", () => {
    const keys = chosenColumns("client", ["phone", "contact", "password"]).map((f) => f.key);
    expect(keys).toEqual(["contact", "phone"]);
  });
});

describe("the address of a list", () => {
  const address = { q: "quay side", sort: "-name", page: "3", col: ["contact", "phone"] };
  test("keeps what is asked, and begins again at the first page", () => {
    const next = query(listHref("client", address, { sort: "contact" }));
    expect(next.get("q")).toBe("quay side");
    expect(next.get("sort")).toBe("contact");
    expect(next.getAll("col")).toEqual(["contact", "phone"]);
    expect(next.has("page")).toBe(false);
  });
  test("turns a page without losing the rest", () => {
    const next = query(listHref("client", address, { page: "4" }));
    expect(next.get("page")).toBe("4");
    expect(next.get("sort")).toBe("-name");
  });
  test("is bare when nothing is asked", () => {
    expect(listHref("site", {}, {})).toBe("/desk/site");
    expect(listHref("site", { archived: "1" }, { archived: "" })).toBe("/desk/site");
  });
});
