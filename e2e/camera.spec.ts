import { check } from "./axe";
import { expect, openStep, openStop, startVisit, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 }, firm: "sheet" });

test("a picture is taken off line over the last one, survives a kill, and arrives once", async ({
  as,
  page,
  context,
}) => {
  await as("Ines");
  await page.goto("/round");
  await openStop(page, "Ilves Dental");
  const tank = await page.getByRole("heading", { level: 2 }).first().getByRole("link").getAttribute("href");
  const stop = page.url();
  const pictures = page.locator('main img[src^="/api/photos/"]');
  await page.goto(`${tank}?tab=photos`);
  await expect(page.getByRole("button", { name: /picture/i }).first()).toBeVisible();
  const before = await pictures.count();
  await page.goto(stop);
  await startVisit(page);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));

  // The first one goes up at once, and is the ghost of the next.
  await page.getByRole("tab", { name: /Notes/ }).click();
  const spot = page.locator('[data-photos="tank"]');
  await spot.getByRole("button", { name: /^Picture of/ }).click();
  await check(page, "the camera");
  await page.getByRole("button", { name: "Take it" }).click();
  await expect(spot.locator('[data-photo="sent"]')).toHaveCount(1);

  await context.setOffline(true);
  await spot.getByRole("button", { name: /^Picture of/ }).click();
  await expect(page.locator("[data-ghost]")).toBeVisible();
  await page.getByRole("button", { name: "Without the last" }).click();
  await expect(page.locator("[data-ghost]")).toHaveCount(0);
  await page.getByRole("button", { name: "Take it" }).click();
  await expect(spot.locator('[data-photo="kept"]')).toHaveCount(1);
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-sync", "offline");

  // The browser is gone and comes back: the picture is still there, and one of the step beside it.
  await page.reload();
  await openStep(page, /inside|glass|panes/i);
  await page.getByText("Why", { exact: true }).click();
  await page
    .getByLabel("From this phone: this work")
    .setInputFiles({ name: "no picture.jpg", mimeType: "image/jpeg", buffer: Buffer.from("not a picture") });
  await expect(page.getByText("no picture.jpg cannot be opened as a picture here.")).toBeVisible();
  await page.getByRole("tab", { name: /Notes/ }).click();
  await expect(spot.locator('[data-photo="kept"]')).toHaveCount(1);
  await check(page, "pictures that wait");

  await context.setOffline(false);
  await expect(spot.locator('[data-photo="sent"]')).toHaveCount(2);
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");
  await spot
    .getByRole("button", { name: /^Delete the picture/ })
    .first()
    .click();
  await expect(spot.locator("[data-photo]")).toHaveCount(1);
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");

  // At the desk there is the one that stayed.
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${tank}?tab=photos`);
  await expect(pictures).toHaveCount(before + 1);
});

test("with the sheet closed the browser wakes a worker, and the picture goes up once", async ({
  as,
  page,
  context,
  baseURL,
}) => {
  await as("Ines");
  await page.goto("/round");
  await openStop(page, "Ferry Street School");
  const tank = await page.getByRole("heading", { level: 2 }).first().getByRole("link").getAttribute("href");
  /** Looked at without opening a page of ours: what arrives while none is open, only the worker can have sent. */
  const there = async () => {
    const html = await (await context.request.get(`${tank}?tab=photos`)).text();
    return new Set(html.match(/\/api\/photos\/[0-9a-f-]{36}/g)).size;
  };
  const stored = await there();
  await startVisit(page);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await context.setOffline(true);
  await page.getByRole("tab", { name: /Notes/ }).click();
  const spot = page.locator('[data-photos="tank"]');
  await spot.getByRole("button", { name: /^Picture of/ }).click();
  await page.getByRole("button", { name: "Take it" }).click();
  await expect(spot.locator('[data-photo="kept"]')).toHaveCount(1);

  // The sheet is gone before there is a network again: only the worker can send.
  await page.goto("about:blank");
  await context.setOffline(false);
  const browser = await context.newCDPSession(page);
  const found = new Promise<string>((resolve) =>
    browser.on("ServiceWorker.workerRegistrationUpdated", ({ registrations }) => {
      const ours = registrations.find((r) => r.scopeURL.startsWith(baseURL ?? "") && !r.isDeleted);
      if (ours) resolve(ours.registrationId);
    }),
  );
  await browser.send("ServiceWorker.enable");
  const registrationId = await found;
  const wake = () =>
    browser.send("ServiceWorker.dispatchSyncEvent", {
      ...{ origin: baseURL ?? "", registrationId, tag: "keel-photos", lastChance: false },
    });
  await wake();
  await wake();
  await expect.poll(there).toBe(stored + 1);
});
