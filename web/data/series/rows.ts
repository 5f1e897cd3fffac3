import { type Recurrence, rhythmOf, ruleOf } from "@keel-round/core/series";
import type { series } from "../schema";
import type { KeptSpell } from "../schema/round";

type SeriesRow = Pick<typeof series.$inferSelect, "rule" | "startOn" | "fromOn" | "untilOn" | "spells">;

/**
 * How a kept series recurs.
 *
 * @throws if its rule is none that we write: it would be laid out wrongly without a word.
 */
export function recurrenceOf(row: SeriesRow): Recurrence {
  return {
    rhythm: rhythmIn(row.rule),
    startOn: row.startOn,
    fromOn: row.fromOn,
    untilOn: row.untilOn,
    spells: (row.spells ?? []).map(({ rule, ...s }) => ({ ...s, rhythm: rule === null ? null : rhythmIn(rule) })),
  };
}

function rhythmIn(rule: string): Recurrence["rhythm"] {
  const rhythm = rhythmOf(rule);
  if (!rhythm) throw new Error(`A series has a rule that cannot be read: ${rule}`);
  return rhythm;
}

/** The columns that keep how a series recurs. */
export function rowOf({ rhythm, startOn, fromOn, untilOn, spells }: Recurrence): SeriesRow {
  return {
    rule: ruleOf(rhythm),
    startOn,
    fromOn,
    untilOn,
    spells: spells.map(({ rhythm: r, ...s }): KeptSpell => ({ ...s, rule: r && ruleOf(r) })),
  };
}
