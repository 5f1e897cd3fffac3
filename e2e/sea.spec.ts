import { check } from "./axe";
import { expect, type Page, test } from "./fixtures";

test.use({ firm: "days" });

const sea = (page: Page) => page.locator("[data-sea]");

/** At the desk the place takes any tide, or only what lies above a height that no tide reaches. */
async function tideOf(page: Page, above: string): Promise<void> {
  await page.goto("/desk/quay");
  await page.getByRole("link", { name: "Harbour steps" }).click();
  await page.waitForURL(/quay\/[0-9a-f-]{36}/);
  await page.getByLabel(/^Only above/).fill(above);
  await page.getByLabel(/^Only near high water/).fill("");
  await page.getByLabel(/^Leave base no earlier than/).fill("0");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
}

test("the tide wakes the technician: when to leave, what to collect, and on paper too; where none fits, salt is mixed at the tank", async ({
  as,
}) => {
  const page = await as("Ines");
  await tideOf(page, "");
  await page.goto("/round");
  await expect(sea(page)).toContainText("Alarm clock");
  await expect(sea(page)).toContainText(/Leave base\d\d:\d\dCollect\d\d:\d\d–\d\d:\d\dHow much\d+\u00a0?L/);
  await expect(sea(page)).toContainText(
    /High water \d\d:\d\d( the evening before| the next morning)?, \d\.\d\sm\. The tide allows \d\d:\d\d to \d\d:\d\d\./,
  );
  await expect(page.locator("[data-tide] path")).toBeVisible();
  await check(page, "a day with its tide");
  await page.getByRole("link", { name: "Print" }).click();
  await expect(page.locator("[data-collect]")).toContainText(
    /Alarm clock \d\d:\d\d\. Collect \d+\sL of sea water at Harbour steps/,
  );

  await tideOf(page, "15");
  await page.goto("/round");
  await expect(sea(page)).toContainText(/No tide of this day fits: high water/);
  await expect(sea(page)).toContainText(/Rocky shore, Maritime College: mix \d+\sL there, \d\.\d\d\skg of /);
  // In the weeks the same is said of the stop.
  await page.goto("/weeks");
  await expect(page.locator('[data-block="Maritime College"]').first()).toContainText(
    "No tide fits for the sea water it takes.",
  );
  await tideOf(page, "");
});

test("sea water is recorded as it was found: it forbids itself, salt is mixed instead; corrected, it may be used", async ({
  as,
}) => {
  const page = await as("Ines");
  await page.goto("/round");
  await sea(page).getByRole("link", { name: "Record sea water" }).click();
  await expect(page.getByLabel("Name")).toHaveValue(/^Sea water, /);
  await page.getByLabel(/^Salinity/).fill("soup");
  await page.getByRole("button", { name: /^Make this/ }).click();
  await expect(page.getByText("“soup” is not a number. Write it like 7.4.")).toBeVisible();
  await page.getByLabel(/^Salinity/).fill("27.5");
  await page.getByLabel("Notices").selectOption({ label: "of a plankton bloom" });
  await page.getByRole("button", { name: /^Make this/ }).click();
  await page.waitForURL(/seaLot\/[0-9a-f-]{36}/);

  await page.goto("/round");
  await expect(sea(page)).toContainText(
    "must not be used. Its salinity is 27.5 ppt, and it must be at least 31.0 ppt: rain or a river thinned it. Measure its temperature before it is used. A notice warns of a plankton bloom.",
  );
  const stop = page.locator('[id^="stop-"]', { hasText: "Maritime College" });
  await expect(stop).toContainText("must not be used");
  await expect(stop).toContainText("Mix salt water for this visit instead.");
  await check(page, "sea water that must not be used");
  await sea(page)
    .getByRole("button", { name: /^Plan .+ for this visit$/ })
    .click();
  await expect(stop).not.toContainText("must not be used");
  await expect(sea(page)).toHaveCount(0);

  // What was read was another meter's: corrected in sight, it may be used, and the plan is taken back.
  await page.goto("/desk/seaLot");
  await page.getByRole("link", { name: /^Sea water, / }).click();
  await page.waitForURL(/seaLot\/[0-9a-f-]{36}/);
  await page.getByLabel(/^Salinity/).fill("34");
  await page.getByLabel(/^Temperature/).fill("11");
  await page.getByLabel("Notices").selectOption({ label: "looked: none" });
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByText(/27\.5/)).toBeVisible();
});

test("a station's file that cannot be read says why, and nothing of it is kept", async ({ as }) => {
  const page = await as("Ines");
  await page.goto("/desk/quay");
  await page.getByRole("link", { name: "Harbour steps" }).click();
  await page.waitForURL(/quay\/[0-9a-f-]{36}/);
  const file = page.getByLabel(/^Tide station's file/);
  const before = await file.inputValue();
  await file.fill(before.replace('"M2"', '"M9"'));
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.locator("#station-error")).toHaveText("constituents.0.name: No tidal constituent is called M9.");
  await file.fill("high water at six");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.locator("#station-error")).toHaveText(
    "This is no JSON file. Paste the whole text of the station's file.",
  );
  await page.reload();
  // What was typed is still there to be mended; what is kept is as before.
  await expect(page.getByText("What you typed before is still here and not saved.")).toBeVisible();
  await expect(file).toHaveValue("high water at six");
  await page.getByRole("button", { name: "Start over" }).click();
  await expect(file).toHaveValue(before);
});
