import { and, eq } from "drizzle-orm";
import { db } from "@/data/database/connection";
import { loadPlanInputs } from "@/data/plan/planInputs";
import { laySite } from "@/data/programme/layJobs";
import { tank } from "@/data/schema";
import { loadScale } from "../tools/seed/scale.ts";
import { freshDatabase, median, spread, timed } from "./lib.ts";

// Laying a year of long jobs out on the server, site by site as the desk's button does, beside reading what the plans of the
// same tanks are made from; and how a tank's share grows with the firm.
const ROUNDS = 20;
const WEEKS = 8;
/** Sites that are laid in a round: all of the smallest firm. */
const SITES = 30;
const perTank = new Map<number, number>();

for (const count of [90, 900, 9000]) {
  await freshDatabase();
  const { businessId, today } = await loadScale(count, WEEKS, `lay${count}`);
  const rows = await db()
    .select({ id: tank.id, siteId: tank.siteId })
    .from(tank)
    .where(and(eq(tank.businessId, businessId)));
  const siteIds = [...new Set(rows.map((r) => r.siteId))].slice(0, SITES);
  const tanks = rows.filter((r) => siteIds.includes(r.siteId));
  const visits = tanks.map((t) => ({ visitId: t.id, tankId: t.id, on: today }));
  for (const id of siteIds) await laySite(db(), businessId, id, today);
  const [laid, read]: [number[], number[]] = [[], []];
  for (let i = 0; i < ROUNDS; i++) {
    const sides = [
      async () => {
        laid.push(
          await timed(async () => {
            for (const id of siteIds) await laySite(db(), businessId, id, today);
          }),
        );
      },
      async () => {
        read.push(await timed(() => loadPlanInputs(db(), businessId, visits)));
      },
    ];
    for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
  }
  const each = laid.map((ms) => ms / tanks.length);
  perTank.set(count, median(each));
  console.log(
    `${count} tanks: ${spread(each)} ms a tank, ${(median(each) / (perTank.get(90) ?? Number.NaN)).toFixed(2)} of that at 90; to reading alone ${spread(
      laid.map((l, i) => l / (read[i] ?? Number.NaN)),
      1,
    )}`,
  );
}
process.exit(0);
