import { isNotNull } from "drizzle-orm";
import { db } from "@/data/database/connection";
import { person } from "@/data/schema";
import { refreshDay } from "@/data/tanks/status";
import { loadScale, SCALE_LOGIN } from "../tools/seed/scale.ts";
import { deskPage } from "./browser.ts";
import { freshDatabase, spread, startServer, timed } from "./lib.ts";

// A tank's three years of readings in a browser: the page of a figure with its curve beside that of one without, and the
// handle of the curve moved.
const ROUNDS = 20;
const MOVES = 60;
const FRAME_MS = 1000 / 60;

await freshDatabase();
const { businessId, today, tankIds } = await loadScale(90, 156, "handle");
await refreshDay(businessId, today);
await db().update(person).set({ role: "lead" }).where(isNotNull(person.userId));
await startServer();
const { browser, page } = await deskPage(`handle${SCALE_LOGIN.email}`, SCALE_LOGIN.password);

/** Of the tanks one whose curve can be taken hold of. */
let curve = "";
for (const id of tankIds) {
  await page.goto(`/tanks/${id}?tab=readings&of=nitrate`);
  if ((await page.getByRole("slider", { name: "Share of a change" }).count()) === 0) continue;
  curve = `/tanks/${id}`;
  break;
}
if (!curve) throw new Error("No tank has a curve that can be dragged");

const ready = async (tab: string, of: string) =>
  timed(async () => {
    await page.goto(`${curve}?tab=${tab}`);
    await page.locator(of).first().waitFor();
  });
const [drawn, plain]: [number[], number[]] = [[], []];
for (let i = 0; i < ROUNDS; i++) {
  const sides = [
    async () => drawn.push(await ready("readings&of=nitrate", '[data-course="past"]')),
    async () => plain.push(await ready("readings&of=ph", "[data-sentences]")),
  ];
  for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
}
const times = drawn.map((d, i) => d / (plain[i] ?? 1));
console.log(
  `a sheet with its curve ${spread(drawn, 0)} ms, of a figure without one ${spread(plain, 0)} ms, ratio ${spread(times)}`,
);

await page.goto(`${curve}?tab=readings&of=nitrate`);
await page.getByRole("slider", { name: "Share of a change" }).waitFor();
const work: number[] = [];
for (let i = 0; i < ROUNDS; i++)
  work.push(
    ...((await page.evaluate(`(async () => {
      const handle = document.querySelector('[role="slider"][aria-label="Share of a change"]');
      const done = () => new Promise((resolve) => {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = resolve;
        port2.postMessage(null);
      });
      const work = [];
      for (let i = 0; i < ${MOVES}; i++) {
        const began = performance.now();
        handle.dispatchEvent(new KeyboardEvent("keydown", { key: i % 40 < 20 ? "ArrowDown" : "ArrowUp", bubbles: true }));
        await done();
        work.push(performance.now() - began);
        await new Promise(requestAnimationFrame);
      }
      return work;
    })()`)) as number[]),
  );
const late = work.filter((ms) => ms > FRAME_MS / 2).length / work.length;
console.log(
  `the handle moved ${work.length} times: ${spread(work, 1)} ms, ${(100 * late).toFixed(1)} % over half a frame`,
);
await browser.close();
process.exit(0);
