import { ZONE } from "../tools/seed/rows";
import { check } from "./axe";
import { doStep, expect, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 } });

test("a whole visit without a network, killed twice, with a replan and a close; it arrives once and is corrected", async ({
  as,
  page: first,
  context,
}) => {
  test.setTimeout(180_000);
  let page = first;
  /** The sheet is gone from the phone, and is opened again. */
  const kill = async () => {
    const address = page.url();
    await page.close({ runBeforeUnload: false });
    page = await context.newPage();
    await page.goto(address);
  };
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
  await expect(page.getByRole("heading", { name: "On this phone" })).toBeVisible();
  const here = page.locator("[data-today-here]");
  await expect(here).toContainText(/^Home at \d\d:\d\d/);
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
    if (steps === 8 || steps === 15) {
      const progress = await page.locator("[data-progress]").textContent();
      await kill();
      await expect(page.locator("[data-progress]")).toHaveText(progress ?? "");
    }
  }
  await page.getByRole("button", { name: "Close the visit" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Closed" })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("heading", { name: "Closed" })).toBeVisible();
  const kept = Number(await page.locator("[data-sync]").getAttribute("data-waiting"));
  expect(kept).toBeGreaterThan(25);

  // By the phone's own log the day moves: the stop stands at the time at which it was begun.
  const begun = await page.evaluate(
    ({ visit, zone }) =>
      new Promise<string>((resolve, reject) => {
        const open = indexedDB.open(`keel-${localStorage.getItem("keel-person")}`);
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const all = open.result.transaction("ops").objectStore("ops").getAll();
          all.onsuccess = () => {
            const start = all.result.find((o) => o.visitId === visit && o.body.type === "start");
            const time = { timeZone: zone, hour: "2-digit", minute: "2-digit" } as const;
            resolve(new Intl.DateTimeFormat("en-GB", time).format(new Date(start.at)));
          };
        };
      }),
    { visit: new URL(page.url()).searchParams.get("visit"), zone: ZONE },
  );
  const address = page.url();
  await page.goto("/round");
  await expect(page.getByRole("link", { name: /Town Museum/ })).toContainText(begun);
  await check(page, "a day on the phone, without a network");
  await page.goto(address);

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

  // At home the figure is seen to be wrong: it is put right, and both stand there.
  await page.goto(`/visits/${visitId}`);
  await page.getByRole("button", { name: "Correct Salinity" }).first().click();
  await page.getByLabel("Salinity really was").fill("30.4");
  await page.getByLabel(/^Why/).fill("read through a wet lens");
  await page.getByRole("button", { name: "Save correction" }).click();
  await expect(page.getByText(/was 30\.2 .*; corrected by Ines Calder: read through a wet lens/)).toBeVisible();
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
