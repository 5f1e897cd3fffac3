// @vitest-environment happy-dom
import type { Band } from "@keel-round/core/tank";
import { trendOf } from "@keel-round/core/trend";
import { METRIC } from "@keel-round/core/units";
import { cleanup, fireEvent, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, test } from "vitest";
import type { TankTrend } from "@/data/tanks/trend";
import { draw } from "@/testing/draw";
import { csvOf, svgText } from "./files";
import { Multiples, type SmallReading } from "./Multiples";
import { SawTooth } from "./SawTooth";
import type { SavePolicy } from "./UseIt";

afterEach(cleanup);

const band: Band = {
  ...{ parameter: "nitrate", idealLow: 5, idealHigh: 30, actLow: -1, actHigh: 40, validDays: 21, required: true },
};
const steady = { share: 0.3, intervalDays: 14, refill: 5, mostShare: 0.6 };

/** One mg/L a day for half a year, 30 % every fortnight: 5 + 1 · 14 / 0.3 = 51.7 before a change. */
function trend(change: Partial<TankTrend> = {}, values?: readonly number[]): TankTrend {
  const days = Array.from({ length: 12 }, (_, i) => (i - 12) * 14 + 7);
  let value = 20;
  const readings = days.map((day, i) => {
    const one = {
      id: `r${i}`,
      day,
      value: values?.[i] ?? value,
      sigma: 1,
      on: "2026-11-01",
      entered: "",
      method: "kit",
    };
    value = value * 0.7 + 1.5 + 14;
    return one;
  });
  const changes = days.map((day) => ({ day: day + 0.01, share: 0.3, refill: 5 }));
  const planned = [7, 21, 35].map((day) => ({ day, share: 0.3, refill: 5 }));
  return {
    ...{ parameter: "nitrate", on: "2026-11-29", readings, changes, steady, daysAhead: 40, plannedDays: [7, 21, 35] },
    logged: [{ day: -60, on: "2026-09-30", text: "Lamps changed" }],
    answer: trendOf({ readings, events: { changes }, logged: [], planned, daysAhead: 40, band, steady }),
    together: null,
    doser: null,
    given: [],
    pumps: [],
    ratios: [],
    item: null,
    dosesAhead: [],
    spells: [],
    ...change,
  };
}

const drawnWith = (of: TankTrend, its: Band | null, policy: SavePolicy | null = null) =>
  draw(<SawTooth trend={of} band={its} units={METRIC} policy={policy} />);
const show = (of: TankTrend, policy: SavePolicy | null = null) => drawnWith(of, band, policy);

