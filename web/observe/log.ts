import pino, { type Logger } from "pino";

// The instrumentation and the routes are bundles of their own: what they share hangs on the process.
const shared = globalThis as { keelLog?: Logger };

/** The log of this process: a line of JSON for each thing, to the standard output. */
export function log(): Logger {
  shared.keelLog ??= pino({
    level: process.env.LOG_LEVEL ?? "info",
    base: { pid: process.pid },
    timestamp: pino.stdTimeFunctions.isoTime,
    // What a log must not hold, whoever hands it on.
    redact: ["headers.cookie", "headers.authorization", "password", "token"],
  });
  return shared.keelLog;
}
