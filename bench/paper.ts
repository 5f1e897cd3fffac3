import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { clientReport, periodsBefore } from "@keel-round/core/report";
import { METRIC } from "@keel-round/core/units";
import { chromium } from "@playwright/test";
import { and, eq, isNotNull, sql } from "drizzle-orm";
import { db } from "@/data/database/connection";
import { newId } from "@/data/database/ids";
import { clientFacts } from "@/data/reports/facts";
import { makeReports } from "@/data/reports/runs";
import { storeReport } from "@/data/reports/store";
import { client, letter, person, reportRun, site, tank } from "@/data/schema";
import { renderLetterPdf } from "@/places/letters/render/pdf";
import { pagesOf, renderReport } from "@/places/reports/render";
import { loadDemo } from "../tools/seed/load.ts";
import { loadScale } from "../tools/seed/scale.ts";
import { freshDatabase, spread, timed } from "./lib.ts";

// A letter and a report of three pages set as PDF, beside the same page printed by a browser that is open already; then the
// reports of a month of 900 clients, and what they hold in memory on the way.
const ROUNDS = 20;
const CLIENTS = 900;
const STEP = 100;

const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium-headless-shell",
  args: ["--no-sandbox", "--disable-gpu"],
});
const page = await browser.newPage();
const printed = async (html: string) => {
  await page.setContent(html);
  await page.pdf({ format: "A4" });
};

async function beside(name: string, set: () => Promise<unknown>, html: string): Promise<void> {
  const [ours, theirs]: [number[], number[]] = [[], []];
  // Both have their typefaces and their program warm.
  await set();
  await printed(html);
  for (let i = 0; i < ROUNDS; i++) {
    const sides = [async () => ours.push(await timed(set)), async () => theirs.push(await timed(() => printed(html)))];
    for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
  }
  const ratios = ours.map((o, i) => o / (theirs[i] ?? 1));
  console.log(`${name}: ${spread(ours, 0)} ms, printed by a browser ${spread(theirs, 0)} ms, ratio ${spread(ratios)}`);
}

await freshDatabase();
const { businessId, today } = await loadDemo(new Date());
const images = { mark: null, photos: {} };
const [written] = await db()
  .select({ content: letter.content, html: letter.html })
  .from(letter)
  .where(and(eq(letter.businessId, businessId), isNotNull(letter.content), sql`${letter.subject} like 'Ilves%'`))
  .limit(1);
if (!written?.content) throw new Error("The demo has no letter");
const { content, html } = written;
await beside("a letter", () => renderLetterPdf(content, images), html);

const [quarter] = periodsBefore("quarter", today, 1);
const [ilves] = await db().select({ id: client.id }).from(client).where(eq(client.name, "Ilves Dental"));
const facts = quarter && ilves && (await clientFacts(businessId, ilves.id, quarter, "Maud"));
const [one] = facts?.tanks ?? [];
if (!facts || !one) throw new Error("The demo has no report");
const many = { ...facts, tanks: Array.from({ length: 5 }, (_, i) => ({ ...one, name: `Column ${i + 1}` })) };
const set = () => renderReport((detail) => clientReport(many, detail, METRIC), null);
const report = await set();
console.log(`the report has ${pagesOf(report.pdf)} pages, ${Math.round(report.pdf.length / 1000)} kB`);
await beside("a report of three pages, as a page and a PDF", set, report.html);
await browser.close();

await freshDatabase();
const scale = await loadScale(CLIENTS, 9, "paper");
// Each tank becomes a client of its own.
const sites = await db().select().from(site).where(eq(site.businessId, scale.businessId));
const clients = scale.tankIds.map((tankId, i) => ({
  tankId,
  clientId: newId(),
  siteId: newId(),
  of: sites[i % sites.length],
}));
for (const { clientId, siteId, of, tankId } of clients) {
  if (!of) continue;
  const name = `Client ${tankId.slice(-6)}`;
  await db()
    .insert(client)
    .values({ id: clientId, businessId: scale.businessId, name, contact: "Jo", email: "c@firm.example" });
  await db()
    .insert(site)
    .values({ ...of, id: siteId, clientId, name });
  await db().update(tank).set({ siteId }).where(eq(tank.id, tankId));
}
const [asked] = await db()
  .select({ id: person.id })
  .from(person)
  .where(eq(person.businessId, scale.businessId))
  .limit(1);
const [month] = periodsBefore("month", scale.today, 1);
if (!asked || !month) throw new Error("Nobody asks");
const runId = newId();
await db()
  .insert(reportRun)
  .values({
    ...{ id: runId, businessId: scale.businessId, personId: asked.id, state: "making", at: new Date() },
    ...{ kind: "month", fromOn: month.fromOn, untilOn: month.untilOn },
  });
setFlagsFromString("--expose-gc");
const collect = runInNewContext("gc") as () => void;
const held: number[] = [];
let made = 0;
const took = await timed(() =>
  makeReports(scale.businessId, runId, {
    client: async (of) => {
      const { content: told, ...rendered } = await renderReport((detail) => clientReport(of, detail, METRIC), null);
      const kept = await storeReport(scale.businessId, of.clientId, of.period, told, rendered, new Date());
      made += 1;
      if (made % STEP === 0) {
        collect();
        held.push(process.memoryUsage().heapUsed / 1e6);
      }
      return kept !== null;
    },
    firm: () => Promise.reject(new Error("No year was asked for.")),
  }),
);
const [run] = await db().select().from(reportRun).where(eq(reportRun.id, runId));
console.log(
  `${run?.made} reports of ${run?.total} clients in ${Math.round(took / 1000)} s, ${(took / made).toFixed(0)} ms each; held after each hundred, MB: ${held.map((mb) => mb.toFixed(0)).join(", ")}`,
);
process.exit(0);
