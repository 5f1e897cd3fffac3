import { constants } from "node:fs";
import { access } from "node:fs/promises";
import { sql } from "drizzle-orm";
import { db } from "./connection";
import journal from "./migrations/meta/_journal.json" with { type: "json" };

const NEWEST = Math.max(...journal.entries.map((e) => e.when));
/** Longer than this is no answer, ms. */
const PATIENCE_MS = 1500;

/** One thing that has to be at hand, and why it is not. */
export interface Check {
  readonly name: "database" | "schema" | "pictures";
  readonly problem: string | null;
}

const inTime = <T>(work: Promise<T>): Promise<T> =>
  Promise.race([
    work,
    new Promise<never>((_, refuse) => {
      setTimeout(() => refuse(new Error(`no answer within ${PATIENCE_MS} ms`)), PATIENCE_MS).unref();
    }),
  ]);

const said = (error: unknown): string => {
  const cause = error instanceof Error && error.cause instanceof Error ? error.cause : error;
  return cause instanceof Error ? cause.message : String(cause);
};

async function checked(name: Check["name"], work: () => Promise<unknown>): Promise<Check> {
  try {
    await inTime(work());
    return { name, problem: null };
  } catch (error) {
    return { name, problem: said(error) };
  }
}

/**
 * Whether this process can do its work: the database answers, its schema is the one that this version needs, and pictures can be kept.
 *
 * @param newest When the newest migration that this version knows was written, ms.
 */
export async function readiness(newest = NEWEST): Promise<readonly Check[]> {
  const folder = process.env.PHOTO_FOLDER ?? "";
  return Promise.all([
    checked("database", () => db().execute(sql`select 1`)),
    checked("schema", async () => {
      const answer = await db().execute(sql`select coalesce(max(created_at), 0) as at from __drizzle_migrations`);
      const [[row]] = answer as unknown as [[{ at: number }]];
      if (Number(row.at) < newest)
        throw new Error("a migration of this version has not been made: run npm run migrate");
    }),
    checked("pictures", () => access(folder, constants.W_OK)),
  ]);
}
