import AxeBuilder from "@axe-core/playwright";
import { expect, type Page, settled } from "./fixtures";

/** In a light room every rule, in a dim one what the colours change: nothing serious. */
export const check = (page: Page, what: string): Promise<void> => checked(page, what, ["serious", "critical"]);

/** The same, and nothing of any severity. */
export const checkAll = (page: Page, what: string): Promise<void> =>
  checked(page, what, ["minor", "moderate", "serious", "critical"]);

/** Of a page of plain markup, which has one light alone and runs no script of its own. */
export async function checkPlain(page: Page, what: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).setLegacyMode(true).analyze();
  expect(violations.map((v) => `${what}: ${v.id} at ${v.nodes.map((n) => n.target.join(" ")).slice(0, 3)}`)).toEqual(
    [],
  );
}

/** What is right, and why, is not put together. */
const VIOLATIONS = { resultTypes: ["violations" as const], preload: false };
/** Rows of a long table have the colours of those above them. */
const LIKE_THE_OTHERS = "tbody tr:nth-child(n+9)";

async function checked(page: Page, what: string, impacts: readonly string[]): Promise<void> {
  await settled(page);
  // In the page itself: a blank page of its own for every result takes as long as the looking.
  const { violations } = await new AxeBuilder({ page }).setLegacyMode(true).options(VIOLATIONS).analyze();
  await page.emulateMedia({ colorScheme: "dark" });
  await expect(page.locator("html")).toHaveClass(/\bdark\b/);
  const dim = await new AxeBuilder({ page })
    .setLegacyMode(true)
    .options({ ...VIOLATIONS, runOnly: ["color-contrast"] })
    .exclude(LIKE_THE_OTHERS)
    .analyze();
  await page.emulateMedia({ colorScheme: "light" });
  await expect(page.locator("html")).not.toHaveClass(/\bdark\b/);
  const found = [...violations, ...dim.violations.map((v) => ({ ...v, id: `${v.id} in a dim room` }))];
  expect(
    found
      .filter((v) => impacts.includes(v.impact ?? "minor"))
      .map(
        (v) =>
          `${what}: ${v.id} at ${v.nodes
            .map((n) => n.target.join(" "))
            .slice(0, 3)
            .join("; ")}`,
      ),
  ).toEqual([]);
}

/** A desk's screen in a light room. */
export const LIGHT = { colorScheme: "light", viewport: { width: 1280, height: 900 } } as const;
