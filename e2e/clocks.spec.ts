import { check } from "./axe";
import { expect, openDrain, openStop, startVisit, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 }, firm: "clocks" });

test("a clock runs off line, through a reload, and says when it ended", async ({ as, page, context }) => {
  await page.clock.install();
  await as("Ines");
  await page.goto("/round");
  await openStop(page, "Maritime College");
  await startVisit(page);
  await openDrain(page);
  await expect(page.getByText(/A phone that sleeps cannot ring/)).toBeVisible();
  await page.getByRole("button", { name: /^Start the clock/ }).click();
  const timer = page.locator("[data-clocks]").getByRole("timer");
  await expect(timer).toHaveText(/^\d+:\d\d$/);
  const [minutes = 0, seconds = 0] = ((await timer.textContent()) ?? "").split(":").map(Number);
  await page.clock.runFor(30_000);
  const left = minutes * 60 + seconds - 30;
  await expect(timer).toHaveText(`${Math.floor(left / 60)}:${String(left % 60).padStart(2, "0")}`);
  await check(page, "a clock that runs");
  // Away for long: the truth comes from the hour.
  await context.setOffline(true);
  await page.clock.fastForward((left + 190) * 1000);
  const over = page.locator("[data-clocks]").getByRole("alert");
  await expect(over).toHaveText("ended 3 minutes ago");
  await page.reload();
  await expect(page.locator("[data-clocks]")).toContainText("ended 3 minutes ago");
  await check(page, "a clock that has ended");
  await page.getByRole("button", { name: /^Stop the clock of/ }).click();
  await expect(page.locator("[data-clocks]")).toHaveCount(0);
  await context.setOffline(false);
});

test("with the sheet closed a clock rings the phone through the server; a stopped one does not", async ({
  as,
  page,
  application,
  playwright,
}) => {
  await as("Ines");
  const service = await playwright.request.newContext({ baseURL: application.push.url, ignoreHTTPSErrors: true });
  const browser = await (await service.post("/browsers")).json();
  // The browser's own service is a vendor's: the stand-in's browser takes its place, the rest is as it is.
  await page.addInitScript((subscription) => {
    let made = false;
    const own = { ...subscription, toJSON: () => subscription };
    Object.defineProperty(PushManager.prototype, "getSubscription", { value: async () => (made ? own : null) });
    Object.defineProperty(PushManager.prototype, "subscribe", {
      value: async () => {
        made = true;
        return own;
      },
    });
    Object.defineProperty(Notification, "requestPermission", { value: async () => "granted" });
  }, browser);
  await page.goto("/round");
  await openStop(page, "Lanehead Clinic");
  await startVisit(page);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await openDrain(page);
  // A drain of minutes, told to the server as one that ends now: only what is sent is made shorter.
  await page.route("**/api/rings", async (route) => {
    const body = route.request().postDataJSON() as { endsAt?: string };
    if (!body.endsAt) return route.continue();
    const soon = JSON.stringify({ ...body, endsAt: new Date(Date.now() + 500).toISOString() });
    return route.continue({ postData: soon });
  });
  const told = page.waitForResponse((r) => r.url().endsWith("/api/rings"));
  await page.getByRole("button", { name: /^Start the clock/ }).click();
  expect((await told).status()).toBe(200);
  const visit = new URL(page.url()).search;
  await page.goto("about:blank");
  await expect(async () => {
    const said = (await (await service.get(new URL(browser.endpoint).pathname.replace("ring", "browsers"))).json()) as {
      title: string;
      url: string;
    }[];
    expect(said).toMatchObject([{ title: expect.stringMatching(/: ended$/), url: `/visit${visit}` }]);
  }).toPass();
  await service.dispose();
});
