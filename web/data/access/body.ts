import { Refused } from "./refused";

/**
 * The bytes of a body, counted while they come and cut off where there are too many.
 *
 * @param what What is too large then, as the beginning of a sentence.
 * @throws a refusal for a body that is too large or was cut off.
 */
export async function readBytes(request: Request, most: number, what: string): Promise<Uint8Array> {
  const tooLarge = () =>
    new Refused(413, "too-large", `${what} may have ${most < 1_000_000 ? `${most} bytes` : `${most / 1_000_000} MB`}.`);
  if (Number(request.headers.get("content-length") ?? 0) > most) throw tooLarge();
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  try {
    for await (const chunk of request.body ?? []) {
      bytes += chunk.length;
      if (bytes > most) throw tooLarge();
      chunks.push(chunk);
    }
  } catch (error) {
    if (error instanceof Refused) throw error;
    throw new Refused(400, "cut-off", "What was sent was cut off. Nothing was kept.");
  }
  return Buffer.concat(chunks);
}
