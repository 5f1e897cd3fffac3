import { describe, expect, test } from "vitest";
import { litresText, METRIC, withUnit } from "../units/index.ts";
import { catalogue, worked } from "../worked/index.ts";
import {
  CONDITION_WORD,
  checkSentence,
  conditionSentence,
  limitSentence,
  limitWords,
  scoopsText,
  waterSentence,
} from "./index.ts";

const US = { ...METRIC, volume: "US gal", temperature: "°F", salinity: "SG 25/25" } as const;

describe("salt by the scoop", () => {
  test.each([
    [1340, 100, "13 scoops and 40 g"],
    [200, 100, "2 scoops"],
    [100.2, 100, "1 scoop"],
    [99.9, 100, "1 scoop"],
    [60, 100, "60 g, less than a scoop"],
  ] as const)("%d g in scoops of %d g", (grams, scoop, said) => expect(scoopsText(grams, scoop)).toBe(said));
});

describe("sentences carry their numbers in the person's units", () => {
  test("litres and readings", () => {
    expect(litresText(95)).toBe("95\u00a0L");
    expect(litresText(9.64)).toBe("9.6\u00a0L");
    expect(litresText(95, US)).toBe("25.1\u00a0US gal");
    expect(withUnit("temperature", 25, US)).toBe("77.0\u00a0°F");
    expect(withUnit("ph", 8.2)).toBe("8.20");
  });
  test("what was read after the change, and what is left to do", () => {
    const read = {
      parameter: "nitrate",
      expected: worked("reading-after", 20, "mg/L", {}, 1),
      read: 21,
      sigma: 1,
      fits: true,
      againL: null,
      againOn: null,
    } as const;
    expect(checkSentence(read)).toBe("21.0\u00a0mg/L after the change, as expected.");
    expect(checkSentence({ ...read, againL: 40, againOn: "2026-03-05" })).toBe(
      "21.0\u00a0mg/L after the change, as expected. A second change of 40\u00a0L today brings it down further. The rest on 5 March.",
    );
    expect(checkSentence({ ...read, againOn: "2026-03-05" })).toContain(
      "It is above its target still: change again on 5 March.",
    );
    expect(checkSentence({ ...read, read: 34, fits: false })).toContain(
      "34.0\u00a0mg/L after the change, and 20.0\u00a0mg/L was expected: measure once more",
    );
  });
  test("why a tank is in its condition", () => {
    expect(
      conditionSentence({
        code: "beyond-act",
        parameter: "alkalinity",
        value: 6.4,
        limit: 6.8,
        side: "low",
        retest: false,
      }),
    ).toBe("alkalinity 6.4\u00a0dKH, below its limit of 6.8");
    expect(
      conditionSentence({ code: "beyond-act", parameter: "ph", value: 9, limit: 8.6, side: "high", retest: true }),
    ).toBe("pH 9.00, above its limit of 8.60; re-test");
    expect(conditionSentence({ code: "will-cross", parameter: "nitrate", limit: 40, inDays: 4.4, perDay: 1.2 })).toBe(
      "nitrate reaches 40.0 in 4 days",
    );
    expect(conditionSentence({ code: "no-reading", parameter: "salinity", ageDays: 30 })).toBe(
      "last salinity reading is 30 days old",
    );
    expect(conditionSentence({ code: "slipped-twice", task: "Soak the pump" })).toBe("soak the pump has slipped twice");
    expect(Object.values(CONDITION_WORD)).toEqual(["Steady", "Drifting", "Off course", "Not known"]);
  });
  test("what holds a change down", () => {
    expect(limitSentence({ code: "landmark", maxL: 104, name: "highest coral", minutes: 10 })).toBe(
      "The highest coral may stand in air for 10 min, longer while it is kept wet: at most 104\u00a0L.",
    );
    expect(limitSentence({ code: "landmark", maxL: 30, name: "media", minutes: 0 })).toBe(
      "The media must stay under water: at most 30\u00a0L.",
    );
    expect(limitSentence({ code: "animals", maxL: 45, value: 0.3 })).toBe(
      "These animals bear at most 30 % at one time: 45\u00a0L.",
    );
    expect(limitSentence({ code: "temperature-a-day", maxL: 20, value: 10 }, US)).toBe(
      "The new water comes at 50.0\u00a0°F, and the tank's temperature may move only so far in a day: at most 5.3\u00a0US gal.",
    );
  });
  test("what the plan says, with what to do", () => {
    expect(waterSentence({ code: "raised", parameter: "nitrate", value: 47, target: 30, fromL: 50 })).toBe(
      "Raised from 50\u00a0L: nitrate is 47.0\u00a0mg/L and should come to 30.0, well inside its band.",
    );
    expect(waterSentence({ code: "ammonia-would-rise", before: 0.0046, after: 0.031, limit: 0.02, ph: 7.6 })).toContain(
      "Do not change water: free ammonia would rise from 0.005 to 0.031 mg/L (limit 0.020), because the pH could reach 7.6. Bind the ammonia",
    );
    expect(waterSentence({ code: "retest", parameter: "nitrate", value: 80, expected: 34, offers: [] })).toContain(
      "Measure it once more",
    );
    expect(waterSentence({ code: "no-reading", parameters: ["nitrate", "ph"] })).toContain(
      "measure nitrate and pH first",
    );
  });
});

test("every formula that can be opened says what, how, from where and how far", () => {
  for (const [id, words] of Object.entries(catalogue))
    for (const part of [words.title, words.words, words.source, words.limits])
      expect(part.length, id).toBeGreaterThan(4);
});

test("units set too often: the plan keeps the rule, and says where a person may decide otherwise", () => {
  const limit = { units: ["left", "right"], leastEveryDays: 56, setEveryDays: 21 };
  expect(limitWords(limit, true)).toContain("each comes every 8 weeks or less often; one is set to every 3 weeks");
  expect(limitWords(limit, true)).toContain("keeps the rule");
  expect(limitWords(limit, false)).toContain("decide otherwise");
});
