import { addDays } from "@keel-round/core/calendar";
import { check } from "./axe";
import { expect, test } from "./fixtures";

test.use({ firm: "days" });

test("a client's calendar is made, read without signing in, and taken back", async ({ as, request }) => {
  const page = await as("Maud");
  await page.goto("/desk/site");
  await page.getByRole("link", { name: "Ilves Dental" }).click();
  await page.waitForURL(/site\/[0-9a-f-]{36}/);
  const calendar = page.locator("[data-calendar]");
  await calendar.getByRole("button", { name: "Make a calendar address" }).click();
  const address = await calendar.getByLabel("Address of the calendar").inputValue();
  expect(address).toMatch(/^http.+\/api\/calendar\/[0-9a-f-]{36}\.[\w-]{43}\.ics$/);
  await check(page, "a site with its calendar");
  const read = await request.get(address);
  expect(read.headers()["content-type"]).toBe("text/calendar; charset=utf-8");
  expect(await read.text()).toContain("aquarium visit");
  await page.reload();
  await expect(calendar).toContainText("It has been read.");
  await expect(calendar.getByLabel("Address of the calendar")).toHaveValue(address);
  await calendar.getByRole("button", { name: "Take address back" }).click();
  await expect(calendar).toContainText("The address does not work any more.");
  expect((await request.get(address)).status()).toBe(404);
});

test("public holidays come from a file, shown before they are added, and are taken off", async ({ as }) => {
  const page = await as("Maud");
  await page.goto("/desk/firm");
  const holidays = page.locator("[data-holidays]");
  const on = addDays(new Date().toISOString().slice(0, 10), 20);
  const ics = (event: string) => ({
    name: "holidays.ics",
    mimeType: "text/calendar",
    buffer: Buffer.from(
      `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:a\r\n${event}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`,
    ),
  });
  const file = holidays.getByLabel(/^Calendar file/);
  await file.setInputFiles({ name: "notes.ics", mimeType: "text/calendar", buffer: Buffer.from("not a calendar") });
  await expect(holidays).toContainText("This is no calendar file. Choose a file that ends in .ics.");
  await file.setInputFiles(ics("SUMMARY:Harbour day\r\nDTSTART;VALUE=DATE:20200101"));
  await expect(holidays).toContainText("The file names no day from today on.");
  await file.setInputFiles(ics(`SUMMARY:Harbour day\r\nDTSTART;VALUE=DATE:${on.replaceAll("-", "")}`));
  await holidays.getByRole("button", { name: "Add 1 day" }).click();
  await expect(holidays).toContainText("1 day added.");
  await check(page, "public holidays");
  await holidays.getByRole("button", { name: /^Take off Harbour day/ }).click();
  await expect(holidays).toContainText("Harbour day is off the list.");
});

test("the firm's weights are explained, checked and kept", async ({ as }) => {
  const page = await as("Maud");
  await page.goto("/desk/firm");
  const weights = page.locator("[data-weights]");
  const moved = weights.getByLabel("A stop that is moved");
  await moved.fill("lots");
  await weights.getByRole("button", { name: "Save weights" }).click();
  await expect(weights).toContainText("Enter a number from 0 to 1000.");
  await expect(moved).toHaveValue("lots");
  await moved.fill("60");
  // A server that does not answer, then one in trouble: both are told, what is typed stays, and it can be sent again.
  for (const answer of ["none", "500"] as const) {
    await page.route("**/desk/firm", (route) => {
      if (route.request().method() !== "POST") return route.continue();
      return answer === "none" ? route.abort() : route.fulfill({ status: 500, body: "out of order" });
    });
    const sent = page.waitForRequest((r) => r.method() === "POST" && r.url().endsWith("/desk/firm"));
    await weights.getByRole("button", { name: "Save weights" }).click();
    await sent;
    await expect(weights.getByRole("alert")).toContainText("The server did not answer.");
    await expect(moved).toHaveValue("60");
    await page.unroute("**/desk/firm");
  }
  await weights.getByRole("button", { name: "Save weights" }).click();
  await expect(weights).toContainText("Saved.");
  await page.reload();
  await expect(moved).toHaveValue("60");
  await weights.getByRole("button", { name: "Use the usual figures" }).click();
  await expect(weights).toContainText("Saved.");
  await expect(moved).toHaveValue("");
});

test("a list of ways is read first, its wrong lines told, its good ones taken over, and removed again", async ({
  as,
}) => {
  const page = await as("Maud");
  await page.goto("/desk/roads");
  const file = page.getByLabel(/^CSV with the columns/);
  const csv = (text: string) => ({ name: "ways.csv", mimeType: "text/csv", buffer: Buffer.from(text) });
  await file.setInputFiles(csv("Von,Nach\n1,2"));
  await expect(page.getByText("Line 1: The file has no column from, to, minutes.")).toBeVisible();
  await file.setInputFiles(csv("From,To,Minutes\nBase,Ilves Dental,14\nBase,Nowhere,3\n"));
  await expect(page.getByText("Line 3: There is no site “Nowhere”.")).toBeVisible();
  await page.getByRole("button", { name: "Take over 1 way" }).click();
  await expect(page.locator('[data-road="Base to Ilves Dental"]')).toContainText("14\u00a0min");
  await check(page, "roads");
  await page.getByRole("button", { name: "Remove the list" }).click();
  await expect(page.locator('[data-road="Base to Ilves Dental"]')).toHaveCount(0);
});

