import { createHmac } from "node:crypto";
import { createServer } from "node:net";
import { beforeAll, expect, test } from "vitest";
import { sessionOf } from "../access/auth";
import { isBusy } from "./transaction";

const SECRET = "a-secret-for-a-database-that-is-away-0123";

beforeAll(async () => {
  // A port on which nobody listens: it was given to us a moment ago and is closed again.
  const port = await new Promise<number>((resolve) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const address = server.address();
      server.close(() => resolve(typeof address === "object" && address ? address.port : 0));
    });
  });
  process.env.DATABASE_URL = `mysql://root@127.0.0.1:${port}/nothing`;
  process.env.BETTER_AUTH_SECRET = SECRET;
});

test("a session that cannot be read, since the database is away, is busy and no fault of ours", async () => {
  const token = "a-token-of-somebody-who-signed-in";
  const signature = createHmac("sha256", SECRET).update(token).digest("base64");
  const cookie = `keel.session_token=${encodeURIComponent(`${token}.${signature}`)}`;
  const thrown = await sessionOf(new Headers({ cookie })).catch((error: unknown) => error);
  expect(isBusy(thrown)).toBe(true);
});

test("nobody who has no session needs the database for it", async () => {
  expect(await sessionOf(new Headers())).toBeNull();
});

test("a sign-in is answered as busy while the database is away, whoever of the two finds it out", async () => {
  const { orBusy, signInGuarded } = await import("../access/signIn");
  const request = () =>
    new Request("http://localhost:4690/api/auth/sign-in/email", {
      method: "POST",
      headers: { "content-type": "application/json", origin: "http://localhost:4690" },
      body: JSON.stringify({ email: "somebody@firm.example", password: "a-password-of-theirs" }),
    });
  const own = await orBusy(() => signInGuarded(request()));
  expect([own.status, ((await own.json()) as { code: string }).code]).toEqual([503, "busy"]);
  // The library hides why it failed; a failure of its own with the database at hand stays one.
  const hidden = await orBusy(async () => new Response(null, { status: 500 }));
  expect(hidden.status).toBe(503);
  expect((await orBusy(async () => new Response(null, { status: 401 }))).status).toBe(401);
});
