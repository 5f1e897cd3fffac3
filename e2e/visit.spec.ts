import { check } from "./axe";
import { doStep, expect, openDrain, openStep, openStop, startVisit, test, tick } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 } });

test("a reading changes the plan then and there; taking it back restores it", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/round");
  await openStop(page, "Lanehead Clinic");
  await startVisit(page);
  await openStep(page, /Measure nitrate/);
  const litres = async () => {
    await openDrain(page);
    // Nothing is counted yet: the field is empty, and what is planned stands beside it.
    await expect(page.getByLabel("Litres taken out", { exact: true })).toHaveValue("");
    const text = await page.getByRole("button", { name: /as planned$/ }).textContent();
    await openStep(page, /Measure nitrate/);
    return Number.parseFloat(text ?? "");
  };
  const planned = await litres();

  // Absurd figures are refused beside the field, and what was typed stays.
  await page.getByLabel("Nitrate", { exact: true }).fill("-5");
  await page.getByRole("button", { name: "Enter" }).click();
  await expect(page.getByText("-5 cannot be right: it lies between 0 and 500 mg/L.")).toBeVisible();
  await expect(page.getByLabel("Nitrate", { exact: true })).toHaveValue("-5");

  // One that does not fit is measured again before it is acted on.
  const enter = async (text: string) => {
    const before = await page.getByRole("button", { name: "Take back" }).count();
    await page.getByLabel("Nitrate", { exact: true }).fill(text);
    await page.getByRole("button", { name: "Enter" }).click();
    await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(before + 1);
  };
  await enter("75");
  await expect(page.locator("[data-plan-change]")).toContainText("The change is put off.");
  await expect(page.locator("[data-plan-change]")).toContainText("Measure it once more");
  await enter("74");
  await expect(page.locator("[data-plan-change]")).toContainText(`instead of ${planned}`);
  expect(await litres()).toBeGreaterThan(planned + 20);

  await page.getByRole("button", { name: "Take back" }).first().click();
  await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(1);
  await page.getByRole("button", { name: "Take back" }).first().click();
  await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(0);
  await expect(page.locator("[data-plan-change]")).toHaveCount(0);
  expect(await litres()).toBe(planned);
});

