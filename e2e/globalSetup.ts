import { chmodSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { startDatabase } from "../tools/lib/database.mjs";
import { TEMPLATE } from "../tools/testing/demoCopy.ts";
import { loadTemplate } from "../tools/testing/loadTemplate.ts";
import { killInTurn } from "./killInTurn.ts";

/** One private MariaDB for all workers, or a cluster whose parts are killed in turn; each worker copies the demo, which is loaded once. */
export default async function setup(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), "keel-e2e-"));
  chmodSync(folder, 0o755);
  process.env.BETTER_AUTH_SECRET = "a-secret-for-browser-tests-0123456789abcdef";
  process.env.BETTER_AUTH_URL = "http://localhost:4690";
  process.env.E2E_PHOTOS = join(folder, "photos");
  const database = process.env.KEEL_ROUND_CLUSTER
    ? await (await import("../tools/lib/cluster.mjs")).startCluster(join(folder, "nodes"))
    : await startDatabase(folder, { keep: false });
  process.env.E2E_DB_PORT = String(database.port);
  await loadTemplate(database.url(TEMPLATE), join(folder, "photos"));
  const ended = "kill" in database ? killInTurn(database, folder) : async () => {};
  return async () => {
    await ended();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
