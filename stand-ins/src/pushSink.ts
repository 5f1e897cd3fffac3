import { execFileSync } from "node:child_process";
import { createDecipheriv, createECDH, createHmac, randomBytes } from "node:crypto";
import { mkdtempSync, readFileSync } from "node:fs";
import type { IncomingMessage } from "node:http";
import { createServer } from "node:https";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** A browser that is rung through the stand-in. */
interface Browser {
  readonly ecdh: ReturnType<typeof createECDH>;
  readonly auth: Buffer;
  readonly messages: unknown[];
  gone: boolean;
}

const hkdf = (salt: Buffer, key: Buffer, info: Buffer, bytes: number): Buffer => {
  const prk = createHmac("sha256", salt).update(key).digest();
  return createHmac("sha256", prk)
    .update(Buffer.concat([info, Buffer.from([1])]))
    .digest()
    .subarray(0, bytes);
};

/** What a service cannot read and a browser can: RFC 8291 over RFC 8188, one record. */
function opened(body: Buffer, { ecdh, auth }: Browser): string {
  const [salt, keyBytes] = [body.subarray(0, 16), body[20] ?? 0];
  const theirs = body.subarray(21, 21 + keyBytes);
  const sealed = body.subarray(21 + keyBytes);
  const info = Buffer.concat([Buffer.from("WebPush: info\0"), ecdh.getPublicKey(), theirs]);
  const shared = hkdf(auth, ecdh.computeSecret(theirs), info, 32);
  const key = hkdf(salt, shared, Buffer.from("Content-Encoding: aes128gcm\0"), 16);
  const nonce = hkdf(salt, shared, Buffer.from("Content-Encoding: nonce\0"), 12);
  const decipher = createDecipheriv("aes-128-gcm", key, nonce);
  decipher.setAuthTag(sealed.subarray(-16));
  const plain = Buffer.concat([decipher.update(sealed.subarray(0, -16)), decipher.final()]);
  // A record ends with a 2 and zeros.
  return plain.subarray(0, plain.lastIndexOf(2)).toString("utf8");
}

const bodyOf = async (request: IncomingMessage): Promise<Buffer> => {
  const chunks: Buffer[] = [];
  for await (const chunk of request) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
};

/**
 * A stand-in for the service that rings browsers, on loopback with a certificate of its own: `POST /browsers` makes a browser
 * and answers its subscription; what is sent to it is opened and lies at `GET /browsers/N`; `DELETE /browsers/N` and it is gone.
 *
 * @param caFile Where its certificate is written, for whoever has to trust it.
 */
export async function startPushSink(port: number, caFile?: string) {
  const folder = mkdtempSync(join(tmpdir(), "keel-push-"));
  const [keyFile, ca] = [join(folder, "key.pem"), caFile ?? join(folder, "cert.pem")];
  const made = ["req", "-x509", "-newkey", "rsa:2048", "-nodes", "-days", "30", "-subj", "/CN=localhost"];
  execFileSync("openssl", [...made, "-addext", "subjectAltName=DNS:localhost", "-keyout", keyFile, "-out", ca], {
    stdio: "ignore",
  });
  const browsers: Browser[] = [];
  const server = createServer({ key: readFileSync(keyFile), cert: readFileSync(ca) }, async (request, response) => {
    const body = await bodyOf(request);
    const answer = (status: number, value?: unknown) =>
      response
        .writeHead(status, { "content-type": "application/json" })
        .end(value === undefined ? "" : JSON.stringify(value));
    if (request.method === "POST" && request.url === "/browsers") {
      const ecdh = createECDH("prime256v1");
      ecdh.generateKeys();
      const auth = randomBytes(16);
      const index = browsers.push({ ecdh, auth, messages: [], gone: false }) - 1;
      return answer(201, {
        endpoint: `https://localhost:${(server.address() as AddressInfo).port}/ring/${index}`,
        keys: { p256dh: ecdh.getPublicKey("base64url"), auth: auth.toString("base64url") },
      });
    }
    const [, what, index] = (request.url ?? "").split("/");
    const browser = browsers[Number(index)];
    if (!browser) return answer(404);
    if (what === "browsers" && request.method === "GET") return answer(200, browser.messages);
    if (what === "browsers" && request.method === "DELETE") {
      browser.gone = true;
      return answer(200);
    }
    if (browser.gone) return answer(410);
    if (!request.headers.authorization?.startsWith("vapid t=")) return answer(401);
    browser.messages.push(JSON.parse(opened(body, browser)));
    return answer(201);
  });
  await new Promise<void>((resolve) => server.listen(port, "127.0.0.1", resolve));
  return {
    url: `https://localhost:${(server.address() as AddressInfo).port}`,
    ca,
    stop: () => new Promise<void>((resolve) => server.close(() => resolve())),
  };
}
