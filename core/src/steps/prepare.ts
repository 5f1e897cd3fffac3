import { leftByConditioner, sourceTest } from "../given/index.ts";
import { plain } from "../programme/index.ts";
import { type Message, m } from "../say/index.ts";
import { inSentence } from "../text/index.ts";
import { parameterFacts } from "../units/index.ts";
import { heatingHours } from "../water/index.ts";
import { fromTap, hose, type Making, own, type Step, stepOf, those } from "./step.ts";

/** Until salt thrown into moving water is clear, where its label does not say. */
const CLEARS_MINUTES = 30;

/** The new water: made, tested, warmed, before anything is drained. */
export function preparation(making: Making): Step[] {
  return [
    ...mixSalt(making),
    ...warm(making),
    ...checkMix(making),
    ...checkSea(making),
    ...temper(making),
    ...testSource(making),
    ...remineralise(making),
    ...wasteBarrel(making),
  ];
}

function mixSalt(making: Making): Step[] {
  const { input, water } = making;
  const { source, facts } = input;
  if (source.kind !== "mix" || facts.practice.saltAge !== "when-clear") return [];
  return [
    stepOf(making, "mix-salt", "prepare", 48, 4, {
      title: m("mix-salt.title", { litres: { litres: water.pourL?.value ?? 0 } }),
      reason: [m("mix-salt.reason")],
      figure: "mix",
      kit: plain(source.salt ? inSentence(source.salt.name) : "salt", "scale", "mixing pump"),
      aloneMinutes: source.salt?.readyMinutes ?? CLEARS_MINUTES,
      until: ["mix", "warm", "refill", "exchange"],
      readyBefore: true,
      craft: those(water.conditionerMl !== null && m("mix-salt.conditioner"), m("mix-salt.craft")),
    }),
  ];
}

function warm(making: Making): Step[] {
  const { source } = making.input;
  if (fromTap(source) || !source.canWarm) return [];
  return [
    stepOf(making, "warm", "prepare", 49, 2, {
      ...own("warm"),
      figure: "temperature",
      aloneMinutes: warmingMinutes(making),
      alone: m("warm.alone"),
      until: ["mix", "refill", "exchange"],
      readyBefore: true,
      kit: plain("barrel heater"),
      caution: [m("warm.caution")],
    }),
  ];
}

/** A barrel heater as it is usually carried, W, and what a barrel of its size loses, W/K. */
const BARREL_HEATER_W = 2000;
const BARREL_LOSS_W_PER_K = 4;

/** Minutes until the new water is as warm as the plan asks for, by the heater's own watts. */
function warmingMinutes({ input: { source, facts }, water }: Making): number {
  const fromC = source.coldC;
  const hours = heatingHours({
    litres: water.pourL?.value ?? 0,
    fromC,
    toC: water.refillC?.value ?? facts.targetC,
    watts: source.heaterW ?? BARREL_HEATER_W,
    lossWPerK: BARREL_LOSS_W_PER_K,
    roomC: fromC,
    water: facts.targetPsu > 0 ? "sea" : "fresh",
  });
  return Math.round((hours ?? 0) * 60);
}

/** Fresh mix is checked when it is as warm as it goes in: salinity and gravity both move with it. */
function checkMix(making: Making): Step[] {
  const { source, facts } = making.input;
  if (source.kind !== "mix") return [];
  const age = facts.practice.saltAge;
  return [
    stepOf(making, "mix", "lift", 94, 2, {
      title: m(`mix.${age}.title`),
      reason: [m(`mix.${age}.reason`)],
      figure: "mix",
      kit: plain("salinity meter"),
    }),
  ];
}

function checkSea(making: Making): Step[] {
  if (making.input.source.kind !== "natural-sea") return [];
  return [
    stepOf(making, "sea-check", "prepare", 50, 2, {
      ...own("sea-check"),
      figure: "mix",
      kit: plain("salinity meter"),
    }),
  ];
}

function temper(making: Making): Step[] {
  const { source, site } = making.input;
  if (!fromTap(source)) return [];
  return [
    stepOf(making, "temper", "prepare", 52, 3, {
      ...own("temper"),
      figure: "temperature",
      kit: [
        ...plain("thermometer", ...(source.conditioner ? [source.conditioner.name] : [])),
        ...(site.tapDistanceM === undefined ? [] : [hose("fill hose", site.tapDistanceM)]),
      ],
      caution: [...chlorineLeft(source), m("temper.gasping")],
    }),
  ];
}

/** What the conditioner of a tap leaves over, by what was measured. */
function chlorineLeft(source: Making["input"]["source"]): Message[] {
  const { tooMuchMgL, freedMgL } = leftByConditioner(source);
  const too = tooMuchMgL && { has: { mgL: tooMuchMgL.has }, removes: { mgL: tooMuchMgL.removes } };
  return [
    ...(too ? [source.conditioner ? m("chlorine.too-much", too) : m("chlorine.untreated", { has: too.has })] : []),
    ...(freedMgL > 0 ? [m("chlorine.freed", { ammonia: { mgL: freedMgL } })] : []),
  ];
}

function testSource(making: Making): Step[] {
  const { source } = making.input;
  const test = sourceTest(source);
  if (!test) return [];
  return [
    stepOf(making, "source-test", "test", 44, 6, {
      title: m("source-test.title", {
        water: source.kind === "natural-sea" ? "sea" : "other",
        parameters: { list: test.parameters.map((p) => inSentence(parameterFacts[p].label)) },
      }),
      reason: [test.lastOn ? m("source-test.expired", { day: { day: test.lastOn } }) : m("source-test.never")],
      kit: plain("test kits for the new water"),
      craft: [m("source-test.craft")],
    }),
  ];
}

function remineralise(making: Making): Step[] {
  const { input, water } = making;
  const { source } = input;
  if (source.kind !== "remineralised" && source.kind !== "tap-minerals") return [];
  const { minerals } = source;
  const grams = minerals ? (minerals.gramsPer100L * (water.pourL?.value ?? 0)) / 100 : null;
  return [
    stepOf(making, "remineralise", "prepare", 53, 3, {
      title:
        grams === null || !minerals
          ? m("remineralise.check")
          : m("remineralise.title", {
              grams: grams < 10 ? grams.toFixed(1) : Math.round(grams),
              minerals: minerals.name,
            }),
      reason: [source.kind === "remineralised" ? m("remineralise.reason") : m("remineralise.tap")],
      kit: plain("GH test", "scale", ...(minerals ? [inSentence(minerals.name)] : [])),
    }),
  ];
}

function wasteBarrel(making: Making): Step[] {
  const { wasteL } = making.water;
  if (wasteL <= 0) return [];
  return [
    stepOf(making, "waste-barrel", "prepare", 57, 2, {
      ...own("waste-barrel"),
      kit: plain("waste barrel"),
      craft: [m("waste-barrel.craft", { litres: { litres: wasteL } })],
    }),
  ];
}
