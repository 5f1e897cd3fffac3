/** A free port on loopback. */
export function freePort(): Promise<number>;
