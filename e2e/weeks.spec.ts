import { check } from "./axe";
import { begun, expect, openStop, type Page, test, tick } from "./fixtures";

test.use({ firm: "weeks" });

/** Next week, of everybody. */
async function nextWeek(page: Page): Promise<void> {
  await page.goto("/weeks");
  await expect(page.locator("[data-block]").first()).toBeVisible();
  await page.getByRole("link", { name: "After" }).click();
  await page.waitForURL(/from=/);
  await expect(page.getByRole("button", { name: /^Old Brewery/ })).toBeVisible();
}

const block = (page: Page, name: string) => page.locator(`[data-block="${name}"]`);
/** The cell that a block stands in. */
const cellOf = (page: Page, name: string) => page.locator("[data-cell]", { has: block(page, name) });

/** The first week from the next one on in which a stop stands: what comes every two or four weeks is not in each. */
async function weekOf(page: Page, name: string): Promise<void> {
  await nextWeek(page);
  for (let weeks = 0; weeks < 4 && (await block(page, name).count()) === 0; weeks++) {
    const from = page.url();
    await page.getByRole("link", { name: "After" }).click();
    await page.waitForURL((url) => url.href !== from);
    await expect(page.getByRole("button", { name: /^Old Brewery/ })).toBeVisible();
  }
}

/** The column of the week, from 0 on, that a block stands in. */
const columnOf = (page: Page, name: string) =>
  cellOf(page, name).evaluate((cell) =>
    [...(cell.closest("[data-week-row]")?.querySelectorAll("[data-cell]") ?? [])].indexOf(cell),
  );

/** The day of a cell's name, and its weekday as the board says it. */
const dayOf = (cell: string | null) => (cell ?? "").split(" ").at(-1) ?? "";
const weekdayOf = (day: string) =>
  new Intl.DateTimeFormat("en-GB", { weekday: "long", timeZone: "UTC" }).format(new Date(day));
const plus = (day: string, days: number) => new Date(Date.parse(day) + days * 86_400_000).toISOString().slice(0, 10);

/** Waits until what was moved is kept: the way back is there. */
async function kept(page: Page): Promise<void> {
  await expect(page.getByRole("button", { name: "Undo" })).toBeEnabled();
  await expect(page.getByText("Saving", { exact: true })).toHaveCount(0);
}

test("the office sees who goes where, what a day comes to, and moves a stop by its form, there and back", async ({
  as,
}) => {
  const page = await as("Maud");
  await nextWeek(page);
  for (const name of ["Ines Calder", "Tobiah Renn"])
    await expect(page.locator(`[data-week-row="${name}"]`)).toBeVisible();
  await check(page, "the weeks");
  // A stop with salt water that may be put off by three days within its week.
  let site = "Old Brewery";
  for (const name of ["Seagrass Lab", "Sailmaker's Loft"]) if ((await columnOf(page, site)) > 3) site = name;
  const from = await cellOf(page, site).getAttribute("data-cell");

  await block(page, site).click();
  const chosen = page.getByRole("region", { name: "Chosen stops" });
  await expect(chosen).toContainText(site);
  const day = chosen.getByLabel("Day", { exact: true });
  const was = await day.inputValue();
  // What it would break is said before it is moved; what nobody may break cannot be.
  await chosen.getByLabel("Who").selectOption({ label: "Tobiah Renn" });
  await expect(chosen).toContainText("Not there: Tobiah Renn does not do salt water.");
  await expect(chosen.getByRole("button", { name: "Move stop" })).toBeDisabled();
  await chosen.getByLabel("Who").selectOption({ label: "Ines Calder" });
  const later = plus(was, 3);
  await day.fill(later);
  await expect(chosen).toContainText("10 days after the visit before, instead of 7.");
  await check(page, "a stop that is chosen");
  await chosen.getByRole("button", { name: "Move stop" }).click();
  await kept(page);
  await expect(cellOf(page, site)).toHaveAttribute("data-cell", new RegExp(`${later}$`));
  // What it breaks stands on it until it is mended, also for whoever comes later.
  await page.reload();
  await expect(block(page, site)).toHaveAttribute("aria-label", /10 days after the visit before, instead of 7\./);

  await block(page, site).click();
  await page.getByRole("region", { name: "Chosen stops" }).getByLabel("Day", { exact: true }).fill(was);
  await page.getByRole("button", { name: "Move stop" }).click();
  await expect(cellOf(page, site)).toHaveAttribute("data-cell", from ?? "");
  await kept(page);
  await page.keyboard.press("Control+z");
  await expect(cellOf(page, site)).toHaveAttribute("data-cell", new RegExp(`${later}$`));
  await page.keyboard.press("Control+Shift+Z");
  await expect(cellOf(page, site)).toHaveAttribute("data-cell", from ?? "");
});

