import type { Parameter, UnitPreference } from "@keel-round/core/units";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { addReadingsAction } from "../actions";
import { type KnownForEntry, type Typed, usualRow } from "./entry";

export interface Entries {
  readonly tankId: string;
  /** What the tank's next visit measures: it stands first. */
  readonly due: readonly Parameter[];
  readonly parameters: readonly Parameter[];
  readonly known: KnownForEntry;
  readonly units: UnitPreference;
  /** In the business's zone. */
  readonly now: { readonly on: string; readonly clock: string };
}

/** The rows of the form as they are typed, and their saving: all that is filled in, or nothing. */
export function useEntries({ tankId, due, parameters, known, units, now }: Entries, onSaved: () => void) {
  const router = useRouter();
  const [on, setOn] = useState(now.on);
  const [at, setAt] = useState(now.clock);
  const [typed, setTyped] = useState<Readonly<Partial<Record<Parameter, Typed>>>>({});
  const [busy, setBusy] = useState(false);
  const [saved, setSaved] = useState<number | null>(null);
  const [wrong, setWrong] = useState<{ message: string; at: Parameter | null } | null>(null);
  const of = (p: Parameter): Typed => typed[p] ?? usualRow(known, p, units);
  const others = parameters.filter((p) => !due.includes(p));
  const all = [...due, ...others];
  const save = async () => {
    const filled = all.filter((p) => of(p).text.trim() !== "");
    if (filled.length === 0) return setWrong({ message: "Enter at least one reading.", at: null });
    const [hours = 0, minutes = 0] = at.split(":").map(Number);
    setBusy(true);
    const answer = await answered(
      addReadingsAction({
        tankId,
        on,
        minute: hours * 60 + minutes,
        readings: filled.map((parameter) => ({
          parameter,
          ...of(parameter),
          ...(units.decimal ? { decimal: units.decimal } : {}),
        })),
      }),
    ).finally(() => setBusy(false));
    if (!answer.ok) {
      const field = Object.keys(answer.fields)[0] ?? "";
      const place = /^readings\.(\d+)/.exec(field)?.[1];
      return setWrong({ message: answer.message, at: place ? (filled[Number(place)] ?? null) : null });
    }
    setTyped({});
    setWrong(null);
    onSaved();
    setSaved(filled.length);
    router.refresh();
  };
  const type = (p: Parameter, change: Partial<Typed>) => {
    setSaved(null);
    setTyped({ ...typed, [p]: { ...of(p), ...change } });
  };
  return { of, others, on, setOn, at, setAt, type, save, busy, saved, wrong };
}
