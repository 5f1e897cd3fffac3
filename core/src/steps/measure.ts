import { fedBefore } from "../given/index.ts";
import { problemSentence, usualKit } from "../kits/index.ts";
import { plain } from "../programme/index.ts";
import { m } from "../say/index.ts";
import type { TankFacts } from "../tank/index.ts";
import { inSentence } from "../text/index.ts";
import { parameterFacts } from "../units/index.ts";
import { type Making, own, portion, type Step, stepOf } from "./step.ts";

/** Bubbles are caught under a bell or swallowed: barred whatever way is chosen. */
const NO_BUBBLES: readonly TankFacts["kind"][] = ["jellyfish", "seahorse"];

/** Leftovers float free before they leave with the water. */
const EATING = { aloneMinutes: 15, alone: m("feed-before.alone"), until: ["drain", "exchange"] } as const;

/** A reading that does not fit, and a pH without which ammonia says nothing: measured before anything is drained. */
export function retests(making: Making): Step[] {
  return making.water.reasons.flatMap((reason): Step[] => {
    if (reason.code === "retest")
      return [
        stepOf(making, "retest", "test", 45, 3, {
          title: m("retest.title", { parameter: inSentence(parameterFacts[reason.parameter].label) }),
          reason: [m("retest.reason")],
          enters: [{ reading: reason.parameter, needed: true }],
          kit: [{ item: "the same kit", amount: "a fresh sample" }],
        }),
      ];
    if (reason.code === "ph-first" && reason.of === "tank")
      return [
        stepOf(making, "ph-first", "test", 45, 3, {
          ...own("ph-first"),
          enters: [{ reading: "ph", needed: true }],
          kit: plain("pH meter or kit"),
        }),
      ];
    return [];
  });
}

/** It is done once for all tanks that are read with it: counted in each, a day would look longer than it is. */
const CALIBRATE_MINUTES = 0;

/** A step whose tick says that a kit was calibrated. */
export const calibrates = (kitId: string): string => `calibrate:${kitId}`;

/** Instruments that are due, where this visit reads with them. */
export function calibrations(making: Making, others: readonly Step[]): Step[] {
  const { kits = [], readings, facts } = making.input;
  const read = new Set(others.flatMap((s) => (s.enters ?? []).flatMap((e) => ("reading" in e ? [e.reading] : []))));
  return [...read].flatMap((parameter) => {
    const last = readings.findLast((r) => r.parameter === parameter)?.kit;
    const usual = usualKit(kits, parameter, facts.practice, last);
    const due = usual?.problems.find((p) => p.code === "calibration-due");
    if (!usual || !due) return [];
    const named = { kit: inSentence(usual.kit.name) };
    return [
      stepOf(making, calibrates(usual.kit.id), "test", 39, CALIBRATE_MINUTES, {
        title: m("calibrate.title", named),
        done: m("calibrate.done", named),
        reason: [problemSentence(due), m("calibrate.reason")],
        craft: [m("calibrate.craft")],
        kit: plain("calibration fluid"),
      }),
    ];
  });
}

/** Feeding before the change, by the tank's practice or always. */
export function fedFirst(making: Making): Step[] {
  const { facts } = making.input;
  const always = fedBefore(facts);
  const before = facts.practice.feeding === "before";
  if (!before && always === null) return [];
  return [
    stepOf(making, "feed-before", "feed-before", 30, 3, {
      title: m("feed-before.title"),
      reason: [always ? m("feed-before.always", { why: always }) : m("feed-before.reason")],
      craft: portion(making),
      kit: [{ item: "food", used: true }],
      ...(making.changing && before ? EATING : {}),
    }),
  ];
}

/** Air under the rock, where fine bubbles are used on purpose. */
export function bubbles(making: Making): Step[] {
  const { facts } = making.input;
  if (facts.practice.bubbles !== "on-purpose" || NO_BUBBLES.includes(facts.kind) || !making.changing) return [];
  return [
    stepOf(making, "bubbles", "lift", 79, 3, {
      ...own("bubbles"),
      kit: plain("air pump and stone"),
      caution: [m("bubbles.caution")],
    }),
  ];
}
