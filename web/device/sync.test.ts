import "fake-indexeddb/auto";
import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import { afterAll, afterEach, beforeAll, beforeEach, expect, test } from "vitest";
import { type QueuedOp, storeOf } from "./store";
import { fetchVisit, retryInMs, sendKept } from "./sync";

/** A server that answers as it is told, and keeps what it was asked. */
interface Heard {
  readonly path: string;
  readonly ops: readonly { readonly opId: string; readonly seq: number }[];
  readonly bytes: number;
}
type Reply = (heard: Heard, response: ServerResponse) => void;
const heard: Heard[] = [];
let reply: Reply;
const read = async (request: IncomingMessage): Promise<string> => {
  let text = "";
  for await (const part of request) text += String(part);
  return text;
};
const server = createServer(async (request, response) => {
  const text = await read(request);
  const ops = text ? (JSON.parse(text) as { ops: Heard["ops"] }).ops : [];
  const said = { path: request.url ?? "", ops, bytes: text.length };
  heard.push(said);
  reply(said, response);
});
const json = (response: ServerResponse, status: number, body: object) =>
  response.writeHead(status, { "content-type": "application/json" }).end(JSON.stringify(body));
const html = (response: ServerResponse, status: number) =>
  response.writeHead(status, { "content-type": "text/html" }).end("<h1>Welcome to the café</h1>");
const takes: Reply = ({ ops }, response) =>
  json(response, 200, { results: ops.map(({ opId }) => ({ opId, result: "applied" })) });

const plainFetch = globalThis.fetch;
beforeAll(async () => {
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const { port } = server.address() as AddressInfo;
  // A page's own paths are those of its server.
  globalThis.fetch = (path, init) => plainFetch(new URL(String(path), `http://127.0.0.1:${port}`), init);
  const kept = new Map<string, string>();
  globalThis.localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  } as Storage;
});
afterAll(() => {
  globalThis.fetch = plainFetch;
  server.closeAllConnections();
  server.close();
});

let person = 0;
let me = "";
beforeEach(() => {
  heard.length = 0;
  reply = takes;
  person += 1;
  me = `person-${person}`;
});
afterEach(() => storeOf(me).delete());

const note = (visitId: string, seq: number, text = "x"): QueuedOp => ({
  opId: `${visitId}-${seq}`,
  visitId,
  device: "phone",
  seq,
  at: "2026-11-25T10:00:00.000+00:00",
  body: { type: "note", text },
  status: "kept",
});
const queue = (...ops: QueuedOp[]) => storeOf(me).ops.bulkAdd(ops);
const stands = async (status: QueuedOp["status"]) =>
  (await storeOf(me).ops.where("status").equals(status).toArray()).map((o) => o.opId).sort();

test("what is kept goes up, visit by visit and in order, and is kept no more", async () => {
  await queue(note("b", 2), note("a", 2), note("a", 1), note("b", 1));
  expect(await sendKept(me)).toBe("online");
  expect(heard.map((h) => h.ops.map((o) => o.opId))).toEqual([
    ["a-1", "a-2"],
    ["b-1", "b-2"],
  ]);
  expect(await stands("kept")).toEqual([]);
});

test.each<[string, Reply]>([
  ["a network that asks for a sign-in of its own, with 200", (_, r) => html(r, 200)],
  ["a proxy's 404", (_, r) => html(r, 404)],
  ["a proxy's 403", (_, r) => html(r, 403)],
  ["JSON of somebody else", (_, r) => json(r, 200, { hello: "world" })],
  ["a connection that is cut", (_, r) => r.destroy()],
])("%s is no network, and nothing is lost or refused", async (_, as) => {
  reply = as;
  await queue(note("a", 1), note("b", 1));
  expect(await sendKept(me)).toBe("offline");
  expect(await stands("kept")).toEqual(["a-1", "b-1"]);
  reply = takes;
  expect(await sendKept(me)).toBe("online");
  expect(await stands("sent")).toEqual(["a-1", "b-1"]);
});

test("signed out is told apart from no network", async () => {
  reply = (_, r) => json(r, 401, { code: "signed-out", message: "Sign in again." });
  await queue(note("a", 1));
  expect(await sendKept(me)).toBe("signed-out");
  expect(await stands("kept")).toEqual(["a-1"]);
});

test.each([502, 503, 504, 429])(
  "a server that answers %i is in trouble, and is not asked again at once",
  async (status) => {
    reply = (_, r) => html(r, status);
    await queue(note("a", 1), note("a", 2));
    expect(await sendKept(me)).toBe("trouble");
    expect(heard).toHaveLength(1);
    expect(await stands("kept")).toEqual(["a-1", "a-2"]);
  },
);

