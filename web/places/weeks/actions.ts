"use server";

import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { AcceptSchema, acceptNotices, NoticeSchema, takeBackNotice } from "@/data/notices/notices";
import { AwaySchema, noteAway, TakeBackSchema, takeBack } from "@/data/round/away";
import { PlaceSchema, placeStops } from "@/data/round/place";
import { LockSchema, lockStops, SettleSchema, settleRound } from "@/data/round/settleRound";
import { AnswerDaySchema, answerRequest } from "@/data/series/dayRequests";
import { addStop, ExtraSchema } from "@/data/series/stops";

const FAR = "2099-01-01";

/** Puts stops on other days, with other people, or aside. */
export const placeStopsAction = defineAction({
  name: "weeks.place",
  roles: STAFF,
  input: PlaceSchema,
  foreign: (ids) => ({
    moves: [
      {
        stopId: ids.stopId,
        was: { on: FAR, personId: ids.personId, aside: false },
        to: { on: FAR, personId: ids.personId },
      },
    ],
  }),
  run: (scope, input) => placeStops(scope, input, whenOf(scope)),
});

/** Accepts a settled round: moves of visits, and series that move as a whole. */
export const settleAction = defineAction({
  name: "weeks.settle",
  roles: STAFF,
  input: SettleSchema,
  foreign: (ids) => ({
    moves: [
      {
        stopId: ids.stopId,
        was: { on: FAR, personId: ids.personId, aside: false },
        to: { on: FAR, personId: ids.personId },
      },
    ],
    ...{ series: [], refills: [] },
  }),
  run: (scope, input) => settleRound(scope, input, whenOf(scope)),
});

/** Locks stops, or frees them. */
export const lockStopsAction = defineAction({
  name: "weeks.lock",
  roles: STAFF,
  input: LockSchema,
  foreign: (ids) => ({ stopIds: [ids.stopId], locked: true }),
  run: lockStops,
});

/** Notes that people are away, and what becomes of their stops. */
export const noteAwayAction = defineAction({
  name: "weeks.away",
  roles: STAFF,
  input: AwaySchema,
  foreign: (ids) => ({ personIds: [ids.personId], fromOn: FAR, untilOn: FAR, why: "ill" }),
  run: (scope, input) => noteAway(scope, input, whenOf(scope)),
});

/** Undoes changes of the weeks, and takes absences back. */
export const takeBackAction = defineAction({
  name: "weeks.undo",
  roles: STAFF,
  input: TakeBackSchema,
  foreign: (ids) => ({ changeIds: [ids.roundChangeId], awayIds: [] }),
  run: (scope, input) => takeBack(scope, input, whenOf(scope)),
});

/** Accepts messages to owners: they wait, and leave. */
export const acceptNoticesAction = defineAction({
  name: "weeks.tell",
  roles: STAFF,
  input: AcceptSchema,
  foreign: (ids) => ({
    notices: [{ changeId: ids.roundChangeId, kind: "moved" as const, text: "We come on Friday." }],
  }),
  run: (scope, input) => acceptNotices(scope, input, whenOf(scope)),
});

/** Takes a message to an owner back that has not left yet. */
export const takeBackNoticeAction = defineAction({
  name: "weeks.take-back-message",
  roles: STAFF,
  input: NoticeSchema,
  foreign: (ids) => ({ noticeId: ids.noticeId }),
  run: (scope, input) => takeBackNotice(scope, input, whenOf(scope)),
});

/** Plans one more visit beside the series of a site. */
export const addVisitAction = defineAction({
  name: "weeks.add-visit",
  roles: STAFF,
  input: ExtraSchema,
  foreign: (ids) => ({ siteId: ids.siteId, on: FAR, personId: ids.personId, tankIds: null }),
  run: (scope, input) => addStop(scope, input, whenOf(scope)),
});

/** Answers an owner who asked for another day. */
export const answerDayAction = defineAction({
  name: "weeks.answer-owner",
  roles: STAFF,
  input: AnswerDaySchema,
  foreign: (ids) => ({ requestId: ids.requestId, answer: "kept" as const, text: "x" }),
  run: (scope, input) => answerRequest(scope, input, whenOf(scope)),
});
