import { check, LIGHT } from "./axe";
import { expect, test } from "./fixtures";

const LISTS: readonly string[] = ["client", "tank", "job"];

test("no serious violation at the desk, in a light room or a dim one", async ({ as, browser, baseURL }) => {
  test.setTimeout(900_000);
  const context = await browser.newContext({ baseURL: baseURL ?? "", ...LIGHT });
  const page = await context.newPage();
  await as("Ines", { page });
  for (const kind of ["client", "site", "tank", "animal", "equipment", "source", "kind", "barrel", "job"]) {
    await page.goto(`/desk/${kind}`);
    // All lists are one screen: what differs between their forms is looked at in each.
    if (LISTS.includes(kind)) await check(page, `${kind} list`);
    if (kind === "tank") continue;
    await page.locator("tbody a").first().click();
    await page.waitForURL(`**/desk/${kind}/**`);
    await check(page, `${kind} form`);
  }
  await page.goto("/desk/upkeep");
  await check(page, "upkeep of the firm");
  await page.goto("/desk/site/new");
  await check(page, "new site");
  const desk = await browser.newContext({
    baseURL: baseURL ?? "",
    ...LIGHT,
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
  await context.close();
});
