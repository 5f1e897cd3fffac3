import { expect, openStop, test } from "./fixtures";

test("tanks are found, filtered and opened", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/tanks");
  // What matters comes first.
  await expect(page.locator("tbody tr").first()).toContainText("Off course");
  await page.getByRole("link", { name: /^Drifting \d/ }).click();
  await expect(page.locator("tbody tr").first()).toContainText("Drifting");
  await page.goto("/tanks");
  await page.getByRole("searchbox").fill("diner brackish");
  await page.keyboard.press("Enter");
  await expect(page.locator("tbody tr")).toHaveCount(1);
  await page.getByRole("link", { name: "Archerfish" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Archerfish, Kettle Diner");
  await expect(page.getByText("Drifting").first()).toBeVisible();
  await expect(page.getByRole("img", { name: /to scale/ })).toBeVisible();
  for (const tab of ["Readings", "Programme", "Animals", "History"]) {
    await page.getByRole("link", { name: tab, exact: true }).click();
    await expect(page.getByRole("link", { name: tab, exact: true })).toHaveAttribute("aria-current", "page");
  }
  await page.goto("/tanks?q=zzzz");
  await expect(page.getByText("No tank matches “zzzz”.")).toBeVisible();
});

test("removing a due task, a sump or a school visibly changes the list of steps", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/round");
  await openStop(page, "Ilves Dental");
  const stop = page.url();
  const ids = () => page.locator("[data-step]").evaluateAll((rows) => rows.map((r) => r.getAttribute("data-step")));
  const before = await ids();
  expect(before).toEqual(expect.arrayContaining(["siphon-start", "feed-after", "glass-inside"]));

  await page.getByRole("link", { name: "Reef", exact: true }).click();
  await page.getByRole("link", { name: "Settings" }).click();
  await page.getByLabel("Feeding").selectOption("before");
  await page.getByLabel("It has a sump").uncheck();
  await page.getByLabel(/Clean the glass inside/).uncheck();
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();

  await page.goto(stop);
  const after = await ids();
  expect(after).toContain("feed-before");
  for (const gone of ["siphon-start", "feed-after", "glass-inside"]) expect(after).not.toContain(gone);
  // Who changed what stands in the history.
  await page.getByRole("link", { name: "Reef", exact: true }).click();
  await page.getByRole("link", { name: "History" }).click();
  await expect(page.getByText("Ines Calder set feeding: after → before")).toBeVisible();
});

test("a stale edit says who changed what, and keeps what was typed", async ({ as, page, browser, baseURL }) => {
  await as("Ines");
  await page.goto("/tanks?q=Moon+drum");
  await page.getByRole("link", { name: "Moon drum" }).click();
  await page.getByRole("link", { name: "Settings" }).click();
  await page.waitForURL("**tab=settings");
  const address = page.url();
  const second = await browser.newPage({ baseURL: baseURL ?? "" });
  await as("Maud", { page: second });
  await second.goto(address);
  await second.getByLabel("Share of a change, %").fill("20");
  await second.getByRole("button", { name: "Save" }).click();
  await expect(second.getByText("Saved.")).toBeVisible();
  await second.close();

  await page.getByLabel("Share of a change, %").fill("22");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("Maud Oyelaran changed share after you opened it.")).toBeVisible();
  await expect(page.getByLabel("Share of a change, %")).toHaveValue("22");
});

test("settings that cannot be are refused beside the field", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/tanks?q=Seahorses");
  await page.getByRole("link", { name: "Seahorses" }).click();
  await page.getByRole("link", { name: "Settings" }).click();
  await page.getByLabel("Water stands above the floor, cm").fill("90");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("The water cannot stand above the glass, which is 65 cm high.")).toBeVisible();
  await page.getByLabel("Water stands above the floor, cm").fill("58");
  await page.getByLabel("How it is changed").selectOption("from-sump");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("A change from the sump needs a sump.")).toBeVisible();
  await page.getByLabel("How it is changed").selectOption("in-and-out");
  await page.getByLabel("Share of a change, %").fill("150");
  await page.getByRole("button", { name: "Save" }).click();
  await expect(page.getByText("A change cannot take more than the whole tank.").first()).toBeVisible();
});
