import { expect, openDrain, openStop, type Page, startVisit, test } from "./fixtures";

async function open(page: Page, words: string): Promise<void> {
  await page.goto(`/tanks?q=${encodeURIComponent(words)}`);
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await expect(page.getByLabel("Take out")).toBeEnabled();
}
const figures = (page: Page) => page.locator("[data-figures]");
const mark = (page: Page) => page.getByRole("slider", { name: "Drain line" });

test("the drain mark is dragged and everything follows; as planned comes back", async ({ as, page }) => {
  await as("Ines");
  await open(page, "Ilves");
  const planned = await figures(page).textContent();
  const before = Number(await page.getByLabel("Take out").inputValue());
  const box = await mark(page).boundingBox();
  if (!box) throw new Error("no mark");
  await page.mouse.move(box.x + 60, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + box.height / 2 + 12, { steps: 4 });
  await expect(figures(page)).toContainText("At this line");
  await page.mouse.move(box.x + 60, box.y + box.height / 2 + 60, { steps: 6 });
  await page.mouse.up();
  expect(Number(await page.getByLabel("Take out").inputValue())).toBeGreaterThan(before + 50);
  // Past its limits the nearest is named, with what would be bare and for how long; kept wet a coral bears twice its
  // time. Which one is nearest depends on the tank's settings, which other journeys change.
  await expect(figures(page)).toContainText(/Too far: (The highest coral may|These animals bear)/);
  await expect(page.getByText(/In air: .*highest coral \d+ min, may 20/)).toBeVisible();
  await page.getByRole("button", { name: "As planned", exact: true }).click();
  expect(await figures(page).textContent()).toBe(planned);
});

test("by keyboard alone: a millimetre, a centimetre, and what a screen reader hears", async ({ as, page }) => {
  await as("Ines");
  await open(page, "Kettle");
  const typed = page.getByLabel("Drain line from the rim");
  const start = Number(await typed.inputValue());
  await mark(page).focus();
  await page.keyboard.press("ArrowDown");
  await expect(typed).toHaveValue((start + 0.1).toFixed(1));
  await page.keyboard.press("Shift+ArrowDown");
  await expect(typed).toHaveValue((start + 1.1).toFixed(1));
  const litres = await page.getByLabel("Take out").inputValue();
  await expect(mark(page)).toHaveAttribute(
    "aria-valuetext",
    new RegExp(`cm from the rim, ${Math.round(Number(litres))}`),
  );
  await typed.fill("30");
  await expect(figures(page)).toContainText("At this line");
  await typed.fill("deep");
  await expect(page.getByText("“deep” is not a number.")).toBeVisible();
  await page.getByLabel("Take out").fill("9999");
  await expect(page.getByText(/The system holds/)).toBeVisible();
});

test("with the return pump running the mark is on the sump, and stopped on the glass", async ({ as, page }) => {
  await as("Ines");
  // A tank that no other journey changes.
  await open(page, "Saltmarket");
  await expect(figures(page)).toContainText("Line, sump");
  const onSump = await page.getByLabel("Drain line from the rim").inputValue();
  await mark(page).focus();
  await page.keyboard.press("End");
  await expect(page.getByLabel("Take out")).toHaveValue("0.0");
  await page.keyboard.press("Home");
  await expect(figures(page)).toContainText(/Too far/);
  await page.getByLabel(/Return pump runs/).uncheck();
  await expect(figures(page)).not.toContainText("Line, sump");
  await expect(page.getByLabel("Drain line from the rim")).not.toHaveValue(onSump);
});

