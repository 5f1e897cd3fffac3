import type { ConditionReason, ConditionState } from "../readings/index.ts";
import { type Message, m, say, type Value } from "../say/index.ts";
import { inSentence } from "../text/index.ts";
import { METRIC, type UnitPreference } from "../units/index.ts";

/** The word of each condition. */
export const CONDITION_WORD: Record<ConditionState, string> = {
  steady: "Steady",
  drifting: "Drifting",
  off: "Off course",
  unknown: "Not known",
};

export function conditionMessage(reason: ConditionReason): Message {
  if (reason.code === "open-finding") return { told: reason.text };
  if (reason.code === "slipped-twice") return m("condition.slipped-twice", { job: inSentence(reason.task) });
  if (reason.code === "not-looked-again")
    return m("condition.not-looked-again", { trouble: reason.trouble, day: { day: reason.by } });
  if (reason.code === "free-ammonia") {
    const { value, limit } = reason;
    return m("condition.free-ammonia", {
      value: { mgL: value, decimals: 3 },
      limit: { figure: limit, decimals: 3 },
    });
  }
  const { parameter } = reason;
  const bare = (reading: number): Value => ({ reading, of: parameter, bare: true });
  const name: Value = { parameter };
  switch (reason.code) {
    case "beyond-act":
      return m(reason.retest ? "condition.beyond-act.retest" : "condition.beyond-act", {
        parameter: name,
        value: { reading: reason.value, of: parameter },
        side: reason.side === "high" ? "high" : "other",
        limit: bare(reason.limit),
      });
    case "outside-ideal":
      return m("condition.outside-ideal", {
        parameter: name,
        value: { reading: reason.value, of: parameter },
        side: reason.side === "high" ? "high" : "other",
        limit: bare(reason.limit),
      });
    case "will-cross":
      return m("condition.will-cross", {
        parameter: name,
        limit: bare(reason.limit),
        days: Math.max(1, Math.round(reason.inDays)),
      });
    case "no-reading":
      return reason.ageDays === null
        ? m("condition.no-reading", { parameter: name })
        : m("condition.old-reading", { parameter: name, days: reason.ageDays });
  }
}

/** One sentence fragment of why a tank is in its condition, for lists and headings. */
export const conditionSentence = (reason: ConditionReason, units: UnitPreference = METRIC): string =>
  say(conditionMessage(reason), units);
