/**
 * How the last exchange with the server went: whoever works is told what to do about it.
 *
 * - `offline`: nobody answered, or somebody who is not our server, as on a network that asks for a sign-in of its own.
 * - `trouble`: our server answered that it failed; what it failed on stays here and is tried again.
 * - `gap`: an earlier entry of a visit is missing up there, so that the later ones wait for it.
 */
export type SyncState = "online" | "offline" | "signed-out" | "trouble" | "gap";

/** Down, behind a gateway, or too busy. */
const BUSY: readonly number[] = [429, 502, 503, 504];

/** An answer of our own server: JSON, and of an error with its code. Anything else came from something in between. */
export interface Answer {
  readonly status: number;
  readonly body: Readonly<Record<string, unknown>>;
}

/** Asks our server; whatever else answers is no answer. `patienceMs`: how long it may take. */
export async function ask(
  path: string,
  init?: RequestInit,
  patienceMs = 20_000,
): Promise<Answer | "offline" | "signed-out" | "trouble"> {
  try {
    const response = await fetch(path, { ...init, signal: AbortSignal.timeout(patienceMs), cache: "no-store" });
    const json = response.headers.get("content-type")?.includes("application/json") === true;
    const body: unknown = json ? await response.json() : null;
    const ours = typeof body === "object" && body !== null;
    // A server in trouble may be too far gone to say so in our own words; one that is down or busy takes nothing at all.
    if (BUSY.includes(response.status)) return "trouble";
    if (response.status >= 500 || response.status === 413)
      return { status: response.status, body: ours ? (body as Answer["body"]) : {} };
    if (!ours || (!response.ok && typeof (body as Answer["body"]).code !== "string")) return "offline";
    return response.status === 401 ? "signed-out" : { status: response.status, body: body as Answer["body"] };
  } catch {
    // No answer is what no network looks like; the queue keeps everything.
    return "offline";
  }
}