test("in another person's units the same tank has the same litres", async ({ as, page }) => {
  await as("Tobiah");
  await open(page, "Foundry");
  const litres = Number(await page.getByLabel("Take out").inputValue());
  const tank = page.url();
  await page.goto("/me");
  await page.getByLabel("Volume").selectOption("US gal");
  await expect(page.getByText("Saved.")).toBeVisible();
  await page.goto(tank);
  await expect(page.getByText("US gal").first()).toBeVisible();
  const gallons = Number(await page.getByLabel("Take out").inputValue());
  expect(gallons * 3.785411784).toBeCloseTo(litres, 0);
  await page.goto("/me");
  await page.getByLabel("Volume").selectOption("L");
  await expect(page.getByText("Saved.")).toBeVisible();
});

test("the planner holds four policies and several waters side by side, each with what it comes to", async ({
  as,
  page,
}) => {
  await as("Ines");
  await page.goto("/water");
  await page.getByLabel("Tank", { exact: true }).selectOption({ label: "Waiting room, Lanehead Clinic" });
  await page.getByRole("button", { name: "Work it out" }).click();
  await page.waitForURL(/tank=/);
  await expect(page.getByRole("button", { name: "The same share each visit" })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "A large share at once" }).click();
  await expect(figures(page)).toContainText("A large share at once, with");
  const large = Number(await page.getByLabel("Take out").inputValue());
  await page.getByRole("button", { name: "The same share each visit" }).click();
  expect(Number(await page.getByLabel("Take out").inputValue())).toBeLessThan(large);
  await page.getByRole("button", { name: "Purified water", exact: true }).click();
  await expect(figures(page)).toContainText("with Purified water");
  // In and out together nothing falls: there is no mark, and the litres are typed.
  await page.getByRole("button", { name: "In and out together" }).click();
  await expect(mark(page)).toHaveCount(0);
  await page.goto("/water?tank=01a214be-1d4f-722b-a13e-38a0f24382fe");
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
});

test("a batch is started, measured, put right, and teaches what its salt weighs", async ({ as, page }) => {
  await as("Tobiah");
  await page.goto("/water/mixing");
  // Two days on the round is large: something has to be made, backwards from the morning, and a late start is told.
  await page.getByRole("link", { name: "day after" }).click();
  await expect(page.getByRole("link", { name: "day before" })).toBeVisible();
  await expect(page.getByText("Begin at the latest")).toBeVisible();
  await expect(page.getByText(/An hour later/).first()).toBeVisible();
  await page.getByLabel("Water for Barrel 4").selectOption({ label: "Reef mix" });
  await page.getByLabel("Litres for Barrel 4").fill("400");
  await page.getByRole("button", { name: "Start the batch" }).click();
  await expect(page.getByText("It holds 200 L.")).toBeVisible();
  await page.getByLabel("Litres for Barrel 4").fill("100");
  await expect(
    page.getByText(/g of Standard reef salt \(\d+ scoops.*\), at \d+\.\d\sg\/L measured over \d batches/),
  ).toBeVisible();
  await page.getByRole("button", { name: "Start the batch" }).click();
  await expect(page.getByText(/^Ready in 1 h/)).toBeVisible();
  await page.getByLabel("Measured salinity of Barrel 4").fill("salty");
  await page.getByRole("button", { name: "Measured", exact: true }).last().click();
  await expect(page.getByText("Enter the salinity as a number in ppt.")).toBeVisible();
  await page.getByLabel("Measured salinity of Barrel 4").fill("28");
  await page.getByRole("button", { name: "Measured", exact: true }).last().click();
  await expect(page.getByText(/% off what it was planned with\. Measure again/)).toBeVisible();
  await page.getByLabel("Measured salinity of Barrel 4").fill("33.8");
  await page.getByRole("button", { name: "Measured", exact: true }).last().click();
  const lesson = page.getByText(/Standard reef salt: \d+\.\d → \d+\.\d\sg\/L from now on\./);
  const learnt = /→ (\d+\.\d)\sg/.exec((await lesson.textContent()) ?? "")?.[1];
  await page.getByLabel("Draw from Barrel 4").fill("1000");
  await page.getByRole("button", { name: "Draw", exact: true }).last().click();
  await expect(page.getByText("There are 100 L in it.")).toBeVisible();
  await page.getByRole("button", { name: "Empty it" }).last().click();
  await expect(page.getByRole("button", { name: "Start the batch" })).toBeVisible();
  // The next plan weighs by it.
  await page.getByLabel("Water for Barrel 4").selectOption({ label: "Reef mix" });
  await expect(page.getByText(new RegExp(`at ${learnt}\\sg/L measured over`))).toBeVisible();
});

