import { check, LIGHT } from "./axe";
import { beginVisit, expect, openStop, test } from "./fixtures";

test("no serious violation at the tank, the water and the round, in a light room or a dim one", async ({
  as,
  browser,
  baseURL,
}) => {
  test.setTimeout(900_000);
  const context = await browser.newContext({
    baseURL: baseURL ?? "",
    ...LIGHT,
  });
  const page = await context.newPage();
  await page.goto("/sign-in");
  await check(page, "sign-in");
  await as("Ines", { page });
  await page.goto("/tanks");
  await check(page, "tanks");
  const tank = (await page.locator("tbody a").first().getAttribute("href")) ?? "";
  for (const tab of ["section", "readings", "programme", "animals", "equipment", "photos", "history", "settings"]) {
    await page.goto(`${tank}?tab=${tab}`);
    await check(page, `tank ${tab}`);
  }
  await page.goto(`/owner-card?tank=${tank.match(/[0-9a-f-]{36}/)?.[0]}`);
  await check(page, "the owner's own list");
  await page.goto("/water");
  await check(page, "the planner");
  const card = (await page.getByRole("link", { name: "Card for the tank side" }).getAttribute("href")) ?? "";
  await page.goto(card);
  await check(page, "a card for the tank side");
  await page.goto("/water/mixing");
  await check(page, "the mixing room");
  await page.goto("/water/doses");
  await check(page, "doses");
  await page.goto("/water/describe");
  await page.getByLabel(/^Length/).fill("90");
  await page.getByLabel(/^Front to back/).fill("45");
  await page.getByLabel(/^Height/).fill("45");
  await expect(page.getByText("Four ways of deciding")).toBeVisible();
  await check(page, "a tank described");
  await page.goto("/tanks/new");
  await check(page, "new tank");
  await page.keyboard.press("/");
  await page.keyboard.type("reef");
  await expect(page.getByRole("option").first()).toBeVisible();
  await check(page, "find");
  await page.keyboard.press("Escape");
  await page.goto("/letters");
  await check(page, "letters");
  await page.getByRole("main").locator("tbody a").first().click();
  await page.waitForURL("**/letters/**");
  await check(page, "letter");
  await page.goto("/me");
  await check(page, "me");
  await page.goto("/day");
  await check(page, "day");
  await page.goto("/round");
  await check(page, "round");
  await openStop(page, "Maritime College");
  await check(page, "stop");
  await beginVisit(page);
  for (const tab of ["All steps", "Measure", "Notes", "Close", "Step"]) {
    await page.getByRole("tab", { name: new RegExp(`^${tab}`) }).click();
    await check(page, `visit ${tab}`);
  }
  await context.close();
});
