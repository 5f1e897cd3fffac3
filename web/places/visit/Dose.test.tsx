// @vitest-environment happy-dom
import type { DoseProduct } from "@keel-round/core/mixing";
import { METRIC } from "@keel-round/core/units";
import { type OpBody, planVisit, sayPlan } from "@keel-round/core/visit";
import { cleanup, screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, test } from "vitest";
import { atTheTank, bundleOf } from "@/testing/phone";
import { factsOf, inputOf, mix, reading } from "../../../core/src/given/sample.fixture.ts";
import { ClocksProvider } from "./clocks/useClocks";
import { PhaseRow } from "./PhaseRow";
import { isSettled } from "./phaseModel";

afterEach(cleanup);

const soda: DoseProduct = {
  ...{ id: "01a22500-5ba8-76bb-9c9d-d20be8f8fb09", name: "Buffer powder", raises: "alkalinity" },
  ...{ reagent: "sodium bicarbonate", purity: 1, strengthLPerMl: null, mostADay: null, ownerGives: false },
};
/** A reef that is read at 6.0 dKH today. */
const low = (products: readonly DoseProduct[] = [soda]) =>
  inputOf(factsOf("stony-coral", { gear: ["heater", "return", "dosing"] }), {
    ...{ source: mix, products, chosen: { litres: 0, by: "somebody" } },
    readings: [reading("alkalinity", 6, 0.15), reading("salinity", 35, 0.2)],
  });

async function atStep(id: string, input = low(), ...said: OpBody[]) {
  const step = sayPlan(planVisit(input), METRIC).steps.find((s) => s.id === id);
  if (!step) throw new Error(`No step ${id}`);
  const phone = await atTheTank(bundleOf(input), [{ type: "start" }, ...said], (visit) => (
    <ClocksProvider visitId={visit.kept.visitId} tank="">
      <PhaseRow visit={visit} step={step} settled={isSettled(visit.state, step)} />
    </ClocksProvider>
  ));
  const doses = async () => (await phone.logged()).flatMap((b) => (b.type === "dose" ? [b.amount] : []));
  return { ...phone, doses, step };
}
const field = () => screen.getByLabelText<HTMLInputElement>("Given, g");
const tick = () => screen.getByRole("checkbox");

describe("a dose at the tank", () => {
  test("shows the grams big, what it should read then, and what hurts; nothing is logged by looking", async () => {
    const { doses, step } = await atStep("dose-alkalinity");
    // 6.0 g raise 200 L by one dKH; weighed to a tenth, never more.
    expect(document.querySelector("[data-figure]")?.textContent).toBe("5.9");
    expect(document.body.textContent).toMatch(/then it should read 7\.0\s?dKH/);
    expect(step.caution).toMatch(/Bicarbonate lowers pH/);
    expect(field().value).toBe("");
    expect(await doses()).toEqual([]);
  });
  test("is not ticked before somebody says what went in: as planned by one press, or another amount", async () => {
    const { user, doses } = await atStep("dose-alkalinity");
    await user.click(tick());
    expect((await screen.findByRole("alert")).textContent).toBe("Enter what you counted, or tap the planned amount.");
    await user.click(screen.getByRole("button", { name: "5.9 g, as planned" }));
    await waitFor(async () => expect(await doses()).toEqual([5.9]));
    await user.click(tick());
    await waitFor(() => expect(tick().getAttribute("aria-checked")).toBe("true"));
  });
  test("that was more than planned says by how much it raises, and is kept as it was", async () => {
    const { user, doses } = await atStep("dose-alkalinity");
    await user.type(field(), "12");
    await user.tab();
    await waitFor(async () => expect(await doses()).toEqual([12]));
    expect(await screen.findByText(/That raises it by 2\.0\s?dKH, more than was planned for today/)).toBeTruthy();
  });
  test.each(["-1", "some", "1,5,2"])("%s is refused beside the field and stays as typed", async (typed) => {
    const { user, doses } = await atStep("dose-alkalinity");
    await user.type(field(), typed);
    await user.tab();
    expect((await screen.findByRole("alert")).textContent).toMatch(/is not a number\. Enter g as a number/);
    expect(field().value).toBe(typed);
    expect(await doses()).toEqual([]);
  });
  test("that no water could hold is refused", async () => {
    const { user, doses } = await atStep("dose-alkalinity");
    await user.type(field(), "9000");
    await user.tab();
    expect((await screen.findByRole("alert")).textContent).toMatch(/past anything a tank can hold/);
    expect(await doses()).toEqual([]);
  });
});

describe("a figure that is not dosed", () => {
  test("says why, has nothing to tick, and nobody decides otherwise at the tank", async () => {
    const { user } = await atStep("held:dose-alkalinity", low([]));
    expect(screen.queryByRole("checkbox")).toBeNull();
    const title = screen.getByRole("button", { name: /No dose today: alkalinity, 6\.0\s?dKH/ });
    if (title.getAttribute("aria-expanded") === "false") await user.click(title);
    expect(document.body.textContent).toMatch(/No product for it stands in the register/);
    expect(screen.queryByRole("button", { name: "it is blocked" })).toBeNull();
  });
});