test("a change of the planner is planned into the next visit, stands on its card and its stop, and is taken back", async ({
  as,
  page,
}) => {
  await as("Maud");
  await page.goto("/water");
  await page.getByLabel("Tank", { exact: true }).selectOption({ label: "Taproom, Old Brewery" });
  await page.getByRole("button", { name: "Work it out" }).click();
  await page.waitForURL(/tank=/);
  await expect(page.getByLabel("Take out")).toBeEnabled();
  await page.getByLabel("Take out").fill("80");
  await expect(figures(page)).toContainText("At this line");
  const sheet = (await page.getByRole("link", { name: "Its sheet" }).getAttribute("href")) ?? "";
  await page.getByRole("button", { name: /^Plan 80 L for/ }).click();
  await expect(page.getByText("80 L with Fish-only mix, by Maud Oyelaran.")).toBeVisible();
  await page.getByRole("link", { name: "Card for the tank side" }).click();
  await expect(page.getByRole("heading", { name: "Taproom, Old Brewery" })).toBeVisible();
  await expect(page.getByText("cm from the rim: tape here")).toBeVisible();
  await page.goto(sheet);
  await expect(figures(page)).toContainText("80 L chosen by Maud Oyelaran under Plan a change.");
  await expect(page.getByLabel("Take out")).toHaveValue("80.0");
  await page.goto(`/water?tank=${sheet.split("/").pop()}`);
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(page.getByText("Planned for")).toHaveCount(0);
  await page.goto(sheet);
  await expect(figures(page)).not.toContainText("chosen by");
});

test("ten thousand draws by a worker agree with the ranges, and may be stopped", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/water");
  await page.getByLabel("Tank", { exact: true }).selectOption({ label: "Waiting room, Lanehead Clinic" });
  await page.getByRole("button", { name: "Work it out" }).click();
  await page.waitForURL(/tank=/);
  await page.getByRole("button", { name: "Draw it 10 000 times" }).click();
  await expect(page.getByText(/^10.000 draws$/)).toBeVisible();
  const row = page.locator("tr", { hasText: "Nitrate" }).last();
  const [formula, draws] = await row.locator("td.num").allTextContents();
  const ends = (text = "") => [...text.matchAll(/\d+\.\d/g)].map(Number);
  const [low = 0, high = 0] = ends(formula);
  const [drawnLow = 0, drawnHigh = 0] = ends(draws);
  expect(Math.abs(low - drawnLow)).toBeLessThanOrEqual(0.06 * (high - low) + 0.1);
  expect(Math.abs(high - drawnHigh)).toBeLessThanOrEqual(0.06 * (high - low) + 0.1);
});

test("a target that a water cannot reach is told with its number and what would", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/water");
  await page.getByLabel("Tank", { exact: true }).selectOption({ label: "Window tank, Lock Cottage" });
  await page.getByRole("button", { name: "Work it out" }).click();
  await page.waitForURL(/tank=/);
  await page.getByRole("button", { name: "Well", exact: true }).click();
  await expect(figures(page)).toContainText(
    /Nitrate cannot come down to \d+\.\d with this water, which brings 62\.0\. Use water that brings less/,
  );
  await expect(page.getByText("no change can hold it with this water").first()).toBeVisible();
});

