import { checkAll } from "./axe";
import { begun, DRAIN, expect, openDrain, openStep, openStop, type Page, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 }, firm: "sheet" });

/** A finger in a wet glove. */
const LEAST_PX = 48;

/** What can be pressed and is too small for it, by what it is called. */
const small = (page: Page): Promise<string[]> =>
  page.evaluate((least) => {
    const box = (e: Element) => (e.closest("label") ?? e).getBoundingClientRect();
    return (
      [...document.querySelectorAll("main button, main a, main select, main summary, main input")]
        .filter((e) => e.checkVisibility() && !(e instanceof HTMLInputElement && e.type === "date"))
        // A figure of a stepper stands between two large buttons, and grows with its digits.
        .filter((e) => !(e instanceof HTMLInputElement && e.inputMode === "decimal"))
        .filter((e) => box(e).height < least - 0.5 || box(e).width < 24)
        .map((e) => `${e.tagName} ${e.getAttribute("aria-label") ?? e.textContent} ${Math.round(box(e).height)}`)
    );
  }, LEAST_PX);

/** What stands out to the right of the screen. */
const wide = (page: Page): Promise<number> =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

/** One state of the sheet, on every width, at twice its size, in both rooms. */
async function state(page: Page, what: string): Promise<void> {
  for (const width of [320, 390, 1280]) {
    await page.setViewportSize({ width, height: 844 });
    expect({ what, width, wide: await wide(page) }).toEqual({ what, width, wide: 0 });
    if (width === 320) expect({ what, small: await small(page) }).toEqual({ what, small: [] });
    if (width === 1280) await checkAll(page, `${what} at ${width}`);
  }
  // Twice as large on a screen of 640: as many letters on a line as on 320.
  await page.setViewportSize({ width: 640, height: 844 });
  await page.evaluate(() => {
    document.documentElement.style.zoom = "2";
  });
  expect({ what, twice: await wide(page) }).toEqual({ what, twice: 0 });
  await covered(page, what);
  await page.evaluate(() => {
    document.documentElement.style.zoom = "";
  });
  await page.setViewportSize({ width: 390, height: 844 });
  await checkAll(page, what);
}

/** Whatever has the focus stands above the bar at the thumb. */
async function covered(page: Page, what: string): Promise<void> {
  const hidden = await page.evaluate(() => {
    const found: string[] = [];
    const bar = document.querySelector("[data-bar]");
    for (const e of document.querySelectorAll<HTMLElement>("main [role=tabpanel] button, main [role=tabpanel] input")) {
      if (!e.checkVisibility() || bar?.contains(e)) continue;
      e.focus();
      const { top, bottom } = e.getBoundingClientRect();
      const barTop = bar?.getBoundingClientRect().top ?? window.innerHeight;
      if (top >= barTop || bottom <= 0) found.push(e.getAttribute("aria-label") ?? e.textContent ?? "");
    }
    return found;
  });
  expect({ what, hidden }).toEqual({ what, hidden: [] });
}

