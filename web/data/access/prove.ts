import { APIError } from "better-auth/api";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { db } from "../database/connection";
import { account, session, user } from "../schema";
import { addressOf } from "./address";
import { auth } from "./auth";
import { notFound, Refused } from "./define";
import { enteredOf } from "./scope";
import { sayWait } from "./signIn";
import { noteTry, secondsToWait } from "./tries";

export const ProveSchema = z.object({
  password: z.string().min(1, "Enter your password.").max(200, "Enter your password."),
  /** Of their authenticator app, where they have one. */
  code: z
    .string()
    .transform((typed) => typed.replaceAll(/\s/g, ""))
    .default(""),
});

const wrong = (field: "password" | "code", says: string) =>
  new Refused(422, `wrong-${field}`, says, { [field]: [says] });

/**
 * Whoever sits there shows anew who they are, within the session they have: by password, and by a code where they have
 * an app.
 *
 * @throws a refusal for a password or a code that is wrong, and for tries that come too fast: they count as tries to sign in.
 */
export async function proveAnew(
  headers: Headers,
  { password, code }: z.infer<typeof ProveSchema>,
  now: Date,
): Promise<void> {
  const entered = await enteredOf(headers);
  if (!entered) throw notFound("sign-in");
  const [row] = await db()
    .select({ email: user.email, app: user.twoFactorEnabled, hash: account.password })
    .from(user)
    .innerJoin(account, eq(account.userId, user.id))
    .where(eq(user.id, entered.userId));
  if (!row?.hash)
    throw new Refused(409, "no-password", "You have no password: sign out, and come in by a mailed link.");
  const tried = { email: row.email, address: addressOf(headers) };
  const seconds = await secondsToWait(tried);
  if (seconds > 0) throw new Refused(429, "wait", `Too many tries: wait ${sayWait(seconds)}.`);
  const { password: passwords } = await auth().$context;
  if (!(await passwords.verify({ hash: row.hash, password }))) {
    await noteTry(tried, false);
    throw wrong("password", "This is not your password.");
  }
  if (row.app && !(await isTheirCode(headers, code))) {
    // Asked for first without one: that is no try.
    if (code !== "") await noteTry(tried, false);
    throw wrong(
      "code",
      code === ""
        ? "Enter the code of your authenticator app."
        : "This is not the code of now. Enter the one that is shown.",
    );
  }
  await noteTry(tried, true);
  await db().update(session).set({ provenAt: now }).where(eq(session.id, entered.sessionId));
}

async function isTheirCode(headers: Headers, code: string): Promise<boolean> {
  if (code === "") return false;
  try {
    await auth().api.verifyTOTP({ headers, body: { code } });
    return true;
  } catch (error) {
    if (error instanceof APIError && error.status === "UNAUTHORIZED") return false;
    throw error;
  }
}
