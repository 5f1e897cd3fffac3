import { addDays, daysBetween } from "@keel-round/core/calendar";
import { placeInBand, standing } from "@keel-round/core/readings";
import type { Band, TankKind } from "@keel-round/core/tank";
import type { Parameter } from "@keel-round/core/units";
import { and, asc, eq, gte, inArray, isNull } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import { factsOf } from "../plan/asCore";
import { reading, site, tank } from "../schema";

/** One figure of one tank, to stand beside those of others. */
export interface TankFigure {
  readonly tankId: string;
  readonly tankName: string;
  readonly siteName: string;
  readonly band: Band;
  /** Oldest first; day 0 is today. */
  readonly points: readonly { readonly day: number; readonly value: number }[];
}

/** A figure over all tanks of a kind. */
export interface Beside {
  /** The kinds that there are tanks of, with how many. */
  readonly kinds: readonly { readonly kind: TankKind; readonly tanks: number }[];
  readonly kind: TankKind | null;
  /** The figures that tanks of this kind are held to. */
  readonly parameters: readonly Parameter[];
  readonly parameter: Parameter | null;
  /** The odd ones first: beyond a limit, outside of ideal, then those nearest to an edge; unread ones last. */
  readonly figures: readonly TankFigure[];
}

const DAYS_BACK = 150;

/** One figure of all tanks of a kind that somebody sees; of the kind and figure there are most of, where none is asked for. */
export async function figureOfTanks(
  scope: Scope,
  asked: { readonly kind?: string | undefined; readonly of?: string | undefined },
  today: string,
): Promise<Beside> {
  const q = db();
  const rows = await q
    .select({ tank, siteName: site.name })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(
      and(
        ...[eq(tank.businessId, scope.businessId), isNull(tank.archivedAt)],
        inSight(site.clientId, await clientsInSight(scope)),
      ),
    )
    .orderBy(asc(site.name), asc(tank.name));
  const byKind = [...groupBy(rows, (r) => r.tank.kind as TankKind)];
  const kinds = byKind
    .map(([kind, of]) => ({ kind, tanks: of.length }))
    .sort((a, b) => b.tanks - a.tanks || (a.kind < b.kind ? -1 : 1));
  const kind = kinds.find((k) => k.kind === asked.kind)?.kind ?? kinds[0]?.kind ?? null;
  const tanks = rows.filter((r) => r.tank.kind === kind).map((r) => ({ ...r, bands: factsOf(r.tank).bands }));
  const parameters = [...new Set(tanks.flatMap((t) => t.bands.map((b) => b.parameter)))];
  const parameter =
    parameters.find((p) => p === asked.of) ?? (parameters.includes("nitrate") ? "nitrate" : parameters[0]);
  if (!kind || !parameter) return { kinds, kind, parameters, parameter: null, figures: [] };
  const read = await q
    .select({ tankId: reading.tankId, value: reading.value, onDate: reading.onDate })
    .from(reading)
    .where(
      and(
        ...[eq(reading.businessId, scope.businessId), eq(reading.parameter, parameter)],
        inArray(
          reading.tankId,
          tanks.map((t) => t.tank.id),
        ),
        gte(reading.onDate, addDays(today, -DAYS_BACK)),
      ),
    )
    .orderBy(asc(reading.takenAt), asc(reading.id));
  const points = groupBy(read, (r) => r.tankId);
  const figures = tanks.flatMap(({ tank: t, siteName, bands }): TankFigure[] => {
    const band = bands.find((b) => b.parameter === parameter);
    if (!band) return [];
    const own = (points.get(t.id) ?? []).map((r) => ({ day: daysBetween(today, r.onDate), value: r.value }));
    return [{ tankId: t.id, tankName: t.name, siteName, band, points: own }];
  });
  return { kinds, kind, parameters, parameter, figures: figures.sort(oddFirst) };
}

const RANK = { act: 0, watch: 1, ideal: 2 } as const;

function oddFirst(a: TankFigure, b: TankFigure): number {
  const [x, y] = [oddness(a), oddness(b)];
  return x.rank - y.rank || y.place - x.place;
}

function oddness({ band, points }: TankFigure): { readonly rank: number; readonly place: number } {
  const last = points.at(-1);
  if (!last) return { rank: 3, place: 0 };
  return { rank: RANK[standing(band, last.value)], place: Math.abs(placeInBand(band, last.value)) };
}
