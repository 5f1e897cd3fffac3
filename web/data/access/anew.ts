import { Refused } from "./refused";
import type { Entered } from "./scope";

/** Minutes since somebody showed who they are: what is asked for before people, archives and exports of people. */
export const LATELY = 30;
/** As long as a long day of work: before door codes, which are needed with full hands at one door after the other. */
export const TODAY = 12 * 60;

/** What a page and its actions know a request for a new sign-in by. */
export const SIGN_IN_AGAIN = "sign-in-again";

/** Whether somebody showed who they are within so many minutes. */
export const isRecent = ({ signedInAt }: Pick<Entered, "signedInAt">, minutes: number, now = new Date()): boolean =>
  now.getTime() - signedInAt.getTime() < minutes * 60_000;

/** @throws a refusal where the last proof is older. */
export function requireRecent(entered: Entered, minutes: number): void {
  if (!isRecent(entered, minutes))
    throw new Refused(403, SIGN_IN_AGAIN, "Sign in once more: what you typed stays here.");
}
