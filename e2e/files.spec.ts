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
  await page.getByRole("link", { name: "Readings" }).click();
  await expect(page.getByRole("cell", { name: "12.5 mg/L" }).first()).toBeVisible();

  await page.goto("/desk/files");
  await page.getByRole("link", { name: "logbook.csv" }).click();
  await page.getByRole("button", { name: "Undo the import" }).click();
  await expect(page.getByText("This import was taken back.")).toBeVisible();
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
