// @vitest-environment happy-dom
import type { OpBody } from "@keel-round/core/visit";
import { cleanup, screen, waitFor, within } from "@testing-library/react";
import { afterEach, describe, expect, test } from "vitest";
import { atTheTank, bundleOf } from "@/testing/phone";
import { factsOf, inputOf } from "../../../core/src/given/sample.fixture.ts";
import { CountEntry } from "./CountEntry";

afterEach(cleanup);

const BARBS = "01a22500-5ba8-76bb-9c9d-d20be8f8fb01";
const SNAILS = "01a22500-5ba8-76bb-9c9d-d20be8f8fb02";

async function counting(...said: OpBody[]) {
  const facts = {
    ...factsOf("community"),
    animals: [
      { id: BARBS, name: "cherry barb", count: 6, traits: [] },
      { id: SNAILS, name: "zebra snail", count: 9, traits: [] },
    ],
  };
  const phone = await atTheTank(bundleOf(inputOf(facts, { readings: [] })), [{ type: "start" }, ...said], (visit) => (
    <CountEntry visit={visit} />
  ));
  const group = (name: string) => within(screen.getByText(name).closest("[data-count]") as HTMLElement);
  const counts = async () =>
    (await phone.logged()).flatMap((b) => (b.type === "count" ? [[b.name, b.of, b.seen, b.dead]] : []));
  return { ...phone, barbs: group("cherry barb"), snails: group("zebra snail"), counts };
}

describe("counting animals at the tank", () => {
  test("one tap on what was there last time enters it; the other group stays empty", async () => {
    const { user, barbs, snails, counts } = await counting();
    await user.click(barbs.getByRole("button", { name: "cherry barb: 6, as last time" }));
    await waitFor(() => expect(barbs.getByLabelText<HTMLInputElement>("cherry barb, seen").value).toBe("6"));
    expect(barbs.queryByRole("button", { name: /as last time/ })).toBeNull();
    expect(snails.getByLabelText<HTMLInputElement>("zebra snail, seen").value).toBe("");
    expect(await counts()).toEqual([["cherry barb", 6, 6, 0]]);
  });
  test("plus and minus on an empty one start from last time", async () => {
    const { user, barbs, counts } = await counting();
    await user.click(barbs.getByRole("button", { name: "cherry barb, seen: less" }));
    await waitFor(async () => expect((await counts()).at(-1)).toEqual(["cherry barb", 6, 6, 0]));
    await user.click(barbs.getByRole("button", { name: "cherry barb, seen: less" }));
    await waitFor(async () => expect((await counts()).at(-1)).toEqual(["cherry barb", 6, 5, 0]));
    expect(await barbs.findByText("1 not seen.")).toBeTruthy();
  });
  test("a missing one that is found dead is said, and may be taken back", async () => {
    const { user, barbs, counts } = await counting({
      type: "count",
      animal: BARBS,
      name: "cherry barb",
      of: 6,
      seen: 4,
      dead: 0,
    });
    await user.click(barbs.getByRole("button", { name: "cherry barb: one is dead" }));
    expect(await barbs.findByText(/1 found dead\./)).toBeTruthy();
    expect((await counts()).at(-1)).toEqual(["cherry barb", 6, 4, 1]);
    await user.click(barbs.getByRole("button", { name: "One fewer dead" }));
    await waitFor(async () => expect((await counts()).at(-1)).toEqual(["cherry barb", 6, 4, 0]));
  });
  test.each(["-2", "3.5", "six", "1e9"])(
    "%s is refused beside the field, kept as typed, and never logged",
    async (typed) => {
      const { user, barbs, counts } = await counting();
      await user.type(barbs.getByLabelText("cherry barb, seen"), typed);
      await user.tab();
      expect((await barbs.findByRole("alert")).textContent).toBe("Enter whole animals, from 0.");
      expect(barbs.getByLabelText<HTMLInputElement>("cherry barb, seen").value).toBe(typed);
      expect(await counts()).toEqual([]);
    },
  );
  test("an emptied field is nobody's count", async () => {
    const { user, barbs, logged } = await counting({
      type: "count",
      animal: BARBS,
      name: "cherry barb",
      of: 6,
      seen: 6,
      dead: 0,
    });
    await user.clear(barbs.getByLabelText("cherry barb, seen"));
    await user.tab();
    expect(await barbs.findByRole("button", { name: "cherry barb: 6, as last time" })).toBeTruthy();
    expect((await logged()).at(-1)).toEqual({ type: "count-back", animal: BARBS });
  });
});
