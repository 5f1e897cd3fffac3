import { spawnSync } from "node:child_process";
import { expect, test } from "vitest";
import type { LoggedVisit } from "@/data/visit/siteLog";
import { siteLogPdf } from "./SiteLogPdf";

const visit = (i: number): LoggedVisit => ({
  ...{
    id: String(i),
    on: `2026-10-${String(i).padStart(2, "0")}`,
    tank: "Reef",
    by: "Ines Calder",
    time: "09:30 to 10:10",
  },
  readings: ["Temperature 24.8 °C", "Salinity 35.0 ppt", "Nitrate 10.1 mg/L", `Calcium ${400 + i} mg/L`],
  water: ["changed 95 L"],
  done: Array.from({ length: 9 }, (_, j) => `cleaned part ${j + 1} of the filter`),
  left: ["wipe the lights: no time left"],
  found: [`note ${i}`],
});

/** The words of each page with where they stand, by a program that only reads. */
async function pagesOf(visits: readonly LoggedVisit[]): Promise<string[]> {
  const pdf = await siteLogPdf({ siteName: "Ilves Dental", from: "2026-10-01", to: "2026-10-31", visits });
  const { stdout, status } = spawnSync("pdftotext", ["-layout", "-", "-"], { input: pdf, encoding: "utf8" });
  expect(status).toBe(0);
  return stdout.split("\f").filter((page) => page.trim() !== "");
}

test("a visit stands whole on one page, each page has its heads and its number", async () => {
  const visits = Array.from({ length: 28 }, (_, i) => visit(i + 1));
  const pages = await pagesOf(visits);
  expect(pages.length).toBeGreaterThan(2);
  for (const [i, page] of pages.entries()) {
    expect(page).toContain("Left out, found");
    expect(page).toContain(`${i + 1} of ${pages.length}`);
    // What begins with a visit's day ends with its last figure, on the same page.
    const begun = page.match(/day \d+ October/g)?.length;
    expect(page.match(/Calcium 4\d\d mg\/L/g)?.length).toBe(begun);
    expect(page.match(/part 9 of/g)?.length).toBe(begun);
  }
  const all = pages.join("\n");
  for (const v of visits) expect(all).toContain(v.readings[3]);
});

test("a log without a visit says so on its one page", async () => {
  const pages = await pagesOf([]);
  expect(pages).toHaveLength(1);
  expect(pages[0]).toContain("No visit was closed on these days.");
});
