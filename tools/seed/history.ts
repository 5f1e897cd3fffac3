import { addDays, daysBetween } from "@keel-round/core/calendar";
import type { WaterSource } from "@keel-round/core/given";
import { gaussian, type Random } from "@keel-round/core/numeric";
import { earlyDaysOf, libraryTask, type TaskCode } from "@keel-round/core/programme";
import { simulatedTank } from "@keel-round/core/simulate";
import { systemVolumeL, type TankFacts } from "@keel-round/core/tank";
import { type Parameter, parameterFacts, parseReading } from "@keel-round/core/units";
import { surfaceM2 } from "@keel-round/core/vessel";
import type { Story } from "./stories.ts";

/** What one visit of the past left in the log. */
export interface PastVisit {
  readonly on: string;
  readonly readings: readonly {
    parameter: Parameter;
    entered: string;
    unit: string;
    method: string;
    value: number;
    sigma: number;
  }[];
  readonly change: { outL: number; inL: number } | null;
  readonly steps: readonly {
    code: TaskCode;
    outcome: "done" | "skipped";
    minutes: number | null;
    dirt: number | null;
    intervalDays: number;
    reason: string | null;
    sector: number | null;
  }[];
  readonly level: { belowCm: number; missingL: number; days: number } | null;
  readonly minutes: number;
}

/** What a year left behind. */
export interface Past {
  readonly visits: readonly PastVisit[];
  readonly lastDone: ReadonlyMap<TaskCode, string>;
  readonly lastSector: number;
}

/** Parameters that move by themselves in the simulation; the others keep their starting value. */
const MOVED = new Set<string>([
  "nitrate",
  "phosphate",
  "alkalinity",
  "calcium",
  "magnesium",
  "gh",
  "salinity",
  "ammonia",
  "nitrite",
]);
/** Half-yearly and yearly jobs were all last done at the same part of their interval ago. */
const RARE_DAYS = 120;
const SKIP_REASONS = ["no time left", "school was in the room", "part not in the van"];

/** A unit a tired technician may use for the figure, with its share of the visits. */
function unitFor(parameter: Parameter, random: Random): string {
  const r = random();
  if (parameter === "salinity" && r < 0.2) return "SG 25/25";
  if (parameter === "phosphate" && r < 0.3) return "ppb P";
  if (parameter === "temperature" && r < 0.06) return "°F";
  return parameterFacts[parameter].unit;
}

