import { writeFileSync } from "node:fs";
import type { Locator } from "@playwright/test";
import { expect, type Page, test } from "./fixtures";

test.use({ firm: "days" });

/** Counts what a person does: presses and fields that are filled in. */
class Hand {
  presses = 0;
  fields = 0;
  constructor(readonly page: Page) {}
  async press(what: Locator): Promise<void> {
    await what.click();
    this.presses += 1;
  }
  async fill(what: Locator, value: string): Promise<void> {
    await what.fill(value);
    this.fields += 1;
  }
  async choose(what: Locator, label: string | RegExp): Promise<void> {
    const options = await what.locator("option").allTextContents();
    await what.selectOption({
      label: options.find((o) => (typeof label === "string" ? o === label : label.test(o))) ?? "",
    });
    this.fields += 1;
  }
}

test("the office's tasks, each as a person does it and counted", async ({ as, request }) => {
  test.setTimeout(120_000);
  const page = await as("Maud");
  const took: Record<string, { presses: number; fields: number }> = {};
  const task = async (name: string, most: { presses: number; fields: number }, doIt: (hand: Hand) => Promise<void>) => {
    await page.goto("/round");
    const hand = new Hand(page);
    await doIt(hand);
    took[name] = { presses: hand.presses, fields: hand.fields };
    expect(hand.presses, `${name}: presses`).toBeLessThanOrEqual(most.presses);
    expect(hand.fields, `${name}: fields`).toBeLessThanOrEqual(most.fields);
  };
  const place = (name: string) => page.getByRole("navigation", { name: "Places" }).getByRole("link", { name });

  await task("see next week", { presses: 2, fields: 0 }, async (hand) => {
    await hand.press(place("Weeks"));
    await expect(page.locator("[data-block]").first()).toBeVisible();
    await hand.press(page.getByRole("link", { name: "After" }));
    await page.waitForURL(/from=/);
    await expect(page.getByRole("button", { name: /^Old Brewery/ })).toBeVisible();
    await expect(page.locator("[data-block]").first()).toBeVisible();
  });
  await task("print tomorrow", { presses: 2, fields: 0 }, async (hand) => {
    const title = page.getByRole("heading", { level: 1 });
    const today = (await title.textContent()) ?? "";
    await hand.press(page.getByRole("link", { name: "Day after" }));
    await expect(title).not.toHaveText(today);
    await hand.press(page.getByRole("link", { name: "Print" }));
    await page.waitForURL(/print/);
    // On paper there are no buttons.
    await page.emulateMedia({ media: "print" });
    await expect(page.getByRole("button", { name: "Print" })).toBeHidden();
    await page.emulateMedia({ media: null });
  });
  await task("print the week", { presses: 2, fields: 0 }, async (hand) => {
    await hand.press(place("Weeks"));
    await expect(page.locator("[data-block]").first()).toBeVisible();
    await hand.press(page.getByRole("link", { name: "Print" }));
    await page.waitForURL(/weeks\/print/);
    for (const name of ["Ines Calder", "Tobiah Renn"])
      await expect(page.locator(`[data-person="${name}"]`)).toBeVisible();
  });
  await task("move one visit", { presses: 4, fields: 1 }, async (hand) => {
    await hand.press(place("Weeks"));
    await expect(page.locator("[data-block]").first()).toBeVisible();
    await hand.press(page.getByRole("link", { name: "After" }));
    await page.waitForURL(/from=/);
    await expect(page.getByRole("button", { name: /^Old Brewery/ })).toBeVisible();
    await hand.press(page.locator('[data-block="Bellmaker\'s"]'));
    const day = page.getByRole("region", { name: "Chosen stops" }).getByLabel("Day", { exact: true });
    const on = await day.inputValue();
    await hand.fill(day, new Date(Date.parse(on) + 86_400_000).toISOString().slice(0, 10));
    await hand.press(page.getByRole("button", { name: "Move stop" }));
    await expect(page.getByRole("button", { name: "Undo" })).toBeEnabled();
  });
  await task("two people swapped for a sick day, the owners told", { presses: 5, fields: 3 }, async (hand) => {
    await hand.press(place("Weeks"));
    await expect(page.locator("[data-block]").first()).toBeVisible();
    await hand.press(page.getByRole("link", { name: "After" }));
    await page.waitForURL(/from=/);
    await expect(page.getByRole("button", { name: /^Old Brewery/ })).toBeVisible();
    await hand.press(page.getByRole("button", { name: "Away or closed" }));
    const panel = page.getByRole("region", { name: "Away or closed" });
    await hand.choose(panel.getByLabel("Who or what"), "Tobiah Renn");
    await hand.fill(panel.getByLabel("Why"), "ill");
    await hand.press(panel.getByRole("button", { name: /^Note absence/ }));
    await expect(page.locator("[data-tell]")).toBeVisible();
    await hand.press(page.getByRole("button", { name: /^Send \d+ messages?$/ }));
    await expect(page.locator("[data-notices]")).toBeVisible();
  });
  await task("a calendar handed to a client", { presses: 4, fields: 0 }, async (hand) => {
    await hand.press(place("Desk"));
    await hand.press(page.getByRole("link", { name: "Sites", exact: true }));
    await page.waitForURL(/desk\/site/);
    await hand.press(page.getByRole("link", { name: "Town Museum" }));
    await page.waitForURL(/site\/[0-9a-f-]{36}/);
    await hand.press(page.getByRole("button", { name: "Make a calendar address" }));
    const address = await page.getByLabel("Address of the calendar").inputValue();
    expect((await request.get(address)).ok()).toBe(true);
  });
  await task("a client with site, tank and visits", { presses: 4, fields: 12 }, async (hand) => {
    await page.goto("/desk/client/new");
    await hand.press(page.getByRole("link", { name: "With their site, tank and visits, all at once" }));
    await page.waitForURL(/desk\/begin/);
    for (const [label, value] of [
      ["Client", "Otter Rooms"],
      ["Who is written to", "Bo Alder"],
      ["E-mail", "bo@otter.example"],
      ["Address", "9 Mill Lane"],
      ["Latitude and longitude", "50.41, -4.70"],
      ["May be visited", "Tue 8-10"],
      ["What the owner calls it", "Hall tank"],
      ["Length", "100"],
    ] as const)
      await hand.fill(page.getByLabel(new RegExp(`^${label}`)).first(), value);
    await hand.fill(page.getByLabel(/^Width|Front to back/).first(), "40");
    await hand.fill(page.getByLabel(/^Height/).first(), "50");
    await hand.press(page.getByRole("button", { name: "Make client, site, tank and visits" }));
    await page.waitForURL(/desk\/site\/[0-9a-f-]{36}/);
    await expect(page.getByText(/every second Tuesday/i).first()).toBeVisible();
  });
  writeFileSync("test-results/office.json", JSON.stringify(took, null, 1));
});
