import type { DayBundle } from "@keel-round/core/round";
import type { VisitBundle } from "@keel-round/core/visit";
import { ask, type SyncState } from "./ask";
import { setCurrentPerson } from "./person";
import { fetchGhosts, sendPhotos } from "./photos";
import { type DeviceStore, keepVisits, type QueuedOp, storeOf } from "./store";

interface OpResult {
  readonly opId: string;
  readonly result: "applied" | "already" | "waiting" | "refused";
  readonly code?: string;
  readonly items?: readonly string[];
}

const BATCH = 100;
/** Well under what a route takes, so that a batch is not refused for its size. */
const BATCH_BYTES = 400_000;
/** What no later try would change: an entry that is not understood, too large, or of a visit that is not there. */
const FINAL: readonly number[] = [400, 404, 413, 422];
/** How long to wait before the next try, ms: longer after each that failed, never all devices at once. */
export function retryInMs(failures: number, random: () => number = Math.random): number {
  const most = Math.min(FIRST_RETRY_MS * 2 ** Math.max(0, failures), LONGEST_RETRY_MS);
  return most * (0.5 + 0.5 * random());
}
const FIRST_RETRY_MS = 5_000;
const LONGEST_RETRY_MS = 300_000;

/** Fetches a day and the bundles of its visits into the store. */
export async function fetchDay(on: string): Promise<SyncState> {
  const response = await ask(`/api/day?day=${on}`);
  if (typeof response === "string") return response;
  const { personId, day, bundles } = response.body as { personId?: string; day?: DayBundle; bundles?: VisitBundle[] };
  if (response.status !== 200 || !personId || !bundles) return "offline";
  setCurrentPerson(personId);
  await keepVisits(personId, bundles);
  if (day) await storeOf(personId).days.put(day);
  void fetchGhosts(storeOf(personId), bundles);
  return "online";
}

/** Fetches one visit into the store, keeping the time its round gave it. */
export async function fetchVisit(visitId: string): Promise<SyncState | "gone"> {
  const response = await ask(`/api/visits/${visitId}`);
  if (typeof response === "string") return response;
  if (response.status === 404) return "gone";
  const { personId, bundle } = response.body as { personId?: string; bundle?: VisitBundle };
  if (response.status !== 200 || !personId || !bundle) return "offline";
  setCurrentPerson(personId);
  const known = await storeOf(personId).visits.get(visitId);
  await keepVisits(personId, [{ ...bundle, startMinute: bundle.startMinute ?? known?.startMinute ?? null }]);
  void fetchGhosts(storeOf(personId), [bundle]);
  return "online";
}

let sending: Promise<SyncState> | null = null;

/** Sends what is kept, visit by visit and in order. Several calls share one run, also of several tabs. */
export function sendKept(personId: string): Promise<SyncState> {
  sending ??= alone(async () => worse(await send(personId), await sendPhotos(storeOf(personId), personId))).finally(
    () => {
      sending = null;
    },
  );
  return sending;
}

/** One tab at a time; what another one sent meanwhile is not sent again. */
const alone = <T>(run: () => Promise<T>): Promise<T> =>
  globalThis.navigator?.locks ? navigator.locks.request("keel-send", run) : run();

/** The worst of several visits' states: what stops everything before what stops one. */
const WORST: readonly SyncState[] = ["online", "gap", "trouble", "offline", "signed-out"];
const worse = (a: SyncState, b: SyncState): SyncState => (WORST.indexOf(b) > WORST.indexOf(a) ? b : a);

/** A visit that cannot go on now is left for the next run, and the others go on. */
async function send(personId: string): Promise<SyncState> {
  const store = storeOf(personId);
  const waiting = new Set<string>();
  let state: SyncState = "online";
  for (;;) {
    const kept = (await store.ops.where("status").equals("kept").toArray()).filter((o) => !waiting.has(o.visitId));
    const visitId = kept[0]?.visitId;
    if (!visitId) return state;
    const ops = kept.filter((o) => o.visitId === visitId).sort((a, b) => a.seq - b.seq);
    const came = await sendVisit(store, visitId, ops);
    state = worse(state, came);
    if (came === "offline" || came === "signed-out") return state;
    if (came !== "online") waiting.add(visitId);
  }
}

/** Sends a visit's entries, fewer at a time where the server cannot take as many; answers how far it came. */
async function sendVisit(store: DeviceStore, visitId: string, ops: readonly QueuedOp[]): Promise<SyncState> {
  let most = BATCH;
  for (let at = 0; at < ops.length; ) {
    const batch = cut(ops.slice(at), most);
    const answer = await ask(`/api/visits/${visitId}/operations`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ ops: batch.map(sent) }),
    });
    if (typeof answer === "string") return answer;
    if (answer.status !== 200) {
      // Whatever else our server says no to may be said yes to tomorrow: it stays in the queue.
      if (!FINAL.includes(answer.status) && answer.status < 500) return "trouble";
      const gone = answer.status === 404;
      if (batch.length > 1 && !gone) {
        // One of them is not taken: it is looked for, and those before it go up.
        most = Math.max(1, Math.floor(batch.length / 2));
        continue;
      }
      if (answer.status >= 500) return "trouble";
      const code = typeof answer.body.code === "string" ? answer.body.code : "too-large";
      await store.ops.bulkPut(batch.map((o) => ({ ...o, status: "refused" as const, code })));
      at += batch.length;
      continue;
    }
    if (!Array.isArray(answer.body.results)) return "offline";
    const settled = settledBy(batch, answer.body.results as readonly OpResult[]);
    await store.ops.bulkPut([...settled]);
    // An earlier entry is missing on the server: sending the same again would not end.
    if (settled.length === 0) return "gap";
    at += settled.length;
  }
  return "online";
}

const sent = ({ opId, device, seq, at, body }: QueuedOp) => ({ opId, device, seq, at, body });

/** The first entries that stay within a number and a size; at least one. */
function cut(ops: readonly QueuedOp[], most: number): QueuedOp[] {
  let bytes = 0;
  const fits = ops.slice(0, most).findIndex((o, i) => {
    bytes += new TextEncoder().encode(JSON.stringify(sent(o))).length;
    return i > 0 && bytes > BATCH_BYTES;
  });
  return ops.slice(0, fits < 0 ? most : fits);
}

/** Entries that the server has said something final about. */
function settledBy(batch: readonly QueuedOp[], results: readonly OpResult[]): readonly QueuedOp[] {
  const byId = new Map(results.map((r) => [r.opId, r]));
  return batch.flatMap((o): QueuedOp[] => {
    const r = byId.get(o.opId);
    if (!r || r.result === "waiting") return [];
    if (r.result !== "refused") return [{ ...o, status: "sent" }];
    return [{ ...o, status: "refused", ...(r.code ? { code: r.code } : {}), ...(r.items ? { items: r.items } : {}) }];
  });
}
