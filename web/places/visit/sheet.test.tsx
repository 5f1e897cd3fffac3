// @vitest-environment happy-dom
import { type PlanInput, withToday } from "@keel-round/core/given";
import { METRIC } from "@keel-round/core/units";
import { type OpBody, planVisit, sayPlan } from "@keel-round/core/visit";
import { cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, describe, expect, test, vi } from "vitest";
import { atTheTank, bundleOf } from "@/testing/phone";
import { factsOf, inputOf, reading } from "../../../core/src/given/sample.fixture.ts";
import { Arrival } from "./Arrival";
import { ClocksProvider } from "./clocks/useClocks";
import { Findings } from "./Findings";
import { Handover } from "./Handover";
import { KeptDay } from "./KeptDay";
import { OpenVisit } from "./OpenVisit";
import { PhaseRow } from "./PhaseRow";
import { isSettled } from "./phaseModel";
import { RunningVisit } from "./RunningVisit";
import { VisitTop } from "./VisitFrame";

afterEach(cleanup);

const started: OpBody = { type: "start" };
const input = inputOf(factsOf("community", { gear: ["heater", "filter", "lights", "wave-maker"] }), {
  readings: [reading("nitrate", 18), reading("temperature", 25)],
});

/** The row of one step of the visit, by its id. */
const row = (id: string, of: PlanInput = input, ...said: OpBody[]) =>
  atTheTank(bundleOf(of), [started, ...said], (visit) => {
    const step = visit.plan.steps.find((s) => s.id === id);
    return (
      <ClocksProvider visitId={visit.kept.visitId} tank="">
        {step ? <PhaseRow visit={visit} step={step} settled={isSettled(visit.state, step)} /> : "no such step"}
      </ClocksProvider>
    );
  });

describe("the mark of a step", () => {
  test("answers a press at once, and a second one takes the first back before it is kept", async () => {
    const plain = sayPlan(planVisit(input), METRIC).steps.find((s) => !s.enters && !s.confirms && !s.held && !s.figure);
    const { logged } = await row(plain?.id ?? "");
    const mark = screen.getByRole("checkbox");
    fireEvent.click(mark);
    await waitFor(() => expect(mark.getAttribute("aria-checked")).toBe("true"));
    fireEvent.click(mark);
    await waitFor(async () =>
      expect((await logged()).filter((b) => b.type === "tick" || b.type === "untick").map((b) => b.type)).toEqual([
        "tick",
        "untick",
      ]),
    );
    await waitFor(() => expect(mark.getAttribute("aria-checked")).toBe("false"));
  });
});

describe("switching off", () => {
  const off = sayPlan(planVisit(input), METRIC).steps.find((s) => (s.confirms?.off?.length ?? 0) > 1);
  const id = off?.id ?? "";
  const all = off?.confirms?.off ?? [];

  test("one press switches all of it off", async () => {
    expect(all.length).toBeGreaterThan(1);
    const { user, logged } = await row(id);
    await user.click(screen.getByRole("button", { name: /^Off: / }));
    await user.click(screen.getByRole("button", { name: `All ${all.length} off` }));
    await waitFor(async () =>
      expect((await logged()).flatMap((b) => (b.type === "switch" ? [[b.gear, b.state]] : []))).toEqual(
        all.map((g) => [g, "off"]),
      ),
    );
  });
  test("what is left on with its reason is not switched off by the tick", async () => {
    const [first] = all;
    const { user, logged } = await row(id);
    await user.click(screen.getByRole("button", { name: /^Off: / }));
    const selects = screen.getAllByRole("combobox");
    await user.selectOptions(selects[0] as HTMLElement, "owner asked");
    await user.click(screen.getByRole("checkbox"));
    await waitFor(async () => expect((await logged()).at(-1)).toEqual({ type: "tick", step: id }));
    const switched = (await logged()).flatMap((b) => (b.type === "switch" ? [[b.gear, b.state, b.reason]] : []));
    expect(switched[0]).toEqual([first, "left-on", "owner asked"]);
    expect(switched.slice(1)).toEqual(all.slice(1).map((g) => [g, "off", undefined]));
  });
});

