import { gzipSync } from "node:zlib";
import { eq } from "drizzle-orm";
import { db } from "@/data/database/connection";
import { newId } from "@/data/database/ids";
import { letterToken, storeLetter } from "@/data/letters/letters";
import { letter, site, stop, tank, visit } from "@/data/schema";
import { loadDemo } from "../tools/seed/load.ts";
import logins from "../tools/seed/logins.json" with { type: "json" };
import { freshDatabase, signIn, startServer } from "./lib.ts";

// JavaScript that each screen asks for, compressed, beside the bare page with the theme alone.
await freshDatabase();
const { today } = await loadDemo(new Date());
const stopServer = await startServer();
const login = logins.logins[0];
const cookie = await signIn(login?.email ?? "", login?.password ?? "");
const [v] = await db()
  .select({ stopId: stop.id, visitId: visit.id, tankId: tank.id, clientId: site.clientId, businessId: stop.businessId })
  .from(visit)
  .innerJoin(stop, eq(stop.id, visit.stopId))
  .innerJoin(tank, eq(tank.id, visit.tankId))
  .innerJoin(site, eq(site.id, stop.siteId))
  .where(eq(visit.onDate, today))
  .limit(1);
if (!v) throw new Error("No visit today");
const letterId = newId();
await storeLetter(
  v.businessId,
  v.stopId,
  {
    ...{ letterId, clientId: v.clientId, revision: 99, business: "x", date: "x", greeting: "x", siteName: "x" },
    ...{ tanks: [], close: "x", signedBy: "x" },
  },
  { subject: "x", html: "<!doctype html><p>x</p>", plain: String(Math.random()), pdf: Buffer.from("x") },
  new Date(),
);
const [made] = await db().select({ html: letter.html }).from(letter).where(eq(letter.id, letterId));

const sizes = new Map<string, number>();
async function shipped(path: string): Promise<number> {
  const html = await (await fetch(`http://localhost:4699${path}`, { headers: { cookie } })).text();
  const scripts = new Set([...html.matchAll(/\/_next\/static\/[^"'\\ ]+\.js/g)].map((m) => m[0]));
  let total = 0;
  for (const script of scripts) {
    if (!sizes.has(script))
      sizes.set(
        script,
        gzipSync(Buffer.from(await (await fetch(`http://localhost:4699${script}`)).arrayBuffer())).length,
      );
    total += sizes.get(script) ?? 0;
  }
  return total;
}
// The page that says "nothing here" holds the theme, the shell and nothing of its own.
const bare = await shipped("/nothing-here");
console.log(`bare page with the theme: ${(bare / 1000).toFixed(0)} kB`);
for (const [name, path] of Object.entries({
  "sign-in": "/sign-in",
  Round: "/round",
  Tanks: "/tanks",
  "a tank sheet": `/tanks/${v.tankId}`,
  "its settings": `/tanks/${v.tankId}?tab=settings`,
  "a planned stop": `/stops/${v.stopId}`,
  "the visit sheet": "/visit",
  "kept on the device": "/day",
  Letters: "/letters",
  "own page": "/me",
})) {
  const bytes = await shipped(path);
  console.log(`${name}: ${(bytes / 1000).toFixed(0)} kB, ${(bytes / bare).toFixed(2)} times the bare page`);
}
const page = await (await fetch(`http://localhost:4699/letter/${letterToken(letterId)}`)).text();
console.log(
  `the owner's letter: ${/<script|\.js["' ]/.test(page) ? "SCRIPT" : "no script"} (${made ? "as stored" : "missing"})`,
);
stopServer();
process.exit(0);
