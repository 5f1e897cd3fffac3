import { ensureBuild } from "./lib/build.mjs";
import { chaos } from "./lib/chaos.mjs";
import { CLUSTER_PROGRAMS } from "./lib/cluster.mjs";
import { bin, ensureModules, ensurePrograms, giveUp, run } from "./lib/system.mjs";

/**
 * What takes too long for every commit: plans carried out on tanks of every kind, visits logged and rounds changed in every
 * order, whatever can be sent, and parts killed while work goes on.
 */
const PLANS = process.env.KEEL_ROUND_PLANS ?? "50000";
const TRENDS = process.env.KEEL_ROUND_TRENDS ?? "1000";
const HISTORIES = process.env.KEEL_ROUND_HISTORIES ?? "300";
const EDITS = process.env.KEEL_ROUND_EDITS ?? "1000";
const TRIES = process.env.KEEL_ROUND_TRIES ?? "2000";
const VISITS = process.env.KEEL_ROUND_VISITS ?? "10";
const PERSONS = process.env.KEEL_ROUND_PERSONS ?? "2";
const KILLS = process.env.KEEL_ROUND_KILLS ?? "500";

/** What else goes wrong in a year, each a program of its own. */
const CHAOS = [
  ["Working with clocks that are a minute apart", "skew.ts"],
  ["Working on a full disk", "disk.ts"],
  ["Waiting a day for the mail server", "mail.ts"],
  ["Restoring a backup on another machine", "drill.ts"],
  ["Upgrading, and going back", "upgrade.ts"],
  ["Setting a new secret", "secret.ts"],
  ["Taking in the days of 200 phones in ten minutes", "load.ts"],
];

async function main() {
  ensureModules();
  ensurePrograms(["mariadbd", "openssl", "chromium-headless-shell"]);
  const env = {
    ...process.env,
    KEEL_ROUND_PLANS: PLANS,
    KEEL_ROUND_TRENDS: TRENDS,
    KEEL_ROUND_HISTORIES: HISTORIES,
    KEEL_ROUND_EDITS: EDITS,
    KEEL_ROUND_TRIES: TRIES,
    KEEL_ROUND_VISITS: VISITS,
    KEEL_ROUND_PERSONS: PERSONS,
  };
  const test = (project, ...files) => run(bin("vitest"), ["run", "--project", project, ...files], { env });
  let failed = 0;
  const one = async (says, work) => {
    console.log(`${says} ...`);
    if ((await work()) !== 0) failed++;
  };
  await one(`Carrying out ${PLANS} plans`, () => test("core", "core/src/visit/carriedOut"));
  await one(`Simulating ${TRENDS} tanks of each trouble`, () => test("core", "core/src/trend"));
  await one(`Logging ${HISTORIES} visits in every order`, () => test("data", "web/data/visit/lateEntries.test.ts"));
  await one(`Changing ${EDITS} rounds in every order`, () => test("data", "web/data/series/series.test.ts"));
  await one(`Sending whatever can be sent, ${TRIES} times each`, () =>
    test("data", "web/data/access/registry.test.ts"),
  );
  await ensureBuild();
  await one(`Walking through ${VISITS} visits on a phone`, () =>
    run(bin("playwright"), ["test", "e2e/phases.spec.ts"], { env }),
  );
  await one("Reading every screen in other people's units", () =>
    run(bin("playwright"), ["test", "e2e/units.spec.ts"], { env }),
  );
  ensurePrograms(CLUSTER_PROGRAMS);
  await one("Killing nodes, web and jobs processes of a cluster while visits are logged", () => chaos("cluster.ts"));
  await one("Walking through every journey on a cluster whose parts are killed in turn", () =>
    run(bin("playwright"), ["test"], { env: { ...env, KEEL_ROUND_CLUSTER: "1" } }),
  );
  for (const [says, file] of CHAOS) await one(says, () => chaos(file));
  await one(`Killing parts ${KILLS} times`, () => chaos("run.ts", "--kills", KILLS));
  console.log(failed === 0 ? "All of it held." : `${failed} did not hold.`);
  process.exit(failed);
}

main().catch(giveUp);
