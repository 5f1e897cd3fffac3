import { isSalt } from "@keel-round/core/tank";
import type { PlanInput, WaterSource } from "@keel-round/core/visit";
import { and, asc, eq, isNull, or } from "drizzle-orm";
import { db } from "./connection";
import { sourceOf } from "./planInputs";
import { source } from "./schema";
import type { Scope } from "./scope";
import { listTanks, loadTank } from "./tanks";

/** What the bench works with: the tanks to pick from, and the one that is picked. */
export interface BenchData {
  readonly tanks: readonly { readonly id: string; readonly name: string; readonly siteName: string }[];
  readonly chosen: {
    readonly id: string;
    readonly name: string;
    readonly siteName: string;
    readonly input: PlanInput;
    readonly sources: readonly WaterSource[];
  } | null;
}

/** What a tank holds of salt, and what a water is good for: fresh tanks take no sea water, marine ones no tap. */
const SALTY: readonly WaterSource["kind"][] = ["mix", "natural-sea"];

/**
 * Loads the bench for a tank of the scope, the one that is visited next where none is asked for.
 *
 * @throws a refusal for a tank that is not the person's.
 */
export async function loadBench(scope: Scope, tankId: string | null, today: string): Promise<BenchData> {
  const rows = await listTanks(scope, today);
  const tanks = rows.map(({ id, name, siteName }) => ({ id, name, siteName }));
  // Without a choice, the tank that is visited next.
  const next = rows.reduce<(typeof rows)[number] | undefined>(
    (best, r) => (!best || (r.nextOn ?? "9") < (best.nextOn ?? "9") ? r : best),
    undefined,
  );
  const id = tankId ?? next?.id;
  if (!id) return { tanks, chosen: null };
  const { row, site, input } = await loadTank(scope, id, today);
  const waters = await db()
    .select()
    .from(source)
    .where(
      and(
        eq(source.businessId, scope.businessId),
        isNull(source.archivedAt),
        or(isNull(source.siteId), eq(source.siteId, row.siteId)),
      ),
    )
    .orderBy(asc(source.name));
  const others = waters
    .map((r) => sourceOf(r, input.on))
    .filter((s) => s.id !== input.source.id && SALTY.includes(s.kind) === isSalt(input.book));
  return { tanks, chosen: { id, name: row.name, siteName: site.name, input, sources: [input.source, ...others] } };
}
