import { expect, type Page, test } from "./fixtures";

/** Types into the field that has the focus and moves on, as hands on a keyboard do. */
async function type(page: Page, text: string): Promise<void> {
  await page.keyboard.type(text);
  await page.keyboard.press("Tab");
}

test("a new tank in under two minutes, by keyboard only", async ({ as, page }) => {
  await as("Tobiah");
  await page.goto("/tanks/new");
  const where = page.getByLabel("Where");
  await expect(where).toBeEnabled();
  const began = Date.now();
  await where.focus();
  await type(page, "Anchorage");
  await type(page, "Corridor tank");
  await type(page, "planted");
  await type(page, "Half round");
  await type(page, "45");
  await type(page, "55");
  await expect(page.getByRole("img", { name: "Corridor tank to scale" })).toBeVisible();
  await type(page, "Port Averil");
  await type(page, "no");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Corridor tank, Anchorage Care Home");
  // Hands need longer than this, but no more keys: what is measured is that nothing is in the way.
  expect(Date.now() - began).toBeLessThan(120_000);

  // What nobody answered is marked, and confirming it narrows the litres.
  const litres = page.getByText(/in the system/);
  const before = await litres.textContent();
  await page.getByRole("button", { name: /^Confirm all \d+/ }).click();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByRole("button", { name: /is assumed/ })).toHaveCount(0);
  await expect(litres).not.toHaveText(before ?? "");
  await page.getByRole("link", { name: "Section" }).click();
  await expect(page.getByRole("img", { name: /to scale/ }).first()).toBeVisible();
});

test("what is wrong stands beside what was typed, and a draft outlives the page", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/client/new");
  await page.getByLabel("Name").fill("Otter Wharf");
  await page.getByLabel("E-mail").fill("nobody");
  await page.getByRole("button", { name: "Make this client" }).click();
  await expect(page.getByText("“nobody” is not an e-mail address.")).toBeVisible();
  await expect(page.getByText("Enter the contact.")).toBeVisible();
  await page.reload();
  await expect(page.getByText("What you typed before is still here")).toBeVisible();
  await expect(page.getByLabel("Name")).toHaveValue("Otter Wharf");
  await page.getByLabel("Contact").fill("Miss Lutra");
  await page.getByLabel("E-mail").fill("lutra@otter-wharf.example");
  await page.getByLabel("Letters", { exact: true }).selectOption("mail-link");
  await page.getByRole("button", { name: "Make this client" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Otter Wharf");
  await expect(page.getByText("made this client")).toBeVisible();
});

test("a client gets another site, and the site its recurring visits", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/client?q=Ormond");
  await page.getByRole("link", { name: "Mr. and Mrs. Ormond" }).click();
  await page.getByRole("link", { name: "New site" }).click();
  await expect(page.getByLabel("Client", { exact: true })).not.toHaveValue("");
  await page.getByLabel("Name", { exact: true }).fill("Ormond boathouse");
  await page.getByLabel("Address").fill("4 Slipway Road");
  await page.getByLabel("Latitude").fill("50.42");
  await page.getByLabel("Longitude").fill("-4.69");
  await page.getByLabel("May be worked in").fill("Mon-Fri 9:00-17:00");
  await page.getByLabel("Unload and load").fill("8");
  await page.getByLabel("Waste water goes to").selectOption("garden");
  await page.getByLabel("Bucket or barrel").fill("20");
  // Whether there is hot water is asked, and never taken for a no.
  await expect(page.getByLabel("Hot water at the tap")).toHaveValue("");
  await page.getByRole("button", { name: "Make this site" }).click();
  await expect(page.getByText("Choose yes or no for “hot water at the tap”.")).toBeVisible();
  await page.getByLabel("Hot water at the tap").selectOption("yes");
  await page.getByRole("button", { name: "Make this site" }).click();
  await expect(page.getByRole("heading", { level: 1 })).toHaveText("Ormond boathouse");
  await expect(page.getByLabel("May be worked in")).toHaveValue("Mon–Fri 09:00–17:00");
  await page.getByRole("button", { name: "Begin recurring visits" }).click();
  await page.getByLabel("Every … weeks").fill("2");
  const days = page.getByRole("group", { name: "Days of the week" });
  for (const day of await days.locator('[aria-pressed="true"]').all()) await day.click();
  await expect(page.getByText("Choose at least one day of the week.")).toBeVisible();
  await days.getByRole("button", { name: "Sunday" }).click();
  await expect(page.getByText("The site is closed on Sundays: choose other days, or change its hours.")).toBeVisible();
  await days.getByRole("button", { name: "Sunday" }).click();
  await days.getByRole("button", { name: "Tuesday" }).click();
  await page.getByLabel("Who comes").selectOption("Tobiah Renn");
  await expect(page.getByText(/^Every second Tuesday/)).toBeVisible();
  await page.getByRole("button", { name: "Save visits" }).click();
  await expect(page.locator("[data-series]")).toContainText(/^Every second Tuesday.*Tobiah Renn/);
  await expect(page.getByText(/changed the visits: Every second Tuesday/)).toBeVisible();
});

