import { currentPerson, setCurrentPerson, storeOf } from "./store";

/** How many entries wait on this device to go up. */
export async function pendingCount(): Promise<number> {
  const personId = currentPerson();
  return personId ? storeOf(personId).ops.where("status").equals("kept").count() : 0;
}

/** After a sign-out: the day's visits leave the device, the queue stays for its owner, the shell is fetched anew. */
export async function forgetDevice(): Promise<void> {
  const personId = currentPerson();
  if (personId && (await pendingCount()) === 0) await storeOf(personId).delete();
  setCurrentPerson(null);
  if ("caches" in window) for (const key of await caches.keys()) await caches.delete(key);
  if ("serviceWorker" in navigator)
    for (const registration of await navigator.serviceWorker.getRegistrations()) await registration.unregister();
}
