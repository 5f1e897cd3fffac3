import { ensureBuild } from "./lib/build.mjs";
import { onOtherDay } from "./lib/otherDay.mjs";
import { bin, ensureModules, ensurePrograms, giveUp, run } from "./lib/system.mjs";

/**
 * The browser's journeys, or those whose file or name is told: npm run test:e2e -- visit.
 * KEEL_ROUND_DAYS_AHEAD=3 takes them as they would run in three days: what they rely on may not hang on the date.
 */
async function main() {
  ensurePrograms(["mariadbd", "openssl", "chromium-headless-shell", "pdftotext"]);
  ensureModules();
  await ensureBuild();
  const env = onOtherDay(Number(process.env.KEEL_ROUND_DAYS_AHEAD ?? 0));
  process.exit(await run(bin("playwright"), ["test", "--reporter=list", ...process.argv.slice(2)], { env }));
}

main().catch(giveUp);
