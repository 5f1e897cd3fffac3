import { check } from "./axe";
import { expect, test } from "./fixtures";

test("the stores: what runs out first, a count that is taken back, a delivery, an order that is mailed and comes", async ({
  as,
  page,
  outbox,
}) => {
  await as("Maud");
  await page.goto("/stores");
  const rows = page.locator("[data-item]");
  await expect(rows.first()).toContainText("none left");
  await expect(page.getByRole("region", { name: "Barrels" })).toContainText(/Barrel 3Purified water240\sL of 250\sL/);
  await check(page, "the stores");

  await page.getByRole("link", { name: "Floss" }).click();
  await page.waitForURL("**/stores/*-*");
  const stock = page.locator('[data-stock=""]');
  await expect(stock).toHaveText("14 pieces");
  await check(page, "an item of the stores");
  await page.getByLabel("There is, pieces").fill("-1");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Nothing is the least there can be.").first()).toBeVisible();
  await page.getByLabel("There is, pieces").fill("12");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(stock).toHaveText("12 pieces");
  await page.getByRole("button", { name: "Take back: counted 12 pieces" }).click();
  await expect(stock).toHaveText("14 pieces");
  await expect(page.getByText("taken back")).toBeVisible();
  await page.getByRole("button", { name: "Delivery", exact: true }).click();
  await page.getByLabel("Came, pieces").fill("20");
  await page.getByLabel("Lot").fill("F 7");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(stock).toHaveText("34 pieces");

  await page.goto("/stores/orders");
  const harbour = page.getByRole("region", { name: "Harbour Trade" });
  await expect(harbour.locator('[data-proposed="Impeller, return pump"]')).toContainText("none left");
  await check(page, "orders");
  const csv = await page.request.get("/api/export/orders");
  expect(await csv.text()).toContain('Harbour Trade,"Impeller, return pump"');
  await harbour.getByLabel("Mail the order to").fill("no address");
  await harbour.getByRole("button", { name: "Order" }).click();
  await expect(harbour.getByRole("button", { name: "Order" })).toBeVisible();
  await harbour.getByLabel("Mail the order to").fill("orders@harbour-trade.example");
  await harbour.getByRole("button", { name: "Order" }).click();
  const underWay = page.getByRole("region", { name: "On its way" });
  await expect(underWay).toContainText("Impeller, return pump 1 piece");
  await expect
    .poll(async () => JSON.stringify(await (await page.request.get(outbox)).json()))
    .toContain("orders@harbour-trade.example");
  await underWay.getByRole("button", { name: "It came: Harbour Trade" }).click();
  await expect(page.getByRole("region", { name: "Earlier orders" })).toContainText("came on");
  await page.goto("/stores");
  await expect(page.locator('[data-item="Impeller, return pump"]')).toContainText("1 piece");
});

test("a technician counts the van from the phone, and an owner of tanks finds no stores", async ({ as, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await as("Ines");
  await page.goto("/stores");
  await page.getByRole("link", { name: "Filter socks" }).click();
  await page.waitForURL("**/stores/*-*");
  await page.getByLabel("Where").selectOption({ label: "Ines Calder’s van" });
  await page.getByLabel("There is, pieces").fill("9");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("9 pieces").first()).toBeVisible();
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  expect(wide).toBe(0);
  const context = page.context();
  await context.clearCookies();
  await as("owner");
  expect((await page.goto("/stores"))?.status()).toBe(404);
});
