import { type IncomingMessage, Server } from "node:http";
import { ADDRESS_HEADER, clientAddress, trustedProxies } from "./address";

/**
 * Writes into every request of this process where it comes from. A handler sees no socket, and a header that a client
 * may write itself is no evidence.
 */
export async function markAddresses(): Promise<void> {
  const trusted = trustedProxies();
  const emit = Server.prototype.emit as (this: Server, event: string | symbol, ...args: unknown[]) => boolean;
  Server.prototype.emit = function marked(this: Server, event: string | symbol, ...args: unknown[]): boolean {
    if (event === "request") {
      const request = args[0] as IncomingMessage;
      const forwarded = request.headers["x-forwarded-for"];
      const address = clientAddress(
        Array.isArray(forwarded) ? forwarded.join(",") : forwarded,
        request.socket.remoteAddress,
        trusted,
      );
      request.headers[ADDRESS_HEADER] = address;
    }
    return emit.call(this, event, ...args);
  };
}
