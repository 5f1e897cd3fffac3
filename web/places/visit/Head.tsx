"use client";

import { Box, Flex } from "@chakra-ui/react";
import { inSentence } from "@keel-round/core/text";
import type { VisitBundle } from "@keel-round/core/visit";
import { memo } from "react";
import { PageTitle } from "@/kit/controls";
import { H1, Path, Span, Svg } from "@/kit/elements";
import { duration } from "@/kit/words";

/** Which tank, how far its visit is, and how long it takes. */
export const Head = memo(function Head({
  kept,
  marks,
  progress,
  minutesLeft,
  announced,
}: {
  kept: VisitBundle;
  /** A letter a step: here, done, open. */
  marks: string;
  progress: string;
  minutesLeft: number;
  announced: string;
}) {
  return (
    <Box px="18px">
      <Name kept={kept} />
      <Progress marks={marks} />
      <Flex justify="space-between" fontSize="13.5px" color="soft" mt="6px">
        <span data-progress="">{progress}</span>
        <span>{minutesLeft > 0 ? `about ${duration(minutesLeft)} left` : ""}</span>
      </Flex>
      <Announced>{announced}</Announced>
    </Box>
  );
});

const Name = memo(function Name({ kept }: { kept: VisitBundle }) {
  return (
    <>
      <PageTitle>{`${kept.tankName}, visit`}</PageTitle>
      <H1 fontSize="14.5px" fontWeight="400" color="soft">
        {kept.siteName}, {inSentence(kept.tankName)}
      </H1>
    </>
  );
});

/** Said by a screen reader as soon as it is another; there before anything is said in it. */
const Announced = memo(function Announced({ children }: { children: string }) {
  return (
    <Span
      role="status"
      position="absolute"
      w="1px"
      h="1px"
      overflow="hidden"
      clipPath="inset(50%)"
      whiteSpace="nowrap"
      data-announced=""
    >
      {children}
    </Span>
  );
});

const MARKS = [
  ["h", "coralline"],
  ["d", "ink"],
  ["o", "ruleStrong"],
] as const;

/** One mark a step: here, done, open. A path a colour, however many steps. */
const Progress = memo(function Progress({ marks }: { marks: string }) {
  return (
    <Svg
      viewBox={`0 0 ${marks.length * 10} 6`}
      preserveAspectRatio="none"
      w="100%"
      h="6px"
      mt="8px"
      display="block"
      aria-hidden="true"
    >
      {MARKS.map(([letter, colour]) => (
        <Path
          key={letter}
          fill={colour}
          d={[...marks].flatMap((mark, i) => (mark === letter ? [`M${i * 10} 0h9v6h-9z`] : [])).join("")}
        />
      ))}
    </Svg>
  );
});
