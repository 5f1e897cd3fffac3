import { check } from "./axe";
import { expect, test } from "./fixtures";

test("what has to be seen to over all tanks: the most urgent first, its test put onto the next visit with one press", async ({
  as,
}) => {
  const page = await as("Maud");
  await page.goto("/tanks");
  await page.getByRole("link", { name: "Attention", exact: true }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/Attention/);
  await expect(page.locator("[data-attention]").first()).toContainText("now");
  const landing = page.locator('[data-tank="Landing"]', { hasText: "Total ammonia" });
  await expect(landing).toContainText("above its limit of 0.50");
  await expect(landing).toContainText("Open its plan: it says how to put this right.");
  await check(page, "attention");

  await landing.getByRole("button", { name: /^Test it on/ }).click();
  await expect(landing).toContainText(/Test planned for \w{3} \d+ \w{3}/);
  await expect(landing.getByRole("button", { name: /^Test it on/ })).toHaveCount(0);

  // One kind of thing, kept in the address.
  await page.getByRole("link", { name: /^Limits ahead \d+$/ }).click();
  await page.waitForURL(/show=edges/);
  await expect(page.locator('[data-attention="condition"]')).toHaveCount(0);
  await expect(page.locator('[data-attention="crosses"]').first()).toContainText(/ reaches .*, about \d+ \w+/);
  await page.getByRole("link", { name: /^Readings that do not fit \d+$/ }).click();
  await page.waitForURL(/show=odd/);
  await page.goto("/tanks/attention?show=nonsense&page=-4");
  await expect(page.locator("[data-attention]").first()).toBeVisible();
});

test("a technician finds it on the phone, without a sideways scroll; an owner of tanks does not", async ({
  as,
  browser,
  baseURL,
}) => {
  const page = await as("Ines");
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/tanks/attention");
  await expect(page.locator("[data-attention]").first()).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await check(page, "attention on a phone");

  const owner = await as("owner", { page: await (await browser.newContext(baseURL ? { baseURL } : {})).newPage() });
  await owner.goto("/tanks");
  await expect(owner.getByRole("link", { name: "Attention", exact: true })).toHaveCount(0);
  const answer = await owner.goto("/tanks/attention");
  expect(answer?.status()).toBeGreaterThanOrEqual(400);
});

test("one figure over all tanks of a kind, the odd ones first; from a tank's own readings, and to another's", async ({
  as,
}) => {
  const page = await as("Maud");
  await page.goto("/tanks/beside?kind=nonsense&of=nothing");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Nitrate");
  const tanks = page.getByRole("region", { name: "The same figure of all tanks" }).getByRole("link");
  expect(await tanks.count()).toBeGreaterThan(1);
  await check(page, "one figure over all tanks");
  await page.getByLabel("Figure", { exact: true }).selectOption({ label: "pH" });
  await page.getByRole("button", { name: "Show" }).click();
  await page.waitForURL(/of=ph/);
  await expect(page.getByRole("heading", { level: 1 })).toContainText("pH");
  await tanks.first().click();
  await page.waitForURL(/tab=readings&of=ph/);
  await page.getByRole("link", { name: "pH of all tanks like this" }).click();
  await page.waitForURL(/beside\?kind=\w+.*&of=ph/);
  await expect(tanks.first()).toBeVisible();
});
