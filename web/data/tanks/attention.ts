import { type AttentionItem, bySoonest } from "@keel-round/core/attention";
import { and, asc, eq, gte, inArray, isNull } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { stop, tankStatus, task, visit } from "../schema";
import { listTanks } from "./tanks";

/** Something of a tank that somebody has to see to, with what it can be put into. */
export interface AttentionRow {
  readonly tankId: string;
  readonly tankName: string;
  readonly siteName: string;
  readonly item: AttentionItem;
  /** The day it was judged on: what its days count from. */
  readonly judgedOn: string;
  /** The next visit that is planned; null where none is. */
  readonly next: { readonly on: string; readonly stopId: string } | null;
  /** The day of a visit that somebody put its test on; null where nobody did. */
  readonly testOn: string | null;
}

/** The list, and what it leans on. */
export interface AttentionOfTanks {
  readonly rows: readonly AttentionRow[];
  /** Tanks in sight. */
  readonly tanks: number;
  /** Those of them that were not judged yet: the list says nothing of them. */
  readonly unjudged: number;
}

/** What has to be seen to over all tanks in sight, the most urgent first. Reads one row a tank and plans nothing. */
export async function listAttention(scope: Scope, today: string): Promise<AttentionOfTanks> {
  const tanks = new Map((await listTanks(scope, today)).map((t) => [t.id, t]));
  const q = db();
  const rows = (
    await q
      .select({ tankId: tankStatus.tankId, attention: tankStatus.attention, judgedOn: tankStatus.judgedOn })
      .from(tankStatus)
      .where(eq(tankStatus.businessId, scope.businessId))
  ).filter((r) => tanks.has(r.tankId));
  const judged = rows.filter((r) => r.attention !== null).length;
  const of = { tanks: tanks.size, unjudged: tanks.size - judged };
  if (rows.length === 0) return { ...of, rows: [] };
  const ids = rows.map((r) => r.tankId);
  const [visits, tests] = await Promise.all([
    q
      .select({ tankId: visit.tankId, on: visit.onDate, stopId: visit.stopId })
      .from(visit)
      .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
      .where(
        and(
          ...[eq(visit.businessId, scope.businessId), eq(visit.state, "planned"), isNull(stop.off)],
          ...[inArray(visit.tankId, ids), gte(visit.onDate, today)],
        ),
      )
      .orderBy(asc(visit.onDate), asc(visit.id)),
    q
      .select({ tankId: task.tankId, code: task.code, pin: task.pin })
      .from(task)
      .where(and(eq(task.businessId, scope.businessId), inArray(task.tankId, ids), isNull(task.removedAt))),
  ]);
  const next = new Map<string, { on: string; stopId: string }>();
  for (const { tankId, ...v } of visits) if (!next.has(tankId)) next.set(tankId, v);
  const pinned = new Map(tests.flatMap((t) => (t.pin ? [[`${t.tankId} ${t.code}`, t.pin.on]] : [])));
  const items = rows
    .flatMap(({ tankId, attention, judgedOn }) =>
      (attention ?? []).map((item): AttentionRow => {
        const there = tanks.get(tankId);
        const pin = pinned.get(`${tankId} ${item.test}`);
        return {
          ...{ tankId, tankName: there?.name ?? "", siteName: there?.siteName ?? "", item, judgedOn },
          next: next.get(tankId) ?? null,
          testOn: pin && pin >= today ? pin : null,
        };
      }),
    )
    .sort((a, b) => bySoonest(a.item, b.item));
  return { ...of, rows: items };
}
