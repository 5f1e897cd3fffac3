"use client";

import { Box, Flex } from "@chakra-ui/react";
import { daysBetween, sayDay } from "@keel-round/core/calendar";
import { codeOfMergeId, type MergePlacement, mergeTasks } from "@keel-round/core/programme";
import { byText } from "@keel-round/core/text";
import { type EquipmentLife, wearOf } from "@keel-round/core/upkeep";
import { brokenSentence, limitWords, movedSentence } from "@keel-round/core/words";
import { useMemo, useState } from "react";
import type { YearAhead } from "@/data/programme/yearAhead";
import { Notice, QuietButton, SubHead } from "@/kit/controls";
import { Line, Svg, SvgText } from "@/kit/elements";
import { JobLane, Lane, PartLane, Stretch, WearLane } from "./lanes";
import { MoveHandle } from "./MoveHandle";
import { MovePanel, type PinAction } from "./MovePanel";
import { friezeScale, ROW, SPANS, type SpanDays, TOP, WIDTH } from "./scale";

/** A piece of equipment as its lane needs it. */
export type FriezeGear = EquipmentLife & { readonly id: string; readonly name: string };

const MOST_TOLD = 6;
/** What comes oftener has no lane of its own. */
const DRAWN_DAYS = 21;

/**
 * The upkeep of a tank over the coming weeks: long jobs on the visits they ride with, their windows, the rest that one
 * filter asks of the others, sectors of the bed, the life of the equipment, and a young tank's own calendar. The next turn
 * of a job can be moved to another visit, by pointer or by keyboard; what that breaks is told before it counts.
 */
