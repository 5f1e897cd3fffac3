import { currentPerson, setCurrentPerson } from "./person";
import { storeOf } from "./store";

/** How many entries and pictures wait on this device to go up. */
export async function pendingCount(): Promise<number> {
  const personId = currentPerson();
  if (!personId) return 0;
  const { ops, photos } = storeOf(personId);
  return (await ops.where("status").equals("kept").count()) + (await photos.where("status").equals("kept").count());
}

/** After a sign-out: the day's visits leave the device, the queue stays for its owner, the shell is fetched anew. */
export async function forgetDevice(): Promise<void> {
  const personId = currentPerson();
  if (personId && (await pendingCount()) === 0) await storeOf(personId).delete();
  setCurrentPerson(null);
  // The worker goes before its shell: one that is still being installed would fetch it again.
  if ("serviceWorker" in navigator)
    for (const registration of await navigator.serviceWorker.getRegistrations()) {
      const { installing } = registration;
      await registration.unregister();
      if (installing) await installed(installing);
    }
  if ("caches" in window) for (const key of await caches.keys()) await caches.delete(key);
}

/** Waits until a worker is not being installed any more, whatever became of it. */
function installed(worker: ServiceWorker): Promise<void> {
  return new Promise((resolve) => {
    const look = () => worker.state !== "installing" && resolve();
    worker.addEventListener("statechange", look);
    look();
  });
}

/** Signs out and goes to the sign-in; what is not on the server yet stays on the device. */
export async function signOut(): Promise<void> {
  await fetch("/api/auth/sign-out", { method: "POST", headers: { "content-type": "application/json" }, body: "{}" });
  await forgetDevice();
  window.location.assign("/sign-in");
}
