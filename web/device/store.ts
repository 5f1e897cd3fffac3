import type { OpBody, VisitBundle } from "@keel-round/core/visit";
import Dexie, { type EntityTable } from "dexie";
import { v7 } from "uuid";

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

export type DeviceStore = Dexie & { visits: EntityTable<VisitBundle, "visitId">; ops: EntityTable<QueuedOp, "opId"> };

const USER_KEY = "keel-person";
const DEVICE_KEY = "keel-device";

/** Who uses this device now; the store is theirs alone, also on a shared phone. */
export function currentPerson(): string | null {
  return localStorage.getItem(USER_KEY);
}

export function setCurrentPerson(personId: string | null): void {
  if (personId) localStorage.setItem(USER_KEY, personId);
  else localStorage.removeItem(USER_KEY);
}

/** The name of this device in the log. */
export function deviceName(): string {
  const known = localStorage.getItem(DEVICE_KEY);
  if (known) return known;
  const made = v7();
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}

const open = new Map<string, DeviceStore>();

/** The store of a person on this device. */
export function storeOf(personId: string): DeviceStore {
  const known = open.get(personId);
  if (known) return known;
  const store = new Dexie(`keel-${personId}`) as DeviceStore;
  store.version(1).stores({ visits: "visitId, on", ops: "opId, visitId, status, [visitId+seq]" });
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
  const waiting = new Set((await store.ops.where("status").equals("kept").toArray()).map((o) => o.visitId));
  for (const old of await store.visits.where("on").below(oldest).toArray()) {
    if (waiting.has(old.visitId)) continue;
    await store.visits.delete(old.visitId);
    await store.ops.where("visitId").equals(old.visitId).delete();
  }
}
