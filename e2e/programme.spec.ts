import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { expect, openStop, startVisit, test } from "./fixtures";

async function openProgramme(page: Page, words: string, name: string): Promise<void> {
  await page.goto(`/tanks?q=${encodeURIComponent(words)}`);
  await page.getByRole("main").getByRole("link", { name, exact: true }).click();
  await page.getByRole("link", { name: "Programme", exact: true }).click();
  await expect(page.locator("[data-frieze]")).toBeVisible();
}

test("a job is taken to another visit by keyboard: what it breaks is told, and it goes back to the plan", async ({
  as,
  page,
}) => {
  await as("Ines");
  await openProgramme(page, "Pilot", "Pilot's reef");
  const job = page.getByRole("slider", { name: "Clean the sump" }).or(page.getByRole("slider").first());
  const first = job.first();
  const name = (await first.getAttribute("aria-label")) ?? "";
  const planned = await first.getAttribute("aria-valuetext");
  await first.focus();
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Shift+ArrowRight");
  const panel = page.locator("[data-move-panel]");
  await expect(panel).toContainText(name);
  await expect(panel).toContainText("its window runs from");
  // Escape leaves everything as it was.
  await page.keyboard.press("Escape");
  await expect(panel).toHaveCount(0);
  await expect(first).toHaveAttribute("aria-valuetext", planned ?? "");

  await first.focus();
  await page.keyboard.press("Shift+ArrowRight");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Put it there" })).toBeFocused();
  const reason = page.getByLabel("Why it is right here");
  if (await reason.isVisible()) {
    // Against a rule or outside its window nothing is stored without a reason, and what was typed stays.
    await page.keyboard.press("Enter");
    await expect(panel.getByRole("alert")).toBeVisible();
    await reason.fill("the owner is away before");
    await page.getByRole("button", { name: "Put it there" }).focus();
  }
  await page.keyboard.press("Enter");
  await expect(panel).toHaveCount(0);
  const moved = page.getByRole("slider", { name, exact: true });
  await expect(moved).not.toHaveAttribute("aria-valuetext", planned ?? "");
  await expect(page.getByText(/where somebody put it/).first()).toBeVisible();

  await moved.focus();
  await page.keyboard.press("Shift+ArrowRight");
  await page.getByRole("button", { name: "Back to the plan" }).click();
  await expect(page.getByRole("slider", { name, exact: true })).toHaveAttribute("aria-valuetext", planned ?? "");
});

test("a job is dragged along its lane", async ({ as, page }) => {
  await as("Ines");
  await openProgramme(page, "Pilot", "Pilot's reef");
  const handle = page.getByRole("slider", { name: "Replace the carbon" });
  const box = await handle.boundingBox();
  if (!box) throw new Error("no handle");
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + box.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect(page.locator("[data-move-panel]")).toContainText("Replace the carbon on");
  await page.getByRole("button", { name: "Leave it" }).click();
  await expect(page.locator("[data-move-panel]")).toHaveCount(0);
});

