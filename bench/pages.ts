import { and, asc, eq, gte } from "drizzle-orm";
import { db } from "@/data/database/connection";
import { site, stop, visit } from "@/data/schema";
import { loadScale, SCALE_LOGIN } from "../tools/seed/scale.ts";
import { freshDatabase, signIn, spread, startServer, timed } from "./lib.ts";

// Server time of the main pages against the smallest signed-in page: 900 tanks with three years of weekly history, and
// 9 000 tanks with four weeks.
const ROUNDS = 24;
const SIZES = [
  { tanks: 900, weeks: 156 },
  { tanks: 9000, weeks: 4 },
];
const smallest = "/me";

for (const { tanks, weeks } of SIZES) {
  await freshDatabase();
  const { businessId, today, tankIds } = await loadScale(tanks, weeks, `pages${tanks}`);
  const stopServer = await startServer();
  const cookie = await signIn(`pages${tanks}${SCALE_LOGIN.email}`, SCALE_LOGIN.password);
  const [next] = await db()
    .select({ stopId: stop.id, visitId: visit.id })
    .from(visit)
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .where(and(eq(visit.businessId, businessId), gte(visit.onDate, today)))
    .orderBy(asc(visit.onDate))
    .limit(1);
  const [place] = await db().select({ id: site.id }).from(site).where(eq(site.businessId, businessId)).limit(1);
  const pages: Record<string, string> = {
    Round: "/round",
    Tanks: "/tanks",
    "a tank sheet": `/tanks/${tankIds[0]}`,
    "settings of a tank": `/tanks/${tankIds[0]}?tab=settings`,
    "a planned stop": `/stops/${next?.stopId}`,
    "a visit's bundle": `/api/visits/${next?.visitId}`,
    "desk: sites": "/desk/site",
    "desk: equipment by its tank": "/desk/equipment?sort=tankId",
    "desk: a site": `/desk/site/${place?.id}`,
    find: "/api/find?q=herring",
  };
  const get = async (path: string) => {
    const answer = await fetch(`http://localhost:4699${path}`, { headers: { cookie } });
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
    await answer.text();
  };
  for (const path of [smallest, ...Object.values(pages)]) for (let i = 0; i < 3; i++) await get(path);
  console.log(`${tanks} tanks, ${weeks} weeks, ${ROUNDS} rounds`);
  for (const [name, path] of Object.entries(pages)) {
    const [page, base]: [number[], number[]] = [[], []];
    for (let i = 0; i < ROUNDS; i++) {
      base.push(await timed(() => get(smallest)));
      page.push(await timed(() => get(path)));
    }
    const ratios = page.map((p, i) => p / (base[i] ?? Number.NaN));
    console.log(`  ${name}: ${spread(page, 0)} ms, smallest page ${spread(base, 0)} ms, ratio ${spread(ratios)}`);
  }
  stopServer();
}
process.exit(0);
