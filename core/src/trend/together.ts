import { calciumPerDkh } from "../mixing/index.ts";
import type { BuildUp } from "../readings/index.ts";
import { type Message, m } from "../say/index.ts";
import type { Parameter } from "../units/index.ts";
import { rateOf } from "./sayTrend.ts";

type Rates = Readonly<Partial<Record<Parameter, BuildUp>>>;

/** Alkalinity and calcium as they are used by what grows, where the two cannot both be right. */
export interface Together {
  /** dKH a day, without what nitrate takes. */
  readonly alkalinity: number;
  /** mg/L a day. */
  readonly calcium: number;
  /** Calcium that is built in with that alkalinity, mg/L a day. */
  readonly expected: number;
  /** The test that more likely misleads. */
  readonly doubt: "alkalinity" | "calcium";
}

/** dKH that a mg/L of nitrate takes as ammonia becomes it: two of acid a molecule of 62.005, 2.804 dKH a meq/L. */
const DKH_PER_NITRATE = (2 / 62.005) * 2.804;
/** Further apart than so many sigmas of both the two do not belong together. */
const APART_SIGMAS = 3;
/** Nothing makes them by itself: so far below nothing a use is a mistake. */
const MADE_SIGMAS = 2;

interface Used {
  readonly perDay: number;
  readonly sigma: number;
}

function usedOf(rate: BuildUp | undefined): Used | null {
  return rate?.enough ? { perDay: -(rate.ownPerDay ?? rate.perDay), sigma: rate.perDaySigma } : null;
}

/**
 * Whether alkalinity and calcium are used in the ratio in which skeletons take them, and which test to doubt if not.
 *
 * Calcification takes one of calcium for two of alkalinity; nitrification takes alkalinity alone and is put aside.
 *
 * @param dosedDkhPerDay What a balanced doser gives a day, dKH; 0 without.
 * @returns null where they agree, or one of them is not known well enough to say.
 */
export function usedTogether(rates: Rates, dosedDkhPerDay: number): Together | null {
  const [all, calcium] = [usedOf(rates.alkalinity), usedOf(rates.calcium)];
  if (!all || !calcium) return null;
  const nitrate = rates.nitrate?.enough ? Math.max(0, rates.nitrate.ownPerDay ?? rates.nitrate.perDay) : 0;
  const alkalinity = { ...all, perDay: all.perDay - DKH_PER_NITRATE * nitrate };
  const k = calciumPerDkh();
  const expected = k * alkalinity.perDay;
  const sigma = Math.hypot(calcium.sigma, k * alkalinity.sigma);
  if (Math.abs(calcium.perDay - expected) <= APART_SIGMAS * sigma) return null;
  const doubt = doubtOf(alkalinity, calcium, dosedDkhPerDay, k);
  return { alkalinity: alkalinity.perDay, calcium: calcium.perDay, expected, doubt };
}

/** What the tank seems to make by itself; else what lies further from what is dosed; else what is known less well. */
function doubtOf(alkalinity: Used, calcium: Used, dosedDkh: number, k: number): Together["doubt"] {
  const made = (u: Used) => -u.perDay / Math.max(u.sigma, 1e-9);
  const [a, c] = [made(alkalinity), made(calcium)];
  if (Math.max(a, c) > MADE_SIGMAS) return a > c ? "alkalinity" : "calcium";
  const off = (u: Used, given: number) => Math.abs(u.perDay - given) / Math.max(u.sigma, 1e-9);
  if (dosedDkh > 0) return off(alkalinity, dosedDkh) > off(calcium, k * dosedDkh) ? "alkalinity" : "calcium";
  const loose = (u: Used) => u.sigma / Math.max(Math.abs(u.perDay), 1e-9);
  return loose(alkalinity) > loose(calcium) ? "alkalinity" : "calcium";
}

/** What a colleague would say of it. */
export const togetherSentence = ({ alkalinity, calcium, expected, doubt }: Together): Message =>
  m("trend.together", {
    alkalinity: rateOf("alkalinity", alkalinity),
    rises: alkalinity < 0 ? "yes" : "other",
    calcium: rateOf("calcium", calcium),
    makes: calcium < 0 ? "yes" : "other",
    expected: rateOf("calcium", Math.max(0, expected)),
    doubt: { parameter: doubt },
  });