describe("the saw-tooth", () => {
  test("draws each reading with what it was, its changes, what was logged, and where it goes", () => {
    const { container } = show(trend());
    expect(container.querySelectorAll("[data-reading]")).toHaveLength(
      trend().readings.filter((r) => r.day >= -153).length,
    );
    expect(screen.getAllByRole("img")[0]?.getAttribute("aria-label")).toMatch(/^1 November: [\d.]+\smg\/L$/);
    expect(container.querySelectorAll("[data-change]").length).toBeGreaterThan(8);
    expect(container.querySelector("[data-event]")?.textContent).toBe("Lamps changed");
    expect(container.querySelector('[data-course="ahead"]')?.getAttribute("d")).toMatch(/^M.*L/);
    expect(container.textContent).toContain("right for this tank: 5.0 to 30.0");
    expect(container.textContent).toContain("act at 40.0");
  });

  test("answers what is asked of it, in figures and in words", () => {
    const { container } = show(trend());
    const answers = container.querySelector("[data-answers]") as HTMLElement;
    expect(answers.textContent).toMatch(/Builds up1\.0\smg\/L a day/);
    expect(answers.textContent).toMatch(/30 % every 14 days settles at51\.7/);
    // 14 / (30 − 5) = 56 %; 0.3 · 25 = 7.5 days.
    expect(answers.textContent).toMatch(/To hold 30\.056 % every 14 days/);
    expect(answers.textContent).toContain("or 30 % every 7");
    expect(container.querySelector("[data-sentences]")?.textContent).toMatch(
      /^Nitrate climbs 1\.0\smg\/L a day\. 30 % every 14 days settles at 51\.7\smg\/L; 56 % would hold 30\.0\smg\/L\./,
    );
  });

  test("the figures at its side are round on the reader's own scale", () => {
    const { container } = draw(
      <SawTooth
        trend={trend({ parameter: "temperature" }, [24, 25, 26, 25, 24, 25, 26, 25, 24, 25, 26, 25])}
        band={null}
        units={{ ...METRIC, temperature: "°F" }}
        policy={null}
      />,
    );
    const side = [...container.querySelectorAll("text.num")].map((t) => Number(t.textContent));
    expect(side.length).toBeGreaterThan(2);
    const steps = side.slice(1).map((v, i) => v - (side[i] ?? 0));
    expect(new Set(steps.map((s) => s.toFixed(6))).size).toBe(1);
    expect([1, 2, 5, 10, 20, 50]).toContain(Math.abs(steps[0] ?? 0));
  });

  test("what is tried carries the doses that are planned", async () => {
    const heights = async (dosesAhead: TankTrend["dosesAhead"]) => {
      const { container, unmount } = show(trend({ dosesAhead }));
      screen.getByRole("slider", { name: "Share of a change" }).focus();
      await userEvent.keyboard("{ArrowDown}");
      const d = container.querySelector('[data-course="tried"]')?.getAttribute("d") ?? "";
      unmount();
      return d
        .split(/[ML]/)
        .slice(1)
        .map((p) => Number(p.split(" ")[1]));
    };
    const [without, dosed] = [await heights([]), await heights([{ day: 3, rise: 6 }])];
    // Two points more on the third day; the first stands as it stood, and it ends higher: less far down the drawing.
    expect(dosed).toHaveLength(without.length + 2);
    expect(dosed[0]).toBe(without[0]);
    expect(dosed.at(-1)).toBeLessThan(without.at(-1) ?? 0);
  });

  test("another share is tried by key, drawn, put back, or used for good", async () => {
    const saved: unknown[] = [];
    const policy: SavePolicy = {
      ...{ tank: { id: "tank-1", version: 3 }, byShare: false, visits: "/desk/site/s" },
      save: async (input) => {
        saved.push(input);
        return { ok: true, value: { kind: "saved", id: "tank-1", version: 4, batchId: "b" } };
      },
    };
    const { container, went } = show(trend(), policy);
    const handle = screen.getByRole("slider", { name: "Share of a change" });
    expect(handle.getAttribute("aria-valuetext")).toMatch(/^30 %, settles at 51\.7 mg\/L$/);
    expect(container.querySelector("[data-tried]")).toBeNull();
    handle.focus();
    await userEvent.keyboard("{ArrowDown}{Shift>}{ArrowDown}{/Shift}");
    expect(handle.getAttribute("aria-valuenow")).toBe("36");
    // 5 + 14 / 0.36.
    expect(container.querySelector("[data-tried]")?.textContent).toMatch(/^36 % every 14 days settles at 43\.9/);
    expect(container.querySelector('[data-course="tried"]')).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "As it is" }));
    expect(container.querySelector("[data-tried]")).toBeNull();
    await userEvent.keyboard("{Tab}");
    handle.focus();
    await userEvent.keyboard("{End}");
    await userEvent.click(screen.getByRole("button", { name: "Use 60 %, the same each visit" }));
    expect(await screen.findByText("Saved: the next plans follow it.")).toBeTruthy();
    expect(saved).toEqual([
      {
        ...{ entity: "tank", id: "tank-1", version: 3, confirmed: [] },
        values: { "practice.share": 0.6, "practice.policy": "fixed-share" },
      },
    ]);
    expect(went).toEqual(["refresh"]);
  });

  test("another interval is tried by key and by typing; its days are changed where the visits are", async () => {
    const policy: SavePolicy = {
      ...{ tank: { id: "tank-1", version: 3 }, byShare: true, visits: "/desk/site/s" },
      save: async () => ({ ok: false, code: "x", message: "", fields: {} }),
    };
    const { container } = show(trend(), policy);
    const handle = screen.getByRole("slider", { name: "Days between changes" });
    expect(handle.getAttribute("aria-valuenow")).toBe("14");
    handle.focus();
    await userEvent.keyboard("{ArrowLeft}{Shift>}{ArrowLeft}{/Shift}");
    expect(handle.getAttribute("aria-valuenow")).toBe("6");
    // 5 + 6 / 0.3.
    expect(container.querySelector("[data-tried]")?.textContent).toMatch(/^30 % every 6 days settles at 25\.0/);
    expect(screen.getByRole("link", { name: "Change the days of its visits" }).getAttribute("href")).toBe(
      "/desk/site/s",
    );
    expect(screen.queryByRole("button", { name: /^Use/ })).toBeNull();
    const days = screen.getByLabelText<HTMLInputElement>("Every, days");
    expect(days.value).toBe("6");
    await userEvent.clear(days);
    await userEvent.type(days, "10");
    expect(handle.getAttribute("aria-valuenow")).toBe("10");
    await userEvent.clear(days);
    expect(screen.getByText("Enter a number from 1 to 60.")).toBeTruthy();
    expect(handle.getAttribute("aria-valuenow")).toBe("10");
    const share = screen.getByLabelText<HTMLInputElement>("Share of a change, %");
    await userEvent.clear(share);
    await userEvent.type(share, "40");
    // 5 + 10 / 0.4.
    expect(container.querySelector("[data-tried]")?.textContent).toMatch(/^40 % every 10 days settles at 30\.0/);
    expect(screen.getByRole("button", { name: "Use 40 %" })).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: "As it is" }));
    expect(days.value).toBe("14");
  });

  test("doses by hand are marked at the foot", () => {
    const given = [
      { day: -20, rise: 0.5, amount: 12.5, unit: "g", product: "Buffer powder" },
      { day: -13, rise: 0, amount: 0, unit: "g", product: "Buffer powder" },
    ];
    const { container } = show(trend({ given }));
    expect([...container.querySelectorAll("[data-dose]")].map((d) => d.textContent)).toEqual([
      "12.5 g of Buffer powder",
    ]);
  });

  test("whoever may only look tries it and changes nothing", async () => {
    show(trend());
    screen.getByRole("slider", { name: "Share of a change" }).focus();
    await userEvent.keyboard("{ArrowDown}");
    expect(screen.queryByRole("button", { name: /^Use/ })).toBeNull();
    expect(screen.getByRole("button", { name: "As it is" })).toBeTruthy();
  });

  test("a reading that is set aside is hollow and told with what would fit", () => {
    const values = trend().readings.map((r, i) => (i === 7 ? r.value * 10 : r.value));
    const { container } = show(trend({}, values));
    const aside = container.querySelector('[data-reading="aside"]') as HTMLElement;
    expect(aside.getAttribute("aria-label")).toMatch(/set aside$/);
    expect(container.textContent).toMatch(/is set aside: about [\d.]+\smg\/L fits there\. Was it a tenth of that\?/);
    // One mistake makes nothing else less sure.
    const low = Number(
      /([\d.]+)\smg\/L to [\d.]+\smg\/L; 12 readings, 1 set aside/.exec(container.textContent ?? "")?.[1],
    );
    expect(low).toBeGreaterThan(0.8);
  });

  test("too few readings, and a figure that no balance holds for, are drawn as they are and say so", () => {
    const few = trend();
    const readings = few.readings.slice(0, 3);
    const first = show(trend({ readings, answer: { enough: false, reason: "few-readings", readings: 3 } }));
    expect(first.container.textContent).toContain("A trend takes four readings: there are 3.");
    expect(screen.queryByRole("slider")).toBeNull();
    first.unmount();
    const { container } = show(trend({ answer: null }));
    expect(container.textContent).toContain("It is shown as it was read");
    expect(within(container).queryByText("Builds up")).toBeNull();
  });
});

