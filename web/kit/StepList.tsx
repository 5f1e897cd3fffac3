import { Box, Flex } from "@chakra-ui/react";
import { type OrderRule, orderReasons, type SaidStep } from "@keel-round/core/steps";
import { METRIC } from "@keel-round/core/units";
import { q, worked } from "@keel-round/core/worked";
import { Details, Li, Ol, Span, Summary } from "@/kit/elements";
import { Working } from "./Working";
import { duration } from "./words";

/** The steps of a plan in their order: minutes, the caution that belongs to each, and on demand why and why there. */
export function StepList({
  steps,
  rules,
  pace,
}: {
  steps: readonly SaidStep[];
  rules: readonly OrderRule[];
  /** How much slower than usual the person works; 1 as long as nothing is known. */
  pace: number;
}) {
  return (
    <Ol listStyle="none" p="0">
      {steps.map((step, i) => (
        <Li key={step.id} borderBottomWidth="1px" borderColor="rule" py="7px" data-step={step.id}>
          <Flex gap="12px" align="baseline">
            <Span fontFamily="mono" color="faint" w="22px" textAlign="right" flexShrink={0} fontSize="13px">
              {i + 1}
            </Span>
            <Box flex="1" minW="0">
              <Details data-why="">
                <Summary fontWeight="560" listStyle="none" _hover={{ textDecoration: "underline" }}>
                  {step.title}
                </Summary>
                <Box color="soft" fontSize="13.5px">
                  {step.reason}
                  {step.kit.length > 0 && <Span color="faint"> Kit: {step.kit.join(", ")}.</Span>}
                  {orderReasons(step, steps, rules).map((reason) => (
                    <Box key={reason}>Here, because: {reason}</Box>
                  ))}
                  {step.skills && (
                    <Span color="faint"> Asks for: {step.skills.map((s) => SKILL_WORD[s]).join(", ")}.</Span>
                  )}
                </Box>
              </Details>
              {step.slips !== undefined && step.slips > 0 && (
                <Box color="ochre" fontSize="13.5px">
                  slipped {step.slips === 1 ? "once" : `${step.slips} times`}
                </Box>
              )}
              {step.caution && (
                <Box color="vermilion" fontSize="13.5px">
                  {step.caution}
                </Box>
              )}
            </Box>
            {step.minutes >= 0.5 && <Minutes step={step} pace={pace} />}
          </Flex>
        </Li>
      ))}
    </Ol>
  );
}

const SKILL_WORD = {
  acid: "handling acid",
  mains: "opening mains gear",
  gas: "pressurised gas",
  ladder: "a ladder",
} as const;

/** A step's minutes, with what they were learnt from behind them. */
function Minutes({ step, pace }: { step: SaidStep; pace: number }) {
  const of = worked("step-minutes", step.minutes, "min", {
    library: q(step.libraryMinutes, "min"),
    "logged on this tank": q(step.timesLogged, "times"),
    "pace of who comes": q(pace, "times the usual"),
  });
  return (
    <Details data-working="" fontSize="13px" textAlign="right" flexShrink={0} maxW="50%">
      <Summary fontFamily="mono" color="soft" whiteSpace="nowrap" listStyle="none">
        {duration(step.minutes)}
      </Summary>
      <Box textAlign="left">
        <Working of={of} units={METRIC} />
      </Box>
    </Details>
  );
}
