import { createServer, type IncomingMessage, request, type Server, type ServerResponse } from "node:http";

/** What a line does to requests, as shares of them. */
export interface Trouble {
  /** Answered with 502 by something in between; the server never heard of it. */
  readonly refused: number;
  /** Done by the server, and the answer is lost on its way. */
  readonly cut: number;
}

/** What went through. */
export interface Seen {
  requests: number;
  refused: number;
  cut: number;
  /** Answers of the server that it failed: there should be none. */
  failed: number;
  readonly failures: string[];
}

/** A bad line before the server: some requests never arrive, some answers never come back. */
export function badLine(port: number, trouble: Trouble, random: () => number): { server: Server; seen: Seen } {
  const seen: Seen = { requests: 0, refused: 0, cut: 0, failed: 0, failures: [] };
  const server = createServer((incoming: IncomingMessage, outgoing: ServerResponse) => {
    seen.requests++;
    const [luck, back] = [random(), random()];
    if (luck < trouble.refused) {
      seen.refused++;
      incoming.resume();
      outgoing.writeHead(502, { "content-type": "text/html" }).end("<h1>Bad gateway</h1>");
      return;
    }
    const upstream = request(
      { host: "127.0.0.1", port, path: incoming.url, method: incoming.method, headers: incoming.headers },
      (answer) => {
        if (answer.statusCode === 500) {
          seen.failed++;
          if (seen.failures.length < 20) seen.failures.push(`${incoming.method} ${incoming.url}`);
        }
        if (back < trouble.cut) {
          seen.cut++;
          answer.resume();
          answer.once("end", () => outgoing.destroy());
          return;
        }
        outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
        answer.pipe(outgoing);
      },
    );
    upstream.on("error", () => outgoing.destroy());
    outgoing.on("close", () => upstream.destroy());
    incoming.pipe(upstream);
  });
  server.on("clientError", (_error, socket) => socket.destroy());
  return { server, seen };
}