describe("something that an earlier visit found", () => {
  const FOUND = "01a22500-5ba8-76bb-9c9d-d20be8f8fb31";
  const found: PlanInput = {
    ...input,
    findings: [{ id: FOUND, kind: "equipment", text: "Clip of the lid is loose", seenOn: "2026-11-18" } as never],
  };
  test("is settled at its step: looked at is not enough", async () => {
    const { user, logged } = await row(`finding:${FOUND}`, found);
    await user.click(screen.getByRole("button", { name: /Clip of the lid/ }));
    await user.click(screen.getByRole("checkbox"));
    expect((await screen.findByRole("alert")).textContent).toContain("Say what became of it");
    if (screen.queryByRole("button", { name: "Fixed" }) === null)
      await user.click(screen.getByRole("button", { name: /Clip of the lid/ }));
    await user.click(screen.getByRole("button", { name: "Fixed" }));
    await waitFor(async () =>
      expect((await logged()).at(-1)).toMatchObject({ type: "resolve", id: FOUND, how: "fixed" }),
    );
    await user.click(screen.getByRole("checkbox"));
    await waitFor(async () => expect((await logged()).at(-1)).toMatchObject({ type: "tick" }));
  });
});

describe("a note", () => {
  test("finds its kind by its words, is added by Enter, and can be deleted", async () => {
    const { user, logged } = await atTheTank(bundleOf(input), [started], (visit) => <Findings visit={visit} />);
    const kind = screen.getByLabelText<HTMLSelectElement>("What it is about");
    await user.type(screen.getByRole("textbox", { name: "What was noticed" }), "Return pump hums");
    expect(kind.value).toBe("equipment");
    await user.keyboard("{Enter}");
    await waitFor(async () =>
      expect((await logged()).at(-1)).toMatchObject({ type: "finding", kind: "equipment", text: "Return pump hums" }),
    );
    await user.click(await screen.findByRole("button", { name: "Delete: Return pump hums" }));
    await waitFor(() => expect(screen.queryByText(/Return pump hums/)).toBeNull());
  });
  test("keeps the kind that somebody chose, and is not added empty", async () => {
    const { user, logged } = await atTheTank(bundleOf(input), [started], (visit) => <Findings visit={visit} />);
    await user.click(screen.getByRole("button", { name: "Add" }));
    expect((await screen.findByRole("alert")).textContent).toBe("Say what was noticed, in a few words.");
    await user.selectOptions(screen.getByLabelText("What it is about"), "site");
    await user.type(screen.getByRole("textbox", { name: "What was noticed" }), "Fish shop next door is closed");
    await user.click(screen.getByRole("button", { name: "Add" }));
    await waitFor(async () => expect((await logged()).at(-1)).toMatchObject({ type: "finding", kind: "site" }));
  });
});

describe("the end of a visit", () => {
  test("is signed with a name and, by whoever can, with a finger", async () => {
    const { user, logged } = await atTheTank(bundleOf(input), [started], (visit) => <Handover visit={visit} />);
    await user.click(screen.getByRole("button", { name: "Somebody signs" }));
    await user.click(screen.getByRole("button", { name: "Keep the signature" }));
    expect((await screen.findByRole("alert")).textContent).toBe("Enter the name of whoever signs.");
    await user.type(screen.getByLabelText("Name of whoever signs"), "Mr. Osei");
    const sheet = screen.getByRole("img", { name: /Sign here/ });
    fireEvent.pointerDown(sheet, { clientX: 0, clientY: 0 });
    fireEvent.pointerUp(sheet);
    await user.click(screen.getByRole("button", { name: "Keep the signature" }));
    await waitFor(async () =>
      expect((await logged()).at(-1)).toEqual({
        type: "handover",
        to: { how: "signed", name: "Mr. Osei", strokes: expect.stringMatching(/^M\d+ \d+/) },
      }),
    );
    expect(await screen.findByText("Mr. Osei signed.")).toBeTruthy();
  });
  test("or nobody was there, which can be taken back", async () => {
    const { user, logged } = await atTheTank(bundleOf(input), [started], (visit) => <Handover visit={visit} />);
    await user.click(screen.getByRole("button", { name: "Nobody was there" }));
    expect(await screen.findByText("Nobody was there.")).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Take back" }));
    await waitFor(async () => expect((await logged()).at(-1)).toEqual({ type: "handover", to: null }));
  });
});

