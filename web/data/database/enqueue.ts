import { sql } from "drizzle-orm";
import { job } from "../schema";
import { newId } from "./ids";
import type { Queries } from "./transaction";

type Job = typeof job.$inferSelect;

/** Puts work into the queue, due at once by the database's own clock, or so long after. */
export async function enqueue(
  q: Queries,
  businessId: string,
  kind: Job["kind"],
  payload: Job["payload"],
  delayMs = 0,
): Promise<void> {
  const runAt = sql`utc_timestamp(3) + interval ${Math.round(delayMs * 1000)} microsecond`;
  await q.insert(job).values({ id: newId(), businessId, kind, payload, runAt: runAt as never });
}
