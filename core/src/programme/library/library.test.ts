import { describe, expect, test } from "vitest";
import { TANK_KINDS, type TankKind } from "../../tank/index.ts";
import { jobOf, kindProgramme, libraryTask, performerOf, type TaskCode, taskLibrary } from "../index.ts";

const SALT: readonly TankKind[] = [
  "brackish",
  "marine-fish",
  "soft-coral",
  "large-polyp",
  "stony-coral",
  "anemone",
  "seahorse",
  "jellyfish",
  "temperate-marine",
];
const REEF: readonly TankKind[] = ["soft-coral", "large-polyp", "stony-coral", "anemone"];
const FRESH = TANK_KINDS.filter((k) => !SALT.includes(k));
const has = (kind: TankKind, codes: readonly TaskCode[]) => codes.some((c) => kindProgramme[kind].includes(c));

/** What the work asks for, and the jobs that answer it, on which kinds. */
const ASKED: readonly (readonly [string, readonly TankKind[], readonly TaskCode[]])[] = [
  ["feeding by the owner", TANK_KINDS, ["owner-feed", "owner-feed-predators"]],
  ["counting every day", TANK_KINDS, ["owner-count"]],
  ["ten minutes of looking", TANK_KINDS, ["owner-look"]],
  ["temperature every day", TANK_KINDS, ["owner-temperature"]],
  ["topping up with fresh water", TANK_KINDS, ["owner-top-up"]],
  ["daily doses", [...REEF, "planted"], ["owner-dose"]],
  ["a part change between visits", TANK_KINDS, ["extra-change"]],
  ["glass", TANK_KINDS, ["glass-inside"]],
  ["the outside and the lights", TANK_KINDS, ["outside-glass"]],
  ["nitrate", TANK_KINDS, ["test-nitrate"]],
  ["salinity", SALT, ["test-salinity"]],
  ["salt creep", SALT, ["salt-creep"]],
  ["salt water kept for emergencies", SALT, ["batch-salt"]],
  ["purified water kept", TANK_KINDS, ["batch-purified"]],
  ["skimmer cup", SALT, ["skimmer-cup"]],
  ["mechanical media", TANK_KINDS, ["socks", "floss", "prefilter", "sponge-half"]],
  ["a filter of bacteria", TANK_KINDS, ["filter-a", "sponge-half"]],
  ["biological media, a part at a time", TANK_KINDS, ["bio-media"]],
  ["pipes and hoses", [...SALT, ...FRESH], ["pipes-hoses"]],
  ["a picture from the same place", TANK_KINDS, ["photo"]],
  ["carbon", [...REEF, "marine-fish", "seahorse", "community"], ["carbon"]],
  ["alkalinity, calcium and magnesium", REEF, ["test-magnesium"]],
  ["traces after the change", REEF, ["trace"]],
  ["fertiliser after the change", ["planted", "planted-low"], ["fertiliser"]],
  ["harvest of macroalgae", ["seahorse"], ["harvest-macroalgae"]],
  ["pumps soaked", SALT, ["pump-soak"]],
  ["wave-makers soaked", SALT, ["wave-maker-soak"]],
  ["skimmer pump soaked", SALT, ["skimmer-soak"]],
  ["lights cleaned", TANK_KINDS, ["light-clean"]],
  ["probes calibrated", REEF, ["probe-calibrate"]],
  ["probes replaced", REEF, ["probes-replace"]],
  ["the top of the sand", ["community", "rift-lake", "marine-fish", "brackish"], ["sand-top"]],
  ["the sump", SALT, ["sump-clean"]],
  ["impeller and tubes", FRESH, ["impeller"]],
  ["lamps", TANK_KINDS, ["lamps"]],
  ["purifier cartridges and resin", TANK_KINDS, ["cartridges"]],
  ["the membrane", TANK_KINDS, ["membrane"]],
  ["reactor media topped up and replaced", REEF, ["reactor-media"]],
  ["the gas cylinder", ["planted"], ["gas-cylinder"]],
  ["heaters replaced before they fail", TANK_KINDS, ["heater-replace"]],
  ["LED lights by hours", TANK_KINDS, ["led-replace"]],
  ["UV lamps by hours", TANK_KINDS, ["uv-lamp"]],
  ["after stocking", TANK_KINDS, ["stocking-ammonia"]],
  ["after a treatment", TANK_KINDS, ["treatment-ammonia"]],
  ["after a new lamp", [...REEF, "planted"], ["lamp-shorter"]],
  ["the tap in the wet season", FRESH, ["season-chlorine"]],
  ["heat", TANK_KINDS, ["season-heat"]],
  ["holidays", TANK_KINDS, ["season-holiday"]],
];

describe("the library", () => {
  test.each(ASKED)("%s", (_, kinds, codes) => {
    for (const kind of kinds) expect(has(kind, codes), kind).toBe(true);
  });
  test("each job has its reason, minutes and a window inside its cadence; what cuts, burns or poisons has its caution", () => {
    for (const [code, job] of Object.entries(taskLibrary)) {
      expect(job.reason.length, code).toBeGreaterThan(15);
      expect(job.minutes, code).toBeGreaterThan(0);
      expect(job.giveDays, code).toBeLessThan(job.everyDays);
      if (job.skills) expect(job.caution, code).toBeTruthy();
    }
  });
  test("every kind of cadence and both performers are used", () => {
    const all = Object.values(taskLibrary);
    expect(new Set(all.map((j) => j.cadence.by))).toEqual(new Set(["time", "hours", "sign", "event", "season"]));
    const signs = all.flatMap((j) => (j.cadence.by === "sign" ? [j.cadence.sign.of] : []));
    expect(new Set(signs)).toEqual(new Set(["flow", "tds", "dirt", "band"]));
    expect(new Set(all.map((j) => j.by))).toEqual(new Set(["technician", "owner"]));
  });
  test("a job that follows another's dirt names one that is rated", () => {
    for (const [code, { cadence }] of Object.entries(taskLibrary))
      if (cadence.by === "sign" && cadence.sign.of === "dirt")
        expect(libraryTask(cadence.sign.job as TaskCode).result, code).toBe("dirt");
  });
  test("a code that nobody knows is an error that names it", () => {
    expect(() => jobOf({ code: "wash-the-cat" })).toThrow(/wash-the-cat/);
    expect(performerOf({ code: "owner-feed" })).toBe("owner");
  });
});