describe("taken away as a file", () => {
  test("the readings stand in the reader's units, with what is set aside", () => {
    const values = trend().readings.map((r, i) => (i === 7 ? r.value * 10 : r.value));
    const lines = csvOf(trend({}, values), METRIC).trim().split("\n");
    expect(lines).toHaveLength(13);
    expect(lines[0]).toBe('Day,"Value, mg/L",As entered,Method,Set aside');
    expect(lines.filter((l) => l.endsWith(",yes"))).toEqual([lines[8]]);
    const fahrenheit = { ...trend(), parameter: "temperature" as const, answer: null };
    const warm = csvOf(fahrenheit, { ...METRIC, temperature: "°F" }).split("\n");
    expect(warm[0]).toContain("Value, °F");
    // 20 °C.
    expect(warm[1]?.split(",")[1]).toBe("68");
  });
  test("the drawing stands by itself: no class, nothing to take hold of, its size and its ground", () => {
    const { container } = show(trend());
    const text = svgText(container.querySelector("svg") as SVGSVGElement);
    expect(text).toMatch(/^<svg [^>]*width="1080"/);
    expect(text).not.toContain("class=");
    expect(text).not.toContain('role="slider"');
    expect(text.match(/data-reading=/g)).toHaveLength(container.querySelectorAll("[data-reading]").length);
    // What is on the page stays.
    expect(container.querySelectorAll('[role="slider"]')).toHaveLength(2);
  });
  test("how far back is chosen where there is more than is shown at first", async () => {
    const { container } = show(trend());
    const before = container.querySelectorAll("[data-reading]").length;
    await userEvent.click(screen.getByRole("button", { name: "a year" }));
    expect(screen.getByRole("button", { name: "a year" }).getAttribute("aria-pressed")).toBe("true");
    expect(container.querySelectorAll("[data-reading]").length).toBeGreaterThan(before);
  });
});

