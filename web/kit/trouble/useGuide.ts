import type { PlanInput } from "@keel-round/core/given";
import {
  type Answers,
  answersWith,
  CLUE_CODES,
  type ClueCode,
  clueOf,
  metIn,
  type Ranked,
  rank,
  settingOf,
  tankClues,
  tellsMost,
} from "@keel-round/core/guide";
import { type Message, m, type PlainCode } from "@keel-round/core/say";
import { useCallback, useMemo, useState } from "react";

/** So many are shown; the rest is too unlikely to help. */
const SHOWN = 3;

/** What somebody says of a tank, what its own data say, and what that comes to. */
export interface Guide {
  readonly pictures: readonly ClueCode[];
  readonly answers: Answers;
  readonly say: (clue: ClueCode, yes: boolean | undefined) => void;
  /** Empty as long as nothing was tapped. */
  readonly ranked: readonly Ranked[];
  readonly next: ClueCode | null;
  /** What speaks for or against, in words with its figures. */
  readonly words: (clue: ClueCode) => Message;
}

/** The guide over a tank as it is. */
export function useGuide(input: PlanInput, changedToday: boolean): Guide {
  const [said, setSaid] = useState<Answers>({});
  const known = useMemo(() => tankClues(input, changedToday), [input, changedToday]);
  const setting = useMemo(() => settingOf(input), [input]);
  const answers = useMemo(() => answersWith(known, said), [known, said]);
  const asked = Object.values(said).some(Boolean);
  const tell = useCallback(
    (clue: ClueCode, yes: boolean | undefined) =>
      setSaid(({ [clue]: _, ...rest }) => (yes === undefined ? rest : { ...rest, [clue]: yes })),
    [],
  );
  return {
    pictures: useMemo(
      () => CLUE_CODES.filter((c) => clueOf(c).picture && metIn(clueOf(c).where, setting.kind, setting.salt)),
      [setting],
    ),
    answers: said,
    say: tell,
    ranked: useMemo(() => (asked ? rank(answers, setting).slice(0, SHOWN) : []), [asked, answers, setting]),
    next: useMemo(() => (asked ? tellsMost(answers, setting) : null), [asked, answers, setting]),
    words: (clue) =>
      (said[clue] === undefined ? known.find((k) => k.clue === clue)?.says : undefined) ??
      m(`clue.${clue}${said[clue] ? "" : ".no"}` as PlainCode),
  };
}
