import { describe, expect, test } from "vitest";
import { NO_TICKS, readTicks, staysAt, tickBack, tickLoaded } from "./ticks";

describe("what was loaded and came back", () => {
  test("is ticked and unticked, each thing by itself", () => {
    const salt = tickLoaded(NO_TICKS, "salt");
    expect(salt.loaded).toEqual(["salt"]);
    expect(tickLoaded(tickLoaded(salt, "hose"), "salt").loaded).toEqual(["hose"]);
  });
  test("what stayed at a place is not back, and what came back stays nowhere", () => {
    const stayed = staysAt(tickBack(NO_TICKS, "hose"), "hose", "Seagrass Lab");
    expect(stayed).toMatchObject({ back: [], stays: { hose: "Seagrass Lab" } });
    expect(tickBack(stayed, "hose")).toMatchObject({ back: ["hose"], stays: {} });
    expect(staysAt(stayed, "hose", "").stays).toEqual({});
  });
  test.each([null, "", "{half", "[]", '{"loaded":1}', '{"loaded":["a"]}'])(
    "is read from the device whatever lies there: %s",
    (kept) => expect(readTicks(kept)).toEqual(NO_TICKS),
  );
  test("is read as it was kept", () => {
    const ticks = { loaded: ["a"], back: ["b"], stays: { c: "Kettle" } };
    expect(readTicks(JSON.stringify(ticks))).toEqual(ticks);
  });
});
