import { describe, expect, test } from "vitest";
import { FINDING_KINDS, kindOfNote, soundsUrgent } from "./findingKinds.ts";

describe("what a note is about", () => {
  test.each([
    ["Leak under the cabinet", "safety"],
    ["Sparks when the light plug is pulled", "safety"],
    ["One axolotl has a frayed gill", "livestock"],
    ["two tetras missing", "livestock"],
    ["Corals closed since Tuesday", "livestock"],
    ["Return pump hums", "equipment"],
    ["the light timer is an hour off", "equipment"],
    ["O-ring of the filter is worn", "equipment"],
    ["Water is cloudy", "water"],
    ["film on the surface", "water"],
    ["Level too low", "water"],
    ["New door code from Monday", "site"],
    ["The lift is out of order", "site"],
    ["Mrs. Ormond asks about a second tank", "other"],
    ["", "other"],
  ] as const)("%s: %s", (text, kind) => expect(kindOfNote(text)).toBe(kind));
  test("is always one of the kinds there are, and capitals change nothing", () => {
    for (const text of ["LEAK", "leak", "Fish", "FISH", "¿", "🐟"]) {
      expect(FINDING_KINDS).toContain(kindOfNote(text));
      expect(kindOfNote(text.toUpperCase())).toBe(kindOfNote(text.toLowerCase()));
    }
  });
});

describe("what an owner tells", () => {
  test.each([
    "The big one is gasping at the surface",
    "Water is dripping from under the cabinet",
    "We had a power cut and nothing runs",
    "The clownfish is dead",
    "one tetra lies on its side",
    "It smells of burning",
    "The heater is very hot",
  ])("cannot wait: %s", (text) => expect(soundsUrgent(text)).toBe(true));
  test.each([
    "The glass is green",
    "One snail has moved house",
    "It is a bit loud since Monday",
    "Can we have a red fish?",
    "",
  ])("can wait: %s", (text) => expect(soundsUrgent(text)).toBe(false));
});
