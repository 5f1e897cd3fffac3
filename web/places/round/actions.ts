"use server";

import { weeklyOn } from "@keel-round/core/series";
import { z } from "zod";
import { defineAction, type ForeignIds } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { setRefill } from "@/data/round/round";
import { previewSeries, SeriesSchema, saveSeries } from "@/data/series/change";
import {
  addStop,
  ExtraSchema,
  MoveSchema,
  moveStop,
  PlanAgainSchema,
  planAgain,
  SkipSchema,
  skipStop,
} from "@/data/series/stops";
import { UndoSchema, undoChange } from "@/data/series/undo";
import { PlanIntoSchema, planInto } from "@/data/water/planner";

const FAR = "2099-01-01";

/** Agrees on a refill at base after a stop, or takes it back. */
export const refillAction = defineAction({
  name: "round.refill",
  roles: STAFF,
  input: z.object({ stopId: z.uuid("Reload the round and try again."), refillAfter: z.boolean() }),
  foreign: (ids) => ({ stopId: ids.stopId, refillAfter: true }),
  run: (scope, input) => setRefill(scope, input.stopId, input.refillAfter),
});

/** Plans a mix into a visit in place of sea water. */
export const mixInsteadAction = defineAction({
  name: "round.mix-instead",
  roles: STAFF,
  input: PlanIntoSchema,
  foreign: (ids) => ({ visitId: ids.visitId, change: null }),
  run: planInto,
});

/** Moves one visit to another day or person; its series stays. */
export const moveStopAction = defineAction({
  name: "round.move-stop",
  roles: STAFF,
  input: MoveSchema,
  foreign: (ids) => ({ stopId: ids.stopId, to: FAR }),
  run: (scope, input) => moveStop(scope, input, whenOf(scope)),
});

/** Leaves one visit out, with its reason. */
export const skipStopAction = defineAction({
  name: "round.skip-stop",
  roles: STAFF,
  input: SkipSchema,
  foreign: (ids) => ({ stopId: ids.stopId, why: "away" }),
  run: (scope, input) => skipStop(scope, input, whenOf(scope)),
});

/** Plans a visit again that was left out. */
export const planAgainAction = defineAction({
  name: "round.plan-again",
  roles: STAFF,
  input: PlanAgainSchema,
  foreign: (ids) => ({ stopId: ids.stopId }),
  run: (scope, input) => planAgain(scope, input.stopId, whenOf(scope)),
});

/** Plans one more visit beside the series of a site. */
export const addStopAction = defineAction({
  name: "round.add-stop",
  roles: STAFF,
  input: ExtraSchema,
  foreign: (ids) => ({ siteId: ids.siteId, on: FAR, personId: ids.personId, tankIds: null }),
  run: (scope, input) => addStop(scope, input, whenOf(scope)),
});

const foreignSeries = (ids: ForeignIds) => ({
  siteId: ids.siteId,
  seriesId: null,
  fromOn: FAR,
  personId: ids.personId,
  tankIds: null,
  rhythm: weeklyOn(FAR),
  untilOn: null,
  spells: [],
});

/** Shows what a change of recurring visits would do, before anything changes. */
export const previewSeriesAction = defineAction({
  name: "round.preview-series",
  roles: STAFF,
  input: SeriesSchema,
  foreign: foreignSeries,
  run: (scope, input) => previewSeries(scope, input, whenOf(scope)),
});

/** Begins recurring visits, or changes them from a day on. */
export const saveSeriesAction = defineAction({
  name: "round.save-series",
  roles: STAFF,
  input: SeriesSchema,
  foreign: foreignSeries,
  run: (scope, input) => saveSeries(scope, input, whenOf(scope)),
});

/** Undoes the latest change of a site's visits. */
export const undoRoundAction = defineAction({
  name: "round.undo",
  roles: STAFF,
  input: UndoSchema,
  foreign: (ids) => ({ changeId: ids.roundChangeId }),
  run: (scope, input) => undoChange(scope, input.changeId, whenOf(scope)),
});
