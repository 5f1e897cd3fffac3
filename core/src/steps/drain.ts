import { SET_BACK, SET_BACK_MINUTES } from "../change/index.ts";
import type { PlanInput } from "../given/index.ts";
import { plain } from "../programme/index.ts";
import { type Message, m } from "../say/index.ts";
import { hose, type Making, type Step, stepOf, those } from "./step.ts";

/** A siphon with less than this to fall hardly runs. */
const SIPHON_DROP_M = 0.3;
/** From here on a siphon runs faster than a person looks away. */
const LONG_DROP_M = 3;
/** A line this little lower than the tape is the tape. */
const SAME_LINE_CM = 0.1;

/** Drain to the line, keep wet what stands bare, set it back. */
export function drainToLine(making: Making): Step[] {
  return [drain(making), ...keepWet(making), setBack(making)];
}

function drain(making: Making): Step {
  const { input, water } = making;
  const { site } = input;
  const sump = water.markOn === "sump";
  return {
    ...stepOf(making, "drain", "drain", 110, water.restMinutes, {
      title: drainTitle(making),
      reason: sump ? [m("drain.only-chamber")] : [m("drain.reason"), ...lowerLine(making), ...drop(site)],
      figure: "mark",
      enters: [{ litres: "outL", needed: true }],
      pressed: m("drain.pressed"),
      runsItself: true,
      runsWater: true,
      alone: m("drain.alone"),
      until: [SET_BACK, "refill"],
      kit: [hose("drain hose", site.drainDistanceM), ...plain("tape", ...(uphill(site) ? ["drain pump"] : []))],
      craft: those(m("drain.craft"), !sump && m("drain.bucket")),
      caution: heaterWords(making),
    }),
    minutes: water.restMinutes,
  };
}

function drainTitle({ water }: Making): Message {
  if (water.markOn === "sump") return m("drain.chamber");
  if (water.bedL === 0) return m("drain.title");
  return water.litres.value - water.bedL > 1 ? m("drain.rest") : m("drain.stop");
}

/** Today's line where it is not the tape's. */
function lowerLine({ water }: Making): Message[] {
  const lower = water.mark && water.tapeCm !== null ? water.mark.value - water.tapeCm : 0;
  return lower > SAME_LINE_CM ? [m("drain.lower", { lower: { cm: lower } })] : [];
}

function heaterWords({ input: { facts } }: Making): Message[] | undefined {
  if (facts.practice.heater === "off" && facts.gear.includes("heater")) return [m("drain.heater-off")];
  return facts.practice.heater === "lowered" ? [m("drain.heater-lowered")] : undefined;
}

/** Whether the drain lies too high for a siphon. */
const uphill = ({ drainDropM }: PlanInput["site"]) => drainDropM !== undefined && drainDropM < SIPHON_DROP_M;

function drop(site: PlanInput["site"]): Message[] {
  const { drainDropM } = site;
  if (uphill(site)) return [m("drain.uphill")];
  return drainDropM !== undefined && drainDropM >= LONG_DROP_M
    ? [m("drain.falls", { drop: { metres: drainDropM } })]
    : [];
}

function keepWet(making: Making): Step[] {
  const { water } = making;
  const wet = water.exposed.filter((e) => e.wetEvery !== null);
  const [longest] = wet;
  if (water.markOn === "sump" || !longest) return [];
  return [
    {
      ...stepOf(making, "keep-wet", "drain", 111, 0, {
        title: m("keep-wet.title", { names: { list: wet.map((e) => e.name) } }),
        reason: [
          m("keep-wet.reason", {
            minutes: Math.round(longest.minutes),
            allowed: Math.round(Math.min(...wet.map((e) => e.allowedMinutes))),
          }),
        ],
        kit: plain("spray bottle or jug"),
        craft: [m("keep-wet.craft", { every: Math.min(...wet.map((e) => e.wetEvery ?? 5)) })],
      }),
      minutes: water.wettingMinutes,
      libraryMinutes: water.wettingMinutes,
    },
  ];
}

function setBack(making: Making): Step {
  const sump = making.water.markOn === "sump";
  const bare = making.input.facts.display.substrate === "bare";
  return stepOf(making, SET_BACK, "refill", 125, sump ? 1 : SET_BACK_MINUTES, {
    title: sump ? m("set-back.chamber") : bare ? m("set-back.bare") : m("set-back.title"),
    reason: [sump ? m("set-back.draws-air") : m("set-back.reason")],
  });
}
