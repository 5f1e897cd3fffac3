import { eq } from "drizzle-orm";
import mysql from "mysql2/promise";
import { db } from "@/data/database/connection";
import { migrateDatabase } from "@/data/database/migrate";
import { organization } from "@/data/schema";

const url = process.env.DATABASE_URL ?? "";
const { pathname, href } = new URL(url);
const name = pathname.slice(1);
const admin = await mysql.createConnection(href.slice(0, -pathname.length));
await admin.query(`create database if not exists \`${name}\``);
await migrateDatabase(url, "data/database/migrations");
if (await halfLoaded()) {
  // Ended in the middle of the loading, it holds half of a demo and nobody's work: nobody could sign in yet.
  console.log("The demo business was loaded in part only; it is loaded anew.");
  await admin.query(`drop database \`${name}\``);
  await admin.query(`create database \`${name}\``);
  await migrateDatabase(url, "data/database/migrations");
}

async function halfLoaded(): Promise<boolean> {
  const [rows] = await admin.query<mysql.RowDataPacket[]>(
    `select 1 from \`${name}\`.lease where name = 'demo' and (select count(*) from \`${name}\`.organization) <= 1`,
  );
  return rows.length > 0;
}

const [known] = await db()
  .select({ id: organization.id })
  .from(organization)
  .where(eq(organization.slug, "calder-renn"));
if (!known) {
  const { loadDemo } = await import("./load.ts");
  const began = Date.now();
  await admin.query(`insert into \`${name}\`.lease values ('demo', 'loading', utc_timestamp(3))`);
  const { today } = await loadDemo(new Date());
  await admin.query(`delete from \`${name}\`.lease where name = 'demo'`);
  console.log(`Demo business loaded for ${today} in ${((Date.now() - began) / 1000).toFixed(1)} s`);
}
await admin.end();
process.exit(0);
