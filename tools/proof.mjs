import { bin, ensureModules, giveUp, run } from "./lib/system.mjs";

/** What takes too long for every commit: plans carried out on tanks of every kind, many more than in `npm test`. */
const PLANS = process.env.KEEL_ROUND_PLANS ?? "50000";

async function main() {
  ensureModules();
  console.log(`Carrying out ${PLANS} plans ...`);
  const env = { ...process.env, KEEL_ROUND_PLANS: PLANS };
  process.exit(await run(bin("vitest"), ["run", "--project", "core", "core/src/visit/carriedOut"], { env }));
}

main().catch(giveUp);
