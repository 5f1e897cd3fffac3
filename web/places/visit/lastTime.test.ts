import { describe, expect, test } from "vitest";
import { lastTimeLine } from "./lastTime";

describe("what was done last time", () => {
  test.each([
    [{ on: "2026-11-15", by: "Maud", outcome: "done", dirt: 4 }, "Last done on 15 November by Maud; it was dirty."],
    [{ on: "2026-11-15", by: "", outcome: "done" }, "Last done on 15 November."],
    [
      { on: "2026-11-01", by: "Ines", outcome: "skipped", reason: "no time left" },
      "Left out on 1 November by Ines: no time left.",
    ],
    [
      { on: "2026-11-01", by: "Ines", outcome: "decided", reason: "Half as often again is enough" },
      "Decided on 1 November by Ines: half as often again is enough.",
    ],
  ] as const)("%j", (last, line) => expect(lastTimeLine(last)).toBe(line));
});