test("a whole visit, its letter, its mail", async ({ as, page, request, outbox }) => {
  await as("Ines");
  await page.goto("/round");
  await openStop(page, "Ferry Street School");
  await startVisit(page);
  const done: string[] = [];
  while (await page.locator('[data-key="tick"]').isVisible()) {
    if (done.length === 2) {
      // What is noticed has to be answered before the visit closes.
      await page.getByRole("tab", { name: /Notes/ }).click();
      await page.getByRole("textbox", { name: "What was noticed" }).fill("One axolotl has a frayed gill");
      await page.getByRole("button", { name: "Add", exact: true }).click();
      await expect(page.getByText("One axolotl has a frayed gill")).toBeVisible();
      await page.getByRole("tab", { name: "Step", exact: true }).click();
    }
    done.push(await doStep(page));
  }
  expect(done.length).toBeGreaterThan(12);

  const hold = page.getByRole("button", { name: "Close the visit" });
  await hold.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Still open: One axolotl has a frayed gill.")).toBeVisible();
  await page.getByRole("button", { name: "For the owner" }).click();
  await hold.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Closed" })).toBeVisible();
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");

  await page.setViewportSize({ width: 1280, height: 800 });
  const line = page.getByRole("link", { name: /Ferry Street School: the axolotl tank/ });
  await expect(async () => {
    await page.goto("/letters?q=Ferry&state=to-read");
    await expect(line).toBeVisible({ timeout: 1000 });
  }).toPass();
  await line.click();
  const address = await page.getByRole("link", { name: "As a page" }).getAttribute("href");
  const letter = await request.get(address ?? "");
  const html = await letter.text();
  expect(html).toContain("One axolotl has a frayed gill: this one is for you to see to.");
  expect(html).not.toContain("<script");
  expect(letter.headers()["referrer-policy"]).toBe("no-referrer");
  expect(letter.headers()["x-robots-tag"]).toContain("noindex");
  expect((await request.get(`${address}/pdf`)).headers()["content-type"]).toBe("application/pdf");
  expect((await request.get(`${(address ?? "").slice(0, -2)}xx`)).status()).toBe(404);

  // It is worded anew, with the figures of the log and no others.
  await page.getByRole("button", { name: "Change the words" }).click();
  const body = page.getByLabel(/^What was done/);
  const words = await body.inputValue();
  await body.fill(`${words}\n\nWe saw 77 axolotls.`);
  await page.getByRole("button", { name: "Save these words" }).click();
  await expect(page.locator("[data-editing]").getByRole("alert")).toHaveText(
    /^77 stands nowhere in the log of this visit/,
  );
  await body.fill(`${words}\n\nThe children were kind to them.`);
  await page.getByRole("button", { name: "Save these words" }).click();
  await expect(page.locator("[data-edited]")).toContainText("Worded anew by Ines Calder");
  const send = page.getByRole("button", { name: "Send to the owner" });
  await expect(send).toBeVisible();
  expect(await (await request.get(address ?? "")).text()).toContain("The children were kind to them.");
  await page.reload();
  await check(page, "a letter that was worded anew");

  await send.click();
  await expect(page.getByText(/on its way|sent|opened/).first()).toBeVisible();
  await expect(async () => {
    const mails = (await (await request.get(outbox)).json()) as { to: string; attachments: { filename: string }[] }[];
    const mail = mails.find((m) => m.to.includes("office@ferry-street.example"));
    expect(mail?.attachments.map((a) => a.filename)).toEqual(["letter.pdf"]);
  }).toPass();
  // Whoever has the link reads it, until it is taken back.
  await page.reload();
  await page.getByRole("button", { name: "Take the link back" }).click();
  await expect(page.getByText("The link of this letter does not work.")).toBeVisible();
  expect((await request.get(address ?? "")).status()).toBe(404);
  await page.getByRole("button", { name: "Let the link work again" }).click();
  await expect(page.locator("iframe")).toBeVisible();
  expect((await request.get(address ?? "")).status()).toBe(200);
});

test("a visit closed twice, once on another device, is closed once", async ({ as, page, browser, baseURL }) => {
  await as("Ines");
  await page.goto("/round");
  await openStop(page, "Harrow & Pike");
  await startVisit(page);
  const address = page.url();
  await page.getByRole("tab", { name: "Close" }).click();
  // What is not done needs its reason first.
  await page.getByRole("button", { name: "Close the visit" }).click();
  await expect(page.getByText(/^\d+ jobs neither done nor left out: say why, above\.$/)).toBeVisible();
  const undone = page.getByRole("button", { name: "All of them: no time left" });
  await undone.click();
  await expect(undone).toHaveCount(0);
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");

  const other = await browser.newPage({ baseURL: baseURL ?? "", viewport: { width: 390, height: 844 } });
  await as("Ines", { page: other });
  await other.goto(address);
  await other.getByRole("tab", { name: "Close" }).click();
  for (const p of [other, page]) {
    await p.getByRole("button", { name: "Close the visit" }).focus();
    await p.keyboard.press("Enter");
    await expect(p.getByRole("heading", { name: "Closed" })).toBeVisible();
    // What is shown is the device's own log: the first one is to have gone up before the second.
    await expect(p.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");
  }
  // The later device is told, and shows it.
  await expect(page.getByText("Not taken: close. This visit is closed already.")).toBeVisible();
  await other.close();
});

test("reaching the drain with the heater on asks first", async ({ as, page }) => {
  await as("Tobiah");
  await page.goto("/round");
  await openStop(page, "Town Hall");
  await startVisit(page);
  await openDrain(page);
  await expect(async () => {
    await page.locator('[data-key="tick"]').click();
    await expect(page.getByText("The heater is still on.")).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.getByRole("button", { name: "It is off now" }).click();
  await expect(page.getByText("Off: heater")).toBeVisible();
  // What was taken out is counted before the step is done.
  await expect(async () => {
    await page.locator('[data-key="tick"]').click();
    await expect(page.getByText("Enter what you counted, or tap the planned amount.")).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.getByRole("button", { name: /as planned$/ }).click();
  await tick(page);
});
