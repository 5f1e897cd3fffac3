import { civilOf } from "@keel-round/core/calendar";
import type { Scope } from "./scope";

/** The instant and the day of a request, in the business's zone. */
export function whenOf(scope: Pick<Scope, "zone">): { now: Date; today: string } {
  const now = new Date();
  return { now, today: civilOf(now.getTime(), scope.zone).date };
}
