import { type PlanInput, tankOnDay } from "../given/index.ts";
import { readToday } from "../given/known.ts";
import { type Message, m, type PlainCode } from "../say/index.ts";
import {
  type ActionCode,
  actionOf,
  COOLED_A_DAY_K,
  type TroubleCode,
  todayFor,
  WARMED_AN_HOUR_K,
} from "../trouble/index.ts";
import { conditionerMl, conditionerTimes } from "../water/index.ts";
import { type Making, type Step, stepOf, those } from "./step.ts";

/** The id of a step that a trouble asks for. */
export const stepOfAction = (action: string): string => `act:${action}`;

/**
 * 3 % peroxide on spots: at most half a millilitre for ten litres of the tank, within what is usual on labels; the label of the
 * product stands above it.
 */
const PEROXIDE_ML_PER_L = 0.05;

/** The step of a visit that does what an action asks for: its own, or one that the visit has anyway; undefined where none does. */
export function stepDoing<S extends Pick<Step, "id" | "enters">>(steps: readonly S[], code: ActionCode): S | undefined {
  const action = actionOf(code);
  const enters = (s: S) => s.enters?.some((e) => "reading" in e && e.reading === action.measures);
  return (
    steps.find((s) => s.id === stepOfAction(code)) ??
    steps.find((s) => action.same?.includes(s.id)) ??
    (action.measures ? steps.find(enters) : undefined)
  );
}

/** What is done today about the troubles that were found, beside what the visit does anyway. */
export function troubleSteps(making: Making, others: readonly Step[]): Step[] {
  const { input } = making;
  const troubles = (input.troubles ?? []).map((t) => t.trouble);
  const done = new Set(others.map((s) => s.id));
  const entered = new Set(others.flatMap((s) => (s.enters ?? []).flatMap((e) => ("reading" in e ? [e.reading] : []))));
  return todayFor(troubles, input).flatMap((code): Step[] => {
    const action = actionOf(code);
    if (action.same?.some((job) => done.has(job))) return [];
    const { measures } = action;
    if (measures && (entered.has(measures) || readToday(input, measures).length > 0)) return [];
    return [actStep(making, code, troubles)];
  });
}

function actStep(making: Making, code: ActionCode, troubles: readonly TroubleCode[]): Step {
  const { phase, number, minutes, kit, measures, caution } = actionOf(code);
  const because = troubles.filter((t) => todayFor([t], making.input).includes(code)).map((t) => m(`trouble.${t}`));
  return stepOf(making, stepOfAction(code), phase, number, minutes, {
    title: titleOf(code, making.input),
    reason: [m(`act.${code}.reason`), m("act.because", { troubles: { all: because } })],
    kit: kit.map((item) => ({ item })),
    caution: those(caution && cautionOf(code)),
    ...(measures ? { enters: [{ reading: measures, needed: false }] } : {}),
  });
}

function cautionOf(code: ActionCode): Message {
  if (code === "shade-and-fan") return m("act.shade-and-fan.caution", { most: { moves: COOLED_A_DAY_K, unit: "K" } });
  if (code === "warm-slowly") return m("act.warm-slowly.caution", { most: { moves: WARMED_AN_HOUR_K, unit: "K" } });
  return m(`act.${code}.caution` as PlainCode);
}

function titleOf(code: ActionCode, input: PlanInput): Message {
  if (code === "condition-tank") return m("act.condition-tank.title", { dose: conditionerNow(input) });
  if (code === "spot-peroxide") return m("act.spot-peroxide.title", { dose: peroxideNow(input) });
  return m(`act.${code}.title` as PlainCode);
}

/** Litres in the tank as it stands, before anything is drained. */
export function litresNow(input: PlanInput): number {
  const { systemL, missing } = tankOnDay(input);
  return systemL - missing.litres;
}

/** How much of the firm's own conditioner the whole tank takes as it stands; the label's words where none is known. */
export function conditionerNow(input: PlanInput): Message {
  const litres = litresNow(input);
  const water = [input.source, input.topUpSource].find((w) => w.conditioner);
  if (!water?.conditioner) return m("act.label-dose", { litres: { litres } });
  const times = conditionerTimes(water.conditioner, water.chemistry, water.chloramineFactor);
  return m("act.dose", {
    ml: { figure: conditionerMl(water.conditioner, litres, times), decimals: 1 },
    product: water.conditioner.name,
    litres: { litres },
  });
}

function peroxideNow(input: PlanInput): Message {
  const litres = litresNow(input);
  return m("act.dose.peroxide", { ml: { figure: litres * PEROXIDE_ML_PER_L, decimals: 1 }, litres: { litres } });
}
