import { doStep, expect, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 } });

test("a whole visit without a network, with a replan, a reload and a close; it arrives once", async ({
  as,
  page,
  context,
}) => {
  await as("Ines");
  await page.goto("/round");
  await expect(page.locator('[data-kept="true"]')).toBeVisible();
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    if (!navigator.serviceWorker.controller)
      await new Promise((resolve) =>
        navigator.serviceWorker.addEventListener("controllerchange", resolve, { once: true }),
      );
  });

  await context.setOffline(true);
  // The round itself needs a network; what is kept stands in its place.
  await page.goto("/round");
  await expect(page.getByRole("heading", { name: "Kept on this device" })).toBeVisible();
  await page.getByRole("link", { name: /Town Museum/ }).click();
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-sync", "offline");

  let steps = 0;
  while (await page.locator('[data-key="tick"]').isVisible()) {
    const title = (await page.getByRole("heading", { level: 2 }).first().textContent()) ?? "";
    if (title === "Measure temperature") {
      // Warm water: the plan brings the new water down.
      await page.getByLabel("Temperature", { exact: true }).fill("23.4");
    }
    if (title === "Measure salinity") {
      await page.getByLabel("Salinity", { exact: true }).fill("30.2");
      await page.getByRole("button", { name: "Enter", exact: true }).click();
      await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(1);
    }
    await doStep(page);
    steps += 1;
    if (steps === 8) {
      const progress = await page.locator("[data-progress]").textContent();
      await page.reload();
      await expect(page.locator("[data-progress]")).toHaveText(progress ?? "");
    }
  }
  await page.getByRole("button", { name: "Hold to close" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Closed" })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("heading", { name: "Closed" })).toBeVisible();
  const kept = Number(await page.locator("[data-sync]").getAttribute("data-waiting"));
  expect(kept).toBeGreaterThan(25);

  await context.setOffline(false);
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-sync", "online");
  const visitId = new URL(page.url()).searchParams.get("visit");
  const { bundle } = (await (await context.request.get(`/api/visits/${visitId}`)).json()) as {
    bundle: { ops: { opId: string; seq: number; body: { type: string } }[] };
  };
  expect(bundle.ops).toHaveLength(kept);
  expect(new Set(bundle.ops.map((o) => o.opId)).size).toBe(kept);
  expect(bundle.ops.map((o) => o.seq)).toEqual(bundle.ops.map((_, i) => i + 1));
  // The plan was made anew on the device and went up with the log.
  expect(bundle.ops.filter((o) => o.body.type === "plan").length).toBeGreaterThan(2);
  expect(bundle.ops.filter((o) => o.body.type === "close")).toHaveLength(1);
});

test("after a sign-out nothing of the day is left on the device", async ({ as, page, context }) => {
  await as("Ines", { fresh: true });
  await page.goto("/round");
  await expect(page.locator('[data-kept="true"]')).toBeVisible();
  await page.goto("/me");
  await page.getByRole("button", { name: "Sign out" }).click();
  await page.waitForURL("**/sign-in");
  expect(await page.evaluate(async () => (await indexedDB.databases()).map((d) => d.name))).toEqual([]);
  expect(await page.evaluate(() => localStorage.getItem("keel-person"))).toBeNull();
  // What a worker fetches anew for whoever signs in next is the shell alone: its files, and the page that stands for all.
  const kept = await page.evaluate(async () => {
    const caught: { path: string; text: string }[] = [];
    for (const key of await caches.keys()) {
      const cache = await caches.open(key);
      for (const request of await cache.keys())
        caught.push({
          path: new URL(request.url).pathname,
          text: (await (await cache.match(request))?.text()) ?? "",
        });
    }
    return caught;
  });
  const shell = /^\/(day|visit|_next\/static\/.*|fonts\/.*|[\w.-]+\.(svg|png|ico|webmanifest|js))$/;
  expect(kept.filter((k) => !shell.test(k.path) || /Ines|Maritime/.test(k.text)).map((k) => k.path)).toEqual([]);
  expect(context.pages()).toHaveLength(1);
});
