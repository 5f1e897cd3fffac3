import { createReadStream, createWriteStream } from "node:fs";
import { mkdir, open, readdir, rm, stat, utimes } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { Refused } from "../access/refused";
import type { Scope } from "../access/scope";
import { newId } from "../database/ids";

/** A body may take so long, and rest for so long between two of its parts. */
const WHOLE_MS = 10 * 60_000;
const REST_MS = 20_000;
/** A business may send so many files at once. */
const AT_ONCE = 2;
/** Whoever takes a file in touches it this often; one that nobody touched for `ORPHAN_MS` was left by a process that ended. */
const TOUCH_MS = 5000;
const ORPHAN_MS = 60_000;

/** How a file is taken in. */
export interface IntakeLimits {
  readonly bytes: number;
  readonly wholeMs?: number;
  readonly restMs?: number;
}

/** A file that lies here whole. */
export interface TakenIn {
  readonly bytes: number;
  /** Reads it from its beginning. */
  read(): AsyncIterable<Uint8Array>;
}

const folder = (): string => process.env.UPLOAD_FOLDER ?? join(tmpdir(), "keel-round-uploads");

/**
 * Takes a body in as a file of its own, hands it on once it lies here whole, and takes it away again.
 *
 * Nothing of the database is held meanwhile: a sender that stalls or goes away keeps nobody waiting.
 *
 * @throws a refusal for a body that is too large, too slow, or a third one of the same business.
 */
export async function takeIn<T>(
  scope: Scope,
  body: ReadableStream<Uint8Array>,
  { bytes: most, wholeMs = WHOLE_MS, restMs = REST_MS }: IntakeLimits,
  use: (file: TakenIn) => Promise<T>,
): Promise<T> {
  const place = await claimPlace(scope.businessId);
  // Under a name of its own: were a place ever held twice, two files would still not run into one.
  const path = join(folder(), newId());
  const touching = setInterval(() => [place, path].forEach(touch), TOUCH_MS);
  try {
    let bytes = 0;
    async function* counted(): AsyncIterable<Uint8Array> {
      for await (const chunk of inTime(body, wholeMs, restMs)) {
        bytes += chunk.length;
        if (bytes > most)
          throw new Refused(413, "too-large", `A file may have ${Math.round(most / 1_000_000)} MB. Cut it into parts.`);
        yield chunk;
      }
    }
    await pipeline(counted(), createWriteStream(/*turbopackIgnore: true*/ path, { flags: "wx", mode: 0o600 }));
    return await use({ bytes, read: () => createReadStream(/*turbopackIgnore: true*/ path) });
  } finally {
    clearInterval(touching);
    for (const held of [path, place]) await rm(/*turbopackIgnore: true*/ held, { force: true });
  }
}

/**
 * One of the places that a business has, as an empty file under its name: all processes of a host see who holds them.
 *
 * @throws a refusal where all of them are held.
 */
async function claimPlace(businessId: string): Promise<string> {
  await mkdir(folder(), { recursive: true, mode: 0o700 });
  for (let place = 1; place <= AT_ONCE; place++) {
    const path = join(folder(), `${businessId}.${place}`);
    await removeIfLeft(path, Date.now());
    try {
      // Fails where the file is there already: of two that ask at once, one gets it.
      await (await open(/*turbopackIgnore: true*/ path, "wx", 0o600)).close();
      return path;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== "EEXIST") throw error;
    }
  }
  throw new Refused(429, "too-many", `${AT_ONCE} files of your business are being taken in. Wait for one of them.`);
}

function touch(path: string): void {
  const now = new Date();
  // Not there yet, or gone meanwhile.
  utimes(/*turbopackIgnore: true*/ path, now, now).catch(() => undefined);
}

/** The parts of a body, for as long as they come in time. */
async function* inTime(body: ReadableStream<Uint8Array>, wholeMs: number, restMs: number): AsyncIterable<Uint8Array> {
  const reader = body.getReader();
  const end = Date.now() + wholeMs;
  try {
    for (;;) {
      const part = await orLate(reader.read(), Math.min(restMs, end - Date.now()));
      if (part.done) return;
      yield part.value;
    }
  } finally {
    // Nobody reads on: the sender is told so, and what it answers to that is of no use.
    reader.cancel().catch(() => undefined);
  }
}

async function orLate<T>(work: Promise<T>, ms: number): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(
      () => reject(new Refused(408, "stalled", "The file stopped coming. Nothing was kept; send it again.")),
      Math.max(0, ms),
    );
  });
  try {
    return await Promise.race([work, late]);
  } catch (error) {
    if (error instanceof Refused) throw error;
    // The sender went away.
    throw new Refused(400, "cut-off", "The file was cut off. Nothing was kept; send it again.");
  } finally {
    clearTimeout(timer);
  }
}

/** Takes away what processes that ended left lying; returns how many files. */
export async function sweepIntake(now: number): Promise<number> {
  const names = await readdir(/*turbopackIgnore: true*/ folder()).catch((error: NodeJS.ErrnoException) => {
    if (error.code === "ENOENT") return [];
    throw error;
  });
  let swept = 0;
  for (const name of names) if (await removeIfLeft(join(folder(), name), now)) swept += 1;
  return swept;
}

async function removeIfLeft(path: string, now: number): Promise<boolean> {
  const known = await stat(/*turbopackIgnore: true*/ path).catch(() => null);
  if (!known || now - known.mtimeMs < ORPHAN_MS) return false;
  await rm(/*turbopackIgnore: true*/ path, { force: true });
  return true;
}
