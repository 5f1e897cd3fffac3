import { BadBackup, restoreBackup, verifyBackup, writeBackup } from "@/data/backup/backup";
import { photoStore } from "@/data/photos/store";

// write FILE | verify FILE | restore FILE, of the database in DATABASE_URL.
const [work, file = ""] = process.argv.slice(2);
const url = process.env.DATABASE_URL ?? "";
const MIGRATIONS = "data/database/migrations";

try {
  if (work === "write") {
    const { rows, photos, sha256 } = await writeBackup(url, file, MIGRATIONS, photoStore(), new Date());
    await verifyBackup(file);
    console.log(`${rows} rows and ${photos} photos in ${file}, read again and checked.\nSHA-256 ${sha256}`);
    console.log("Keep the file `secret` of the data folder with it: door codes and letter links open with it alone.");
  } else if (work === "verify") {
    const { rows, photos } = await verifyBackup(file);
    console.log(`${rows} rows and ${photos} photos, whole and unaltered.`);
  } else {
    const { rows, photos } = await restoreBackup(file, url, MIGRATIONS, photoStore());
    console.log(`${rows} rows and ${photos} photos restored.`);
  }
} catch (error) {
  if (!(error instanceof BadBackup)) throw error;
  console.error(error.message);
  process.exit(1);
}
process.exit(0);
