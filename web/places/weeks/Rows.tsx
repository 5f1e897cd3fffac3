"use client";

import { Box } from "@chakra-ui/react";
import type { UnitPreference } from "@keel-round/core/units";
import type { Board } from "@keel-round/core/weeks";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef, useState } from "react";
import { Span } from "@/kit/elements";
import { cellId, type WeekRow } from "./cells";
import { DayCell } from "./DayCell";

interface RowsProps {
  readonly board: Board;
  readonly rows: readonly WeekRow[];
  readonly today: string;
  readonly units: UnitPreference;
  readonly chosen: readonly string[];
  readonly held: readonly string[];
  readonly onChoose: (id: string, more: boolean) => void;
}

/** Fewer rows are all drawn; of more only those that are seen. */
const ALL_DRAWN = 8;
const ROW_PX = 220;
const COLUMNS = "128px repeat(7, minmax(128px, 1fr))";

/** The board's rows, a person in a week each. */
export function Rows(props: RowsProps) {
  const { rows, today } = props;
  return (
    <Box mt="12px" overflowX="auto" role="group" aria-label="Weeks">
      <Box minW="1030px">
        {rows.length > 0 && <Days days={rows[0]?.days ?? []} today={today} named={sameDays(rows)} />}
        {rows.length <= ALL_DRAWN ? (
          rows.map((row) => <OneRow key={row.id} row={row} {...props} />)
        ) : (
          <Seen {...props} />
        )}
      </Box>
    </Box>
  );
}

const sameDays = (rows: readonly WeekRow[]): boolean => rows.every((r) => r.days[0] === rows[0]?.days[0]);

/** The days over their columns; only their names where several weeks are shown. */
function Days({ days, today, named }: { days: readonly string[]; today: string; named: boolean }) {
  return (
    <Box display="grid" gridTemplateColumns={COLUMNS} borderBottomWidth="1px" borderColor="ruleStrong" pb="5px">
      <span />
      {days.map((on) => (
        <Span
          key={on}
          px="7px"
          fontSize="13.5px"
          color={named && on === today ? "coralline" : "soft"}
          fontWeight={named && on === today ? "640" : "400"}
        >
          {named ? dayHead(on) : dayHead(on).split(" ")[0]}
        </Span>
      ))}
    </Box>
  );
}

const head = new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", timeZone: "UTC" });
const dayHead = (on: string): string => head.format(new Date(`${on}T12:00:00Z`));

/** How the days of a row look. */
const PLACES = {
  "& [data-cell]": {
    ...{ position: "relative", display: "flex", flexDirection: "column", p: "6px", minH: "96px", minW: "0" },
    ...{ borderLeftWidth: "1px", borderColor: "rule" },
  },
  "& [data-today]": { bg: "sheet" },
  "& [data-over]": { bg: "corallineWash" },
} as const;

function OneRow({ row, board, today, units, chosen, held, onChoose, rows }: RowsProps & { readonly row: WeekRow }) {
  const several = !sameDays(rows);
  return (
    <Box
      display="grid"
      gridTemplateColumns={COLUMNS}
      borderBottomWidth="1px"
      borderColor="rule"
      css={PLACES}
      data-week-row={row.label}
    >
      <Box p="8px 6px 8px 0">
        <Box fontWeight="640" fontSize="14.5px">
          {row.label}
        </Box>
        <Box color="soft" fontSize="12.5px">
          {row.under}
        </Box>
      </Box>
      {row.days.map((on) => (
        <Box key={on} display="flex" flexDirection="column" minW="0" css={{ "& > *": { flex: 1 } }}>
          {several && (
            <Box flex="0 !important" px="7px" fontSize="12px" color={on === today ? "coralline" : "faint"} pt="3px">
              {dayHead(on)}
            </Box>
          )}
          <DayCell
            key={cellId({ personId: row.personId, on })}
            board={board}
            slot={{ personId: row.personId, on }}
            today={today}
            units={units}
            chosen={chosen}
            held={held}
            onChoose={onChoose}
          />
        </Box>
      ))}
    </Box>
  );
}

/** Of many rows those that are seen, and a few around them. */
function Seen(props: RowsProps) {
  const box = useRef<HTMLDivElement>(null);
  const [top, setTop] = useState(0);
  useEffect(() => setTop(box.current ? box.current.getBoundingClientRect().top + window.scrollY : 0), []);
  const rows = useWindowVirtualizer({
    count: props.rows.length,
    estimateSize: () => ROW_PX,
    overscan: 3,
    scrollMargin: top,
    initialRect: { width: 1280, height: 1600 },
  });
  return (
    <Box ref={box} position="relative" h={`${rows.getTotalSize()}px`}>
      {rows.getVirtualItems().map((item) => {
        const row = props.rows[item.index];
        return (
          <Box
            key={item.key}
            ref={rows.measureElement}
            data-index={item.index}
            position="absolute"
            left="0"
            right="0"
            top="0"
            style={{ transform: `translateY(${item.start - top}px)` }}
          >
            {row && <OneRow row={row} {...props} />}
          </Box>
        );
      })}
    </Box>
  );
}
