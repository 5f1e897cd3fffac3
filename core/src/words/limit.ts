import type { Limit } from "../change/index.ts";
import { type Message, m, say, type Value } from "../say/index.ts";
import { METRIC, type UnitPreference } from "../units/index.ts";

/** What holds a change down, with its number. */
export function limitMessage(limit: Limit): Message {
  const most: Value = { litres: limit.maxL };
  const { code, name = "", minutes = 0, value = 0 } = limit;
  switch (code) {
    case "landmark":
      return minutes > 0 ? m("limit.landmark.minutes", { name, minutes, most }) : m("limit.landmark", { name, most });
    case "animals":
      return m("limit.animals", { share: { figure: (limit.value ?? 1) * 100, decimals: 0 }, most });
    case "alkalinity-a-day":
      return m("limit.alkalinity-a-day", { value: { moves: value, unit: "dKH moved" }, most });
    case "calcium-a-day":
    case "magnesium-a-day":
    case "gh-a-day":
      return m(`limit.${code}`, { value, most });
    case "salinity-a-day":
      return m("limit.salinity-a-day", { value: { moves: value, unit: "ppt moved" }, most });
    case "temperature-a-day":
      return m("limit.temperature-a-day", { value: { reading: value, of: "temperature" }, most });
    case "time-on-site":
      return m("limit.time-on-site", { minutes: Math.round(minutes), most });
    case "free-ammonia":
      return m("limit.free-ammonia", { value: { mgL: value, decimals: 3 } });
    default:
      return m(`limit.${code}`, { most });
  }
}

/** The same in words. */
export const limitSentence = (limit: Limit, units: UnitPreference = METRIC): string => say(limitMessage(limit), units);
