import { expect, test } from "./fixtures";

/** A day so long ago, written with the day first. */
const ago = (days: number) => {
  const [year, month, day] = new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10).split("-").map(Number);
  return `${day}.${month}.${year}`;
};

const list = [
  "Site;Tank;Taken;NO3 (ppm);Temp (°F)",
  `Kettle Diner;Archerfish;${ago(3)} 09:30;12,5;78,8`,
  `Kettle Diner;Archerfsh;${ago(4)} 09:30;14;79`,
  `Kettle Diner;Archerfsh;${ago(18)} 09:30;15;79`,
  "Kettle Diner;Archerfish;30.2.2026 09:30;15;79",
].join("\n");

test("readings are brought in: looked at, mended, imported and taken back", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/files");
  await page.getByLabel("What the file holds").selectOption("readings");
  await page
    .getByLabel("File", { exact: true })
    .setInputFiles({ name: "logbook.csv", mimeType: "text/csv", buffer: Buffer.from(list) });
  await page.getByRole("button", { name: "Look at it" }).click();
  await page.waitForURL("**/desk/files/**");
  // Columns are guessed, units from the headings.
  await expect(page.getByLabel("Meaning of NO3 (ppm)")).toHaveValue("of:nitrate");
  await expect(page.getByLabel("Unit of Temp (°F)")).toHaveValue("°F");
  await expect(page.getByLabel("Decimals are written")).toHaveValue(",");
  await page.getByRole("button", { name: "Check every row" }).click();

  // Every row says what it would be; one answer mends both rows of another spelling.
  await expect(page.getByText("Did you mean “Archerfish”?").first()).toBeVisible();
  await expect(page.getByText("“30.2.2026” does not exist as a day.")).toBeVisible();
  await expect(page.getByRole("button", { name: /^Import \d/ })).toBeDisabled();
  await page.getByRole("row", { name: /^2 / }).getByRole("button", { name: "Mend" }).click();
  await expect(page.getByLabel("Tank of row 2")).toHaveValue("Archerfish");
  await page.getByRole("button", { name: "Keep" }).click();
  await expect(page.getByText("Did you mean")).toHaveCount(0);
  await page.getByRole("row", { name: /^4 / }).getByRole("button", { name: "Mend" }).click();
  await page.getByLabel("Taken of row 4").fill("28.2.2026 09:30");
  await page.getByRole("button", { name: "Keep" }).click();
  await page.getByRole("button", { name: "Import 4 rows" }).click();
  await expect(page.getByText("4 new, 0 changed")).toBeVisible();

  await page.goto("/tanks?q=Archerfish");
  await page.getByRole("link", { name: "Archerfish" }).click();
  await page.getByRole("link", { name: "Readings", exact: true }).click();
  await expect(page.getByRole("cell", { name: "12.5 mg/L" }).first()).toBeVisible();

  await page.goto("/desk/files");
  await page.getByRole("link", { name: "logbook.csv" }).click();
  await page.getByRole("button", { name: "Undo the import" }).click();
  await expect(page.getByText("This import was taken back.")).toBeVisible();
});

test("on a slow line the preview comes by itself", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/files");
  const line = await page.context().newCDPSession(page);
  // Each answer of the page takes longer than the progress is told.
  await line.send("Network.emulateNetworkConditions", {
    offline: false,
    latency: 900,
    downloadThroughput: 40_000,
    uploadThroughput: 40_000,
  });
  await page.getByLabel("What the file holds").selectOption("readings");
  await page
    .getByLabel("File", { exact: true })
    .setInputFiles({ name: "slow.csv", mimeType: "text/csv", buffer: Buffer.from(list) });
  await page.getByRole("button", { name: "Look at it" }).click();
  await page.getByRole("button", { name: "Check every row" }).click({ timeout: 30_000 });
  await expect(page.getByText("Did you mean “Archerfish”?").first()).toBeVisible({ timeout: 30_000 });
});

test("a file that was cut off is refused with a clear word, and nothing is kept", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/files");
  await page
    .getByLabel("File", { exact: true })
    .setInputFiles({ name: "half.csv", mimeType: "text/csv", buffer: Buffer.from('Name,Contact\nA,"half a na') });
  await page.getByRole("button", { name: "Look at it" }).click();
  await expect(page.getByText(/The file ends inside a quoted cell/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole("link", { name: "half.csv" })).toHaveCount(0);
});

