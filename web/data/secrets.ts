import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from "node:crypto";

const NONCE_BYTES = 12;
const TAG_BYTES = 16;

function key(): Buffer {
  const secret = process.env.BETTER_AUTH_SECRET;
  if (!secret) throw new Error("BETTER_AUTH_SECRET is not set.");
  return Buffer.from(hkdfSync("sha256", secret, "", "site access codes", 32));
}

/** A text that only this installation can read again: AES-256-GCM, bound to the row it belongs to. */
export function encrypt(text: string, rowId: string): string {
  const nonce = randomBytes(NONCE_BYTES);
  const cipher = createCipheriv("aes-256-gcm", key(), nonce).setAAD(Buffer.from(rowId));
  const body = Buffer.concat([cipher.update(text, "utf8"), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), body]).toString("base64");
}

/**
 * The inverse of `encrypt`.
 *
 * @throws if the text was altered, moved to another row, or encrypted under another secret.
 */
export function decrypt(sealed: string, rowId: string): string {
  const bytes = Buffer.from(sealed, "base64");
  const decipher = createDecipheriv("aes-256-gcm", key(), bytes.subarray(0, NONCE_BYTES))
    .setAAD(Buffer.from(rowId))
    .setAuthTag(bytes.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
  return Buffer.concat([decipher.update(bytes.subarray(NONCE_BYTES + TAG_BYTES)), decipher.final()]).toString("utf8");
}
