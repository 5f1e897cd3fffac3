import { mkdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { ensureBuild } from "./lib/build.mjs";
import { chaos } from "./lib/chaos.mjs";
import { bin, ensureModules, ensurePrograms, giveUp, root, run } from "./lib/system.mjs";

/** As many as take a minute; `npm run proof` takes more. */
const KILLS = 4;

/** Every part of the tests, each with a count of what passed and failed. One that fails does not keep the others from running. */
async function main() {
  ensurePrograms(["mariadbd", "openssl", "chromium-headless-shell", "pdftotext"]);
  ensureModules();
  const reports = join(root, "test-results");
  mkdirSync(reports, { recursive: true });
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: "1" };
  let [passed, failed] = [0, 0];
  let began = Date.now();
  const took = (name) => {
    console.log(`${name} took ${Math.round((Date.now() - began) / 1000)} s`);
    began = Date.now();
  };
  const one = async (name, command, args) => {
    const code = await run(command, args, { env });
    console.log(`${name}: ${code === 0 ? "passed" : "failed"}`);
    code === 0 ? passed++ : failed++;
  };
  // Two at once; what reads every source waits until the import rule has taken away the violation that it plants.
  await Promise.all([
    one("import rule", process.execPath, ["tools/check-imports.mjs"]),
    one("messages are compiled", process.execPath, ["tools/messages.mjs", "--check"]),
    one("schema and migrations agree", process.execPath, ["tools/check-schema.mjs"]),
  ]);
  await Promise.all([
    one("types", process.execPath, ["tools/types.mjs"]),
    (async () => {
      await one("lint", bin("biome"), ["check", "."]);
      await one("no dead exports", bin("knip"), ["--include", "exports,files"]);
    })(),
  ]);

  took("Reading the sources");

  const vitest = join(reports, "vitest.json");
  const vitestCode = await run(
    bin("vitest"),
    ["run", "--reporter=default", "--reporter=json", `--outputFile=${vitest}`],
    { env },
  );
  [passed, failed] = tally(passed, failed, vitestCode, vitest, (r) => [
    r.numPassedTests,
    r.numFailedTests + (r.numFailedTestSuites && !r.numFailedTests ? r.numFailedTestSuites : 0),
  ]);

  took("Unit, component and data tests");

  try {
    await ensureBuild();
    passed++;
    took("The build");
    const playwright = join(reports, "playwright.json");
    const code = await run(bin("playwright"), ["test"], { env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: playwright } });
    [passed, failed] = tally(passed, failed, code, playwright, (r) => [
      r.stats.expected,
      r.stats.unexpected + r.stats.flaky,
    ]);
    took("The journeys");
    const held = (await chaos("run.ts", "--kills", String(KILLS))) === 0;
    console.log(`parts killed ${KILLS} times: ${held ? "passed" : "failed"}`);
    held ? passed++ : failed++;
    took("Killing parts");
  } catch (error) {
    console.error(error.message);
    failed++;
  }
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exit(failed > 0 ? 1 : 0);
}

function tally(passed, failed, code, file, counts) {
  try {
    const [ok, bad] = counts(JSON.parse(readFileSync(file, "utf8")));
    // A runner that fails without a failed test (a file that does not load, say) is a failure all the same.
    return [passed + ok, failed + (code !== 0 && bad === 0 ? 1 : bad)];
  } catch {
    console.error(`No report at ${file}`);
    return [passed, failed + 1];
  }
}

main().catch(giveUp);
