import { sayDay } from "@keel-round/core/calendar";
import { inSentence } from "@keel-round/core/text";
import type { LastTime } from "@keel-round/core/visit";

/** How dirty something was, from 1 to 5. */
export const DIRT = ["clean", "a little", "as expected", "dirty", "filthy"] as const;

/** What became of a step last time: "Last done on 15 November by Maud; it was dirty." */
export function lastTimeLine({ on, by, outcome, reason, dirt }: LastTime): string {
  const who = by ? ` by ${by}` : "";
  const day = sayDay(on);
  if (outcome === "skipped") return `Left out on ${day}${who}${reason ? `: ${inSentence(reason)}` : ""}.`;
  if (outcome === "decided") return `Decided on ${day}${who}${reason ? `: ${inSentence(reason)}` : ""}.`;
  const how = dirt === undefined ? "" : `; it was ${DIRT[dirt - 1]}`;
  return `Last done on ${day}${who}${how}.`;
}
