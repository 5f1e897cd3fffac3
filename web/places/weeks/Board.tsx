"use client";

import { Box } from "@chakra-ui/react";
import { DndContext, DragOverlay } from "@dnd-kit/core";
import { counted } from "@keel-round/core/text";
import { useDeferredValue, useMemo, useState } from "react";
import { Aside } from "./Aside";
import { BoardBar } from "./BoardBar";
import type { BoardProps } from "./boardProps";
import { DayList } from "./DayList";
import { Panels } from "./Panels";
import { Rows } from "./Rows";
import { useBoard } from "./useBoard";
import { useCarrying } from "./useCarrying";
import { useNarrow } from "./useNarrow";
import { useSettle } from "./useSettle";

/** People and their days: stops are carried from one to another, by pointer, by keys, or by a form. */
export function Board(props: BoardProps) {
  const { weeks, rows, today, units, first } = props;
  const narrow = useNarrow();
  const state = useBoard(weeks);
  const settle = useSettle();
  const [away, setAway] = useState(false);
  const carrying = useCarrying(state.board, first, settle.settling !== null, state.place);
  // While the round is being settled the board shows what it would be.
  const shown = settle.shown ?? state.board;
  const marked = settle.settling ? [...settle.wanted.keys()] : carrying.chosen;
  const days = useMemo(
    () => [...new Set(rows.flatMap((r) => r.days))].filter((on) => on >= today).sort(),
    [rows, today],
  );
  const idle = days.length > 0 && !settle.settling && !away;
  const { held, choose } = carrying;
  // What it would do to every day is worked out beside the carrying, which goes on meanwhile.
  const weighed = useDeferredValue(held);
  return (
    <DndContext {...carrying.context}>
      <BoardBar
        busy={state.busy}
        problem={state.problem}
        onUndo={state.mayUndo ? state.undo : null}
        onRedo={state.mayRedo ? state.redo : null}
        onAway={idle ? () => setAway(true) : null}
        onSettle={idle ? () => settle.start(state.board, days) : null}
      />
      {narrow ? (
        <DayList board={shown} rows={rows} today={today} units={units} chosen={marked} onChoose={choose} />
      ) : (
        <>
          <Rows {...{ rows, today, units }} held={weighed} board={shown} chosen={marked} onChoose={choose} />
          <Aside board={shown} units={units} chosen={marked} held={held.length > 0} onChoose={choose} />
        </>
      )}
      <Panels {...props} {...{ state, settle, days, carrying }} away={away} onLeaveAway={() => setAway(false)} />
      <DragOverlay dropAnimation={null}>
        {held.length > 0 && (
          <Box bg="sheet" borderWidth="1px" borderColor="coralline" px="8px" py="4px" fontSize="13px" maxW="180px">
            {held.length === 1 ? state.board.stops.find((s) => s.id === held[0])?.name : counted(held.length, "stop")}
          </Box>
        )}
      </DragOverlay>
    </DndContext>
  );
}
