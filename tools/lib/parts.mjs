import { createECDH, randomBytes } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { startDatabase } from "./database.mjs";
import { freePort, isFree, root, run, start, stopProcess, tsx, Unable } from "./system.mjs";

const PREFERRED_PORT = 4680;

/** A secret of this installation, made once. */
function secretOf(home) {
  const file = join(home, "secret");
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString("hex"), { mode: 0o600 });
  return readFileSync(file, "utf8");
}

/** The keys that browsers are rung under, made once. */
function pushKeysOf(home) {
  const file = join(home, "push-keys.json");
  if (!existsSync(file)) {
    const pair = createECDH("prime256v1");
    pair.generateKeys();
    const keys = {
      VAPID_PUBLIC_KEY: pair.getPublicKey("base64url"),
      VAPID_PRIVATE_KEY: pair.getPrivateKey("base64url"),
    };
    writeFileSync(file, JSON.stringify(keys), { mode: 0o600 });
  }
  return JSON.parse(readFileSync(file, "utf8"));
}

async function choosePort(command) {
  const wanted = process.env.PORT;
  if (wanted) {
    if (!(await isFree(Number(wanted))))
      throw new Unable(`Port ${wanted} is taken. Free it, or start with another one: PORT=4700 npm run ${command}`);
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

/**
 * Starts everything on loopback with the demo business: database, seed, stand-ins, application and background work. Ctrl-C
 * stops it all.
 *
 * @param folder Where its data are kept.
 * @param command What the person typed after `npm run`.
 * @param mode NODE_ENV of the application.
 * @param app Arguments of Next.js before the port.
 * @param openDatabase What its database is started with: one server, or a cluster.
 * @param copies How many web processes stand behind `front`, and how many do the background work.
 * @param front Starts what stands before several web processes: its port and theirs.
 * @param work How the background process is started: node's own arguments.
 * @returns its address, and where the mail that is not sent can be read.
 */
export async function startParts({
  folder,
  command,
  mode,
  app: appArgs,
  work,
  openDatabase = startDatabase,
  copies = 1,
  front = null,
}) {
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
    const database = await openDatabase(folder);
    running.push(database.stop);
    const [port, smtpPort, outboxPort] = [await choosePort(command), await freePort(), await freePort()];
    const pushPort = await freePort();
    const address = `http://localhost:${port}`;
    const env = {
      ...process.env,
      NODE_ENV: mode,
      NEXT_TELEMETRY_DISABLED: "1",
      DATABASE_URL: database.url("keel_round"),
      BETTER_AUTH_URL: address,
      ...(front ? { TRUSTED_PROXIES: "1" } : {}),
      BETTER_AUTH_SECRET: secretOf(folder),
      PHOTO_FOLDER: join(folder, "photos"),
      SMTP_URL: `smtp://127.0.0.1:${smtpPort}`,
      MAIL_SMTP_PORT: String(smtpPort),
      MAIL_HTTP_PORT: String(outboxPort),
      ...pushKeysOf(folder),
      VAPID_SUBJECT: "mailto:office@calder-renn.example",
      PUSH_HOSTS: "localhost",
      PUSH_CA: join(folder, "push.pem"),
      PUSH_PORT: String(pushPort),
    };
    const [seed, seedArgs] = tsx("../tools/seed/run.ts");
    if ((await run(seed, seedArgs, { cwd: join(root, "web"), env })) !== 0)
      throw new Unable(
        `The demo business could not be loaded; the reason stands above.\nStart over with: npm run ${command} -- --fresh`,
      );
    const detached = { cwd: join(root, "web"), env, detached: true };
    const [node, standIns] = tsx("src/main.ts");
    running.push(start(node, standIns, { ...detached, cwd: join(root, "stand-ins") }));
    const ports = front ? await Promise.all(Array.from({ length: copies }, freePort)) : [port];
    const apps = ports.map((at) =>
      start(
        process.execPath,
        [join(root, "node_modules/next/dist/bin/next"), ...appArgs, "-p", String(at), "-H", "127.0.0.1"],
        { ...detached, stdio: ["ignore", "ignore", "inherit"] },
      ),
    );
    running.push(...apps);
    if (front) running.push(front(port, ports));
    for (let i = 0; i < copies; i++) running.push(start(process.execPath, [...work, "jobs/run.tsx"], detached));
    for (const child of running) {
      if (typeof child === "function") continue;
      child.once("exit", (code) => {
        if (stopping) return;
        console.error(`A part of Keel Round stopped (${code}).`);
        void stopAll(1);
      });
    }
    for (const app of apps) await answers(`${address}/sign-in`, app);
    return { address, outbox: `http://127.0.0.1:${outboxPort}` };
  } catch (error) {
    console.error(error instanceof Unable ? `\n${error.message}\n` : error);
    await stopAll(1);
    throw error;
  }
}

/** Tells where it runs and who can sign in. */
export function tellStarted({ address, outbox }, seconds, then) {
  const { logins } = JSON.parse(readFileSync(join(root, "tools/seed/logins.json"), "utf8"));
  console.log(`\nKeel Round is ready after ${seconds.toFixed(0)} s: ${address}\n`);
  for (const login of logins) console.log(`  ${login.who.padEnd(34)} ${login.email.padEnd(26)} ${login.password}`);
  console.log(`\n  Mail goes nowhere: what would be sent is kept at ${outbox}`);
  console.log(`\n${then}`);
}
