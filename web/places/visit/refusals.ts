import type { SwitchGear } from "@keel-round/core/tank";
import { gearName } from "@keel-round/core/tank";
import type { Refusal } from "@keel-round/core/visit";

const list = (items: readonly string[]) => items.join(", ");

/** Why an entry is refused, as a sentence to stand beside it. */
export function refusalSentence(refusal: {
  readonly code: string;
  readonly items?: readonly string[];
  readonly limit?: number;
  readonly field?: string;
}): string {
  const items = refusal.items ?? [];
  switch (
    refusal.code as
      | Refusal["code"]
      | "plan-too-large"
      | "payload-differs"
      | "sequence-used"
      | "malformed"
      | "unstorable"
      | "not-found"
      | "too-large"
      | "too-late"
      | "not-author"
  ) {
    case "already-closed":
      return "This visit is closed already. A correction can still be added as a note or a reading.";
    case "not-started":
      return "Start the visit first.";
    case "bad-reading":
      return `${items[0] ?? "The reading"} cannot be that. Check the figure and its unit.`;
    case "more-than-tank":
      return `There are only ${Math.round(refusal.limit ?? 0)} L in this tank. Check the litres.`;
    case "below-floor":
      return `That would be under the floor: the water is ${Math.round(refusal.limit ?? 0)} cm deep.`;
    case "dose-impossible":
      return `So much of ${items[0] ?? "it"} would raise it past anything a tank can hold. Check the amount.`;
    case "gear-still-off":
      return `Still off: ${list(items.map((g) => gearName(g as SwitchGear)))}. Switch it on, or say why it stays off.`;
    case "finding-still-open":
      return `Still open: ${list(items)}. Fixed, put off to a day, or for the owner?`;
    case "third-slip":
      return `Left out for the third time: ${list(items)}. Decide at the step what becomes of it.`;
    case "unknown-reading":
      return "That reading was taken back already.";
    case "unknown-note":
      return "That note was taken back already.";
    case "unknown-finding":
      return "That note was deleted already, or is of an earlier visit: say what became of it.";
    case "unknown-trouble":
      return "That trouble was taken back already.";
    case "unknown-course":
      return "That treatment was taken back already.";
    case "must-not-treat":
      return items.join(" ");
    case "unknown-photo":
      return "That picture was taken back already.";
    case "unknown-count":
      return "That count was taken back already.";
    case "not-closed":
      return "This visit is not closed: enter it at its step.";
    case "not-author":
      return "Somebody else made this visit: they correct it, or the office or the lead does.";
    case "too-late":
      return "The letter is sent and seven days are over: the office or the lead corrects it now.";
    case "salt-questioned":
      return "That batch is far off this salt's figure. Confirm it, or weigh again.";
    case "malformed":
      return `An entry was not understood${items[0] ? `: ${items[0]}` : "."}`;
    case "unstorable":
      return "The server could not store this entry. It stays on this device, and the others went through: write it anew.";
    case "too-large":
      return "It is larger than the server takes. It stays on this device: write it shorter, and again.";
    case "plan-too-large":
      return "The plan was too long to keep.";
    case "payload-differs":
    case "sequence-used":
      return "The server already has another entry at this place. Tell the office.";
    case "not-found":
      return "This visit belongs to somebody else now.";
  }
}
