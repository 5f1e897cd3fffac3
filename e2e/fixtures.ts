import { type ChildProcess, spawn } from "node:child_process";
import { createECDH } from "node:crypto";
import { cpSync, existsSync, rmSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { type BrowserContext, test as base, expect, type Page } from "@playwright/test";
import { freePort } from "../tools/lib/system.mjs";
import logins from "../tools/seed/logins.json" with { type: "json" };
import { copyDatabase, dropDatabase, TEMPLATE } from "../tools/testing/demoCopy.ts";
import { noteRunning } from "./killInTurn.ts";

const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** The application of one worker: its own database with the demo business, jobs and stand-ins. */
interface Application {
  readonly url: string;
  /** Where the stand-in for a mail server shows what it got. */
  readonly outbox: string;
  /** The stand-in for what rings browsers, and the certificate to trust it by. */
  readonly push: { readonly url: string; readonly ca: string };
  /** Who signed in before: one sign-in a person keeps the tests within the rate limit. */
  readonly sessions: Map<
    Who,
    { readonly since: number; readonly cookies: Awaited<ReturnType<BrowserContext["cookies"]>> }
  >;
}

/** By how many days the journeys are taken ahead of today: the servers by libfaketime, the pages by `otherDay`. */
const DAYS_AHEAD = Number(process.env.KEEL_ROUND_DAYS_AHEAD ?? 0);

/** So long a sign-in is used again: less than the time after which one has to sign in once more before some pages. */
const SIGNED_IN_MS = 20 * 60_000;

/** Runs in a page before its own scripts: its clock is some days ahead, and goes on. */
function otherDay(days: number): void {
  const Real = Date;
  const now = () => Real.now() + days * 86_400_000;
  globalThis.Date = new Proxy(Real, {
    construct: (_, args, of) => Reflect.construct(Real, args.length === 0 ? [now()] : args, of),
    apply: () => new Real(now()).toString(),
    get: (_, name) => (name === "now" ? now : Reflect.get(Real, name)),
  });
}

type Who = "Ines" | "Tobiah" | "Maud" | "owner";

function start(
  args: readonly string[],
  cwd: string,
  env: NodeJS.ProcessEnv,
  stdout: "ignore" | "inherit" = "ignore",
): ChildProcess {
  return spawn(process.execPath, args, { cwd: join(root, cwd), env, stdio: ["ignore", stdout, "inherit"] });
}

/** Keys that browsers are rung under. */
function pushKeys() {
  const pair = createECDH("prime256v1");
  pair.generateKeys();
  return { VAPID_PUBLIC_KEY: pair.getPublicKey("base64url"), VAPID_PRIVATE_KEY: pair.getPrivateKey("base64url") };
}

/** Copies the demo for a worker; on a cluster a node may be killed under it, and it is begun anew. */
async function copied(url: string, name: string): Promise<void> {
  for (let tries = 1; ; tries++)
    try {
      return await copyDatabase(url, name);
    } catch (error) {
      if (!ON_CLUSTER || tries === 5) throw error;
      await new Promise((resolve) => setTimeout(resolve, 5000));
      await dropDatabase(url, name);
    }
}

/** Journeys on three nodes and two processes of each kind, which are killed in turn. */
const ON_CLUSTER = Boolean(process.env.KEEL_ROUND_CLUSTER);

interface Started {
  readonly web: (port: number) => () => Promise<void>;
  readonly jobs: () => () => Promise<void>;
}

/** Two web processes behind a proxy at the address, and two jobs processes. */
async function behindProxy(port: number, { web, jobs }: Started): Promise<(() => Promise<void>)[]> {
  const { haproxy } = await import("../tools/lib/cluster.mjs");
  const [a, b] = [await freePort(), await freePort()];
  const ends = [web(a), web(b), jobs(), jobs()];
  const addresses = { FRONT: `127.0.0.1:${port}`, WEB1: `127.0.0.1:${a}`, WEB2: `127.0.0.1:${b}` };
  const front = haproxy("haproxy-web.cfg", addresses);
  return [...ends, () => ended(front)];
}

/** A process that is started anew where somebody killed it: on a cluster, as a service manager does. */
function supervised(kind: "web" | "jobs", args: readonly string[], env: NodeJS.ProcessEnv): () => Promise<void> {
  let stopping = false;
  let child: ChildProcess;
  const begin = () => {
    child = start(args, "web", env);
    noteRunning(kind, child.pid);
    child.once("exit", () => {
      if (!stopping) begin();
    });
  };
  begin();
  return () => {
    stopping = true;
    return ended(child);
  };
}

async function ended(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  child.kill("SIGTERM");
  await new Promise((resolve) => child.once("exit", resolve));
}

async function answers(url: string): Promise<void> {
  for (let i = 0; i < 300; i++) {
    try {
      // A proxy answers before who stands behind it does.
      if ((await fetch(url)).status < 500) return;
    } catch {
      // Not listening yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`${url} does not answer`);
}

/** Waits until the script of an opened page runs, where it has the frame of the application. */
async function runs<T>(page: Page, answer: T): Promise<T> {
  await page.locator('[data-key="find"]:disabled').waitFor({ state: "detached" });
  return answer;
}

/** Signs somebody of the demo in. */
export type As = (who: Who, options?: { page?: Page; fresh?: boolean; pace?: "steps" | "phases" }) => Promise<Page>;

export const test = base.extend<
  {
    outbox: string;
    as: As;
  },
  { application: Application; firm: string }
>({
  /** A file that needs every stop of the demo as it was loaded asks for a firm of its own, by a name of its own. */
  firm: ["shared", { option: true, scope: "worker" }],
  application: [
    async ({ firm: _ }, use, info) => {
      const [port, smtp, outbox, push] = [await freePort(), await freePort(), await freePort(), await freePort()];
      const url = `http://localhost:${port}`;
      const env = {
        ...process.env,
        NODE_ENV: "production" as const,
        NEXT_TELEMETRY_DISABLED: "1",
        DATABASE_URL: `mysql://root@127.0.0.1:${process.env.E2E_DB_PORT}/browser${info.workerIndex}`,
        PHOTO_FOLDER: join(root, `test-results/photos${info.workerIndex}`),
        BETTER_AUTH_URL: url,
        SMTP_URL: `smtp://127.0.0.1:${smtp}`,
        OUTBOX_URL: `http://127.0.0.1:${outbox}`,
        ...pushKeys(),
        ...(ON_CLUSTER ? { TRUSTED_PROXIES: "1" } : {}),
        VAPID_SUBJECT: "mailto:office@calder-renn.example",
        PUSH_HOSTS: "localhost",
        PUSH_PORT: String(push),
        PUSH_CA: join(root, `test-results/push${info.workerIndex}.pem`),
        LETTER_WAIT_MINUTES: "0",
        MAIL_SMTP_PORT: String(smtp),
        MAIL_HTTP_PORT: String(outbox),
      };
      await copied(env.DATABASE_URL.replace(/[^/]+$/, TEMPLATE), `browser${info.workerIndex}`);
      const pictures = process.env.E2E_PHOTOS ?? "";
      rmSync(env.PHOTO_FOLDER, { recursive: true, force: true });
      if (existsSync(pictures)) cpSync(pictures, env.PHOTO_FOLDER, { recursive: true });
      const next = join(root, "node_modules/next/dist/bin/next");
      const web = (at: number) => supervised("web", [next, "start", "-p", String(at)], env);
      const jobs = () => supervised("jobs", ["--import", "tsx", "jobs/run.tsx"], env);
      const sink = start(["--import", "tsx", "src/main.ts"], "stand-ins", env);
      const parts = ON_CLUSTER ? await behindProxy(port, { web, jobs }) : [web(port), jobs()];
      try {
        await answers(`${url}/sign-in`);
        await answers(env.OUTBOX_URL);
        await use({
          url,
          outbox: env.OUTBOX_URL,
          push: { url: `https://localhost:${push}`, ca: env.PUSH_CA },
          sessions: new Map(),
        });
      } finally {
        for (const end of parts) await end();
        await ended(sink);
      }
    },
    { scope: "worker", timeout: 120_000 },
  ],
  page: async ({ page }, use) => {
    // Keys and fields before the page's script runs are lost: the way to find things waits for it as well.
    const goto = page.goto.bind(page);
    const reload = page.reload.bind(page);
    page.goto = async (...args) => runs(page, await goto(...args));
    page.reload = async (...args) => runs(page, await reload(...args));
    await use(page);
  },
  outbox: async ({ application }, use) => use(application.outbox),
  baseURL: async ({ application }, use) => use(application.url),
  as: async ({ page: first, baseURL, application }, use) =>
    use(async (who, { page = first, fresh = false, pace = "steps" } = {}) => {
      await page.context().addInitScript((chosen) => localStorage.setItem("keel-pace", chosen), pace);
      if (DAYS_AHEAD !== 0) await page.context().addInitScript(otherDay, DAYS_AHEAD);
      const login = logins.logins.find((l) => (who === "owner" ? l.role === "tankOwner" : l.name.startsWith(who)));
      if (!login || !baseURL) throw new Error(`Nobody called ${who}`);
      const known = application.sessions.get(who);
      if (known && !fresh && Date.now() - known.since < SIGNED_IN_MS) {
        await page.context().addCookies(known.cookies);
        return page;
      }
      // Through the library's own route, as the form does; the form itself has a test of its own.
      const answer = await page.context().request.post(`${baseURL}/api/auth/sign-in/email`, {
        data: { email: login.email, password: login.password },
        headers: { origin: baseURL },
      });
      expect(answer.ok()).toBe(true);
      if (!fresh) application.sessions.set(who, { since: Date.now(), cookies: await page.context().cookies() });
      return page;
    }),
});

/** Looked at so often: what is still coming changes what stands there. */
const LOOK_MS = 250;

/** Waits until a page says the same twice: a network may be busy with what nobody sees, and never be idle. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(
    () => {
      const seen = globalThis as { before?: string };
      const now = document.body.textContent ?? "";
      const same = document.readyState === "complete" && seen.before === now;
      seen.before = now;
      return same;
    },
    null,
    { polling: LOOK_MS, timeout: 60_000 },
  );
}

/** A visit that was started at its stop is under way, but where the hour is another than planned: then it is asked first. */
export async function begun(page: Page): Promise<{ asked: boolean }> {
  const start = page.getByRole("button", { name: "Start", exact: true });
  const progress = page.locator("[data-progress]");
  await expect(start.or(progress)).toBeVisible();
  const asked = await start.isVisible();
  if (asked) await start.click();
  await expect(progress).toBeVisible();
  return { asked };
}

/** From a stop to its visit on the phone's sheet, begun: by whichever test comes first. */
export async function beginVisit(page: Page): Promise<void> {
  await page.getByRole("link", { name: /the visit/ }).click();
  await begun(page);
}

/** Opens the planned stop of a site on the day that is shown. */
export async function openStop(page: Page, site: string): Promise<void> {
  await page.locator("[data-row]", { hasText: site }).click();
  await page.waitForURL("**/stops/**");
}

/** Starts the first visit of the stop that is open. */
export async function startVisit(page: Page): Promise<void> {
  await page
    .getByRole("link", { name: /Start the visit/ })
    .first()
    .click();
  await page.waitForURL("**/visit**");
  await begun(page);
}

/** Ticks the step that is shown and waits for the next one; a tap on a step that only just came up is not taken. */
export async function tick(page: Page): Promise<void> {
  const progress = page.locator("[data-progress]");
  const now = (await progress.textContent()) ?? "";
  await expect(async () => {
    if ((await progress.textContent()) === now) await page.locator('[data-key="tick"]').click();
    await expect(progress).not.toHaveText(now, { timeout: 1000 });
  }).toPass();
}

/** Opens a step by its title from the list of all. */
export async function openStep(page: Page, title: RegExp): Promise<void> {
  await page.getByRole("tab", { name: "All steps" }).click();
  await page.getByRole("button", { name: title }).first().click();
}

/** Says of every reading that today's water depends on that nobody took it. */
export async function leaveUnmeasured(page: Page): Promise<void> {
  const gate = page.locator("[data-gate]").getByRole("button", { name: "Not measured" });
  for (let left = await gate.count(); left > 0; left--) {
    await gate.first().click();
    await expect(gate).toHaveCount(left - 1);
  }
}

/** Opens the step that drains, past what has to be measured before it. */
export async function openDrain(page: Page): Promise<void> {
  await openStep(page, DRAIN);
  await expect(page.getByRole("heading", { level: 2 }).first()).toHaveText(DRAIN);
  await leaveUnmeasured(page);
}

/** The steps that take water down to the line. */
export const DRAIN = /(Drain to the line|Let the rest run out to the line|Stop at the line|Drain the return chamber)/;

/** Counts every group of animals as it was last time, where a count is asked for. */
export async function countAnimals(within: Page | ReturnType<Page["locator"]>): Promise<void> {
  const asLast = within.getByRole("button", { name: /, as last time$/ });
  for (let left = await asLast.count(); left > 0; left--) {
    await asLast.first().click();
    await expect(asLast).toHaveCount(left - 1);
  }
}

/** Takes the picture that a step asks for: the tank from its place. */
export async function takePicture(page: Page, within: Page | ReturnType<Page["locator"]>): Promise<void> {
  const spot = within.locator('[data-photos="tank"]');
  if ((await spot.count()) === 0 || (await spot.locator("[data-photo]").count()) > 0) return;
  await spot.getByRole("button", { name: /^Picture of/ }).click();
  await page.getByRole("button", { name: "Take it" }).click();
  await expect(spot.locator("[data-photo]")).toHaveCount(1);
}

/** Says of what an earlier visit found that it is fixed, where that is asked. */
export async function settleFinding(within: Page | ReturnType<Page["locator"]>): Promise<void> {
  const fixed = within.getByRole("button", { name: "Fixed", exact: true });
  for (let left = await fixed.count(); left > 0; left--) {
    await fixed.first().click();
    await expect(fixed).toHaveCount(left - 1);
  }
}

/** Does whatever the step that is shown asks for, then ticks it. */
export async function doStep(page: Page): Promise<string> {
  const title = (await page.getByRole("heading", { level: 2 }).first().textContent()) ?? "";
  const enter = page.getByRole("button", { name: "Enter", exact: true });
  if (await enter.isVisible()) {
    const before = await page.getByRole("button", { name: "Take back" }).count();
    const field = page.locator('input[inputmode="decimal"]').first();
    // Fields start empty: what was read is what was expected, and what was never measured here reads low.
    if ((await field.inputValue()) === "") {
      const grey = (await page.locator("[data-expected]").allTextContents()).join("");
      const figure = /expected about ([\d.]+)/.exec(grey)?.[1] ?? /last ([\d.]+)/.exec(grey)?.[1];
      await field.fill(figure ?? (title.includes("bucket") ? "1500" : "0.1"));
    }
    await enter.click();
    await expect(page.getByRole("button", { name: "Take back" })).toHaveCount(before + 1);
  }
  const planned = page.getByRole("button", { name: /as planned$|it stands at its fill line$/ });
  for (let left = await planned.count(); left > 0; left--) {
    await planned.first().click();
    await expect(planned).toHaveCount(left - 1);
  }
  const off = page.getByRole("button", { name: /: On$/ });
  for (let left = await off.count(); left > 0; left--) {
    await off.first().click();
    await expect(off).toHaveCount(left - 1);
  }
  await countAnimals(page);
  await takePicture(page, page);
  await settleFinding(page);
  await tick(page);
  return title;
}

export type { BrowserContext, Page };
export { expect };
