import { civilOf } from "@keel-round/core/calendar";
import type { Scope } from "./scope";

/** The day and instant of a change. */
export interface When {
  readonly now: Date;
  readonly today: string;
}

/** The instant and the day of a request, in the business's zone. */
export function whenOf(scope: Pick<Scope, "zone">): When {
  const now = new Date();
  return { now, today: civilOf(now.getTime(), scope.zone).date };
}
