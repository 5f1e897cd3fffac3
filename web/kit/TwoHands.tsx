import { Box } from "@chakra-ui/react";
import { type SaidStep, type TimedStep, timelineOf } from "@keel-round/core/steps";
import { inSentence } from "@keel-round/core/text";
import { Line, Rect, Span, Svg, SvgText } from "@/kit/elements";
import { duration } from "./words";

const WIDTH = 620;
const NAME = 74;
const HANDS_Y = 22;
const ALONE_Y = 58;
const BAR = 24;
/** Bars that run by themselves at the same time lie below each other. */
const ALONE_ROW = 17;
/** Width that a number in a bar takes. */
const NUMBER = 15;

interface Bar {
  readonly step: SaidStep;
  readonly timed: TimedStep;
  readonly row: number;
}

/** Puts bars that overlap in time on rows of their own. */
function stacked(steps: readonly SaidStep[], timed: readonly TimedStep[]): Bar[] {
  const ends: number[] = [];
  return timed.flatMap((t, i) => {
    const step = steps[i];
    if (t.aloneTo === null || !step) return [];
    const free = ends.findIndex((end) => end <= t.to);
    const row = free < 0 ? ends.length : free;
    ends[row] = t.aloneTo;
    return [{ step, timed: t, row }];
  });
}

/** A visit on the clock: what one pair of hands does, what runs by itself meanwhile, and where hands have to wait. */
export function TwoHands({ steps }: { steps: readonly SaidStep[] }) {
  const line = timelineOf(steps);
  if (line.minutes <= 0) return null;
  const bars = stacked(steps, line.steps);
  const rows = Math.max(1, ...bars.map((b) => b.row + 1));
  const height = ALONE_Y + rows * ALONE_ROW + 22;
  const x = (minute: number) => NAME + (minute / line.minutes) * (WIDTH - NAME - 4);
  const every = line.minutes > 90 ? 20 : line.minutes > 40 ? 10 : 5;
  const ticks = Array.from({ length: Math.floor(line.minutes / every) + 1 }, (_, i) => i * every);
  const title = (id: string) => inSentence(steps.find((s) => s.id === id)?.title ?? id);
  const waits = line.steps.filter((t) => t.waited);
  const says = [
    ...line.saves.map((s) => `Starting early with “${title(s.id)}” saves ${duration(s.minutes)}.`),
    ...line.couldSave.map((s) => `Done before you come, “${title(s.id)}” would save ${duration(s.minutes)} more.`),
    ...waits.map(
      (t) => `Hands wait ${duration(t.from - (t.waited?.since ?? t.from))} for “${title(t.waited?.for ?? "")}”.`,
    ),
  ];
  return (
    <Box data-two-hands="" overflowX="auto">
      <Svg
        width="100%"
        minW="540px"
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        aria-label={`${duration(line.minutes)} on the clock. ${says.join(" ")}`}
        display="block"
      >
        {ticks.map((m) => (
          <g key={m}>
            <Line x1={x(m)} x2={x(m)} y1={HANDS_Y - 6} y2={height - 18} stroke="rule" strokeWidth="1" />
            <SvgText
              className="num"
              x={x(m)}
              y={height - 6}
              fontSize="10.5px"
              fill="soft"
              textAnchor={x(m) > WIDTH - 14 ? "end" : "middle"}
            >
              {m}
            </SvgText>
          </g>
        ))}
        <SvgText x={0} y={HANDS_Y + 16} fontSize="12px" fill="soft">
          hands
        </SvgText>
        <SvgText x={0} y={ALONE_Y + 11} fontSize="12px" fill="soft">
          by itself
        </SvgText>
        {line.steps.map((t, i) => (
          <g key={t.id}>
            {t.waited && (
              <Rect
                x={x(t.waited.since)}
                y={HANDS_Y + 5}
                width={Math.max(1, x(t.from) - x(t.waited.since))}
                height={BAR - 10}
                fill="none"
                stroke="ochre"
                strokeDasharray="3 2"
              />
            )}
            <Rect
              x={x(t.from)}
              y={HANDS_Y}
              width={Math.max(0.5, x(t.to) - x(t.from) - 0.8)}
              height={BAR}
              fill={i % 2 === 0 ? "ink" : "soft"}
            />
            {x(t.to) - x(t.from) > NUMBER && (
              <SvgText
                className="num"
                x={(x(t.from) + x(t.to)) / 2}
                y={HANDS_Y + 16}
                fontSize="10.5px"
                fill="sheet"
                textAnchor="middle"
              >
                {i + 1}
              </SvgText>
            )}
          </g>
        ))}
        {bars.map(({ step, timed, row }) => (
          <g key={step.id}>
            <Rect
              x={x(timed.to)}
              y={ALONE_Y + row * ALONE_ROW}
              width={Math.max(1, x(timed.aloneTo ?? timed.to) - x(timed.to))}
              height={ALONE_ROW - 4}
              fill={step.runsItself ? "waterPale" : "corallineWash"}
            />
            <SvgText x={x(timed.to) + 3} y={ALONE_Y + row * ALONE_ROW + 10} fontSize="10.5px" fill="ink">
              {ALONE_WORD[step.id] ?? "soaks"} {Math.round((timed.aloneTo ?? 0) - timed.to)}
            </SvgText>
          </g>
        ))}
      </Svg>
      <Box fontSize="13.5px" mt="2px">
        {says.map((text) => (
          <Box key={text} color={text.startsWith("Hands") ? "ochre" : "ink"}>
            {text}
          </Box>
        ))}
        <Span color="soft">Numbers are the steps below; minutes along the bottom.</Span>
      </Box>
    </Box>
  );
}

const ALONE_WORD: Readonly<Record<string, string>> = {
  drain: "drains",
  "heater-off": "cools",
  warm: "warms",
  "feed-before": "they eat",
};