describe("in front of the door", () => {
  const place = {
    siteId: "01a22500-5ba8-76bb-9c9d-d20be8f8fb41",
    lat: 51.2,
    lon: 3.1,
    askFor: "the caretaker",
    parking: "in the yard",
    stairs: 14,
    hasCodes: true,
    phones: [{ who: "Mr. Ormond", phone: "555 01 42" }],
  };
  test("there is whom to ring, where it is, and how to get in", async () => {
    await atTheTank({ ...bundleOf(input), access: "Ring twice.", place }, [], (visit) => <Arrival visit={visit} />);
    const call = screen.getByRole("link", { name: "Call Mr. Ormond" });
    expect(call.getAttribute("href")).toBe("tel:5550142");
    expect(screen.getByRole("link", { name: "Open in maps" }).getAttribute("href")).toBe("geo:51.2,3.1?q=51.2,3.1");
    expect(screen.getByText("Ring twice. Ask for the caretaker. Parking: in the yard. 14 steps up.")).toBeTruthy();
  });
  test("a visit that an earlier version kept has its address at least", async () => {
    await atTheTank(bundleOf(input), [], (visit) => <Arrival visit={visit} />);
    expect(screen.getByText("1 Quay Lane")).toBeTruthy();
    expect(screen.queryByRole("link", { name: "Open in maps" })).toBeNull();
  });
});

describe("a plan that changes under way", () => {
  test("is said once: whoever goes on is not told again", async () => {
    const bundle = bundleOf(input);
    const { user } = await atTheTank(bundle, [started], (visit) => (
      <ClocksProvider visitId={visit.kept.visitId} tank="">
        <RunningVisit visit={visit} sync="offline" />
      </ClocksProvider>
    ));
    const change = () => document.querySelector("[data-plan-change]");
    expect(change()).toBeNull();
    await user.click(screen.getByRole("tab", { name: "Measure" }));
    await user.selectOptions(screen.getByLabelText("What"), "nitrate");
    await user.type(screen.getByLabelText("Nitrate"), "55");
    await user.click(screen.getByRole("button", { name: "Enter" }));
    await waitFor(() => expect(change()).not.toBeNull());
    const again = planVisit(withToday(input, { readings: [reading("nitrate", 55)], belowMarkCm: null } as never)).water;
    expect(again.decision).not.toBe("none");
    await user.click(within(change() as HTMLElement).getByRole("button", { name: "Seen" }));
    expect(change()).toBeNull();
    await user.click(screen.getByRole("tab", { name: "All steps" }));
    await user.click(screen.getByRole("tab", { name: "Phase" }));
    expect(change()).toBeNull();
  });
});

