import { checkAll } from "./axe";
import { expect, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 }, firm: "clocks" });

test("the load of a day is on the phone without a network: summed, ticked, and checked back in", async ({
  as,
  page,
  context,
}) => {
  await as("Ines");
  await page.goto("/round");
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.goto("/day");
  const load = page.locator("[data-load]");
  await expect(load).toBeVisible();
  await context.setOffline(true);
  await page.reload();
  await expect(load.getByRole("heading", { name: "From the barrels" })).toBeVisible();
  await expect(load.getByRole("heading", { name: "Weighed out, a bag for each place" })).toBeVisible();
  const first = load.locator("[data-tick]").first();
  await first.click();
  await expect(load.getByRole("button", { name: /^Load 1 of/ })).toBeVisible();
  await checkAll(page, "the load");
  await page.reload();
  await expect(first).toHaveAttribute("aria-checked", "true");
  await load.getByRole("button", { name: /^Back in 0 of/ }).click();
  const stayed = load.getByLabel(/ stayed at$/).first();
  await stayed.selectOption({ index: 1 });
  await expect(load.locator("[data-stayed]")).toContainText("Not back:");
  await checkAll(page, "back in");
});
