import { createReadStream, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { asc, eq } from "drizzle-orm";
import mysql from "mysql2/promise";
import { scopeOfUser } from "@/data/access/scope";
import { db } from "@/data/database/connection";
import { person, reading, tank } from "@/data/schema";
import { applyImport, checkImport, loadImport, runImport, undoImport } from "@/data/transfer/imports";
import { stageFile } from "@/data/transfer/stage";
import { loadScale } from "../tools/seed/scale.ts";
import { freshDatabase, median, spread, timed } from "./lib.ts";

// 100 000 readings through the import (taken in, checked, published), beside the same rows through LOAD DATA.
const ROWS = 100_000;
const ROUNDS = Number(process.env.ROUNDS ?? 20);
const MB = 1_048_576;

await freshDatabase();
const { businessId, today } = await loadScale(900, 1, "import");
const [someone] = (await db().select().from(person).where(eq(person.businessId, businessId))).filter((p) => p.userId);
const scope = await scopeOfUser(someone?.userId ?? "");
if (!scope) throw new Error("Nobody to import for");
const office = { ...scope, role: "office" as const };
const tanks = await db()
  .select({ id: tank.id, name: tank.name })
  .from(tank)
  .where(eq(tank.businessId, businessId))
  .orderBy(asc(tank.name));
const names = tanks.filter((t, i) => tanks[i - 1]?.name !== t.name && tanks[i + 1]?.name !== t.name);

const folder = mkdtempSync(join(tmpdir(), "keel-import-"));
const minute = (i: number) => new Date(Date.UTC(2020, 0, 1) + i * 60_000);
const csv: string[] = ["Tank,Day and time,Parameter,Value,Unit,Method"];
const tsv: string[] = [];
for (let i = 0; i < ROWS; i++) {
  const { id, name } = names[i % names.length] ?? { id: "", name: "" };
  const value = (5 + (i % 400) / 10).toFixed(1);
  const at = minute(i).toISOString();
  csv.push(`${name},${at},nitrate,${value},mg/L,liquid kit`);
  const hex = i.toString(16).padStart(12, "0");
  tsv.push(
    `01900000-0000-7000-8000-${hex}\t${businessId}\t${id}\tnitrate\t${value}\tmg/L\tliquid kit\t${value}\t0.5\t${at.slice(0, 23).replace("T", " ")}\t${at.slice(0, 10)}`,
  );
}
const csvBytes = Buffer.from(csv.join("\n"));
const tsvPath = join(folder, "readings.tsv");
writeFileSync(tsvPath, tsv.join("\n"));
const url = process.env.DATABASE_URL ?? "";
const plain = await mysql.createConnection({ uri: url, infileStreamFactory: () => createReadStream(tsvPath) });

let memory = 0;
const parts = { staged: [] as number[], checked: [] as number[], published: [] as number[] };
async function bringIn(): Promise<string> {
  let id = "";
  const when = { now: new Date(), today };
  async function* chunks() {
    for (let i = 0; i < csvBytes.length; i += 65_536) yield csvBytes.subarray(i, i + 65_536);
  }
  parts.staged.push(
    await timed(async () => {
      ({ id } = await stageFile(office, { kind: "reading", fileName: "bench.csv", bytes: chunks() }, new Date()));
    }),
  );
  const { meanings, style } = await loadImport(office, id);
  await checkImport(office, id, { meanings, style, zone: null });
  parts.checked.push(await timed(() => runImport(office, id, "check", when)));
  await applyImport(office, id, false);
  parts.published.push(await timed(() => runImport(office, id, "apply", when)));
  const { counts, state } = await loadImport(office, id);
  if (state !== "done" || counts.new !== ROWS) throw new Error(`${state}: ${JSON.stringify(counts)}`);
  return id;
}
async function load(): Promise<void> {
  await plain.query({
    sql: `load data local infile 'readings' into table reading (id, business_id, tank_id, parameter, entered, unit, method, value, sigma, taken_at, on_date)`,
  });
}

const [importing, loading]: [number[], number[]] = [[], []];
const watch = setInterval(() => {
  memory = Math.max(memory, process.memoryUsage().rss);
}, 50);
const before = process.memoryUsage().rss;
for (let i = 0; i < ROUNDS; i++) {
  const ours = async () => {
    let id = "";
    importing.push(
      await timed(async () => {
        id = await bringIn();
      }),
    );
    await undoImport(office, id, { now: new Date(), today });
  };
  const theirs = async () => {
    loading.push(await timed(load));
    await db().delete(reading).where(eq(reading.parameter, "nitrate"));
  };
  // Sides alternate, and so does which of them goes first.
  if (i % 2 === 0) {
    await ours();
    await theirs();
  } else {
    await theirs();
    await ours();
  }
}
clearInterval(watch);
const ratios = importing.map((ms, i) => ms / (loading[i] ?? Number.NaN));
console.log(
  `${ROWS} readings, ${ROUNDS} rounds: import ${spread(importing, 0)} ms (taken in ${median(parts.staged).toFixed(0)}, checked ${median(parts.checked).toFixed(0)}, published ${median(parts.published).toFixed(0)}), LOAD DATA ${spread(loading, 0)} ms, ratio ${spread(ratios, 1)}`,
);
console.log(
  `Memory of the process: ${(before / MB).toFixed(0)} MB before, ${(memory / MB).toFixed(0)} MB at most; the file has ${(csvBytes.length / MB).toFixed(1)} MB`,
);
await plain.end();
rmSync(folder, { recursive: true, force: true });
process.exit(0);
