import { checkAll } from "./axe";
import { beginVisit, expect, openStop, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 }, firm: "clocks" });

test("something is wrong: tapped off line, told with its reasons, put into the visit, and taken back", async ({
  as,
  page,
  context,
}) => {
  /** What the page itself loads; what the worker keeps for later is no part of it. */
  const scripts: Promise<string>[] = [];
  page.on("response", (r) => {
    if (r.request().resourceType() === "script" && !r.request().serviceWorker()) scripts.push(r.text().catch(() => ""));
  });
  await as("Ines", { pace: "phases" });
  await page.goto("/round");
  await openStop(page, "Town Museum");
  await beginVisit(page);
  // The worker has the guide before anybody opens it.
  await page.evaluate(() => navigator.serviceWorker.ready);
  const GUIDE_WORDS = "Bacteria in slimy sheets, where little flow reaches";
  const before = await Promise.all(scripts);
  expect(before.length).toBeGreaterThan(5);
  expect(before.filter((text) => text.includes(GUIDE_WORDS))).toEqual([]);
  await context.setOffline(true);
  await page.getByRole("button", { name: "Something is wrong" }).click();
  await expect(page.getByRole("heading", { name: "Something is wrong" })).toBeFocused();
  await page.getByRole("button", { name: "Milky water" }).click();
  await expect(page.locator("[data-trouble]").first()).toBeVisible();
  await expect(page.getByText("Tells most:")).toBeVisible();
  await checkAll(page, "the guide");
  await page.getByRole("button", { name: "Yes", exact: true }).click();
  const first = (await page.locator("[data-trouble]").first().getAttribute("data-trouble")) ?? "";
  await expect(page.locator(`[data-today-for="${first}"]`)).toBeVisible();
  await page.getByRole("button", { name: "Add to this visit" }).click();
  await page.getByRole("tab", { name: "All steps" }).click();
  await expect(page.getByRole("tabpanel")).toContainText(/Measure ammonia|Change the pre-filter|Mix longer/);
  // It was none.
  await page.getByRole("button", { name: "Something is wrong" }).click();
  await page.getByRole("button", { name: /^Take back:/ }).click();
  await expect(page.locator("[data-found]")).toHaveCount(0);
  await page.getByRole("button", { name: "Back", exact: true }).click();
  await context.setOffline(false);
  await expect(page.locator("[data-sync]")).toHaveAttribute("data-waiting", "0");
});

test("fish gasp: one tap from the visit, air first, then what tells why in its order, with a clock", async ({
  as,
  page,
}) => {
  await as("Ines", { pace: "phases" });
  await page.goto("/round");
  await openStop(page, "Lanehead Clinic");
  await beginVisit(page);
  await page.getByRole("button", { name: "Fish gasp: air now" }).click();
  await expect(page.getByText(/Conditioner for the whole tank/)).toBeVisible();
  // Nothing is logged by a look.
  await expect(page.getByRole("checkbox")).toHaveCount(0);
  await checkAll(page, "gasping");
  await page.getByRole("button", { name: "Air is on" }).click();
  const steps = page.locator("[data-gasping] [data-step]");
  await expect(steps.first()).toHaveAttribute("data-step", "act:air-now");
  await expect(steps.first().getByRole("checkbox")).toBeChecked();
  const order = await steps.evaluateAll((rows) => rows.map((r) => r.getAttribute("data-step")));
  expect(order.indexOf("act:measure-temperature")).toBeLessThan(order.indexOf("act:condition-tank"));
  await expect(page.locator("[data-clocks]")).toContainText("Look at the fish again");
  await page.getByRole("button", { name: "Back to the visit" }).click();
  await expect(page.locator("[data-clocks]")).toContainText("Look at the fish again");
});

test("somebody rings: the office notes what it may be, the tank says when it is looked at, and that it is over", async ({
  as,
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await as("Maud");
  await page.goto("/tanks");
  await page.locator("tbody tr", { hasText: "Foundry Lofts" }).first().getByRole("link").first().click();
  await page.getByRole("link", { name: "Something is wrong" }).click();
  await page.getByRole("button", { name: "Weak jet" }).click();
  await page.getByRole("button", { name: /^See to it/ }).click();
  await page.waitForURL("**/tanks/**tab=programme");
  const look = page.locator("[data-look-again]");
  await expect(look).toHaveCount(1);
  await checkAll(page, "what is looked at again");
  await look.getByRole("button", { name: /^Over/ }).click();
  await expect(look).toHaveCount(0);
});

test("what was found and begun stands in the record of its visit, and is put right there with its reason", async ({
  as,
  page,
  baseURL,
}) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await as("Maud");
  await page.goto("/tanks");
  await page.locator("tbody tr", { hasText: "Town Museum" }).first().getByRole("link").first().click();
  await page.waitForURL("**/tanks/**");
  const href = (await page.getByRole("link", { name: /^Visit/ }).getAttribute("href")) ?? "";
  const day = new URL(href, baseURL ?? "").searchParams.get("visit");
  // As a phone sends it: the way through a whole visit has journeys of its own.
  const visitId = day ?? "";
  expect(visitId).toMatch(/^[0-9a-f-]{36}$/);
  const device = `journey-${Date.now()}`;
  const bundle = await (await page.request.get(`/api/visits/${visitId}`)).json();
  const findings: { id: string }[] = bundle.bundle?.input.findings ?? bundle.input?.findings ?? [];
  const bodies = [
    { type: "start" },
    { type: "trouble", id: crypto.randomUUID(), trouble: "slime", seen: ["slime-sheets"], unseen: [] },
    ...findings.map((f) => ({ type: "resolve", id: f.id, how: "fixed" })),
    { type: "close" },
  ];
  const ops = bodies.map((body, i) => ({
    ...{ opId: crypto.randomUUID(), device, seq: i + 1, at: new Date().toISOString(), body },
  }));
  const answer = await page.request.post(`/api/visits/${visitId}/operations`, {
    data: { ops },
    headers: { origin: baseURL ?? "" },
  });
  expect(JSON.stringify(await answer.json())).not.toContain("refused");
  await page.goto(`/visits/${visitId}`);
  await expect(page.getByRole("heading", { name: "Troubles" })).toBeVisible();
  await page.getByRole("button", { name: "Correct Slime bacteria" }).click();
  await page.getByRole("button", { name: "Save correction" }).click();
  await expect(page.getByText("Enter why: it stands beside both figures.")).toBeVisible();
  await page.getByLabel("Why").fill("It was algae");
  await page.getByRole("button", { name: "Save correction" }).click();
  await expect(page.getByText(/It was algae/).first()).toBeVisible();
  await expect(page.getByRole("button", { name: "Correct Slime bacteria" })).toHaveCount(0);
  await checkAll(page, "the record");
});
