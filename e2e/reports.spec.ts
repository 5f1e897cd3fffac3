import sharp from "sharp";
import { check } from "./axe";
import { expect, type Page, test } from "./fixtures";

type Mail = {
  readonly to: string;
  readonly subject: string;
  readonly attachments: readonly { readonly filename: string }[];
};
const mailsOf = async (page: Page, outbox: string): Promise<Mail[]> => (await page.request.get(outbox)).json();

test("reports of a month are made for each client, read, sent, and stand on the owner's page", async ({
  as,
  outbox,
  browser,
  baseURL,
}) => {
  const page = await as("Maud");
  await page.goto("/letters");
  await page.getByRole("link", { name: "Reports" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Reports");
  await check(page, "reports");
  await page.getByRole("button", { name: "Make them" }).click();
  const run = page.locator("[data-run]").first();
  await expect(run).toContainText(/\d+ new reports of \d+ clients/, { timeout: 60_000 });
  // A second time nothing reads otherwise.
  await page.getByRole("button", { name: "Make them" }).click();
  await expect(page.locator("[data-run]").first()).toContainText(/no new report of \d+ clients/, { timeout: 60_000 });

  await page.goto("/letters?q=Ilves&state=to-read");
  await page.getByRole("link", { name: /^Your tank in/ }).click();
  const address = await page.locator("iframe").getAttribute("src");
  const html = await (await page.request.get(address ?? "")).text();
  expect(html).toContain("Dear Dr. Ilves,");
  expect(html).not.toContain("<script");
  const pdf = await page.request.get(`${address}/pdf`);
  expect(pdf.headers()["content-type"]).toBe("application/pdf");
  await page.getByRole("button", { name: "Send to the owner" }).click();
  await expect(async () => {
    const mail = (await mailsOf(page, outbox)).find((m) => m.subject.startsWith("Your tank in"));
    expect(mail?.to).toContain("owner@ilves-dental.example");
    expect(mail?.attachments.map((a) => a.filename)).toEqual(["letter.pdf"]);
  }).toPass();
  // Its page without a script, as its link shows it.
  const bare = await browser.newContext({ javaScriptEnabled: false, ...(baseURL ? { baseURL } : {}) });
  const paper = await bare.newPage();
  await paper.goto(address ?? "");
  await expect(paper.getByRole("heading", { level: 1 })).toHaveText(/^Your tank in/);
  await expect(paper.getByRole("img").first()).toHaveAccessibleName(/: \d+ \w+: \d/);
  await bare.close();
  const owner = await as("owner");
  await owner.goto("/owner");
  await owner.getByText(/^Earlier letters/).click();
  // The newest of all or among the earlier ones: that goes by the day.
  await expect(
    owner
      .locator("#letters")
      .getByText(/Your tank in/)
      .first(),
  ).toBeVisible();
});

test("a year of the firm is a page and a PDF of the office's alone, and making reports can be stopped", async ({
  as,
}) => {
  const page = await as("Maud");
  await page.goto("/letters/reports");
  await page.getByLabel("Reports of").selectOption("year");
  await page.getByRole("button", { name: "Make them" }).click();
  const year = page.locator("[data-run]").filter({ hasText: "for the firm" }).first();
  await expect(year).toContainText("made", { timeout: 60_000 });
  const address = await year.getByRole("link", { name: "As a page" }).getAttribute("href");
  const html = await (await page.request.get(address ?? "")).text();
  expect(html).toContain("Calder &amp; Renn, aquarium care in ");
  expect(html).toContain("Right");
  const pdf = await page.request.get((await year.getByRole("link", { name: "PDF" }).getAttribute("href")) ?? "");
  expect((await pdf.body()).subarray(0, 5).toString()).toBe("%PDF-");
  const ines = await as("Ines");
  expect((await ines.request.get(address ?? "")).status()).toBe(404);
  await ines.goto("/letters");
  await expect(ines.getByRole("link", { name: "Reports" })).toHaveCount(0);

  const again = await as("Maud");
  await again.goto("/letters/reports");
  await again.getByLabel("Reports of").selectOption("quarter");
  await again.getByRole("button", { name: "Make them" }).click();
  await again.getByRole("button", { name: "Stop" }).click();
  await expect(again.locator("[data-run]").first()).toContainText(/stopped after \d+ of \d+ clients|new reports? of/, {
    timeout: 60_000,
  });
});

test("two pictures are chosen for a letter under words of its own; an address that is refused for good comes back", async ({
  as,
  outbox,
}) => {
  const page = await as("Maud");
  await page.goto("/letters?q=Kettle&state=to-read");
  await page.getByRole("link", { name: /^Kettle Diner:/ }).click();
  await page.getByRole("button", { name: "Change the words" }).click();
  const pictures = page.locator("[data-pictures]");
  const boxes = pictures.getByRole("checkbox");
  await boxes.nth(0).check();
  await boxes.nth(1).check();
  await expect(boxes).toHaveCount(2);
  await pictures.getByRole("textbox").nth(0).fill("The left half, 12 years on");
  await page.getByRole("button", { name: "Save these words" }).click();
  await expect(page.locator("[data-editing]").getByRole("alert")).toContainText("12 stands nowhere in the log");
  await pictures.getByRole("textbox").nth(0).fill("The left half");
  await page.getByRole("button", { name: "Save these words" }).click();
  await expect(page.locator("[data-edited]")).toContainText("Worded anew by Maud");
  await expect(page.getByRole("button", { name: "Send to the owner" })).toBeVisible();
  const address = (await page.locator("iframe").getAttribute("src")) ?? "";
  const html = await (await page.request.get(address)).text();
  expect(html.match(/src="data:image\/jpeg;base64,/g)).toHaveLength(2);
  expect(html).toContain("<figcaption>The left half</figcaption>");

  await page.request.post(`${outbox}/fault`, { data: "unknown" });
  await page.getByRole("button", { name: "Send to the owner" }).click();
  await expect(async () => {
    await page.reload();
    await expect(page.getByText(/came back .*No such mailbox/)).toBeVisible({ timeout: 2000 });
  }).toPass();
  await page.request.post(`${outbox}/fault`, { data: "none" });
  await page.goto("/letters?state=returned");
  await page.locator("tbody a").first().click();
  await page.getByRole("button", { name: "Send to the owner" }).click();
  await expect(async () => {
    const mail = (await mailsOf(page, outbox)).find((m) => m.subject.startsWith("Kettle Diner"));
    expect(mail?.attachments.map((a) => a.filename)).toContain("letter.pdf");
  }).toPass();
  await page.reload();
  await expect(page.getByText(/^sent /).first()).toBeVisible();
});

test("the firm's mark stands above what it writes; what is no picture is told so", async ({ as }) => {
  const page = await as("Maud");
  await page.goto("/desk/firm");
  const form = page.locator("[data-mark]");
  const file = form.locator("input[type=file]");
  await file.setInputFiles({ name: "mark.png", mimeType: "image/png", buffer: Buffer.from("no picture") });
  await expect(form.getByRole("alert")).toContainText("This is no picture that can be read.");
  await file.setInputFiles({ name: "mark.png", mimeType: "image/png", buffer: Buffer.alloc(600_000) });
  await expect(form.getByRole("alert")).toContainText("A mark may have 500 kB.");
  const mark = await sharp({ create: { width: 200, height: 80, channels: 4, background: "#0a5a4a" } })
    .png()
    .toBuffer();
  await file.setInputFiles({ name: "mark.png", mimeType: "image/png", buffer: mark });
  await expect(form.getByRole("status")).toContainText("Letters and reports carry it from now on.");
  await expect(form.getByRole("img")).toBeVisible();
  await form.getByRole("button", { name: "Take the mark away" }).click();
  await expect(form.getByRole("img")).toHaveCount(0);
  await check(page, "the firm's page");
});

test("who agreed that a picture is shown to others is kept with it, and taken back", async ({ as }) => {
  const page = await as("Ines");
  await page.goto("/tanks?q=Kettle");
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await page.goto(`${page.url().split("?")[0]}?tab=photos`);
  await page.getByRole("button", { name: "the owner agreed" }).first().click();
  await page.getByLabel("Who agreed that it is shown to others").fill("Josie");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.locator("[data-agreed]").first()).toContainText("Josie agreed");
  await check(page, "pictures with who agreed");
  await page.getByRole("button", { name: "take back" }).first().click();
  await expect(page.locator("[data-agreed]")).toHaveCount(0);
});
