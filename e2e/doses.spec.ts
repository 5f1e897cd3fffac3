import { check } from "./axe";
import { expect, openStep, openStop, startVisit, test } from "./fixtures";

test.use({ firm: "clocks" });

const PHONE = { width: 390, height: 844 };

test("a dose is planned with its reason, logged as it went in, corrected in sight, and drawn", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/round");
  await openStop(page, "Ilves Dental");
  const doses = page.locator("[data-doses]");
  await expect(doses).toContainText("Buffer powder");
  await expect(doses).toContainText(/comes to 6\.\d\sdKH/);
  await check(page, "a planned stop with a dose");

  await page.setViewportSize(PHONE);
  await startVisit(page);
  await openStep(page, /^.*Dose [\d.]+ g of Buffer powder/);
  await expect(page.getByText(/measure first, the dose follows what it reads/)).toBeVisible();
  // What it reads decides what is dosed: higher than feared, and less goes in.
  const figure = page.locator("[data-figure]").first();
  const before = Number(await figure.textContent());
  await openStep(page, /Measure alkalinity/);
  await page.getByLabel("Alkalinity", { exact: true }).fill("7.4");
  await page.getByRole("button", { name: "Enter", exact: true }).click();
  await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(1);
  await page.getByRole("button", { name: "Take back" }).click();
  await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(0);
  await page.getByLabel("Alkalinity", { exact: true }).fill("6.2");
  await page.getByRole("button", { name: "Enter", exact: true }).click();
  await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(1);
  await openStep(page, /Dose [\d.]+ g of Buffer powder/);
  await expect(page.getByText(/measure first, the dose follows what it reads/)).toHaveCount(0);
  expect(Number(await figure.textContent())).not.toBe(before);
  await check(page, "the step of a dose");

  // Nothing is ticked before somebody says what went in.
  await page.locator('[data-key="tick"]').click();
  await expect(page.getByText("Enter what you counted, or tap the planned amount.")).toBeVisible();
  await page.getByLabel("Given, g", { exact: true }).fill("a spoon");
  await page.getByLabel("Given, g", { exact: true }).blur();
  await expect(page.getByText(/“a spoon” is not a number\. Enter g as a number/)).toBeVisible();
  await page.getByLabel("Given, g", { exact: true }).fill("14");
  await page.getByLabel("Given, g", { exact: true }).blur();
  await page.locator('[data-key="tick"]').click();
  await expect(page.getByRole("heading", { level: 2 }).first()).not.toContainText("Buffer powder");
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");

  // The record has it, and the tank's drawing.
  const visit = new URL(page.url()).searchParams.get("visit") ?? "";
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`/visits/${visit}`);
  await expect(page.getByText("14 g", { exact: true })).toBeVisible();
  await page.goto("/tanks?q=Ilves");
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await page.getByRole("link", { name: "Readings", exact: true }).click();
  await page.getByRole("link", { name: "Alkalinity", exact: true }).click();
  await expect(page.locator("[data-dose]")).toHaveCount(1);
});

test("a reading is entered from anywhere by key, questioned, corrected with both figures in sight", async ({
  as,
  page,
}) => {
  await as("Maud");
  await page.goto("/tanks?q=Town Museum");
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Town Museum");
  await page.keyboard.press("r");
  await page.waitForURL("**/tanks/readings?tank=*");
  await expect(page.getByRole("button", { name: "Save readings" })).toBeEnabled();
  await check(page, "entering readings");
  const salinity = page.locator('[data-entry="salinity"]');
  await expect(salinity.getByRole("combobox", { name: "Method of Salinity" })).toHaveText(/Salinity meter/);
  await salinity.getByRole("textbox").fill("26");
  await expect(salinity.locator("[data-odd]")).toContainText(/26\.0\sppt does not fit: about/);
  await page.getByRole("button", { name: "Save readings" }).click();
  await expect(page.getByText("1 reading saved.")).toBeVisible();
  await page.getByRole("link", { name: "See its readings, correct one" }).click();
  const row = page.getByRole("row", { name: /26 ppt/ });
  await row.getByRole("button", { name: /^Correct Salinity 26/ }).click();
  await row.getByRole("textbox", { name: "Salinity really was" }).fill("34.6");
  await row.getByRole("button", { name: "Save correction" }).click();
  await expect(row.getByText("Enter why it is corrected.")).toBeVisible();
  await row.getByRole("textbox", { name: "Why" }).fill("typed the temperature");
  await row.getByRole("button", { name: "Save correction" }).click();
  const corrected = page.locator("[data-corrected]");
  await expect(corrected).toContainText("Salinity was entered as 26 ppt; it really was 34.6 ppt.");
  await expect(corrected).toContainText("Maud Oyelaran: typed the temperature");
  await check(page, "corrected readings");
});

test("a kit is put into the register: its comparisons make an offset, and it is told where it is due", async ({
  as,
  page,
}) => {
  await as("Maud");
  await page.goto("/tanks/attention");
  await expect(page.locator('[data-kit="Ammonia drops"]')).toContainText("It expired on");
  await expect(page.locator('[data-kit="pH meter"]')).toContainText("It was last calibrated on");
  await page.getByRole("link", { name: "pH meter" }).click();
  await page.waitForURL("**/desk/kit/*");
  const today = await page.evaluate(() => new Date().toLocaleDateString("sv"));
  await page.getByLabel("Last calibrated").fill(today);
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText(/^Saved/).first()).toBeVisible();
  await page.goto("/tanks/attention");
  await expect(page.locator('[data-kit="pH meter"]')).toHaveCount(0);

  await page.goto("/desk/kit/new");
  await page.getByLabel("Name", { exact: true }).fill("Calcium drops");
  await page.getByLabel("Measures").selectOption("Calcium");
  await page.getByLabel("Method", { exact: true }).selectOption("meter");
  await page.getByRole("button", { name: "Make this kit or instrument" }).click();
  await expect(page.locator("#method-error")).toContainText("Choose a method for Calcium: liquid kit");
  await page.getByLabel("Method", { exact: true }).selectOption("liquid kit");
  await page.getByRole("button", { name: "Make this kit or instrument" }).click();
  await page.waitForURL("**/desk/kit/*-*");
  await page.goto("/tanks?q=Ilves");
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await page.keyboard.press("r");
  await expect(page.locator('[data-entry="calcium"]').getByRole("combobox", { name: "Method of Calcium" })).toHaveText(
    /Calcium drops/,
  );
});