test("a save is undone, and a field is set back in its history", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/site?q=Kettle");
  await page.getByRole("link", { name: "Kettle Diner" }).first().click();
  await page.waitForURL("**/desk/site/*");
  await page.getByLabel("Parking", { exact: true }).fill("behind the bins");
  await page.getByLabel("Floors to protect").fill("cork");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByText("behind the bins")).toBeVisible();
  await page.getByRole("button", { name: "Set floors to protect back to tiles" }).click();
  await expect(page.getByText("cork → tiles")).toBeVisible();
  await page.getByLabel("Parking", { exact: true }).fill("in front");
  await page.reload();
  await page.getByRole("button", { name: "Start over" }).click();
  await expect(page.getByLabel("Floors to protect", { exact: true })).toHaveValue("tiles");
  await page.getByLabel("Pets", { exact: true }).fill("a parrot");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("a parrot → nothing")).toBeVisible();
  await expect(page.getByLabel("Pets", { exact: true })).toHaveValue("");
});

test("a stale edit is shown side by side, and saved over or beside it", async ({ as, page, browser, baseURL }) => {
  await as("Ines");
  await page.goto("/desk/site?q=Museum");
  await page.getByRole("link", { name: "Town Museum" }).first().click();
  await page.waitForURL("**/desk/site/*");
  await expect(page.getByLabel("Parking", { exact: true })).toBeEnabled();
  const second = await browser.newPage({ baseURL: baseURL ?? "" });
  await as("Maud", { page: second });
  await second.goto(page.url());
  await second.getByLabel("Parking", { exact: true }).fill("by the cannon");
  await second.getByLabel("Pets", { exact: true }).fill("a stuffed heron");
  await second.getByRole("button", { name: "Save", exact: true }).click();
  await expect(second.getByText("Saved.")).toBeVisible();
  await second.close();

  await page.getByLabel("Parking", { exact: true }).fill("on the quay");
  await page.getByLabel("Unload and load", { exact: true }).fill("11");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Maud Oyelaran saved this after you opened it.")).toBeVisible();
  const row = page.getByRole("row", { name: /Parking/ });
  await expect(row).toContainText("by the cannon");
  await expect(row).toContainText("on the quay");
  await expect(page.getByRole("row", { name: /Pets/ })).toContainText("left as it was");
  await row.getByRole("button", { name: "Take theirs" }).click();
  await page.getByRole("button", { name: "Save mine beside it" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Parking", { exact: true })).toHaveValue("by the cannon");
  await expect(page.getByLabel("Pets", { exact: true })).toHaveValue("a stuffed heron");
  await expect(page.getByLabel("Unload and load", { exact: true })).toHaveValue("11");
});

test("a draft that somebody else has saved over meanwhile is shown beside theirs, not kept over it", async ({
  as,
  page,
  browser,
  baseURL,
}) => {
  await as("Ines");
  await page.goto("/desk/site?q=Seagrass");
  await page.getByRole("link", { name: "Seagrass Lab" }).first().click();
  await page.waitForURL("**/desk/site/*");
  const address = page.url();
  await page.getByLabel("Parking", { exact: true }).fill("in the reeds");
  await page.goto("/tanks");
  const second = await browser.newPage({ baseURL: baseURL ?? "" });
  await as("Maud", { page: second });
  await second.goto(address);
  await second.getByLabel("Parking", { exact: true }).fill("at the pump house");
  await second.getByRole("button", { name: "Save", exact: true }).click();
  await expect(second.getByText("Saved.")).toBeVisible();
  await second.close();
  await page.goto(address);
  await expect(page.getByText("What you typed before is still here")).toBeVisible();
  await page.getByRole("button", { name: "Save", exact: true }).click();
  const row = page.getByRole("row", { name: /Parking/ });
  await expect(row).toContainText("at the pump house");
  await expect(row).toContainText("in the reeds");
  await page.getByRole("button", { name: "Save mine over it" }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Parking", { exact: true })).toHaveValue("in the reeds");
});

test("a list is sorted, its columns chosen, and several rows set at once", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/equipment?q=Return+pump");
  await page.getByRole("link", { name: "Last serviced" }).click();
  await expect(page.getByRole("columnheader", { name: /Last serviced/ })).toHaveAttribute("aria-sort", "ascending");
  await page.getByText("Columns", { exact: true }).click();
  await page.getByRole("checkbox", { name: "Power" }).check();
  await page.getByRole("button", { name: "Show these" }).click();
  await expect(page.getByRole("columnheader", { name: "Power" })).toBeVisible();
  expect(page.url()).toContain("col=watts");
  const boxes = page.getByRole("checkbox", { name: /^Choose/ });
  await boxes.nth(0).check();
  await boxes.nth(1).check();
  await page.getByLabel("Field to set").selectOption("Power");
  await page.getByLabel("New value").fill("much");
  await page.getByRole("button", { name: "Set them" }).click();
  await expect(page.getByText("“much” is not a number.")).toBeVisible();
  await page.getByLabel("New value").fill("61,5");
  await page.getByRole("button", { name: "Set them" }).click();
  await expect(page.getByText("2 changed.")).toBeVisible();
  await expect(page.getByRole("cell", { name: "62 W" })).toHaveCount(2);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("cell", { name: "62 W" })).toHaveCount(0);
});

test("animals that are lost are counted, and a dwindling group is pointed out", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/tanks?q=Seahorses");
  await page.getByRole("link", { name: "Seahorses" }).click();
  await page.getByRole("link", { name: "Animals", exact: true }).click();
  const group = page.getByRole("button", { name: /^What happened to/ }).first();
  await group.click();
  await page.getByLabel("How many").fill("2");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText(/losses are data/)).toBeVisible();
  await page.getByLabel("Cause, of a loss").fill("unknown");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText(/2 lost, unknown/)).toBeVisible();
  await expect(page.getByText(/dwindling: 2 of/)).toBeVisible();
});

