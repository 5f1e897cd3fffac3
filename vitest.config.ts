import { defineConfig } from "vitest/config";
import { WORKERS } from "./tools/testing/workers.ts";

export default defineConfig({
  resolve: { alias: { "@": new URL("./web", import.meta.url).pathname } },
  test: {
    maxWorkers: WORKERS,
    projects: [
      {
        extends: true,
        test: {
          name: "core",
          include: ["core/src/**/*.test.ts"],
          // Pure functions: the files of a worker may share what they load.
          isolate: false,
          // Plans that are carried out: some thousands here, many more under `npm run proof`.
          provide: {
            plansCarriedOut: Number(process.env.KEEL_ROUND_PLANS ?? 3000),
            trendsSimulated: Number(process.env.KEEL_ROUND_TRENDS ?? 150),
          },
          testTimeout: 3_600_000,
          hookTimeout: 3_600_000,
        },
      },
      {
        extends: true,
        test: {
          name: "web",
          // What a person does with a part of the interface; no database.
          include: ["web/{kit,places,device}/**/*.test.{ts,tsx}"],
          setupFiles: ["tools/testing/patient.ts"],
          // Loading the interface anew for each of its files took longer than trying it.
          isolate: false,
          // A whole visit in a browser without a screen takes its time on a machine that does something else beside it.
          testTimeout: 60_000,
        },
      },
      {
        extends: true,
        test: {
          name: "data",
          include: [
            "web/{data,jobs,observe}/**/*.test.{ts,tsx}",
            "stand-ins/src/**/*.test.ts",
            "tools/**/*.test.{ts,tsx}",
          ],
          globalSetup: ["tools/testing/database.ts"],
          setupFiles: ["tools/testing/ownWorker.ts"],
          // Loading the application anew for each file took longer than most of them; `ownWorker` keeps their data apart.
          isolate: false,
          // Each file makes a business of its own in the database of its worker.
          testTimeout: 90_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
