import { libraryJob } from "@keel-round/core/programme";
import { eq } from "drizzle-orm";
import { db } from "../database/connection";
import { firmJob } from "../schema";

/** A job as what was logged of it is told. */
export interface ToldJob {
  readonly name: string;
  /** In the past, "cleaned the viewing panes inside"; null of a job that a firm named itself. */
  readonly told: string | null;
  /** What it measured stands among the readings. */
  readonly isTest: boolean;
}

/** The jobs of a firm by the step that logs them; null of a step that is no job, as switching off. */
export async function toldJobs(businessId: string): Promise<(step: string) => ToldJob | null> {
  const own = await db()
    .select({ code: firmJob.code, name: firmJob.name })
    .from(firmJob)
    .where(eq(firmJob.businessId, businessId));
  const names = new Map(own.map((j) => [j.code, j.name]));
  return (step) => {
    const job = libraryJob(step);
    const name = names.get(step) ?? job?.name;
    return name ? { name, told: job?.done ?? null, isTest: job?.phase === "test" } : null;
  };
}
