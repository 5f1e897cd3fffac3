import { fedBefore } from "../given/index.ts";
import { m } from "../say/index.ts";
import type { TankBook } from "../tank/index.ts";
import { inSentence } from "../text/index.ts";
import { parameterFacts } from "../units/index.ts";
import { type Making, own, plain, type Step, stepOf } from "./step.ts";

/** Bubbles are caught under a bell or swallowed: barred whatever way is chosen. */
const NO_BUBBLES: readonly TankBook["kind"][] = ["jellyfish", "seahorse"];

/** Leftovers float free before they leave with the water. */
const EATING = { aloneMinutes: 15, until: ["drain", "exchange"] } as const;

/** A reading that does not fit, and a pH without which ammonia says nothing: measured before anything is drained. */
export function retests(making: Making): Step[] {
  return making.water.reasons.flatMap((reason): Step[] => {
    if (reason.code === "retest")
      return [
        stepOf(making, "retest", "test", 45, 3, {
          title: m("retest.title", { parameter: inSentence(parameterFacts[reason.parameter].label) }),
          reason: [m("retest.reason")],
          test: reason.parameter,
          kit: [{ item: "the same kit", amount: "a fresh sample" }],
        }),
      ];
    if (reason.code === "ph-first" && reason.of === "tank")
      return [
        stepOf(making, "ph-first", "test", 45, 3, {
          ...own("ph-first"),
          test: "ph",
          kit: plain("pH meter or kit"),
        }),
      ];
    return [];
  });
}

/** Feeding before the change, by the tank's practice or always. */
export function fedFirst(making: Making): Step[] {
  const { book } = making.input;
  const always = fedBefore(book);
  const before = book.schools.feeding === "before";
  if (!before && always === null) return [];
  return [
    stepOf(making, "feed-before", "feed-before", 30, 3, {
      title: m("feed-before.title"),
      reason: [always ? m("feed-before.always", { why: always }) : m("feed-before.reason")],
      kit: plain("food"),
      ...(making.changing && before ? EATING : {}),
    }),
  ];
}

/** Air under the rock, where fine bubbles are used on purpose. */
export function bubbles(making: Making): Step[] {
  const { book } = making.input;
  if (book.schools.bubbles !== "on-purpose" || NO_BUBBLES.includes(book.kind) || !making.changing) return [];
  return [
    stepOf(making, "bubbles", "lift", 79, 3, {
      ...own("bubbles"),
      kit: plain("air pump and stone"),
      caution: [m("bubbles.caution")],
    }),
  ];
}
