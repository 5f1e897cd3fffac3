import { Box, Flex } from "@chakra-ui/react";
import type { Step } from "@keel-round/core/visit";
import { Li, Ol, Span } from "@/kit/elements";
import { duration } from "./words";

/** The steps of a plan in their order: minutes, what, why, and the caution that belongs to each. */
export function StepList({ steps }: { steps: readonly Step[] }) {
  return (
    <Ol listStyle="none" p="0">
      {steps.map((step, i) => (
        <Li key={step.id} borderBottomWidth="1px" borderColor="rule" py="7px" data-step={step.id}>
          <Flex gap="12px" align="baseline">
            <Span fontFamily="mono" color="faint" w="22px" textAlign="right" flexShrink={0} fontSize="13px">
              {i + 1}
            </Span>
            <Box flex="1" minW="0">
              <Span fontWeight="560">{step.title}</Span>
              <Box color="soft" fontSize="13.5px">
                {step.reason}
                {step.kit.length > 0 && <Span color="faint"> Kit: {step.kit.join(", ")}.</Span>}
              </Box>
              {step.caution && (
                <Box color="vermilion" fontSize="13.5px">
                  {step.caution}
                </Box>
              )}
            </Box>
            <Span fontFamily="mono" color="soft" fontSize="13px" whiteSpace="nowrap">
              {step.minutes >= 0.5 ? duration(step.minutes) : ""}
            </Span>
          </Flex>
        </Li>
      ))}
    </Ol>
  );
}
