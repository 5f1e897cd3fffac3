import { check } from "./axe";
import { expect, openStop, test } from "./fixtures";

test("the round opens on today, moves by key, and each stop leads to its plan", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/");
  const title = page.getByRole("heading", { level: 1 });
  const today = await title.textContent();
  await expect(page.getByRole("group", { name: /^The day:/ })).toBeVisible();
  await expect(page.getByText("Harrow & Pike").first()).toBeVisible();
  await page.keyboard.press("]");
  await expect(title).not.toHaveText(today ?? "");
  await page.keyboard.press("[");
  await expect(title).toHaveText(today ?? "");
  await page.keyboard.press("j");
  await expect(page.locator("[data-row]").first()).toBeFocused();

  await openStop(page, "Ilves Dental");
  await expect(page.getByText("Septic tank: never salt water")).toBeVisible();
  const steps = page.locator("[data-step]");
  expect(await steps.count()).toBeGreaterThan(20);
  // Any number opens its working, all of them with one key.
  await page.keyboard.press("w");
  await expect(page.getByText("Salt to weigh")).toBeVisible();
  await expect(page.getByText("Mass balance of a water change").first()).toBeVisible();
});

test("a day that does not fit the van says what would; a refill makes it fit and can be taken back", async ({
  as,
  page,
}) => {
  await as("Ines");
  await page.goto("/round");
  await expect(page.getByRole("button", { name: "find" })).toBeEnabled();
  const title = page.getByRole("heading", { level: 1 });
  for (let day = 0; day < 2; day++) {
    const before = await title.textContent();
    await page.keyboard.press("]");
    await expect(title).not.toHaveText(before ?? "");
  }
  await expect(page.getByText(/kg of water, and the van carries 440/)).toBeVisible();
  await page.getByRole("button", { name: "Refill there" }).click();
  await expect(page.getByText(/Refill at base after/)).toBeVisible();
  await expect(page.getByText(/kg of water, and the van carries 440/)).toBeHidden();
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(page.getByText(/kg of water, and the van carries 440/)).toBeVisible();
});

test("a day that does not exist, and one that is not laid out yet, say so", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/round?day=2026-02-30");
  await expect(page.getByText("There is no day “2026-02-30”.")).toBeVisible();
  await page.goto("/round?day=2040-01-02");
  await expect(page.getByText(/The round is laid out to/)).toBeVisible();
});

test("the office sees everybody's round", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/round");
  await page.getByLabel("Whose round").selectOption({ label: "Tobiah Renn" });
  await page.getByRole("button", { name: "Show" }).click();
  await expect(page.getByText(/^Tobiah Renn:/)).toBeVisible();
});

test("tomorrow is printed: each stop with whom to ring, how to get in, its litres and what to take; no button on paper", async ({
  as,
  page,
}) => {
  await as("Ines");
  await page.goto("/round");
  await page.getByRole("link", { name: "Print", exact: true }).click();
  await page.waitForURL("**/round/print**");
  const stop = page.locator('[data-stop="Lanehead Clinic"]');
  await expect(stop).toContainText("40 Lanehead");
  await expect(stop).toContainText("L");
  await expect(stop).toContainText("Take along:");
  await expect(page.getByText(/^Leave base at \d\d:\d\d, home at \d\d:\d\d\. Load \d+\sL of mix/)).toBeVisible();
  await check(page, "a day on paper");
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("button")).toHaveCount(0);
  await page.emulateMedia({ media: "screen" });
  expect((await page.goto("/round/print?day=2026-02-30"))?.status()).toBe(404);
});

test("the day stands on a map, each address to be copied or opened in a map's own program", async ({ as, page }) => {
  await as("Ines");
  // Tomorrow: what is left of today hangs on the hour.
  await page.goto("/round");
  await page.getByRole("link", { name: "Day after" }).click();
  await page.waitForURL("**/round?day=**");
  await page.getByText("Map of the day", { exact: true }).click();
  await expect(page.getByRole("img", { name: /^Map of the day: 1 .+/ })).toBeVisible();
  await expect(page.getByRole("link", { name: /^Open .+ in maps$/ }).first()).toHaveAttribute(
    "href",
    /^geo:5\d\.\d+,-4\.\d+\?q=/,
  );
  await expect(page.getByText(/^5\d\.\d{5}, -4\.\d{5}$/).first()).toBeVisible();
  await check(page, "a day with its map");
});
