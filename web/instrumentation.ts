import type { Instrumentation } from "next";

/** Before the server takes its first request: each is given the address it really comes from, and an id. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  await (await import("./data/access/markAddresses")).markAddresses();
  (await import("./observe/requests")).observeRequests();
}

/** An error of ours, with the id of its request. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, context) => {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const [{ log }, { metrics }, { ID_HEADER }] = await Promise.all([
    import("./observe/log"),
    import("./observe/metrics"),
    import("./observe/requests"),
  ]);
  const id = request.headers[ID_HEADER];
  metrics().failed.inc({ route: context.routePath });
  log().error({ id, route: context.routePath, method: request.method, err: error }, "failed");
};