/** Lives a tank's past through hour by hour, with kit error, missed visits and the owner's mistakes. */
export function liveThrough(
  story: Story,
  facts: TankFacts,
  source: WaterSource,
  visitDates: readonly string[],
  from: string,
  today: string,
  random: Random,
): Past {
  const { life } = story;
  const litres = systemVolumeL(facts);
  const tank = simulatedTank({
    litres,
    levels: { ...Object.fromEntries(Object.entries(life.start).filter(([p]) => MOVED.has(p))) } as Record<
      string,
      number
    >,
    temperatureC: life.start.temperature ?? facts.targetC,
  });
  const held = facts.gear.includes("heater") || facts.gear.includes("chiller") ? facts.targetC : undefined;
  const visits: PastVisit[] = [];
  const lastDone = new Map<TaskCode, string>();
  for (const code of story.jobs) {
    const every = libraryTask(code).everyDays;
    if (every > RARE_DAYS) lastDone.set(code, addDays(today, -Math.round(every * 0.6)));
    else lastDone.set(code, addDays(from, -Math.floor(random() * every)));
  }
  let lastSector = 0;
  let lastVisit = from;
  const dates = new Set(visitDates);

  for (let day = from; day < today; day = addDays(day, 1)) {
    const daysAgo = daysBetween(day, today);
    const rates = life.since && daysAgo <= life.since.daysAgo ? life.since.perDay : life.perDay;
    const season = Math.cos((2 * Math.PI * (daysBetween(`${day.slice(0, 4)}-07-20`, day) % 365)) / 365);
    const hot = life.roomC.hotDaysAgo !== undefined && Math.abs(daysAgo - life.roomC.hotDaysAgo) < 7 ? 8 : 0;
    const strength =
      life.weak && daysAgo <= life.weak.fromDaysAgo && daysAgo >= life.weak.toDaysAgo ? life.weak.strength : 1;
    const hours = dates.has(day) ? 10 : 24;
    const live = (count: number) => {
      for (let h = 0; h < count; h++) {
        tank.hour({
          made: Object.fromEntries(Object.entries(rates).map(([p, perDay]) => [p, ((perDay ?? 0) * litres) / 24])),
          evaporatedL: facts.evaporationLPerDay / 24,
          roomC: life.roomC.mean + life.roomC.swing * season + hot,
          ...(held !== undefined ? { heldC: held, strength } : {}),
        });
      }
    };
    live(hours);
    if (facts.topUp === "reservoir") tank.pour(Math.max(0, litres - tank.litres()), {}, tank.temperatureC());
    if (facts.topUp === "owner") {
      const wrong = life.topUpPsu && daysAgo <= life.topUpPsu.sinceDaysAgo;
      tank.pour(
        Math.max(0, litres - tank.litres()),
        wrong ? { salinity: life.topUpPsu?.psu ?? 0 } : {},
        tank.temperatureC(),
      );
    }
    // One visit in twenty-five is missed: a holiday, a flat tyre.
    if (!dates.has(day) || random() < 0.04) continue;

    const missing = Math.max(0, litres - tank.litres());
    const surface = facts.sump
      ? facts.sump.lengthM * facts.sump.widthM
      : surfaceM2(facts.display.vessel, facts.display.runningLevelM);
    const sinceVisit = daysBetween(lastVisit, day);
    const level =
      facts.topUp === "technician"
        ? { belowCm: Math.round((missing / (surface * 1000)) * 1000) / 10, missingL: missing, days: sinceVisit }
        : null;
    const dueNow = (code: TaskCode) =>
      daysBetween(lastDone.get(code) ?? from, day) >= libraryTask(code).everyDays - earlyDaysOf(libraryTask(code));

    const readings: PastVisit["readings"][number][] = [];
    const steps: PastVisit["steps"][number][] = [];
    for (const code of story.jobs) {
      const fixed = story.past?.[code];
      const job = libraryTask(code);
      const daysAgoFixed = fixed ? fixed.doneDaysAgo : null;
      if (daysAgoFixed !== null && daysAgo < daysAgoFixed) continue;
      if (job.everyDays > RARE_DAYS || !dueNow(code)) continue;
      const intervalDays = daysBetween(lastDone.get(code) ?? from, day);
      if (typeof job.result === "object") {
        const reading = read(job.result.test, tank, life.start, random);
        if (reading) readings.push(reading);
      }
      if (typeof job.result !== "object" && random() < 0.03) {
        steps.push({
          code,
          outcome: "skipped",
          minutes: null,
          dirt: null,
          intervalDays,
          reason: SKIP_REASONS[Math.floor(random() * 3)] ?? "no time left",
          sector: null,
        });
        continue;
      }
      if (code === "vacuum-sector") lastSector = (lastSector % facts.sectors) + 1;
      steps.push({
        code,
        outcome: "done",
        intervalDays,
        reason: null,
        minutes: Math.round(job.minutes * (0.8 + 0.5 * random()) * 10) / 10,
        dirt: job.result === "dirt" ? Math.min(5, Math.max(1, Math.round(3 + gaussian(random) * 0.7))) : null,
        sector: code === "vacuum-sector" ? lastSector : null,
      });
      lastDone.set(code, day);
    }

    const treated = facts.treatment && day >= facts.treatment.startedOn;
    const outL = treated ? 0 : Math.round(facts.practice.share * litres * (0.97 + 0.06 * random()));
    tank.pour(Math.max(0, litres - tank.litres()), {}, tank.temperatureC());
    if (outL > 0) {
      const slipped = life.slip && daysAgo <= life.slip.daysAgo + 3 && daysAgo > life.slip.daysAgo - 4;
      const chemistry = { ...source.chemistry, ...(slipped ? { salinity: life.slip?.mixPsu ?? 0 } : {}) };
      tank.drain(outL);
      tank.pour(outL, chemistry, source.canWarm ? facts.targetC : source.coldC);
    }
    live(24 - hours);
    visits.push({
      on: day,
      readings,
      change: outL > 0 ? { outL, inL: Math.round(outL + missing) } : null,
      steps,
      level: level && sinceVisit > 0 ? level : null,
      minutes: Math.round(18 + steps.reduce((sum, s) => sum + (s.minutes ?? 0), 0) + outL / 6),
    });
    lastVisit = day;
  }
  for (const [code, past] of Object.entries(story.past ?? {}))
    if (past) lastDone.set(code as TaskCode, addDays(today, -past.doneDaysAgo));
  return { visits: withLately(visits, story.lately?.readings ?? {}), lastDone, lastSector };
}

/** The past with what was read at its last visit set. */
function withLately(visits: readonly PastVisit[], set: Partial<Record<Parameter, number>>): PastVisit[] {
  const last = visits.at(-1);
  if (!last) return [];
  const readings = (Object.entries(set) as [Parameter, number][]).map(([parameter, value]) => {
    const its = parameterFacts[parameter];
    const method = its.methods[0]?.method ?? "";
    const entered = value.toFixed(its.decimals);
    const parsed = parseReading({ parameter, text: entered, unit: its.unit, method });
    if (!parsed.ok) throw new Error(`${entered} is no reading of ${parameter}`);
    return { parameter, entered, unit: its.unit, method, value: parsed.value, sigma: parsed.sigma };
  });
  const kept = last.readings.filter((r) => set[r.parameter] === undefined);
  return [...visits.slice(0, -1), { ...last, readings: [...kept, ...readings] }];
}

function read(
  parameter: Parameter,
  tank: ReturnType<typeof simulatedTank>,
  start: Partial<Record<Parameter, number>>,
  random: Random,
) {
  const its = parameterFacts[parameter];
  const truth =
    parameter === "temperature"
      ? tank.temperatureC()
      : MOVED.has(parameter)
        ? tank.concentration(parameter)
        : start[parameter];
  if (truth === undefined || (truth === 0 && start[parameter] === undefined)) return null;
  const method = its.methods[0];
  const sigma = Math.max(method?.absolute ?? 0, (method?.relative ?? 0) * truth) / 3;
  // A cloudy sample now and then reads far too high in a photometer.
  const cloudy = parameter === "phosphate" && random() < 0.02 ? 2.2 : 1;
  const seen = Math.max(0, truth * cloudy + gaussian(random) * sigma);
  const unit = unitFor(parameter, random);
  const option = its.units.find((u) => u.unit === unit) ?? its.units[0];
  if (!option) return null;
  const entered = option.fromCanonical(seen).toFixed(option.decimals);
  const parsed = parseReading({ parameter, text: entered, unit: option.unit, method: method?.method ?? "" });
  return parsed.ok
    ? { parameter, entered, unit: option.unit, method: method?.method ?? "", value: parsed.value, sigma: parsed.sigma }
    : null;
}
