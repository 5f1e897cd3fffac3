import { eq } from "drizzle-orm";
import { db } from "../database/connection";
import { session } from "../schema";
import { addressOf } from "./address";
import { isRecent, LATELY, SIGN_IN_AGAIN } from "./anew";
import { noteAudit } from "./audit";
import { auth } from "./auth";
import { AUTH_ROUTES } from "./authRoutes";
import { type Factors, factorsOf } from "./factors";
import { type Entered, enteredOf } from "./scope";
import { orBusy, signInGuarded } from "./signIn";

/** What may only be done by who showed lately who they are. */
const LATELY_ALONE: readonly string[] = [
  "/passkey/generate-register-options",
  "/passkey/verify-registration",
  "/passkey/delete-passkey",
];

/** What becomes of somebody's second factors by a route that they ask while signed in. */
const CHANGES: Readonly<Record<string, string>> = {
  "/two-factor/verify-totp": "authenticator app set up",
  "/two-factor/disable": "authenticator app taken off",
  "/two-factor/generate-backup-codes": "new recovery codes",
  "/passkey/verify-registration": "passkey added",
  "/passkey/delete-passkey": "passkey taken off",
};

const APP_CODE = "/two-factor/verify-totp";
/** What sets a second factor up, or takes one off. */
const SETS_FACTORS: readonly string[] = [...LATELY_ALONE, ...Object.keys(CHANGES), "/two-factor/enable"];

const says = (status: number, code: string, message: string): Response =>
  Response.json(
    { code, message, fields: {} },
    { status, headers: { "content-type": "application/problem+json", "cache-control": "no-store" } },
  );

/** What our pages ask of the sign-in library; its other routes do not exist here. Changes of second factors are written down. */
export function answerAuth(verb: "GET" | "POST", request: Request): Promise<Response> {
  const path = new URL(request.url).pathname.replace(/^\/api\/auth/, "");
  if (!AUTH_ROUTES[verb].includes(path)) return Promise.resolve(says(404, "not-found", "There is no such page here."));
  if (path === "/sign-in/email") return orBusy(() => signInGuarded(request));
  return orBusy(async () => {
    const before = SETS_FACTORS.includes(path) || path === IN_ITS_PLACE ? await enteredOf(request.headers) : null;
    const had = before && SETS_FACTORS.includes(path) ? await factorsOf(before.userId) : null;
    const refused = before && had ? whyNot(path, before, had) : null;
    if (refused) return refused;
    const answer = await auth().handler(request);
    // A code of an app that is set up already changes nothing.
    const isChange = !(path === APP_CODE && had?.app);
    if (before && answer.status === 200 && isChange) await noteChange(before, path, request, answer);
    return answer;
  });
}

/** Why somebody may not change second factors now; null where they may. */
function whyNot(path: string, before: Entered, had: Factors): Response | null {
  // Somebody who has no more than a password would else make a factor of their own beside the one they do not have.
  if (had.hasPassword && (had.app || had.passkeys.length > 0) && !before.hasSecondFactor)
    return says(403, "second-factor", "Sign out, and sign in with your second factor: then you can change it.");
  if (LATELY_ALONE.includes(path) && !isRecent(before, LATELY))
    return says(403, SIGN_IN_AGAIN, "Sign in once more before you change how you come in.");
  return null;
}

/** Signing in with a passkey while signed in opens a session in place of the one there was. */
const IN_ITS_PLACE = "/passkey/verify-authentication";

async function noteChange(before: Entered, path: string, request: Request, answer: Response): Promise<void> {
  const mine = eq(session.id, before.sessionId);
  if (path === IN_ITS_PLACE) {
    const { user } = (await answer.clone().json()) as { readonly user?: { readonly id: string } };
    if (user?.id === before.userId) await db().delete(session).where(mine);
    return;
  }
  const what = CHANGES[path];
  if (what === undefined) return;
  // The device was just asked whose it is: this sign-in has its second factor.
  if (path === "/passkey/verify-registration") await db().update(session).set({ secondFactor: true }).where(mine);
  await noteAudit(db(), before.scope, {
    kind: "second-factor",
    what,
    address: addressOf(request.headers),
    at: new Date(),
  });
}
