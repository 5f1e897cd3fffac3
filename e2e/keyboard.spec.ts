import { expect, openStop, type Page, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 }, firm: "sheet" });

/** What has the focus, as far as a keyboard has to know. */
interface Focused {
  readonly name: string;
  readonly kind: string;
  readonly value: string;
  readonly tick: boolean;
  readonly body: boolean;
}

const focused = (page: Page): Promise<Focused> =>
  page.evaluate(() => {
    const e = document.activeElement as HTMLElement;
    const field = e instanceof HTMLInputElement ? e : null;
    return {
      name: e.getAttribute("aria-label") ?? e.textContent?.trim() ?? "",
      kind: field ? field.inputMode || field.type : e.tagName.toLowerCase(),
      value: field?.value ?? "",
      tick: e.dataset?.key === "tick",
      body: e === document.body,
    };
  });

/** Tabs until something with this name has the focus. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 160; i++) {
    await page.keyboard.press("Tab");
    if (name.test((await focused(page)).name)) return;
  }
  throw new Error(`Nothing called ${name} can be reached by Tab`);
}

/** What is answered by a press, as it was expected. */
const PRESSED = /(as planned|it stands at its fill line|, as last time|: On|^All \d+ on)$|^Fixed$|^All \d+ on$/;

/** One part of the visit, from its heading to its tick, by Tab, digits and Enter. */
async function part(page: Page, title: string): Promise<void> {
  const pressed = new Set<string>();
  for (let i = 0; i < 250; i++) {
    await page.keyboard.press("Tab");
    const { name, kind, value, tick } = await focused(page);
    if (tick) {
      const moved = page.getByRole("heading", { level: 2 }).first();
      const waits = page.locator("[data-bar]").getByRole("alert");
      // Pressed in the moment after the part came up it is taken for a second press of the one before.
      await expect(async () => {
        if ((await moved.textContent()) === title && !(await waits.isVisible())) await page.keyboard.press("Enter");
        await expect(moved.filter({ hasNotText: title }).or(waits).first()).toBeVisible({ timeout: 1000 });
      }).toPass();
      return;
    }
    if (kind === "decimal" && value === "" && !/seen$|fill line|taken out|put in|topped up/.test(name)) {
      const grey = await page.evaluate(
        () => document.activeElement?.closest("[data-step]")?.querySelector("[data-expected]")?.textContent ?? "",
      );
      const figure = /expected about ([\d.]+)/.exec(grey)?.[1] ?? /last ([\d.]+)/.exec(grey)?.[1];
      await page.keyboard.type(figure ?? (name.includes("ucket") || name.includes("Seconds") ? "1500" : "0.1"));
    } else if (PRESSED.test(name) && !pressed.has(name)) {
      pressed.add(name);
      await page.keyboard.press("Enter");
    } else if (name.startsWith("Picture of the tank") && !pressed.has(name)) {
      pressed.add(name);
      await page.keyboard.press("Enter");
      await expect(page.getByRole("button", { name: "Take it" })).toBeEnabled();
      await tabTo(page, /^Take it$/);
      await page.keyboard.press("Enter");
      await expect(page.locator("[data-photo]").first()).toBeVisible();
    }
  }
  throw new Error(`The tick of ${title} cannot be reached by Tab`);
}