describe("what nobody measured", () => {
  const sheet = () =>
    atTheTank(bundleOf(input), [started], (visit) => (
      <ClocksProvider visitId={visit.kept.visitId} tank="">
        <RunningVisit visit={visit} sync="offline" />
      </ClocksProvider>
    ));
  test("stays empty when the rest is ticked, and is nobody's figure", async () => {
    const { user, logged } = await sheet();
    const title = () => screen.getAllByRole("heading", { level: 2 })[0]?.textContent;
    const goOn = async (from: string) => {
      // A press in the moment after a part came up is taken for one of the part before.
      await waitFor(async () => {
        await user.click(document.querySelector('[data-key="tick"]') as HTMLElement);
        expect(title()).not.toBe(from);
      });
    };
    await goOn("Arrive");
    expect(title()).toBe("Look and measure");
    await goOn("Look and measure");
    const said = await logged();
    expect(said.filter((b) => b.type === "reading" || b.type === "level" || b.type === "count")).toEqual([]);
    expect(said.some((b) => b.type === "tick" && b.step.startsWith("test-"))).toBe(false);
    expect(said.some((b) => b.type === "tick" && b.step === "look")).toBe(true);
  });
  test("holds the drain where today's water depends on it, until it is said not to be measured", async () => {
    const { user, logged } = await sheet();
    await user.click(screen.getByRole("tab", { name: "All steps" }));
    await user.click(screen.getByRole("button", { name: /Drain to the line|Let the rest run out/ }));
    const gate = () => document.querySelector<HTMLElement>("[data-gate]");
    await waitFor(() => expect(gate()).not.toBeNull());
    expect(screen.queryByRole("button", { name: /^Start the clock/ })).toBeNull();
    for (let i = 0; i < 6 && gate(); i++) {
      const before = within(gate() as HTMLElement).getAllByRole("button", { name: "Not measured" });
      await user.click(before[0] as HTMLElement);
      await waitFor(() =>
        expect(gate() ? within(gate() as HTMLElement).getAllByRole("button", { name: "Not measured" }).length : 0).toBe(
          before.length - 1,
        ),
      );
    }
    expect(gate()).toBeNull();
    const left = (await logged()).flatMap((b) => (b.type === "skip" ? [b.reason] : []));
    expect(left.length).toBeGreaterThan(0);
    expect(new Set(left)).toEqual(new Set(["not measured"]));
  });
});

describe("a stop of several tanks", () => {
  const reef = { ...bundleOf(input), stopId: "two", tankName: "Reef" };
  const discus = { ...bundleOf(input), stopId: "two", tankName: "Discus" };
  const elsewhere = { ...bundleOf(input), stopId: "another", tankName: "Koi" };
  test("says how each of its tanks stands, and goes to another without leaving the sheet", async () => {
    const opened: string[] = [];
    const { user } = await atTheTank(
      reef,
      [started],
      (visit) => (
        <OpenVisit value={(id) => opened.push(id)}>
          <VisitTop kept={visit.kept} waiting={visit.waiting} sync="offline" />
        </OpenVisit>
      ),
      [discus, elsewhere],
    );
    const tanks = within(await screen.findByRole("navigation", { name: "Tanks of this stop" })).getAllByRole("link");
    expect(tanks.map((t) => t.textContent)).toEqual(["Discusto begin", "Reefunder way"]);
    expect(tanks.map((t) => t.getAttribute("aria-current"))).toEqual([null, "page"]);
    await user.click(tanks[0] as HTMLElement);
    expect(opened).toEqual([discus.visitId]);
    expect(screen.getByRole("link", { name: "To the kept day" }).getAttribute("href")).toBe("/day");
  });
  test("with one tank has nothing to switch between", async () => {
    await atTheTank(elsewhere, [started], (visit) => (
      <VisitTop kept={visit.kept} waiting={visit.waiting} sync="online" />
    ));
    expect(screen.queryByRole("navigation", { name: "Tanks of this stop" })).toBeNull();
    expect(screen.getByRole("link", { name: "To the round" })).toBeTruthy();
  });
});

describe("what is kept on this phone", () => {
  test.each([
    [true, /The browser keeps them until you sign out/],
    [false, /The browser may drop them when its space runs out/],
  ])("says whether the browser promised to keep it: %s", async (promised, says) => {
    vi.stubGlobal(
      "navigator",
      Object.assign(navigator, { storage: { persisted: async () => false, persist: async () => promised } }),
    );
    await atTheTank(bundleOf(input), [started], () => <KeptDay />);
    expect(await screen.findByText(says)).toBeTruthy();
  });
});
