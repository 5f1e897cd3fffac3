import { spawn } from "node:child_process";
import mysql from "mysql2/promise";
import { migrateDatabase } from "@/data/database/migrate";

/** The middle of some numbers. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? Number.NaN;
}

/** Milliseconds that something takes. */
export async function timed(work: () => unknown): Promise<number> {
  const began = performance.now();
  await work();
  return performance.now() - began;
}

/** "12.3 (10.1 to 15.0)" of some numbers: middle, least, most. */
export function spread(values: readonly number[], decimals = 2): string {
  return `${median(values).toFixed(decimals)} (${Math.min(...values).toFixed(decimals)} to ${Math.max(...values).toFixed(decimals)})`;
}

/** An empty database with the newest schema. */
export async function freshDatabase(): Promise<void> {
  const url = new URL(process.env.DATABASE_URL ?? "");
  const name = url.pathname.slice(1);
  const admin = await mysql.createConnection(url.href.slice(0, -url.pathname.length));
  await admin.query(`drop database if exists \`${name}\``);
  await admin.query(`create database \`${name}\``);
  await admin.end();
  await migrateDatabase(url.href, "data/database/migrations");
}

/** The production server on the bench's port; answers how to stop it. */
export async function startServer(): Promise<() => void> {
  const child = spawn(process.execPath, ["../node_modules/next/dist/bin/next", "start", "-p", "4699"], {
    stdio: ["ignore", "ignore", "inherit"],
  });
  // Also where the program fails: the next one needs its port.
  process.once("exit", () => child.kill("SIGTERM"));
  for (let i = 0; i < 200; i++) {
    try {
      await fetch("http://localhost:4699/sign-in");
      return () => child.kill("SIGTERM");
    } catch {
      // Not listening yet.
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
  throw new Error("The server did not start");
}

/** A cookie header of a person who signed in. */
export async function signIn(email: string, password: string): Promise<string> {
  const answer = await fetch("http://localhost:4699/api/auth/sign-in/email", {
    method: "POST",
    headers: { "content-type": "application/json", origin: "http://localhost:4699" },
    body: JSON.stringify({ email, password }),
  });
  if (!answer.ok) throw new Error(`Sign-in answered ${answer.status}`);
  return answer.headers
    .getSetCookie()
    .map((c) => c.split(";")[0])
    .join("; ");
}
