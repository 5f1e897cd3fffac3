import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { startDatabase } from "../tools/lib/database.mjs";

/** One private MariaDB for all workers; each makes a database of its own in it. */
export default async function setup(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), "keel-e2e-"));
  const database = await startDatabase(folder, { keep: false });
  process.env.E2E_DB_PORT = String(database.port);
  return async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
