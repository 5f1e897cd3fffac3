import { Box } from "@chakra-ui/react";
import { addDays, daysBetween, sayDay } from "@keel-round/core/calendar";
import {
  BIOLOGICAL_REST_DAYS,
  codeOfMergeId,
  libraryTask,
  type MergePlacement,
  type MergeTask,
} from "@keel-round/core/programme";
import { movedSentence } from "@keel-round/core/words";
import type { YearAhead } from "@/data/yearAhead";
import { SubHead } from "@/kit/controls";
import { Line, Path, Rect, Svg, SvgText } from "@/kit/elements";

const WIDTH = 1000;
const NAME = 230;
const ROW = 30;
const TOP = 34;
/** Half a year is drawn; the year is laid out. */
const DRAWN_DAYS = 182;

/**
 * The long and rare jobs of a tank as lanes over the coming half year: each turn on the visit it rides with, its window,
 * the visit nearest its day where it had to give way, and the four weeks in which no other unit of bacteria is touched.
 */
export function Frieze({ tankId, year, today }: { tankId: string; year: YearAhead; today: string }) {
  const tasks = year.tasks.filter((t) => t.tankId === tankId);
  if (tasks.length === 0 || year.visits.length === 0) return null;
  const nameOf = (id: string) => libraryTask(codeOfMergeId(id)).name;
  const own = new Set(tasks.map((t) => t.id));
  const mine = year.plan.placements.filter((p) => own.has(p.taskId));
  const drawn = mine.filter((p) => daysBetween(today, p.on) <= DRAWN_DAYS);
  const x = (on: string) =>
    NAME + (Math.min(DRAWN_DAYS, Math.max(0, daysBetween(today, on))) / DRAWN_DAYS) * (WIDTH - NAME - 16);
  const height = TOP + tasks.length * ROW + 8;
  const visits = year.visits.filter((v) => daysBetween(today, v.on) <= DRAWN_DAYS);
  const moved = mine.flatMap((p) => {
    const says = movedSentence(p, nameOf);
    return says ? [{ key: `${p.taskId}${p.on}`, says, late: p.lateDays > 0 }] : [];
  });
  return (
    <Box mb="22px">
      <SubHead>Long jobs, half a year ahead</SubHead>
      <Box overflowX="auto" pt="6px">
        <Svg
          width="100%"
          minW="760px"
          viewBox={`0 0 ${WIDTH} ${height}`}
          role="img"
          aria-label={drawn.map((p) => `${nameOf(p.taskId)} on ${sayDay(p.on)}`).join("; ")}
          display="block"
        >
          <defs>
            <pattern id="kr-rest" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <Line x1="0" x2="0" y1="0" y2="6" stroke="ruleStrong" strokeWidth="1.6" />
            </pattern>
          </defs>
          {months(today).map(({ on, name }) => (
            <g key={on}>
              <Line x1={x(on)} x2={x(on)} y1={14} y2={height - 8} stroke="ruleStrong" strokeWidth="1" />
              <SvgText x={x(on) + 4} y={12} fontSize="12px" fill="soft">
                {name}
              </SvgText>
            </g>
          ))}
          {visits.map((v) => (
            <Line key={v.on} x1={x(v.on)} x2={x(v.on)} y1={TOP - 12} y2={TOP - 4} stroke="ink" strokeWidth="1" />
          ))}
          {tasks.map((task, row) => (
            <Lane
              key={task.id}
              task={task}
              name={nameOf(task.id)}
              y={TOP + row * ROW}
              x={x}
              drawn={drawn}
              tasks={tasks}
            />
          ))}
        </Svg>
      </Box>
      <Box color="soft" fontSize="13px" mt="4px">
        Small strokes on top are visits. A square is the job on its visit, the pale bar its window; an open square is
        the visit nearest its day, where it had to give way; hatched, no other filter is touched.
      </Box>
      {moved.length > 0 && (
        <Box mt="8px" fontSize="14px">
          {moved.slice(0, MOST_TOLD).map(({ key, says, late }) => (
            <Box key={key} py="3px" color={late ? "ochre" : "ink"}>
              {says}
            </Box>
          ))}
          {moved.length > MOST_TOLD && <Box color="soft">and {moved.length - MOST_TOLD} more in the year.</Box>}
        </Box>
      )}
    </Box>
  );
}

const MOST_TOLD = 6;
/** Of a job's name in front of its lane; the table below has all of it. */
const MOST_LETTERS = 33;

function Lane({
  task,
  name,
  y,
  x,
  drawn,
  tasks,
}: {
  task: MergeTask;
  name: string;
  y: number;
  x: (on: string) => number;
  drawn: readonly MergePlacement[];
  tasks: readonly MergeTask[];
}) {
  const turns = drawn.filter((p) => p.taskId === task.id);
  // Turns of the other units of bacteria: their rest forbids this lane.
  const rests = task.unit
    ? drawn.filter((p) => tasks.some((t) => t.id === p.taskId && t.unit && t.unit !== task.unit))
    : [];
  const middle = y + ROW / 2;
  return (
    <g>
      <Line x1={0} x2={WIDTH} y1={y + ROW} y2={y + ROW} stroke="rule" strokeWidth="1" />
      <SvgText x={0} y={middle + 4} fontSize="13px" fill="ink">
        {name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name}
      </SvgText>
      {rests.map((p) => {
        const from = x(addDays(p.on, 1 - BIOLOGICAL_REST_DAYS));
        return (
          <rect
            key={p.on}
            x={from}
            y={y + 3}
            width={x(addDays(p.on, BIOLOGICAL_REST_DAYS - 1)) - from}
            height={ROW - 6}
            fill="url(#kr-rest)"
          />
        );
      })}
      {turns.map((p) => {
        const from = x(addDays(p.targetOn, -task.giveDays));
        return (
          <g key={p.on}>
            <Rect
              x={from}
              y={middle - 4}
              width={Math.max(2, x(addDays(p.targetOn, task.giveDays)) - from)}
              height={8}
              fill="corallineWash"
            />
            {p.cause && (
              <Path
                d={`M${x(p.nearestOn) - 5} ${middle - 5} h10 v10 h-10 Z`}
                fill="none"
                stroke="soft"
                strokeWidth="1.4"
              />
            )}
            <Rect x={x(p.on) - 6} y={middle - 6} width={12} height={12} fill={p.lateDays > 0 ? "ochre" : "coralline"} />
          </g>
        );
      })}
    </g>
  );
}

/** The first days of the coming months. */
function months(today: string): { on: string; name: string }[] {
  const [year = 0, month = 1] = today.split("-").map(Number);
  return Array.from({ length: 6 }, (_, i) => {
    const at = new Date(Date.UTC(year, month + i, 1));
    return {
      on: at.toISOString().slice(0, 10),
      name: at.toLocaleString("en-GB", { month: "long", timeZone: "UTC" }),
    };
  });
}
