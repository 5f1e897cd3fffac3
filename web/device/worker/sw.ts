import { NetworkFirst, NetworkOnly, type PrecacheEntry, Serwist, type SerwistGlobalConfig } from "serwist";

declare global {
  interface WorkerGlobalScope extends SerwistGlobalConfig {
    __SW_MANIFEST: (PrecacheEntry | string)[] | undefined;
  }
}
declare const self: ServiceWorkerGlobalScope;

// Only the shell is kept: pages with somebody's data never are. A new version waits until no visit is open.
const serwist = new Serwist({
  precacheEntries: self.__SW_MANIFEST,
  precacheOptions: { cleanupOutdatedCaches: true, ignoreURLParametersMatching: [/^visit$/] },
  skipWaiting: false,
  clientsClaim: true,
  navigationPreload: false,
  runtimeCaching: [
    { matcher: ({ url }) => url.pathname.startsWith("/api/"), handler: new NetworkOnly() },
    { matcher: ({ request }) => request.mode === "navigate", handler: new NetworkOnly() },
    {
      matcher: ({ url }) => url.pathname.startsWith("/_next/static/") || url.pathname.startsWith("/fonts/"),
      handler: new NetworkFirst({ cacheName: "statics" }),
    },
  ],
  fallbacks: { entries: [{ url: "/day", matcher: ({ request }) => request.destination === "document" }] },
});
serwist.addEventListeners();
