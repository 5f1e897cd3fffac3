const BETWEEN_MS = 400;

/**
 * An answer that goes on: what `look` finds, as often as it has changed, until it says that it is over or nobody listens.
 *
 * The first look is taken before anything is answered, so that a refusal is one.
 *
 * @param look What there is to tell, and whether it is the last of it.
 */
export async function eventStream(
  request: Request,
  look: () => Promise<{ readonly tell: object; readonly over: boolean }>,
): Promise<Response> {
  const first = await look();
  const bytes = new TextEncoder();
  const lines = (async function* () {
    let told = "";
    for (let found = first; ; found = await look()) {
      const now = JSON.stringify(found.tell);
      if (now !== told) yield bytes.encode(`data: ${now}\n\n`);
      told = now;
      if (found.over || request.signal.aborted) return;
      await new Promise((resolve) => setTimeout(resolve, BETWEEN_MS));
    }
  })();
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { value, done } = await lines.next();
      if (done) controller.close();
      else controller.enqueue(value);
    },
    async cancel() {
      await lines.return(undefined);
    },
  });
  return new Response(body, {
    headers: {
      "content-type": "text/event-stream; charset=utf-8",
      "cache-control": "no-store, no-transform",
      // A proxy in front passes each line on as it comes.
      "x-accel-buffering": "no",
    },
  });
}