describe("the days that are looked at", () => {
  const days = (container: HTMLElement) =>
    [...container.querySelectorAll("[data-reading]")].map((r) => r.getAttribute("aria-label")).length;
  test("are typed: between two days, and none that ends before it begins", async () => {
    const { container } = show(trend());
    const all = days(container);
    const from = screen.getByLabelText<HTMLInputElement>("From day");
    fireEvent.change(from, { target: { value: "2026-10-01" } });
    fireEvent.blur(from);
    expect(days(container)).toBeLessThan(all);
    expect(screen.getByLabelText<HTMLInputElement>("From day").value).toBe("2026-10-01");
    const few = days(container);
    const to = screen.getByLabelText<HTMLInputElement>("To day");
    fireEvent.change(to, { target: { value: "2026-09-01" } });
    fireEvent.blur(to);
    expect(days(container)).toBe(few);
    fireEvent.change(to, { target: { value: "2026-11-01" } });
    fireEvent.blur(to);
    expect(days(container)).toBeLessThan(few);
    // Only the past is looked at: nothing ahead to take hold of.
    expect(screen.queryByRole("slider")).toBeNull();
    expect(container.innerHTML).not.toContain("NaN");
    await userEvent.click(screen.getByRole("button", { name: "five months" }));
    expect(days(container)).toBe(all);
  });
  test("without a reading in them are an empty drawing, not a broken one", () => {
    const { container } = drawnWith(trend({ answer: null }), null);
    const [from, to] = [screen.getByLabelText("From day"), screen.getByLabelText("To day")];
    fireEvent.change(from, { target: { value: "2025-01-01" } });
    fireEvent.blur(from);
    fireEvent.change(screen.getByLabelText("To day"), { target: { value: "2025-02-01" } });
    fireEvent.blur(to.isConnected ? to : screen.getByLabelText("To day"));
    expect(days(container)).toBe(0);
    expect(container.innerHTML).not.toMatch(/NaN|Infinity/);
  });
});

test("what the next visits will probably read stands under the answers, each with its range", () => {
  const { container } = show(trend());
  const said = container.querySelector("[data-next-visits]")?.textContent ?? "";
  expect(said).toMatch(/^Will probably read, mg\/L/);
  expect(said.match(/[\d.]+ to [\d.]+/g)).toHaveLength(3);
  cleanup();
  const none = show(trend({ plannedDays: [] }));
  expect(none.container.querySelector("[data-next-visits]")).toBeNull();
});

describe("all figures of a tank", () => {
  const bands: Band[] = [band, { ...band, parameter: "ph", idealLow: 7.6, idealHigh: 8.4, actLow: 7.2, actHigh: 8.8 }];
  const small = (readings: readonly SmallReading[]) =>
    draw(
      <Multiples
        {...{ bands, readings, today: "2026-11-29", units: METRIC }}
        labelOf={(p) => (p === "ph" ? "pH" : "Nitrate")}
        hrefOf={(p) => `/tanks/t?tab=readings&of=${p}`}
      />,
    );
  test("each says its last value, draws what was read, and opens its own drawing", () => {
    const { container } = small([
      { parameter: "nitrate", value: 36.1, onDate: "2026-11-20" },
      { parameter: "nitrate", value: 20, onDate: "2026-11-06" },
      { parameter: "nitrate", value: 25, onDate: "2026-11-13" },
    ]);
    const nitrate = screen.getByRole("link", { name: /^Nitrate, 36\.1\smg\/L$/ });
    expect(nitrate.getAttribute("href")).toBe("/tanks/t?tab=readings&of=nitrate");
    const path = container.querySelector("path")?.getAttribute("d") ?? "";
    // Oldest first, later further to the right.
    const across = [...path.matchAll(/[ML]([\d.]+) /g)].map((m) => Number(m[1]));
    expect(across).toHaveLength(3);
    expect(across).toEqual([...across].sort((a, b) => a - b));
    expect(screen.getByRole("link", { name: "pH, not read yet" })).toBeTruthy();
    expect(container.innerHTML).not.toContain("NaN");
  });
});

