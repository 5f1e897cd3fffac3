import type { Page } from "@playwright/test";
import { check } from "./axe";
import { expect, test } from "./fixtures";

/** The link in the newest mail to an address, as the stand-in for a mail server kept it: its path. */
async function mailedLink(page: Page, outbox: string, address: string, subject: RegExp): Promise<string> {
  let text = "";
  await expect(async () => {
    const mails = (await (await page.request.get(outbox)).json()) as { to: string; subject: string; text: string }[];
    // The newest stands first.
    const mail = mails.find((m) => m.to.includes(address) && subject.test(m.subject));
    expect(mail).toBeDefined();
    text = mail?.text ?? "";
  }).toPass({ timeout: 30_000 });
  return (/https?:\/\/\S+/.exec(text)?.[0] ?? "").replace(/^https?:\/\/[^/]+/, "");
}

async function setPassword(page: Page, link: string, password: string): Promise<void> {
  await page.goto(link);
  await page.getByLabel("New password").fill(password);
  await page.getByRole("button", { name: "Set this password" }).click();
  await expect(page.getByRole("heading", { name: "Your password is set" })).toBeVisible();
}

async function signIn(page: Page, email: string, password: string): Promise<void> {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in" }).click();
}

async function add(page: Page, name: string, email: string, role: string): Promise<void> {
  await page.getByLabel(/^Name/).fill(name);
  await page.getByLabel(/^E-mail/).fill(email);
  await page.getByLabel(/^What they do/).selectOption(role);
  await page.getByRole("button", { name: "Add and mail a way in" }).click();
  await expect(page.getByText(`A way in is on its way to ${email}.`)).toBeVisible();
}

