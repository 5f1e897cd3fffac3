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
  await expect(page.getByRole("group", { name: /to scale/ })).toBeVisible();
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
  for (const side of [
    "Sump length",
    "Sump front to back",
    "Sump height",
    "Sump runs at",
    "Return runs dry below",
    "Return chamber length",
    "Last baffle's height",
  ])
    await page.getByLabel(side).fill("");
  await page.getByLabel("Weir above the display's floor").fill("");
  await page.getByLabel("Pipes and reactors hold").fill("");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("There is no sump. Choose another way, or describe the sump.").first()).toBeVisible();
  await page.getByLabel("Heater during a change").selectOption("off");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.getByRole("link", { name: "Programme" }).click();
  await page.getByRole("button", { name: "Clean the glass inside", exact: true }).click();
  await page.getByRole("button", { name: "Take it out of the programme" }).click();
  await expect(page.getByText("Saved. The next visit follows it.")).toBeVisible();

  await page.goto(stop);
  const after = await ids();
  expect(after).toContain("feed-before");
  for (const gone of ["siphon-start", "feed-after", "glass-inside"]) expect(after).not.toContain(gone);
  // Who changed what stands in the history.
  await page.getByRole("link", { name: "Reef", exact: true }).click();
  await page.getByRole("link", { name: "History" }).click();
  await expect(page.getByText(/^feeding: Sparingly after it.* → A little before the change/)).toBeVisible();
  await expect(page.getByText("took out of the programme: clean the glass inside")).toBeVisible();
});

test("settings that cannot be are refused beside the field", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/tanks?q=Seahorses");
  await page.getByRole("link", { name: "Seahorses" }).click();
  await page.getByRole("link", { name: "Settings" }).click();
  await page.getByLabel("Water stands above the floor").fill("90");
  // The drawing says it while it is typed, the form beside the field once it is saved.
  await expect(page.getByText("The water cannot stand above the glass, which is 65.0 cm high.")).toBeVisible();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.locator("#display-runningLevelM-error")).toHaveText(
    "The water cannot stand above the glass, which is 65.0 cm high.",
  );
  await page.getByLabel("Water stands above the floor").fill("58");
  await page.getByLabel("How it is changed", { exact: true }).selectOption("from-sump");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("There is no sump.").first()).toBeVisible();
  await page.getByLabel("How it is changed", { exact: true }).selectOption("in-and-out");
  await page.getByLabel("Share of a change").fill("150");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Share of a change lies between 1 and 100 %.").first()).toBeVisible();
});

test("the programme shows its long jobs ahead, and says which gave way to what", async ({ as, page }) => {
  await as("Tobiah");
  await page.goto("/tanks?q=Bellmaker");
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await page.getByRole("link", { name: "Programme", exact: true }).click();
  await page.getByRole("button", { name: "half a year" }).click();
  await expect(page.getByRole("group", { name: /Upkeep of Workshop for the coming half a year/ })).toBeVisible();
  await expect(page.getByRole("slider", { name: "Service the canister A" })).toBeVisible();
  await expect(
    page.getByText(/ is full, by \d+ min with it| not together with | needs four weeks/).first(),
  ).toBeVisible();
});
