import type { Here, HereOf, JobDay } from "../here.ts";
import type { Job } from "../job.ts";
import { called } from "./called.ts";
import { measure, testHere } from "./measure.ts";
import { ownerJobs } from "./owner.ts";
import { seldom, seldomHere } from "./seldom.ts";
import { weekly, weeklyHere } from "./weekly.ts";

/** Every job that is known. A tank's programme picks from it; a firm keeps its own copy. */
export const taskLibrary = { ...measure, ...weekly, ...seldom, ...called, ...ownerJobs } as const;

/** Names a job of the library. */
export type TaskCode = keyof typeof taskLibrary;

const places: ReadonlyMap<string, number> = new Map(Object.keys(taskLibrary).map((code, i) => [code, i]));

/** Where a job stands in the library, from 0; a firm's own job comes after all of them. */
export const placeInLibrary = (code: string): number => places.get(code) ?? places.size;

const byCode: ReadonlyMap<string, Job> = new Map(Object.entries(taskLibrary));

/** A job of the library by its code; undefined for a code of the firm's own, or of nobody's. */
export const libraryJob = (code: string): Job | undefined => byCode.get(code);

/** A job of the library by its code. */
export function libraryTask(code: TaskCode): Job {
  return taskLibrary[code];
}

/** Whether a code names a job of the library. */
export const isLibraryTask = (code: string): code is TaskCode => code in taskLibrary;

const hereByCode: ReadonlyMap<string, HereOf> = new Map<string, HereOf>(
  Object.entries({ ...weeklyHere, ...seldomHere }),
);

/** What a tank makes of a job today: by the job's own rule, of a test by how the tank is tested. */
export function jobHere(code: string, { result }: Pick<Job, "result">, day: JobDay): Here {
  const own = hereByCode.get(code);
  if (own) return own(day);
  return typeof result === "object" ? testHere(result.test)(day) : {};
}
