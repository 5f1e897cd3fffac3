import { createHmac } from "node:crypto";

/**
 * What this installation seals and signs with: the secret of today first, then the one before it for as long as that is
 * set, so that what was sealed under it can still be read.
 *
 * @throws if none is set.
 */
export function ownSecrets(): readonly [string, ...string[]] {
  const { BETTER_AUTH_SECRET: today, BETTER_AUTH_SECRET_BEFORE: before } = process.env;
  if (!today) throw new Error("BETTER_AUTH_SECRET is not set.");
  return before && before !== today ? [today, before] : [today];
}

/** An unguessable part of an address, derived so that it is stored nowhere: under the secret of today, or another one. */
export const derivedToken = (of: string, secret: string = ownSecrets()[0]): string =>
  createHmac("sha256", secret).update(of).digest("base64url");
