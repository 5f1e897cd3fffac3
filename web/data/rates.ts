import { steadyOf, type WaterSource } from "@keel-round/core/given";
import { type BuildUp, fitBuildUp, type TimedChange, type TimedValue } from "@keel-round/core/readings";
import type { TankBook } from "@keel-round/core/tank";
import { type Parameter, parameterFacts } from "@keel-round/core/units";

/** Parameters whose build-up or consumption is fitted. */
const FITTED: readonly Parameter[] = ["nitrate", "phosphate", "alkalinity", "calcium", "magnesium", "salinity"];

type ReadingRow = { parameter: string; value: number; sigma: number; takenAt: Date };
type ChangeRow = { at: Date; share: number; chemistry: Partial<Record<string, number>> };

/** What a tank lived through, in order of time, and the day that is looked from. */
interface Lived {
  readonly readings: readonly ReadingRow[];
  readonly changes: readonly ChangeRow[];
  readonly events: readonly { readonly onDate: string }[];
  readonly on: string;
}

/** Build-up of each parameter from the readings since the last event that broke it. */
export function ratesOf(
  book: Pick<TankBook, "bands" | "display" | "sump" | "dosedDkhPerDay" | "autoExchange">,
  source: Pick<WaterSource, "chemistry">,
  { readings, changes, events, on }: Lived,
): Partial<Record<Parameter, BuildUp>> {
  const origin = Date.parse(`${on}T12:00:00Z`);
  const day = (at: Date) => (at.getTime() - origin) / 86_400_000;
  const since = events.reduce((max, e) => (e.onDate > max ? e.onDate : max), "");
  const rates: Partial<Record<Parameter, BuildUp>> = {};
  for (const { parameter } of book.bands) {
    if (!FITTED.includes(parameter)) continue;
    const values: TimedValue[] = readings
      .filter((r) => r.parameter === parameter && r.takenAt.toISOString().slice(0, 10) >= since)
      .map((r) => ({ day: day(r.takenAt), value: r.value, sigma: r.sigma }));
    const drops: TimedChange[] = changes.flatMap((c) => {
      const refill = c.chemistry[parameter];
      // A source that says nothing of a builder brings none of it; of anything else it is no drop.
      if (refill === undefined && parameterFacts[parameter].unit !== "mg/L") return [];
      return [{ day: day(c.at), share: c.share, refill: refill ?? 0 }];
    });
    rates[parameter] = fitBuildUp(values, { changes: drops, ...steadyOf(book, source, parameter) }, 0);
  }
  return rates;
}
