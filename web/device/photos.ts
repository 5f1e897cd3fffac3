import type { PhotoSpot, VisitBundle } from "@keel-round/core/visit";
import { ask, type SyncState } from "./ask";
import type { DeviceStore, QueuedPhoto } from "./store";

/** What a worker is woken for, where the browser wakes one. */
export const PHOTO_TAG = "keel-photos";

/** A picture may take longer than an entry: it is a hundred times as large. */
const PATIENCE_MS = 90_000;
/** What no later try would change. */
const FINAL: readonly number[] = [400, 404, 410, 413, 415, 422];

/** Pictures of the same spot: the tank's place, a step's work, a finding, a group of animals. */
const spotKey = ({ kind, id }: PhotoSpot): string => `${kind} ${id}`;

/** Keeps a picture on the device until it has gone up. It is there before the log speaks of it. */
export async function keepPhoto(
  store: DeviceStore,
  { visitId, on, input }: VisitBundle,
  given: { readonly id: string; readonly spot: PhotoSpot; readonly file: Blob },
): Promise<void> {
  const bytes = await given.file.arrayBuffer();
  await store.photos.put({
    id: given.id,
    visitId,
    tankId: input.facts.id,
    on,
    spot: given.spot,
    bytes,
    status: "kept",
  });
}

/** Sends the pictures that are kept, one after the other; each is taken once by the server, however often it comes. */
export async function sendPhotos(store: DeviceStore, personId: string): Promise<SyncState> {
  let state: SyncState = "online";
  for (const photo of await store.photos.where("status").equals("kept").sortBy("id")) {
    const answer = await ask(
      `/api/tanks/${photo.tankId}/photos?${about(photo, personId)}`,
      sending(photo),
      PATIENCE_MS,
    );
    if (answer === "offline" || answer === "signed-out") return answer;
    if (answer === "trouble" || (answer.status !== 200 && !FINAL.includes(answer.status))) {
      state = "trouble";
      continue;
    }
    const code = answer.body.code;
    // Taken back meanwhile it is gone from here, and stays so.
    await store.photos.update(
      photo.id,
      answer.status === 200
        ? { status: "sent" as const }
        : { status: "refused" as const, code: typeof code === "string" ? code : "unknown" },
    );
  }
  return state;
}

const about = ({ id, visitId, spot, on }: QueuedPhoto, person: string): string =>
  new URLSearchParams({ id, visit: visitId, spot: spot.kind, spotId: spot.id, day: on, person }).toString();

const sending = ({ bytes }: QueuedPhoto): RequestInit => ({
  method: "POST",
  headers: { "content-type": "image/jpeg" },
  body: bytes,
});

/** Fetches the last picture of each spot, small, so that it can be laid over the next one without a network. */
export async function fetchGhosts(store: DeviceStore, bundles: readonly VisitBundle[]): Promise<void> {
  for (const { input, lastPhotos } of bundles)
    for (const { id, spot } of lastPhotos ?? []) {
      const key = `${input.facts.id} ${spotKey(spot)}`;
      if ((await store.ghosts.get(key))?.photoId === id) continue;
      try {
        const response = await fetch(`/api/photos/${id}?small`, { signal: AbortSignal.timeout(PATIENCE_MS) });
        if (!response.ok) continue;
        await store.ghosts.put({ key, photoId: id, bytes: await response.arrayBuffer() });
      } catch (error) {
        // No network, or the store was closed by a sign-out: there is no ghost then, and the picture is taken without.
        if (!(error instanceof Error)) throw error;
        return;
      }
    }
}

/** The last picture of a spot, as far as this device has it: of this visit before that of an earlier one. */
export async function ghostOf(
  store: DeviceStore,
  { visitId, input }: VisitBundle,
  spot: PhotoSpot,
): Promise<Blob | null> {
  const own = (await store.photos.where("visitId").equals(visitId).sortBy("id")).filter(
    (p) => spotKey(p.spot) === spotKey(spot),
  );
  const bytes = own.at(-1)?.bytes ?? (await store.ghosts.get(`${input.facts.id} ${spotKey(spot)}`))?.bytes;
  return bytes ? new Blob([bytes], { type: "image/jpeg" }) : null;
}
