import { createHash } from "node:crypto";
import { passkey } from "@better-auth/passkey";
import { betterAuth, type GenericEndpointContext } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { APIError, createAuthMiddleware } from "better-auth/api";
import { magicLink, organization, twoFactor } from "better-auth/plugins";
import { Busy, type Database, db } from "../database/connection";
import { newId } from "../database/ids";
import * as schema from "../schema";
import { ADDRESS_HEADER } from "./address";
import { noteSignIn } from "./audit";
import { ownSecrets } from "./key";
import { isCommon, TOO_COMMON } from "./passwords";

/** Where a password is set: each refuses the common ones. */
const SETS_PASSWORD: readonly string[] = ["/change-password", "/reset-password"];
/** Where a session is opened with more than a password. */
const SECOND_FACTOR: readonly string[] = [
  "/two-factor/verify-totp",
  "/two-factor/verify-backup-code",
  "/passkey/verify-authentication",
];
/** Codes that may be tried in a minute from one address; the library counts by account as well. */
const CODES_A_MINUTE = { window: 60, max: 20 };

/** What the library seals under says which secret it was, so that either of two can open it. */
const versionOf = (secret: string) =>
  Number.parseInt(createHash("sha256").update(secret).digest("hex").slice(0, 7), 16);

/** A key of a device counts for two factors only where the device asked its owner, by a finger, a face or a code. */
const requireOwner = (userVerified: boolean | undefined) => {
  if (!userVerified)
    throw new APIError("UNAUTHORIZED", {
      code: "OWNER_NOT_ASKED",
      message: "The device did not ask who you are. Switch its lock on, then try again.",
    });
};

/** Whether a session that a route opens has its second factor: by itself, or as the one had whose password was changed. */
function hasSecondFactor(ctx: GenericEndpointContext | null): boolean {
  const path = ctx?.path ?? "";
  if (SECOND_FACTOR.includes(path)) return true;
  return path === "/change-password" && ctx?.context.session?.session.secondFactor === true;
}

function make() {
  return betterAuth({
    appName: "Keel Round",
    baseURL: process.env.BETTER_AUTH_URL,
    secrets: ownSecrets().map((value) => ({ version: versionOf(value), value })),
    database: drizzleAdapter(db(), { provider: "mysql", schema }),
    emailAndPassword: {
      enabled: true,
      minPasswordLength: 10,
      maxPasswordLength: 128,
      disableSignUp: true,
      revokeSessionsOnPasswordReset: true,
    },
    session: {
      expiresIn: 60 * 60 * 24 * 30,
      updateAge: 60 * 60 * 24,
      // How long ago somebody showed who they are is asked by us (access/anew.ts): a new proof counts there too.
      freshAge: 0,
      additionalFields: {
        secondFactor: { type: "boolean", required: false, defaultValue: false, input: false },
        provenAt: { type: "date", required: false, input: false },
      },
    },
    rateLimit: {
      enabled: true,
      storage: "database",
      window: 60,
      max: 200,
      customRules: {
        // Tries to sign in wait by account and address (access/tries.ts), not in one bucket for all.
        "/sign-in/email": false,
        "/two-factor/*": CODES_A_MINUTE,
        "/passkey/*": CODES_A_MINUTE,
      },
    },
    hooks: {
      before: createAuthMiddleware(async (ctx) => {
        if (SETS_PASSWORD.includes(ctx.path) && isCommon(String(ctx.body?.newPassword ?? "")))
          throw new APIError("BAD_REQUEST", { code: "PASSWORD_COMMON", message: TOO_COMMON });
      }),
    },
    databaseHooks: {
      session: {
        create: {
          before: async (session, ctx) => ({
            data: { ...session, secondFactor: hasSecondFactor(ctx), provenAt: null },
          }),
          after: async (session, ctx) => {
            // One that replaces the session it came with is no sign-in.
            if (ctx && !ctx.context.session) await noteSignIn(session.userId, ctx.path, session.ipAddress ?? "");
          },
        },
      },
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
      twoFactor({ issuer: "Keel Round" }),
      passkey({
        rpName: "Keel Round",
        authenticatorSelection: { residentKey: "required", userVerification: "required" },
        registration: {
          afterVerification: async ({ verification }) => requireOwner(verification.registrationInfo?.userVerified),
        },
        authentication: {
          afterVerification: async ({ verification }) => requireOwner(verification.authenticationInfo.userVerified),
        },
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
