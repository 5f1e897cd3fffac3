import { describe, expect, test } from "vitest";
import { gaussian, seeded } from "../numeric/index.ts";
import { simulatedTank } from "./index.ts";

describe("the random source", () => {
  test("is the same for the same seed and another for another", () => {
    const draw = (seed: number) => Array.from({ length: 5 }, seeded(seed));
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
  });
  test("is spread evenly, and its normal values are normal", () => {
    const random = seeded(1);
    const even = Array.from({ length: 20_000 }, random);
    expect(even.reduce((a, b) => a + b, 0) / even.length).toBeCloseTo(0.5, 1);
    const normal = Array.from({ length: 20_000 }, () => gaussian(random));
    const within = normal.filter((x) => Math.abs(x) < 1.96).length / normal.length;
    expect(within).toBeCloseTo(0.95, 1);
  });
});

describe("a simulated tank", () => {
  const still = { made: {}, evaporatedL: 0, roomC: 25 };
  test("keeps what is dissolved when water evaporates", () => {
    const tank = simulatedTank({ litres: 100, levels: { salinity: 35 }, temperatureC: 25 });
    for (let h = 0; h < 24; h++) tank.hour({ ...still, evaporatedL: 0.1 });
    expect(tank.litres()).toBeCloseTo(97.6, 9);
    expect(tank.concentration("salinity")).toBeCloseTo(3500 / 97.6, 9);
    tank.pour(2.4, {}, 25);
    expect(tank.concentration("salinity")).toBeCloseTo(35, 9);
  });
  test("loses by draining what was in the drained water, and mixes what is poured in", () => {
    const tank = simulatedTank({ litres: 200, levels: { nitrate: 40 }, temperatureC: 25 });
    tank.drain(50);
    expect(tank.concentration("nitrate")).toBeCloseTo(40, 6);
    tank.pour(50, { nitrate: 5 }, 15);
    expect(tank.concentration("nitrate")).toBeCloseTo(31.25, 6);
    expect(tank.temperatureC()).toBeCloseTo(22.5, 6);
  });
  test("builds up by the hour, and an unheated tank follows its room", () => {
    const tank = simulatedTank({ litres: 100, levels: { nitrate: 10 }, temperatureC: 25 });
    for (let h = 0; h < 240; h++) tank.hour({ made: { nitrate: 100 / 24 }, evaporatedL: 0, roomC: 15 });
    expect(tank.concentration("nitrate")).toBeCloseTo(20, 6);
    expect(tank.temperatureC()).toBeCloseTo(15, 2);
  });
  test("a weak chiller cannot hold what a strong one does", () => {
    const run = (strength: number) => {
      const tank = simulatedTank({ litres: 100, levels: {}, temperatureC: 14 });
      for (let h = 0; h < 100; h++) tank.hour({ ...still, heldC: 14, strength });
      return tank.temperatureC();
    };
    expect(run(1)).toBeLessThan(15.2);
    expect(run(0.1)).toBeGreaterThan(17);
  });
});
