import { bin, ensureModules, ensurePrograms, giveUp, run } from "./lib/system.mjs";

/** What takes too long for every commit: plans carried out on tanks of every kind, and visits logged in every order. */
const PLANS = process.env.KEEL_ROUND_PLANS ?? "50000";
const HISTORIES = process.env.KEEL_ROUND_HISTORIES ?? "300";

async function main() {
  ensureModules();
  const env = { ...process.env, KEEL_ROUND_PLANS: PLANS, KEEL_ROUND_HISTORIES: HISTORIES };
  ensurePrograms(["mariadbd"]);
  console.log(`Carrying out ${PLANS} plans ...`);
  const plans = await run(bin("vitest"), ["run", "--project", "core", "core/src/visit/carriedOut"], { env });
  console.log(`Logging ${HISTORIES} visits in every order ...`);
  const visits = await run(bin("vitest"), ["run", "--project", "data", "web/data/lateEntries.test.ts"], { env });
  process.exit(plans || visits);
}

main().catch(giveUp);
