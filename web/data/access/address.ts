/** Header in which the server itself writes where a request comes from: whatever a client sends in it is overwritten. */
export const ADDRESS_HEADER = "x-keel-address";

/** Where it is not known, as in tests that call a handler without a server. */
const NOWHERE = "unknown";

/**
 * The address a request comes from: of the chain of forwarders the last that none of our own proxies wrote.
 *
 * @param forwarded the header x-forwarded-for, to which each proxy adds whom it heard from
 * @param peer whom the server itself is connected with
 * @param trusted how many proxies stand before the server: so many entries at the end are their own word
 * @example
 * clientAddress("203.0.113.9, 198.51.100.4", "10.0.0.2", 1); // "198.51.100.4"
 * clientAddress("203.0.113.9", "198.51.100.4", 0); // "198.51.100.4": without a proxy the header is anybody's claim
 */
export function clientAddress(forwarded: string | undefined, peer: string | undefined, trusted: number): string {
  const chain = [...(forwarded ?? "").split(",").map((a) => a.trim()), peer ?? ""].filter((a) => a !== "");
  return (chain.at(-1 - trusted) ?? chain[0] ?? NOWHERE).replace(/^::ffff:/, "").slice(0, 64);
}

/** How many proxies stand before the server, from the environment. */
export function trustedProxies(setting = process.env.TRUSTED_PROXIES): number {
  const number = Number(setting ?? 0);
  if (!Number.isInteger(number) || number < 0 || number > 9)
    throw new Error(`TRUSTED_PROXIES is "${setting}": enter how many proxies stand before the server, 0 to 9.`);
  return number;
}

/** The address that the server has written into a request. */
export const addressOf = (headers: Headers): string => headers.get(ADDRESS_HEADER) ?? NOWHERE;