test("a tank is described in a minute, and kept nowhere", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/water");
  const tanks = await page.getByLabel("Tank", { exact: true }).locator("option").count();
  await page.getByRole("link", { name: "or describe a tank" }).click();
  await page.waitForURL("**/water/describe");
  await expect(page.getByText("Type the dimensions, and its change is worked out here.")).toBeVisible();
  await page.getByLabel(/^Length/).fill("ninety");
  await expect(page.getByText("“ninety” is not a number.")).toBeVisible();
  await page.getByLabel(/^Length/).fill("90");
  await page.getByLabel(/^Front to back/).fill("45");
  await page.getByLabel(/^Height/).fill("45");
  await expect(page.getByText("Four ways of deciding")).toBeVisible();
  await page.getByLabel("Nitrate, mg/L").fill("40");
  await page.getByLabel("Nitrate rises a day").fill("1.5");
  await expect(page.getByText("least water that serves")).toBeVisible();
  await page.getByLabel("Kind").selectOption("soft-coral");
  await page.getByLabel("Nitrate, mg/L").fill("0.4");
  await expect(page.getByLabel("New water")).toContainText("Sea water from the quay");
  await page.goto("/water");
  await expect(page.getByLabel("Tank", { exact: true }).locator("option")).toHaveCount(tanks);
});

test("what is weighed: a rise in days, purified water made hard, salts blended, taps that cannot", async ({
  as,
  page,
}) => {
  await as("Ines");
  await page.goto("/water/doses");
  await page.getByLabel("Tank", { exact: true }).selectOption({ label: "Reef, Ilves Dental" });
  await page.getByRole("button", { name: "Work it out" }).click();
  await page.waitForURL(/tank=/);
  await page.getByLabel("Reads, dKH").fill("6.5");
  await page.getByLabel("Wanted, dKH").fill("8.5");
  await page.getByLabel(/^In the tank then/).fill("600");
  // 3.00 g per dKH and 100 L: 36 g, in two days of 1 dKH.
  await expect(page.getByText("a day for 2 days, 36.0 g in all")).toBeVisible();
  await page.getByLabel("Wanted, dKH").fill("6");
  await expect(page.getByText("It is there already: nothing is dosed.")).toBeVisible();
  await page.getByLabel("Wanted, dKH").fill("soft");
  await expect(page.getByText("“soft” is not a number.")).toBeVisible();
  await page.getByLabel("GH, dGH").fill("4");
  // Three degrees of gypsum at 3.07 g per degree and 100 L.
  await expect(page.locator("tr", { hasText: "calcium sulphate dihydrate" })).toContainText(/9\.2\d/);
  // Every figure opens its working.
  const gypsum = page.locator("tr", { hasText: "calcium sulphate dihydrate" });
  await gypsum.getByText("working").click();
  await expect(gypsum.getByText("Molar masses of the standard atomic masses (IUPAC).")).toBeVisible();
  await page.getByLabel("KH, dKH").first().fill("0");
  await expect(page.getByText("Without any KH the pH can fall suddenly")).toBeVisible();
  await expect(page.getByText(/^of Standard reef salt, \d+ %$/)).toBeVisible();
  await page.getByLabel(/^Hot tap/).fill("20");
  await expect(page.getByText("These two taps cannot give it: it lies outside of both.")).toBeVisible();
});