test("codes of a site are shown to who needs them, and the look is written down", async ({
  as,
  page,
  browser,
  baseURL,
}) => {
  await as("Maud");
  await page.goto("/desk/site?q=Maritime");
  await page.getByRole("link", { name: "Maritime College" }).first().click();
  await page.waitForURL("**/desk/site/*");
  await page.getByRole("button", { name: "Show the codes" }).click();
  await expect(page.getByText("Side gate 4471")).toBeVisible();
  await expect(page.getByText(/Last: Maud Oyelaran/)).toBeVisible();
  const second = await browser.newPage({ baseURL: baseURL ?? "" });
  // She serves the diner, but not today.
  await as("Ines", { page: second });
  await second.goto("/desk/site?q=Kettle");
  await second.getByRole("link", { name: "Kettle Diner" }).first().click();
  await second.waitForURL("**/desk/site/*");
  await second.getByRole("button", { name: "Show the codes" }).click();
  await expect(second.getByText("on a day with a stop here")).toBeVisible();
  await second.close();
});

test("an owner has no desk, and no form reaches a neighbour's tank", async ({ as, page }) => {
  await as("owner");
  await page.goto("/tanks");
  await expect(page.getByRole("link", { name: "Desk" })).toHaveCount(0);
  await page.goto("/desk/site");
  await expect(page.getByText(/nothing here|not found|no such/i).first()).toBeVisible();
  await page.goto("/tanks/new");
  await expect(page.getByText(/nothing here|not found|no such/i).first()).toBeVisible();
});

test("the firm's limits are set by the office, refused beside the field, and told with who changed them", async ({
  as,
  page,
}) => {
  await as("Maud");
  await page.goto("/desk/firm");
  const calcium = page.getByLabel("Calcium, corals, mg/L");
  await calcium.fill("a lot");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("A number from 1 to 500.")).toBeVisible();
  await calcium.fill("40");
  await page.getByRole("button", { name: "Save", exact: true }).click();
  await expect(page.getByText("Saved.")).toBeVisible();
  await expect(page.getByText("calcium, corals, 50 mg/L →")).toBeVisible();
  const technician = page.context();
  await technician.clearCookies();
  await as("Ines");
  await page.goto("/desk/firm");
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
});
