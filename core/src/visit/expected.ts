import { type Band, volumeRelative95 } from "../tank/index.ts";
import { afterExchange, afterExchangeSigma, type ExchangeSigmas } from "../water/index.ts";
import { q, type Worked, worked, Z95 } from "../worked/index.ts";
import { CEILINGS, LITRES_RELATIVE } from "./change.ts";
import type { PlanInput } from "./inputs.ts";
import { sourceRelative } from "./sourceOn.ts";
import type { Expected, Knowns } from "./waterPlan.ts";

/** The salt that goes in and out, of a plan. */
interface SaltMoved {
  readonly tankPsu: number | null;
  readonly amounts: { readonly saltWaterL: Worked | null; readonly mixPsu: number | null };
  readonly litres: number;
  readonly missing: number;
  readonly systemL: number;
}

/** What each parameter of the bands will be after the change, with its range. */
export function expectedAfter(input: PlanInput, known: Knowns, share: number, salt: SaltMoved): Expected[] {
  const rows: Expected[] = [];
  const volumeRelative = volumeRelative95(input.book) / Z95;
  for (const band of input.book.bands) {
    const value = known[band.parameter];
    if (!value || band.parameter === "ph" || band.parameter === "temperature") continue;
    const ofSource = input.source.chemistry[band.parameter] ?? (CEILINGS.includes(band.parameter) ? 0 : value.value);
    const salinity = band.parameter === "salinity" && salt.tankPsu !== null;
    const refill = salinity ? (salt.amounts.mixPsu ?? ofSource) : ofSource;
    const refillSigma = Math.abs(refill) * sourceRelative(input.source, band.parameter);
    const sigmas = { before: value.sigma, refill: refillSigma, litresRelative: LITRES_RELATIVE, volumeRelative };
    const after = salinity ? (salt.tankPsu ?? value.value) : afterExchange(value.value, refill, share);
    rows.push({
      parameter: band.parameter,
      before: value.value,
      beforeSigma: value.sigma,
      refill,
      refillSigma,
      after: worked(
        "reading-after",
        after,
        unitOf(band),
        {
          before: q(value.value, unitOf(band)),
          "new water": q(refill, unitOf(band)),
          "effective share": q(share * 100, "%"),
        },
        salinity
          ? salinitySigma(value.value, refill, sigmas, salt)
          : afterExchangeSigma(value.value, refill, share, sigmas),
      ),
    });
  }
  return rows;
}

/** First order of the balance of salt, S = (S0·(V − m − v) + Sr·vs)/V, where what is poured closes the level. */
function salinitySigma(
  before: number,
  refill: number,
  sigmas: ExchangeSigmas,
  { amounts, litres, missing, systemL }: SaltMoved,
): number {
  const saltL = amounts.saltWaterL?.value ?? 0;
  return Math.hypot(
    ((systemL - missing - litres) / systemL) * sigmas.before,
    (saltL / systemL) * sigmas.refill,
    ((refill * saltL - before * litres) / systemL) * sigmas.litresRelative,
    ((refill * saltL - before * (missing + litres)) / systemL) * sigmas.volumeRelative,
  );
}

function unitOf(band: Band): string {
  return band.parameter === "alkalinity"
    ? "dKH"
    : band.parameter === "gh"
      ? "dGH"
      : band.parameter === "salinity"
        ? "ppt"
        : "mg/L";
}
