import { plain } from "../programme/index.ts";
import { m } from "../say/index.ts";
import { gearName } from "../tank/index.ts";
import { animalsOf } from "./powerDown.ts";
import { type Making, own, type Step, stepOf } from "./step.ts";

/** Power up, in the reverse order; animals that were out come back before the flow. */
export function switchedOn(making: Making): Step[] {
  return [...heaterOn(making), ...animalsBack(making), ...powerUp(making)];
}

function heaterOn(making: Making): Step[] {
  if (!making.off.includes("heater")) return [];
  if (making.input.facts.practice.heater !== "in-sump")
    return [stepOf(making, "heater-on", "power-up", 150, 1, { ...own("heater-on"), confirms: { on: ["heater"] } })];
  return [
    stepOf(making, "heater-on", "power-up", 154, 1, {
      title: m("heater-on.sump"),
      reason: [m("heater-on.settled")],
      confirms: { on: ["heater"] },
      caution: [m("heater-on.cools")],
    }),
  ];
}

const out = ({ input }: Making): boolean => input.facts.practice.how === "animals-out";

function animalsBack(making: Making): Step[] {
  if (!out(making)) return [];
  return [
    stepOf(making, "level-trim", "refill", 145, 2, { ...own("level-trim"), kit: plain("baster") }),
    stepOf(making, "animals-back", "refill", 148, 10, {
      title: m("animals-back.title", { animals: animalsOf(making) }),
      reason: [m("animals-back.reason")],
      kit: plain("holding vessel"),
    }),
  ];
}

function powerUp(making: Making): Step[] {
  const on = making.off.filter((g) => g !== "heater").reverse();
  if (on.length === 0) return [];
  return [
    stepOf(making, "power-up", "power-up", 152, 2, {
      title: m("power-up.title", { gear: { list: on.map(gearName) } }),
      reason: [out(making) ? m("power-up.bells") : m("power-up.reason")],
      confirms: { on },
      pressed: m("power-up.pressed"),
    }),
  ];
}