test("by keys alone: lifted, carried a cell with each arrow, put down; each day says what it would mean; Escape puts it back", async ({
  as,
}) => {
  const page = await as("Maud");
  await weekOf(page, "Sailmaker's Loft");
  const from = await cellOf(page, "Sailmaker's Loft").getAttribute("data-cell");
  const was = dayOf(from);
  // To the day before, but from the first day of the row to the one after.
  const first = dayOf(await page.locator("[data-cell]").first().getAttribute("data-cell"));
  const [arrow, to] = was === first ? ["ArrowRight", plus(was, 1)] : ["ArrowLeft", plus(was, -1)];
  const live = page.locator('[id^="DndLiveRegion"]');
  await block(page, "Sailmaker's Loft").focus();
  await page.keyboard.press("Space");
  await expect(page.locator("[data-would]").first()).toBeVisible();
  await expect(page.locator('[data-week-row="Tobiah Renn"] [data-would="refused"]').first()).toContainText(
    "Not here: Tobiah Renn does not do salt water.",
  );
  await page.keyboard.press(arrow);
  await expect(live).toContainText(`over ${weekdayOf(to)}`);
  await page.keyboard.press("Escape");
  await expect(live).toContainText("Sailmaker's Loft put back.");
  await expect(cellOf(page, "Sailmaker's Loft")).toHaveAttribute("data-cell", from ?? "");

  await block(page, "Sailmaker's Loft").focus();
  await page.keyboard.press("Space");
  await expect(live).toContainText(`over ${weekdayOf(was)}`);
  await page.keyboard.press(arrow);
  await expect(live).toContainText(`over ${weekdayOf(to)}`);
  await page.keyboard.press("Space");
  await kept(page);
  await expect(cellOf(page, "Sailmaker's Loft")).toHaveAttribute("data-cell", new RegExp(`${to}$`));
});

test("by the pointer, two at once, and one set aside", async ({ as }) => {
  const page = await as("Maud");
  await nextWeek(page);
  await block(page, "Tanner's Inn").click();
  await block(page, "St. Olave's Hospice").click({ modifiers: ["Control"] });
  const target = page
    .locator('[data-week-row="Tobiah Renn"] [data-cell]')
    .nth((await columnOf(page, "Tanner's Inn")) === 4 ? 3 : 4);
  const to = await target.getAttribute("data-cell");
  const [a, b] = [await block(page, "Tanner's Inn").boundingBox(), await target.boundingBox()];
  await page.mouse.move((a?.x ?? 0) + 20, (a?.y ?? 0) + 10);
  await page.mouse.down();
  await page.mouse.move((a?.x ?? 0) + 60, (a?.y ?? 0) + 20, { steps: 4 });
  await page.mouse.move((b?.x ?? 0) + 40, (b?.y ?? 0) + 30, { steps: 8 });
  // A slow machine draws what was passed on the way first.
  await expect(target).toHaveAttribute("data-over", "");
  await page.mouse.up();
  await kept(page);
  for (const name of ["Tanner's Inn", "St. Olave's Hospice"])
    await expect(cellOf(page, name)).toHaveAttribute("data-cell", to ?? "");

  await weekOf(page, "Lock Cottage");
  await block(page, "Lock Cottage").click();
  const chosen = page.getByRole("region", { name: "Chosen stops" });
  await expect(chosen.getByRole("button", { name: "Set aside" })).toBeDisabled();
  await chosen.getByLabel("Or set aside, because").fill("owner away");
  await chosen.getByRole("button", { name: "Set aside" }).click();
  await expect(page.locator('[data-cell="aside"]')).toContainText("owner away");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.locator('[data-cell="aside"]')).not.toContainText("owner away");
});

