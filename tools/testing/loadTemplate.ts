import { spawn } from "node:child_process";
import { once } from "node:events";

/**
 * Loads the demo once: whoever tests it works on a copy.
 *
 * @param url Of a database that is not there yet.
 * @param photos Folder of its pictures.
 */
export async function loadTemplate(url: string, photos: string): Promise<void> {
  const env = { ...process.env, DATABASE_URL: url, PHOTO_FOLDER: photos };
  const seed = spawn(process.execPath, ["--import", "tsx", "../tools/seed/run.ts"], {
    ...{ env, cwd: new URL("../../web", import.meta.url).pathname, stdio: ["ignore", "ignore", "inherit"] },
  });
  const [code] = (await once(seed, "exit")) as [number | null];
  if (code !== 0) throw new Error("The demo could not be loaded for the tests.");
}
