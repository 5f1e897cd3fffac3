"use client";

import { Asked } from "./Asked";
import { AwayPanel } from "./AwayPanel";
import type { BoardProps } from "./boardProps";
import { Chosen } from "./Chosen";
import { SettlePanel } from "./SettlePanel";
import { Tell, Waiting } from "./Tell";
import type { BoardState } from "./useBoard";
import type { Carrying } from "./useCarrying";
import type { SettleState } from "./useSettle";

/** What is asked and told under the board: settling, whom to tell, who is away, and what is chosen. */
export function Panels(
  props: BoardProps & {
    readonly state: BoardState;
    readonly settle: SettleState;
    readonly carrying: Carrying;
    /** Days that can still be changed. */
    readonly days: readonly string[];
    readonly away: boolean;
    readonly onLeaveAway: () => void;
  },
) {
  const { weeks, today, units, zone, mayClose, state, settle, carrying, days, away, onLeaveAway } = props;
  const { board, busy } = state;
  const drafts = [...state.tell, ...weeks.corrections];
  return (
    <>
      {settle.settling && (
        <SettlePanel
          settling={settle.settling}
          refused={settle.unwanted}
          {...{ units, busy }}
          whole={mayClose}
          onToggle={settle.toggle}
          onStop={settle.stop}
          onLeave={settle.leave}
          onAccept={(moves, series, refills) => {
            settle.leave();
            void state.accept(moves, series, refills);
          }}
        />
      )}
      <Asked requests={weeks.requests} />
      <Tell
        key={drafts.map((n) => n.changeId).join()}
        drafts={drafts}
        busy={busy}
        onSend={(accepted) => state.send([...accepted])}
      />
      <Waiting notices={weeks.notices} zone={zone} busy={busy} onTakeBack={state.takeBackMessage} />
      {away && (
        <AwayPanel
          {...{ board, days, today, units, busy, mayClose }}
          onLeave={onLeaveAway}
          onNote={(absence, moves) => {
            onLeaveAway();
            void state.noteAway(absence, moves);
          }}
        />
      )}
      {!settle.settling && !away && carrying.chosen.length > 0 && (
        <Chosen
          key={carrying.chosen.join()}
          {...{ board, today, units, busy }}
          ids={carrying.chosen}
          locked={carrying.chosen.every((id) => board.stops.find((s) => s.id === id)?.locked)}
          onLock={(lock) => void state.lock(carrying.chosen, lock)}
          onPut={carrying.put}
          onAdd={state.addVisit}
          onDone={carrying.chooseNone}
        />
      )}
    </>
  );
}
