import { availableParallelism } from "node:os";

/** So many files of tests run at once. On two cores the runner would take one: the database works in a process of its own meanwhile. */
export const WORKERS = Math.max(2, availableParallelism() - 1);

/** The database of one of them. */
export const databaseOf = (worker: number | string): string => `vitest${worker}`;
