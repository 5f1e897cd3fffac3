import { type SourceFacts, wrongKindOfWater } from "@keel-round/core/given";
import { waterSentence } from "@keel-round/core/words";
import { and, eq, isNull } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { source, tank } from "../schema";

/** What is said beside a tank's new water where that cannot be poured into it; null where it can. */
export function wrongWaterSentence(
  { facts }: { readonly facts?: { readonly targetPsu?: number } | null },
  water: { readonly name: string; readonly facts: Pick<SourceFacts, "kind"> },
): string | null {
  const why = wrongKindOfWater({ targetPsu: facts?.targetPsu ?? 0 }, water.facts.kind);
  return why && waterSentence({ code: "wrong-water", why, source: water.name, psu: 0, tankPsu: 0 });
}

/** What is wrong with the new water of a tank's row, beside its field. */
export async function wrongWaters(
  q: Queries,
  businessId: string,
  row: Record<string, unknown>,
): Promise<Record<string, string>> {
  if (typeof row.sourceId !== "string") return {};
  const [water] = await q
    .select({ name: source.name, facts: source.facts })
    .from(source)
    .where(and(eq(source.businessId, businessId), eq(source.id, row.sourceId)));
  const said = water && wrongWaterSentence(row as { facts?: { targetPsu?: number } }, water);
  return said ? { sourceId: said } : {};
}

/** The tanks that a water of another kind would be wrong for, while they are filled with it; beside its kind. */
export async function wrongForTanks(
  q: Queries,
  businessId: string,
  row: Record<string, unknown>,
): Promise<Record<string, string>> {
  const filled = await q
    .select({ name: tank.name, facts: tank.facts })
    .from(tank)
    .where(and(eq(tank.businessId, businessId), eq(tank.sourceId, String(row.id)), isNull(tank.archivedAt)));
  const water = row as unknown as Parameters<typeof wrongWaterSentence>[1];
  const wrong = filled.filter((t) => wrongWaterSentence(t, water) !== null).map((t) => t.name);
  return wrong.length > 0
    ? {
        kind: `${wrong.slice(0, 3).join(", ")}${wrong.length > 3 ? ` and ${wrong.length - 3} more` : ""} would be filled with it: give them another water first.`,
      }
    : {};
}