test("two people at once: a move of one is seen by the other, and a stale one is told, not written over", async ({
  as,
  browser,
  baseURL,
}) => {
  const page = await as("Maud");
  const other = await as("Ines", { page: await (await browser.newContext(baseURL ? { baseURL } : {})).newPage() });
  await weekOf(page, "Seagrass Lab");
  await weekOf(other, "Seagrass Lab");
  const was = await cellOf(page, "Seagrass Lab").getAttribute("data-cell");
  const cells = await page
    .locator('[data-week-row="Ines Calder"] [data-cell]')
    .evaluateAll((all) => all.map((cell) => (cell as HTMLElement).dataset.cell ?? ""));
  const [stale = "", moved = ""] = cells.filter((cell) => cell !== was).slice(-2);
  // Somebody who looks at an old board: what is new does not reach them.
  await other.route("**/api/weeks", (route) => route.abort());
  await block(page, "Seagrass Lab").click();
  await page.getByLabel("Day", { exact: true }).fill(dayOf(moved));
  await page.getByRole("button", { name: "Move stop" }).click();
  await kept(page);
  await block(other, "Seagrass Lab").click();
  await other.getByLabel("Day", { exact: true }).fill(dayOf(stale));
  await other.getByRole("button", { name: "Move stop" }).click();
  await expect(
    other.getByText(`Somebody else moved Seagrass Lab meanwhile: it stands on ${weekdayOf(dayOf(moved))}`),
  ).toBeVisible();
  await expect(cellOf(other, "Seagrass Lab")).toHaveAttribute("data-cell", moved);

  await other.unroute("**/api/weeks");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(cellOf(other, "Seagrass Lab")).toHaveAttribute("data-cell", was ?? "");
});

test("four weeks, and a month of one person", async ({ as }) => {
  const page = await as("Maud");
  await page.goto("/weeks?span=cycle");
  await expect(page.locator("[data-week-row]")).toHaveCount(8);
  await page.goto("/weeks?span=month");
  await expect(page.getByRole("heading", { level: 1 })).toContainText(/^[A-Z][a-z]+ 20\d\d$/);
  await page.getByLabel("Whose month").selectOption({ label: "Tobiah Renn" });
  await page.getByRole("button", { name: "Show" }).click();
  await expect(page.getByText(/stops?, Tobiah Renn/)).toBeVisible();
  // A day that is none means today's week.
  await page.goto("/weeks?from=2026-13-77");
  await expect(page.locator("[data-week-row]")).toHaveCount(2);
});

