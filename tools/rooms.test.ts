import { Session } from "node:inspector/promises";
import { planVisit } from "@keel-round/core/visit";
import fc from "fast-check";
import { expect, test } from "vitest";
import { anyVisit } from "../core/src/visit/carriedOut/anyTank.fixture.ts";

/** The door of each room that a plan goes through, by what is called there. */
const DOORS = ["tankOnDay", "waterOn", "buildSteps", "orderSteps", "timelineOf"] as const;

/** How often functions of the core are called while something is done, by name. */
async function callsDuring(work: () => unknown): Promise<Map<string, number>> {
  const session = new Session();
  session.connect();
  await session.post("Profiler.enable");
  await session.post("Profiler.startPreciseCoverage", { callCount: true, detailed: false });
  work();
  const { result } = await session.post("Profiler.takePreciseCoverage");
  await session.post("Profiler.stopPreciseCoverage");
  session.disconnect();
  const calls = new Map<string, number>();
  for (const { url, functions } of result)
    if (url.includes("/core/src/"))
      for (const { functionName, ranges } of functions)
        calls.set(functionName, (calls.get(functionName) ?? 0) + (ranges[0]?.count ?? 0));
  return calls;
}

test("a tank goes through each room of its plan once, whatever tank it is", async () => {
  const visits = fc.sample(anyVisit, { numRuns: 15, seed: 12 });
  // What is worked out once for the whole program is worked out before anybody counts.
  for (const visit of visits) planVisit(visit);
  for (const visit of visits) {
    const calls = await callsDuring(() => planVisit(visit));
    for (const door of DOORS) expect(calls.get(door), `${door}, ${visit.facts.kind}`).toBe(1);
    // Only a job that comes with a change alone asks for the list of a visit without one.
    expect(calls.get("jobsOn"), visit.facts.kind).toBeLessThanOrEqual(2);
    // Readings are looked through for what was read, without one that is measured again, and for the condition.
    expect(calls.get("knownValues"), visit.facts.kind).toBeLessThanOrEqual(3);
  }
});
