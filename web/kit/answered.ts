export const NO_ANSWER = "no-answer";

/** An action that was not done, in the form every action says so. */
export interface NoAnswer {
  readonly ok: false;
  readonly code: typeof NO_ANSWER;
  readonly message: string;
  readonly fields: Readonly<Record<string, string[]>>;
}

/** What the server answered; a server in trouble or a network that is gone is an answer too: nobody knows whether it was done. */
export async function answered<T>(asked: Promise<T>): Promise<T | NoAnswer> {
  try {
    return await asked;
  } catch {
    const message = "The server did not answer. What is shown is what it holds; look before you do it once more.";
    return { ok: false, code: NO_ANSWER, message, fields: {} };
  }
}
