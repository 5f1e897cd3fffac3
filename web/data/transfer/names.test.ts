import { describe, expect, test } from "vitest";
import { NameIndex } from "./names";

const tanks = new NameIndex(
  [
    { id: "1", name: "Reef", within: "Ilves Dental" },
    { id: "2", name: "Reef", within: "Café Pavilion" },
    { id: "3", name: "Moon drum", within: "Town Museum" },
    { id: "4", name: "Archerfish", within: "Kettle Diner" },
  ],
  "tank",
);
const idOf = (found: ReturnType<NameIndex["find"]>) => (typeof found === "string" ? found : found.id);

describe("a name in a file", () => {
  test("is found whatever its capitals, accents and signs", () => {
    for (const name of ["Moon drum", "MOON DRUM", "moon-drum", " Moon  drum "])
      expect(idOf(tanks.find(name))).toBe("3");
    expect(idOf(tanks.find("Reef", "cafe pavilion"))).toBe("2");
  });
  test("may carry its site, before or behind", () => {
    expect(idOf(tanks.find("Reef, Ilves Dental"))).toBe("1");
    expect(idOf(tanks.find("Café Pavilion, Reef"))).toBe("2");
  });
  test("that two things have asks which one is meant", () =>
    expect(tanks.find("Reef")).toBe("There are 2 tanks called “Reef”. Say which by its site."));
  test("that is spelt otherwise is not taken for another: it is offered", () => {
    expect(tanks.find("Archerfisch")).toBe("There is no tank called “Archerfisch” here. Did you mean “Archerfish”?");
    expect(tanks.find("Moondrum")).toContain("There is no tank called “Moondrum” here");
    expect(tanks.find("Lagoon")).toBe("There is no tank called “Lagoon” here.");
  });
  test("gives the same answer when it is asked again", () => {
    expect(tanks.find("Reef", "Ilves Dental")).toBe(tanks.find("Reef", "Ilves Dental"));
    expect(tanks.find("Reef")).toBe(tanks.find("Reef"));
  });
});
