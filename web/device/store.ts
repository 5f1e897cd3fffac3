import type { DayBundle } from "@keel-round/core/round";
import type { OpBody, PhotoSpot, VisitBundle } from "@keel-round/core/visit";
import Dexie, { type EntityTable } from "dexie";

/** An operation made on this device and what became of it. */
export interface QueuedOp {
  readonly opId: string;
  readonly visitId: string;
  readonly device: string;
  readonly seq: number;
  readonly at: string;
  readonly body: OpBody;
  status: "kept" | "sent" | "refused";
  code?: string;
  items?: readonly string[];
}

/** A picture that was taken on this device, scaled and without its place, and what became of it. */
export interface QueuedPhoto {
  readonly id: string;
  readonly visitId: string;
  readonly tankId: string;
  readonly on: string;
  readonly spot: PhotoSpot;
  readonly bytes: ArrayBuffer;
  status: "kept" | "sent" | "refused";
  code?: string;
}

/** The last picture of a spot, small: by tank and spot. */
export interface Ghost {
  readonly key: string;
  readonly photoId: string;
  readonly bytes: ArrayBuffer;
}

export type DeviceStore = Dexie & {
  visits: EntityTable<VisitBundle, "visitId">;
  ops: EntityTable<QueuedOp, "opId">;
  photos: EntityTable<QueuedPhoto, "id">;
  ghosts: EntityTable<Ghost, "key">;
  days: EntityTable<DayBundle, "on">;
};

/** What a visit was planned from, as the first version of the store kept it. */
interface KeptInput {
  readonly book?: { readonly schools?: unknown };
  readonly [part: string]: unknown;
}

/** Renames what had other names when it was kept: a visit that is under way goes on after an update. */
function fromEarlier({ book, ...rest }: KeptInput): object {
  if (!book) return rest;
  const { schools, ...facts } = book;
  return { ...rest, facts: { ...facts, practice: schools } };
}

const STORE = "keel-";

/** Whose store has this name; null for one that is no store. */
export const personOf = (name: string): string | null => (name.startsWith(STORE) ? name.slice(STORE.length) : null);

const open = new Map<string, DeviceStore>();

/** The store of a person on this device. */
export function storeOf(personId: string): DeviceStore {
  const known = open.get(personId);
  if (known) return known;
  const store = new Dexie(`${STORE}${personId}`) as DeviceStore;
  store.version(1).stores({ visits: "visitId, on", ops: "opId, visitId, status, [visitId+seq]" });
  store
    .version(2)
    .stores({})
    .upgrade((tx) =>
      tx
        .table("visits")
        .toCollection()
        .modify((visit: { input: unknown }) => {
          visit.input = fromEarlier(visit.input as KeptInput);
        }),
    );
  store.version(3).stores({ photos: "id, visitId, status", ghosts: "key" });
  store.version(4).stores({ days: "on" });
  open.set(personId, store);
  return store;
}

/** Days a visit stays on the device after it; what is still kept is never dropped. */
const KEEP_DAYS = 3;

/** Stores bundles as they come from the server. The queue is left alone. */
export async function keepVisits(personId: string, bundles: readonly VisitBundle[]): Promise<void> {
  const store = storeOf(personId);
  await store.visits.bulkPut([...bundles]);
  const latest = bundles.reduce((max, b) => (b.on > max ? b.on : max), "");
  if (!latest) return;
  const oldest = new Date(Date.parse(latest) - KEEP_DAYS * 86_400_000).toISOString().slice(0, 10);
  await store.days.where("on").below(oldest).delete();
  const kept = await Promise.all([
    store.ops.where("status").equals("kept").toArray(),
    store.photos.where("status").equals("kept").toArray(),
  ]);
  const waiting = new Set(kept.flat().map((o) => o.visitId));
  for (const old of await store.visits.where("on").below(oldest).toArray()) {
    if (waiting.has(old.visitId)) continue;
    await store.visits.delete(old.visitId);
    await store.ops.where("visitId").equals(old.visitId).delete();
    await store.photos.where("visitId").equals(old.visitId).delete();
  }
}
