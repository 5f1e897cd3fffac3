import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import mysql from "mysql2/promise";
import { freePort } from "../tools/lib/system.mjs";
import { expect, test } from "./fixtures";

const root = join(import.meta.dirname, "..");

test("the application starts on the settings of the environment: ready once its schema is there, and stops when it is told", async ({
  request,
}) => {
  test.setTimeout(180_000);
  const folder = mkdtempSync(join(tmpdir(), "keel-start-"));
  const port = await freePort();
  const server = `mysql://root@127.0.0.1:${process.env.E2E_DB_PORT}`;
  const admin = await mysql.createConnection(server);
  await admin.query("create database started");
  await admin.end();
  const env = {
    ...process.env,
    DATABASE_URL: `${server}/started`,
    BETTER_AUTH_URL: `http://localhost:${port}`,
    BETTER_AUTH_SECRET: "0123456789abcdef0123456789abcdef",
    SMTP_URL: "smtp://127.0.0.1:1",
    PHOTO_FOLDER: folder,
    PORT: String(port),
    METRICS_TOKEN: "a-token-of-sixteen-characters",
    LOG_LEVEL: "info",
  };
  const parts = spawn(process.execPath, ["tools/start.mjs", "web"], {
    cwd: root,
    env,
    stdio: ["ignore", "pipe", "inherit"],
  });
  let log = "";
  parts.stdout.on("data", (text) => {
    log += text;
  });
  const ended = new Promise<number | null>((resolve) => parts.once("exit", resolve));
  const base = `http://127.0.0.1:${port}`;
  const status = async (path: string, headers: Record<string, string> = {}) =>
    (await request.get(`${base}${path}`, { headers }).catch(() => null))?.status() ?? 0;
  try {
    await expect.poll(() => status("/api/live"), { timeout: 60_000 }).toBe(200);
    expect(await status("/api/ready")).toBe(503);
    const migrated = spawn(process.execPath, ["tools/migrate.mjs"], {
      cwd: root,
      env,
      stdio: ["ignore", "ignore", "inherit"],
    });
    expect(await new Promise((resolve) => migrated.once("exit", resolve))).toBe(0);
    await expect.poll(() => status("/api/ready")).toBe(200);
    const page = await request.get(`${base}/sign-in`, { headers: { "x-request-id": "from-a-journey" } });
    expect([page.status(), page.headers()["x-request-id"]]).toEqual([200, "from-a-journey"]);
    expect(await status("/api/metrics")).toBe(404);
    const counts = await request.get(`${base}/api/metrics`, {
      headers: { authorization: `Bearer ${env.METRICS_TOKEN}` },
    });
    expect(await counts.text()).toContain('keel_request_seconds_count{method="GET",route="/sign-in",status="200"} 1');
    await expect.poll(() => log).toContain('"id":"from-a-journey","method":"GET","path":"/sign-in","status":200');
  } finally {
    parts.kill("SIGTERM");
    expect(await ended).toBe(0);
    rmSync(folder, { recursive: true, force: true });
  }
  expect(await status("/api/live")).toBe(0);
});
