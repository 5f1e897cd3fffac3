import "fake-indexeddb/auto";
import type { OpBody, VisitBundle } from "@keel-round/core/visit";
import { beforeAll, expect, test, vi } from "vitest";
import { inputOf } from "../../core/src/given/sample.fixture.ts";
import { writeEntry } from "./entries";
import { type DeviceStore, storeOf } from "./store";

beforeAll(() => {
  const kept = new Map<string, string>();
  globalThis.localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  } as Storage;
});

const bundle = (visitId: string): VisitBundle => ({
  visitId,
  stopId: "s",
  on: "2026-11-25",
  siteName: "",
  address: "",
  access: "",
  clientName: "",
  tankName: "",
  startMinute: null,
  input: inputOf(),
  ops: [],
  units: { volume: "L", length: "cm", temperature: "°C", salinity: "ppt", alkalinity: "dKH" },
});
const note = (text: string): OpBody => ({ type: "note", text });

/** The store as another tab of the same browser opens it: a connection of its own to the same database. */
async function otherTab(personId: string): Promise<DeviceStore> {
  vi.resetModules();
  const again = (await import("./store")) as { storeOf: (id: string) => DeviceStore };
  return again.storeOf(personId);
}

test("two tabs that write into one visit at once never give a number twice, and leave none out", async () => {
  const [first, second] = [storeOf("two-tabs"), await otherTab("two-tabs")];
  expect(second).not.toBe(first);
  const kept = bundle("v1");
  expect(await writeEntry(first, kept, { type: "start" })).toBeNull();
  const started = await first.ops.count();
  const answers = await Promise.all(
    Array.from({ length: 30 }, (_, i) => writeEntry(i % 2 === 0 ? first : second, kept, note(`note ${i}`))),
  );
  expect(answers.every((a) => a === null)).toBe(true);
  const seqs = (await second.ops.toArray()).map((o) => o.seq).sort((a, b) => a - b);
  expect(seqs).toEqual(Array.from({ length: started + 30 }, (_, i) => i + 1));
});

test("what may not be written is told and leaves nothing, from whichever tab", async () => {
  const [first, second] = [storeOf("closed-once"), await otherTab("closed-once")];
  const kept = bundle("v2");
  await writeEntry(first, kept, { type: "start" });
  const id = "01a22500-5ba8-76bb-9c9d-d20be8f8fb85";
  await writeEntry(first, kept, { type: "finding", id, kind: "livestock", text: "A frayed fin" });
  const before = await first.ops.count();
  // The other tab has not drawn the finding yet, and is told of it all the same.
  expect(await writeEntry(second, kept, { type: "close" })).toEqual({
    code: "finding-still-open",
    items: ["A frayed fin"],
  });
  expect(await first.ops.count()).toBe(before);
});

test("a start makes the plan of the day, once; what changes nothing makes none", async () => {
  const store = storeOf("plans");
  const kept = bundle("v3");
  await writeEntry(store, kept, { type: "start" });
  await writeEntry(store, kept, note("quiet"));
  const types = (await store.ops.orderBy("opId").toArray()).sort((a, b) => a.seq - b.seq).map((o) => o.body.type);
  expect(types).toEqual(["start", "plan", "note"]);
  await writeEntry(store, kept, {
    type: "reading",
    id: "01a22500-5ba8-76bb-9c9d-d20be8f8fb84",
    parameter: "nitrate",
    text: "80",
    unit: "mg/L",
    method: "liquid kit",
  });
  expect((await store.ops.toArray()).filter((o) => o.body.type === "plan").length).toBe(2);
});
