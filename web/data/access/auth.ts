import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { APIError, createAuthMiddleware } from "better-auth/api";
import { magicLink, organization } from "better-auth/plugins";
import { Busy, type Database, db } from "../database/connection";
import { newId } from "../database/ids";
import * as schema from "../schema/auth";
import { ADDRESS_HEADER } from "./address";
import { isCommon, TOO_COMMON } from "./passwords";

/** Where a password is set: each refuses the common ones. */
const SETS_PASSWORD: readonly string[] = ["/change-password", "/reset-password"];

function make() {
  return betterAuth({
    baseURL: process.env.BETTER_AUTH_URL,
    secret: process.env.BETTER_AUTH_SECRET,
    database: drizzleAdapter(db(), { provider: "mysql", schema }),
    emailAndPassword: {
      enabled: true,
      minPasswordLength: 10,
      maxPasswordLength: 128,
      disableSignUp: true,
      revokeSessionsOnPasswordReset: true,
    },
    session: { expiresIn: 60 * 60 * 24 * 30, updateAge: 60 * 60 * 24 },
    rateLimit: {
      enabled: true,
      storage: "database",
      window: 60,
      max: 200,
      // Tries to sign in wait by account and address (access/tries.ts), not in one bucket for all.
      customRules: { "/sign-in/email": false },
    },
    hooks: {
      before: createAuthMiddleware(async (ctx) => {
        if (SETS_PASSWORD.includes(ctx.path) && isCommon(String(ctx.body?.newPassword ?? "")))
          throw new APIError("BAD_REQUEST", { code: "PASSWORD_COMMON", message: TOO_COMMON });
      }),
    },
    advanced: {
      database: { generateId: newId },
      cookiePrefix: "keel",
      ipAddress: { ipAddressHeaders: [ADDRESS_HEADER] },
    },
    telemetry: { enabled: false },
    plugins: [
      organization(),
      magicLink({
        disableSignUp: true,
        // Links are made and mailed by the jobs (access/entry.ts); the route that would call this is not answered.
        sendMagicLink: () => Promise.reject(new Error("Links are mailed by the jobs.")),
      }),
    ],
  });
}

let made: { readonly of: Database; readonly auth: ReturnType<typeof make> } | undefined;

/** Sign-in. Made at first use so that a build needs neither secret nor database. */
export function auth(): ReturnType<typeof make> {
  // It asks the database it was made with.
  if (made?.of !== db()) made = { of: db(), auth: make() };
  return made.auth;
}

/** The session behind a request's cookie. All that the library does for it is to read a row. */
export async function sessionOf(headers: Headers) {
  try {
    return await auth().api.getSession({ headers });
  } catch (error) {
    // It logs why and hands on nothing of it: what fails is the database, which is away.
    if (error instanceof APIError && error.status === "INTERNAL_SERVER_ERROR")
      throw new Busy("The session could not be read.", { cause: error });
    throw error;
  }
}
