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
