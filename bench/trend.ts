import { seeded } from "@keel-round/core/numeric";
import { type Events, type TimedValue, valuesOn } from "@keel-round/core/readings";
import { trendOf } from "@keel-round/core/trend";
import { TROUBLES, withEdge } from "../core/src/trend/simulated.fixture.ts";
import { median } from "./lib.ts";

// How near to what was lived through the rate of a trend comes, beside a plain fit of the same balance and a straight line
// through the readings; and how often its range holds it.
const TANKS = 1000;

/** The rate by least squares of the same balance, every reading alike and no break. */
function plainRate(readings: readonly TimedValue[], events: Events): number {
  const unit = (start: number, rate: number) =>
    valuesOn(
      {
        ...{ firstDay: readings[0]?.day ?? 0, breaks: [], start, rates: [rate] },
        ...{
          covariance: [
            [0, 0],
            [0, 0],
          ],
          misses: [],
        },
      },
      readings.map((r) => r.day),
      events,
    ).map((v) => v.value);
  const [none, one, rate] = [unit(0, 0), unit(1, 0), unit(0, 1)];
  const rows = readings.map((r, i) => {
    const known = none[i] ?? 0;
    return { a: (one[i] ?? 0) - known, b: (rate[i] ?? 0) - known, y: r.value - known };
  });
  const sum = (of: (row: (typeof rows)[number]) => number) => rows.reduce((total, row) => total + of(row), 0);
  const [aa, ab, bb, ay, by] = [
    sum((r) => r.a * r.a),
    sum((r) => r.a * r.b),
    sum((r) => r.b * r.b),
    sum((r) => r.a * r.y),
    sum((r) => r.b * r.y),
  ];
  return (aa * by - ab * ay) / (aa * bb - ab * ab);
}

/** The slope of a line through the readings, whatever was changed between them. */
function lineRate(readings: readonly TimedValue[]): number {
  const mean = (of: (r: TimedValue) => number) => readings.reduce((s, r) => s + of(r), 0) / readings.length;
  const [day, value] = [mean((r) => r.day), mean((r) => r.value)];
  const over = readings.reduce((s, r) => s + (r.day - day) * (r.value - value), 0);
  return over / readings.reduce((s, r) => s + (r.day - day) ** 2, 0);
}

console.log(`${TANKS} simulated tanks of each trouble; middle of the error of the rate, of what it is`);
for (const [name, make] of Object.entries(TROUBLES)) {
  const [robust, plain, line, ms]: [number[], number[], number[], number[]] = [[], [], [], []];
  let [inside, found, edges, reached] = [0, 0, 0, 0];
  for (let i = 0; i < TANKS; i++) {
    const random = seeded(7919 + i);
    const { input, rate, day } = withEdge(make, random);
    const began = performance.now();
    const answer = trendOf(input);
    ms.push(performance.now() - began);
    if (!answer.enough) continue;
    found++;
    const { crosses, perDay } = answer.trend;
    if (crosses) edges++;
    if (crosses && crosses.earliest <= day && day <= (crosses.latest ?? Number.POSITIVE_INFINITY)) reached++;
    const { value, low, high } = perDay;
    if (low <= rate && rate <= high) inside++;
    robust.push(Math.abs(value / rate - 1));
    plain.push(Math.abs(plainRate(input.readings, input.events) / rate - 1));
    line.push(Math.abs(lineRate(input.readings) / rate - 1));
  }
  const part = (values: readonly number[]) => `${(100 * median(values)).toFixed(1)} %`;
  console.log(
    `  ${name}: trend ${part(robust)}, plain ${part(plain)}, line ${part(line)}; range holds ${((100 * inside) / found).toFixed(1)} % of ${found}, days ${((100 * reached) / edges).toFixed(1)} % of ${edges}; ${median(ms).toFixed(0)} ms`,
  );
}
