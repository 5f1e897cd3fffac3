import { currentPerson } from "./person";
import { storeOf } from "./store";

/** Opens the store of whoever is signed in on this device, before anybody asks for it. */
export function openStore(): void {
  const person = typeof window === "undefined" ? null : currentPerson();
  // One that cannot be opened tells whoever reads it.
  if (person)
    storeOf(person)
      .open()
      .catch(() => {});
}
