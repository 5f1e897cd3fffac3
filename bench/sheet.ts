import { type CDPSession, chromium, type Page } from "@playwright/test";
import { loadDemo } from "../tools/seed/load.ts";
import logins from "../tools/seed/logins.json" with { type: "json" };
import { freshDatabase, median, spread, startServer } from "./lib.ts";

// The visit sheet on a phone whose processor is six times slower than this one: from a press to the paint that shows what it
// did, for a tick and for a reading that makes the plan anew; and until the sheet can be worked with, beside the bare shell.
const ROUNDS = 24;
/** Pages that load differ more from one another than presses do. */
const LOADS = 48;
const SLOWER = 6;

await freshDatabase();
await loadDemo(new Date());
const stopServer = await startServer();
const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu"],
});
const context = await browser.newContext({
  baseURL: "http://localhost:4699",
  viewport: { width: 390, height: 844 },
  // What is measured is the page, not what a worker has kept of it.
  serviceWorkers: "block",
});
const login = logins.logins[0];
await context.request.post("/api/auth/sign-in/email", {
  data: { email: login?.email, password: login?.password },
  headers: { origin: "http://localhost:4699" },
});
const page = await context.newPage();
page.setDefaultTimeout(30_000);
await page.addInitScript(() => localStorage.setItem("keel-pace", "phases"));
await page.goto("/round");
await page.locator('[data-kept="true"]').waitFor();
await page.locator("[data-row]").first().click();
await page.waitForURL("**/stops/**");
const href =
  (await page
    .getByRole("link", { name: /Start the visit/ })
    .first()
    .getAttribute("href")) ?? "";
await page.goto(href);
const start = page.getByRole("button", { name: "Start", exact: true });
await start.or(page.locator("[data-progress]")).first().waitFor();
if (await start.isVisible()) await start.click();
await page.locator("[data-progress]").waitFor();
// A part with several steps: one tick does not end it.
await page.locator('[data-key="tick"]').click({ delay: 400 });
const box = '[data-step="look"] [role="checkbox"]';
await page.locator(box).waitFor();
const sheet = page.url();
const throttle: CDPSession = await context.newCDPSession(page);
await throttle.send("Emulation.setCPUThrottlingRate", { rate: SLOWER });

/** From the press of what is found to the paint after something shows, ms, by the page's own clock. */
async function untilPainted(on: Page, press: string, shows: string): Promise<number> {
  return on.evaluate(
    ([pressed, shown]) =>
      new Promise<number>((resolve, reject) => {
        const target = document.querySelector<HTMLElement>(pressed);
        if (!target) return reject(new Error(`There is no ${pressed}`));
        const began = performance.now();
        setTimeout(() => reject(new Error(`${pressed} never showed ${shown}`)), 15_000);
        const look = () => {
          if (!document.querySelector(shown)) return;
          observer.disconnect();
          // The frame with the change is drawn when the next one begins.
          requestAnimationFrame(() => requestAnimationFrame(() => resolve(performance.now() - began)));
        };
        const observer = new MutationObserver(look);
        observer.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
        target.click();
        look();
      }),
    [press, shows] as const,
  );
}

const tick: number[] = [];
const replan: number[] = [];
for (let i = 0; i < ROUNDS; i++) {
  const on = i % 2 === 0;
  tick.push(await untilPainted(page, box, `${box}[aria-checked="${on}"]`));
  await page.getByRole("tab", { name: "Measure" }).click();
  await page.getByLabel(/^What/).selectOption("nitrate");
  const value = `${40 + i}`;
  await page.getByLabel("Nitrate", { exact: true }).fill(value);
  await page.evaluate(() => {
    for (const b of document.querySelectorAll("button")) if (b.textContent === "Enter") b.dataset.press = "enter";
  });
  // A reading stands in its list once the plan was made with it: both are drawn from one state of the visit.
  replan.push(await untilPainted(page, '[data-press="enter"]', `[data-taken="${value}"]`));
  await page.getByRole("tab", { name: "Phase" }).click();
  await page.locator(box).waitFor();
}

/** Until the page under an address shows something, ms. */
async function ready(address: string, shows: string): Promise<number> {
  const began = performance.now();
  await page.goto(address, { waitUntil: "commit" });
  await page.locator(shows).first().waitFor();
  return performance.now() - began;
}
const [ours, shell]: [number[], number[]] = [[], []];
for (let i = 0; i < LOADS; i++) {
  // Each goes first in half of the rounds: whoever follows the other page pays for its leaving.
  const sides = [
    async () => shell.push(await ready("/visit", "h1:has-text('Not on this device')")),
    async () => ours.push(await ready(sheet, "[data-progress]")),
  ];
  for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
}
const ratios = ours.map((ms, i) => ms / (shell[i] ?? Number.NaN));
console.log(`a processor ${SLOWER} times slower, ${ROUNDS} rounds, middle (least to most)`);
console.log(`a tick, press to paint: ${spread(tick, 0)} ms (aim 100)`);
console.log(`a reading that makes the plan anew: ${spread(replan, 0)} ms (aim 200)`);
console.log(
  `the sheet ready: ${spread(ours, 0)} ms; the bare shell: ${spread(shell, 0)} ms; ${spread(ratios)} times (aim 1.5), ${(
    median(ours) / median(shell)
  ).toFixed(2)} of the middle ones`,
);
await browser.close();
stopServer();
process.exit(0);
