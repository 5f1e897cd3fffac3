"use client";

import { meantBy, type Offer, oddOf, type PlanReading } from "@keel-round/core/given";
import { type KitOnDay, usualKit, usualMethod } from "@keel-round/core/kits";
import { type Parameter, parameterFacts, parseReading, unitFor } from "@keel-round/core/units";
import { useState } from "react";
import { v7 } from "uuid";
import type { LiveVisit } from "@/device/useVisit";
import { useDraft } from "./drafts";
import { refusalSentence } from "./refusals";

type ReadingProblem = Extract<ReturnType<typeof parseReading>, { ok: false }>["problem"];

function problemSentence(problem: ReadingProblem, text: string): string {
  switch (problem.code) {
    case "not-a-number":
      return `“${text}” is not a number. Write it like 7.4.`;
    case "unknown-unit":
      return "Choose a unit.";
    case "implausible":
      return `${text} cannot be right: it lies between ${Number(problem.low.toFixed(3))} and ${Number(problem.high.toFixed(3))} ${problem.unit}.`;
    case "other-unit":
      return `${text} looks like ${problem.unit}. Choose that unit if it is.`;
  }
}

/** What is known of a parameter at this moment of the visit, canonical. */
function knownOf({ kept, state, plan }: LiveVisit, parameter: Parameter, item: string) {
  const after = plan.water.after.find((e) => e.parameter === parameter);
  const ofItem = (r: PlanReading) => r.parameter === parameter && (r.item ?? "") === item;
  const refilled = ["refill", "exchange"].some((step) => state.ticked[step] !== undefined);
  return {
    taken: state.readings.filter((r) => r.parameter === parameter),
    expected: refilled ? after?.after.value : after?.before,
    last: kept.input.readings.findLast(ofItem),
    check: plan.water.checks.find((c) => c.parameter === parameter),
  };
}

/** What a figure is read with: a kit of the register, else a method. */
export interface ReadBy {
  readonly kit: KitOnDay | null;
  readonly method: string;
}

/** The field of a reading: what stands in it, how it is read, whether it fits, and the way to log it. */
export function useReading(visit: LiveVisit, parameter: Parameter) {
  const its = parameterFacts[parameter];
  const { units, input } = visit.kept;
  const { decimal } = units;
  const [item, setItem] = useState(parameter === "hours" ? (input.meters?.[0]?.name ?? "") : "");
  const known = knownOf(visit, parameter, item);
  const preferred = its.units.find((u) => u.unit === unitFor(parameter, units)) ?? its.units[0];
  const [unit, setUnit] = useState(preferred?.unit ?? its.unit);
  const option = its.units.find((u) => u.unit === unit) ?? its.units[0];
  const [text, setText] = useState("");
  const { practice } = input.facts;
  const kits = (input.kits ?? []).filter((k) => k.parameter === parameter);
  const [by, setBy] = useState<ReadBy>(() => ({
    kit: usualKit(kits, parameter, practice, known.last?.kit),
    method: usualMethod(parameter, practice),
  }));
  const method = by.kit?.method ?? by.method;
  const kit = by.kit?.kit;
  const [error, setError] = useState<string | null>(null);
  const temperatureC =
    visit.state.readings.findLast((r) => r.parameter === "temperature")?.value ?? input.facts.targetC;
  /** Logs what stands in the field and empties it; an empty field is nothing. */
  const enter = async (): Promise<boolean> => {
    if (text.trim() === "") return true;
    const entered = {
      parameter,
      text: text.trim(),
      unit,
      method,
      temperatureC,
      ...(decimal ? { decimal } : {}),
      ...(kit ? { kit } : {}),
      ...(item ? { item } : {}),
    };
    const parsed = parseReading(entered);
    if (!parsed.ok) {
      setError(problemSentence(parsed.problem, text));
      return false;
    }
    if (parameter === "hours" && !item) {
      setError("No equipment of this tank has an hour meter: its office enters one first.");
      return false;
    }
    const refusal = await visit.say({ type: "reading", id: v7(), ...entered });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) setText("");
    return refusal === null;
  };
  useDraft(enter);
  const parsed = text ? parseReading({ parameter, text, unit, method, temperatureC, decimal, kit }) : null;
  const [only] = known.taken;
  const odd = parsed?.ok
    ? oddOf(input, { parameter, value: parsed.value, sigma: parsed.sigma, ...(item ? { item } : {}) })
    : known.taken.length === 1 && only
      ? oddOf(input, only)
      : null;
  /** Puts a slip right in the field; null where nothing stands in it. */
  const takeOffer = text
    ? (offer: Offer) => {
        const meant = meantBy({ parameter, text, unit, temperatureC, decimal, kit }, offer);
        if ("unit" in meant) setUnit(meant.unit);
        else setText(meant.text);
      }
    : null;
  return {
    ...{ takeOffer },
    ...{ ...known, its, unit, setUnit, option, text, setText, kits, by, setBy, item, setItem, error, enter, odd },
    /** What was typed, canonical, where it is worth telling: less a kit's offset, in another unit, or with a decimal that may be a thousand. */
    read: parsed?.ok && (kit?.offset || unit !== its.unit || /[,.]\d{3}$/.test(text)) ? parsed.value : null,
    step: option && option.unit !== its.unit ? 10 ** -option.decimals : its.step,
  };
}
