import { describe, expect, test } from "vitest";
import { factsOf, inputOf } from "../given/sample.fixture.ts";
import { EXCEPTION_KINDS, type StandingException } from "../tank/index.ts";
import { said } from "./said.fixture.ts";

const reef = (...exceptions: StandingException[]) =>
  said(
    inputOf(
      factsOf("stony-coral", {
        gear: ["skimmer", "heater", "return"],
        display: {
          vessel: { shape: "box", lengthM: 1, widthM: 0.5, heightM: 0.5 },
          runningLevelM: 0.4,
          substrate: "sand",
          substrateDepthM: 0.03,
          rockKg: 10,
          rockTopM: 0.3,
        },
        exceptions,
      }),
    ),
  );
const step = (plan: ReturnType<typeof reef>, id: string) => plan.steps.find((s) => s.id === id);
const ordinary = reef();

describe("a standing exception", () => {
  test("that leaves a pane says so at the glass and takes less time there", () => {
    const plan = reef({ kind: "leave-pane", what: "back panel" });
    expect(step(plan, "glass-inside")?.caution).toContain("Leave the back panel alone.");
    // Three panes of four.
    expect(step(plan, "glass-inside")?.minutes).toBeCloseTo(0.75 * (step(ordinary, "glass-inside")?.minutes ?? 0), 6);
  });
  test("that spares a growth or a rock is said wherever a hand comes near it", () => {
    const growth = reef({ kind: "leave-growth", what: "the coralline on the weir" });
    for (const id of ["glass-inside", "blow-rock"]) expect(step(growth, id)?.caution).toContain("Do not scrape");
    const rock = reef({ kind: "leave-rock", what: "the tree of rock" });
    for (const id of ["blow-rock", "vacuum-sector"]) expect(step(rock, id)?.caution).toContain("the tree of rock");
    expect(step(rock, "glass-inside")?.caution ?? "").not.toContain("tree");
  });
  test("that forbids the bed takes its jobs out of every visit", () => {
    expect(step(ordinary, "vacuum-sector")).toBeDefined();
    expect(step(reef({ kind: "never-vacuum", what: "deep bed" }), "vacuum-sector")).toBeUndefined();
  });
  test("that forbids one job takes that one out and no other", () => {
    const plan = reef({ kind: "leave-job", what: "the owner does it", job: "skimmer-cup" });
    expect(step(plan, "skimmer-cup")).toBeUndefined();
    expect(plan.steps.length).toBe(ordinary.steps.length - 1);
    expect(plan.kit.length).toBeLessThanOrEqual(ordinary.kit.length);
  });
  test("that feeds first brings the step before the tests, against the tank's way", () => {
    expect(step(ordinary, "feed-before")).toBeUndefined();
    const plan = reef({ kind: "feed-before", what: "the moray takes a hand otherwise" });
    const ids = plan.steps.map((s) => s.id);
    expect(ids.indexOf("feed-before")).toBeLessThan(ids.indexOf("test-salinity"));
    expect(step(plan, "feed-before")?.reason).toContain("the moray");
  });
  test("that has something to say says it at its job and nowhere else", () => {
    const plan = reef({ kind: "say-at-job", what: "Mind the loose knob", job: "skimmer-cup" });
    expect(step(plan, "skimmer-cup")?.caution).toContain("Mind the loose knob.");
    expect(plan.steps.filter((s) => s.caution?.includes("loose knob"))).toHaveLength(1);
  });
  test("of every kind changes the plan", () => {
    for (const kind of EXCEPTION_KINDS) {
      const job = kind === "leave-job" || kind === "say-at-job" ? "glass-inside" : null;
      expect(JSON.stringify(reef({ kind, what: "that one", job })), kind).not.toBe(JSON.stringify(ordinary));
    }
  });
});

describe("what is known of the site", () => {
  const plan = (site: object) =>
    said(inputOf(factsOf("stony-coral"), { site: { drain: "sewer", bucketL: 20, hygieneLast: false, ...site } }));
  test("stairs and parking are said on arrival, with the weight that is carried", () => {
    const arrive = step(plan({ stairs: 32, parking: "yard" }), "arrive");
    expect(arrive?.caution).toMatch(/32 steps.*moves \d+\u00a0kg/);
    expect(arrive?.reason).toContain("Parking: yard.");
    expect(step(plan({}), "arrive")?.caution).toBeUndefined();
  });
  test("a drain that lies too high is pumped, a long drop runs fast", () => {
    const kit = (site: object) => step(plan(site), "drain")?.kit ?? [];
    expect(kit({ drainDropM: -0.4 })).toContain("drain pump");
    expect(kit({ drainDropM: 1 })).not.toContain("drain pump");
    expect(step(plan({ drainDropM: 4 }), "drain")?.reason).toContain("falls 4\u00a0m");
  });
});

describe("clean media on the site's shelf", () => {
  const socks = (count: number | undefined, on = "2026-11-25") =>
    said(
      inputOf(
        factsOf("stony-coral", {
          filterUnits: [{ name: "filter sock", kind: "mechanical", biological: false }],
          ...(count === undefined ? {} : { cleanMedia: count, cleanMediaOn: on }),
          practice: { ...factsOf("stony-coral").practice, media: "every-2-3-days" },
        }),
      ),
    ).steps.find((s) => s.id === "socks");
  test("is not brought while it lasts over the next visit, and is when it does not", () => {
    expect(socks(undefined)?.kit).toContain("clean socks, 3");
    expect(socks(8)?.kit).toEqual([]);
    expect(socks(8)?.reason).toContain("on the shelf");
    expect(socks(2)?.kit).toContain("clean socks, 3");
    expect(socks(2)?.reason).toContain("run out on 29 November");
  });
  test("that the owner swaps in between is due at the visit, and never late", () => {
    const facts = factsOf("stony-coral", {
      filterUnits: [{ name: "filter sock", kind: "mechanical", biological: false }],
      practice: { ...factsOf("stony-coral").practice, media: "every-2-3-days" },
    });
    const given = inputOf(facts);
    const tasks = given.tasks.map((t) => ({ ...t, lastDoneOn: "2026-11-11" }));
    const reason = (of: typeof tasks) =>
      said({ ...given, tasks: of }).steps.find((s) => s.id === "socks")?.reason ?? "";
    expect(reason(tasks)).not.toContain("late");
    // Nobody swaps meanwhile: then it is.
    expect(reason(tasks.filter((t) => t.code !== "owner-socks"))).toContain("late");
  });
});
