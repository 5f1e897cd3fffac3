import { check, checkPlain } from "./axe";
import { type As, type BrowserContext, expect, openStop, type Page, test } from "./fixtures";

/** No visit of a weekly series stands so many days ahead, whether today's is over or not. */
const AHEAD_DAYS = 3;

const dayAfter = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

/** The owner's page as a phone shows it, without a script. */
async function plainPage(as: As, context: BrowserContext, fresh = false): Promise<Page> {
  const page = await context.newPage();
  await as("owner", { page, fresh });
  await page.goto("/owner");
  return page;
}

test("an owner reads, ticks and tells on their page, without a script; the firm finds it on the next plan", async ({
  as,
  page: staff,
  browser,
  baseURL,
  outbox,
}) => {
  const context = await browser.newContext({
    ...{ baseURL: baseURL ?? "", javaScriptEnabled: false, viewport: { width: 390, height: 844 } },
  });
  let bytes = 0;
  context.on("response", async (response) => {
    if (response.request().resourceType() !== "font") bytes += (await response.request().sizes()).responseBodySize;
  });
  const page = await plainPage(as, context);
  await page.waitForLoadState("networkidle");
  // All of the page but its fonts: on a slow line it is read before it would be left.
  expect(bytes).toBeGreaterThan(1_000);
  expect(bytes).toBeLessThan(100_000);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText(/^The reef /);
  await expect(page.getByRole("heading", { name: /^Measured / })).toBeVisible();
  await expect(page.getByAltText(/^The tank in /)).toHaveCount(4);

  // What cannot be is refused beside its field, and what was typed stays.
  await page.getByLabel("Count the animals").check();
  await page.getByLabel("What it read").fill("warm");
  await page.getByRole("button", { name: /^Save my list/ }).click();
  await expect(page.getByRole("alert")).toHaveText(/^Enter Temperature as a number/);
  await expect(page.getByLabel("Count the animals")).toBeChecked();
  await expect(page.getByLabel("What it read")).toHaveValue("warm");
  await page.getByLabel("What it read").fill("25.2");
  await page.getByRole("button", { name: /^Save my list/ }).click();
  await expect(page.getByRole("status")).toHaveText("Your list of today is saved.");
  await expect(page.getByLabel("What it read")).toHaveValue("25.2");

  // Nothing written, no picture, then one that is urgent.
  const tell = page.getByRole("button", { name: /^Send to / });
  await tell.click();
  await expect(page.getByRole("alert")).toHaveText("Write what you saw.");
  const text = "Water drips from under the cabinet since this morning";
  await page.getByLabel("What is different, and since when").fill(text);
  await page
    .getByLabel("A picture, if it helps")
    .setInputFiles({ name: "drip.jpg", mimeType: "image/jpeg", buffer: Buffer.from("no picture") });
  await tell.click();
  await expect(page.getByRole("alert")).toHaveText(/no picture/);
  await expect(page.getByLabel("What is different, and since when")).toHaveValue(text);
  await tell.click();
  await expect(page.getByRole("status")).toHaveText(/we are told at once/);
  await expect(page.getByText(`“${text}”: we look at it on the next visit`)).toBeVisible();

  await as("Maud", { page: staff });
  await expect(async () => {
    const mails = (await (await staff.request.get(outbox)).json()) as { to: string; subject: string; text: string }[];
    const mail = mails.find((m) => m.subject.includes("Water drips"));
    expect(mail?.to).toContain("maud@");
    expect(mail?.text).toContain("Dr. Ilves");
  }).toPass();
  await staff.goto("/round");
  await openStop(staff, "Ilves Dental");
  await expect(staff.getByText(`Look again: ${text}`)).toBeVisible();
  await context.close();
});

test("a proposal is made, agreed to on the owner's page, and planned; another is taken back", async ({
  as,
  page: staff,
  browser,
  baseURL,
}) => {
  await as("Maud", { page: staff });
  await staff.goto("/tanks?q=ilves");
  await staff.getByRole("main").locator("tbody a[href^='/tanks/']").first().click();
  await staff.getByRole("link", { name: "Owner", exact: true }).click();
  await staff.getByRole("button", { name: "Propose something" }).click();
  await staff.getByRole("button", { name: "Put it on their page" }).click();
  await expect(staff.getByRole("alert").first()).toHaveText("Say what you propose.");
  await staff.getByLabel(/^What you propose/).fill("A quieter pump");
  await staff.getByLabel(/^Why/).fill("The waiting room hears it.");
  await staff.getByLabel("What happens if not").fill("It gets louder as it wears.");
  await staff.getByLabel("Minutes of a visit").fill("15");
  await staff.getByRole("button", { name: "Put it on their page" }).click();
  await expect(staff.locator('[data-proposal="A quieter pump"]')).toContainText("No answer yet; asked for one by ");
  await check(staff, "the owner's part of a tank");

  const context = await browser.newContext({ baseURL: baseURL ?? "", viewport: { width: 390, height: 844 } });
  const page = await plainPage(as, context);
  await checkPlain(page, "the owner's page");
  await page.getByRole("button", { name: "Agree: A quieter pump" }).click();
  await expect(page.getByRole("status")).toHaveText("Thank you: we do it on the next visit.");

  await staff.reload();
  await expect(staff.locator('[data-proposal="A quieter pump"]')).toContainText("Agreed");
  await staff.getByRole("button", { name: "Take back: A new heater" }).click();
  await expect(staff.locator('[data-proposal="A new heater"]')).toContainText("Taken back.");
  await page.goto("/owner");
  await expect(page.getByText("A new heater")).toHaveCount(0);
  await page.getByRole("button", { name: "Not now: A quieter pump" }).click();
  await expect(page.getByRole("status")).toHaveText("We leave it, and say so in our notes.");
  await context.close();
});

test("another day is asked for, seen in the weeks, and answered with a word that the owner reads", async ({
  as,
  page: staff,
  browser,
  baseURL,
}) => {
  const context = await browser.newContext({ baseURL: baseURL ?? "", viewport: { width: 390, height: 844 } });
  // A session of its own: it is ended here.
  const page = await plainPage(as, context, true);
  const ask = page.getByText(/^Ask (for another day|once more)$/);
  await ask.click();
  await page.getByLabel("Which day suits you").fill(dayAfter(AHEAD_DAYS));
  await page.getByLabel("Anything we should know").fill("The practice is closed.");
  await page.getByRole("button", { name: "Ask for this day" }).click();
  await expect(page.getByRole("status")).toHaveText("We have your wish and will answer it here.");

  await as("Maud", { page: staff });
  await staff.goto("/weeks");
  const wish = staff.getByRole("group", { name: "Ilves Dental" });
  await expect(wish).toContainText("“The practice is closed.”");
  await expect(staff.locator('[data-block="Ilves Dental"]', { hasText: "asks for another day" })).toBeVisible();
  await wish.getByRole("button", { name: "Leave it on its day" }).click();
  await expect(wish.getByRole("alert")).toHaveText("Say why it stays, in a few words.");
  await wish.getByLabel(/^A word to/).fill("We are full that week.");
  await wish.getByRole("button", { name: "Leave it on its day" }).click();
  await expect(wish).toHaveCount(0);

  await page.goto("/owner");
  await expect(page.getByText("It stays on its day. We are full that week.")).toBeVisible();
  await page.getByRole("button", { name: "Sign out" }).click();
  await page.waitForURL("**/sign-in");
  await page.goto("/owner");
  await page.waitForURL("**/sign-in");
  await context.close();
});
