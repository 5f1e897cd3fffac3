/** Before the server takes its first request: each is given the address it really comes from. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME === "nodejs") await (await import("./data/access/markAddresses")).markAddresses();
}