test("a technician has their own row, on a phone a list of days, and moves a stop there", async ({ as }) => {
  const page = await as("Ines");
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/weeks");
  await page.getByRole("link", { name: "After" }).click();
  await page.waitForURL(/from=/);
  await expect(page.getByRole("button", { name: /^Ormond house/ })).toBeVisible();
  await expect(page.getByText("Tobiah Renn")).toHaveCount(0);
  await check(page, "the weeks on a phone");
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.getByRole("button", { name: /^Ormond house/ }).click();
  const chosen = page.getByRole("region", { name: "Chosen stops" });
  const day = chosen.getByLabel("Day", { exact: true });
  const next = plus(await day.inputValue(), 1);
  await day.fill(next);
  await chosen.getByRole("button", { name: "Move stop" }).click();
  await kept(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();
});

test("the round is settled: each move with its reason, some of them left, accepted as one, and undone as one", async ({
  as,
}) => {
  const page = await as("Maud");
  await nextWeek(page);
  /** Which blocks stand in which cell. */
  const where = () =>
    page
      .locator("[data-cell]")
      .evaluateAll((cells) =>
        cells
          .flatMap((c) =>
            [...c.querySelectorAll<HTMLElement>("[data-block]")].map(
              (b) => `${b.dataset.block} ${(c as HTMLElement).dataset.cell}`,
            ),
          )
          .sort(),
      );
  const before = await where();
  // One stop is to stay where it is.
  await block(page, "Gallery Nine").click();
  await page.getByLabel("Stays when the round is settled").check();
  await page.getByRole("button", { name: "Settle the round" }).click();
  const panel = page.getByRole("region", { name: "Settling the round" });
  await expect(panel).toHaveAttribute("data-settling", "ended", { timeout: 60_000 });
  await expect(panel).toContainText(/Settling would move \d+ stops/);
  await check(page, "a round that is settled");
  const moves = panel.locator("[data-move]");
  expect(await moves.count()).toBeGreaterThan(2);
  await expect(panel.locator('[data-move="Gallery Nine"]')).toHaveCount(0);
  for (const move of await moves.all()) await expect(move).toContainText(/\.$/);
  // Nothing has changed for anybody; one move is not wanted.
  const left = (await moves.first().getAttribute("data-move")) ?? "";
  await moves.first().getByRole("checkbox").uncheck();
  const cellBefore = (name: string) =>
    new RegExp(`^${(before.find((x) => x.startsWith(`${name} `)) ?? "").slice(name.length + 1)}$`);
  await expect(cellOf(page, left)).toHaveAttribute("data-cell", cellBefore(left));
  const second = (await moves.nth(1).getAttribute("data-move")) ?? "";
  await panel.getByRole("button", { name: /^Accept \d+ moves?$/ }).click();
  await expect(panel).toHaveCount(0);
  await kept(page);
  await expect(cellOf(page, left)).toHaveAttribute("data-cell", cellBefore(left));
  await expect(cellOf(page, second)).not.toHaveAttribute("data-cell", cellBefore(second));
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();
  await expect.poll(where).toEqual(before);
});

test("a van that is too small for its days goes back to base to refill; what no order makes lighter is said", async ({
  as,
}) => {
  const page = await as("Maud");
  /** What the van of Ines Calder carries, as it is typed at the desk. */
  const carries = async (kg: string) => {
    await page.goto("/desk/people");
    const row = page.locator('[data-person="Ines Calder"]');
    await row.getByText("Day, van and skills", { exact: true }).click();
    await row.getByLabel("Van carries, kg").fill(kg);
    await row.getByRole("button", { name: "Save day, van and skills" }).click();
    await expect(row.getByText("Saved.", { exact: true })).toBeVisible();
  };
  await carries("110");
  await nextWeek(page);
  await page.getByRole("button", { name: "Settle the round" }).click();
  const panel = page.getByRole("region", { name: "Settling the round" });
  await expect(panel).toHaveAttribute("data-settling", "ended", { timeout: 60_000 });
  await expect(panel).toContainText(/ and go back to base (once|\d times) to refill/);
  const refill = panel.locator("[data-refill]").first();
  await expect(refill).toContainText(/Its van carries \d+\skg less at once, for \d/);
  await expect(panel.locator("[data-stays]", { hasText: "Its water alone is" }).first()).toContainText(
    /and the van carries 110\skg: mix it on site, or split the change\./,
  );
  const site = (await refill.getAttribute("data-refill")) ?? "";
  await panel.getByRole("button", { name: /^Accept .*refills?$/ }).click();
  await expect(panel).toHaveCount(0);
  await kept(page);
  // The day goes back to base after that stop, on whoever's round it is.
  const day = dayOf(await cellOf(page, site).getAttribute("data-cell"));
  const round = await page.context().newPage();
  await round.goto(`/round?day=${day}`);
  await round.getByLabel("Whose round").selectOption({ label: "Ines Calder" });
  await round.getByRole("button", { name: "Show" }).click();
  await expect(round.getByText(`Refill at base after ${site}.`)).toBeVisible();
  await round.close();

  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();
  await carries("440");
});

test("a settling is stopped and left: nothing has changed", async ({ as }) => {
  const page = await as("Maud");
  // A machine so slow that nothing has come of it yet.
  await page.addInitScript(() => {
    Worker.prototype.postMessage = () => {};
  });
  await nextWeek(page);
  await page.getByRole("button", { name: "Settle the round" }).click();
  const panel = page.getByRole("region", { name: "Settling the round" });
  await expect(panel).toBeVisible();
  await panel.getByRole("button", { name: "Stop and keep the best" }).click();
  await expect(panel).toHaveAttribute("data-settling", "ended");
  await expect(panel).toContainText("It ended before anything was found.");
  await expect(panel.getByRole("button", { name: "Accept" })).toBeDisabled();
  await panel.getByRole("button", { name: "Leave it" }).click();
  await expect(panel).toHaveCount(0);
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();
});

test("somebody is ill: their stops are offered to colleagues and other days, accepted in one go, undone with one press", async ({
  as,
}) => {
  const page = await as("Maud");
  await nextWeek(page);
  const full = page
    .locator('[data-week-row="Tobiah Renn"] [data-cell]')
    .filter({ has: page.locator("[data-block]").nth(1) })
    .first();
  const day = dayOf(await full.getAttribute("data-cell"));
  await page.getByRole("button", { name: "Away or closed" }).click();
  const panel = page.getByRole("region", { name: "Away or closed" });
  await panel.getByLabel("Who or what").selectOption({ label: "Tobiah Renn" });
  await panel.getByLabel("Last day").fill("2020-01-01");
  await expect(panel).toContainText("Enter a last day that is not before the first.");
  await panel.getByLabel("First day").fill(day);
  await panel.getByLabel("Last day").fill(day);
  await expect(panel).toContainText(/\d stops cannot be done as planned\. Nothing changes until you accept\./);
  await expect(panel.getByRole("button", { name: /^Note absence/ })).toBeDisabled();
  await panel.getByLabel("Why").fill("ill");
  await check(page, "somebody who is away");
  const offers = panel.locator("[data-offer]");
  const name = (await offers.first().getAttribute("data-offer")) ?? "";
  const from = await cellOf(page, name).getAttribute("data-cell");
  await panel.getByRole("button", { name: /^Note absence and \d+ moves?$/ }).click();
  await kept(page);
  await expect(cellOf(page, name)).not.toHaveAttribute("data-cell", from ?? "");
  // Whom to tell, with a draft; nothing was sent.
  await expect(page.getByText(/owners? to be told; nothing has been sent/)).toBeVisible();
  const tell = page.locator("[data-tell]");
  const text = tell.getByRole("textbox").first();
  await expect(text).toHaveValue(/(Hello|Dear .+),\s+(We had planned|On )/);
  await text.fill("We come a day later. Call us any time.");
  // One of them is sent, the others are left out: it waits, and is taken back.
  const boxes = tell.getByRole("checkbox");
  for (let i = (await boxes.count()) - 1; i > 0; i--) await boxes.nth(i).uncheck();
  await tell.getByRole("button", { name: "Send 1 message" }).click();
  const waiting = page.locator("[data-notices]");
  await expect(waiting).toContainText("We come a day later.");
  await expect(waiting).toContainText(/leaves \d+ \w+, \d\d:\d\d/);
  await check(page, "a message that waits");
  await waiting.getByRole("button", { name: /^Take back the message to/ }).click();
  await expect(waiting).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(cellOf(page, name)).toHaveAttribute("data-cell", from ?? "");
  await expect(page.getByText(/owners? to be told/)).toHaveCount(0);
});

test("one more visit is added by whom it costs least, and taken back", async ({ as }) => {
  const page = await as("Maud");
  await weekOf(page, "Wren & Daughters");
  await block(page, "Wren & Daughters").click();
  const chosen = page.getByRole("region", { name: "Chosen stops" });
  const day = chosen.getByLabel("Day", { exact: true });
  await day.fill(plus(await day.inputValue(), (await columnOf(page, "Wren & Daughters")) > 3 ? -2 : 3));
  await expect(chosen.locator("[data-one-more]")).toContainText(/it costs least with (Ines Calder|Tobiah Renn)/);
  await chosen.getByRole("button", { name: "Add one more visit" }).click();
  await kept(page);
  await expect(block(page, "Wren & Daughters")).toHaveCount(2);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(block(page, "Wren & Daughters")).toHaveCount(1);
});

test("a stop of two tanks is moved to today: at the door its tanks are gone between, each with its own visit", async ({
  as,
  browser,
  baseURL,
}) => {
  const page = await as("Maud");
  await page.goto("/weeks?span=cycle");
  await page
    .getByRole("button", { name: /^Estuary Court, (?!.*begun)/ })
    .first()
    .click();
  const day = page.getByRole("region", { name: "Chosen stops" }).getByLabel("Day", { exact: true });
  await day.fill((await day.getAttribute("min")) ?? "");
  await page.getByRole("button", { name: "Move stop" }).click();
  await kept(page);

  const context = await browser.newContext({ ...(baseURL ? { baseURL } : {}), viewport: { width: 390, height: 844 } });
  const phone = await as("Tobiah", { page: await context.newPage() });
  await phone.goto("/round");
  await expect(phone.locator('[data-kept="true"]')).toBeVisible();
  await openStop(phone, "Estuary Court");
  await phone.getByRole("link", { name: "Start the visit: Foyer left" }).click();
  await begun(phone);
  const tanks = phone.getByRole("navigation", { name: "Tanks of this stop" }).getByRole("link");
  await expect(tanks).toHaveText([/^Foyer left\s*under way$/, /^Foyer right\s*to begin$/]);
  await tick(phone);
  const left = (await phone.locator("[data-progress]").textContent()) ?? "";

  await tanks.nth(1).click();
  await begun(phone);
  await expect(phone.getByRole("heading", { level: 1 })).toContainText(/Foyer right$/i);
  await expect(tanks).toHaveText([/^Foyer left\s*under way$/, /^Foyer right\s*under way$/]);
  // Back at the first one it goes on where it was left.
  await tanks.nth(0).click();
  await expect(phone.getByRole("heading", { level: 1 })).toContainText(/Foyer left$/i);
  await expect(phone.locator("[data-progress]")).toHaveText(left);
});

test("a server that does not answer is told, and what is shown is what it holds", async ({ as }) => {
  const page = await as("Maud");
  await nextWeek(page);
  const from = await cellOf(page, "Bellmaker's").getAttribute("data-cell");
  await page.route("**/weeks**", (route) => (route.request().method() === "POST" ? route.abort() : route.fallback()));
  await block(page, "Bellmaker's").click();
  const day = page.getByLabel("Day", { exact: true });
  await day.fill(plus(await day.inputValue(), 1));
  await page.getByRole("button", { name: "Move stop" }).click();
  await expect(page.getByText(/^The server did not answer\./)).toBeVisible();
  await expect(cellOf(page, "Bellmaker's")).toHaveAttribute("data-cell", from ?? "");
  // It is tried once more as soon as there is an answer.
  await page.unroute("**/weeks**");
  await expect(page.getByRole("button", { name: "Move stop" })).toBeEnabled();
  await page.getByRole("button", { name: "Move stop" }).click();
  await kept(page);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(cellOf(page, "Bellmaker's")).toHaveAttribute("data-cell", from ?? "");
});
