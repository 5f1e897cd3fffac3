import { describe, expect, inject, test } from "vitest";
import { type Random, seeded } from "../numeric/index.ts";
import { trendOf } from "./index.ts";
import { type Lived, TROUBLES, withEdge } from "./simulated.fixture.ts";

declare module "vitest" {
  interface ProvidedContext {
    readonly trendsSimulated: number;
  }
}

/** So many simulated tanks of each kind; many more under `npm run proof`. */
const TANKS = inject("trendsSimulated");

interface Held {
  /** Of those that have it: how often the truth lies in what is stated. */
  readonly part: number;
  /** Of all tanks: how many have it. */
  readonly found: number;
}

/** How often the stated range of a rate, and the stated days of reaching an edge, hold what was lived through. */
function held(make: (random: Random) => Lived): { readonly rate: Held; readonly edge: Held } {
  const count = { rate: { inside: 0, found: 0 }, edge: { inside: 0, found: 0 } };
  const note = (of: { inside: number; found: number }, inside: boolean) => {
    of.found++;
    if (inside) of.inside++;
  };
  for (let i = 0; i < TANKS; i++) {
    const random = seeded(7919 + i);
    const { input, rate, day } = withEdge(make, random);
    const answer = trendOf(input);
    if (!answer.enough) continue;
    const { perDay, crosses } = answer.trend;
    note(count.rate, perDay.low <= rate && rate <= perDay.high);
    if (crosses) note(count.edge, crosses.earliest <= day && day <= (crosses.latest ?? Number.POSITIVE_INFINITY));
  }
  const part = ({ inside, found }: { inside: number; found: number }): Held => ({
    part: inside / found,
    found: found / TANKS,
  });
  return { rate: part(count.rate), edge: part(count.edge) };
}

describe("what is stated with 95 % holds the truth about so often: a rate, and the days on which an edge is reached", () => {
  for (const [name, make] of Object.entries(TROUBLES))
    test(name, () => {
      // Of few tanks the part itself is known less well: two of its sigmas more.
      const chance = 2 * Math.sqrt((0.93 * 0.07) / TANKS);
      for (const [what, { part, found }] of Object.entries(held(make))) {
        expect(found, what).toBeGreaterThan(0.85);
        expect(part, what).toBeGreaterThanOrEqual(0.9 - chance);
        expect(part, what).toBeLessThanOrEqual(0.98 + chance);
      }
    });
});