test("a site keeps other hours on a date: half of them is no hours, none of them is closed, and its visit says so", async ({
  as,
}) => {
  const page = await as("Maud");
  await page.goto("/weeks");
  const stop = page.locator('[data-block="Heron Bank"]').first();
  const on = ((await page.locator("[data-cell]", { has: stop }).getAttribute("data-cell")) ?? "").split(" ")[1] ?? "";
  await page.goto("/desk/site");
  await page.getByRole("link", { name: "Heron Bank" }).click();
  await page.waitForURL(/site\/[0-9a-f-]{36}/);
  await page.getByRole("button", { name: "Add a line: Other hours on a date" }).click();
  await page.getByLabel("Other hours on a date, line 1, From").fill(on);
  await page.getByLabel("Other hours on a date, line 1, Opens").fill("9");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.locator("#dates-error")).toHaveText("Enter both hours, or neither where it is closed.");
  await page.getByLabel("Other hours on a date, line 1, Opens").fill("");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto("/weeks");
  await expect(stop).toContainText("Closed on this date.");
});

test("a client with site, tank and every second Tuesday 8 to 10 is made in one flow, its mistakes told beside their fields", async ({
  as,
}) => {
  const page = await as("Maud");
  await page.goto("/desk/begin");
  const make = page.getByRole("button", { name: "Make client, site, tank and visits" });
  await make.click();
  await expect(page.getByText("Enter the client's name.")).toBeVisible();
  await expect(page.getByText("Enter the length.")).toBeVisible();
  await check(page, "a new client, with what is missing");
  await page.getByLabel(/^Client/).fill("Heron Court");
  await page.getByLabel("Who is written to").fill("Ada Wren");
  await page.getByLabel("E-mail").fill("ada@heron.example");
  await page.getByLabel("Address").fill("4 Quay Street");
  await page.getByLabel("Latitude and longitude").fill("50.43, -4.69");
  await page.getByLabel("May be visited").fill("Wed 8-10");
  await page.getByLabel("What the owner calls it").fill("Lobby tank");
  for (const [side, value] of [
    ["length", "120"],
    ["width|front to back", "50"],
    ["height", "50"],
  ] as const)
    await page.getByLabel(new RegExp(`^${side}`, "i")).fill(value);
  await expect(page.getByText("The site is closed on that day: choose another, or change its hours.")).toBeVisible();
  await page.getByLabel("May be visited").fill("Tue 8-10");
  await expect(page.locator("[data-first]")).toContainText(/First visit: Tuesday \d+ \w+\./);
  await make.click();
  await page.waitForURL(/desk\/site\/[0-9a-f-]{36}/);
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Heron Court");
  await expect(page.getByText(/every second Tuesday/i).first()).toBeVisible();
});

test("how letters speak is said at the desk, what cannot be is told beside its field", async ({ as }) => {
  const page = await as("Maud");
  await page.goto("/desk/firm");
  const form = page.locator("[data-voice]");
  await form.getByLabel(/^Greeting, before the name/).fill("Good day");
  await form.getByLabel(/^Colour of the firm/).fill("green");
  await form.getByRole("button", { name: "Save how letters speak" }).click();
  await expect(form.getByText("Enter a colour, such as #0a5a4a.").first()).toBeVisible();
  await expect(form.getByLabel(/^Greeting, before the name/)).toHaveValue("Good day");
  await form.getByLabel(/^Colour of the firm/).fill("#0a5a4a");
  await form.getByLabel("the owner's own list").check();
  await form.getByRole("button", { name: "Save how letters speak" }).click();
  await expect(form.getByRole("status")).toHaveText("Saved.");
  await page.reload();
  await expect(form.getByLabel("the owner's own list")).toBeChecked();
  await expect(page.getByText(/without list/)).toBeVisible();
  await page.goto("/letters?q=nobody+of+that+name");
  await expect(page.getByText("No letter is like that.")).toBeVisible();
  // As it was, for the journeys that read letters.
  await page.goto("/desk/firm");
  await form.getByLabel(/^Greeting, before the name/).fill("");
  await form.getByLabel(/^Colour of the firm/).fill("");
  await form.getByLabel("the owner's own list").uncheck();
  await form.getByRole("button", { name: "Save how letters speak" }).click();
  await expect(form.getByRole("status")).toHaveText("Saved.");
});
