import { type ChildProcess, spawn } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { seeded } from "@keel-round/core/numeric";
import { freePort, guard, root, run, stopProcess } from "../tools/lib/system.mjs";
import logins from "../tools/seed/logins.json" with { type: "json" };
import { Phone } from "./phone.ts";
import { answers, database, type Part, program } from "./processes.ts";

export const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));
export const tsx = (script: string) => ["--import", "tsx", script];

export interface Mail {
  readonly messageId: string;
  readonly to: string;
  readonly text: string;
}

/** The demo business with a web process, a jobs process and a stand-in for the mail server, in a folder of its own. */
export interface Installation {
  readonly folder: string;
  readonly address: string;
  readonly env: NodeJS.ProcessEnv;
  readonly database: Awaited<ReturnType<typeof database>>;
  readonly web: Part;
  readonly jobs: Part;
  /** What stands in for a mail server: it can be away. */
  readonly mailServer: { start(): Promise<void>; stop(): Promise<void> };
  mails(): Promise<readonly Mail[]>;
  /** A phone of somebody of the demo, signed in. */
  phone(name: string): Promise<Phone>;
  /** What the processes said of their troubles. */
  said(): string;
  end(): Promise<void>;
}

/**
 * @param settings Beside the usual ones; of one process only under `web` and `jobs`.
 * @param loaded Whether the demo business is loaded: else the database is empty.
 */
export async function install({
  settings = {},
  web: ofWeb = {},
  jobs: ofJobs = {},
  loaded = true,
  folder = mkdtempSync(join(tmpdir(), "keel-chaos-")),
}: {
  settings?: NodeJS.ProcessEnv;
  web?: NodeJS.ProcessEnv;
  jobs?: NodeJS.ProcessEnv;
  loaded?: boolean;
  folder?: string;
} = {}): Promise<Installation> {
  const log = join(folder, "parts.log");
  const db0 = await database(folder);
  const [port, smtp, outbox] = [await freePort(), await freePort(), await freePort()];
  const address = `http://127.0.0.1:${port}`;
  const env: NodeJS.ProcessEnv = {
    ...process.env,
    NODE_ENV: "production",
    NEXT_TELEMETRY_DISABLED: "1",
    DATABASE_URL: db0.url("chaos"),
    PHOTO_FOLDER: join(folder, "photos"),
    BETTER_AUTH_URL: address,
    BETTER_AUTH_SECRET: "a-secret-for-chaos-0123456789abcdef0123",
    SMTP_URL: `smtp://127.0.0.1:${smtp}`,
    MAIL_SMTP_PORT: String(smtp),
    MAIL_HTTP_PORT: String(outbox),
    LETTER_WAIT_MINUTES: "0",
    ...settings,
  };
  Object.assign(process.env, env);
  if (loaded && (await run(process.execPath, tsx("../tools/seed/run.ts"), { cwd: join(root, "web"), env })) !== 0)
    throw new Error("The demo business could not be loaded.");
  let sink: ChildProcess | null = null;
  const mailServer = {
    start: async () => {
      sink = spawn(process.execPath, tsx("src/main.ts"), {
        ...{ cwd: join(root, "stand-ins"), env, stdio: "ignore", detached: true },
      });
      guard(sink);
      await answers(`http://127.0.0.1:${outbox}`);
    },
    stop: async () => {
      if (sink) await stopProcess(sink);
    },
  };
  const next = join(root, "node_modules/next/dist/bin/next");
  const webEnv = { ...env, ...ofWeb };
  const web = program("web", [next, "start", "-p", String(port), "-H", "127.0.0.1"], webEnv, log, () =>
    answers(`${address}/sign-in`),
  );
  const jobs = program("jobs", tsx("jobs/run.tsx"), { ...env, ...ofJobs }, log, () => wait(1500));
  return {
    ...{ folder, address, env, database: db0, web, jobs, mailServer },
    mails: async () => (await (await fetch(`http://127.0.0.1:${outbox}`)).json()) as Mail[],
    phone: async (name) => {
      const login = logins.logins.find((l) => l.name.startsWith(name));
      if (!login) throw new Error(`Nobody called ${name}`);
      const phone = new Phone(address, login, seeded(name.length));
      await phone.signIn();
      return phone;
    },
    said: () => readFileSync(log, "utf8"),
    end: async () => {
      await Promise.all([web.stop(), jobs.stop(), mailServer.stop()]);
      const { closeDatabase } = await import("@/data/database/connection");
      await closeDatabase();
      await db0.stop();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** Lets letters that leave when their visit is over leave now: a walk through a visit ends later than it is sent. */
export async function letLeave(): Promise<void> {
  const { db } = await import("@/data/database/connection");
  const { sql } = await import("drizzle-orm");
  await db().execute(sql`update letter set queued_at = least(queued_at, utc_timestamp(3)) where queued_at is not null`);
  await db().execute(sql`update job set run_at = least(run_at, utc_timestamp(3)) where done_at is null`);
}

/** Runs a program of ours to its end, without keeping what stands before the database waiting. */
export function told(
  args: readonly string[],
  env: NodeJS.ProcessEnv,
  cwd = join(root, "web"),
): Promise<{ readonly status: number | null; readonly says: string }> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, args, { cwd, env });
    let says = "";
    for (const out of [child.stdout, child.stderr])
      out.on("data", (text) => {
        says += text;
      });
    child.once("exit", (status) => resolve({ status, says: says.trim() }));
  });
}

/** Collects what did not hold, and ends the program with what it found. */
export function findings() {
  const wrong: string[] = [];
  return {
    expect: (holds: boolean, what: string) => {
      console.log(`${holds ? "held" : "FAILED"}: ${what}`);
      if (!holds) wrong.push(what);
    },
    end: (): never => process.exit(wrong.length > 0 ? 1 : 0),
  };
}

/** Asks until it is so, or too long. */
export async function until(is: () => Promise<boolean>, seconds: number): Promise<boolean> {
  for (const end = Date.now() + seconds * 1000; Date.now() < end; await wait(500)) if (await is()) return true;
  return false;
}
