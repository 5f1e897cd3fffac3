import { readFileSync } from "node:fs";
import { join } from "node:path";
import sharp from "sharp";
import { check } from "./axe";
import { expect, type Page, test } from "./fixtures";

/** Opens a tab of a tank by a word of its name and its site's. */
async function openTank(page: Page, words: string, tab: string): Promise<void> {
  await page.goto(`/tanks?q=${encodeURIComponent(words)}`);
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await page.goto(`${page.url().split("?")[0]}?tab=${tab}`);
}

test("marks are moved on the drawing, by keys and by pointer, and stand in their fields", async ({ as, page }) => {
  await as("Ines");
  await openTank(page, "Kettle", "settings");
  const level = page.getByRole("slider", { name: "Running level" });
  const typed = page.getByLabel("Water stands above the floor");
  await expect(typed).toHaveValue("40");
  await level.focus();
  await page.keyboard.press("ArrowDown");
  await expect(typed).toHaveValue("39.9");
  await page.keyboard.press("Shift+ArrowDown");
  await expect(typed).toHaveValue("38.9");
  await expect(level).toHaveAttribute("aria-valuetext", "38.9 cm above the floor");

  const intake = page.getByRole("slider", { name: "filter intake" });
  const height = page.getByLabel("Landmarks on the glass, line 1, Above the floor");
  await expect(height).toHaveValue("14");
  const box = await intake.boundingBox();
  if (!box) throw new Error("no handle");
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 30, { steps: 5 });
  await page.mouse.up();
  expect(Number(await height.inputValue())).toBeGreaterThan(16);
  // Nothing of it is kept before it is saved.
  await page.getByLabel("Landmarks on the glass, line 1, Above the floor").fill("15");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(height).toHaveValue("14");
  await expect(typed).toHaveValue("40");
});

test("dimensions measured outside lose the walls, and walls that leave no room are refused", async ({ as, page }) => {
  await as("Ines");
  await openTank(page, "Kettle", "settings");
  await page.getByText("Measured outside the glass?").click();
  await page.getByLabel("Walls are").fill("10");
  await page.getByRole("button", { name: "Take the walls off" }).click();
  // 140 × 50 × 60 outside, two walls of 1 cm each way and one floor.
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("138");
  await expect(page.getByLabel("Front to back", { exact: true })).toHaveValue("48");
  await expect(page.getByLabel("Height", { exact: true })).toHaveValue("59");
  await page.getByLabel("Walls are").fill("400");
  await page.getByRole("button", { name: "Take the walls off" }).click();
  await expect(page.getByText("Such walls leave no room")).toBeVisible();
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("138");
  await page.reload();
  await page.getByRole("button", { name: "Start over" }).click();
  await expect(page.getByLabel("Length", { exact: true })).toHaveValue("140");
});

test("a standing exception changes the plan of the next visit", async ({ as, page }) => {
  await as("Ines");
  await openTank(page, "Museum", "settings");
  await page.getByRole("button", { name: "Add a line: Standing exceptions" }).click();
  await page.getByLabel("Standing exceptions, line 1, What to do").selectOption("feed before the change");
  await page.getByLabel("Standing exceptions, line 1, Which, or why").fill("the medusae drift to the weir when hungry");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(page.url().replace("settings", "section"));
  await expect(page.getByText("Always fed before the change: the medusae")).toBeVisible();
  await page.goto(page.url().replace("section", "history"));
  await expect(page.getByText(/standing exceptions/).first()).toBeVisible();
});

test("a water that is measured again says what tanks are planned with today", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/desk/source?q=shrimp");
  await page.getByRole("link", { name: "Purified, remineralised for shrimp" }).click();
  await expect(page.getByText("GH 6.0 dGH")).toBeVisible();
  await page.getByRole("button", { name: "Add a line" }).first().click();
  await page.getByLabel("Measured over time, line 1, On").fill(new Date().toISOString().slice(0, 10));
  await page.getByLabel("Measured over time, line 1, Parameter").selectOption("GH");
  await page.getByLabel("Measured over time, line 1, Was").fill("seven");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText(/Line 1, was: “seven” is not a number/)).toBeVisible();
  await page.getByLabel("Measured over time, line 1, Was").fill("7,5");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("GH 7.5 dGH: measured")).toBeVisible();
});