test("that alkalinity and calcium are used in no ratio that can be stands under the curve", () => {
  const together = { alkalinity: 0.5, calcium: 10, expected: 3.6, doubt: "calcium" as const };
  const { container } = show(trend({ together }));
  expect(container.textContent).toContain("Test calcium again, with another kit.");
});

describe("a dosing pump", () => {
  const pump = (step: TankTrend["pumps"][number]["step"]): TankTrend["pumps"][number] => ({
    ...{ id: "pump-1", version: 2, name: "Magnesium pump", step, brings: null },
  });
  const turn = { ok: true, setTo: 13.2, now: 12, used: 15, lastsDays: 20 } as const;
  test("is noted once it was really turned, with the version it was seen in", async () => {
    const saved: unknown[] = [];
    const save: SavePolicy["save"] = async (input) => {
      saved.push(input);
      return { ok: true, value: { kind: "saved", id: "pump-1", version: 3, batchId: "b" } };
    };
    const { container } = show(trend({ pumps: [pump(turn)] }), {
      ...{ tank: { id: "t", version: 1 }, byShare: true, visits: "", save },
    });
    expect(container.querySelector('[data-pump="step"]')?.textContent).toMatch(/lasts 20 days more/);
    await userEvent.click(screen.getByRole("button", { name: "Save new setting, 13.2 mL" }));
    expect(await screen.findByText("Noted: measure again in a week.")).toBeTruthy();
    expect(saved).toEqual([
      { entity: "doser", id: "pump-1", version: 2, confirmed: [], values: { setMlPerDay: 13.2 } },
    ]);
  });
  test("is only told to who may not change it, and left alone where it is right", () => {
    show(trend({ pumps: [pump(turn)] }));
    expect(screen.queryByRole("button", { name: /^Save new setting/ })).toBeNull();
    cleanup();
    const { container } = show(trend({ pumps: [pump({ ok: false, reason: "right", now: 12, lastsDays: null })] }));
    expect(container.querySelector('[data-pump="right"]')?.textContent).toMatch(/leave it at 12\.0 mL/);
  });
});

describe("a doser", () => {
  const step = { ok: true as const, setTo: 0.66, now: 0.6, used: 0.7, leavesPptPerDay: 0.0135 };
  const policyThat = (answer: Awaited<ReturnType<SavePolicy["save"]>>) => {
    const saved: unknown[] = [];
    const save: SavePolicy["save"] = async (input) => {
      saved.push(input);
      return answer;
    };
    return { saved, policy: { tank: { id: "tank-1", version: 3 }, byShare: true, save, visits: "/desk/site/s" } };
  };
  test("is noted once it was really turned", async () => {
    const { saved, policy } = policyThat({
      ok: true,
      value: { kind: "saved", id: "tank-1", version: 4, batchId: "b" },
    });
    const { container } = show(trend({ doser: step }), policy);
    expect(container.querySelector('[data-doser="step"]')?.textContent).toMatch(/turn it up to 0\.66\sdKH/);
    await userEvent.click(screen.getByRole("button", { name: /^Save new setting, 0\.66\sdKH$/ }));
    expect(await screen.findByText("Noted: measure again in a week.")).toBeTruthy();
    expect(saved).toEqual([
      { entity: "tank", id: "tank-1", version: 3, confirmed: [], values: { dosedDkhPerDay: 0.66 } },
    ]);
  });
  test("is not noted where the server says no, and says why", async () => {
    const { policy } = policyThat({ ok: false, code: "gone", message: "This tank is not there any more.", fields: {} });
    show(trend({ doser: step }), policy);
    await userEvent.click(screen.getByRole("button", { name: /^Save new setting/ }));
    expect(await screen.findByText("This tank is not there any more.")).toBeTruthy();
  });
  test("is left alone by who may not change the tank, where it is right, and within a week", () => {
    show(trend({ doser: step }));
    expect(screen.queryByRole("button", { name: /^Save new setting/ })).toBeNull();
    cleanup();
    const { policy } = policyThat({ ok: false, code: "gone", message: "", fields: {} });
    const { container } = show(trend({ doser: { ok: false, reason: "measure-first", fromOn: "2026-12-05" } }), policy);
    expect(container.textContent).toMatch(/measure from 5\sDecember on before you change it again/);
    expect(screen.queryByRole("button", { name: /^Save new setting/ })).toBeNull();
  });
});
