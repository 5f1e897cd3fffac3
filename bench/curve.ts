import { fitBuildUp, type TimedChange, type TimedValue } from "@keel-round/core/readings";
import type { Parameter } from "@keel-round/core/units";
import mysql, { type RowDataPacket } from "mysql2/promise";
import { isFitted } from "@/data/plan/rates";
import { loadScale } from "../tools/seed/scale.ts";
import { freshDatabase, median, spread, timed } from "./lib.ts";

// The fit with its interval of every figure of every tank beside plain SELECTs of the same rows, and how it grows.
const ROUNDS = 20;

interface ReadingRow extends RowDataPacket {
  readonly tank_id: string;
  readonly parameter: Parameter;
  readonly value: number;
  readonly sigma: number;
  readonly taken_at: Date;
}
interface ChangeRow extends RowDataPacket {
  readonly tank_id: string;
  readonly at: Date;
  readonly share: number;
  readonly chemistry: string;
}
interface Series {
  readonly readings: TimedValue[];
  readonly changes: TimedChange[];
}

const READINGS = "select tank_id, parameter, value, sigma, taken_at from reading order by taken_at";
const CHANGES = "select tank_id, at, share, chemistry from water_change order by at";

/** Each fitted figure of each tank, out of the rows. */
function seriesOf(readings: readonly ReadingRow[], changes: readonly ChangeRow[], now: number): Series[] {
  const day = (at: Date) => (at.getTime() - now) / 86_400_000;
  const changed = new Map<string, { day: number; share: number; chemistry: Record<string, number> }[]>();
  for (const c of changes) {
    const of = changed.get(c.tank_id) ?? [];
    const chemistry = (typeof c.chemistry === "string" ? JSON.parse(c.chemistry) : c.chemistry) as Record<
      string,
      number
    >;
    of.push({ day: day(c.at), share: c.share, chemistry });
    changed.set(c.tank_id, of);
  }
  const all = new Map<string, Series>();
  for (const r of readings) {
    if (!isFitted(r.parameter)) continue;
    const key = `${r.tank_id} ${r.parameter}`;
    const series: Series = all.get(key) ?? {
      readings: [],
      changes: (changed.get(r.tank_id) ?? []).map((c) => ({
        day: c.day,
        share: c.share,
        refill: c.chemistry[r.parameter] ?? 0,
      })),
    };
    series.readings.push({ day: day(r.taken_at), value: r.value, sigma: r.sigma });
    all.set(key, series);
  }
  return [...all.values()];
}

const perSeries = new Map<number, number>();
for (const [tanks, weeks] of [
  [900, 156],
  [9000, 16],
] as const) {
  await freshDatabase();
  await loadScale(tanks, weeks, `curve${tanks}`);
  const plainly = await mysql.createConnection({ uri: process.env.DATABASE_URL ?? "", jsonStrings: true });
  const select = async () =>
    [(await plainly.query<ReadingRow[]>(READINGS))[0], (await plainly.query<ChangeRow[]>(CHANGES))[0]] as const;
  const series = seriesOf(...(await select()), Date.now());
  const [selecting, fitting]: [number[], number[]] = [[], []];
  const sides = [
    async () => selecting.push(await timed(select)),
    async () =>
      fitting.push(
        await timed(() => {
          for (const s of series) fitBuildUp(s.readings, { changes: s.changes }, 0);
        }),
      ),
  ];
  for (let i = 0; i < ROUNDS; i++) for (const side of i % 2 === 0 ? sides : [...sides].reverse()) await side();
  await plainly.end();
  const ratios = fitting.map((f, i) => f / (selecting[i] ?? 1));
  const readings = series.reduce((n, s) => n + s.readings.length, 0);
  perSeries.set(tanks, median(fitting) / readings);
  console.log(`${tanks} tanks, ${weeks} weeks: ${series.length} series of ${readings} readings, ${ROUNDS} rounds`);
  console.log(`  selecting ${spread(selecting, 0)} ms, fitting ${spread(fitting, 0)} ms, ratio ${spread(ratios)}`);
}
const [few = 1, many = 1] = perSeries.values();
console.log(`a reading at 9 000 takes ${(many / few).toFixed(2)} of one at 900`);
process.exit(0);
