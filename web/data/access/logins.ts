import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { account, user } from "../schema";
import { auth } from "./auth";

/** The provider under which the sign-in library looks for a password. */
const BY_PASSWORD = "credential";

interface Login {
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/**
 * Writes somebody who may sign in, in the transaction of what they belong to. The sign-up of the sign-in library is
 * closed: people come in by a business that is begun and by its office.
 *
 * @returns the user's id.
 * @throws the database's own error where the address has a login already.
 */
export async function addLogin(tx: Queries, { name, email, password }: Login, now: Date): Promise<string> {
  const { password: passwords } = await auth().$context;
  const userId = newId();
  const times = { createdAt: now, updatedAt: now };
  await tx.insert(user).values({ id: userId, name, email: email.toLowerCase(), emailVerified: true, ...times });
  await tx.insert(account).values({
    id: newId(),
    userId,
    accountId: userId,
    providerId: BY_PASSWORD,
    password: await passwords.hash(password),
    ...times,
  });
  return userId;
}
