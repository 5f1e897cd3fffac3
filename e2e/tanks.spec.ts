import { readFileSync } from "node:fs";
import { check } from "./axe";
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
  await expect(page.getByText("No tank is found for “zzzz”.")).toBeVisible();
});

test("removing a due task, a sump or a way of working visibly changes the list of steps", async ({ as, page }) => {
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
  // The drawing says it while it is typed; the server's answer stands beside the field.
  await expect(page.locator("[id$=-error]", { hasText: "There is no sump. Choose another way" }).first()).toBeVisible();
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

test("readings of a past day are entered at the desk, refused where they cannot be, and nobody measured one after all", async ({
  as,
  page,
}) => {
  await as("Maud");
  await page.goto("/tanks?q=Kettle");
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await page.getByRole("link", { name: "Readings", exact: true }).click();
  await expect(page.getByRole("button", { name: "Add readings" })).toBeEnabled();
  await page.keyboard.press("r");
  await page.getByRole("button", { name: "Save readings" }).click();
  await expect(page.getByText("Enter at least one reading.")).toBeVisible();
  await page.getByLabel("Day", { exact: true }).fill(new Date(Date.now() - 2 * 86_400_000).toISOString().slice(0, 10));
  await page.getByLabel("Nitrate", { exact: true }).fill("-5");
  await page.getByRole("button", { name: "Save readings" }).click();
  await expect(page.getByText("Enter a figure from 0 to 500 mg/L for Nitrate.")).toBeVisible();
  await page.getByRole("textbox", { name: /^Nitrate/ }).fill("17.25");
  await page.getByRole("button", { name: "Save readings" }).click();
  const entered = page.getByRole("row", { name: /17\.25 mg\/L/ });
  await expect(entered).toBeVisible();
  await check(page, "the readings of a tank");
  await entered.getByRole("button", { name: /^Correct Nitrate 17\.25/ }).click();
  await entered.getByRole("textbox", { name: "Why" }).fill("of another tank");
  await entered.getByRole("button", { name: "Nobody measured it" }).click();
  await expect(entered).toHaveCount(0);
  await expect(page.locator("[data-corrected]")).toContainText("nobody measured it");
});

test("a figure says where it is going; another share is tried on the drawing, used, and stands in the tank's history", async ({
  as,
  page,
}) => {
  await as("Ines");
  await page.goto("/tanks?q=Lanehead");
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await page.getByRole("link", { name: "Readings", exact: true }).click();
  // What its condition is about is shown first.
  const nitrate = page.getByRole("region", { name: "Nitrate, where it is going" });
  await expect(nitrate).toContainText(/Nitrate climbs 1\.\d\smg\/L a day since .*: six fish added by the clinic\./);
  expect(await nitrate.locator("[data-reading]").count()).toBeGreaterThan(10);
  await expect(nitrate.locator('[data-event="break"]')).toContainText("Six fish added by the clinic");
  await check(page, "the readings");
  // Taken away as a picture: a PNG of its size, with more on it than its ground.
  const taken = page.waitForEvent("download");
  await nitrate.getByRole("button", { name: "PNG" }).click();
  const file = readFileSync(await (await taken).path());
  expect(file.subarray(1, 4).toString()).toBe("PNG");
  expect(file.readUInt32BE(16)).toBeGreaterThanOrEqual(1080);
  expect(file.length).toBeGreaterThan(20_000);
  const handle = nitrate.getByRole("slider", { name: "Share of a change" });
  await expect(handle).toHaveAttribute("aria-valuenow", "30");
  await handle.focus();
  for (let i = 0; i < 9; i++) await page.keyboard.press("ArrowDown");
  await expect(handle).toHaveAttribute("aria-valuenow", "39");
  await expect(nitrate.locator("[data-tried]")).toContainText(
    /39 % every 7 days settles at 2\d\.\d|39 % every 7 days settles at 30\.\d/,
  );
  await nitrate.getByRole("button", { name: "Use 39 %" }).click();
  // The page is anew: what was tried is how it is changed now.
  await expect(nitrate.locator("[data-answers]")).toContainText("39 % every 7 days settles at");
  await page.getByRole("link", { name: "History" }).click();
  await expect(page.getByText(/^share of a change: 30\s?% → 39\s?%/i)).toBeVisible();
  await page.goBack();
  await page.getByRole("link", { name: "pH", exact: true }).click();
  await expect(page.getByRole("region", { name: "pH, where it is going" })).toContainText("It is shown as it was read");
});
