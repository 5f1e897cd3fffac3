import type { TankKind } from "../tank/index.ts";
import { CAUSE_CODES, CAUSES, type CauseCode } from "./causes.ts";
import { CLUE_CODES, type ClueCode, clueOf, metIn } from "./clues.ts";

/** The tank as far as it changes what is to be expected of it. */
export interface Setting {
  readonly kind: TankKind;
  readonly salt: boolean;
  readonly ageDays: number;
}

/** What was seen, and what was looked for and not seen; anything else is unknown. */
export type Answers = Readonly<Partial<Record<ClueCode, boolean>>>;

export type Chance = "likely" | "possible" | "unlikely";

/** A trouble with what speaks for and against it, the strongest first. */
export interface Ranked {
  readonly trouble: CauseCode;
  readonly chance: Chance;
  /** 0 to 1 among everything that the guide knows and what it does not; for the order, never shown. */
  readonly share: number;
  readonly pros: readonly ClueCode[];
  readonly cons: readonly ClueCode[];
}

/** One group of clues says no more than this, whatever it says. */
const MOST_WEIGHT = 3;
const LIKELY = 0.6;
const POSSIBLE = 0.2;
/** Something that the guide does not know, against the troubles that it knows. */
const SOMETHING_ELSE = 1;
const ELSE = Math.log(SOMETHING_ELSE);
/** Less than this is no reason for or against anything. */
const TELLS = 0.4;

/** The first eight weeks of a tank. */
export const isFirstWeeks = (ageDays: number): boolean => ageDays < 56;
/** After those, until it is eight months old. */
export const isYoung = (ageDays: number): boolean => ageDays >= 56 && ageDays < 245;

const capped = (w: number): number => Math.max(-MOST_WEIGHT, Math.min(MOST_WEIGHT, w));

/**
 * Each clue with every trouble, in their order: how often it comes with it, and how much each answer says for it, the logarithm of how much
 * likelier the answer is with the trouble than without.
 */
const TABLE = new Map(
  CLUE_CODES.map((clue) => {
    const { base } = clueOf(clue);
    const shares = Float64Array.from(CAUSE_CODES, (trouble) => CAUSES[trouble].with[clue] ?? base);
    return [
      clue,
      {
        shares,
        yes: shares.map((p) => capped(Math.log(p / base))),
        no: shares.map((p) => capped(Math.log((1 - p) / (1 - base)))),
      },
    ];
  }),
);
const NOTHING = new Float64Array(CAUSE_CODES.length);

const weightsOf = (clue: ClueCode, yes: boolean): Float64Array => TABLE.get(clue)?.[yes ? "yes" : "no"] ?? NOTHING;

function priorOf(trouble: CauseCode, { ageDays }: Setting): number {
  const { prior, weeks = 1, months = 1 } = CAUSES[trouble];
  return prior * (isFirstWeeks(ageDays) ? weeks : isYoung(ageDays) ? months : 1);
}

/** What somebody saw or measured. What is merely known of a tank makes a trouble likelier; by itself it is no sign of one. */
const isSign = (clue: ClueCode): boolean => clueOf(clue).minutes !== undefined || clueOf(clue).sign === true;

/** What speaks for and against every trouble that explains something of what was seen: of each group of clues the one that says most. */
interface Weighed {
  readonly scores: Float64Array;
  readonly groups: ReadonlyMap<string, Float64Array>;
}

function weigh(answers: Answers, setting: Setting): Weighed {
  const groups = new Map<string, Float64Array>();
  for (const clue of Object.keys(answers) as ClueCode[]) {
    const { group } = clueOf(clue);
    const [strongest, weights] = [
      groups.get(group) ?? new Float64Array(CAUSE_CODES.length),
      weightsOf(clue, answers[clue] === true),
    ];
    for (let i = 0; i < weights.length; i++)
      if (Math.abs(weights[i] as number) > Math.abs(strongest[i] as number)) strongest[i] = weights[i] as number;
    groups.set(group, strongest);
  }
  const seen = (Object.keys(answers) as ClueCode[])
    .filter((c) => answers[c] && isSign(c))
    .map((c) => weightsOf(c, true));
  const scores = Float64Array.from(CAUSE_CODES, (trouble, i) =>
    metIn(CAUSES[trouble].where, setting.kind, setting.salt) && seen.some((weights) => (weights[i] as number) >= TELLS)
      ? Math.log(priorOf(trouble, setting))
      : -Infinity,
  );
  for (const weights of groups.values())
    for (const [i, weight] of weights.entries()) scores[i] = (scores[i] ?? 0) + weight;
  return { scores, groups };
}

