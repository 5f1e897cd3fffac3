import { type DoseBefore, steadyOf, type WaterSource } from "@keel-round/core/given";
import { type BuildUp, fitBuildUp, type TimedChange, type TimedValue } from "@keel-round/core/readings";
import type { TankFacts } from "@keel-round/core/tank";
import { type Parameter, parameterFacts } from "@keel-round/core/units";

/** Parameters whose build-up or consumption is fitted. */
const FITTED: readonly Parameter[] = ["nitrate", "phosphate", "alkalinity", "calcium", "magnesium", "salinity"];

/** Whether a mass balance holds for a parameter: what goes in stays until it is changed out. */
export const isFitted = (parameter: Parameter): boolean => FITTED.includes(parameter);

type ReadingRow = { parameter: string; value: number; sigma: number; takenAt: Date };
type ChangeRow = { at: Date; share: number; chemistry: Partial<Record<string, number>> };

/** What a tank lived through, in order of time, and the day that is looked from. */
interface Lived {
  readonly readings: readonly ReadingRow[];
  readonly changes: readonly ChangeRow[];
  /** What may have changed a rate. */
  readonly events: readonly { readonly onDate: string; readonly text: string }[];
  /** What it was dosed with by machine before each change of that. */
  readonly doses?: readonly DoseBefore[];
  /** What was poured in by hand. */
  readonly byHand?: readonly { readonly parameter: string; readonly at: Date; readonly rise: number }[];
  readonly on: string;
}

/** Build-up of each parameter; what was logged changes its rate only where the readings say so. */
export function ratesOf(
  facts: Pick<TankFacts, "bands" | "display" | "sump" | "dosedDkhPerDay" | "pumpsPerDay" | "autoExchange">,
  source: Pick<WaterSource, "chemistry">,
  { readings, changes, events, doses, byHand = [], on }: Lived,
): Partial<Record<Parameter, BuildUp>> {
  const origin = Date.parse(`${on}T12:00:00Z`);
  const day = (at: Date) => (at.getTime() - origin) / 86_400_000;
  const logged = events.map((e) => ({
    day: (Date.parse(`${e.onDate}T12:00:00Z`) - origin) / 86_400_000,
    text: e.text,
  }));
  const rates: Partial<Record<Parameter, BuildUp>> = {};
  for (const { parameter } of facts.bands) {
    if (!isFitted(parameter)) continue;
    const values: TimedValue[] = readings
      .filter((r) => r.parameter === parameter)
      .map((r) => ({ day: day(r.takenAt), value: r.value, sigma: r.sigma }));
    const drops: TimedChange[] = changes.flatMap((c) => {
      const refill = c.chemistry[parameter];
      // A source that says nothing of a builder brings none of it; of anything else it is no drop.
      if (refill === undefined && parameterFacts[parameter].unit !== "mg/L") return [];
      return [{ day: day(c.at), share: c.share, refill: refill ?? 0 }];
    });
    const given = byHand.flatMap((d) => (d.parameter === parameter ? [{ day: day(d.at), rise: d.rise }] : []));
    const happened = { changes: drops, given, ...steadyOf(facts, source, parameter, doses) };
    rates[parameter] = fitBuildUp(values, happened, 0, logged);
  }
  return rates;
}
