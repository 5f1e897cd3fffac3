import { and, asc, eq, gte } from "drizzle-orm";
import { db } from "@/data/connection";
import { stop, visit } from "@/data/schema";
import { loadScale, SCALE_LOGIN } from "../tools/seed/scale.ts";
import { freshDatabase, signIn, spread, startServer, timed } from "./lib.ts";

// Server time of the main pages with 900 tanks and three years of history, against the smallest signed-in page.
const ROUNDS = 24;
await freshDatabase();
const { businessId, today, tankIds } = await loadScale(900, 156, "pages");
const stopServer = await startServer();
const cookie = await signIn(`pages${SCALE_LOGIN.email}`, SCALE_LOGIN.password);
const [next] = await db()
  .select({ stopId: stop.id, visitId: visit.id })
  .from(visit)
  .innerJoin(stop, eq(stop.id, visit.stopId))
  .where(and(eq(visit.businessId, businessId), gte(visit.onDate, today)))
  .orderBy(asc(visit.onDate))
  .limit(1);

const smallest = "/me";
const pages: Record<string, string> = {
  Round: "/round",
  Tanks: "/tanks",
  "a tank sheet": `/tanks/${tankIds[0]}`,
  "a planned stop": `/stops/${next?.stopId}`,
  "a visit's bundle": `/api/visits/${next?.visitId}`,
};
const get = async (path: string) => {
  const answer = await fetch(`http://localhost:4699${path}`, { headers: { cookie } });
  if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
  await answer.text();
};
for (const path of [smallest, ...Object.values(pages)]) for (let i = 0; i < 3; i++) await get(path);
for (const [name, path] of Object.entries(pages)) {
  const [page, base]: [number[], number[]] = [[], []];
  for (let i = 0; i < ROUNDS; i++) {
    base.push(await timed(() => get(smallest)));
    page.push(await timed(() => get(path)));
  }
  console.log(
    `${name}: ${spread(page, 0)} ms, smallest page ${spread(base, 0)} ms, ratio ${spread(page.map((p, i) => p / (base[i] ?? Number.NaN)))}`,
  );
}
stopServer();
process.exit(0);