export function Frieze({
  year,
  tankId,
  gear,
  today,
  pin,
}: {
  year: YearAhead;
  tankId: string;
  gear: readonly FriezeGear[];
  today: string;
  /** Null where nothing may be moved. */
  pin: PinAction | null;
}) {
  const [days, setDays] = useState<SpanDays>(84);
  const [moving, setMoving] = useState<{ readonly taskId: string; readonly on: string } | null>(null);
  const tank = year.tanks.find((t) => t.id === tankId);
  const plan = useMemo(
    () =>
      moving
        ? mergeTasks(
            year.visits,
            year.tasks.map((t) => (t.id === moving.taskId ? { ...t, pinnedOn: moving.on } : t)),
          )
        : year.plan,
    [year, moving],
  );
  const visitDays = useMemo(() => year.visits.map((v) => v.on), [year]);
  const scale = friezeScale(today, days, visitDays);
  if (!tank || year.visits.length === 0)
    return (
      <Box mb="18px">
        <SubHead>Upkeep, visit by visit</SubHead>
        <Notice tone="care">
          No visit comes to this tank, so nothing can be laid out. Give its site recurring visits at the desk; until
          then the programme below only counts the days.
        </Notice>
      </Box>
    );

  const nameOf = (id: string) => {
    const of = year.tanks.find((t) => id.startsWith(`${t.id} `));
    const name = of?.nameOf[codeOfMergeId(id)] ?? codeOfMergeId(id);
    return of && of.id !== tankId ? `${name} (${of.name})` : name;
  };
  const tasks = year.tasks.filter((t) => t.tankId === tankId);
  const turnsOf = (id: string) => plan.placements.filter((p) => p.taskId === id && scale.shows(p.on));
  // Filters first, then what comes next.
  const nextOf = (id: string) => year.plan.placements.find((p) => p.taskId === id)?.on ?? "9";
  const lanes = tasks
    .filter((t) => t.everyDays >= DRAWN_DAYS && turnsOf(t.id).length > 0)
    .sort((a, b) => Number(!a.unit) - Number(!b.unit) || byText(nextOf(a.id), nextOf(b.id)));
  const wears = gear
    .map((g) => ({ g, wear: wearOf(g, today) }))
    .flatMap(({ g, wear }) => (wear.replaceDueOn ? [{ g, on: wear.replaceDueOn, by: wear.replaceBy }] : []))
    .filter(({ on }) => daysBetween(today, on) <= days)
    .sort((a, b) => (a.on < b.on ? -1 : 1));
  const rows = lanes.length + tank.rotations.length + wears.length + tank.young.length;
  const height = TOP + rows * ROW + 6;
  const unitName = (code: string) => tank.left[code]?.unit ?? "";
  const othersOf = (code: string) =>
    [
      ...new Set(
        Object.entries(tank.left).flatMap(([c, l]) => (c !== code && l.unit !== unitName(code) ? [l.unit] : [])),
      ),
    ].join(", ");
  const moved = year.plan.placements
    .filter((p) => p.taskId.startsWith(`${tankId} `) && p.on <= scale.last)
    .flatMap((p) => {
      const says = movedSentence(p, nameOf);
      return says ? [{ key: `${p.taskId}${p.on}`, says, late: p.lateDays > 0 }] : [];
    });
  const yOf = (row: number) => TOP + row * ROW;
  const first = (p: MergePlacement) => plan.placements.find((x) => x.taskId === p.taskId) === p;

  return (
    <Box mb="22px">
      <Flex justify="space-between" align="baseline" gap="12px" wrap="wrap">
        <SubHead>Upkeep, visit by visit</SubHead>
        <Flex gap="6px" role="group" aria-label="How far ahead" className="screen">
          {SPANS.map(([span, name]) => (
            <QuietButton
              key={span}
              type="button"
              py="3px"
              px="10px"
              fontSize="13px"
              aria-pressed={span === days}
              {...(span === days ? { bg: "corallineWash", borderColor: "coralline" } : {})}
              onClick={() => setDays(span)}
            >
              {name}
            </QuietButton>
          ))}
        </Flex>
      </Flex>
      <Box overflowX="auto" pt="8px">
        <Svg
          width="100%"
          minW="760px"
          viewBox={`0 0 ${WIDTH} ${height}`}
          role="group"
          aria-label={`Upkeep of ${tank.name} for the coming ${SPANS.find(([s]) => s === days)?.[1]}`}
          display="block"
          data-frieze=""
        >
          {year.visits
            .filter((v) => scale.shows(v.on))
            .map((v) => (
              <Line
                key={v.on}
                x1={scale.x(v.on)}
                x2={scale.x(v.on)}
                y1={TOP - 12}
                y2={height - 4}
                stroke="rule"
                strokeWidth="1"
              />
            ))}
          {scale.labels.map(({ on, text }) => (
            <SvgText key={on} className="num" x={scale.x(on)} y={14} fontSize="12px" fill="soft" textAnchor="middle">
              {text}
            </SvgText>
          ))}
          {lanes.map((task, i) => (
            <JobLane
              key={task.id}
              task={task}
              turns={turnsOf(task.id)}
              name={nameOf(task.id)}
              others={othersOf(codeOfMergeId(task.id))}
              y={yOf(i)}
              scale={scale}
              handle={(p) =>
                pin && first(p) ? (
                  <MoveHandle
                    turn={p}
                    task={task}
                    name={nameOf(task.id)}
                    visits={year.visits}
                    scale={scale}
                    y={yOf(i)}
                    active={moving?.taskId === task.id}
                    onMove={(on) => setMoving({ taskId: task.id, on })}
                    onLeave={() => setMoving(null)}
                  />
                ) : null
              }
            />
          ))}
          {tank.rotations.map((r, i) => (
            <PartLane
              key={r.code}
              name={tank.nameOf[r.code] ?? r.code}
              turns={r.turns}
              y={yOf(lanes.length + i)}
              scale={scale}
            />
          ))}
          {wears.map(({ g, on, by }, i) => (
            <WearLane
              key={g.id}
              name={`${g.name}, ${ageWords(daysBetween(g.installedOn, today))}`}
              on={on}
              says={by === "hours" ? "its hours are run: replace" : "replace before it fails"}
              y={yOf(lanes.length + tank.rotations.length + i)}
              scale={scale}
              today={today}
            />
          ))}
          {tank.young.map((p, i) => (
            <Lane key={p.name} name={p.name} y={yOf(lanes.length + tank.rotations.length + wears.length + i)}>
              <Stretch
                scale={scale}
                from={p.from < today ? today : p.from}
                to={p.to}
                y={yOf(lanes.length + tank.rotations.length + wears.length + i)}
                fill="band"
                color="ink"
                text={p.says}
              />
            </Lane>
          ))}
        </Svg>
      </Box>
      {moving && pin && (
        <MovePanel
          key={moving.taskId}
          tankId={tankId}
          moving={moving}
          before={year}
          after={plan}
          nameOf={nameOf}
          pin={pin}
          onDone={() => setMoving(null)}
        />
      )}
      <Box color="soft" fontSize="13px" mt="4px">
        A line down is a visit. A square is the job on its visit, the bar its window; an open square is the visit
        nearest its day, where it had to give way.
        {pin &&
          " Take the first square of a lane to another visit: with the pointer, or with the arrow keys and Enter once it is chosen."}
      </Box>
      {tank.limit && (
        <Box mt="8px">
          <Notice tone="care">
            {limitWords(
              tank.limit,
              Object.values(tank.left).some((l) => l.strict),
            )}
          </Notice>
        </Box>
      )}
      {moved.length > 0 && (
        <Box mt="8px" fontSize="14px">
          {moved.slice(0, MOST_TOLD).map(({ key, says, late }) => (
            <Box key={key} py="2px" color={late ? "ochre" : "ink"}>
              {says}
            </Box>
          ))}
          {moved.length > MOST_TOLD && <Box color="soft">and {moved.length - MOST_TOLD} more.</Box>}
        </Box>
      )}
      {year.plan.broken
        .filter((b) => b.taskId.startsWith(`${tankId} `) && b.on <= scale.last)
        .map((b) => (
          <Box key={`${b.taskId}${b.on}${b.otherOn}`} mt="4px" fontSize="14px" color="ochre">
            {brokenSentence(b, nameOf)}
          </Box>
        ))}
      {year.plan.unplaced
        .filter((u) => u.taskId.startsWith(`${tankId} `))
        .map((u) => (
          <Box key={u.taskId} mt="4px" fontSize="14px" color="ochre">
            {nameOf(u.taskId)}, due {sayDay(u.targetOn)}, finds no visit in the year.
          </Box>
        ))}
    </Box>
  );
}

const MONTH_DAYS = 30.4375;
const ageWords = (days: number) => (days < 60 ? `${days} days` : `${Math.floor(days / MONTH_DAYS)} months`);
