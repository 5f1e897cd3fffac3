// @vitest-environment happy-dom
import type { PlanInput } from "@keel-round/core/given";
import type { Parameter, UnitPreference } from "@keel-round/core/units";
import { METRIC } from "@keel-round/core/units";
import type { OpBody } from "@keel-round/core/visit";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { afterEach, describe, expect, test, vi } from "vitest";
import { atTheTank, bundleOf } from "@/testing/phone";
import { factsOf, inputOf, mix, reading } from "../../../core/src/given/sample.fixture.ts";
import { Arrival } from "./Arrival";
import { BatchEntry } from "./BatchEntry";
import { Close } from "./Close";
import { Photos } from "./camera/Photos";
import { ClocksProvider } from "./clocks/useClocks";
import { PhaseRow } from "./PhaseRow";
import { isSettled } from "./phaseModel";
import { ReadingEntry } from "./ReadingEntry";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const started: OpBody = { type: "start" };
const community = inputOf(factsOf("community"), { readings: [reading("nitrate", 18), reading("temperature", 25)] });
const reef = inputOf(factsOf("soft-coral"), {
  readings: [reading("temperature", 25), reading("salinity", 35), reading("alkalinity", 8), reading("nitrate", 4)],
  source: mix,
});
const US: UnitPreference = { ...METRIC, volume: "US gal", length: "in", temperature: "°F", alkalinity: "ppm CaCO3" };

describe("a reading", () => {
  const enter = async (parameter: Parameter, input: PlanInput = community, units = METRIC, ...said: OpBody[]) => {
    const phone = await atTheTank(bundleOf(input, units), [started, ...said], (visit) => (
      <ReadingEntry visit={visit} parameter={parameter} />
    ));
    const readings = async () => (await phone.logged()).flatMap((b) => (b.type === "reading" ? [b] : []));
    return { ...phone, readings };
  };
  const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label);
  const press = () => screen.getByRole("button", { name: "Enter" });

  test("starts empty, with the last one in grey, and only what is typed is logged", async () => {
    const { user, readings } = await enter("nitrate");
    expect(field("Nitrate").value).toBe("");
    expect(document.querySelector("[data-expected]")?.textContent).toMatch(/^last 18\.0\smg\/L on/);
    await user.click(press());
    expect(await readings()).toEqual([]);
    await user.type(field("Nitrate"), "20");
    await user.click(press());
    await waitFor(async () => expect(await readings()).toMatchObject([{ text: "20", unit: "mg/L" }]));
    expect(field("Nitrate").value).toBe("");
  });
  test("of a flow says which filter's it is, beside the last one of that filter", async () => {
    const filters = ["Canister A", "Canister B"].map(
      (name) => ({ name, kind: "mechanical", biological: false }) as const,
    );
    const read = (value: number, item?: string) => ({ ...reading("flow", value), ...(item ? { item } : {}) });
    const { user, readings } = await enter(
      "flow",
      inputOf(factsOf("community", { filterUnits: filters }), {
        readings: [read(900), read(620, "Canister A"), read(480, "Canister B")],
      }),
    );
    const grey = () => document.querySelector("[data-expected]")?.textContent;
    expect(grey()).toMatch(/^last 900/);
    await user.selectOptions(screen.getByLabelText("Flow of"), "of Canister A");
    expect(grey()).toMatch(/^last 620/);
    await user.type(field("Flow of Canister A"), "600");
    await user.click(press());
    await waitFor(async () => expect(await readings()).toMatchObject([{ text: "600", item: "Canister A" }]));
  });
  test("plus on an empty field begins at what is expected", async () => {
    const { user } = await enter("nitrate");
    await user.click(screen.getByRole("button", { name: "Nitrate: more" }));
    expect(Number(field("Nitrate").value)).toBeGreaterThan(10);
  });
  test.each([
    ["nitrate", "Nitrate", "-5", /-5 cannot be right: it lies between 0 and 500 mg\/L/],
    ["nitrate", "Nitrate", "much", /“much” is not a number\. Write it like 7\.4\./],
    ["ph", "pH", "81", /81 cannot be right/],
  ] as const)("%s of %s %s is refused beside the field, and stays as typed", async (parameter, label, typed, says) => {
    const { user, readings } = await enter(parameter);
    await user.type(field(label), typed);
    await user.click(press());
    expect((await screen.findByRole("alert")).textContent).toMatch(says);
    expect(field(label).value).toBe(typed);
    expect(await readings()).toEqual([]);
  });
  test("off a strip lies between two fields: the keypad has no dash, a press has one", async () => {
    const { user, readings } = await enter("nitrate");
    expect(screen.queryByRole("button", { name: /^It lies between/ })).toBeNull();
    await user.selectOptions(screen.getByLabelText("Method"), "strip");
    await user.type(field("Nitrate"), "10");
    await user.click(screen.getByRole("button", { name: /^It lies between/ }));
    await user.type(field("Nitrate"), "25");
    await user.click(press());
    await waitFor(async () => expect((await readings()).map((r) => [r.text, r.method])).toEqual([["10–25", "strip"]]));
    expect(document.querySelector("[data-taken]")?.textContent).toMatch(/^17\.5/);
  });
  test("that does not fit is questioned while it is typed, and a slip put right by one press", async () => {
    const steady = ["2026-11-04", "2026-11-11", "2026-11-18"].map((on) => ({ ...reading("nitrate", 18), on }));
    const { user, readings } = await enter("nitrate", inputOf(factsOf("community"), { readings: steady }));
    await user.type(field("Nitrate"), "180");
    await waitFor(() =>
      expect(document.querySelector("[data-odd]")?.textContent).toMatch(
        /^180(\.0)?\smg\/L does not fit: about .* was expected\./,
      ),
    );
    await user.click(screen.getByRole("button", { name: /^Make it 18\.0/ }));
    expect(field("Nitrate").value).toBe("18");
    expect(document.querySelector("[data-odd]")).toBeNull();
    await user.click(press());
    await waitFor(async () => expect(await readings()).toMatchObject([{ text: "18", unit: "mg/L" }]));
  });
  test("in another unit is read as what it is there", async () => {
    const { user, readings } = await enter("temperature", community, US);
    await user.type(field("Temperature"), "77");
    await user.click(press());
    await waitFor(async () => expect(await readings()).toMatchObject([{ text: "77", unit: "°F" }]));
    expect((await screen.findByText(/^77\.0/)).textContent).toContain("°F");
  });
  test("is taken back", async () => {
    const { user, logged } = await enter("nitrate");
    await user.type(field("Nitrate"), "20");
    await user.click(press());
    await user.click(await screen.findByRole("button", { name: "Take back" }));
    await waitFor(async () => expect((await logged()).some((b) => b.type === "reading-back")).toBe(true));
    await waitFor(() => expect(screen.queryByRole("button", { name: "Take back" })).toBeNull());
  });
  test("of ammonia says what may be free by the pH that was read", async () => {
    await enter("ammonia", inputOf(factsOf("community"), { readings: [reading("ph", 8), reading("temperature", 25)] }));
    expect(screen.getByText(/^at pH 8/).textContent).toMatch(/0\.02 mg\/L of it is free/);
  });
});

