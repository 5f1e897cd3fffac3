import { connect } from "node:net";

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** Uploads that are cut in their middle, or begun and never gone on with, one after another until told to stop. */
export async function badUploads(
  port: number,
  cookie: () => string,
  random: () => number,
  goesOn: () => boolean,
): Promise<{ cut: number; stalled: number }> {
  const done = { cut: 0, stalled: 0 };
  const open: ReturnType<typeof connect>[] = [];
  while (goesOn()) {
    const path = random() < 0.5 ? "/api/import/reading?name=a.csv" : "/api/archive?name=a.json";
    const socket = connect(port, "127.0.0.1");
    // What becomes of it is the server's to bear.
    socket.on("error", () => undefined);
    socket.write(
      `POST ${path} HTTP/1.1\r\nhost: 127.0.0.1:${port}\r\norigin: http://127.0.0.1:${port}\r\ncookie: ${cookie()}\r\ncontent-type: text/csv\r\ncontent-length: 5000000\r\n\r\nTank,Day\r\n`,
    );
    if (random() < 0.7) {
      await wait(50 + 200 * random());
      socket.destroy();
      done.cut++;
    } else {
      open.push(socket);
      done.stalled++;
    }
    await wait(400 + 600 * random());
  }
  for (const socket of open) socket.destroy();
  return done;
}