/** Shares of the troubles, which with that of something else are 1 together. */
function sharesOf(scores: Float64Array): Float64Array {
  const most = scores.reduce((a, b) => Math.max(a, b), ELSE);
  const powers = scores.map((s) => Math.exp(s - most));
  const sum = powers.reduce((a, b) => a + b, Math.exp(ELSE - most));
  return powers.map((p) => p / sum);
}

/**
 * What may be wrong, the likeliest first: prior by kind and age, and of each group of clues the one that says most.
 *
 * One trouble at a time is assumed, and one share is kept for what the guide does not know.
 *
 * Source: naive Bayes by weight of evidence; Good, Weight of evidence: a brief survey, 1985.
 * @returns empty where nothing was seen that a trouble explains.
 */
export function rank(answers: Answers, setting: Setting): Ranked[] {
  const { scores } = weigh(answers, setting);
  const answered = Object.keys(answers) as ClueCode[];
  const shares = sharesOf(scores);
  return CAUSE_CODES.flatMap((trouble, i): Ranked[] => {
    const share = shares[i] as number;
    if (share === 0) return [];
    // What counts is the strongest of a group; what is shown is all of it.
    const told = answered
      .map((clue) => ({ clue, weight: weightsOf(clue, answers[clue] === true)[i] as number }))
      .filter(({ weight }) => Math.abs(weight) >= TELLS)
      .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
    return [
      {
        ...{ trouble, share, chance: share >= LIKELY ? "likely" : share >= POSSIBLE ? "possible" : "unlikely" },
        pros: told.filter((w) => w.weight > 0).map((w) => w.clue),
        cons: told.filter((w) => w.weight < 0).map((w) => w.clue),
      },
    ];
  }).sort((a, b) => b.share - a.share);
}

/** How much is still open, nats: of what the scores make of each trouble and of something else. */
function entropyOf(scores: ArrayLike<number>): number {
  let most = ELSE;
  for (let i = 0; i < scores.length; i++) most = Math.max(most, scores[i] as number);
  let [sum, moment] = [0, 0];
  for (let i = -1; i < scores.length; i++) {
    const x = (i < 0 ? ELSE : (scores[i] as number)) - most;
    const power = Math.exp(x);
    sum += power;
    if (power > 0) moment += x * power;
  }
  return Math.log(sum) - moment / sum;
}

/** Whether a clue may be asked for: it can be met here, nobody has answered it, and what it follows from was seen. */
function isOpen(clue: ClueCode, answers: Answers, { kind, salt }: Setting): boolean {
  const { minutes, where, after } = clueOf(clue);
  return (
    minutes !== undefined &&
    answers[clue] === undefined &&
    metIn(where, kind, salt) &&
    (!after || after.some((code) => answers[code as ClueCode] === true))
  );
}

/** A question has to be worth its while: less than this is not asked. */
const WORTH_NATS = 0.02;

/**
 * The look or test that would tell most: the largest expected fall of entropy a minute.
 *
 * @returns null where none would tell anything worth its while.
 */
export function tellsMost(answers: Answers, setting: Setting): ClueCode | null {
  const { scores, groups } = weigh(answers, setting);
  const now = sharesOf(scores);
  const before = entropyOf(scores);
  const known = now.reduce((a, b) => a + b, 0);
  const then = new Float64Array(scores.length);
  /** What would still be open if a clue were answered so: only its own group changes. */
  const openWith = (clue: ClueCode, yes: boolean): number => {
    const [had, weights] = [groups.get(clueOf(clue).group) ?? NOTHING, weightsOf(clue, yes)];
    for (let i = 0; i < then.length; i++) {
      const [was, weight] = [had[i] as number, weights[i] as number];
      then[i] = (scores[i] as number) + (Math.abs(weight) > Math.abs(was) ? weight - was : 0);
    }
    return entropyOf(then);
  };
  let best: { readonly clue: ClueCode; readonly worth: number } | null = null;
  for (const clue of CLUE_CODES) {
    if (!isOpen(clue, answers, setting)) continue;
    const { base, minutes = 1 } = clueOf(clue);
    const shares = TABLE.get(clue)?.shares ?? NOTHING;
    let yes = (1 - known) * base;
    for (let i = 0; i < now.length; i++) yes += (now[i] as number) * (shares[i] as number);
    const after = yes * openWith(clue, true) + (1 - yes) * openWith(clue, false);
    const fall = before - after;
    if (fall > WORTH_NATS && (!best || fall / minutes > best.worth)) best = { clue, worth: fall / minutes };
  }
  return best?.clue ?? null;
}
