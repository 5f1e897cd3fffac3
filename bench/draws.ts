import { chromium } from "@playwright/test";
import { loadDemo } from "../tools/seed/load.ts";
import logins from "../tools/seed/logins.json" with { type: "json" };
import { freshDatabase, spread, startServer } from "./lib.ts";

// Frames of the bench in a browser while the drain mark is moved, with the ten thousand draws at work in their worker and
// without, and how long they take there. A frame is dropped where twice its time went by.
const ROUNDS = 20;
const FRAME_MS = 1000 / 60;
const ADDRESS = "http://localhost:4699";

await freshDatabase();
await loadDemo(new Date());
const stopServer = await startServer();
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu"],
});
const page = await browser.newPage({ baseURL: ADDRESS, viewport: { width: 1280, height: 800 } });
const office = logins.logins.find((l) => l.role === "office");
await page.context().request.post(`${ADDRESS}/api/auth/sign-in/email`, {
  data: { email: office?.email, password: office?.password },
  headers: { origin: ADDRESS },
});
page.setDefaultTimeout(15_000);
await page.goto("/water");
await page.getByLabel("Tank", { exact: true }).selectOption({ label: "Reef, Ilves Dental" });
await page.getByRole("button", { name: "Work it out" }).click();
await page.waitForURL(/tank=/);
const draw = page.getByRole("button", { name: "Draw it 10 000 times" });
await draw.waitFor();

/** Looks at every frame for some time: how long each took, ms. As text, because the page has none of our build's helpers. */
const framesFor = (ms: number): Promise<number[]> =>
  page.evaluate(`new Promise((resolve) => {
    const frames = [];
    let last = performance.now();
    const end = last + ${ms};
    requestAnimationFrame(function look(now) {
      frames.push(now - last);
      last = now;
      if (now < end) requestAnimationFrame(look);
      else resolve(frames.slice(1));
    });
  })`);
const dropped = (frames: readonly number[]) => frames.filter((f) => f > 2 * FRAME_MS).length / frames.length;

const [idle, busy, took]: [number[], number[], number[]] = [[], [], []];
for (let i = 0; i < ROUNDS; i++) {
  const sides = [
    async () => idle.push(dropped(await framesFor(600))),
    async () => {
      const began = performance.now();
      const frames = framesFor(600);
      await draw.click();
      busy.push(dropped(await frames));
      await page.getByText(/^10.000 draws$/).waitFor();
      took.push(performance.now() - began);
      // Another mark makes what was drawn void, so that the next round begins anew.
      await page.getByRole("slider", { name: "Drain mark" }).press(i % 2 === 0 ? "ArrowDown" : "ArrowUp");
      await page.getByText(/^10.000 draws$/).waitFor({ state: "detached" });
    },
  ];
  for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
}
console.log(`${ROUNDS} rounds, parts of the frames that were dropped:`);
console.log(`  nothing drawn ${spread(idle, 3)}, ten thousand draws in their worker ${spread(busy, 3)}`);
console.log(`  from the click to the last of them ${spread(took, 0)} ms`);
await browser.close();
stopServer();
process.exit(0);
