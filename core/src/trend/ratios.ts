import type { BuildUp } from "../readings/index.ts";
import { type Message, m } from "../say/index.ts";
import { isSalt, systemVolumeL, type TankFacts } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import { topUpPsuOf } from "../water/index.ts";
import { rateOf } from "./sayTrend.ts";

/** What figures of one tank are held against each other with. */
export interface RatioInput {
  readonly facts: Pick<TankFacts, "display" | "sump" | "targetPsu" | "evaporationLPerDay">;
  readonly rates: Readonly<Partial<Record<Parameter, BuildUp>>>;
  /** The newest readings, canonical. */
  readonly latest: Readonly<Partial<Record<Parameter, number>>>;
}

/** Apart by so many sigmas, two figures do not belong together. */
const APART_SIGMAS = 3;
/** The most magnesium that anything builds in beside calcium, by mass: calcite of coralline algae, up to 25 mol % (Chave 1954). */
const MOST_MAGNESIUM = ((0.25 / 0.75) * 24.305) / 40.078;
/** Nitrate to phosphate, by mass, in what plankton is made of: 16 to 1 by atoms (Redfield 1934). */
const FOOD_RATIO = (16 * 62.005) / 94.971;
/** From food these far either way are usual; beyond them something else takes one of the two. */
const USUAL_TIMES = 4;
/** Below what a kit tells apart there is no ratio. */
const LEAST_PHOSPHATE_MGL = 0.02;
const LEAST_NITRATE_MGL = 0.5;
/** So slowly salt goes or comes that nobody has to ask, ppt a day. */
const MATTERS_PPT = 0.02;

interface Used {
  readonly perDay: number;
  readonly sigma: number;
}

const usedOf = (rate: BuildUp | undefined): Used | null =>
  rate?.enough ? { perDay: -(rate.ownPerDay ?? rate.perDay), sigma: rate.perDaySigma } : null;

/** Magnesium that is used faster than growth can build it in: its test, or the salinity, is to be doubted. */
function magnesium({ rates }: RatioInput): Message[] {
  const [used, calcium] = [usedOf(rates.magnesium), usedOf(rates.calcium)];
  if (!used || !calcium) return [];
  const most = MOST_MAGNESIUM * Math.max(0, calcium.perDay);
  if (used.perDay - most <= APART_SIGMAS * Math.hypot(used.sigma, MOST_MAGNESIUM * calcium.sigma)) return [];
  return [m("trend.ratio.magnesium", { used: rateOf("magnesium", used.perDay), most: rateOf("magnesium", most) })];
}

/** Nitrate to phosphate in the water, where one of them is taken and the other stays. */
function nutrients({ latest: { nitrate, phosphate } }: RatioInput): Message[] {
  if (nitrate === undefined || phosphate === undefined) return [];
  if (nitrate < LEAST_NITRATE_MGL || phosphate < LEAST_PHOSPHATE_MGL) return [];
  const ratio = nitrate / phosphate;
  const to = { figure: ratio, decimals: ratio < 10 ? 1 : 0 };
  const usual = { figure: FOOD_RATIO, decimals: 0 };
  if (ratio > USUAL_TIMES * FOOD_RATIO) return [m("trend.ratio.little-phosphate", { to, usual })];
  return ratio < FOOD_RATIO / USUAL_TIMES ? [m("trend.ratio.little-nitrate", { to, usual })] : [];
}

/** Salt that comes or goes though the log of changes and refills knows of none. */
function salt({ facts, rates }: RatioInput): Message[] {
  const rate = rates.salinity;
  if (!isSalt(facts) || !rate?.enough) return [];
  const perDay = rate.ownPerDay ?? rate.perDay;
  if (Math.abs(perDay) < MATTERS_PPT || Math.abs(perDay) <= APART_SIGMAS * rate.perDaySigma) return [];
  const told = rateOf("salinity", perDay);
  if (perDay < 0) return [m("trend.ratio.salt-goes", { rate: told })];
  if (facts.evaporationLPerDay <= 0) return [m("trend.ratio.salt-comes", { rate: told })];
  const psu = topUpPsuOf(perDay, facts.evaporationLPerDay, systemVolumeL(facts));
  return [
    m("trend.ratio.salt-in-top-up", {
      rate: told,
      evaporates: { litres: facts.evaporationLPerDay },
      holds: { reading: Math.min(40, psu), of: "salinity" },
    }),
  ];
}

const OF: Readonly<Partial<Record<Parameter, (input: RatioInput) => Message[]>>> = {
  magnesium,
  nitrate: nutrients,
  phosphate: nutrients,
  salinity: salt,
};

/** What a figure says beside another one of the same tank, where the two cannot both be right or one of them is taken. */
export const ratioSentences = (parameter: Parameter, input: RatioInput): Message[] => OF[parameter]?.(input) ?? [];