test("the firm's choice for a kind stands beside a tank that differs, a press away", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/kind?q=jellyfish");
  await page.getByRole("checkbox", { name: "Choose jellyfish" }).check();
  await page.getByLabel("Field to set").selectOption("Feeding");
  await page.getByLabel("New value").selectOption("before");
  await page.getByRole("button", { name: "Set them" }).click();
  await expect(page.getByText("1 changed.")).toBeVisible();
  await openTank(page, "Museum", "settings");
  await expect(page.getByText("The firm: A little before the change")).toBeVisible();
  await page.getByRole("button", { name: "Feeding as the firm has it" }).click();
  await expect(page.getByLabel("Feeding", { exact: true })).toHaveValue("before");
  await expect(page.getByText("The firm: A little before the change")).toHaveCount(0);
  await page.getByRole("link", { name: "Section" }).click();
});

test("a list is filtered by field, the address keeps it, and a condition is a press away from going", async ({
  as,
  page,
}) => {
  await as("Maud");
  await page.goto("/desk/site");
  const rows = page.locator("[data-row]");
  const all = await rows.count();
  await page.getByText("Filters", { exact: true }).click();
  await page.getByLabel("Waste water goes to is").selectOption("septic");
  await page.getByLabel("Stairs to climb from").fill("5");
  await page.getByRole("button", { name: "Show what fits" }).click();
  await page.waitForURL(/is\.drain=septic/);
  await expect(rows).toHaveCount(1);
  await expect(rows).toHaveText("Ilves Dental");
  await page.reload();
  await expect(rows).toHaveCount(1);
  await page.getByRole("link", { name: /Without: stairs to climb from 5 steps/ }).click();
  await expect(page.getByRole("link", { name: /Without: stairs/ })).toHaveCount(0);
  expect(await rows.count()).toBeLessThan(all);
  await page.goto("/desk/site?from.stairs=many");
  await expect(page.getByText("“many” is not a number.")).toBeVisible();
});

test("a picture is added, archived and brought back; its owner sees it, nobody sees a neighbour's", async ({
  as,
  page,
  browser,
  baseURL,
}) => {
  await as("Ines");
  await openTank(page, "Ilves", "photos");
  const pictures = page.locator("img[src*='/api/photos/']");
  await expect(pictures).toHaveCount(4);
  await page.getByRole("button", { name: "Add the picture" }).click();
  await expect(page.getByText("Choose a picture first.")).toBeVisible();
  const file = { name: "reef.png", mimeType: "image/png" };
  await page.getByLabel("Picture", { exact: true }).setInputFiles({ ...file, buffer: Buffer.from("no picture") });
  await page.getByRole("button", { name: "Add the picture" }).click();
  await expect(page.getByText("This is no picture that can be read.")).toBeVisible();
  const buffer = await sharp({ create: { width: 640, height: 420, channels: 3, background: "#244" } })
    .png()
    .toBuffer();
  await page.getByLabel("Picture", { exact: true }).setInputFiles({ ...file, buffer });
  await page.getByLabel("What it shows").fill("after the storm");
  await page.getByRole("button", { name: "Add the picture" }).click();
  await expect(pictures).toHaveCount(5);
  await expect(page.getByText("after the storm")).toBeVisible();
  const href = (await page.locator("a[href*='/api/photos/']").first().getAttribute("href")) ?? "";
  // By what they show, two of one spot are laid over each other; the edge between them is moved by keys and by pointer.
  await page.getByRole("button", { name: "By what they show" }).click();
  const laid = page.locator('[data-before-after="The whole tank"]');
  const edge = laid.getByLabel("Edge between before and after");
  await edge.focus();
  await page.keyboard.press("ArrowLeft");
  await expect(edge).toHaveAttribute("aria-valuetext", "49 % before");
  const box = await laid.getByAltText(/after/).boundingBox();
  if (!box) throw new Error("No picture");
  await page.mouse.click(box.x + box.width / 4, box.y + box.height / 2);
  await expect(edge).toHaveAttribute("aria-valuetext", "25 % before");
  await page.reload();
  await page.getByRole("button", { name: "By what they show" }).click();
  await check(page, "pictures laid over each other");
  await page.getByRole("button", { name: "By month" }).click();
  await page
    .getByRole("button", { name: /^Archive the picture/ })
    .first()
    .click();
  await expect(pictures).toHaveCount(4);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(pictures).toHaveCount(5);

  const other = await browser.newContext({ baseURL: baseURL ?? "" });
  const owner = await other.newPage();
  await as("owner", { page: owner });
  await openTank(owner, "Reef", "photos");
  await expect(owner.locator("img[src*='/api/photos/']")).toHaveCount(5);
  await expect(owner.getByRole("button", { name: "Add the picture" })).toHaveCount(0);
  expect((await other.request.get(href)).headers()["content-type"]).toBe("image/jpeg");
  await openTank(page, "Museum", "photos");
  const theirs = (await page.locator("a[href*='/api/photos/']").first().getAttribute("href")) ?? "";
  expect((await other.request.get(theirs)).status()).toBe(404);
  await other.close();
});

