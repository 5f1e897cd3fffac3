import { addDays } from "../calendar/civil.ts";
import { isSalt } from "../tank/index.ts";
import { type Action, type ActionCode, actionOf } from "./actions.ts";
import { harms, type TankLike } from "./harms.ts";
import { type Again, type TroubleCode, troubleOf } from "./troubles.ts";

/** Whether the tank has what an action is about. */
function fits({ gear, salt }: Action, { facts }: TankLike): boolean {
  return (!gear || gear.some((g) => facts.gear.includes(g))) && (!salt || isSalt(facts));
}

/** What is done about some troubles today, each thing once, in their order; nothing that would harm in this tank. */
export function todayFor(troubles: readonly TroubleCode[], input: TankLike): ActionCode[] {
  const wanted = troubles.flatMap((trouble) => troubleOf(trouble).today);
  return [...new Set(wanted)].filter((code) => {
    return fits(actionOf(code), input) && !troubles.some((trouble) => harms(code, trouble, input));
  });
}

/** The days on which a trouble that was seen on a day is looked at again, each with its window. */
export const lookAgainOn = (trouble: TroubleCode, on: string): (Again & { readonly on: string })[] =>
  troubleOf(trouble).again.map((again) => ({ ...again, on: addDays(on, again.days) }));
