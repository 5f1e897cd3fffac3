export const NO_ANSWER = "no-answer";

/** An action that was not done, in the form every action says so. */
export interface NoAnswer {
  readonly ok: false;
  readonly code: typeof NO_ANSWER;
  readonly message: string;
  readonly fields: Readonly<Record<string, string[]>>;
}

/** Told to the page where the server wants to know once more who sits there. */
export const AGAIN_EVENT = "keel-sign-in-again";

/** Has the page ask who sits there, where that is why something was not done. */
export function askAgainIf(code: unknown): void {
  if (code === "sign-in-again") window.dispatchEvent(new Event(AGAIN_EVENT));
}

/** What the server answered; a server in trouble or a network that is gone is an answer too: nobody knows whether it was done. */
export async function answered<T>(asked: Promise<T>): Promise<T | NoAnswer> {
  try {
    const answer = await asked;
    if (typeof answer === "object" && answer !== null && "code" in answer) askAgainIf(answer.code);
    return answer;
  } catch {
    const message = "The server did not answer. What is shown is what it holds; look before you do it once more.";
    return { ok: false, code: NO_ANSWER, message, fields: {} };
  }
}
