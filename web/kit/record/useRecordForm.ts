"use client";

import {
  type Entered,
  type Entity,
  type Field,
  type FieldIssues,
  type FieldValue,
  fieldOf,
  type ListRow,
  readValues,
  sameValue,
  type Values,
  writeField,
  writeList,
} from "@keel-round/core/desk";
import type { UnitPreference } from "@keel-round/core/units";
import { useCallback, useEffect, useMemo, useState } from "react";

type Cells = readonly Readonly<Record<string, string>>[];

/** What a save answers: done, too late, or not right. */
export type SaveAnswer =
  | { readonly ok: true; readonly value: SavedOrStale }
  | {
      readonly ok: false;
      readonly code: string;
      readonly message: string;
      readonly fields: Readonly<Record<string, readonly string[]>>;
    };
type SavedOrStale =
  | { readonly kind: "saved"; readonly id: string; readonly version: number; readonly batchId: string }
  | {
      readonly kind: "stale";
      readonly stale: { readonly version: number; readonly by: string; readonly at: Date; readonly theirs: Values };
    };

/** Values as they are typed in a form. */
function entered(fields: readonly Field[], values: Values, units: UnitPreference): Record<string, string | Cells> {
  return Object.fromEntries(
    fields.map((f) => [
      f.key,
      f.type.kind === "list"
        ? writeList(f.type.columns, (values[f.key] ?? []) as readonly ListRow[], units)
        : writeField(f, values[f.key] ?? (f.type.kind === "yes-no" && !f.required ? false : undefined), units),
    ]),
  );
}

/** What a draft holds: only what was typed, and what it was typed over. */
interface Draft {
  readonly version: number;
  readonly typed: Record<string, string | Cells>;
}

/**
 * The state of a form over a record: what is typed, what is wrong with it, what differs, and the draft that outlives
 * a closed page. `draftKey` tells drafts apart; null keeps none.
 */
export function useRecordForm(
  entity: Entity,
  fields: readonly Field[],
  initial: Values,
  version: number,
  units: UnitPreference,
  draftKey: string | null,
) {
  const start = useMemo(() => entered(fields, initial, units), [fields, initial, units]);
  const [base, setBase] = useState(start);
  const [typed, setTyped] = useState<Record<string, string | Cells>>({});
  const [issues, setIssues] = useState<FieldIssues>({});
  const [draftOver, setDraftOver] = useState<number | null>(null);

  useEffect(() => {
    if (!draftKey) return;
    const kept = localStorage.getItem(draftKey);
    if (!kept) return;
    const draft = JSON.parse(kept) as Draft;
    if (Object.keys(draft.typed).length === 0) return;
    setTyped(draft.typed);
    setDraftOver(draft.version);
  }, [draftKey]);

  const ground = useCallback((values: Values) => setBase(entered(fields, values, units)), [fields, units]);
  const now = { ...base, ...typed };
  const changedKeys = Object.keys(typed).filter((key) => JSON.stringify(typed[key]) !== JSON.stringify(base[key]));

  const keep = (next: Record<string, string | Cells>) => {
    setTyped(next);
    if (!draftKey) return;
    if (Object.keys(next).length === 0) localStorage.removeItem(draftKey);
    else localStorage.setItem(draftKey, JSON.stringify({ version: draftOver ?? version, typed: next } satisfies Draft));
  };

  return {
    now,
    issues,
    setIssues,
    changedKeys,
    /** The version that a draft from before was typed over; null without one. A save names it, so that it is seen as late. */
    draftOver,
    /** Stands the form on values as they are kept; what was typed stays on top. */
    ground,
    set(key: string, value: string | Cells) {
      keep({ ...typed, [key]: value });
      if (issues[key]) {
        const { [key]: _, ...rest } = issues;
        setIssues(rest);
      }
    },
    /** Several fields at once: one after the other, each would start from before the first. */
    setAll(values: Readonly<Record<string, string>>) {
      keep({ ...typed, ...values });
    },
    /** Canonical values of what differs, or null with the issues shown. All of them for a new record. */
    async read(all: boolean): Promise<Values | null> {
      const chosen = all ? fields : fields.filter((f) => changedKeys.includes(f.key));
      const read = readValues(chosen, now as Entered, units);
      // The schema is loaded when it is first asked: showing a form needs none of it.
      const { changeSchema } = await import("@keel-round/core/desk/schema");
      const parsed = changeSchema(entity).safeParse(read.values);
      const found: Record<string, string> = { ...read.issues };
      if (!parsed.success)
        for (const issue of parsed.error.issues) {
          const key = String(issue.path[0]);
          found[key] ??= issue.message;
        }
      setIssues(found);
      return Object.keys(found).length > 0 ? null : read.values;
    },
    /** Takes what was saved as the new ground; drops the draft. */
    settle() {
      // On top of whatever the ground is by now: somebody else's values may have been taken into it.
      setBase((ground) => ({ ...ground, ...typed }));
      keep({});
      setDraftOver(null);
      setIssues({});
    },
    startOver() {
      keep({});
      setDraftOver(null);
      setIssues({});
    },
    /** Takes somebody else's values as the ground; what was typed stays on top of it. */
    rebase(theirs: Values) {
      setDraftOver(null);
      setBase((ground) => ({
        ...ground,
        ...entered(
          fields.filter((f) => f.key in theirs),
          theirs,
          units,
        ),
      }));
    },
    drop(key: string) {
      const { [key]: _, ...rest } = typed;
      keep(rest);
    },
    /** Where both changed the same field to different values. */
    conflicts(theirs: Values): string[] {
      return changedKeys.filter((key) => {
        const field = fieldOf(entity, key);
        if (!field || !(key in theirs)) return false;
        const mine = readValues([field], now as Entered, units).values[key] as FieldValue | undefined;
        return !sameValue(mine, theirs[key]);
      });
    },
  };
}

export type RecordFormState = ReturnType<typeof useRecordForm>;
