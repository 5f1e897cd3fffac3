import { v7 } from "uuid";

const USER_KEY = "keel-person";
const DEVICE_KEY = "keel-device";

/** Who uses this device now; the store is theirs alone, also on a shared phone. */
export function currentPerson(): string | null {
  return localStorage.getItem(USER_KEY);
}

export function setCurrentPerson(personId: string | null): void {
  if (personId) localStorage.setItem(USER_KEY, personId);
  else localStorage.removeItem(USER_KEY);
}

/** The name of this device in the log. */
export function deviceName(): string {
  const known = localStorage.getItem(DEVICE_KEY);
  if (known) return known;
  const made = v7();
  localStorage.setItem(DEVICE_KEY, made);
  return made;
}
