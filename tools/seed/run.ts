import { eq } from "drizzle-orm";
import mysql from "mysql2/promise";
import { db } from "@/data/connection";
import { migrateDatabase } from "@/data/migrate";
import { organization } from "@/data/schema";

const url = process.env.DATABASE_URL ?? "";
const { pathname, href } = new URL(url);
const admin = await mysql.createConnection(href.slice(0, -pathname.length));
await admin.query(`create database if not exists \`${pathname.slice(1)}\``);
await admin.end();
await migrateDatabase(url, "data/migrations");

const [known] = await db()
  .select({ id: organization.id })
  .from(organization)
  .where(eq(organization.slug, "calder-renn"));
if (!known) {
  const { loadDemo } = await import("./load.ts");
  const began = Date.now();
  const { today } = await loadDemo(new Date());
  console.log(`Demo business loaded for ${today} in ${((Date.now() - began) / 1000).toFixed(1)} s`);
}
process.exit(0);
