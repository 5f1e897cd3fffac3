import { plain } from "../programme/index.ts";
import { type Message, m } from "../say/index.ts";
import { gearName } from "../tank/index.ts";
import { type Making, own, type Step, stepOf } from "./step.ts";

/** Laying the hose and starting it. */
const SIPHON_MINUTES = 2;

/** A heater cools before it meets air; what runs dry waits for it. */
const COOLING = { aloneMinutes: 15, alone: m("heater-off.alone"), until: ["drain", "exchange"] } as const;

/** Power down, in the tank's own order; jellyfish are taken out first. */
export function switchedOff(making: Making): Step[] {
  const rest = making.off.filter((g) => g !== "heater");
  if (making.input.facts.practice.how === "animals-out") return [...heaterOff(making), ...animalsOut(making, rest)];
  const siphon = siphonFirst(making);
  return [...heaterOff(making), ...siphon, ...powerDown(making, rest, siphon.length === 0)];
}

function heaterOff(making: Making): Step[] {
  if (!making.off.includes("heater")) return [];
  return [
    stepOf(making, "heater-off", "prepare", 60, 1, {
      ...own("heater-off"),
      confirms: { off: ["heater"] },
      pressed: m("heater-off.pressed"),
      ...(making.input.facts.practice.heater === "off" ? COOLING : {}),
      caution: [m("heater-off.caution")],
    }),
  ];
}

function animalsOut(making: Making, off: Making["off"]): Step[] {
  return [
    stepOf(making, "flow-off", "prepare", 58, 1, { ...own("flow-off"), confirms: { off } }),
    stepOf(making, "animals-out", "prepare", 59, 10, {
      title: m("animals-out.title", { animals: animalsOf(making) }),
      reason: [m("animals-out.reason")],
      kit: plain("holding vessel"),
    }),
  ];
}

/** What lives here, for a sentence. */
export const animalsOf = ({ input }: Making): string | Message => input.facts.animals[0]?.name ?? m("animals.unnamed");

/** The sump falls first, so that what runs back finds room. */
function siphonFirst(making: Making): Step[] {
  const { input, water } = making;
  const { facts } = input;
  if (facts.practice.pumpsAtSiphon !== "on" || !facts.sump || water.markOn !== "display") return [];
  const litres = { litres: water.pumpsOnL };
  return [
    stepOf(making, "siphon-start", "lift", 95, SIPHON_MINUTES + water.pumpsOnL / facts.drainLPerMinute, {
      title: water.pumpsOnL > 0 ? m("siphon-start.litres", { litres }) : m("siphon-start.title"),
      reason: runsBack(making),
      caution: overflows(making),
      kit: plain("siphon hose"),
      craft: [m("siphon-start.craft")],
    }),
  ];
}

function powerDown(making: Making, off: Making["off"], warns: boolean): Step[] {
  if (off.length === 0) return [];
  return [
    stepOf(making, "power-down", "power-down", 100, 2, {
      title: m("power-down.title", { gear: { list: off.map(gearName) } }),
      reason: [m("power-down.reason")],
      confirms: { off },
      pressed: m("power-down.pressed"),
      ...(off.includes("return") && warns ? { caution: overflows(making) } : {}),
    }),
  ];
}

function runsBack({ water }: Making): Message[] {
  const { runBack } = water;
  return runBack ? [m("run-back", { litres: { litres: runBack.litres }, room: { litres: runBack.roomL } })] : [];
}

/** What is said where the sump is too full for what runs back. */
function overflows(making: Making): Message[] | undefined {
  if (!making.water.runBack?.tight) return undefined;
  return [m("overflow"), ...runsBack(making), m("overflow.draw-down")];
}
