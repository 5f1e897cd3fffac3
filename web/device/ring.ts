import { ask } from "./ask";

/** A clock as the server is told of it. */
interface EndingClock {
  readonly id: string;
  readonly label: string;
  readonly tank: string;
  readonly visitId: string;
  readonly startedAt: number;
  readonly minutes: number;
}

const json = (method: string, body: object): RequestInit => ({
  method,
  headers: { "content-type": "application/json" },
  body: JSON.stringify(body),
});

/**
 * Has this browser rung when a clock ends, also with the sheet closed, where there is a network and the person allows it.
 * The clock of the sheet does not depend on it: whatever is in the way, it rings there.
 */
export async function ringAlso(clock: EndingClock): Promise<void> {
  if (!(await subscribed())) return;
  const { id, label, tank, visitId, startedAt, minutes } = clock;
  const endsAt = new Date(startedAt + minutes * 60_000).toISOString();
  await ask("/api/rings", json("POST", { id, label, tank, visitId, endsAt }));
}

/** A clock was stopped: nobody is rung for it. */
export async function ringNoMore(id: string): Promise<void> {
  if (await browserSubscription()) await ask("/api/rings", json("DELETE", { id }));
}

async function browserSubscription(): Promise<PushSubscription | null> {
  if (!("serviceWorker" in navigator) || !("PushManager" in globalThis)) return null;
  const registration = await navigator.serviceWorker.getRegistration();
  return (await registration?.pushManager.getSubscription()) ?? null;
}

/** Whether this browser can be rung: it has said so to the server, now or before. */
async function subscribed(): Promise<boolean> {
  if (!("serviceWorker" in navigator) || !("PushManager" in globalThis) || !("Notification" in globalThis))
    return false;
  if (await browserSubscription()) return true;
  const answer = await ask("/api/push");
  const key = typeof answer === "string" ? null : answer.body.key;
  if (typeof key !== "string" || (await Notification.requestPermission()) !== "granted") return false;
  const registration = await navigator.serviceWorker.getRegistration();
  if (!registration) return false;
  try {
    const made = await registration.pushManager.subscribe({ userVisibleOnly: true, applicationServerKey: key });
    const { endpoint, keys } = made.toJSON();
    const told = await ask("/api/push", json("POST", { endpoint, keys }));
    return typeof told !== "string" && told.status === 200;
  } catch (error) {
    // The browser's own service is away, or is switched off.
    if (!(error instanceof DOMException)) throw error;
    return false;
  }
}
