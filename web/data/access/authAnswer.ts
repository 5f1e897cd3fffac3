import { eq } from "drizzle-orm";
import { db } from "../database/connection";
import { session } from "../schema";
import { addressOf } from "./address";
import { isRecent, LATELY, SIGN_IN_AGAIN } from "./anew";
import { noteAudit } from "./audit";
import { auth } from "./auth";
import { AUTH_ROUTES } from "./authRoutes";
import { factorsOf } from "./factors";
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
    const before =
      path in CHANGES || LATELY_ALONE.includes(path) || IN_ITS_PLACE === path ? await enteredOf(request.headers) : null;
    if (before && LATELY_ALONE.includes(path) && !isRecent(before, LATELY))
      return says(403, SIGN_IN_AGAIN, "Sign in once more before you change how you come in.");
    // A code of an app that is set up already changes nothing.
    const hadApp = before && path === APP_CODE ? (await factorsOf(before.userId)).app : false;
    const answer = await auth().handler(request);
    if (before && answer.status === 200 && !(path === APP_CODE && hadApp))
      await noteChange(before, path, request, answer);
    return answer;
  });
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
  // A device was just asked whose it is, or the app for its code: this sign-in has its second factor.
  if (path === "/passkey/verify-registration") await db().update(session).set({ secondFactor: true }).where(mine);
  await noteAudit(db(), before.scope, {
    kind: "second-factor",
    what,
    address: addressOf(request.headers),
    at: new Date(),
  });
}
