import AxeBuilder from "@axe-core/playwright";
import { expect, openStop, type Page, test } from "./fixtures";

/** In a light room every rule, in a dim one what the colours change. */
async function check(page: Page, what: string): Promise<void> {
  await page.waitForLoadState("networkidle");
  const { violations } = await new AxeBuilder({ page }).analyze();
  await page.emulateMedia({ colorScheme: "dark" });
  await expect(page.locator("html")).toHaveClass(/\bdark\b/);
  const dim = await new AxeBuilder({ page }).withRules(["color-contrast"]).analyze();
  await page.emulateMedia({ colorScheme: "light" });
  await expect(page.locator("html")).not.toHaveClass(/\bdark\b/);
  const found = [...violations, ...dim.violations.map((v) => ({ ...v, id: `${v.id} in a dim room` }))];
  expect(
    found
      .filter((v) => v.impact === "serious" || v.impact === "critical")
      .map(
        (v) =>
          `${what}: ${v.id} at ${v.nodes
            .map((n) => n.target.join(" "))
            .slice(0, 3)
            .join("; ")}`,
      ),
  ).toEqual([]);
}

test("no serious violation on any screen, in a light room or a dim one", async ({ as, browser, baseURL }) => {
  test.setTimeout(600_000);
  const context = await browser.newContext({
    baseURL: baseURL ?? "",
    colorScheme: "light",
    viewport: { width: 1280, height: 900 },
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
  await page.goto("/water");
  await check(page, "the bench");
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
  for (const kind of ["client", "site", "tank", "animal", "equipment", "source", "kind", "barrel", "job"]) {
    await page.goto(`/desk/${kind}`);
    await check(page, `${kind} list`);
    if (kind === "tank") continue;
    await page.locator("tbody a").first().click();
    await page.waitForURL(`**/desk/${kind}/**`);
    await check(page, `${kind} form`);
  }
  await page.goto("/desk/upkeep");
  await check(page, "upkeep of the firm");
  await page.goto(`/owner-card?tank=${tank.match(/[0-9a-f-]{36}/)?.[0]}`);
  await check(page, "the owner's own list");
  await page.goto("/desk/site/new");
  await check(page, "new site");
  const desk = await browser.newContext({
    baseURL: baseURL ?? "",
    colorScheme: "light",
    viewport: { width: 1280, height: 900 },
  });
  const maud = await desk.newPage();
  await as("Maud", { page: maud });
  await maud.goto("/desk/client");
  await maud.locator("tbody a").first().click();
  await maud.waitForURL("**/desk/client/**");
  await check(maud, "client form");
  await maud.goto("/begin");
  await check(maud, "begin a business");
  await maud.goto("/desk/firm");
  await check(maud, "the firm");
  await maud.goto("/desk/stuck");
  await check(maud, "stuck work");
  await maud.goto("/desk/files");
  await check(maud, "files");
  await maud
    .getByLabel("File", { exact: true })
    .setInputFiles({ name: "a.csv", mimeType: "text/csv", buffer: Buffer.from("Name,Contact,E-mail\nA,B,wrong\n") });
  await maud.getByRole("button", { name: "Look at it" }).click();
  await maud.getByRole("button", { name: "Check every row" }).click();
  await expect(maud.getByText("“wrong” is not an e-mail address.")).toBeVisible();
  await check(maud, "import");
  await desk.close();
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
  // Whichever of the two comes first starts it.
  await page.getByRole("link", { name: /the visit/ }).click();
  const start = page.getByRole("button", { name: "Start", exact: true });
  const progress = page.locator("[data-progress]");
  await expect(start.or(progress)).toBeVisible();
  if (await start.isVisible()) await start.click();
  await expect(progress).toBeVisible();
  for (const tab of ["All steps", "Seen", "Close", "Step"]) {
    await page.getByRole("tab", { name: new RegExp(`^${tab}`) }).click();
    await check(page, `visit ${tab}`);
  }
  await context.close();
});