test("a cadence is said in plain words: what cannot be is told beside it, the year follows while it is typed", async ({
  as,
  page,
}) => {
  await as("Ines");
  await openProgramme(page, "Pilot", "Pilot's reef");
  await page.getByRole("button", { name: "Replace the carbon", exact: true }).click();
  const form = page.locator("[data-job-form]");
  const when = form.getByLabel("When, in plain words");
  const preview = form.locator("[data-preview]");
  const before = await preview.textContent();
  await when.fill("every 0 weeks");
  await expect(form.getByRole("alert")).toContainText("Every 0 is no cadence");
  await expect(form.getByRole("button", { name: "Save", exact: true })).toBeDisabled();
  await expect(when).toHaveValue("every 0 weeks");
  await when.fill("every 10 weeks, give or take 9 days");
  await expect(preview).not.toHaveText(before ?? "");
  await expect(preview).toContainText("times in the coming year");
  await form.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved. The next visit follows it.")).toBeVisible();
  const row = page.locator('[data-job="carbon"]');
  await expect(row).toContainText("every 10 weeks, give or take 9 days");
  await expect(row).toContainText("the firm: every 4 weeks, give or take 8 days");
  await row.getByRole("button").click();
  await form.getByRole("button", { name: "As the firm has it" }).click();
  await expect(row).not.toContainText("the firm:");
  // Another kind of cadence is one press away.
  await row.getByRole("button").click();
  await form.getByRole("button", { name: "by dirt" }).click();
  await expect(when).toHaveValue("when prefilter is rated 4");
  await expect(form).toContainText("It comes when it is called for");
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

test("the owner's own list is a card", async ({ as, page }) => {
  await as("Ines");
  await openProgramme(page, "Axolotls", "Axolotls");
  await page.getByRole("link", { name: "The owner's own list, as a card" }).click();
  await expect(page.getByRole("heading", { name: "Axolotls: your own list" })).toBeVisible();
  await expect(page.getByRole("heading", { name: "Every day" })).toBeVisible();
  await expect(page.getByText("5 axolotls")).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

test("the firm's year is laid out with progress, and stopped", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/upkeep");
  await expect(page.getByRole("heading", { name: "Upkeep of the firm" })).toBeVisible();
  await page.getByRole("button", { name: "Lay the year out anew" }).click();
  await expect(page.locator("[data-lay]")).toContainText(/\d+ of 37 sites/);
  await page.getByRole("button", { name: "Stop" }).click();
  await expect(page.locator("[data-lay]")).toContainText("; stopped");
  await page.getByRole("button", { name: "Lay the year out anew" }).click();
  await expect(page.locator("[data-lay]")).toContainText("37 of 37 sites", { timeout: 60_000 });
  await page.getByLabel("Name of a site").fill("Ormond");
  await page.keyboard.press("Enter");
  await expect(page.getByText("1 site", { exact: false }).first()).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([]);
});

test("the firm edits its copy of a job, and sees what differs from the library", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/job?q=lids");
  await page.getByRole("link", { name: "Wash the lids" }).click();
  const before = page.getByRole("main").getByLabel("Comes before", { exact: true });
  await page.waitForURL("**/desk/job/**");
  await before.fill("glass");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  // Rules that contradict each other are named.
  await expect(
    page.getByText(/each of these would have to come before another: .*Wash the lids/).first(),
  ).toBeVisible();
  await before.fill("");
  await page.getByLabel("Takes", { exact: true }).fill("9");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByText("The library: 5")).toBeVisible();
  await page.goto("/desk/job");
  await expect(page.getByText("differs in: takes")).toBeVisible();
});

test("a filter that has to rest is opened all the same, with a reason and with care", async ({ as, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await as("Tobiah");
  await page.goto("/round");
  await openStop(page, "Foundry Lofts");
  // The visit on the clock: hands, and what runs by itself.
  await expect(page.locator("[data-two-hands]")).toContainText("Numbers are the steps below");
  await expect(page.locator("[data-kit]")).toContainText("To load, not in Tobiah's van");
  await startVisit(page);
  await page.getByRole("tab", { name: "All steps" }).click();
  await page.getByRole("button", { name: /Not today: service the right canister/ }).click();
  await expect(page.getByText(/The left canister was serviced less than four weeks ago; earliest/)).toBeVisible();
  await page.getByRole("button", { name: "it is blocked" }).click();
  await page.getByRole("tab", { name: "All steps" }).click();
  await page.getByRole("button", { name: /Service the right canister/ }).click();
  await expect(page.getByText(/Done all the same: it is blocked/)).toBeVisible();
  await expect(page.getByText(/test ammonia after one and two days/)).toBeVisible();
});

test("a job that is left out for the third time is decided on", async ({ as, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await as("Tobiah");
  await page.goto("/round");
  await openStop(page, "Vale house");
  await startVisit(page);
  await page.getByRole("tab", { name: "All steps" }).click();
  await page.getByRole("button", { name: /Wash the lids/ }).click();
  await expect(page.getByText("slipped 2 times")).toBeVisible();
  await page.getByRole("button", { name: "Skip…" }).click();
  await expect(page.getByText("It was left out 2 times already. What becomes of it?")).toBeVisible();
  // No plain reason is offered any more.
  await expect(page.getByRole("button", { name: "no time left" })).toHaveCount(0);
  await page.getByRole("button", { name: "The owner does it" }).click();
  await page.getByRole("tab", { name: "All steps" }).click();
  await expect(page.getByRole("button", { name: /left out Wash the lids/ })).toBeVisible();
  expect((await new AxeBuilder({ page }).analyze()).violations.filter((v) => v.impact === "critical")).toEqual([]);
});

test("when a job was last done is told and corrected, and a day to come is refused", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/tanks");
  await page.getByRole("link", { name: "Waiting room" }).first().click();
  await page.waitForURL("**/tanks/*");
  await page.goto(`${page.url().split("?")[0]}?tab=programme`);
  const row = page.locator("tr[data-job='photo']");
  await row.getByRole("button").click();
  const form = page.locator("[data-job-form]");
  await form.getByLabel("Last done").fill("2099-01-01");
  await form.getByRole("button", { name: "Save", exact: true }).click();
  await expect(form.getByText("That day has not come yet.")).toBeVisible();
  await form.getByLabel("Last done").fill("2026-09-03");
  await form.getByRole("button", { name: "Save", exact: true }).click();
  await expect(row).toContainText("3 September");
  await page.goto(`${page.url().split("?")[0]}?tab=history`);
  await expect(page.getByText(/photograph the tank from its spot, last done/).first()).toBeVisible();
});
