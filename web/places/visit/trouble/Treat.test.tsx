// @vitest-environment happy-dom
import type { Remedy } from "@keel-round/core/treatment";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, test } from "vitest";
import { atTheTank, bundleOf } from "@/testing/phone";
import { factsOf, inputOf } from "../../../../core/src/given/sample.fixture.ts";
import { Treat } from "./Treat";

afterEach(cleanup);

const worms: Remedy = {
  ...{ id: "01a22500-5ba8-76bb-9c9d-d20be8f8fb01", name: "Worm treatment C", group: "medication", per100L: 10 },
  ...{ unit: "mL", labelPercent: null, bottlePercent: null, doses: 2, everyDays: 3, contactDays: 4 },
  ...{ contactMinutes: null, harms: ["snails"], off: ["skimmer"], carbonOut: true, changeShare: 0.3, followUpDays: 2 },
  prescription: false,
};
const antibiotic: Remedy = {
  ...worms,
  ...{ id: "01a22500-5ba8-76bb-9c9d-d20be8f8fb02", name: "Antibiotic", prescription: true, harms: [] },
};

async function atGuide(
  animals: readonly { name: string; count: number }[],
  remedies: readonly Remedy[] = [worms, antibiotic],
) {
  let left = 0;
  const input = { ...inputOf(factsOf("community", { animals })), remedies };
  const phone = await atTheTank(bundleOf(input), [{ type: "start" }], (visit) => (
    <Treat visit={visit} onBegun={() => left++} />
  ));
  const treated = async () => (await phone.logged()).flatMap((b) => (b.type === "treat" ? [b] : []));
  return { ...phone, treated, left: () => left };
}

describe("a treatment at the tank", () => {
  test("is told with its days before anything is logged, begun by one press, and taken back", async () => {
    const { user, treated, logged } = await atGuide([{ name: "tetras", count: 12 }]);
    await user.click(screen.getByText("Start a treatment"));
    await user.selectOptions(screen.getByLabelText("Remedy"), "Worm treatment C");
    const course = document.querySelector("[data-course]")?.textContent ?? "";
    // 200 L at 10 mL for 100 L, twice.
    expect(course).toContain("Dose 1 of 2: 20 mL of Worm treatment C");
    expect(course).toContain("28 November");
    expect(course).toMatch(/2 December.*Back on and in: skimmer and carbon and resins/);
    expect(screen.getByText(/local law and a vet stand above this/)).toBeTruthy();
    expect(await treated()).toEqual([]);
    await user.click(screen.getByRole("button", { name: "Begin the course" }));
    await waitFor(async () => expect(await treated()).toMatchObject([{ litres: 200, on: "2026-11-25" }]));
    await user.click(await screen.findByRole("button", { name: "Take back: Worm treatment C" }));
    await waitFor(async () => expect((await logged()).map((b) => b.type)).toContain("treat-back"));
    expect(await screen.findByText("Start a treatment")).toBeTruthy();
  });
  test("is refused with the names of whom it harms: there is nothing to press", async () => {
    const { user } = await atGuide([
      { name: "tetras", count: 12 },
      { name: "nerite snails", count: 3 },
    ]);
    await user.click(screen.getByText("Start a treatment"));
    await user.selectOptions(screen.getByLabelText("Remedy"), "Worm treatment C");
    expect(screen.getByRole("alert").textContent).toBe("Worm treatment C harms animals of this tank: nerite snails.");
    expect(screen.queryByRole("button", { name: "Begin the course" })).toBeNull();
  });
  test("that needs a prescription is not offered: a vet decides", async () => {
    const { user } = await atGuide([{ name: "tetras", count: 12 }]);
    await user.click(screen.getByText("Start a treatment"));
    await user.selectOptions(screen.getByLabelText("Remedy"), "Antibiotic");
    expect(screen.getByRole("alert").textContent).toMatch(/an aquatic vet decides/);
    expect(screen.queryByRole("button", { name: "Begin the course" })).toBeNull();
  });
  test("an empty roster is said, an empty register too", async () => {
    const { user } = await atGuide([]);
    await user.click(screen.getByText("Start a treatment"));
    await user.selectOptions(screen.getByLabelText("Remedy"), "Worm treatment C");
    expect(screen.getByText(/Nobody has entered the animals of this tank/)).toBeTruthy();
    cleanup();
    await atGuide([], []);
    expect(screen.getByText(/no remedies in its register yet/)).toBeTruthy();
  });
});
