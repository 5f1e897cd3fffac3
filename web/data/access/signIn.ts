import { z } from "zod";
import { db } from "../database/connection";
import { isBusy } from "../database/transaction";
import { addressOf } from "./address";
import { auth } from "./auth";
import { readBytes } from "./body";
import { noteTry, secondsToWait } from "./tries";

const CredentialsSchema = z.object({ email: z.string().max(190), password: z.string().max(200) });
/** Bytes of two fields, with room. */
const MOST_BYTES = 4096;

/**
 * Signs in by the sign-in library, unless whoever asks has failed too often: then they are told how long to wait.
 *
 * @returns the library's own answer, or 429 with the seconds to wait.
 */
export async function signInGuarded(request: Request): Promise<Response> {
  const credentials = CredentialsSchema.safeParse(await bodyOf(request.clone()));
  // Whatever is no sign-in at all the library refuses by itself.
  if (!credentials.success) return auth().handler(request);
  const tried = { email: credentials.data.email, address: addressOf(request.headers) };
  const seconds = await secondsToWait(tried);
  if (seconds > 0) return waits(seconds);
  const answer = await auth().handler(request);
  if (answer.status === 200 || answer.status === 401) await noteTry(tried, answer.status === 200);
  return answer;
}

/**
 * What the sign-in library answers, or that the server is busy where the database cannot be had meanwhile: the library says 500
 * and hides why.
 */
export async function orBusy(answer: () => Promise<Response>): Promise<Response> {
  try {
    const given = await answer();
    return given.status === 500 && (await isAway()) ? busy() : given;
  } catch (error) {
    if (isBusy(error)) return busy();
    throw error;
  }
}

async function isAway(): Promise<boolean> {
  try {
    await db().execute("select 1");
    return false;
  } catch (error) {
    if (isBusy(error)) return true;
    throw error;
  }
}

const busy = (): Response =>
  Response.json(
    { code: "busy", message: "The server is busy. Nothing was kept; try again in a moment.", fields: {} },
    { status: 503, headers: { "content-type": "application/problem+json", "cache-control": "no-store" } },
  );

async function bodyOf(request: Request): Promise<unknown> {
  const bytes = await readBytes(request, MOST_BYTES, "A sign-in");
  try {
    return JSON.parse(Buffer.from(bytes).toString("utf8"));
  } catch {
    // No JSON: the library says so.
    return null;
  }
}

function waits(seconds: number): Response {
  return Response.json(
    { code: "wait", message: `Too many tries: wait ${sayWait(seconds)}.`, fields: {}, seconds },
    {
      status: 429,
      headers: {
        "content-type": "application/problem+json",
        "cache-control": "no-store",
        "retry-after": String(seconds),
      },
    },
  );
}

/** "40 seconds", "3 minutes". */
export function sayWait(seconds: number): string {
  if (seconds === 1) return "1 second";
  if (seconds < 90) return `${seconds} seconds`;
  return `${Math.ceil(seconds / 60)} minutes`;
}
