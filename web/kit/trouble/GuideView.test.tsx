// @vitest-environment happy-dom
import { METRIC } from "@keel-round/core/units";
import { cleanup, screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, test } from "vitest";
import { draw } from "@/testing/draw";
import { factsOf, inputOf, mix, reading, TODAY } from "../../../core/src/given/sample.fixture";
import { GuideView } from "./GuideView";

afterEach(cleanup);

const shown = (input: Parameters<typeof GuideView>[0]["input"]) =>
  draw(
    <GuideView
      input={input}
      units={METRIC}
      footer={(trouble, seen, unseen) => (
        <output aria-label="chosen">{JSON.stringify({ trouble, seen, unseen })}</output>
      )}
    />,
  );
const chosen = () => JSON.parse(screen.getByLabelText("chosen").textContent ?? "{}");
const reef = inputOf(factsOf("soft-coral", { gear: ["heater", "return", "wave-maker"], startedOn: "2020-01-01" }), {
  source: mix,
  readings: [reading("flow", 2000, 50, "2026-10-09"), reading("flow", 1420, 50, TODAY)],
});

describe("the guide", () => {
  test("says nothing before something is tapped; a tap says what it may be, by what was tapped and by the tank's own figures", async () => {
    const user = userEvent.setup();
    shown(reef);
    expect(screen.queryByLabelText("chosen")).toBeNull();
    const slime = screen.getByRole("button", { name: "Slime sheets" });
    await user.click(slime);
    expect(slime.getAttribute("aria-pressed")).toBe("true");
    await user.click(screen.getByRole("button", { name: "Silt on the bed" }));
    expect(chosen()).toEqual({ trouble: "slime", seen: ["slime-sheets", "silt-on-bed"], unseen: [] });
    const first = document.querySelector('[data-trouble="slime"]') as HTMLElement;
    expect(within(first).getByText("likely")).toBeTruthy();
    expect(within(first).getByText("Return flow down 29 % since 9 October")).toBeTruthy();
    expect(screen.getByText("Look again 2 December.")).toBeTruthy();
  });
  test("a tap that was wrong is taken back, and what followed from it goes with it", async () => {
    const user = userEvent.setup();
    shown(reef);
    await user.click(screen.getByRole("button", { name: "Wet floor" }));
    expect(screen.queryByLabelText("chosen")).not.toBeNull();
    await user.click(screen.getByRole("button", { name: "Wet floor" }));
    expect(screen.queryByLabelText("chosen")).toBeNull();
  });
  test("what tells most is asked with two answers, each of which counts", async () => {
    const user = userEvent.setup();
    shown(inputOf(factsOf("soft-coral", { startedOn: "2020-01-01" }), { source: mix, readings: [] }));
    await user.click(screen.getByRole("button", { name: "Hairy tufts" }));
    expect(screen.getByText(/do the tufts come away in clumps/)).toBeTruthy();
    await user.click(screen.getByRole("button", { name: "No" }));
    expect(chosen()).toMatchObject({ trouble: "hair-rooted", unseen: ["lets-go"] });
    // Young or not, what lets go is brushed; what is rooted is for a specialist.
    expect(screen.getByText(/ask a specialist/)).toBeTruthy();
  });
  test("another one of the three can be opened, and what must not be done is said with it", async () => {
    const user = userEvent.setup();
    shown(reef);
    await user.click(screen.getByRole("button", { name: "Bubble strings" }));
    const dinos = document.querySelector('[data-trouble="dinoflagellates"]') as HTMLElement;
    await user.click(within(dinos).getAllByRole("button")[0] as HTMLElement);
    expect(chosen().trouble).toBe("dinoflagellates");
    expect(screen.getByText(/Do not change more water than planned/)).toBeTruthy();
  });
  test("of a tank without salt nothing of the sea is asked, of bells what they do", () => {
    const { unmount } = shown(inputOf(factsOf("community"), {}));
    expect(screen.queryByRole("button", { name: "Skimmer runs over" })).toBeNull();
    expect(screen.queryByRole("button", { name: "Bells sink" })).toBeNull();
    unmount();
    shown(inputOf(factsOf("jellyfish"), { source: mix }));
    expect(screen.getByRole("button", { name: "Bells sink" })).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Fish gasp" })).toBeNull();
  });
});
