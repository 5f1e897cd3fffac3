import { METRIC } from "@keel-round/core/units";
import { describe, expect, test } from "vitest";
import { NOTHING_TYPED, readTyped, type Typed } from "./model";

const TODAY = "2026-11-29";
const good: Typed = {
  ...NOTHING_TYPED,
  ...{ name: "Heron Court", contact: "Ada Wren", email: "ada@heron.example", address: "4 Quay Street" },
  ...{ place: "50.42, -4.70", hours: "Tue 8-10", tank: "Lobby tank", every: "2", day: "2" },
  ...{ fromOn: TODAY, personId: "p" },
};
const read = (change: Partial<Typed>) => readTyped({ ...good, ...change }, TODAY, METRIC);

describe("a new client in one go", () => {
  test("every second Tuesday 8 to 10, from the first Tuesday on", () => {
    expect(read({})).toEqual({
      problems: null,
      place: { lat: 50.42, lon: -4.7 },
      windows: { "2": { from: 480, to: 600 } },
      visits: { rhythm: { kind: "weeks", every: 2, weekdays: [2] }, fromOn: "2026-12-01", personId: "p" },
    });
    expect(read({ fromOn: "2026-12-01" })).toMatchObject({ visits: { fromOn: "2026-12-01" } });
    expect(read({ fromOn: "2026-12-02" })).toMatchObject({ visits: { fromOn: "2026-12-08" } });
  });
  test.each([
    ["name", { name: " " }, "Enter the client's name."],
    ["email", { email: "ada" }, "Enter an e-mail address, such as name@house.example."],
    [
      "place",
      { place: "by the quay" },
      "Enter latitude and longitude, such as 50.421, -4.702, or paste the link of a map.",
    ],
    ["hours", { hours: "" }, "Enter when they may be visited, such as Tue 8–10."],
    ["hours", { hours: "Tue 10-8" }, "Tue 10-8: it closes before it opens."],
    ["day", { day: "3" }, "The site is closed on that day: choose another, or change its hours."],
    ["fromOn", { fromOn: "2026-11-28" }, "Enter today or a later day."],
    ["fromOn", { fromOn: "soon" }, "Enter today or a later day."],
    ["personId", { personId: "" }, "Choose who comes."],
    ["tank", { tank: "" }, "Give it a name that the owner would use."],
  ])("%s that cannot be is told beside its field", (field, change, says) => {
    expect(read(change).problems).toMatchObject({ [field]: says });
  });
});
