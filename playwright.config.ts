import { defineConfig } from "@playwright/test";

const onCluster = Boolean(process.env.KEEL_ROUND_CLUSTER);

export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/globalSetup.ts",
  outputDir: "test-results/browser",
  workers: 2,
  fullyParallel: false,
  forbidOnly: true,
  // On a cluster whose parts are killed a journey that was in flight fails in sight, and is repeated once, with time for the lease
  // of a job whose process was killed.
  retries: onCluster ? 1 : 0,
  timeout: onCluster ? 300_000 : 90_000,
  expect: { timeout: onCluster ? 45_000 : 15_000 },
  reporter: [["list"], ["json"]],
  use: {
    viewport: { width: 1280, height: 800 },
    actionTimeout: 15_000,
    launchOptions: {
      executablePath: "/usr/bin/chromium-headless-shell",
      // The browser's own clock stays: where it is to be another day, its pages are told (e2e/fixtures).
      env: Object.fromEntries(
        Object.entries(process.env).flatMap(([name, value]) =>
          name === "LD_PRELOAD" || !value ? [] : [[name, value]],
        ),
      ),
      args: [
        "--no-sandbox",
        "--disable-gpu",
        "--disable-background-networking",
        "--disable-component-update",
        "--no-first-run",
        // A camera that shows a moving pattern, allowed without asking.
        "--use-fake-device-for-media-stream",
        "--use-fake-ui-for-media-stream",
      ],
    },
    // A trace of everything costs a sixth of the time: it is asked for where something failed.
    trace: process.env.KEEL_ROUND_TRACE ? "on" : "off",
  },
});
