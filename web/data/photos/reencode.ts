import { spawn } from "node:child_process";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { fileTypeFromBuffer } from "file-type";
import { Refused } from "../access/refused";

/** Limits of a picture that is sent. */
export const PHOTO_LIMITS = { bytes: 16_000_000, pixels: 60_000_000 } as const;

/** What is taken, told by its first bytes: what a file calls itself is anybody's word. */
const TAKEN: readonly string[] = ["image/jpeg", "image/png", "image/webp", "image/avif"];
const FROM_APPLE: readonly string[] = ["image/heic", "image/heif", "image/heic-sequence", "image/heif-sequence"];

/** A large picture takes two seconds here. */
const PATIENCE_MS = 20_000;
/** How many are worked on at once; others wait. */
const AT_ONCE = 2;
const MEMORY_MB = 512;

/** A picture as JPEG or PNG, with its size in pixels. */
export interface Encoded {
  readonly bytes: Buffer;
  readonly width: number;
  readonly height: number;
}

/** How a picture is made anew. */
interface Making {
  /** The longer side at most, pixels; a smaller picture is not made larger. */
  readonly side: number;
  readonly quality: number;
  readonly as?: "jpeg" | "png";
  readonly patienceMs?: number;
}

/**
 * Makes a JPEG or PNG of a picture, upright, without where and with what it was taken, in a process of its own.
 *
 * @throws a refusal that says what to send instead.
 */
export async function reencode(
  bytes: Uint8Array,
  { side, quality, as = "jpeg", patienceMs = PATIENCE_MS }: Making,
): Promise<Encoded> {
  const type = (await fileTypeFromBuffer(bytes))?.mime ?? "";
  if (FROM_APPLE.includes(type))
    throw new Refused(
      415,
      "heic",
      "This is a HEIC picture, which few programs can read. Let the phone send it as JPEG: choose “most compatible” in its camera settings.",
    );
  if (!TAKEN.includes(type)) throw notPhoto();
  return turn(() => encoded(bytes, { side, quality, as, patienceMs }));
}

const notPhoto = () =>
  new Refused(
    422,
    "not-photo",
    "This is no picture that can be read. Send a JPEG, PNG, WebP or AVIF, whole: it may have been cut off.",
  );

/** The program beside this file: the build does not pack it, so it is looked for where the server was started. */
function program(): string {
  const found = ["data/photos/encode.mjs", "web/data/photos/encode.mjs"]
    .map((path) => join(/*turbopackIgnore: true*/ process.cwd(), path))
    .find((path) => existsSync(path));
  if (!found) throw new Error("web/data/photos/encode.mjs is missing: start the server in the folder of the project.");
  return found;
}

function encoded(bytes: Uint8Array, { side, quality, as, patienceMs }: Required<Making>): Promise<Encoded> {
  return new Promise((resolve, reject) => {
    const options = JSON.stringify({ side, quality, as, pixels: PHOTO_LIMITS.pixels });
    const child = spawn(process.execPath, [`--max-old-space-size=${MEMORY_MB}`, program(), options], {
      stdio: ["pipe", "pipe", "pipe"],
      timeout: patienceMs,
      killSignal: "SIGKILL",
    });
    const out: Buffer[] = [];
    let said = "";
    child.stdout.on("data", (chunk: Buffer) => out.push(chunk));
    child.stderr.on("data", (chunk: Buffer) => {
      said += chunk.toString("utf8").slice(0, 500);
    });
    child.once("error", reject);
    // A program that ends early reads no more: that is its answer, told by its exit.
    child.stdin.on("error", () => undefined);
    child.stdin.end(bytes);
    child.once("close", (code, signal) => {
      if (code === 0) return resolve(read(Buffer.concat(out)));
      if (signal)
        return reject(new Refused(422, "too-slow", "This picture takes too long to read. Send a smaller one."));
      reject(
        said.includes("pixel limit")
          ? new Refused(413, "too-large", `A picture may have ${PHOTO_LIMITS.pixels / 1_000_000} million pixels.`)
          : notPhoto(),
      );
    });
  });
}

function read(answer: Buffer): Encoded {
  const end = answer.indexOf("\n");
  const { width, height } = JSON.parse(answer.subarray(0, end).toString("utf8")) as { width: number; height: number };
  return { width, height, bytes: answer.subarray(end + 1) };
}

let working = 0;
const waiting: (() => void)[] = [];

/** Runs some at once; whoever comes then waits for a turn. */
async function turn<T>(work: () => Promise<T>): Promise<T> {
  if (working >= AT_ONCE) await new Promise<void>((resolve) => waiting.push(resolve));
  working += 1;
  try {
    return await work();
  } finally {
    working -= 1;
    waiting.shift()?.();
  }
}
