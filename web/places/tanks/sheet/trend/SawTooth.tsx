"use client";

import { Box, Flex } from "@chakra-ui/react";
import { say } from "@keel-round/core/say";
import type { Band } from "@keel-round/core/tank";
import { type Trend, togetherSentence, trendQuestions, trendSentences } from "@keel-round/core/trend";
import { readingLabel, type UnitPreference } from "@keel-round/core/units";
import { memo, useMemo, useRef, useState } from "react";
import type { TankTrend } from "@/data/tanks/trend";
import { Span } from "@/kit/elements";
import { Answers } from "./Answers";
import { Curve, peakText } from "./Curve";
import { DoserStepView, PumpStepView } from "./DoserStepView";
import { frameOf, type Period } from "./frame";
import { NextVisits } from "./NextVisits";
import { PeriodPick } from "./PeriodPick";
import { TakeAway } from "./TakeAway";
import { TryIt } from "./TryIt";
import { type SavePolicy, UseIt } from "./UseIt";
import { useTried } from "./useTried";

interface SawToothProps {
  readonly trend: TankTrend;
  readonly band: Band | null;
  readonly units: UnitPreference;
  /** How the tank is changed: its record, its share, and whether that share decides; null for who may not change it. */
  readonly policy: SavePolicy | null;
}

/** Where a figure of the tank is going, how sure that is, and what to do about it. */
export function SawTooth({ trend, band, units, policy }: SawToothProps) {
  const fitted = trend.answer?.enough ? trend.answer.trend : null;
  const [period, setPeriod] = useState<Period>({ back: null });
  const drawing = useRef<HTMLDivElement | null>(null);
  const frame = useMemo(() => frameOf(trend, band, period), [trend, band, period]);
  const tried = useTried(trend, fitted, band);
  const name = readingLabel(trend.parameter, trend.item);
  return (
    <Box as="section" aria-label={`${name}, where it is going`} mb="20px">
      <Flex justify="flex-end" gap="6px 18px" wrap="wrap" mb="6px" className="screen">
        {trend.readings.length > 0 && <Days trend={trend} frame={frame} period={period} onPeriod={setPeriod} />}
        {trend.readings.length > 0 && <Files trend={trend} units={units} drawing={drawing} />}
      </Flex>
      <Curve {...{ trend, frame, band, units, fitted, tried, drawing }} onPeriod={setPeriod} />
      {fitted && <Figures trend={trend} fitted={fitted} units={units} />}
      {tried && <TryIt tried={tried} most={Math.max(tried.share, trend.steady?.mostShare ?? 1)} units={units} />}
      {tried?.changed && (
        <UseIt
          policy={policy}
          share={tried.otherShare ? tried.share : null}
          visits={tried.otherInterval ? (policy?.visits ?? null) : null}
          says={`${Math.round(100 * tried.share)} % every ${tried.intervalDays} days settles at ${peakText(trend, tried.peak, units)}.`}
          onReset={tried.asItIs}
        />
      )}
      <Told trend={trend} policy={policy} units={units} />
    </Box>
  );
}

// While a handle is dragged only what is tried is made anew.
const Days = memo(PeriodPick);
const Files = memo(TakeAway);

const Figures = memo(function Figures(its: { trend: TankTrend; fitted: Trend; units: UnitPreference }) {
  return (
    <>
      <Answers {...its} />
      <NextVisits {...its} />
    </>
  );
});

const Told = memo(function Told({ trend, policy, units }: Pick<SawToothProps, "trend" | "policy" | "units">) {
  const fitted = trend.answer?.enough ? trend.answer.trend : null;
  const sentences = trend.answer ? trendSentences(trend, trend.answer) : [];
  return (
    <>
      <Box mt="12px" maxW="860px" fontSize="15px" data-sentences="">
        {sentences.map((message) => (
          <Span key={say(message, units)}>{say(message, units)} </Span>
        ))}
        {trend.spells.map((message) => (
          <Span key={say(message, units)}>{say(message, units)} </Span>
        ))}
        {!trend.answer && <Span color="soft">It is shown as it was read: no balance of water holds for it.</Span>}
      </Box>
      <Questions trend={trend} fitted={fitted} units={units} />
      {trend.pumps.map((pump) => (
        <PumpStepView key={pump.id} pump={pump} save={policy?.save ?? null} units={units} />
      ))}
      {trend.doser && <DoserStepView step={trend.doser} policy={policy} units={units} />}
    </>
  );
});

/** What is odd about it, to be asked or tested again. */
function Questions({ trend, fitted, units }: { trend: TankTrend; fitted: Trend | null; units: UnitPreference }) {
  const messages = [
    ...(fitted ? trendQuestions(trend, fitted) : []),
    ...(trend.together ? [togetherSentence(trend.together)] : []),
    ...trend.ratios,
  ];
  return messages.map((message) => (
    <Box key={say(message, units)} color="ochre" mt="4px" maxW="860px">
      {say(message, units)}
    </Box>
  ));
}
