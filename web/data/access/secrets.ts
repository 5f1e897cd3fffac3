import { createCipheriv, createDecipheriv, hkdfSync, randomBytes, scryptSync } from "node:crypto";
import { Refused } from "./define";
import { ownSecrets } from "./key";

const NONCE_BYTES = 12;
const TAG_BYTES = 16;

const keyFor = (secret: string): Buffer => Buffer.from(hkdfSync("sha256", secret, "", "site access codes", 32));

function seal(text: string, secret: Buffer, bound: string): string {
  const nonce = randomBytes(NONCE_BYTES);
  const cipher = createCipheriv("aes-256-gcm", secret, nonce).setAAD(Buffer.from(bound));
  const body = Buffer.concat([cipher.update(text, "utf8"), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), body]).toString("base64");
}

function open(sealed: string, secret: Buffer, bound: string): string {
  const bytes = Buffer.from(sealed, "base64");
  const decipher = createDecipheriv("aes-256-gcm", secret, bytes.subarray(0, NONCE_BYTES))
    .setAAD(Buffer.from(bound))
    .setAuthTag(bytes.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
  return Buffer.concat([decipher.update(bytes.subarray(NONCE_BYTES + TAG_BYTES)), decipher.final()]).toString("utf8");
}

/** A text that only this installation can read again: AES-256-GCM, bound to the row it belongs to. */
export const encrypt = (text: string, rowId: string): string => seal(text, keyFor(ownSecrets()[0]), rowId);

/**
 * The inverse of `encrypt`, under the secret of today or the one before it.
 *
 * @throws if the text was altered, moved to another row, or encrypted under yet another secret.
 */
export function decrypt(sealed: string, rowId: string): string {
  const [today, before] = ownSecrets();
  try {
    return open(sealed, keyFor(today), rowId);
  } catch (error) {
    if (before === undefined) throw error;
    return open(sealed, keyFor(before), rowId);
  }
}

/** Key of a passphrase: scrypt with Node's own cost, kept for the last one asked since it is slow on purpose. */
let derived: { readonly of: string; readonly key: Buffer } | null = null;
function keyOf(passphrase: string, salt: string): Buffer {
  const of = `${salt}:${passphrase}`;
  if (derived?.of !== of) derived = { of, key: scryptSync(passphrase, Buffer.from(salt, "base64"), 32) };
  return derived.key;
}

/** A text that can be read again wherever the passphrase is known. */
export const sealUnder = (text: string, passphrase: string, salt: string): string =>
  seal(text, keyOf(passphrase, salt), salt);

/**
 * The inverse of `sealUnder`.
 *
 * @throws a refusal if the passphrase is another one, or the text was altered.
 */
export function openUnder(sealed: string, passphrase: string, salt: string): string {
  try {
    return open(sealed, keyOf(passphrase, salt), salt);
  } catch {
    // The cipher cannot tell a wrong passphrase from an altered text.
    throw new Refused(422, "passphrase", "The passphrase does not open the door codes of this archive.");
  }
}
