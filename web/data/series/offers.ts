import { offerRhythm, type RhythmOffer } from "@keel-round/core/change";
import { conditionOf } from "@keel-round/core/given";
import { type Message, m } from "@keel-round/core/say";
import { usualGapDays } from "@keel-round/core/series";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { loadPlanInputs } from "../plan/planInputs";
import type { SiteVisits } from "./read";

const NAMES: Readonly<Record<string, string>> = {
  "3.5": "twice a week",
  "7": "every week",
  "14": "every second week",
  "21": "every third week",
  "28": "every fourth week",
};

/** Another rhythm for the series of a site, by its id: for the tank that asks most, with the figure behind it. */
export async function seriesOffers(scope: Scope, visits: SiteVisits, today: string): Promise<Map<string, Message>> {
  const inputs = await loadPlanInputs(
    db(),
    scope.businessId,
    visits.tanks.map((t) => ({ visitId: t.id, tankId: t.id, on: today })),
  );
  return new Map(
    visits.series.flatMap((s) => {
      const gapDays = usualGapDays(s.recurrence.rhythm);
      const offers = (s.tankIds ?? visits.tanks.map((t) => t.id)).map((id) => {
        const input = inputs.get(id);
        return input ? { name: input.facts.name, offer: offerRhythm(input, gapDays, conditionOf(input).state) } : null;
      });
      const chosen = asksMost(offers.flatMap((o) => o ?? []));
      return chosen ? [[s.id, told(chosen.name, chosen.offer)] as const] : [];
    }),
  );
}

interface Offered {
  readonly name: string;
  readonly offer: RhythmOffer | null;
}

/** One tank that needs its visits sooner decides for all; later ones suit only where they suit every tank. */
function asksMost(all: readonly Offered[]): { readonly name: string; readonly offer: RhythmOffer } | null {
  const offers = all.flatMap(({ name, offer }) => (offer ? [{ name, offer }] : []));
  const byDays = (a: (typeof offers)[number], b: (typeof offers)[number]) => a.offer.days - b.offer.days;
  const shorter = offers.filter((o) => o.offer.kind === "shorter").sort(byDays)[0];
  if (shorter) return shorter;
  return offers.length === all.length ? (offers.sort(byDays)[0] ?? null) : null;
}

const told = (tank: string, { kind, days, parameter, peak, ceiling, holdsDays }: RhythmOffer): Message => {
  const base = {
    ...{ tank, parameter: { parameter }, rhythm: NAMES[String(days)] ?? "" },
    ceiling: { reading: ceiling, of: parameter },
  };
  return kind === "shorter"
    ? m("weeks.rhythm.shorter", { ...base, peak: { reading: peak, of: parameter } })
    : m("weeks.rhythm.longer", { ...base, days: holdsDays });
};
