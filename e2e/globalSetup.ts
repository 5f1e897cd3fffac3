import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { startDatabase } from "../tools/lib/database.mjs";
import { TEMPLATE } from "../tools/testing/demoCopy.ts";
import { loadTemplate } from "../tools/testing/loadTemplate.ts";

/** One private MariaDB for all workers; each copies the demo, which is loaded once, into a database of its own. */
export default async function setup(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), "keel-e2e-"));
  const database = await startDatabase(folder, { keep: false });
  process.env.E2E_DB_PORT = String(database.port);
  process.env.E2E_PHOTOS = join(folder, "photos");
  process.env.BETTER_AUTH_SECRET = "a-secret-for-browser-tests-0123456789abcdef";
  process.env.BETTER_AUTH_URL = "http://localhost:4690";
  await loadTemplate(database.url(TEMPLATE), join(folder, "photos"));
  return async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
