import { describe, expect, test } from "vitest";
import { factsOf } from "../given/sample.fixture.ts";
import { type SwitchGear, TANK_KINDS, type TankKind } from "../tank/index.ts";
import { asksFor, jobOf, kindProgramme, type TaskCode, tasksFor } from "./index.ts";
import { taskOf } from "./task.fixture.ts";

type Facts = Parameters<typeof asksFor>[1];
const codesFor = (kind: TankKind, change: Partial<Facts> = {}) =>
  kindProgramme[kind].filter((code) => asksFor(jobOf({ code }), { ...factsOf(kind), ...change }));
const unit = (name: string, biological = true) => ({
  name,
  kind: biological ? ("biological" as const) : ("mechanical" as const),
  biological,
});

/** What a job is about, and the gear without which it is nonsense. */
const NEEDS_GEAR: readonly (readonly [SwitchGear, readonly TaskCode[]])[] = [
  ["skimmer", ["skimmer-cup", "skimmer-soak", "skimmer-dirt"]],
  ["co2", ["gas-cylinder"]],
  ["dosing", ["dosing-check"]],
  ["uv", ["uv-lamp"]],
  ["chiller", ["chiller-clean"]],
  ["heater", ["heater-check", "heater-replace"]],
  ["wave-maker", ["wave-maker-soak"]],
  ["return", ["pump-soak", "flow-check"]],
];

describe("jobs follow what hangs on a tank", () => {
  test.each(NEEDS_GEAR)("without a %s none of its jobs comes, on any kind", (gear, codes) => {
    const others = factsOf().gear.filter((g) => g !== gear);
    for (const kind of TANK_KINDS)
      for (const code of codes) {
        expect(codesFor(kind, { gear: others }), `${kind} ${code}`).not.toContain(code);
        if (kindProgramme[kind].includes(code)) expect(codesFor(kind, { gear: [gear] }), kind).toContain(code);
      }
  });
  test("socks come where there is a sock, floss where there is none, a lid's washing where there is a lid", () => {
    const socks = codesFor("soft-coral", { filterUnits: [unit("filter sock", false)] });
    expect(socks).toContain("socks");
    expect(socks).not.toContain("floss");
    const floss = codesFor("soft-coral", { filterUnits: [unit("bio media")] });
    expect(floss).toContain("floss");
    expect(floss).not.toContain("socks");
    expect(codesFor("shrimp", { lidded: false })).not.toContain("lids");
    expect(codesFor("shrimp", { lidded: true })).toContain("lids");
  });
  test("a purifier's upkeep comes with a purifier of the site, not with every tank that has a reservoir", () => {
    const purifier: readonly TaskCode[] = ["cartridges", "resin", "membrane", "tds-check"];
    for (const code of purifier) {
      expect(codesFor("stony-coral", { topUp: "reservoir" })).not.toContain(code);
      expect(codesFor("stony-coral", { purifierAtSite: true })).toContain(code);
    }
  });
  test("a canister is serviced, a sponge is halved, and a surface skimmer's sponge is squeezed where there is one", () => {
    const canister = codesFor("community", { filterUnits: [unit("canister filter")] });
    expect(canister).toContain("filter-a");
    expect(canister).not.toContain("sponge-half");
    expect(canister).not.toContain("surface-skimmer");
    const sponge = codesFor("community", { filterUnits: [unit("internal sponge filter")] });
    expect(sponge).toContain("sponge-half");
    for (const code of ["filter-a", "internal-filter"]) expect(sponge).not.toContain(code);
    expect(codesFor("planted", { filterUnits: [unit("surface skimmer", false)] })).toContain("surface-skimmer");
  });
});

describe("two jobs of one visit that say the same", () => {
  const due = (...codes: TaskCode[]) =>
    tasksFor(
      codes.map((code) => taskOf(code, "2024-01-01")),
      { on: "2026-11-25", nextOn: "2026-12-02" },
      factsOf("stony-coral", { filterUnits: [unit("A"), unit("B")] }),
    ).due.map((d) => d.task.code);
  test.each<readonly [TaskCode, TaskCode]>([
    ["deep-sector", "vacuum-sector"],
    ["sand-top", "vacuum-sector"],
    ["reactor-media", "reactor-top-up"],
    ["heater-replace", "heater-check"],
    ["bio-media", "filter-a"],
    ["second-sponges", "prefilter"],
    ["probes-replace", "probe-calibrate"],
  ])("%s is done, and %s with it", (covers, covered) => {
    expect(due(covered, covers)).toEqual([covers]);
    // Each alone comes as ever.
    expect(due(covered)).toEqual([covered]);
  });
  test("a job that is held back covers nothing", () => {
    const tasks = [taskOf("bio-media", "2020-01-01"), taskOf("glass-inside", "2026-11-01")];
    const { due: rides, held } = tasksFor(
      [...tasks, taskOf("heater-check", "2026-10-01")],
      { on: "2026-11-25", nextOn: "2026-12-02", treatmentUntil: "2026-12-10" },
      factsOf("stony-coral", { filterUnits: [unit("A"), unit("B")] }),
    );
    expect(held.map((h) => h.task.code)).toEqual(["bio-media"]);
    expect(rides.map((d) => d.task.code).sort()).toEqual(["glass-inside", "heater-check"]);
  });
});
