import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { organization } from "better-auth/plugins";
import { db } from "./connection";
import { newId } from "./ids";
import * as schema from "./schema/auth";

function make() {
  return betterAuth({
    baseURL: process.env.BETTER_AUTH_URL,
    secret: process.env.BETTER_AUTH_SECRET,
    database: drizzleAdapter(db(), { provider: "mysql", schema }),
    emailAndPassword: { enabled: true, minPasswordLength: 10, disableSignUp: true },
    session: { expiresIn: 60 * 60 * 24 * 30, updateAge: 60 * 60 * 24 },
    rateLimit: {
      enabled: true,
      storage: "database",
      window: 60,
      max: 200,
      customRules: { "/sign-in/email": { window: 60, max: 8 } },
    },
    advanced: { database: { generateId: newId }, cookiePrefix: "keel" },
    telemetry: { enabled: false },
    plugins: [organization()],
  });
}

let instance: ReturnType<typeof make> | undefined;

/** Sign-in. Made at first use so that a build needs neither secret nor database. */
export function auth(): ReturnType<typeof make> {
  instance ??= make();
  return instance;
}
