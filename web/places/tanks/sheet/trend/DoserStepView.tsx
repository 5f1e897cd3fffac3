"use client";

import { Flex } from "@chakra-ui/react";
import { say, sayAll, textOf } from "@keel-round/core/say";
import { type DoserStep, doserSentence, pumpSentences, rateOf } from "@keel-round/core/trend";
import type { UnitPreference } from "@keel-round/core/units";
import type { PumpOfTrend } from "@/data/tanks/trend";
import { GoButton, Problem } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import type { SavePolicy } from "./UseIt";

/** What a dosing pump is to be set to; taken over once it was really turned. */
export function PumpStepView({
  pump: { id, version, name, step, brings },
  save,
  units,
}: {
  pump: PumpOfTrend;
  /** Null for who may not change it. */
  save: SavePolicy["save"] | null;
  units: UnitPreference;
}) {
  const { ask, problem, said, disabled } = useAsk();
  const set = (setMlPerDay: number, saving: SavePolicy["save"]) =>
    ask(saving({ entity: "doser", id, version, confirmed: [], values: { setMlPerDay } }), (answer) =>
      answer.kind === "saved"
        ? "Noted: measure again in a week."
        : `${answer.stale.by} changed this pump meanwhile. Look again.`,
    );
  return (
    <Flex gap="8px 12px" align="center" wrap="wrap" mt="12px" data-pump={step.ok ? "step" : step.reason}>
      <Span maxW="720px">{sayAll(pumpSentences(name, step, brings), units)}</Span>
      {step.ok && save && (
        <GoButton type="button" disabled={disabled} onClick={() => void set(step.setTo, save)}>
          Save new setting, {step.setTo.toFixed(1)} mL
        </GoButton>
      )}
      <Problem says={problem} />
      {said && <Span role="status">{said}</Span>}
    </Flex>
  );
}

/** What the doser is to be set to; taken over once it was really turned. */
export function DoserStepView({
  step,
  policy,
  units,
}: {
  step: DoserStep;
  /** Null for who may not change the tank. */
  policy: Pick<SavePolicy, "tank" | "save"> | null;
  units: UnitPreference;
}) {
  const { ask, problem, said, disabled } = useAsk();
  const set = async ({ tank, save }: Pick<SavePolicy, "tank" | "save">, setTo: number) =>
    ask(save({ entity: "tank", ...tank, confirmed: [], values: { dosedDkhPerDay: setTo } }), (answer) =>
      answer.kind === "saved"
        ? "Noted: measure again in a week."
        : `${answer.stale.by} changed this tank meanwhile. Look again.`,
    );
  return (
    <Flex gap="8px 12px" align="center" wrap="wrap" mt="12px" data-doser={step.ok ? "step" : step.reason}>
      <Span maxW="720px">{say(doserSentence(step), units)}</Span>
      {step.ok && policy && (
        <GoButton type="button" disabled={disabled} onClick={() => void set(policy, step.setTo)}>
          Save new setting, {textOf(rateOf("alkalinity", step.setTo), units)}
        </GoButton>
      )}
      <Problem says={problem} />
      {said && <Span role="status">{said}</Span>}
    </Flex>
  );
}
