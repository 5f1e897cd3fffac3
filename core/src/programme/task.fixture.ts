import { libraryTask, type TankTask, type TaskCode } from "./index.ts";

/** A library job of a tank as the library has it, last done on a day. */
export const taskOf = (code: TaskCode, lastDoneOn: string, more: Partial<TankTask> = {}): TankTask => ({
  code,
  everyDays: libraryTask(code).everyDays,
  giveDays: libraryTask(code).giveDays,
  lastDoneOn,
  slips: 0,
  lastSector: 0,
  ...more,
});
