/** Installs the service worker, which makes the visit sheet start without a network. */
export function registerWorker(): void {
  if (!("serviceWorker" in navigator)) return;
  navigator.serviceWorker.register("/sw.js", { scope: "/", updateViaCache: "none" }).catch((error: unknown) => {
    // A development start has no worker file; everything works then, but only with a network.
    console.warn("The service worker was not installed:", error);
  });
}
