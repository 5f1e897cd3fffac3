import { check } from "./axe";
import { expect, openStop, test } from "./fixtures";

// Stops that nobody starts while their visits are skipped and moved.
test.use({ firm: "days" });

const SITE = "Old Brewery";
const WEEKDAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

/** The page of a site's visits. */
async function openVisits(page: import("@playwright/test").Page): Promise<void> {
  await page.goto("/desk/site");
  await page.getByRole("link", { name: SITE, exact: true }).first().click();
  await page.waitForURL("**/desk/site/**");
  await expect(page.locator("[data-series]")).toHaveCount(1);
}

test("a series is changed from a day on: what it does is shown first, saved, and undone", async ({ as }) => {
  const page = await as("Maud");
  await openVisits(page);
  const line = page.locator("[data-series]");
  const before = await line.textContent();
  await line.getByRole("button", { name: "Change" }).click();
  await expect(page.getByText("No day that is laid out changes.")).toBeVisible();

  await page.getByLabel("How often").selectOption({ label: "twice a week, evenly" });
  const days = page.getByRole("group", { name: "Days of the week" });
  // On whatever day the site is served, the day after it and its pair are others.
  const on = WEEKDAYS.findIndex((name) => before?.includes(`Every ${name}`));
  const next = WEEKDAYS[(on + 1) % 7] ?? "";
  await days.getByRole("button", { name: next }).click();
  await expect(page.getByText(new RegExp(`^Every (\\w+ and ${next}|${next} and \\w+)`))).toBeVisible();
  await expect(page.getByText("No longer:")).toBeVisible();
  await check(page, "a series that is changed");

  // What cannot be is told beside its field; nothing can be saved until it is put right.
  await page.getByLabel("How often").selectOption({ label: "every few days" });
  await page.getByLabel("Every … days").fill("0");
  await expect(page.getByText("Enter 1 to 60 days.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Save visits" })).toBeDisabled();
  await page.getByLabel("Every … days").fill("5");
  await expect(page.getByText(/^Every 5 days/)).toBeVisible();
  await page.getByRole("button", { name: "Save visits" }).click();

  await expect(line.getByText(/^Every 5 days/)).toBeVisible();
  await expect(page.getByText(/^Changed last: Every 5 days/)).toBeVisible();
  await page.getByRole("button", { name: "Undo this change" }).click();
  await expect(line).toHaveText(before ?? "");
});

test("a pause is said with its reason, and one more visit is planned beside the series", async ({ as }) => {
  const page = await as("Maud");
  await openVisits(page);
  const line = page.locator("[data-series]");
  await line.getByRole("button", { name: "Pause" }).click();
  await page.getByRole("group", { name: "A time" }).getByLabel("Why").fill("the brewery is painted");
  await expect(page.getByText(/^No visits from .*: the brewery is painted\.$/)).toBeVisible();
  await page.getByRole("button", { name: "Save visits" }).click();
  await expect(line.getByText(/the brewery is painted/)).toBeVisible();
  await page.getByRole("button", { name: "Plan one more visit" }).click();
  await page.getByRole("button", { name: "Plan this visit" }).click();
  await expect(page.getByText("Beside these")).toBeVisible();
  await page.getByRole("button", { name: "Undo this change" }).click();
  await expect(page.getByText("Beside these")).toHaveCount(0);
  await page.getByRole("button", { name: "Undo this change" }).click();
  await expect(line.getByText(/the brewery is painted/)).toHaveCount(0);
});

test("a visit is skipped with its reason from its own page, and planned again", async ({ as }) => {
  const page = await as("Ines");
  await page.goto("/round");
  await openStop(page, "Town Museum");
  await page.getByText("Move or skip this visit").click();
  await page.getByRole("button", { name: "Skip this visit" }).click();
  await expect(page.getByText("Say why, in a few words.")).toBeVisible();
  await page.getByLabel("Why").fill("the museum is closed");
  await page.getByRole("button", { name: "Skip this visit" }).click();
  await expect(page.getByText("This visit is skipped: the museum is closed")).toBeVisible();
  const stop = page.url();
  await page.goto("/round");
  await expect(page.locator("[data-row]", { hasText: "Harrow & Pike" })).toBeVisible();
  await expect(page.locator("[data-row]", { hasText: "Town Museum" })).toHaveCount(0);
  await page.goto(stop);
  await page.getByRole("button", { name: "Plan it again" }).click();
  await expect(page.getByRole("link", { name: /Start the visit/ }).first()).toBeVisible();
});

test("a visit is moved to another day, told where it would meet another one, and put back", async ({ as }) => {
  const page = await as("Ines");
  await page.goto("/round");
  await openStop(page, "Ferry Street School");
  await page.getByText("Move or skip this visit").click();
  await page.getByLabel("Move to").fill("2020-01-01");
  await page.getByRole("button", { name: "Move this visit" }).click();
  // The browser itself keeps a day that is over out of the field.
  expect(await page.getByLabel("Move to").evaluate((e: HTMLInputElement) => e.validity.rangeUnderflow)).toBe(true);
  const next = await page.getByLabel("Move to").getAttribute("min");
  const to = new Date(Date.parse(`${next}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10);
  await page.getByLabel("Move to").fill(to);
  await page.getByRole("button", { name: "Move this visit" }).click();
  const [moved, anyway] = [
    page.getByText("Can be started on its day").first(),
    page.getByRole("button", { name: "Move it all the same" }),
  ];
  await expect(moved.or(anyway)).toBeVisible();
  // On some days of the week the school is closed on that one.
  if (await anyway.isVisible()) await anyway.click();
  await expect(moved).toBeVisible();
  await expect(page.getByText(/^Changed last: .* is moved to/)).toBeVisible();
  await page.getByRole("button", { name: "Undo this change" }).click();
  await expect(page.getByRole("link", { name: /Start the visit/ }).first()).toBeVisible();
});
