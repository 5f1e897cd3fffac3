"use client";

import type { Entity, Values } from "@keel-round/core/desk";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { answered } from "@/kit/answered";
import type { RecordFormState, SaveAnswer } from "./useRecordForm";

export interface RecordSaving {
  readonly entity: Entity;
  /** Null for a record that is being made. */
  readonly record: { readonly id: string; readonly version: number } | null;
  readonly values: Values;
  /** Fields that were filled in and not confirmed. */
  readonly assumed?: readonly string[];
  readonly save: (input: {
    entity: Entity;
    id: string | null;
    version: number;
    values: Values;
    confirmed: readonly string[];
  }) => Promise<SaveAnswer>;
  readonly undo: (input: { batchId: string }) => Promise<{ readonly ok: boolean; readonly message?: string }>;
  /** Where a made record is shown, before its id. */
  readonly madeAt: string;
}

export type Stale = Extract<Extract<SaveAnswer, { ok: true }>["value"], { kind: "stale" }>["stale"];

/** Saves what is typed in a form, one press at a time: done, too late, refused beside its fields, or not answered. */
export function useRecordSave(
  { entity, record, values, assumed = [], save, undo, madeAt }: RecordSaving,
  form: RecordFormState,
) {
  const router = useRouter();
  const kept = record?.version ?? 0;
  const [version, setVersion] = useState(kept);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  /** The change that was saved, "" where nothing was changed; null before. */
  const [saved, setSaved] = useState<string | null>(null);
  const [confirmed, setConfirmed] = useState<readonly string[]>([]);
  const [stale, setStale] = useState<Stale | null>(null);
  // A field set back in the history below, or a refresh after a save: the form stands on what is kept now.
  const { ground } = form;
  useEffect(() => {
    ground(values);
    setVersion(kept);
  }, [kept, values, ground]);

  const send = async (at: number): Promise<void> => {
    setProblem(null);
    setSaved(null);
    const read = await form.read(record === null);
    if (read === null) return setProblem("Mend what is marked below, then save again.");
    const answer = await answered(save({ entity, id: record?.id ?? null, version: at, values: read, confirmed }));
    if (!answer.ok) {
      form.setIssues(Object.fromEntries(Object.entries(answer.fields).map(([k, v]) => [k, v[0] ?? ""])));
      return setProblem(answer.message);
    }
    if (answer.value.kind === "stale") return setStale(answer.value.stale);
    form.settle();
    setStale(null);
    if (record === null) return router.push(`${madeAt}${answer.value.id}`);
    setVersion(answer.value.version);
    setSaved(answer.value.version === at ? "" : answer.value.batchId);
    router.refresh();
  };
  /** From the press on, also while it is still read: a second press would send it twice. */
  const submit = async (at: number): Promise<void> => {
    setBusy(true);
    await send(at).finally(() => setBusy(false));
  };

  return {
    busy,
    problem,
    saved,
    stale,
    confirmed,
    waiting: assumed.filter((key) => !confirmed.includes(key) && !form.changedKeys.includes(key)),
    confirm: (keys: readonly string[]) => setConfirmed([...new Set([...confirmed, ...keys])]),
    submit: () => submit(form.draftOver ?? version),
    /** Saves over what somebody else saved meanwhile. */
    keepMine(theirs: Stale) {
      form.rebase(theirs.theirs);
      setVersion(theirs.version);
      setStale(null);
      void submit(theirs.version);
    },
    async takeBack(batchId: string) {
      const answer = await answered(undo({ batchId }));
      if (!answer.ok) return setProblem(answer.message ?? "It could not be taken back.");
      window.location.reload();
    },
  };
}

export type RecordSave = ReturnType<typeof useRecordSave>;