test("a firm of one begins, grows to five and shrinks to four", async ({ as, page, browser, baseURL, outbox }) => {
  test.setTimeout(240_000);
  const another = async () => (await browser.newContext({ baseURL: baseURL ?? "" })).newPage();
  await as("Maud");
  await page.goto("/begin");
  await page.getByLabel("Business").fill("Heron & Daughter");
  await page.getByLabel("Telephone").fill("555 0199");
  await page.getByLabel("Letters come from").fill("letters@heron.example");
  await page.getByLabel("Rounds start at").fill("50.42, -4.70");
  await page.getByLabel("Your name").fill("Signe Heron");
  await page.getByLabel("E-mail", { exact: true }).fill("signe@heron.example");
  await page.getByLabel("Password").fill("qwertyuiop");
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(page.getByText("Many people use this password")).toBeVisible();
  await page.getByLabel("Password").fill("sluice-heron-17");
  await page.getByRole("button", { name: "Begin" }).click();
  await page.waitForURL("**/desk/files");

  await page.goto("/desk/people");
  await expect(page.getByText("1 works here")).toBeVisible();
  await page.getByRole("button", { name: "Add and mail a way in" }).click();
  await expect(page.getByText("Enter the person's name.")).toBeVisible();
  await expect(page.getByText("Enter an e-mail address")).toBeVisible();

  const theirs = new Map<string, Page>();
  for (const [name, mail, role] of [
    ["Orla Heron", "orla", "lead"],
    ["Wren Aldous", "wren", "technician"],
    ["Juno Pike", "juno", "technician"],
    ["Hale Marsh", "hale", "office"],
  ] as const) {
    await add(page, name, `${mail}@heron.example`, role);
    const link = await mailedLink(page, outbox, `${mail}@heron.example`, /Your way in at Heron/);
    const own = await another();
    await setPassword(own, link, `harbour-${mail}-48`);
    await signIn(own, `${mail}@heron.example`, `harbour-${mail}-48`);
    await own.waitForURL("**/round");
    theirs.set(mail, own);
    if (theirs.size > 1) continue;
    // The link was used up.
    const second = await another();
    await second.goto(link);
    await second.getByLabel("New password").fill("another-lamp-99");
    await second.getByRole("button", { name: "Set this password" }).click();
    await expect(second.getByText("This link is over")).toBeVisible();
    await second.context().close();
  }
  await page.reload();
  await expect(page.getByText("5 work here")).toBeVisible();
  await check(page, "people");

  // A lead sees the rounds, and nothing of people.
  const orla = theirs.get("orla") as Page;
  await orla.goto("/desk/people");
  await expect(orla.getByRole("heading", { name: "There is nothing here" })).toBeVisible();

  // A technician becomes a lead, and one leaves: signed out with the next page.
  const row = (name: string) => page.locator(`[data-person="${name}"]`);
  await page.getByLabel("What Wren Aldous does").selectOption("lead");
  await expect(page.getByLabel("What Wren Aldous does")).toHaveValue("lead");
  await row("Juno Pike").getByRole("button", { name: "Mark as left" }).click();
  await row("Juno Pike").getByRole("button", { name: "Yes, Juno Pike has left" }).click();
  await expect(page.getByText("4 work here")).toBeVisible();
  const gone = page.locator('[data-gone="Juno Pike"]');
  await expect(gone).toBeVisible();
  const juno = theirs.get("juno") as Page;
  await juno.goto("/round");
  await expect(juno).toHaveURL(/sign-in/);
  await signIn(juno, "juno@heron.example", "harbour-juno-48");
  await expect(juno.getByText("This e-mail and password do not go together.")).toBeVisible();

  // What is kept about who left is theirs to have, and is erased where they ask for it.
  const file = await page.request.get(
    (await gone.getByRole("link", { name: /What is kept/ }).getAttribute("href")) ?? "",
  );
  expect(file.headers()["content-disposition"]).toContain("Juno%20Pike");
  expect((await file.json()).person.name).toBe("Juno Pike");
  await gone.getByRole("button", { name: "Erase name and words" }).click();
  await gone.getByRole("button", { name: "Yes, erase them for good" }).click();
  await expect(page.locator('[data-gone="Former colleague 1"]').getByText("name and words erased")).toBeVisible();
  await expect(page.getByText("Juno Pike")).toHaveCount(0);

  // Somebody is always in the office.
  await page.getByLabel("What Hale Marsh does").selectOption("technician");
  await expect(page.getByLabel("What Hale Marsh does")).toHaveValue("technician");
  await page.getByLabel("What Signe Heron does").selectOption("technician");
  await expect(page.getByText("Somebody has to be in the office")).toBeVisible();
  for (const own of theirs.values()) await own.context().close();
});

test("a password is changed, and one that is forgotten is set anew by mail", async ({
  as,
  page,
  browser,
  baseURL,
  outbox,
}) => {
  test.setTimeout(180_000);
  const email = "piran@calder-renn.example";
  await as("Maud");
  await page.goto("/desk/people");
  await add(page, "Piran Vale", email, "technician");
  const piran = await (await browser.newContext({ baseURL: baseURL ?? "" })).newPage();
  const link = await mailedLink(page, outbox, email, /Your way in/);
  await piran.goto(link);
  await piran.getByLabel("New password").fill("short");
  await piran.getByRole("button", { name: "Set this password" }).click();
  await expect(piran.getByText("Enter at least 10 characters.")).toBeVisible();
  await setPassword(piran, link, "tidal-gate-30");
  await signIn(piran, email, "not-the-password");
  await expect(piran.getByText("This e-mail and password do not go together.")).toBeVisible();
  await signIn(piran, email, "tidal-gate-30");
  await piran.waitForURL("**/round");

  // Who failed to come in is told, and where one is signed in.
  await piran.goto("/me");
  await expect(piran.getByText(`Somebody failed to sign in as ${email} once`)).toBeVisible();
  await expect(piran.getByText("this one, since")).toBeVisible();
  await check(piran, "me");
  await piran.getByLabel("Password now").fill("wrong-wrong-1");
  await piran.getByLabel("New password").fill("tidal-gate-31");
  await piran.getByRole("button", { name: "Change password" }).click();
  await expect(piran.getByText("This is not your password.")).toBeVisible();
  await piran.getByLabel("Password now").fill("tidal-gate-30");
  await piran.getByRole("button", { name: "Change password" }).click();
  await expect(piran.getByText("Your password is changed.")).toBeVisible();

  const other = await (await browser.newContext({ baseURL: baseURL ?? "" })).newPage();
  await other.goto("/sign-in");
  await other.getByRole("button", { name: "Mail me a way in" }).click();
  await expect(other.getByText("Enter an e-mail address")).toBeVisible();
  await other.getByLabel("E-mail").fill(email);
  await other.getByRole("button", { name: "Mail me a way in" }).click();
  await expect(other.getByText(`If ${email} is known here`)).toBeVisible();
  await setPassword(other, await mailedLink(page, outbox, email, /A new password/), "tidal-gate-32");
  await piran.goto("/round");
  await expect(piran).toHaveURL(/sign-in/);
  await signIn(piran, email, "tidal-gate-32");
  await piran.waitForURL("**/round");
});

