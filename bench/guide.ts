import { loadScale, SCALE_LOGIN } from "../tools/seed/scale.ts";
import { deskPage } from "./browser.ts";
import { freshDatabase, spread, startServer } from "./lib.ts";

// The guide in a browser that is four times slower: a picture tapped until what follows from it stands there, beside the same tap
// on a plain button of the page.
const ROUNDS = 40;
const FRAME_MS = 1000 / 60;
const SLOWER = 4;

await freshDatabase();
const { tankIds } = await loadScale(9, 60, "guide");
await startServer();
const { browser, page } = await deskPage(`guide${SCALE_LOGIN.email}`, SCALE_LOGIN.password);
const session = await page.context().newCDPSession(page);
await page.goto(`/tanks/${tankIds[0]}/wrong`);
await page.locator("[data-look]").first().waitFor();
await session.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });

const times = (await page.evaluate(`(async () => {
  const looks = [...document.querySelectorAll("[data-look]")];
  const plain = document.createElement("button");
  document.body.append(plain);
  const done = () => new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = resolve;
    port2.postMessage(null);
  });
  const tap = async (element) => {
    const began = performance.now();
    element.click();
    // What the tap itself brings is in the page once its event is over; laid out, so that the next frame shows it.
    await Promise.resolve();
    void document.body.offsetHeight;
    const took = performance.now() - began;
    await done();
    await new Promise(requestAnimationFrame);
    return took;
  };
  const [guide, other] = [[], []];
  for (let i = 0; i < ${ROUNDS}; i++) {
    const sides = [
      async () => guide.push(await tap(looks[i % looks.length])),
      async () => other.push(await tap(plain)),
    ];
    for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
  }
  return [guide, other];
})()`)) as [number[], number[]];
const [guide, plain] = times;
const late = guide.filter((ms) => ms > 2 * FRAME_MS).length;
console.log(
  `a tap in the guide ${spread(guide, 1)} ms, on a plain button ${spread(plain, 1)} ms, ${late} of ${guide.length} over two frames`,
);
await browser.close();
process.exit(0);
