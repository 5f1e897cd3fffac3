/** Installs the service worker, which makes the visit sheet start without a network. */
export function registerWorker(): void {
  if (!("serviceWorker" in navigator)) return;
  navigator.serviceWorker.register("/sw.js", { scope: "/", updateViaCache: "none" }).catch((error: unknown) => {
    // A development start has no worker file; everything works then, but only with a network.
    console.warn("The service worker was not installed:", error);
  });
}

/** Asks the browser to wake the worker when there is a network again; one that cannot sends while the sheet is open. */
export async function wakeFor(tag: string): Promise<void> {
  if (!("serviceWorker" in navigator)) return;
  const registration = (await navigator.serviceWorker.ready) as ServiceWorkerRegistration & {
    readonly sync?: { register(tag: string): Promise<void> };
  };
  try {
    await registration.sync?.register(tag);
  } catch (error) {
    // Refused by a setting of the browser: the sheet sends by itself.
    if (!(error instanceof DOMException)) throw error;
  }
}

/**
 * Asks the browser to keep what lies here when its space runs out.
 *
 * @returns Whether it does; null where the browser has no such promise.
 */
export async function keepForGood(): Promise<boolean | null> {
  if (!navigator.storage?.persist) return null;
  return (await navigator.storage.persisted()) || navigator.storage.persist();
}
