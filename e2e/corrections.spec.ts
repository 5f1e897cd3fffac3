import { check } from "./axe";
import { expect, openStep, openStop, startVisit, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 } });

test("what was logged wrong is put right in sight, by the phone at once and by the office afterwards", async ({
  as,
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(180_000);
  await as("Tobiah");
  await page.goto("/round");
  await openStop(page, "Northgate School");
  await startVisit(page);

  // A tick is taken back at once.
  const progress = page.locator("[data-progress]");
  const first = (await page.getByRole("heading", { level: 2 }).first().textContent()) ?? "";
  await expect(async () => {
    if ((await progress.textContent())?.startsWith("1 of")) await page.locator('[data-key="tick"]').click();
    await expect(page.locator("[data-just-ticked]")).toContainText(first, { timeout: 1000 });
  }).toPass();
  await check(page, "a visit with a tick to take back");
  await page.locator("[data-just-ticked]").getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("heading", { level: 2 }).first()).toHaveText(first);

  // It was the wrong tank: nothing of it happened.
  await page.getByRole("tab", { name: "Close" }).click();
  await page.getByText("Opened by mistake").click();
  await check(page, "a visit that is discarded");
  await page.getByRole("button", { name: "Discard: wrong tank" }).click();
  await expect(page.getByText("Begun before and discarded: wrong tank.")).toBeVisible();
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await expect(progress).toBeVisible();

  // Anything is measured at any time, and what was not measured is said.
  await page.getByRole("tab", { name: "Measure" }).click();
  await page.getByLabel(/^What/).selectOption("phosphate");
  await page.getByLabel("Phosphate", { exact: true }).fill("0.3");
  await check(page, "measuring anything");
  await page.getByRole("button", { name: "Back to the step" }).click();
  await page.getByRole("tab", { name: "Measure" }).click();
  await page.getByLabel(/^What/).selectOption("phosphate");
  await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(1);
  await page.getByRole("tab", { name: "Step", exact: true }).click();
  await openStep(page, /Measure nitrate/);
  await expect(page.getByText(/The plan then goes on with(out)? /)).toBeVisible();
  await page.getByRole("button", { name: "Not measured" }).click();
  await page.getByRole("tab", { name: "All steps" }).click();
  await expect(page.getByRole("button", { name: /left out.*Measure nitrate/ })).toBeVisible();

  // The rest is left out with one reason, and the visit closes; closed by mistake, it goes on.
  await page.getByRole("tab", { name: "Close" }).click();
  const reasons = page.getByRole("button", { name: "All of them: no time left" });
  await reasons.click();
  await expect(reasons).toHaveCount(0);
  const close = page.getByRole("button", { name: "Close the visit" });
  await close.click();
  await page.getByRole("button", { name: "Undo: it goes on" }).click();
  await page.getByRole("tab", { name: "Close" }).click();
  await close.click();
  await expect(page.getByRole("heading", { name: "Closed" })).toBeVisible();
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");

  // Its author finds the figure wrong: the old one stays in sight, with the reason.
  await page.getByRole("link", { name: "Correct or reopen" }).click();
  await page.waitForURL("**/visits/**");
  await page.getByRole("button", { name: "Correct Phosphate" }).click();
  await page.getByLabel("Phosphate really was").fill("0.03");
  await page.getByRole("button", { name: "Save correction" }).click();
  await expect(page.getByText("Enter why: it stands beside both figures.")).toBeVisible();
  await page.getByLabel(/^Why/).fill("a decimal too far left");
  await page.getByRole("button", { name: "Save correction" }).click();
  await expect(page.getByText(/was 0\.3 mg\/L; corrected by Tobiah Renn: a decimal too far left/)).toBeVisible();
  await check(page, "the record of a visit");
  const record = page.url();

  // The office sees it on the tank's history, adds what was drained, and opens the visit again.
  const office = await browser.newPage({ baseURL: baseURL ?? "" });
  await as("Maud", { fresh: true, page: office });
  await office.goto(record);
  await office.getByRole("button", { name: "Correct Drained" }).click();
  await office.getByLabel(/^Drained really was/).fill("abc");
  await office.getByLabel(/^Why/).fill("told by telephone");
  await office.getByRole("button", { name: "Save correction" }).click();
  await expect(office.getByText("Enter L as a number from 0.")).toBeVisible();
  await office.getByLabel(/^Drained really was/).fill("12");
  await office.getByRole("button", { name: "Save correction" }).click();
  await expect(office.getByText(/was not entered; corrected by Maud Oyelaran: told by telephone/)).toBeVisible();
  await office.getByRole("link", { name: "The tank's history" }).click();
  await expect(office.getByText("corrected 2 times")).toBeVisible();
  await office.goto(record);
  await office.getByRole("button", { name: "Reopen the visit" }).click();
  await office.getByLabel("Why it goes on").fill("the glass was forgotten");
  await office.getByRole("button", { name: "Reopen the visit" }).click();
  await expect(office.getByText(/^In progress since/)).toBeVisible();
  await expect(office.getByText(/Reopened .* by Maud Oyelaran: the glass was forgotten/)).toBeVisible();
  await office.close();
});
