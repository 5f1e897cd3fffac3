import { type ChildProcess, spawn } from "node:child_process";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { type BrowserContext, test as base, expect, type Page } from "@playwright/test";
import { freePort } from "../tools/lib/system.mjs";
import logins from "../tools/seed/logins.json" with { type: "json" };

const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** The application of one worker: its own database with the demo business, jobs and stand-ins. */
interface Application {
  readonly url: string;
  /** Where the stand-in for a mail server shows what it got. */
  readonly outbox: string;
  /** Who signed in before: one sign-in a person keeps the tests within the rate limit. */
  readonly sessions: Map<Who, Awaited<ReturnType<BrowserContext["cookies"]>>>;
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

async function ended(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null) return;
  child.kill("SIGTERM");
  await new Promise((resolve) => child.once("exit", resolve));
}

async function answers(url: string): Promise<void> {
  for (let i = 0; i < 300; i++) {
    try {
      await fetch(url);
      return;
    } catch {
      // Not listening yet.
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
  throw new Error(`${url} does not answer`);
}

export const test = base.extend<
  { outbox: string; as: (who: Who, options?: { page?: Page; fresh?: boolean }) => Promise<Page> },
  { application: Application }
>({
  application: [
    // biome-ignore lint/correctness/noEmptyPattern: the runner reads the names of the fixtures from this pattern.
    async ({}, use, info) => {
      const [port, smtp, outbox] = [await freePort(), await freePort(), await freePort()];
      const url = `http://localhost:${port}`;
      const env = {
        ...process.env,
        NODE_ENV: "production" as const,
        NEXT_TELEMETRY_DISABLED: "1",
        DATABASE_URL: `mysql://root@127.0.0.1:${process.env.E2E_DB_PORT}/browser${info.workerIndex}`,
        PHOTO_FOLDER: join(root, `test-results/photos${info.workerIndex}`),
        BETTER_AUTH_URL: url,
        BETTER_AUTH_SECRET: "a-secret-for-browser-tests-0123456789abcdef",
        SMTP_URL: `smtp://127.0.0.1:${smtp}`,
        OUTBOX_URL: `http://127.0.0.1:${outbox}`,
        MAIL_SMTP_PORT: String(smtp),
        MAIL_HTTP_PORT: String(outbox),
      };
      const seed = start(["--import", "tsx", "../tools/seed/run.ts"], "web", env);
      const code = await new Promise((resolve) => seed.once("exit", resolve));
      if (code !== 0) throw new Error("The demo could not be loaded");
      const children = [
        start(["--import", "tsx", "src/main.ts"], "stand-ins", env),
        start([join(root, "node_modules/next/dist/bin/next"), "start", "-p", String(port)], "web", env),
        start(["--import", "tsx", "jobs/run.tsx"], "web", env),
      ];
      try {
        await answers(`${url}/sign-in`);
        await answers(env.OUTBOX_URL);
        await use({ url, outbox: env.OUTBOX_URL, sessions: new Map() });
      } finally {
        for (const child of children) await ended(child);
      }
    },
    { scope: "worker", timeout: 120_000 },
  ],
  outbox: async ({ application }, use) => use(application.outbox),
  baseURL: async ({ application }, use) => use(application.url),
  as: async ({ page: first, baseURL, application }, use) =>
    use(async (who, { page = first, fresh = false } = {}) => {
      const login = logins.logins.find((l) => (who === "owner" ? l.role === "owner" : l.name.startsWith(who)));
      if (!login || !baseURL) throw new Error(`Nobody called ${who}`);
      const known = application.sessions.get(who);
      if (known && !fresh) {
        await page.context().addCookies(known);
        return page;
      }
      // Through the library's own route, as the form does; the form itself has a test of its own.
      const answer = await page.context().request.post(`${baseURL}/api/auth/sign-in/email`, {
        data: { email: login.email, password: login.password },
        headers: { origin: baseURL },
      });
      expect(answer.ok()).toBe(true);
      if (!fresh) application.sessions.set(who, await page.context().cookies());
      return page;
    }),
});

/** From a stop to its visit on the phone's sheet, begun: by whichever test comes first. */
export async function beginVisit(page: Page): Promise<void> {
  await page.getByRole("link", { name: /the visit/ }).click();
  const start = page.getByRole("button", { name: "Start", exact: true });
  const progress = page.locator("[data-progress]");
  await expect(start.or(progress)).toBeVisible();
  if (await start.isVisible()) await start.click();
  await expect(progress).toBeVisible();
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
  await page.getByRole("button", { name: "Start", exact: true }).click();
  await expect(page.locator("[data-progress]")).toBeVisible();
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

/** The steps that take water down to the line. */
export const DRAIN = /(Drain to the line|Let the rest run out to the line|Stop at the line|Drain the return chamber)/;

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
  const off = page.getByRole("button", { name: "On", exact: true });
  for (let left = await off.count(); left > 0; left--) {
    await off.first().click();
    await expect(off).toHaveCount(left - 1);
  }
  await tick(page);
  return title;
}

export type { BrowserContext, Page };
export { expect };
