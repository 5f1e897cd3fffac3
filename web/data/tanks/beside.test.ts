import { standing } from "@keel-round/core/readings";
import { beforeAll, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { figureOfTanks } from "./beside";
import { listTanks } from "./tanks";

let maud: Scope;
let today: string;
let businessId: string;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
});

test("every tank of the kind stands there once: beyond a limit first, then outside of ideal, unread last", async () => {
  const all = await listTanks(maud, today);
  const { kinds } = await figureOfTanks(maud, {}, today);
  expect(kinds.reduce((sum, k) => sum + k.tanks, 0)).toBe(all.length);
  for (const { kind, tanks } of kinds) {
    const beside = await figureOfTanks(maud, { kind, of: "nitrate" }, today);
    expect(beside.kind).toBe(kind);
    expect(beside.figures.length).toBeLessThanOrEqual(tanks);
    expect(new Set(beside.figures.map((f) => f.tankId)).size).toBe(beside.figures.length);
    const order = beside.figures.map(({ band, points }) => {
      const last = points.at(-1);
      return last ? ["act", "watch", "ideal"].indexOf(standing(band, last.value)) : 3;
    });
    expect(order).toEqual([...order].sort());
    for (const f of beside.figures) {
      const days = f.points.map((p) => p.day);
      expect(days).toEqual([...days].sort((a, b) => a - b));
      expect(Math.min(0, ...days)).toBeGreaterThanOrEqual(-150);
    }
  }
});

test("what there is none of is answered with what there is", async () => {
  const beside = await figureOfTanks(maud, { kind: "nonsense", of: "nothing" }, today);
  expect(beside.kind).toBe(beside.kinds[0]?.kind);
  expect(beside.parameter).toBe("nitrate");
});

test("a technician sees their own tanks alone", async () => {
  const ines = await scopeOf(businessId, "Ines");
  const own = new Set((await listTanks(ines, today)).map((t) => t.id));
  const { kinds } = await figureOfTanks(ines, {}, today);
  expect(kinds.reduce((sum, k) => sum + k.tanks, 0)).toBe(own.size);
  for (const { kind } of kinds)
    for (const f of (await figureOfTanks(ines, { kind }, today)).figures) expect(own.has(f.tankId)).toBe(true);
});
