import { CORE_VERSION, inputHash } from "@keel-round/core/given";
import {
  type OpBody,
  planToKeep,
  type Refusal,
  refuseOp,
  seenToday,
  type VisitBundle,
  type VisitOp,
  type VisitState,
  visitState,
} from "@keel-round/core/visit";
import { v7 } from "uuid";
import { deviceName } from "./person";
import { plannedWith } from "./planned";
import type { DeviceStore, QueuedOp } from "./store";

/** Merges the server's log with what this device has not sent yet, each operation once. */
export function mergeLog(kept: VisitBundle, mine: readonly QueuedOp[]): VisitOp[] {
  const known = new Set(kept.ops.map((o) => o.opId));
  const own = mine.filter((o) => o.status !== "refused" && !known.has(o.opId)).sort((a, b) => a.seq - b.seq);
  return [...kept.ops, ...own];
}

/**
 * Writes an entry into a visit's log on this device, and the plan that it makes.
 *
 * Reading the last sequence number and writing the next are one transaction of the store: two tabs that write at once
 * never give the same number twice.
 *
 * @returns why not, if it may not be written.
 */
export function writeEntry(
  store: DeviceStore,
  kept: VisitBundle,
  body: OpBody,
  { known = [], onWritten }: WritingEntry = {},
): Promise<Refusal | null> {
  const { visitId } = kept;
  const written: QueuedOp[] = [];
  const write = async (): Promise<Refusal | null> => {
    const ops = await opsOf(store, visitId, known);
    const before = visitState(mergeLog(kept, ops));
    const refusal = refuseOp(before, body, kept.input.facts, kept.input.findings);
    if (refusal) return refusal;
    const device = deviceName();
    const used = [...kept.ops, ...ops].filter((o) => o.device === device).map((o) => o.seq);
    let seq = Math.max(0, ...used);
    const op = (b: OpBody): QueuedOp => {
      seq += 1;
      return { opId: v7(), visitId, device, seq, at: withOffset(new Date()), body: b, status: "kept" };
    };
    const added = [op(body)];
    const replanned = planAfter(kept, before, visitState([...mergeLog(kept, ops), ...(added as VisitOp[])]), body);
    if (replanned) added.push(op(replanned));
    await store.ops.bulkAdd(added);
    written.push(...added);
    return null;
  };
  return store.transaction("rw", store.ops, write).then((refusal) => {
    if (written.length > 0) onWritten?.(written);
    return refusal;
  });
}

/** What makes writing quicker, and who hears of it. */
interface WritingEntry {
  /** Entries of the visit that were read before. */
  readonly known?: readonly QueuedOp[];
  /** Told what was added, once it is kept. */
  readonly onWritten?: (added: readonly QueuedOp[]) => void;
}

/**
 * The entries of a visit on this device. Their plans are large: where nothing was added since they were read, by this
 * tab or another, only their names are read again.
 */
async function opsOf(store: DeviceStore, visitId: string, known: readonly QueuedOp[]): Promise<readonly QueuedOp[]> {
  const here = store.ops.where("visitId").equals(visitId);
  const ids = await here.primaryKeys();
  const read = new Map(known.map((o) => [o.opId, o]));
  return ids.every((id) => read.has(id)) ? ids.flatMap((id) => read.get(id) ?? []) : here.toArray();
}

/** The device's own clock, with its offset from UTC: "2026-11-25T10:06:00.000+01:00". */
function withOffset(at: Date): string {
  const minutes = -at.getTimezoneOffset();
  const two = (n: number) => String(Math.floor(n)).padStart(2, "0");
  const local = new Date(at.getTime() + minutes * 60_000).toISOString().slice(0, -1);
  return `${local}${minutes < 0 ? "-" : "+"}${two(Math.abs(minutes) / 60)}:${two(Math.abs(minutes) % 60)}`;
}

/** The plan that an operation makes, as an operation of its own; null if it changes nothing the plan is made from. */
function planAfter(kept: VisitBundle, before: VisitState, after: VisitState, body: OpBody): OpBody | null {
  const [old, seen] = [seenToday(before, kept.on), seenToday(after, kept.on)];
  // Most entries change nothing of it: a tick is not to wait for the whole input to be read.
  if (body.type !== "start" && JSON.stringify(old) === JSON.stringify(seen)) return null;
  const { input, plan } = plannedWith(kept, seen);
  return {
    type: "plan",
    inputHash: inputHash(input),
    coreVersion: CORE_VERSION,
    summary: `${plan.water.decision}, ${plan.water.litres.value} L`,
    plan: planToKeep(plan),
  };
}
