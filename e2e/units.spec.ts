import { beginVisit, expect, openStop, type Page, settled, test } from "./fixtures";

/** A number followed by a unit that a US or an imperial person does not read, or a field named in one. */
const CANONICAL =
  /(?:\d[\s\u00a0\u202f]*|, |\()(?:L|L\/min|L\/h|litres?|cm|mm|m|metres?|kg|km\/h|°C|K|ppt|PSU|dKH)(?![\p{L}\d/])/u;

/** Lines of a screen in a unit of somebody else's. Numbers of a chart's axis stand alone and have no unit. */
async function foreign(page: Page, what: string): Promise<string[]> {
  await settled(page);
  const text = await page.evaluate(() => {
    // What was typed stands as it was typed, beside what it comes to.
    for (const entered of document.querySelectorAll("[data-entered]")) entered.remove();
    for (const details of document.querySelectorAll("details")) details.open = true;
    const drawn = [...document.querySelectorAll("svg text")].map((t) => t.textContent ?? "");
    const heard = [...document.querySelectorAll("[aria-valuetext]")].map((e) => e.getAttribute("aria-valuetext") ?? "");
    // biome-ignore lint/performance/useDomNodeTextContent: what is seen, line by line, and not what lies in closed parts.
    return [document.body.innerText, ...drawn, ...heard].join("\n");
  });
  return text
    .split("\n")
    .filter((line) => CANONICAL.test(line))
    .map((line) => `${what}: ${line.trim().slice(0, 160)}`);
}

async function reads(page: Page, units: Readonly<Record<string, string>>): Promise<void> {
  await page.goto("/me");
  for (const [label, unit] of Object.entries(units)) {
    await page.getByLabel(label).selectOption(unit);
    await expect(page.getByText("Saved.")).toBeVisible();
  }
}

const PERSONS = [
  [
    "a US person",
    {
      Volume: "US gal",
      Length: "in",
      Temperature: "°F",
      Salinity: "SG 25/25",
      "Alkalinity, KH": "ppm CaCO3",
    },
    "all",
  ],
  [
    "an imperial person",
    { Volume: "imp gal", Length: "in", Temperature: "°F", Salinity: "mS/cm raw", "Alkalinity, KH": "meq/L" },
    // The screens are the same ones: what is different are the words of steps and figures.
    "some",
  ],
] as const;
const TABS = {
  all: ["section", "readings", "programme", "equipment", "history", "settings"],
  some: ["section", "readings", "settings"],
} as const;
const RECORDS = { all: ["site", "equipment", "source", "kind", "barrel"], some: ["source"] } as const;
const METRIC = { Volume: "L", Length: "cm", Temperature: "°C", Salinity: "ppt", "Alkalinity, KH": "dKH" };

/** One of them in every run, who shares no unit with the screens as they are built; both under `npm run proof`. */
const WALKED = Number(process.env.KEEL_ROUND_PERSONS ?? 1);

for (const [who, units, which] of PERSONS.slice(0, WALKED))
  test(`${who} finds no unit of another on any screen`, async ({ as, browser, baseURL }) => {
    test.setTimeout(600_000);
    const context = await browser.newContext({ baseURL: baseURL ?? "", viewport: { width: 1280, height: 900 } });
    const page = await context.newPage();
    await as("Maud", { page });
    await reads(page, units);
    const found: string[] = [];
    const see = async (path: string, what = path) => {
      await page.goto(path);
      found.push(...(await foreign(page, what)));
    };
    await see("/tanks");
    const hrefs = await page
      .locator("tbody a[href^='/tanks/']")
      .evaluateAll((links) => links.map((l) => l.getAttribute("href") ?? ""));
    const tanks = [...new Set(hrefs)].filter((_, i) => i % 9 === 0).slice(0, which === "all" ? 2 : 1);
    for (const tank of tanks) for (const tab of TABS[which]) await see(`${tank}?tab=${tab}`, `tank ${tab}`);
    for (const path of [
      "/water",
      "/water/mixing",
      "/water/doses",
      "/tanks/new",
      "/desk/firm",
      "/desk/upkeep",
      "/stores",
      "/stores/orders",
    ])
      await see(path);
    const ids = tanks.map((t) => t.match(/[0-9a-f-]{36}/)?.[0] ?? "");
    for (const id of ids) {
      await see(`/water?tank=${id}`, "planner");
      await see(`/water/doses?tank=${id}`, "doses");
      await see(`/owner-card?tank=${id}`, "owner's card");
    }
    for (const kind of RECORDS[which]) {
      await see(`/desk/${kind}`);
      await page.locator("tbody a").first().click();
      await page.waitForURL(`**/desk/${kind}/**`);
      found.push(...(await foreign(page, `${kind} form`)));
    }
    await see("/round");
    await openStop(page, "Ilves Dental");
    found.push(...(await foreign(page, "stop")));
    await beginVisit(page);
    for (const tab of ["All steps", "Close", "Step"]) {
      await page.getByRole("tab", { name: new RegExp(`^${tab}`) }).click();
      found.push(...(await foreign(page, `visit ${tab}`)));
    }
    await page.goto("/letters");
    await page.getByRole("main").locator("tbody a").first().click();
    await page.waitForURL("**/letters/**");
    // The letter is the owner's, in the owner's units; what stands around it is the reader's.
    await reads(page, METRIC);
    await context.close();
    expect([...new Set(found)]).toEqual([]);
  });
