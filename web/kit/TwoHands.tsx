import { Box } from "@chakra-ui/react";
import type { SaidStep, TimedStep } from "@keel-round/core/steps";
import { Line, Rect, Span, Svg, SvgText } from "@/kit/elements";
import { type AloneBar, handsClock } from "./handsClock";
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

/** Where a minute of the visit is drawn. */
type Scale = (minute: number) => number;

/** A visit on the clock: what one pair of hands does, what runs by itself meanwhile, and where hands have to wait. */
export function TwoHands({ steps }: { steps: readonly SaidStep[] }) {
  const clock = handsClock(steps);
  if (clock.minutes <= 0) return null;
  const height = ALONE_Y + clock.rows * ALONE_ROW + 22;
  const x: Scale = (minute) => NAME + (minute / clock.minutes) * (WIDTH - NAME - 4);
  return (
    <Box data-two-hands="" overflowX="auto">
      <Svg
        width="100%"
        minW="540px"
        viewBox={`0 0 ${WIDTH} ${height}`}
        role="img"
        aria-label={`${duration(clock.minutes)} on the clock. ${clock.says.map((s) => s.text).join(" ")}`}
        display="block"
      >
        {clock.ticks.map((minute) => (
          <Tick key={minute} minute={minute} x={x} height={height} />
        ))}
        <SvgText x={0} y={HANDS_Y + 16} fontSize="12px" fill="soft">
          hands
        </SvgText>
        <SvgText x={0} y={ALONE_Y + 11} fontSize="12px" fill="soft">
          by itself
        </SvgText>
        {clock.hands.map((timed, i) => (
          <OfHands key={timed.id} timed={timed} number={i + 1} x={x} />
        ))}
        {clock.alone.map((bar) => (
          <Alone key={bar.step.id} bar={bar} x={x} />
        ))}
      </Svg>
      <Box fontSize="13.5px" mt="2px">
        {clock.says.map(({ text, waits }) => (
          <Box key={text} color={waits ? "ochre" : "ink"}>
            {text}
          </Box>
        ))}
        <Span color="soft">Numbers are the steps below; minutes along the bottom.</Span>
      </Box>
    </Box>
  );
}

function Tick({ minute: m, x, height }: { minute: number; x: Scale; height: number }) {
  return (
    <g>
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
  );
}

/** A step under somebody's hands, and before it what they wait for. */
function OfHands({ timed: t, number, x }: { timed: TimedStep; number: number; x: Scale }) {
  return (
    <g>
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
        fill={number % 2 === 1 ? "ink" : "soft"}
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
          {number}
        </SvgText>
      )}
    </g>
  );
}

/** What goes on once the hands have left it. */
function Alone({ bar: { step, timed, row }, x }: { bar: AloneBar; x: Scale }) {
  const to = timed.aloneTo ?? timed.to;
  return (
    <g>
      <Rect
        x={x(timed.to)}
        y={ALONE_Y + row * ALONE_ROW}
        width={Math.max(1, x(to) - x(timed.to))}
        height={ALONE_ROW - 4}
        fill={step.runsItself ? "waterPale" : "corallineWash"}
      />
      <SvgText x={x(timed.to) + 3} y={ALONE_Y + row * ALONE_ROW + 10} fontSize="10.5px" fill="ink">
        {step.alone ?? "soaks"} {Math.round((timed.aloneTo ?? 0) - timed.to)}
      </SvgText>
    </g>
  );
}
