import { plain } from "../programme/index.ts";
import { m } from "../say/index.ts";
import { type Making, own, portion, type Step, stepOf, those } from "./step.ts";

/** More of the water changed than this, and its salinity is read once more. */
const MEASURED_AGAIN_SHARE = 0.1;

/** Feeding afterwards, where that is the tank's practice. */
export function fedAfter(making: Making): Step[] {
  const { facts } = making.input;
  if (facts.practice.feeding !== "after") return [];
  return [
    stepOf(making, "feed-after", "feed-after", 190, 3, {
      ...own("feed-after"),
      kit: [{ item: "food", used: true }],
      craft: [...portion(making), ...(facts.gear.includes("return") ? [m("feed-after.pause")] : [])],
    }),
  ];
}

/** The hand work of an automatic exchange: its two vessels, and what it is set to. */
export function vessels(making: Making): Step[] {
  const { auto } = making.water;
  if (!auto) return [];
  const perDay = { litres: auto.litresPerDay };
  const set = auto.setLPerDay !== null && Math.abs(auto.setLPerDay - auto.litresPerDay) < 0.05;
  return [
    stepOf(making, "auto-exchange", "verify", 193, 6, {
      title: m("auto-exchange.title", { litres: { litres: auto.fillL } }),
      reason: [
        m("auto-exchange.reason", {
          perDay,
          newDays: auto.newDays,
          wasteDays: auto.wasteDays,
          until: { day: auto.lastsUntil },
        }),
      ],
      craft: those(!set && m("auto-exchange.set", { perDay }), m("auto-exchange.craft")),
      caution: auto.lasts ? undefined : [m("auto-exchange.short")],
    }),
  ];
}

/** The last look, and leaving. */
export function lastLook(making: Making): Step[] {
  const { water } = making;
  return [
    ...salinityAgain(making),
    stepOf(making, "verify", "verify", 205, 2, {
      ...own("verify"),
      ...(water.leftLowL > 0 ? { title: m("verify.low", { low: { cm: water.leftLowCm } }) } : {}),
      craft: [m("verify.craft")],
    }),
    stepOf(making, "kit", "leave", 250, 2, { ...own("kit"), kit: plain("disinfectant"), craft: [m("kit.craft")] }),
    stepOf(making, "tell", "leave", 260, 1, own("tell")),
  ];
}

function salinityAgain(making: Making): Step[] {
  const { water, changing } = making;
  if (!changing || !water.saltWaterL || water.share.value <= MEASURED_AGAIN_SHARE) return [];
  return [
    stepOf(making, "salinity-again", "verify", 200, 3, {
      ...own("salinity-again"),
      figure: "salinity-check",
      enters: [{ reading: "salinity", needed: false }],
    }),
  ];
}
