import { describe, expect, test } from "vitest";
import { factsOf, inputOf, mix, reading } from "../given/sample.fixture.ts";
import { decidesWater } from "./decides.ts";

const known = [reading("temperature", 25), reading("nitrate", 4), reading("ph", 8.2), reading("salinity", 35)];
const reef = factsOf("soft-coral");

describe("what today's water depends on", () => {
  test("of a reef: its salinity, its temperature, its nitrate; not its pH, and no calcium that its water does not bring", () => {
    const input = inputOf(reef, { readings: known, source: mix });
    for (const parameter of ["salinity", "temperature", "nitrate"] as const)
      expect([parameter, decidesWater(input, parameter)]).toEqual([parameter, true]);
    for (const parameter of ["ph", "calcium", "magnesium"] as const)
      expect([parameter, decidesWater(input, parameter)]).toEqual([parameter, false]);
  });
  test("is nothing that a tank is not judged by", () => {
    const input = inputOf(factsOf("community"), { readings: known });
    expect(decidesWater(input, "flow")).toBe(false);
    expect(decidesWater(input, "salinity")).toBe(false);
  });
});
