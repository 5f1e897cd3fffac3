import type { Board, BoardStop, Slot } from "./board.ts";
import { type Judgement, judgeMove } from "./judge.ts";

/** Somebody who could make one more visit, with what it would mean. */
export interface OneMore extends Judgement {
  readonly to: Slot;
}

const NEW = "one more";
/** A rule that is broken weighs so many minutes; a stop that gets no time outweighs all. */
const BREAK_MINUTES = 60;
const NO_TIME_MINUTES = 10_000;

/** Who could visit a site once more on a day, whoever it costs least first; nobody who does not do what it asks for. */
export function oneMoreAt(board: Board, stop: BoardStop, on: string): OneMore[] {
  const extra: BoardStop = {
    ...stop,
    ...{ id: NEW, on, originalOn: on, seriesId: null, gapDays: null, begun: false, setAside: "" },
  };
  const wider = { ...board, stops: [...board.stops, extra] };
  const cost = (o: OneMore) => (o.extraMinutes ?? NO_TIME_MINUTES) + BREAK_MINUTES * o.breaks.length;
  return board.people
    .map((p) => ({ to: { personId: p.id, on }, ...judgeMove(wider, [NEW], { personId: p.id, on }) }))
    .filter((o) => o.refused.length === 0)
    .sort((a, b) => cost(a) - cost(b) || (a.to.personId < b.to.personId ? -1 : 1));
}
