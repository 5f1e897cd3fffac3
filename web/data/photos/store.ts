import { randomUUID } from "node:crypto";
import { mkdir, readFile, rename, rm, writeFile } from "node:fs/promises";
import { dirname, join } from "node:path";
import { Refused } from "../access/refused";

/** Where the files of photos lie, by business and id. Rows say what they must be. */
export interface PhotoStore {
  put(businessId: string, id: string, bytes: Uint8Array): Promise<void>;
  /** Null for a file that is not there. */
  get(businessId: string, id: string): Promise<Buffer | null>;
  remove(businessId: string, id: string): Promise<void>;
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Photos in a folder, a folder of its own for each business. Several hosts need a shared mount. */
export function folderStore(folder: string): PhotoStore {
  const path = (businessId: string, id: string) => {
    // Ids of a file that somebody brings may be anything; a path is made of real ones alone.
    for (const part of [businessId, id])
      if (!UUID.test(part)) throw new Refused(422, "broken", "A photo has an id that is none. The file was altered.");
    return join(folder, businessId, `${id}.jpg`);
  };
  return {
    async put(businessId, id, bytes) {
      const to = path(businessId, id);
      await mkdir(dirname(to), { recursive: true, mode: 0o700 });
      // Whole or not at all: a file that is half written never has its name, and two that write it do not meet.
      const part = `${to}.${randomUUID()}.part`;
      await writeFile(part, bytes, { mode: 0o600 });
      await rename(part, to);
    },
    async get(businessId, id) {
      try {
        return await readFile(path(businessId, id));
      } catch (error) {
        if ((error as { code?: string }).code === "ENOENT") return null;
        throw error;
      }
    },
    async remove(businessId, id) {
      await rm(path(businessId, id), { force: true });
    },
  };
}

/** The photos of this installation. */
export function photoStore(): PhotoStore {
  const folder = process.env.PHOTO_FOLDER;
  if (!folder) throw new Error("PHOTO_FOLDER is not set. Start the application with `npm run demo`.");
  return folderStore(folder);
}
