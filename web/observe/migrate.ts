import { join } from "node:path";
import { migrateDatabase } from "@/data/database/migrate";

await migrateDatabase(process.env.DATABASE_URL ?? "", join(import.meta.dirname, "../data/database/migrations"));
console.log("The database has the schema of this version.");