test("a whole visit by keyboard alone: the focus goes to each part's heading, never to the page", async ({
  as,
  page,
}) => {
  test.setTimeout(240_000);
  await as("Ines", { pace: "phases" });
  await page.goto("/round");
  await openStop(page, "Harrow & Pike");
  await tabTo(page, /^Start the visit/);
  await page.keyboard.press("Enter");
  await page.waitForURL("**/visit**");
  const start = page.getByRole("button", { name: "Start", exact: true });
  const heading = page.getByRole("heading", { level: 2 }).first();
  await expect(start.or(heading)).toBeVisible();
  if (await start.isVisible()) {
    await tabTo(page, /^Start$/);
    await page.keyboard.press("Enter");
  }
  await expect(heading).toBeFocused();
  // "?" shows the keys, and Escape leaves them.
  await page.keyboard.press("Shift+?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeHidden();
  const visited: string[] = [];
  for (let round = 0; round < 20; round++) {
    const title = (await heading.textContent()) ?? "";
    if (title === "Close the visit") break;
    if (visited.at(-1) !== title) {
      await expect(heading).toBeFocused();
      visited.push(title);
    } else await heading.focus();
    await part(page, title);
    await expect.poll(async () => (await focused(page)).body).toBe(false);
  }
  expect(visited.length).toBeGreaterThan(4);
  for (let i = 0; i < 20; i++) {
    const owner = page.getByRole("button", { name: "For the owner", exact: true });
    if ((await owner.count()) === 0) break;
    const left = await owner.count();
    await tabTo(page, /^For the owner$/);
    await page.keyboard.press("Enter");
    await expect(owner).toHaveCount(left - 1);
  }
  await tabTo(page, /^Nobody was there$/);
  await page.keyboard.press("Enter");
  await expect(page.locator('[data-handover="nobody"]')).toBeVisible();
  await tabTo(page, /^Close the visit$/);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Closed" })).toBeVisible();
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");
});

test("read by ear: every part has its name, its boxes theirs, and what changes is announced where it was listened to", async ({
  as,
  page,
}) => {
  test.setTimeout(180_000);
  await as("Tobiah", { pace: "phases" });
  await page.goto("/round");
  await openStop(page, "Town Hall");
  await page
    .getByRole("link", { name: /Start the visit/ })
    .first()
    .click();
  const start = page.getByRole("button", { name: "Start", exact: true });
  const tabs = page.getByRole("tablist", { name: "Parts of the visit" });
  await expect(start.or(tabs)).toBeVisible();
  if (await start.isVisible()) await start.click();
  await expect(tabs).toBeVisible();
  // The regions are there before anything is said in them; they stay the same ones.
  await page.evaluate(() => {
    for (const region of document.querySelectorAll("[role=status]")) (region as HTMLElement).dataset.listened = "yes";
  });
  const announced = page.locator("[data-announced]");
  await expect(announced).toHaveText(/^Part 1 of \d+: Arrive$/);
  await expect(async () => {
    await page.locator('[data-key="tick"]').click();
    await expect(announced).toHaveText(/^Part 2 of \d+: Look and measure$/, { timeout: 1000 });
  }).toPass();
  await expect(announced).toHaveAttribute("data-listened", "yes");

  const tree = await page.getByRole("main").ariaSnapshot();
  expect(tree).toMatch(/- heading "Look and measure" \[level=2\]/);
  expect(tree).toMatch(/- tab "Phase" \[selected\]/);
  expect(tree).not.toMatch(/- (button|checkbox|textbox|combobox|link|img|tab)( \[[^\]]*\])*$/m);
  const boxes = tree.match(/- checkbox "/g) ?? [];
  expect(boxes.length).toBeGreaterThan(2);

  // A reading that changes the plan is heard at once, in a region that was there.
  await page.getByRole("tab", { name: "Measure" }).press("Enter");
  await page.getByLabel(/^What/).selectOption("nitrate");
  await page.getByLabel("Nitrate", { exact: true }).fill("140");
  await page.getByRole("button", { name: "Enter", exact: true }).click();
  const change = page.locator("[data-plan-change]");
  await expect(change).toHaveAttribute("role", "status");
  await expect(change).toHaveAttribute("data-listened", "yes");
  await expect(change).toContainText(/instead of|put off|not change|No change|after all/);

  // Tabs are moved between by arrows, as tabs are.
  await page.getByRole("tab", { name: "Measure" }).focus();
  await page.keyboard.press("ArrowRight");
  await expect(page.getByRole("tab", { name: /Notes/ })).toBeFocused();
  await expect(page.getByRole("tab", { name: /Notes/ })).toHaveAttribute("aria-selected", "true");
  const panel = page.getByRole("tabpanel");
  await expect(panel).toBeVisible();
  // An error stands beside its field and is heard.
  await page.getByRole("button", { name: "Add", exact: true }).click();
  await expect(panel.getByRole("alert")).toHaveText("Say what was noticed, in a few words.");
});