test("every state of the sheet: no violation of any severity, nothing too small, nothing out of the side", async ({
  as,
  page,
}) => {
  test.setTimeout(600_000);
  await as("Ines", { pace: "phases" });
  await page.goto("/round");
  await openStop(page, "Maritime College");
  const href =
    (await page
      .getByRole("link", { name: /Start the visit/ })
      .first()
      .getAttribute("href")) ?? "";
  await page.goto(href.replace("#start", ""));
  await expect(page.getByRole("button", { name: "Start", exact: true })).toBeVisible();
  await state(page, "before the start");
  await begun(page);
  await state(page, "arriving");
  await expect(async () => {
    await page.locator('[data-key="tick"]').click();
    await expect(page.getByRole("heading", { name: "Look and measure" })).toBeVisible({ timeout: 1000 });
  }).toPass();
  await state(page, "looking and measuring");
  await page.getByRole("tab", { name: "Measure" }).click();
  await page.getByLabel(/^What/).selectOption("nitrate");
  await page.getByLabel("Nitrate", { exact: true }).fill("95");
  await page.getByRole("button", { name: "Enter", exact: true }).click();
  await expect(page.locator("[data-plan-change]")).toBeVisible();
  await state(page, "a plan that changed");
  await page.getByRole("button", { name: "Seen", exact: true }).click();
  await openDrain(page);
  await page.getByRole("button", { name: /^Start the clock/ }).click();
  await expect(page.locator("[data-falling]")).toBeVisible();
  await state(page, "the drain with its clock");
  await page.getByRole("tab", { name: "All steps" }).click();
  await state(page, "all steps");
  await page.getByRole("tab", { name: /Notes/ }).click();
  await page.getByRole("textbox", { name: "What was noticed" }).fill("Return pump hums");
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(page.getByRole("button", { name: "Delete: Return pump hums" })).toBeVisible();
  await state(page, "notes");
  await page.getByRole("tab", { name: "Close" }).click();
  await page.getByRole("button", { name: "Somebody signs" }).click();
  await page.getByText("One by one").click();
  await page.getByText("Opened by mistake").click();
  await state(page, "closing, signing and discarding");
  await page.keyboard.press("Shift+?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await checkAll(page, "the keys");
  await page.keyboard.press("Escape");
  const reasons = page.getByRole("button", { name: "All of them: no time left" });
  await reasons.click();
  await expect(reasons).toHaveCount(0);
  const owner = page.getByRole("button", { name: "For the owner", exact: true });
  for (let left = await owner.count(); left > 0; left--) {
    await owner.first().click();
    await expect(owner).toHaveCount(left - 1);
  }
  await page.getByRole("button", { name: "Close the visit" }).click();
  await expect(page.getByRole("heading", { name: "Closed" })).toBeVisible();
  await state(page, "closed");
});

test("figures to work by have seven times the light of their ground, in a light room and a dim one", async ({
  as,
  page,
}) => {
  await as("Ines");
  await page.goto("/round");
  await openStop(page, "Lanehead Clinic");
  await page
    .getByRole("link", { name: /Start the visit/ })
    .first()
    .click();
  await begun(page);
  // What today's water depends on comes before anything leaves the tank.
  await openStep(page, DRAIN);
  await expect(page.locator("[data-gate]")).toBeVisible();
  await expect(page.getByRole("button", { name: /^Start the clock/ })).toHaveCount(0);
  await state(page, "what has to be measured before the drain");
  await openDrain(page);
  const figure = page.locator("[data-figure]").first();
  await expect(figure).toBeVisible();
  for (const colorScheme of ["light", "dark"] as const) {
    await page.emulateMedia({ colorScheme });
    await expect(page.locator("html")).toHaveClass(colorScheme === "dark" ? /\bdark\b/ : /^(?!.*\bdark\b)/);
    const [text, ground] = await figure.evaluate((e) => {
      const rgb = (css: string) => (css.match(/[\d.]+/g) ?? []).map(Number);
      let on: Element | null = e;
      while (on && (rgb(getComputedStyle(on).backgroundColor)[3] ?? 1) === 0) on = on.parentElement;
      return [rgb(getComputedStyle(e).color), rgb(getComputedStyle(on ?? document.body).backgroundColor)];
    });
    expect(contrast(text ?? [], ground ?? [])).toBeGreaterThanOrEqual(7);
  }
});

/** The ratio of light of two colours, by the guidelines for web content. */
function contrast(a: readonly number[], b: readonly number[]): number {
  const light = (rgb: readonly number[]) => {
    const [r = 0, g = 0, bl = 0] = rgb.map((c) =>
      c / 255 <= 0.03928 ? c / 255 / 12.92 : ((c / 255 + 0.055) / 1.055) ** 2.4,
    );
    return 0.2126 * r + 0.7152 * g + 0.0722 * bl;
  };
  const [dark = 0, bright = 0] = [light(a), light(b)].sort((x, y) => x - y);
  return (bright + 0.05) / (dark + 0.05);
}
