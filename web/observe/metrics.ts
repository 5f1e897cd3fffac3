import { Counter, collectDefaultMetrics, Gauge, Histogram, Registry } from "prom-client";
import type { QueueState } from "@/data/background/jobs";
import { poolState } from "@/data/database/connection";

interface Metrics {
  readonly registry: Registry;
  readonly requests: Histogram<"method" | "route" | "status">;
  readonly failed: Counter<"route">;
  readonly jobs: Readonly<Record<"waiting" | "givenUp" | "oldestS", Gauge<"kind">>>;
}

// The instrumentation and the routes are bundles of their own: what they share hangs on the process.
const shared = globalThis as { keelMetrics?: Metrics };
/** Upper ends of the classes of a request's time, s. */
const SECONDS = [0.01, 0.03, 0.1, 0.3, 1, 3, 10];

/** What this process counts: requests by their kind, errors of ours, connections to the database, work that waits, and the process itself. */
export function metrics(): Metrics {
  shared.keelMetrics ??= make();
  return shared.keelMetrics;
}

function make(): Metrics {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry, prefix: "keel_" });
  const registers = [registry];
  new Gauge({
    ...{ name: "keel_pool_connections", help: "Connections to the database, by what they do", labelNames: ["state"] },
    registers,
    collect() {
      for (const [state, n] of Object.entries(poolState())) this.set({ state }, n);
    },
  });
  const ofKind = (name: string, help: string) => new Gauge({ name, help, labelNames: ["kind"] as const, registers });
  return {
    registry,
    requests: new Histogram({
      ...{ name: "keel_request_seconds", help: "Requests, by method, route and status", buckets: SECONDS, registers },
      labelNames: ["method", "route", "status"],
    }),
    failed: new Counter({
      ...{ name: "keel_errors_total", help: "Errors of ours, by route", labelNames: ["route"], registers },
    }),
    jobs: {
      waiting: ofKind("keel_jobs_waiting", "Work that waits or is tried again, by kind"),
      givenUp: ofKind("keel_jobs_given_up", "Work that was given up, by kind"),
      oldestS: ofKind("keel_jobs_oldest_seconds", "For how long the oldest work has been due, by kind"),
    },
  };
}

/** Everything that is counted, as Prometheus reads it, with the queue as it is now. */
export async function exposition(
  queue: readonly QueueState[],
): Promise<{ readonly type: string; readonly text: string }> {
  const { registry, jobs } = metrics();
  for (const [key, gauge] of Object.entries(jobs)) {
    gauge.reset();
    for (const state of queue) gauge.set({ kind: state.kind }, state[key as keyof typeof jobs]);
  }
  return { type: registry.contentType, text: await registry.metrics() };
}

const ID = /^([0-9a-f]{8}-[0-9a-f-]{27}|[A-Za-z0-9_-]{24,})$/;
const DEEPEST = 5;

/** The kind of a path: ids and tokens in it are one word, so that there are as many kinds as routes. */
export const routeOf = (path: string): string =>
  `/${path
    .split("/")
    .filter((part) => part !== "")
    .slice(0, DEEPEST)
    .map((part) => (ID.test(part) ? ":id" : part))
    .join("/")}`;
