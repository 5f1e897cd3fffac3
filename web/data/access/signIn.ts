import { z } from "zod";
import { auth } from "../auth";
import { readBytes } from "../body";
import { addressOf } from "./address";
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