describe("a batch that was mixed", () => {
  const mixing = async () => {
    const phone = await atTheTank(bundleOf(reef), [started], (visit) => <BatchEntry visit={visit} />);
    await phone.user.click(screen.getByRole("button", { name: "I mixed it and measured it" }));
    const type = async (litres: string, grams: string, psu: string) => {
      for (const [label, text] of [
        ["Litres mixed", litres],
        ["Salt weighed", grams],
        ["Measured", psu],
      ] as const) {
        await phone.user.clear(screen.getByLabelText(label));
        if (text) await phone.user.type(screen.getByLabelText(label), text);
      }
    };
    const batches = async () => (await phone.logged()).flatMap((b) => (b.type === "batch" ? [b] : []));
    return { ...phone, type, batches };
  };
  test("is kept as it was weighed and measured", async () => {
    const { user, type, batches } = await mixing();
    // 38 g/L make 35 ppt of this salt: 3 800 g in 100 L.
    await type("100", "3800", "35");
    expect(screen.getByText(/This batch alone says 38\.0/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "Save the batch" }));
    await waitFor(async () =>
      expect(await batches()).toEqual([
        { type: "batch", litres: 100, grams: 3800, measuredPsu: expect.closeTo(35, 1), confirmed: false },
      ]),
    );
    expect(await screen.findByRole("button", { name: "Correct the batch" })).toBeTruthy();
  });
  test("far off its salt is confirmed, or weighed again", async () => {
    const { user, type, batches } = await mixing();
    await type("100", "5000", "35");
    expect(screen.getByText(/More than 15 % off this salt's figure/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "It is right" }));
    await waitFor(async () => expect(await batches()).toMatchObject([{ grams: 5000, confirmed: true }]));
  });
  test.each([
    ["", "3800", "35"],
    ["100", "0", "35"],
    ["100", "3800", "salty"],
  ])("of %j L, %j g, %j is refused with what to enter", async (litres, grams, psu) => {
    const { user, type, batches } = await mixing();
    await type(litres, grams, psu);
    await user.click(screen.getByRole("button", { name: /Save the batch|It is right/ }));
    expect((await screen.findByRole("alert")).textContent).toBe(
      "Enter how much was mixed, the grams of salt and the salinity, each above 0.",
    );
    expect(await batches()).toEqual([]);
  });
});

describe("the row of a drain in its part", () => {
  test("lets go of its gate once the readings are left out there", async () => {
    const { user } = await atTheTank(bundleOf(community), [started], (visit) => {
      const step = visit.plan.steps.find((s) => s.enters?.some((e) => "litres" in e && e.litres === "outL"));
      return (
        <ClocksProvider visitId={visit.kept.visitId} tank="">
          {step && <PhaseRow visit={visit} step={step} settled={isSettled(visit.state, step)} />}
        </ClocksProvider>
      );
    });
    const open = () => screen.queryAllByRole("button", { name: "Not measured" });
    expect(open().length).toBeGreaterThan(0);
    for (let left = open().length; left > 0; left--) {
      await user.click(open()[0] as HTMLElement);
      await waitFor(() => expect(open()).toHaveLength(left - 1));
    }
    expect(await screen.findByRole("button", { name: /as planned$/ })).toBeTruthy();
  });
});

describe("closing", () => {
  const closing = (...said: OpBody[]) =>
    atTheTank(bundleOf(community), [started, ...said], (visit) => (
      <Close
        visit={visit}
        led={false}
        unsettled={visit.plan.steps.filter((s) => s.task && !isSettled(visit.state, s))}
      />
    ));
  test("asks first why jobs are not done, all of them with one reason", async () => {
    const { user, logged } = await closing();
    await user.click(screen.getByRole("button", { name: "Close the visit" }));
    expect((await screen.findByRole("alert")).textContent).toMatch(
      /^\d+ jobs neither done nor left out: say why, above\.$/,
    );
    await user.click(screen.getByRole("button", { name: "All of them: no time left" }));
    await screen.findByText(/^Everything is on, every job is done or has its reason/);
    await user.click(screen.getByRole("button", { name: "Close the visit" }));
    await waitFor(async () => expect((await logged()).at(-1)).toEqual({ type: "close" }));
  });
  test("is refused while something is off, and says what", async () => {
    const { user, logged } = await closing({ type: "switch", gear: "heater", state: "off" });
    await user.click(screen.getByRole("button", { name: "All of them: no time left" }));
    await waitFor(() => expect(screen.queryByText(/jobs are not done|Not done:/)).toBeNull());
    await user.click(screen.getByRole("button", { name: "Close the visit" }));
    expect((await screen.findByRole("alert")).textContent).toContain("Still off: heater.");
    await user.selectOptions(screen.getByRole("combobox", { name: "Leave heater off" }), "defective");
    await user.click(screen.getByRole("button", { name: "Close the visit" }));
    await waitFor(async () => expect((await logged()).at(-1)).toEqual({ type: "close" }));
  });
});

describe("what a phone cannot do is said", () => {
  test("an address that cannot be copied", async () => {
    const { user } = await atTheTank(bundleOf(community), [], (visit) => <Arrival visit={visit} />);
    vi.spyOn(navigator.clipboard, "writeText").mockRejectedValue(new TypeError("not allowed"));
    await user.click(screen.getByRole("button", { name: "Copy 1 Quay Lane" }));
    expect(await screen.findByText("It cannot be copied here: mark it by hand.")).toBeTruthy();
  });
  test("a picture that finds no room: nothing of it is logged", async () => {
    const { user, logged, store } = await atTheTank(bundleOf(community), [started], (visit) => (
      <Photos visit={visit} spot={{ kind: "tank", id: "" }} name="the tank" />
    ));
    store.photos.hook("creating", () => {
      throw new DOMException("full", "QuotaExceededError");
    });
    vi.stubGlobal("createImageBitmap", async () => ({ width: 40, height: 30, close: () => {} }));
    vi.stubGlobal(
      "OffscreenCanvas",
      class {
        getContext = () => ({ drawImage: () => {} });
        convertToBlob = async () => new Blob(["jpeg"], { type: "image/jpeg" });
      },
    );
    await user.upload(
      screen.getByLabelText("From this phone: the tank"),
      new File(["x"], "tank.jpg", { type: "image/jpeg" }),
    );
    expect((await screen.findByRole("alert")).textContent).toBe(
      "This phone has no room for the picture. Make room, and take it once more.",
    );
    expect((await logged()).filter((b) => b.type === "photo")).toEqual([]);
  });
  test("a file that is no picture", async () => {
    const { user, logged } = await atTheTank(bundleOf(community), [started], (visit) => (
      <Photos visit={visit} spot={{ kind: "tank", id: "" }} name="the tank" />
    ));
    vi.stubGlobal("createImageBitmap", () => Promise.reject(new DOMException("no", "InvalidStateError")));
    await user.upload(
      screen.getByLabelText("From this phone: the tank"),
      new File(["x"], "list.jpg", { type: "image/jpeg" }),
    );
    expect((await screen.findByRole("alert")).textContent).toMatch(/^list\.jpg cannot be opened as a picture here/);
    expect(within(document.body).queryAllByRole("img")).toEqual([]);
    expect((await logged()).filter((b) => b.type === "photo")).toEqual([]);
  });
});
