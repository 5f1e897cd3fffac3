// @vitest-environment happy-dom
import { visitState } from "@keel-round/core/visit";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, test } from "vitest";
import type { Kept } from "@/device/useKept";
import { draw } from "@/testing/draw";
import { bundleOf } from "@/testing/phone";
import { factsOf, inputOf, reading, tap } from "../../../../core/src/given/sample.fixture.ts";
import { LoadPart } from "./LoadPart";

afterEach(() => {
  cleanup();
  localStorage.clear();
});

const input = inputOf(factsOf("community"), { source: tap, readings: [reading("nitrate", 60)], tasks: [] });
const keptOf = (...days: { on: string; siteName: string }[]): Kept => ({
  visits: days.map(({ on, siteName }) => ({
    bundle: { ...bundleOf({ ...input, on }), on, siteName, stopId: siteName },
    state: visitState([]),
    waiting: 0,
  })),
  days: days.map(({ on }) => ({ on, van: ["towels"] }) as unknown as Kept["days"][number]),
});
const twoStops = keptOf({ on: "2026-11-26", siteName: "Quay House" }, { on: "2026-11-26", siteName: "Lofts" });
const box = (name: RegExp) => screen.getByRole("checkbox", { name });

describe("the load of a day on the phone", () => {
  test("sums what its visits take, says for which place, and keeps what was ticked through a reload", async () => {
    const user = userEvent.setup();
    const { unmount } = draw(<LoadPart kept={twoStops} />);
    const conditioner = box(/Conditioner A/);
    expect(conditioner.textContent).toMatch(/Quay House [\d.]+ mL, Lofts [\d.]+ mL/);
    const [, sum] = /(\d+) mL$/.exec(conditioner.textContent ?? "") ?? [];
    const parts = [...(conditioner.textContent ?? "").matchAll(/ (\d+) mL[,]?/g)].map((m) => Number(m[1]));
    expect(Number(sum)).toBeGreaterThanOrEqual(Math.max(...parts.slice(0, 2)));
    expect(screen.getByText(/In the van anyway: towels/)).toBeTruthy();
    await user.click(conditioner);
    expect(conditioner.getAttribute("aria-checked")).toBe("true");
    expect(screen.getByRole("button", { name: /^Load 1 of/ })).toBeTruthy();
    unmount();
    draw(<LoadPart kept={twoStops} />);
    expect(box(/Conditioner A/).getAttribute("aria-checked")).toBe("true");
  });
  test("in the evening things come back, or are said to have stayed at a site; a later tick takes that back", async () => {
    const user = userEvent.setup();
    draw(<LoadPart kept={twoStops} />);
    await user.click(screen.getByRole("button", { name: /^Back in 0 of/ }));
    await user.click(box(/^thermometer/));
    expect(screen.getByRole("button", { name: /^Back in 1 of/ })).toBeTruthy();
    await user.selectOptions(screen.getByLabelText("towels stayed at"), "Lofts");
    expect(screen.getByText("Not back: towels, at Lofts.")).toBeTruthy();
    await user.click(box(/^towels/));
    expect(screen.queryByText(/Not back:/)).toBeNull();
  });
  test("of two days that are kept the later one is open, and each keeps its own ticks", async () => {
    const user = userEvent.setup();
    draw(
      <LoadPart kept={keptOf({ on: "2026-11-25", siteName: "Lofts" }, { on: "2026-11-26", siteName: "Quay House" })} />,
    );
    expect(document.querySelector("[data-load]")?.getAttribute("data-load")).toBe("2026-11-26");
    await user.click(box(/Conditioner A/));
    await user.click(screen.getAllByRole("button", { pressed: false })[0] as HTMLElement);
    expect(document.querySelector("[data-load]")?.getAttribute("data-load")).toBe("2026-11-25");
    expect(box(/Conditioner A/).getAttribute("aria-checked")).toBe("false");
  });
  test("says what lies in the van, what comes from which shelf, and what to take where there is too little", () => {
    const conditioner = { knownAs: [], unit: "mL" as const, perUse: 1, shelf: "Shelf B" };
    const stored = (van: number, base: number, instead = "") => ({
      ...twoStops,
      days: twoStops.days.map((d) => ({
        ...d,
        shelf: [{ ...conditioner, name: "Conditioner A", van, base, instead }],
        barrels: [],
      })),
    });
    const { unmount } = draw(<LoadPart kept={stored(1, 900)} />);
    expect(screen.getByText(/^1 mL in the van, \d+ mL from Shelf B$/)).toBeTruthy();
    expect(document.querySelector("[data-short]")).toBeNull();
    unmount();
    const short = draw(<LoadPart kept={stored(0, 2, "the thiosulfate on shelf A")} />);
    expect(document.querySelector("[data-short]")?.textContent).toMatch(
      /^\d+ mL too little in the stores\. Take the thiosulfate on shelf A\.$/,
    );
    short.unmount();
    draw(<LoadPart kept={stored(-4, 0)} />);
    expect(document.querySelector("[data-short]")?.textContent).toBe(
      "None in the stores. Ring the office before you leave: nothing is written down to take instead.",
    );
  });
  test("says which barrel holds the water, and what is short", () => {
    const purified = { ...tap, id: "ro", kind: "purified" as const, name: "Purified water" };
    const shrimp = inputOf(factsOf("shrimp"), { source: purified, readings: [reading("nitrate", 60)], tasks: [] });
    const kept: Kept = {
      visits: [
        {
          bundle: { ...bundleOf({ ...shrimp, on: "2026-11-26" }), on: "2026-11-26", siteName: "Cube", stopId: "c" },
          state: visitState([]),
          waiting: 0,
        },
      ],
      days: [
        {
          ...{ on: "2026-11-26", van: [], shelf: [] },
          barrels: [{ name: "Barrel 3", capacityL: 200, water: "Purified water", litres: 0.4 }],
        } as unknown as Kept["days"][number],
      ],
    };
    draw(<LoadPart kept={kept} />);
    expect(screen.getByText("Barrel 3 holds 0.4 L")).toBeTruthy();
    expect(document.querySelector("[data-short]")?.textContent).toMatch(
      /^[\d.]+\sL short\. Start the purifier before you load\.$/,
    );
  });
  test("of nothing that is kept is nothing", () => {
    draw(<LoadPart kept={{ visits: [], days: [] }} />);
    expect(screen.queryByText("Load")).toBeNull();
  });
});
