import type { Parameter } from "../units/index.ts";
import { sumpVolumeL } from "../vessel/index.ts";
import { bisect } from "../water/index.ts";
import { mustCarryAway, WORK_AT_MARK_MINUTES } from "./change.ts";
import type { PlanInput } from "./inputs.ts";
import { litresAboveM, markPlace } from "./levels.ts";
import { drainMinutesOf, hoseLimitL, minutesBelow, refillMinutesOf } from "./moving.ts";
import type { Knowns, Limit } from "./waterPlan.ts";

/** Everything that holds a change down on the day, the smallest first. */
export const limitsIn = (input: PlanInput, known: Knowns, systemL: number): Limit[] =>
  limitsOf(input, known, systemL).sort((a, b) => a.maxL - b.maxL);

/** A landmark that stands in air during a change. */
export interface Exposure {
  readonly name: string;
  /** From the moment the water leaves it until it is back, the work at the low mark included. */
  readonly minutes: number;
  readonly allowedMinutes: number;
}

/** What stands in air when so many litres are out, the longest first. The return nozzle is meant to. */
export function exposures(book: PlanInput["book"], litres: number): Exposure[] {
  if (markPlace(book) !== "display") return [];
  return book.landmarks
    .flatMap((mark) => {
      const minutes = minutesBelow(book, litresAboveM(book, mark.heightM), litres, WORK_AT_MARK_MINUTES);
      return mark.kind === "return" || minutes === 0
        ? []
        : [{ name: mark.name, minutes, allowedMinutes: mark.airMinutes }];
    })
    .sort((a, b) => b.minutes - a.minutes);
}

/** The most litres that keep a point in air for no longer than it may be, work at the mark included. */
function bareUntilL(book: PlanInput["book"], reachL: number, airMinutes: number, systemL: number): number {
  const over = (litres: number) => minutesBelow(book, reachL, litres, WORK_AT_MARK_MINUTES) - airMinutes;
  return over(systemL) <= 0 ? systemL : bisect(over, reachL, systemL);
}

/** Water that the van brings; a tap is at the site. */
const CARRIED: readonly PlanInput["source"]["kind"][] = ["mix", "natural-sea", "purified", "remineralised"];

/** The most litres that are out and in again within so many minutes. */
function litresWithin(book: PlanInput["book"], minutes: number, systemL: number): number {
  const over = (litres: number) => drainMinutesOf(book, litres) + refillMinutesOf(book, litres) - minutes;
  return over(systemL) <= 0 ? systemL : bisect(over, 0, systemL);
}

function limitsOf(input: PlanInput, known: Knowns, systemL: number): Limit[] {
  const { book, source, limits } = input;
  const found: Limit[] = [{ code: "animals", maxL: book.mostShare * systemL, value: book.mostShare }];
  const place = markPlace(book);

  if (place === "sump" && book.sump)
    found.push({
      code: "sump-level",
      maxL: sumpVolumeL(book.sump, book.sump.runningLevelM) - sumpVolumeL(book.sump, book.sump.lowestLevelM),
    });
  if (place === "display") {
    const floorM = book.display.substrateDepthM + 0.05;
    found.push({ code: "floor", maxL: litresAboveM(book, floorM) });
    const byHoseL = hoseLimitL(book);
    if (byHoseL !== null) found.push({ code: "hose", maxL: byHoseL });
    for (const mark of book.landmarks) {
      if (mark.kind === "return" || (mark.kind === "heater" && book.schools.heater !== "lowered")) continue;
      const reachL = litresAboveM(book, mark.heightM);
      found.push({
        code: "landmark",
        maxL: mark.airMinutes > WORK_AT_MARK_MINUTES ? bareUntilL(book, reachL, mark.airMinutes, systemL) : reachL,
        name: mark.name,
        minutes: mark.airMinutes,
        value: mark.heightM,
      });
    }
  }

  const perDay = (code: Limit["code"], parameter: Parameter, most: number) => {
    const [before, refill] = [known[parameter]?.value, source.chemistry[parameter]];
    if (before === undefined || refill === undefined || Math.abs(refill - before) < 1e-9) return;
    found.push({ code, maxL: (most / Math.abs(refill - before)) * systemL, value: most });
  };
  perDay("alkalinity-a-day", "alkalinity", limits.alkalinityDkh);
  perDay("calcium-a-day", "calcium", limits.calciumMgL);
  perDay("magnesium-a-day", "magnesium", limits.magnesiumMgL);
  if (source.kind === "natural-sea") perDay("salinity-a-day", "salinity", limits.salinityUpPpt);
  const tankC = known.temperature?.value ?? book.targetC;
  if (!source.canWarm && Math.abs(source.coldC - tankC) > 0.1)
    found.push({
      code: "temperature-a-day",
      maxL: (limits.temperatureC / Math.abs(source.coldC - tankC)) * systemL,
      value: source.coldC,
    });
  if (input.litresOnBoard !== null && CARRIED.includes(source.kind))
    found.push({ code: "on-board", maxL: input.litresOnBoard });
  if (mustCarryAway(input) && book.carryAwayL !== undefined) found.push({ code: "drain-rule", maxL: book.carryAwayL });
  if (typeof input.minutesForWater === "number")
    found.push({
      code: "time-on-site",
      maxL: litresWithin(book, input.minutesForWater, systemL),
      minutes: input.minutesForWater,
    });
  return found.map((l) => ({ ...l, maxL: Math.min(systemL, Math.max(0, l.maxL)) }));
}
