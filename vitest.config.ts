import { availableParallelism } from "node:os";
import { defineConfig } from "vitest/config";

export default defineConfig({
  resolve: { alias: { "@": new URL("./web", import.meta.url).pathname } },
  test: {
    // On two cores the runner would take one: the database works in a process of its own meanwhile.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    projects: [
      {
        extends: true,
        test: {
          name: "core",
          include: ["core/src/**/*.test.ts"],
          // Pure functions: the files of a worker may share what they load.
          isolate: false,
          // Plans that are carried out: some thousands here, many more under `npm run proof`.
          provide: { plansCarriedOut: Number(process.env.KEEL_ROUND_PLANS ?? 3000) },
          testTimeout: 3_600_000,
          hookTimeout: 3_600_000,
        },
      },
      {
        extends: true,
        test: {
          name: "data",
          include: ["web/**/*.test.{ts,tsx}", "stand-ins/src/**/*.test.ts", "tools/**/*.test.ts"],
          globalSetup: ["tools/testing/database.ts"],
          // Each file makes a business of its own in one database; they need not run one after another.
          testTimeout: 90_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
