import { describe, expect, test } from "vitest";
import { say } from "../say/index.ts";
import { METRIC } from "../units/index.ts";
import { boardOf, MONDAY, stopOf } from "./board.fixture.ts";
import { type BoardStop, offersFor, stopsAway, weekOf, withAway } from "./index.ts";

const stop = (id: string, change: Partial<BoardStop> = {}) => stopOf(id, { needs: ["fresh"], ...change });
const board = boardOf;

const days = [...weekOf(MONDAY), ...weekOf("2026-12-07")];
const [, TUESDAY, WEDNESDAY, THURSDAY] = days as [string, string, string, string];
const ill = { id: "away", fromOn: MONDAY, untilOn: TUESDAY, why: "ill" };

/** What is offered when Ines is ill on Monday and Tuesday. */
function offered(stops: BoardStop[]) {
  const of = withAway(board(stops), ["ines"], ill);
  return offersFor(of, stopsAway(of, ["ines"], ill), days).map((o) => ({
    ...o,
    says: o.says.map((m) => say(m, METRIC)),
  }));
}

describe("somebody is ill", () => {
  test("whose stops a colleague does on the same day where they know how", () =>
    expect(offered([stop("a")])).toEqual([{ stopId: "a", to: { personId: "tobiah", on: MONDAY }, says: [] }]));
  test("whose salt water waits for them where it may", () =>
    expect(offered([stop("reef", { needs: ["salt"] })])).toEqual([
      { stopId: "reef", to: { personId: "ines", on: WEDNESDAY }, says: [] },
    ]));
  test("what drifts gets the room first, before what is steady", () => {
    // Tobiah has room for one of them on Monday: eight hours of nine are taken.
    const busy = stop("his", { personId: "tobiah", minutes: 400 });
    const of = [stop("steady", { minutes: 90 }), stop("drifts", { condition: "drifting", minutes: 90 }), busy];
    const both = offered(of);
    expect(both.find((o) => o.stopId === "drifts")?.to).toEqual({ personId: "tobiah", on: MONDAY });
    expect(both.find((o) => o.stopId === "steady")?.to).not.toEqual({ personId: "tobiah", on: MONDAY });
  });
  test("what drifts and only they can do comes late rather than not at all, and says so", () => {
    const [offer] = offered([stop("reef", { needs: ["salt"], condition: "drifting" })]);
    expect(offer?.to).toEqual({ personId: "ines", on: WEDNESDAY });
    expect(offer?.says).toEqual(["2 days late, and a reading drifts."]);
  });
  test("what can go nowhere is named, with nothing claimed", () => {
    const morning = { from: 480, to: 545 };
    const [offer] = offered([stop("reef", { needs: ["salt"], windows: { 1: morning }, gapDays: 7 })]);
    expect(offer).toMatchObject({ to: null });
    expect(offer?.says).toEqual(["Nobody who does it is free near its day, within its hours."]);
  });
  test("what has begun, is set aside, or lies on another day stays", () => {
    const of = board([
      stop("begun", { begun: true }),
      stop("aside", { setAside: "x" }),
      stop("later", { on: THURSDAY }),
    ]);
    expect(stopsAway(of, ["ines"], ill)).toEqual([]);
  });
  test("each offer leaves less room for the next: no day gets too long", () => {
    const many = offered(Array.from({ length: 6 }, (_, i) => stop(`s${i}`, { minutes: 200 })));
    const onDay = (personId: string, on: string) =>
      many.filter((o) => o.to?.personId === personId && o.to.on === on).length;
    for (const on of days) for (const who of ["ines", "tobiah"]) expect(onDay(who, on)).toBeLessThanOrEqual(2);
  });
});
