// @vitest-environment happy-dom
import { METRIC } from "@keel-round/core/units";
import type { Board } from "@keel-round/core/weeks";
import { cleanup, fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, test } from "vitest";
import { draw } from "@/testing/draw";
import { boardOf, ines, MONDAY, stopOf, tobiah } from "../../../core/src/weeks/board.fixture.ts";
import { Chosen } from "./Chosen";

afterEach(cleanup);

function choose(board: Board, ids: readonly string[]) {
  const did: unknown[][] = [];
  const say =
    (what: string) =>
    (...values: unknown[]) => {
      did.push([what, ...values]);
    };
  draw(
    <Chosen
      board={board}
      ids={ids}
      today={MONDAY}
      units={METRIC}
      busy={false}
      locked={false}
      onLock={say("lock")}
      onPut={say("put")}
      onAdd={say("add")}
      onDone={say("done")}
    />,
  );
  const day = screen.queryByLabelText("Day") as HTMLInputElement;
  return { did, day, pick: (on: string) => fireEvent.change(day, { target: { value: on } }) };
}
const move = () => screen.getByRole("button", { name: /^Move stops?$/ }) as HTMLButtonElement;

describe("a stop that is chosen", () => {
  test("stands on its day: nothing to move until another day or person is named", async () => {
    const { did, pick } = choose(boardOf([stopOf("Clinic")]), ["Clinic"]);
    expect(move().disabled).toBe(true);
    pick("2026-12-02");
    expect(screen.getByText("The days take no longer.")).toBeTruthy();
    await userEvent.click(move());
    expect(did).toEqual([["put", ["Clinic"], { personId: "ines", on: "2026-12-02" }]]);
  });
  test("says what it would break, and may be moved all the same", async () => {
    const of = boardOf([stopOf("Clinic", { condition: "drifting" })]);
    const { did, pick } = choose(of, ["Clinic"]);
    pick("2026-12-02");
    expect(screen.getByText("2 days late, and a reading drifts.")).toBeTruthy();
    await userEvent.click(move());
    expect(did).toHaveLength(1);
  });
  test("is not given to somebody who does not do it, and says why", async () => {
    choose(boardOf([stopOf("Reef", { needs: ["salt"] })], { people: [ines, tobiah] }), ["Reef"]);
    await userEvent.selectOptions(screen.getByLabelText("Who"), "Tobiah");
    expect(screen.getByText("Not there: Tobiah does not do salt water.")).toBeTruthy();
    expect(move().disabled).toBe(true);
  });
  test("goes to no day that is over, and a day half typed moves nothing", () => {
    const { pick } = choose(boardOf([stopOf("Clinic")]), ["Clinic"]);
    pick("2026-11-29");
    expect(screen.getByText("That day is over: choose today or a later day.")).toBeTruthy();
    expect(move().disabled).toBe(true);
    pick("");
    expect(move().disabled).toBe(true);
  });
  test("is set aside only with a reason", async () => {
    const { did } = choose(boardOf([stopOf("Clinic")]), ["Clinic"]);
    const aside = screen.getByRole("button", { name: "Set aside" }) as HTMLButtonElement;
    expect(aside.disabled).toBe(true);
    await userEvent.type(screen.getByLabelText("Or set aside, because"), "  ");
    expect(aside.disabled).toBe(true);
    await userEvent.type(screen.getByLabelText("Or set aside, because"), "owner away");
    await userEvent.click(aside);
    expect(did).toEqual([["put", ["Clinic"], "aside", "owner away"]]);
  });
  test("whose visit has begun stays on its day, and is looked at", () => {
    choose(boardOf([stopOf("Clinic", { begun: true })]), ["Clinic"]);
    expect(screen.getByText("A visit of it has begun: it stays on its day.")).toBeTruthy();
    expect(screen.queryByRole("button", { name: "Move stop" })).toBeNull();
    expect(screen.getByRole("link", { name: "Open stop" }).getAttribute("href")).toBe("/stops/Clinic");
  });
  test("gets one more visit by whom it costs least", async () => {
    const busy = stopOf("hers", { minutes: 500 });
    const { did } = choose(boardOf([stopOf("Clinic", { on: "2026-12-03" }), busy]), ["Clinic"]);
    fireEvent.change(screen.getByLabelText("Day"), { target: { value: MONDAY } });
    await userEvent.click(screen.getByRole("button", { name: "Add one more visit" }));
    expect(did).toEqual([["add", { siteId: "site-Clinic", personId: "tobiah", on: MONDAY }]]);
  });
});

test("several are moved together, and kept together when the round is settled", async () => {
  const { did, pick } = choose(boardOf([stopOf("Clinic"), stopOf("Museum")]), ["Clinic", "Museum"]);
  expect(screen.getByText("2 stops, 2 h")).toBeTruthy();
  pick("2026-12-01");
  await userEvent.click(move());
  await userEvent.click(screen.getByLabelText("Stays when the round is settled"));
  expect(did).toEqual([
    ["put", ["Clinic", "Museum"], { personId: "ines", on: "2026-12-01" }],
    ["lock", true],
  ]);
});
