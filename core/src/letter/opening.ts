import type { Condition, ConditionReason } from "../readings/index.ts";
import { isPlainCode, type Message, m, told, type Value } from "../say/index.ts";
import type { Band } from "../tank/index.ts";
import { inSentence, sentence } from "../text/index.ts";
import type { Parameter } from "../units/index.ts";
import type { Saying } from "./wording.ts";

const MOST_REASONS = 3;

/** The condition as the letter's first sentence: the answer. */
export function headingOf(tank: Message, state: Condition["state"], mending: boolean): Message {
  if (state === "off") return m(mending ? "letter.heading.mending" : "letter.heading.off", { tank });
  return m(`letter.heading.${state}`, { tank });
}

/** What was measured: nothing, all of it right, or some of it so little out of place that its kit cannot tell. */
type Measured = "nothing" | "right" | "near";

export const measuredOf = (rows: readonly { readonly standing: "ideal" | "watch" | "act" }[]): Measured => {
  if (rows.length === 0) return "nothing";
  return rows.every((r) => r.standing === "ideal") ? "right" : "near";
};

/** Why the tank is as it is: what decides, and what else is out of place. */
export function whySo(condition: Condition, bands: readonly Band[], measured: Measured): Saying[] {
  const reasons = toldReasons(condition);
  const first = reasons[0];
  if (!first) return [ALL[measured]];
  const never = reasons.flatMap((r) => (r.code === "no-reading" && r.ageDays === null ? [r.parameter] : []));
  return [
    ...reasons.flatMap((reason) => reasonSayings(reason, bands)),
    ...(never.length > 0 ? [neverRead(never)] : []),
    ...meaning(first),
  ];
}

/** What decides and what comes next, each parameter once. */
function toldReasons({ reason, others }: Condition): ConditionReason[] {
  const subject = (r: ConditionReason) => ("parameter" in r ? r.parameter : JSON.stringify(r));
  const all = reason ? [reason, ...others] : [];
  return all.filter((r, i) => all.findIndex((o) => subject(o) === subject(r)) === i).slice(0, MOST_REASONS);
}

const ALL: Readonly<Record<Measured, Saying>> = {
  right: { ways: [m("letter.right"), m("letter.right.b"), m("letter.right.c")] },
  near: { ways: [m("letter.near"), m("letter.near.b")] },
  nothing: { ways: [m("letter.nothing-measured"), m("letter.nothing-measured.b")] },
};

function reasonSayings(reason: ConditionReason, bands: readonly Band[]): Saying[] {
  switch (reason.code) {
    case "open-finding":
      return [{ ways: [told(sentence(reason.text))] }];
    case "slipped-twice": {
      const job = inSentence(reason.task);
      return [{ ways: [m("letter.slipped", { job }), m("letter.slipped.b", { job })] }];
    }
    case "not-looked-again":
      return [{ ways: [m("letter.not-looked-again", { trouble: inSentence(reason.trouble) })] }];
    case "free-ammonia": {
      const figures = {
        value: { mgL: reason.value, decimals: 3 },
        limit: { mgL: reason.limit, decimals: 3 },
      };
      return [{ ways: [m("letter.ammonia", figures), m("letter.ammonia.b", figures)] }];
    }
    case "will-cross": {
      const { parameter } = reason;
      const said = {
        parameter: { parameter },
        limit: { reading: reason.limit, of: parameter },
        days: Math.max(1, Math.round(reason.inDays)),
      };
      return [{ ways: [m("letter.will-cross", said), m("letter.will-cross.b", said)] }];
    }
    case "no-reading":
      return reason.ageDays === null ? [] : [lastRead(reason.parameter, reason.ageDays)];
    default:
      return outOfBand(reason, bands);
  }
}

/** Parameters of which there is no reading at all. */
function neverRead(parameters: readonly Parameter[]): Saying {
  const all = { parameters: { all: parameters.map((parameter) => ({ parameter })) } };
  return { ways: [m("letter.no-reading", { ...all, count: parameters.length }), m("letter.no-reading.b", all)] };
}

function lastRead(parameter: Parameter, days: number): Saying {
  const said = { parameter: { parameter }, days };
  return { ways: [m("letter.old-reading", said), m("letter.old-reading.b", said)] };
}

function outOfBand(
  reason: Extract<ConditionReason, { code: "beyond-act" | "outside-ideal" }>,
  bands: readonly Band[],
): Saying[] {
  const { parameter, value, side } = reason;
  const band = bands.find((b) => b.parameter === parameter);
  const bare = (reading: number): Value => ({ reading, of: parameter, bare: true });
  const said = {
    parameter: { parameter },
    begins: { parameter, begins: true },
    side: side === "high" ? "high" : "other",
    value: { reading: value, of: parameter },
    low: bare(Math.max(0, band?.idealLow ?? reason.limit)),
    high: bare(band?.idealHigh ?? reason.limit),
  } as const;
  const far = reason.code === "beyond-act";
  return [
    {
      ways: far
        ? [m("letter.far", said), m("letter.far.b", said)]
        : [m("letter.outside", said), m("letter.outside.b", said)],
    },
    ...(far && reason.retest ? [{ ways: [m("letter.retest")], optional: true }] : []),
  ];
}

/** What a parameter is, for somebody who only sees the tank; it is not told twice running. */
function meaning(reason: ConditionReason): Saying[] {
  if (!("parameter" in reason)) return [];
  const code = `letter.means.${reason.parameter}`;
  return isPlainCode(code) ? [{ ways: [m(code)], optional: true }] : [];
}
