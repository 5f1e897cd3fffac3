import { expect, type Page, test } from "./fixtures";

async function open(page: Page, words: string): Promise<void> {
  await page.goto(`/tanks?q=${encodeURIComponent(words)}`);
  await page.locator("tbody a").first().click();
  await page.waitForURL("**/tanks/*-*");
  await expect(page.getByLabel("Take out")).toBeEnabled();
}
const figures = (page: Page) => page.locator("[data-figures]");
const mark = (page: Page) => page.getByRole("slider", { name: "Drain mark" });

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
  await expect(figures(page)).toContainText("At this mark");
  await page.mouse.move(box.x + 60, box.y + box.height / 2 + 60, { steps: 6 });
  await page.mouse.up();
  expect(Number(await page.getByLabel("Take out").inputValue())).toBeGreaterThan(before + 50);
  // Past its limits the nearest is named, with what would be bare and for how long. Which one is nearest depends on
  // the tank's settings, which other journeys change.
  await expect(figures(page)).toContainText(/Too far: (The highest coral may|These animals bear)/);
  await expect(page.getByText(/In air: .*highest coral \d+ min, may 10/)).toBeVisible();
  await page.getByRole("button", { name: "As planned" }).click();
  expect(await figures(page).textContent()).toBe(planned);
});

test("by keyboard alone: a millimetre, a centimetre, and what a screen reader hears", async ({ as, page }) => {
  await as("Ines");
  await open(page, "Kettle");
  const typed = page.getByLabel("Mark from the rim");
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
  await expect(figures(page)).toContainText("At this mark");
  await typed.fill("deep");
  await expect(page.getByText("“deep” is not a number.")).toBeVisible();
  await page.getByLabel("Take out").fill("9999");
  await expect(page.getByText(/The system holds/)).toBeVisible();
});

test("with the return pump running the mark is on the sump, and stopped on the glass", async ({ as, page }) => {
  await as("Ines");
  // A tank that no other journey changes.
  await open(page, "Saltmarket");
  await expect(figures(page)).toContainText("Mark, sump");
  const onSump = await page.getByLabel("Mark from the rim").inputValue();
  await mark(page).focus();
  await page.keyboard.press("End");
  await expect(page.getByLabel("Take out")).toHaveValue("0.0");
  await page.keyboard.press("Home");
  await expect(figures(page)).toContainText(/Too far/);
  await page.getByLabel(/Return pump runs/).uncheck();
  await expect(figures(page)).not.toContainText("Mark, sump");
  await expect(page.getByLabel("Mark from the rim")).not.toHaveValue(onSump);
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

test("the bench holds four policies and several waters side by side, each with what it comes to", async ({
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
  await expect(page.getByText(/g of Standard reef salt, at \d+\.\d g a litre measured over \d batches/)).toBeVisible();
  await page.getByRole("button", { name: "Start the batch" }).click();
  await expect(page.getByText(/^Ready in 1 h/)).toBeVisible();
  await page.getByLabel("Measured salinity of Barrel 4").fill("salty");
  await page.getByRole("button", { name: "Measured", exact: true }).last().click();
  await expect(page.getByText("Salinity: “salty” is not a number.")).toBeVisible();
  await page.getByLabel("Measured salinity of Barrel 4").fill("28");
  await page.getByRole("button", { name: "Measured", exact: true }).last().click();
  await expect(page.getByText(/% off what it was planned with\. Measure again/)).toBeVisible();
  await page.getByLabel("Measured salinity of Barrel 4").fill("33.8");
  await page.getByRole("button", { name: "Measured", exact: true }).last().click();
  await expect(page.getByText(/Standard reef salt: \d+\.\d → \d+\.\d g a litre from now on\./)).toBeVisible();
  await page.getByLabel("Draw from Barrel 4").fill("1000");
  await page.getByRole("button", { name: "Draw", exact: true }).last().click();
  await expect(page.getByText("There are 100 L in it.")).toBeVisible();
  await page.getByRole("button", { name: "Empty it" }).last().click();
  await expect(page.getByRole("button", { name: "Start the batch" })).toBeVisible();
});