test("on site the mark is moved by thumb, chosen, and the rest of the visit follows", async ({ as, page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await as("Tobiah");
  await page.goto("/round");
  await openStop(page, "Quince");
  await startVisit(page);
  await openDrain(page);
  const litres = async () =>
    Number.parseFloat((await page.getByRole("button", { name: /as planned$/ }).textContent()) ?? "");
  const planned = await litres();
  await mark(page).focus();
  await page.keyboard.press("Shift+ArrowUp");
  await page.getByRole("button", { name: "Drain to this line" }).click();
  await expect(page.locator("[data-plan-change]")).toContainText("chosen on site");
  expect(await litres()).toBeLessThan(planned);
  // Past every limit it may be looked at and not chosen.
  await mark(page).focus();
  await page.keyboard.press("Home");
  await expect(page.getByText(/Too far/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Drain to this line" })).toBeDisabled();
  await page.getByRole("button", { name: "As planned", exact: true }).click();
  await page.getByRole("button", { name: "Back to the plan's own line" }).click();
  await expect(page.getByRole("button", { name: /as planned$/ })).toContainText(new RegExp(`^${planned}\\s`));
});

test("the firm's own purifier is looked after once, in the mixing room", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/water/mixing");
  const upkeep = page.getByRole("region", { name: "Upkeep of Purified water" });
  const row = upkeep.getByRole("row", { name: /Measure the purified water's TDS/ });
  await row.getByRole("button", { name: /^Done/ }).click();
  await expect(row.getByText("Enter what the meter says.")).toBeVisible();
  await row.getByLabel("TDS, mg/L").fill("7");
  await row.getByRole("button", { name: /^Done/ }).click();
  await expect(row.getByText("7 mg/L", { exact: true })).toBeVisible();
  // Above 4 the resin is called for.
  await expect(upkeep.getByRole("row", { name: /Change the purifier's resin/ })).toContainText(
    "TDS of the purified water is 7 mg/L",
  );
  // Of the membrane nobody knows, and nothing is claimed.
  const membrane = upkeep.getByRole("row", { name: /Replace the purifier's membrane/ });
  await expect(membrane).toContainText("not known");
  await membrane.getByLabel("Day").fill("2026-01-10");
  await membrane.getByRole("button", { name: /^Done/ }).click();
  await expect(membrane).toContainText("10 January");
});

test("doses are worked out for a tank: equal changes, a doser, chlorine, and what grams would do", async ({
  as,
  page,
}) => {
  await as("Ines");
  await page.goto("/water/doses");
  await page.getByLabel("Tank", { exact: true }).selectOption({ label: "Reef, Ilves Dental" });
  await page.getByRole("button", { name: "Work it out" }).click();
  await page.waitForURL(/tank=/);
  await page.getByLabel("Or given, g").fill("30");
  await expect(page.getByText(/30\.0 g raise it by/)).toBeVisible();
  const equal = page.getByRole("region", { name: "Several equal changes" });
  await equal.getByLabel("Reads, mg/L").fill("40");
  await equal.getByLabel("Wanted, mg/L").fill("17");
  await equal.getByLabel("New water, mg/L").fill("5");
  // Two of 41 % each: 1 − √(12/35).
  await expect(equal).toContainText("41 %");
  await equal.getByLabel("New water, mg/L").fill("20");
  await expect(equal).toContainText("This water does not lead there");
  const hardness = page.getByRole("region", { name: "Hardness from calcium and magnesium" });
  await hardness.getByLabel("Calcium, mg/L").fill("71.5");
  await hardness.getByLabel("Magnesium, mg/L").fill("0");
  await expect(hardness).toContainText("10.0");
  const chlorine = page.getByRole("region", { name: "Chlorine out of tap water" });
  await chlorine.getByLabel("Tap water, L").fill("100");
  await chlorine.getByLabel("Free chlorine, mg/L").fill("1");
  await chlorine.getByLabel("Chloramine, mg/L").fill("2");
  // 3 mg/L of chlorine in 100 L, 7.0 mg a milligram; 0.1975 mg of nitrogen a milligram of chloramine.
  await expect(chlorine).toContainText("2.10");
  await expect(chlorine).toContainText("0.40 mg/L of ammonia");
  await chlorine.getByLabel("Chloramine, mg/L").fill("much");
  await expect(chlorine.getByRole("alert")).toContainText("is not a number");
  const doser = page.getByRole("region", { name: "Daily dose of alkalinity" });
  await doser.getByLabel("Used a day, dKH").fill("0.7");
  await doser.getByLabel("1 mL lifts KH by a degree in, L").fill("40");
  await doser.getByLabel("Set to, mL a day").fill("8");
  await expect(doser).toContainText("8.8");
});
