import "fake-indexeddb/auto";
import type { VisitBundle } from "@keel-round/core/visit";
import { beforeEach, describe, expect, test, vi } from "vitest";
import { inputOf } from "../../core/src/given/sample.fixture.ts";
import { fetchGhosts, ghostOf, keepPhoto, sendPhotos } from "./photos";
import { fitted } from "./scalePhoto";
import { type DeviceStore, storeOf } from "./store";

const bundle = { visitId: "v1", on: "2026-11-25", input: inputOf() } as VisitBundle;
const tank = { kind: "tank", id: "" } as const;
const picture = (text: string) => new Blob([text], { type: "image/jpeg" });
const answering = (status: number, body: object = {}) =>
  new Response(JSON.stringify(body), { status, headers: { "content-type": "application/json" } });

let store: DeviceStore;
let person = 0;
/** What went up: address and bytes of each try. */
let sent: { url: URL; body: string }[];

/** The network, as it answers one after the other; the last answer goes on. */
function network(...answers: (() => Response)[]) {
  let at = 0;
  vi.stubGlobal("fetch", async (path: string, init?: RequestInit) => {
    sent.push({
      url: new URL(path, "http://localhost"),
      body: init?.body ? new TextDecoder().decode(init.body as ArrayBuffer) : "",
    });
    const answer = answers[Math.min(at, answers.length - 1)];
    at += 1;
    if (!answer) throw new TypeError("no network");
    return answer();
  });
}
const states = async () => (await store.photos.toArray()).map((p) => [p.id, p.status, p.code]);

beforeEach(() => {
  person += 1;
  store = storeOf(`photographer-${person}`);
  sent = [];
});

describe("a picture of a visit", () => {
  test("waits without a network, and goes up once with what it shows", async () => {
    network();
    await keepPhoto(store, bundle, { id: "p1", spot: { kind: "step", id: "glass-inside" }, file: picture("one") });
    expect(await sendPhotos(store, "me")).toBe("offline");
    expect(await states()).toEqual([["p1", "kept", undefined]]);
    network(() => answering(200, { id: "p1" }));
    sent = [];
    expect(await sendPhotos(store, "me")).toBe("online");
    expect(await sendPhotos(store, "me")).toBe("online");
    expect(sent).toHaveLength(1);
    expect(sent[0]?.url.pathname).toBe(`/api/tanks/${bundle.input.facts.id}/photos`);
    expect(Object.fromEntries(sent[0]?.url.searchParams ?? [])).toEqual({
      id: "p1",
      visit: "v1",
      spot: "step",
      spotId: "glass-inside",
      day: "2026-11-25",
      person: "me",
    });
    expect(sent[0]?.body).toBe("one");
    expect(await states()).toEqual([["p1", "sent", undefined]]);
  });
  test("that the server will never take is told, and the next one goes up", async () => {
    await keepPhoto(store, bundle, { id: "p1", spot: tank, file: picture("broken") });
    await keepPhoto(store, bundle, { id: "p2", spot: tank, file: picture("good") });
    network(
      () => answering(422, { code: "no-picture" }),
      () => answering(200, {}),
    );
    expect(await sendPhotos(store, "me")).toBe("online");
    expect(await states()).toEqual([
      ["p1", "refused", "no-picture"],
      ["p2", "sent", undefined],
    ]);
  });
  test.each([
    [503, { code: "busy" }, "trouble"],
    [500, {}, "trouble"],
    [409, { code: "other-person" }, "trouble"],
    [401, { code: "signed-out" }, "signed-out"],
  ] as const)("an answer of %d keeps it for the next try", async (status, body, state) => {
    await keepPhoto(store, bundle, { id: "p1", spot: tank, file: picture("one") });
    network(() => answering(status, body));
    expect(await sendPhotos(store, "me")).toBe(state);
    expect(await states()).toEqual([["p1", "kept", undefined]]);
  });
  test("that is deleted while it goes up does not come back", async () => {
    await keepPhoto(store, bundle, { id: "p1", spot: tank, file: picture("one") });
    let go = () => {};
    const gate = new Promise<void>((resolve) => {
      go = resolve;
    });
    vi.stubGlobal("fetch", async () => {
      await gate;
      return answering(200, {});
    });
    const going = sendPhotos(store, "me");
    await store.photos.delete("p1");
    go();
    expect(await going).toBe("online");
    expect(await states()).toEqual([]);
  });
});

describe("the last picture of a spot", () => {
  const earlier = { ...bundle, lastPhotos: [{ id: "old", spot: tank, on: "2026-10-25" }] } as VisitBundle;
  const text = async (blob: Blob | null) => (blob ? new TextDecoder().decode(await blob.arrayBuffer()) : null);
  test("is fetched once, is there without a network, and gives way to one of today", async () => {
    network(() => new Response("october", { headers: { "content-type": "image/jpeg" } }));
    await fetchGhosts(store, [earlier]);
    await fetchGhosts(store, [earlier]);
    expect(sent.map((s) => s.url.pathname)).toEqual(["/api/photos/old"]);
    network();
    expect(await text(await ghostOf(store, earlier, tank))).toBe("october");
    expect(await ghostOf(store, earlier, { kind: "step", id: "glass-inside" })).toBeNull();
    await keepPhoto(store, earlier, { id: "new", spot: tank, file: picture("today") });
    expect(await text(await ghostOf(store, earlier, tank))).toBe("today");
  });
  test("is none where it cannot be fetched, and that is no error", async () => {
    network();
    await fetchGhosts(store, [earlier]);
    network(() => answering(410, { code: "gone" }));
    await fetchGhosts(store, [earlier]);
    expect(await ghostOf(store, earlier, tank)).toBeNull();
  });
});

test.each([
  [4000, 3000, { width: 1600, height: 1200 }],
  [3000, 4000, { width: 1200, height: 1600 }],
  [300, 200, { width: 300, height: 200 }],
  [9000, 3, { width: 1600, height: 1 }],
])("%d × %d goes up as %j", (width, height, size) => expect(fitted(width, height)).toEqual(size));
