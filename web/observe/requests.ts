import { randomUUID } from "node:crypto";
import { type IncomingMessage, Server, type ServerResponse } from "node:http";
import { log } from "./log";
import { metrics, routeOf } from "./metrics";

export const ID_HEADER = "x-request-id";
/** What a proxy may hand on as the id of a request. */
const GIVEN_ID = /^[A-Za-z0-9._-]{8,80}$/;
/** What is asked for too often, and too plain, for a line of its own. */
const QUIET = /^\/(_next\/static|fonts|api\/(live|ready|metrics))/;

/** Gives every request of this process an id, which its answer, its errors and its line of the log have, and takes its time. */
export function observeRequests(): void {
  const emit = Server.prototype.emit as (this: Server, event: string | symbol, ...args: unknown[]) => boolean;
  Server.prototype.emit = function observed(this: Server, event: string | symbol, ...args: unknown[]): boolean {
    if (event === "request") watch(args[0] as IncomingMessage, args[1] as ServerResponse);
    return emit.call(this, event, ...args);
  };
}

/** Follows one request until its answer is out or its line is cut. */
function watch(request: IncomingMessage, answer: ServerResponse): void {
  const given = request.headers[ID_HEADER];
  const id = typeof given === "string" && GIVEN_ID.test(given) ? given : randomUUID();
  request.headers[ID_HEADER] = id;
  answer.setHeader(ID_HEADER, id);
  const began = performance.now();
  // Without its query: that may hold what somebody looked for.
  const path = (request.url ?? "/").split("?")[0] ?? "/";
  const method = request.method ?? "";
  answer.once("close", () => {
    const ms = performance.now() - began;
    const status = answer.statusCode;
    if (!QUIET.test(path)) {
      metrics().requests.observe({ method, route: routeOf(path), status: String(status) }, ms / 1000);
      // Of a letter's link only its kind: whoever has the whole of it reads the letter.
      const line = { id, method, path: path.startsWith("/letter/") ? "/letter/:id" : path, status };
      log().info({ ...line, ms: Math.round(ms), cut: !answer.writableFinished }, "request");
    }
  });
}
