import { symmetricDecrypt, symmetricEncrypt } from "better-auth/crypto";
import { and, asc, eq, gt, isNotNull, ne } from "drizzle-orm";
import { auth } from "../access/auth";
import { ownSecrets } from "../access/key";
import { decrypt, encrypt } from "../access/secrets";
import { db } from "../database/connection";
import { inTransaction } from "../database/transaction";
import { letterTokenHash } from "../letters/letters";
import { letter, site, twoFactor } from "../schema";

const CHUNK = 500;
const FIRST = "00000000-0000-0000-0000-000000000000";

/** What was sealed anew. */
export interface Rotated {
  readonly doorCodes: number;
  readonly letters: number;
  readonly secondFactors: number;
}

/**
 * Seals under the secret of today what was sealed under the one before it: door codes, links of letters, second factors.
 * Links that were mailed go on working. It may run while everything works, and again after it was stopped.
 *
 * @throws if the secret before is not set, or something opens under neither.
 */
export async function rotateSecrets(): Promise<Rotated> {
  if (ownSecrets().length < 2)
    throw new Error("Set BETTER_AUTH_SECRET to the new secret and BETTER_AUTH_SECRET_BEFORE to the old one first.");
  return { doorCodes: await doorCodes(), letters: await letterLinks(), secondFactors: await secondFactors() };
}

async function doorCodes(): Promise<number> {
  const rows = await db().select({ id: site.id }).from(site).where(isNotNull(site.accessCodes));
  for (const { id } of rows)
    await inTransaction(async (tx) => {
      // Read and written in one: somebody may set them anew meanwhile.
      const [row] = await tx.select({ codes: site.accessCodes }).from(site).where(eq(site.id, id)).for("update");
      if (row?.codes)
        await tx
          .update(site)
          .set({ accessCodes: encrypt(decrypt(row.codes, id), id) })
          .where(eq(site.id, id));
    });
  return rows.length;
}

async function letterLinks(): Promise<number> {
  let changed = 0;
  for (let after = FIRST; ; ) {
    const rows = await db()
      .select({ id: letter.id, tokenHash: letter.tokenHash })
      .from(letter)
      .where(gt(letter.id, after))
      .orderBy(asc(letter.id))
      .limit(CHUNK);
    for (const { id, tokenHash } of rows) {
      const today = letterTokenHash(id);
      if (today === tokenHash) continue;
      await db()
        .update(letter)
        .set({ tokenHash: today, tokenHashBefore: tokenHash })
        .where(and(eq(letter.id, id), ne(letter.tokenHash, today)));
      changed += 1;
    }
    const last = rows.at(-1);
    if (!last) return changed;
    after = last.id;
  }
}

async function secondFactors(): Promise<number> {
  const { secretConfig } = await auth().$context;
  const anew = async (sealed: string) =>
    symmetricEncrypt({ key: secretConfig, data: await symmetricDecrypt({ key: secretConfig, data: sealed }) });
  const rows = await db().select({ id: twoFactor.id }).from(twoFactor);
  for (const { id } of rows)
    await inTransaction(async (tx) => {
      const [row] = await tx.select().from(twoFactor).where(eq(twoFactor.id, id)).for("update");
      if (!row) return;
      const set = { secret: await anew(row.secret), backupCodes: await anew(row.backupCodes) };
      await tx.update(twoFactor).set(set).where(eq(twoFactor.id, id));
    });
  return rows.length;
}
