import { describe, expect, test } from "vitest";
import type { TankKind } from "../tank/index.ts";
import { limitsOfKind } from "./dayLimits.ts";
import { DEFAULT_LIMITS } from "./inputs.ts";

const of = (kind: TankKind) => limitsOfKind(kind, DEFAULT_LIMITS);

/** General practice, a day: see the references of the computation. */
describe("what a day may change", () => {
  test.each(["soft-coral", "large-polyp", "stony-coral", "anemone"] as const)("for corals: %s", (kind) =>
    expect(of(kind)).toEqual({
      alkalinityDkh: 1,
      calciumMgL: 50,
      magnesiumMgL: 100,
      ghDgh: null,
      salinityUpPpt: 1,
      salinityDownPpt: 1,
      temperatureC: 1,
    }),
  );
  test("for fish: salinity may fall by 2, the tank by 2 °C, and no reef's limit holds", () => {
    for (const kind of ["marine-fish", "community", "cool-fresh"] as const)
      expect(of(kind)).toMatchObject({
        alkalinityDkh: null,
        calciumMgL: null,
        magnesiumMgL: null,
        ghDgh: null,
        salinityUpPpt: 1,
        salinityDownPpt: 2,
        temperatureC: 2,
      });
  });
  test("for jellyfish salinity and temperature by 1, for shrimp hardness by 2 and temperature by 1", () => {
    expect(of("jellyfish")).toMatchObject({ alkalinityDkh: null, salinityDownPpt: 1, temperatureC: 1 });
    expect(of("shrimp")).toMatchObject({ alkalinityDkh: null, ghDgh: 2, temperatureC: 1 });
  });
});
