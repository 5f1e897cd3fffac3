import { requireRange } from "../issues/index.ts";

/** What a doser is set by: what the tank uses up, the solution, and what it is set to now. */
export interface DoserAsked {
  /** Used up a day, in the unit of the solution's strength, with its one-sigma; 0 for nothing. */
  readonly perDay: number;
  readonly perDaySigma: number;
  readonly systemL: number;
  /** Litres that a millilitre raises by one. */
  readonly strengthLPerMl: number;
  readonly setMlPerDay: number;
  /** The least that the pump can be moved by, mL a day. */
  readonly stepMl: number;
  /** What is usable of its container, mL. */
  readonly usableMl?: number | undefined;
}

export interface DoserPlan {
  /** What is used up, in mL of the solution a day. */
  readonly usedMlPerDay: number;
  /** What to set now: a tenth nearer, or as it is where the difference is not known well enough. */
  readonly setTo: number;
  /** Whole days that the container lasts at that; null where nobody said how much is in it. */
  readonly lastsDays: number | null;
}

/** A pump is nudged by so much of what it is set to, and measured again a week later. */
const NUDGE = 0.1;
/** Only a difference of so many sigmas is one. */
const SURE = 2;

/**
 * The daily dose that follows a consumption: u = consumption × volume ÷ strength, set nearer by a tenth at a time.
 *
 * @throws {OutOfRangeError} for figures that cannot be.
 * @example
 * doserPlan({ perDay: 0.5, perDaySigma: 0.001, systemL: 400, strengthLPerMl: 10, setMlPerDay: 19, stepMl: 0.1, usableMl: 1000 }); // { "usedMlPerDay": 20, "setTo": 20, "lastsDays": 50 }
 */
export function doserPlan(asked: DoserAsked): DoserPlan {
  const { perDay, perDaySigma, systemL, strengthLPerMl, setMlPerDay, stepMl, usableMl } = asked;
  requireRange("perDay", perDay, 0, 10_000);
  requireRange("systemL", systemL, 0.1, 1e6);
  requireRange("strengthLPerMl", strengthLPerMl, 1e-3, 1e6);
  requireRange("setMlPerDay", setMlPerDay, 0, 1e5);
  requireRange("stepMl", stepMl, 1e-3, 1e4);
  const mlOf = (amount: number) => (amount * systemL) / strengthLPerMl;
  const usedMlPerDay = mlOf(perDay);
  const apart = usedMlPerDay - setMlPerDay;
  const most = Math.max(NUDGE * setMlPerDay, stepMl);
  const sure = Math.abs(apart) > SURE * mlOf(perDaySigma);
  const setTo = sure ? setMlPerDay + Math.sign(apart) * Math.min(Math.abs(apart), most) : setMlPerDay;
  const lastsDays = usableMl === undefined || setTo <= 0 ? null : Math.floor(usableMl / setTo + 1e-9);
  return { usedMlPerDay, setTo, lastsDays };
}

/**
 * Days that a container still lasts from a day on, by what was usable in it when it was counted; below zero since when it is
 * empty, null for a pump that gives nothing.
 *
 * @param sinceDays Days from the count to that day.
 * @throws {OutOfRangeError} for amounts below zero.
 * @example
 * containerLasts({ leftMl: 480, mlPerDay: 12, sinceDays: 7 }); // 33
 */
export function containerLasts({
  leftMl,
  mlPerDay,
  sinceDays,
}: {
  readonly leftMl: number;
  readonly mlPerDay: number;
  readonly sinceDays: number;
}): number | null {
  requireRange("leftMl", leftMl, 0, 1e7);
  requireRange("mlPerDay", mlPerDay, 0, 1e5);
  return mlPerDay > 0 ? Math.floor(leftMl / mlPerDay - sinceDays + 1e-9) : null;
}
