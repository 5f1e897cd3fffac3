"use client";

import { useEffect, useState } from "react";
import type { SeriesPreview } from "@/data/series/change";
import { answered } from "@/kit/answered";
import { previewSeriesAction, saveSeriesAction } from "../actions";
import { inputOf, type TypedSeries } from "./formModel";

const SETTLED_MS = 250;

export interface Told {
  readonly preview: SeriesPreview | null;
  readonly fields: Readonly<Record<string, readonly string[]>>;
  readonly problem: string | null;
}

const NOTHING: Told = { preview: null, fields: {}, problem: null };

/** What is typed, what it would do as it is typed, and its save. */
export function useSeriesForm(siteId: string, begun: TypedSeries, onSaved: () => void) {
  const [typed, setTyped] = useState(begun);
  const [told, setTold] = useState<Told>(NOTHING);
  const [busy, setBusy] = useState(false);

  useEffect(() => {
    const input = inputOf(typed, siteId);
    let current = true;
    const timer = setTimeout(async () => {
      if (!input) return setTold({ ...NOTHING, problem: "Enter days that exist." });
      const answer = await answered(previewSeriesAction(input));
      // An answer to what was typed before is no answer any more.
      if (!current) return;
      setTold(
        answer.ok
          ? { ...NOTHING, preview: answer.value }
          : { ...NOTHING, fields: answer.fields, problem: answer.message },
      );
    }, SETTLED_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [typed, siteId]);

  const save = async () => {
    const input = inputOf(typed, siteId);
    if (!input) return;
    setBusy(true);
    const answer = await answered(saveSeriesAction(input));
    setBusy(false);
    if (answer.ok) onSaved();
    else setTold({ ...NOTHING, fields: answer.fields, problem: answer.message });
  };
  const change = (part: Partial<TypedSeries>) => setTyped((now) => ({ ...now, ...part }));
  return { typed, change, told, busy, save };
}