test("a technician opens no tank of a colleague", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/tanks?q=Foundry");
  await expect(page.getByText(/No tank/)).toBeVisible();
  await as("Tobiah");
  await openTank(page, "Foundry", "section");
  const theirs = page.url();
  await as("Ines");
  await page.goto(theirs);
  await expect(page.getByRole("heading", { name: /not here|no such|nothing/i })).toBeVisible();
});

test("everything is backed up with its photos and a checksum, and restores into an empty business only", async ({
  as,
  page,
}) => {
  await as("Maud");
  await page.goto("/desk/files");
  await page.getByLabel("Passphrase for the door codes").fill("two herons");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Back up everything" }).click();
  const path = join(test.info().outputDir, "everything.json");
  await (await download).saveAs(path);
  const archive = JSON.parse(readFileSync(path, "utf8"));
  expect(Object.keys(archive.photos).length).toBe(archive.tables.photo.length);
  expect(archive.tables.tank.length).toBeGreaterThan(30);
  expect(JSON.stringify(archive).includes("Side gate 4471")).toBe(false);
  expect(archive.sha256).toMatch(/^[0-9a-f]{64}$/);
  await page.getByLabel("Backup", { exact: true }).setInputFiles(path);
  await page.getByRole("button", { name: "Restore a backup" }).click();
  await expect(page.getByText("An archive is brought into an empty business.")).toBeVisible();
});

test("the log of a site is shown for some days, printed, and taken away as a file; its owner reads their own", async ({
  as,
  page,
  browser,
  baseURL,
}) => {
  await as("Maud");
  await page.goto("/desk/site?q=ilves");
  await page.getByRole("main").locator("tbody a").first().click();
  await page.getByRole("link", { name: "Log of all visits, to print" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Ilves Dental: log of visits");
  const visits = page.locator("[data-visit]");
  const all = await visits.count();
  expect(all).toBeGreaterThan(40);
  await check(page, "the log of a site");
  const href = (await page.getByRole("link", { name: "CSV" }).getAttribute("href")) ?? "";
  const csv = await (await page.request.get(href)).text();
  expect(csv.split("\n")[0]).toContain("Day,Time,Tank,By,Measured,Water,Done,Left out,Found");
  expect(csv.trim().split("\n").length).toBe(all + 1);
  // Days the wrong way round are told, and the usual ones shown.
  await page.getByLabel("From").fill("2026-12-31");
  await page.getByLabel("To", { exact: true }).fill("2026-01-01");
  await page.getByRole("button", { name: "Show these days" }).click();
  await expect(page.getByText("Enter a last day that is not before the first.")).toBeVisible();
  await expect(visits.first()).toBeVisible();

  const other = await browser.newContext({ baseURL: baseURL ?? "" });
  const owner = await other.newPage();
  await as("owner", { page: owner });
  await owner.goto("/owner");
  await owner.getByRole("link", { name: /^The log of all visits/ }).click();
  await expect(owner.locator("[data-visit]")).toHaveCount(all);
  await other.close();
});
