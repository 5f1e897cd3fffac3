import { randomBytes } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { ensureBuild } from "./lib/build.mjs";
import { startDatabase } from "./lib/database.mjs";
import {
  ensureFolder,
  ensureModules,
  ensurePrograms,
  freePort,
  giveUp,
  isFree,
  remove,
  root,
  run,
  start,
  stopProcess,
  tsx,
  Unable,
} from "./lib/system.mjs";

const folder = join(root, ".keel/demo");
const PREFERRED_PORT = 4680;

/** A secret of this installation, made once. */
function secretOf(home) {
  const file = join(home, "secret");
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString("hex"), { mode: 0o600 });
  return readFileSync(file, "utf8");
}

async function choosePort() {
  const wanted = process.env.PORT;
  if (wanted) {
    if (!(await isFree(Number(wanted))))
      throw new Unable(`Port ${wanted} is taken. Free it, or start with another one: PORT=4700 npm run demo`);
    return Number(wanted);
  }
  return (await isFree(PREFERRED_PORT)) ? PREFERRED_PORT : freePort();
}

async function answers(url, child) {
  for (let i = 0; i < 300; i++) {
    if (child.exitCode !== null) throw new Unable("The application stopped while starting; its reason stands above.");
    try {
      await fetch(url);
      return;
    } catch {
      // Not listening yet.
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
  throw new Unable("The application did not answer within 30 seconds.");
}

async function main() {
  const began = Date.now();
  if (process.argv.includes("--fresh")) remove(folder);
  ensurePrograms(["mariadbd"]);
  ensureModules();
  ensureFolder(folder);
  await ensureBuild();

  const running = [];
  let stopping = false;
  const stopAll = async (code) => {
    if (stopping) return;
    stopping = true;
    for (const child of running.reverse()) await (typeof child === "function" ? child() : stopProcess(child));
    process.exit(code);
  };
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => void stopAll(0));

  try {
    const database = await startDatabase(folder);
    running.push(database.stop);
    const [port, smtpPort, outboxPort] = [await choosePort(), await freePort(), await freePort()];
    const address = `http://localhost:${port}`;
    const env = {
      ...process.env,
      NODE_ENV: "production",
      NEXT_TELEMETRY_DISABLED: "1",
      DATABASE_URL: database.url("keel_round"),
      BETTER_AUTH_URL: address,
      BETTER_AUTH_SECRET: secretOf(folder),
      PHOTO_FOLDER: join(folder, "photos"),
      SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
      MAIL_SMTP_PORT: String(smtpPort),
      MAIL_HTTP_PORT: String(outboxPort),
    };
    const [seed, seedArgs] = tsx("../tools/seed/run.ts");
    if ((await run(seed, seedArgs, { cwd: join(root, "web"), env })) !== 0)
      throw new Unable(
        "The demo business could not be loaded; the reason stands above.\nStart over with: npm run demo -- --fresh",
      );
    const detached = { cwd: join(root, "web"), env, detached: true };
    const [node, standIns] = tsx("src/main.ts");
    running.push(start(node, standIns, { ...detached, cwd: join(root, "stand-ins") }));
    const app = start(
      process.execPath,
      [join(root, "node_modules/next/dist/bin/next"), "start", "-p", String(port), "-H", "127.0.0.1"],
      { ...detached, stdio: ["ignore", "ignore", "inherit"] },
    );
    running.push(app);
    const [jobsNode, jobs] = tsx("jobs/run.tsx");
    running.push(start(jobsNode, jobs, detached));
    for (const child of running) {
      if (typeof child === "function") continue;
      child.once("exit", (code) => {
        if (stopping) return;
        console.error(`A part of Keel Round stopped (${code}).`);
        void stopAll(1);
      });
    }
    await answers(`${address}/sign-in`, app);
    const { logins } = JSON.parse(readFileSync(join(root, "tools/seed/logins.json"), "utf8"));
    console.log(`\nKeel Round is ready after ${((Date.now() - began) / 1000).toFixed(0)} s: ${address}\n`);
    for (const login of logins) console.log(`  ${login.who.padEnd(34)} ${login.email.padEnd(26)} ${login.password}`);
    console.log(`\n  Mail goes nowhere: what would be sent is kept at http://127.0.0.1:${outboxPort}`);
    console.log("\nCtrl-C stops everything. The data stays; `npm run demo -- --fresh` starts over.");
  } catch (error) {
    console.error(error instanceof Unable ? `\n${error.message}\n` : error);
    await stopAll(1);
  }
}

main().catch(giveUp);
