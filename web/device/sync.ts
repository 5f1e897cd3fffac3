import type { VisitBundle } from "@keel-round/core/visit";
import { keepVisits, type QueuedOp, setCurrentPerson, storeOf } from "./store";

interface OpResult {
  readonly opId: string;
  readonly result: "applied" | "already" | "waiting" | "refused";
  readonly code?: string;
  readonly items?: readonly string[];
}

/** How the last exchange with the server went. */
export type SyncState = "online" | "offline" | "signed-out";

const BATCH = 100;
const PATIENCE_MS = 20_000;

async function ask(path: string, init?: RequestInit): Promise<Response | SyncState> {
  try {
    const response = await fetch(path, { ...init, signal: AbortSignal.timeout(PATIENCE_MS), cache: "no-store" });
    return response.status === 401 ? "signed-out" : response;
  } catch {
    // No answer is what no network looks like; the queue keeps everything.
    return "offline";
  }
}

/** Fetches a day's bundles into the store. */
export async function fetchDay(day: string): Promise<SyncState> {
  const response = await ask(`/api/day?day=${day}`);
  if (typeof response === "string") return response;
  if (!response.ok) return "offline";
  const { personId, bundles } = (await response.json()) as { personId: string; bundles: VisitBundle[] };
  setCurrentPerson(personId);
  await keepVisits(personId, bundles);
  return "online";
}

/** Fetches one visit into the store, keeping the time its round gave it. */
export async function fetchVisit(visitId: string): Promise<SyncState | "gone"> {
  const response = await ask(`/api/visits/${visitId}`);
  if (typeof response === "string") return response;
  if (response.status === 404) return "gone";
  if (!response.ok) return "offline";
  const { personId, bundle } = (await response.json()) as { personId: string; bundle: VisitBundle };
  setCurrentPerson(personId);
  const known = await storeOf(personId).visits.get(visitId);
  await keepVisits(personId, [{ ...bundle, startMinute: bundle.startMinute ?? known?.startMinute ?? null }]);
  return "online";
}

let sending: Promise<SyncState> | null = null;

/** Sends what is kept, visit by visit and in order. Several calls share one run. */
export function sendKept(personId: string): Promise<SyncState> {
  sending ??= send(personId).finally(() => {
    sending = null;
  });
  return sending;
}

async function send(personId: string): Promise<SyncState> {
  const store = storeOf(personId);
  for (;;) {
    const kept = await store.ops.where("status").equals("kept").toArray();
    const visitId = kept[0]?.visitId;
    if (!visitId) return "online";
    const batch = kept
      .filter((o) => o.visitId === visitId)
      .sort((a, b) => a.seq - b.seq)
      .slice(0, BATCH);
    const response = await ask(`/api/visits/${visitId}/operations`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ ops: batch.map(({ opId, device, seq, at, body }) => ({ opId, device, seq, at, body })) }),
    });
    if (typeof response === "string") return response;
    if (response.status === 404) {
      await store.ops.bulkPut(batch.map((o) => ({ ...o, status: "refused" as const, code: "not-found" })));
      continue;
    }
    if (!response.ok) return "offline";
    const { results } = (await response.json()) as { results: OpResult[] };
    const byId = new Map(results.map((r) => [r.opId, r]));
    const settled = batch.flatMap((o): QueuedOp[] => {
      const r = byId.get(o.opId);
      if (!r || r.result === "waiting") return [];
      if (r.result !== "refused") return [{ ...o, status: "sent" }];
      return [{ ...o, status: "refused", ...(r.code ? { code: r.code } : {}), ...(r.items ? { items: r.items } : {}) }];
    });
    await store.ops.bulkPut(settled);
    // An earlier entry is missing on the server: sending the same again would not end.
    if (settled.length === 0) return "offline";
  }
}
