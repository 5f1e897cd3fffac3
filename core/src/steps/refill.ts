import { TOP_UP } from "../change/index.ts";
import { plain } from "../programme/index.ts";
import { type Message, m } from "../say/index.ts";
import { inSentence } from "../text/index.ts";
import { sumpVolumeL } from "../vessel/index.ts";
import { fromTap, type Making, type Step, stepOf, those } from "./step.ts";

/** So many standard deviations on the unfavourable side. */
const SURELY = 3;
/** Nobody pours in less, minutes. */
const SHORTEST_MINUTES = 0.5;
/** The top-up water is told its temperature where it is this much warmer than it comes, °C. */
const AS_IT_COMES_C = 0.5;

/** Refill by litres, then top up to the fill line. */
export function refillByLitres(making: Making): Step[] {
  const { water } = making;
  const minutes = Math.max(SHORTEST_MINUTES, water.refillMinutes);
  return [
    {
      ...stepOf(making, "refill", "refill", 130, minutes, {
        title: refillTitle(making),
        reason: [m("refill.reason")],
        figure: "refill",
        enters: [{ litres: "inL", needed: true }],
        pressed: m("refill.pressed"),
        runsWater: true,
        kit: plain("refill pump", "dish"),
        craft: those(conditionerParts(making), m("refill.fog")),
        ...(water.conditionerParts.length > 1 ? { caution: [m("refill.air")] } : {}),
      }),
      minutes,
    },
    ...topUpAfter(making),
  ];
}

function refillTitle({ input, water }: Making): Message {
  // Over a sump the fill line shows only once the return runs; the display's own is its weir.
  const to = input.facts.sump && water.markOn === "display" ? "weir" : water.freshL ? "other" : "line";
  const said = { litres: { litres: water.pourL?.value ?? 0 }, to } as const;
  return fromTap(input.source) ? m("refill.tap", said) : m("refill.title", said);
}

function conditionerParts({ water }: Making): Message | null {
  const [first, next] = water.conditionerParts;
  if (!first || !next) return null;
  return m("refill.parts", {
    first: Math.round(first.ml),
    firstL: { litres: first.beforeL },
    next: Math.round(next.ml),
    nextL: { litres: next.beforeL },
  });
}

function topUpAfter(making: Making): Step[] {
  if (!making.water.freshL) return [];
  return [freshBeforePower(making) ? topUp(making, TOP_UP, "refill", 140) : topUp(making, TOP_UP, "power-up", 153)];
}

/** Over a sump the fill line shows only while the return runs; without enough left in its chamber the water goes in before. */
function freshBeforePower({ input: { facts }, water }: Making): boolean {
  const { sump } = facts;
  if (!sump || water.markOn !== "display" || facts.practice.how === "animals-out") return true;
  // The new water alone does not fill the display again.
  if ((water.pourL?.value ?? 0) < water.litres.value - 1e-9) return true;
  const chamberL =
    sumpVolumeL(sump, sump.runningLevelM) - sumpVolumeL(sump, Math.min(sump.lowestLevelM, sump.runningLevelM));
  // More may be missing than is believed, and the pump must not draw air.
  return (water.freshL?.value ?? 0) + SURELY * water.missing.sigmaL > chamberL;
}

/** Nothing is changed: only what is missing comes back. */
export const topsUpAlone = (making: Making): Step[] =>
  making.water.freshL ? [topUp(making, "top-up", "prepare", 58)] : [];

/** New water in and old water out at the same time. */
export function exchange(making: Making): Step[] {
  const { water } = making;
  const ml = water.conditionerMl;
  return [
    ...(water.freshL ? [topUp(making, "top-up", "refill", 127)] : []),
    stepOf(making, "exchange", "refill", 130, Math.max(2, water.refillMinutes), {
      title: m("exchange.title", { litres: { litres: water.litres.value } }),
      reason: [m("exchange.reason")],
      figure: "litres",
      enters: [
        { litres: "outL", needed: true },
        { litres: "inL", needed: false },
      ],
      runsWater: true,
      kit: plain("drain pump", "refill pump"),
      craft: those(ml && m("exchange.conditioner", { ml: Math.round(ml.value) }), m("exchange.craft")),
      caution: [m("exchange.caution")],
    }),
  ];
}

/** The tank's own top-up water, up to its fill line or as far as a day allows. */
function topUp(making: Making, id: string, phase: Step["phase"], number: number): Step {
  const { input, water, changing } = making;
  const { facts, topUpSource } = input;
  const low = water.leftLowL > 0;
  const closes = changing && water.markOn !== "none";
  const warm = Math.abs(water.topUpC - topUpSource.coldC) > AS_IT_COMES_C;
  return stepOf(making, id, phase, number, 2, {
    title: low
      ? m("top-up.low", { litres: { litres: water.freshL?.value ?? 0 } })
      : m("top-up.title", { chamber: facts.sump ? "yes" : "other" }),
    reason: [
      low ? m("top-up.rest", { litres: { litres: water.leftLowL } }) : closes ? m("top-up.closes") : m("top-up.reason"),
    ],
    figure: "top-up",
    enters: [{ litres: "topUpL", needed: false }],
    kit: plain(inSentence(topUpSource.name)),
    craft: those(
      water.topUpConditionerMl !== null && m("top-up.conditioner"),
      warm ? m("top-up.warm", { celsius: { celsius: water.topUpC } }) : m("top-up.craft"),
    ),
    ...(water.saltWaterL || facts.targetPsu > 0 ? { caution: [m("top-up.caution")] } : {}),
  });
}
