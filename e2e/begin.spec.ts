import { check } from "./axe";
import { expect, test } from "./fixtures";

test("a business is begun from nothing: client, site, tank with its water, visits, and the round shows it", async ({
  as,
  page,
}) => {
  test.setTimeout(120_000);
  await as("Maud", { fresh: true });
  await page.goto("/desk/files");
  await page.getByRole("link", { name: "begin an empty business" }).click();
  await page.getByLabel("Business", { exact: true }).fill("Lamplight Aquatics");
  await page.getByLabel("Letters come from").fill("letters@lamplight.example");
  await page.getByLabel("Rounds start at").fill("https://maps.example/@50.4180,-4.7010,17z");
  await page.getByLabel("Your name").fill("Wenna Lamplight");
  await page.getByLabel(/^E-mail/).fill("wenna@lamplight.example");
  await page.getByLabel("Password").fill("a-lamp-in-the-window");
  await page.getByRole("button", { name: "Begin", exact: true }).click();
  await page.waitForURL("**/desk/files");

  await page.goto("/tanks");
  await expect(page.getByText("There are no tanks yet.")).toBeVisible();
  await page.goto("/round");
  await page.getByRole("link", { name: "Type a client in" }).click();
  await page.getByLabel("Name", { exact: true }).fill("Harbour Library");
  await page.getByRole("button", { name: "Make this client" }).click();
  await expect(page.getByText("Enter the contact.")).toBeVisible();
  await page.getByLabel("Contact").fill("The librarian");
  await page.getByLabel("E-mail").fill("library@harbour.example");
  await page.getByRole("button", { name: "Make this client" }).click();
  await page.waitForURL(/desk\/client\/[0-9a-f-]{36}/);

  await page.getByRole("link", { name: "New site" }).click();
  await page.waitForURL("**/desk/site/new**");
  await page.getByLabel("Name", { exact: true }).fill("Harbour Library");
  await page.getByLabel("Address").fill("1 Quay Steps");
  await page.getByLabel("Latitude").fill("50.42");
  await page.getByLabel("Longitude").fill("-4.70");
  await page.getByLabel("May be worked in").fill("8-10");
  await page.getByLabel("Hot water at the tap").selectOption({ label: "yes" });
  await check(page, "a new site");
  await page.getByRole("button", { name: "Make this site" }).click();
  await page.waitForURL(/desk\/site\/[0-9a-f-]{36}/);
  await expect(page.getByLabel("May be worked in")).toHaveValue("Mon–Fri 08:00–10:00");
  const site = page.url();

  await page.getByRole("link", { name: "New tank" }).click();
  await page.waitForURL("**/tanks/new**");
  await page.getByLabel("2  What the owner calls it").fill("The reading room reef");
  await page.getByLabel("3  Kind").selectOption("marine-fish");
  await page.getByLabel(/^Length/).fill("100");
  await page.getByLabel(/^Width|Front to back/).fill("50");
  await page.getByLabel(/^Height/).fill("50");
  await page.getByLabel(/^5 {2}New water/).selectOption("mix");
  await expect(page.getByText("It is made with the tank, as it usually is.")).toBeVisible();
  await page.getByRole("button", { name: "Make this tank" }).click();
  await page.waitForURL(/tanks\/[0-9a-f-]{36}/);

  await page.goto(site);
  await page.getByRole("button", { name: "Begin recurring visits" }).click();
  await page.getByRole("button", { name: "Save visits" }).click();
  await expect(page.locator("[data-series]")).toHaveCount(1);
  await page.goto("/round");
  await expect(page.getByText("There is no site yet.")).toHaveCount(0);
});