test("a list that went out changes nothing when it comes in again", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/desk/files");
  const waiting = page.waitForEvent("download");
  await page.getByRole("link", { name: "sites, CSV" }).click();
  const path = await (await waiting).path();
  await page.getByLabel("What the file holds").selectOption("sites");
  await page.getByLabel("File", { exact: true }).setInputFiles(path);
  await page.getByRole("button", { name: "Look at it" }).click();
  await page.getByRole("button", { name: "Check every row" }).click();
  await expect(page.getByRole("button", { name: "Import 0 rows" })).toBeDisabled();
  await expect(page.getByText("here already").first()).toBeVisible();
});

test("anything is found with a slash: with a slip, by arrows and Enter", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/round");
  await expect(page.getByRole("button", { name: "find" })).toBeEnabled();
  await page.keyboard.press("/");
  const box = page.getByRole("combobox", { name: /Find a client/ });
  await expect(box).toBeFocused();
  await page.keyboard.type("saltmarkt hotl");
  await expect(page.getByRole("option").first()).toContainText("Saltmarket Hotel");
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("option").nth(1)).toHaveAttribute("aria-selected", "true");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Enter");
  await page.waitForURL("**/tanks/**");
  await expect(page.getByRole("heading", { level: 1 })).toContainText("Saltmarket Hotel");
  await page.keyboard.press("/");
  await page.keyboard.type("qqqqqq");
  await expect(page.getByText("Nothing is called “qqqqqq”, even with a letter or two wrong.")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(box).toBeHidden();
});

test("a backup is restored into a business begun for it, looked at, and taken back", async ({ as, browser, page }) => {
  test.setTimeout(120_000);
  await as("Maud", { fresh: true });
  await page.goto("/desk/files");
  await page.getByLabel("Passphrase for the door codes").fill("two herons on a post");
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Back up everything" }).click();
  const backup = await (await download).path();
  await page.goto("/tanks");
  const tanks = await page.locator("tbody tr").count();

  await page.goto("/desk/files");
  await page.getByRole("link", { name: "begin an empty business" }).click();
  const go = page.getByRole("button", { name: "Begin", exact: true });
  await page.getByLabel("Business", { exact: true }).fill("Quayside Water");
  await page.getByLabel("Letters come from").fill("letters@quayside.example");
  await page.getByLabel("Rounds start at").fill("by the quay");
  await page.getByLabel("Your name").fill("Perran Quay");
  await page.getByLabel("E-mail", { exact: true }).fill("maud@calder-renn.example");
  await page.getByLabel("Password").fill("a-lamp-in-the-window");
  await go.click();
  await expect(page.getByText("Enter latitude and longitude")).toBeVisible();
  await page.getByLabel("Rounds start at").fill("50.421, -4.702");
  await go.click();
  await expect(page.getByText("This address signs somebody in already.")).toBeVisible();
  await expect(page.getByLabel("Business", { exact: true })).toHaveValue("Quayside Water");
  await page.getByLabel(/^E-mail/).fill("perran@quayside.example");
  await go.click();
  await page.waitForURL("**/desk/files");

  await page.goto("/round");
  await expect(page.getByText("There is no site yet.")).toBeVisible();
  await page.getByRole("link", { name: "Bring lists in, or restore a backup" }).click();
  await page.waitForURL("**/desk/files");
  const restore = page.getByRole("button", { name: "Restore a backup" });
  await page.getByLabel("Backup", { exact: true }).setInputFiles(backup);
  await restore.click();
  await expect(page.getByText(/passphrase/i).last()).toBeVisible();
  await page.getByLabel("Passphrase for the door codes").fill("two herons on a post");
  await restore.click();
  await expect(page.getByText(/Restored: \d+ tanks at \d+ sites\./)).toBeVisible({ timeout: 60_000 });
  await page.goto("/tanks");
  await expect(page.locator("tbody tr")).toHaveCount(tanks);

  await page.goto("/desk/files");
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(page.getByText("Taken back. The business is as empty as before.")).toBeVisible();
  await page.goto("/tanks");
  await expect(page.locator("tbody tr")).toHaveCount(0);

  // Nobody who is not of the office begins one.
  const technician = await browser.newPage({ baseURL: new URL(page.url()).origin });
  await as("Ines", { page: technician });
  await technician.goto("/begin");
  await technician.waitForURL("**/round");
  await technician.close();
});