test("an owner of tanks comes in by a mailed link, once, with no password", async ({
  page,
  browser,
  baseURL,
  outbox,
}) => {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill("owner@ilves-dental.example");
  await page.getByRole("button", { name: "Mail me a way in" }).click();
  await expect(page.getByText("a way in is on its way to it")).toBeVisible();
  const link = await mailedLink(page, outbox, "owner@ilves-dental.example", /Your tanks/);
  // Without script, as some open it.
  const plain = await (await browser.newContext({ baseURL: baseURL ?? "", javaScriptEnabled: false })).newPage();
  await plain.goto(link);
  await plain.getByRole("button", { name: "Go to your tanks" }).click();
  await plain.waitForURL("**/owner/*");
  await plain.context().close();
  await page.goto(link);
  await page.getByRole("button", { name: "Go to your tanks" }).click();
  await expect(page.getByRole("heading", { name: "This link is over" })).toBeVisible();
  await page.getByRole("link", { name: "Ask for another one" }).click();
  await page.waitForURL("**/sign-in");
});

test("when somebody works, what their van carries and what they do is said at the desk, and the weeks go by it", async ({
  as,
}) => {
  const page = await as("Maud");
  await page.goto("/desk/people");
  const row = page.locator('[data-person="Tobiah Renn"]');
  await row.getByText("Day, van and skills", { exact: true }).click();
  await row.getByLabel("Works until").fill("05:00");
  await row.getByLabel("Van carries, kg").fill("0");
  await row.getByRole("button", { name: "Save day, van and skills" }).click();
  await expect(row.getByText("Enter what the van carries, above 0.")).toBeVisible();
  await expect(row.getByLabel("Van carries, kg")).toHaveValue("0");
  await row.getByLabel("Van carries, kg").fill("350");
  await row.getByRole("button", { name: "Save day, van and skills" }).click();
  await expect(row.getByText("Enter an end of the day after its start.")).toBeVisible();
  await row.getByLabel("Works until").fill("16:00");
  await row.getByLabel("Sunday").uncheck();
  await row.getByLabel("fresh water").uncheck();
  await row.getByRole("button", { name: "Save day, van and skills" }).click();
  await expect(row.getByText("Saved.")).toBeVisible();
  await check(page, "how somebody works");
  await page.goto("/weeks");
  await expect(page.locator('[data-week-row="Tobiah Renn"]')).toContainText("Tobiah Renn does not do fresh water.");
  await page.goto("/desk/people");
  await row.getByText("Day, van and skills", { exact: true }).click();
  await row.getByLabel("fresh water").check();
  await row.getByLabel("Sunday").check();
  await row.getByRole("button", { name: "Save day, van and skills" }).click();
  await expect(row.getByText("Saved.")).toBeVisible();
});