test("an entry that the server fails on is looked for: those before it and the other visits go up", async () => {
  reply = (h, r) =>
    h.ops.some((o) => o.opId === "a-5") ? json(r, 500, { code: "failed", message: "?" }) : takes(h, r);
  await queue(...Array.from({ length: 8 }, (_, i) => note("a", i + 1)), note("b", 1));
  expect(await sendKept(me)).toBe("trouble");
  expect(await stands("sent")).toEqual(["a-1", "a-2", "a-3", "a-4", "b-1"]);
  expect(await stands("kept")).toEqual(["a-5", "a-6", "a-7", "a-8"]);
});

test("an entry that cannot be understood is refused alone, in sight, and what follows goes on", async () => {
  reply = (h, r) =>
    h.ops.some((o) => o.opId === "a-2") ? json(r, 422, { code: "malformed", message: "?" }) : takes(h, r);
  await queue(note("a", 1), note("a", 2), note("a", 3));
  expect(await sendKept(me)).toBe("online");
  expect(await stands("refused")).toEqual(["a-2"]);
  expect((await storeOf(me).ops.get("a-2"))?.code).toBe("malformed");
  expect(await stands("sent")).toEqual(["a-1", "a-3"]);
});

test("a batch stays under what a route takes; an entry that alone is too large is set aside in sight", async () => {
  reply = (h, r) => (h.bytes > 500_000 ? html(r, 413) : takes(h, r));
  await queue(
    note("a", 1, "y".repeat(250_000)),
    note("a", 2, "y".repeat(250_000)),
    note("a", 3, "y".repeat(600_000)),
    note("a", 4),
  );
  expect(await sendKept(me)).toBe("online");
  expect(heard[0]?.bytes).toBeLessThan(500_000);
  expect(await stands("refused")).toEqual(["a-3"]);
  expect((await storeOf(me).ops.get("a-3"))?.code).toBe("too-large");
  expect(await stands("sent")).toEqual(["a-1", "a-2", "a-4"]);
});

test("a visit that our server does not have is told so, and does not hold up the others", async () => {
  reply = (h, r) =>
    h.path.includes("/a/") ? json(r, 404, { code: "not-found", message: "There is no such visit." }) : takes(h, r);
  await queue(note("a", 1), note("b", 1));
  expect(await sendKept(me)).toBe("online");
  expect(await stands("refused")).toEqual(["a-1"]);
  expect(await stands("sent")).toEqual(["b-1"]);
});

test("what our server says no to for now stays in the queue", async () => {
  reply = (_, r) => json(r, 403, { code: "foreign-origin", message: "This request did not come from here." });
  await queue(note("a", 1), note("a", 2));
  expect(await sendKept(me)).toBe("trouble");
  expect(await stands("kept")).toEqual(["a-1", "a-2"]);
});

test("a gap keeps a visit waiting and no other one", async () => {
  reply = ({ ops, path }, r) =>
    json(r, 200, {
      results: ops.map(({ opId }) => ({ opId, result: path.includes("/a/") ? "waiting" : "applied" })),
    });
  await queue(note("a", 2), note("b", 1));
  expect(await sendKept(me)).toBe("gap");
  expect(await stands("kept")).toEqual(["a-2"]);
  expect(await stands("sent")).toEqual(["b-1"]);
  expect(heard).toHaveLength(2);
});

test("calls at the same time share one run; a tab that was killed sends the same again and the server says so", async () => {
  await queue(note("a", 1));
  expect(await Promise.all([sendKept(me), sendKept(me)])).toEqual(["online", "online"]);
  expect(heard).toHaveLength(1);
  // Sent and never marked: the tab ended between the answer and the store.
  await storeOf(me).ops.update("a-1", { status: "kept" });
  reply = ({ ops }, r) => json(r, 200, { results: ops.map(({ opId }) => ({ opId, result: "already" })) });
  expect(await sendKept(me)).toBe("online");
  expect(await stands("sent")).toEqual(["a-1"]);
});

test("a visit is gone only when our own server says so", async () => {
  reply = (_, r) => html(r, 404);
  expect(await fetchVisit("v")).toBe("offline");
  reply = (_, r) => json(r, 404, { code: "not-found", message: "There is no such visit." });
  expect(await fetchVisit("v")).toBe("gone");
  reply = (_, r) => json(r, 200, {});
  expect(await fetchVisit("v")).toBe("offline");
});

test("tries come further apart, up to five minutes, and never all at once", () => {
  const at = (failures: number, random: number) => retryInMs(failures, () => random);
  expect([0, 1, 2].map((n) => at(n, 1))).toEqual([5_000, 10_000, 20_000]);
  expect(at(30, 1)).toBe(300_000);
  expect(at(3, 0)).toBe(20_000);
});
