import "fake-indexeddb/auto";
import Dexie from "dexie";
import { expect, test } from "vitest";
import { inputOf } from "../../core/src/given/sample.fixture.ts";
import { storeOf } from "./store";

test("a visit that an earlier version kept on the phone goes on under the names of this one", async () => {
  const { facts, ...rest } = inputOf();
  const { practice, ...known } = facts;
  const earlier = new Dexie("keel-somebody");
  earlier.version(1).stores({ visits: "visitId, on", ops: "opId, visitId, status, [visitId+seq]" });
  const before = { visitId: "v", on: "2026-11-25", input: { ...rest, book: { ...known, schools: practice } } };
  await earlier.table("visits").put(before);
  await earlier.table("ops").put({ opId: "o", visitId: "v", status: "kept", seq: 1 });
  earlier.close();

  const store = storeOf("somebody");
  expect((await store.visits.get("v"))?.input).toEqual(inputOf());
  expect(await store.ops.toArray()).toHaveLength(1);
});
