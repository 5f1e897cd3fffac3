import Dexie from "dexie";
import { NetworkFirst, NetworkOnly, type PrecacheEntry, Serwist, type SerwistGlobalConfig } from "serwist";

import { PHOTO_TAG, sendPhotos } from "../photos";
import { personOf, storeOf } from "../store";

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

/** An event that browsers with background sync have, and the library of types has not. */
interface WakeEvent extends ExtendableEvent {
  readonly tag: string;
}

// Pictures go up with the sheet closed, where the browser wakes a worker for it.
self.addEventListener("sync", (event) => {
  const wake = event as WakeEvent;
  if (wake.tag === PHOTO_TAG) wake.waitUntil(sendPhotosOfAll());
});

/** What the server says when a clock has ended. */
interface Ring {
  readonly title: string;
  readonly body: string;
  readonly url: string;
}

self.addEventListener("push", (event) => {
  if (!event.data) return;
  const { title, body, url } = event.data.json() as Ring;
  event.waitUntil(self.registration.showNotification(title, { body, tag: url, data: url, requireInteraction: true }));
});

self.addEventListener("notificationclick", (event) => {
  event.notification.close();
  event.waitUntil(show(String(event.notification.data)));
});

/** Brings a sheet that is open to the front, or opens one. */
async function show(url: string): Promise<void> {
  const open = await self.clients.matchAll({ type: "window" });
  const sheet = open.find((c) => c.url.endsWith(url));
  if (sheet) await sheet.focus();
  else await self.clients.openWindow(url);
}

/** The pictures of everybody who works with this device; the server keeps each for whoever is signed in. */
async function sendPhotosOfAll(): Promise<void> {
  for (const name of await Dexie.getDatabaseNames()) {
    const person = personOf(name);
    if (person) await sendPhotos(storeOf(person), person);
  }
}
