import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import type { Band } from "../tank/index.ts";
import { METRIC, type Parameter, type UnitPreference } from "../units/index.ts";
import {
  type ClientPeriod,
  clientReport,
  courseOf,
  DETAILS,
  type FirmPeriod,
  firmYear,
  type PeriodSeries,
  periodName,
  periodsBefore,
  periodWith,
  type TankPeriod,
} from "./index.ts";

const band = (
  parameter: Parameter,
  [actLow, idealLow, idealHigh, actHigh]: readonly [number, number, number, number],
): Band => ({ parameter, actLow, idealLow, idealHigh, actHigh }) as Band;
const NITRATE = band("nitrate", [-1, 0, 20, 40]);
const ALKALINITY = band("alkalinity", [6.5, 7.6, 8.8, 11]);

const series = (of: Band, ...values: readonly number[]): PeriodSeries => ({
  parameter: of.parameter,
  band: of,
  points: values.map((value, i) => ({ on: addDays("2026-10-02", 7 * i), value })),
});

const TANK: TankPeriod = {
  ...{ name: "Waiting room", siteName: "Ilves Dental", salt: true, systemL: 400 },
  series: [series(ALKALINITY, 8, 8.2, 7.9), series(NITRATE, 12, 26, 31)],
  ...{ visits: 4, changes: 2, changedL: 160, topUpL: 0 },
  done: [{ name: "Clean the glass", told: "cleaned the glass", times: 4, reason: "" }],
  left: [{ name: "Rinse the sponge", told: null, times: 1, reason: "No time" }],
};
const CLIENT: ClientPeriod = {
  period: periodWith("month", "2026-10-15"),
  ...{ business: "Calder & Renn", phone: "555 0142", contact: "Dr. Ilves", signedBy: "Maud", colour: null },
  ...{ tanks: [TANK], animals: [], endings: [], salt: { kg: 0, litres: 0 } },
};
/** Narrow spaces as plain ones: what is said is compared, not how it breaks. */
const plain = <T>(told: T): T => JSON.parse(JSON.stringify(told).replaceAll(/[\u202f\u00a0]/g, " "));
const US: UnitPreference = { ...METRIC, volume: "US gal", temperature: "°F", length: "in" };
const report = (change: Partial<ClientPeriod> = {}) => plain(clientReport({ ...CLIENT, ...change }, "all", METRIC));
const body = (tank: Partial<TankPeriod>) => report({ tanks: [{ ...TANK, ...tank }] }).tanks[0]?.body ?? [];

describe("a period", () => {
  test.each([
    ["month", "2026-02-11", "2026-02-01", "2026-02-28", "February 2026"],
    ["month", "2028-02-29", "2028-02-01", "2028-02-29", "February 2028"],
    ["quarter", "2026-11-30", "2026-10-01", "2026-12-31", "October to December 2026"],
    ["quarter", "2026-01-01", "2026-01-01", "2026-03-31", "January to March 2026"],
    ["year", "2026-06-30", "2026-01-01", "2026-12-31", "2026"],
  ] as const)("%s with %s", (kind, on, fromOn, untilOn, name) => {
    expect(periodWith(kind, on)).toEqual({ kind, fromOn, untilOn });
    expect(periodName(periodWith(kind, on))).toBe(name);
  });
  test("is over before it is reported: the newest first", () => {
    expect(periodsBefore("month", "2026-01-31", 3).map((p) => p.fromOn)).toEqual([
      "2025-12-01",
      "2025-11-01",
      "2025-10-01",
    ]);
    expect(periodsBefore("quarter", "2026-12-31", 2).map((p) => periodName(p))).toEqual([
      "July to September 2026",
      "April to June 2026",
    ]);
    expect(periodsBefore("year", "2026-12-31", 1).map((p) => periodName(p))).toEqual(["2025"]);
  });
});

describe("how a figure went", () => {
  test.each([
    [[12, 14], "steady", "ideal", 0],
    [[12, 26, 14], "recovered", "ideal", 1],
    [[12, 26, 31], "out", "watch", 2],
    [[12, 41], "out", "act", 1],
    [[20], "steady", "ideal", 0],
  ] as const)("%j", (values, how, ended, out) =>
    expect(courseOf(series(NITRATE, ...values))).toMatchObject({ how, ended, out }),
  );
  test("nothing read is no course", () => expect(courseOf(series(NITRATE))).toBeNull());
});

describe("what is said of a tank", () => {
  test("the answer, what was not steady with its figures, what was, and the water", () => {
    const [tank] = report().tanks;
    expect(tank?.state).toBe("drifting");
    expect(tank?.heading).toBe("The waiting room tank needs watching: its nitrate is a little out of place.");
    expect(tank?.body).toEqual([
      "Alkalinity stayed where it should be. Nitrate went from 12.0 to 31.0 mg/L; up to 20.0 is right. It was out of place 2 times in 3 readings.",
      "We came 4 times and changed 160 L of its water in 2 changes, about 20 % of it each.",
    ]);
    expect(tank?.done).toEqual(["We cleaned the glass 4 times."]);
    expect(tank?.left).toBe("Left out: rinse the sponge (once: no time).");
    expect(tank?.curves.map((c) => [c.label, c.shown, c.ended])).toEqual([
      ["Alkalinity", "7.9 dKH", "ideal"],
      ["Nitrate", "31.0 mg/L", "watch"],
    ]);
  });
  test("what went wrong and came right again, with the worst of it last seen", () =>
    expect(body({ series: [series(NITRATE, 12, 26, 31, 14)] })[0]).toBe(
      "Nitrate was out of place 2 times in 4 readings, last on 16 October at 31.0 mg/L, and has been right since: 14.0 mg/L.",
    ));
  test("one reading is no course", () =>
    expect(body({ series: [series(ALKALINITY, 7)] })[0]).toBe(
      "Alkalinity was measured once, at 7.0 dKH: 7.6 to 8.8 is right.",
    ));
  test("a tank that nobody measured or came to says so, and nothing else", () => {
    const [tank] = report({
      tanks: [{ ...TANK, series: [], visits: 0, changes: 0, changedL: 0, done: [], left: [] }],
    }).tanks;
    expect(tank).toMatchObject({
      state: "unknown",
      heading: "Nothing was measured in the waiting room tank.",
      body: [],
      curves: [],
    });
  });
  test("one change is not told of each", () =>
    expect(body({ visits: 1, changes: 1, changedL: 80 })[1]).toBe(
      "We came once and changed 80 L of its water, 20 % of it.",
    ));
  test("visits without a change, and what was topped up", () =>
    expect(body({ changes: 0, changedL: 0, topUpL: 12 })[1]).toBe(
      "We came 4 times and changed no water. 12 L were topped up.",
    ));
  test("a US reader meets no metric unit", () => {
    const { tanks, totals } = clientReport({ ...CLIENT, salt: { kg: 5.4, litres: 150 } }, "all", US);
    const said = JSON.stringify(plain({ tanks, totals }));
    expect(said).not.toMatch(/\d (L|kg|°C|cm)\b/);
    expect(said).toContain("gal");
  });
});

describe("a client's report", () => {
  test("answers first, then the sums", () => {
    const calm = { ...TANK, series: [series(NITRATE, 10, 12)] };
    expect(report({ tanks: [calm] }).answer).toBe("Your tank was steady in October 2026.");
    expect(report({ tanks: [calm, calm] }).answer).toBe("All 2 of your tanks were steady in October 2026.");
    expect(report({ tanks: [calm, TANK, calm] }).answer).toBe(
      "One of your 3 tanks is not quite where it should be; the others were steady in October 2026.",
    );
    expect(report().answer).toBe("Your tank is not quite where it should be.");
    expect(report({ tanks: [{ ...TANK, series: [] }], period: periodWith("quarter", "2026-08-01") }).answer).toBe(
      "Too little was measured from July to September 2026 to say how your tank went.",
    );
    expect(report({ salt: { kg: 5.41, litres: 152 } }).totals).toEqual([
      "4 visits to one tank",
      "160 L of water changed",
      "5.4 kg of salt weighed for 152 L",
      "4 jobs done, one left out",
      // Of 8, 8.2, 7.9 and 12, 26, 31 four are right.
      "6 readings taken, 67 % of them where they should be",
    ]);
  });
  test("tells losses with their cause and what was done, surplus, and what will be replaced", () => {
    const news = { tank: "Waiting room", on: "2026-10-14", cause: "", remedy: "" };
    const { sections } = report({
      animals: [
        {
          ...news,
          kind: "lost",
          name: "Neon tetra",
          number: 2,
          cause: "The chiller failed.",
          remedy: "A spare was fitted",
        },
        { ...news, kind: "lost", name: "Amano shrimp", number: 1 },
        { ...news, kind: "born", name: "Cherry shrimp", number: 12 },
        { ...news, kind: "moved-out", name: "Cherry shrimp", number: 8 },
      ],
      endings: [
        { name: "UV lamp", tank: "Waiting room", replaceOn: "2027-03-04" },
        { name: "Return pump", tank: "Waiting room", replaceOn: "2026-09-04" },
      ],
    });
    expect(sections).toEqual([
      {
        title: "Lost",
        lines: [
          "Neon tetra: 2 were lost on 14 October (waiting room). Cause: the chiller failed. Done about it: a spare was fitted.",
          "Amano shrimp: one was lost on 14 October (waiting room).",
        ],
      },
      {
        title: "Born, grown and given away",
        lines: ["Cherry shrimp: 12 were born (waiting room).", "Cherry shrimp: 8 were taken out (waiting room)."],
      },
      {
        title: "To be replaced",
        lines: [
          "Return pump (waiting room): was to be replaced in September 2026.",
          "UV lamp (waiting room): to be replaced in March 2027.",
        ],
      },
    ]);
  });
  test("names months and quarters as its reader does, and its parts in its reader's language", () => {
    const quarter = periodWith("quarter", "2026-08-01");
    expect(periodName(quarter, { ...METRIC, locale: "de" })).toBe("Juli to September 2026");
    expect(report({ period: quarter }).title).toBe("Your tank from July to September 2026");
    expect(report({ tanks: [TANK, TANK] }).title).toBe("Your tanks in October 2026");
  });
  test("tells less where less is asked for, and its answer is the same", () => {
    const of = (detail: (typeof DETAILS)[number]) => clientReport(CLIENT, detail, METRIC);
    const curves = DETAILS.map((d) => of(d).tanks[0]?.curves.length);
    expect(curves).toEqual([2, 1, 0, 0]);
    expect(DETAILS.map((d) => of(d).tanks[0]?.body.length)).toEqual([2, 2, 2, 0]);
    expect(new Set(DETAILS.map((d) => of(d).answer + of(d).tanks[0]?.heading)).size).toBe(1);
  });
  test("whatever was logged, it counts every reading once and is never NaN", () =>
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.double({ min: 0, max: 200, noNaN: true }), { maxLength: 12 }), { maxLength: 5 }),
        fc.nat(9),
        (tanks, visits) => {
          const content = report({
            tanks: tanks.map((values) => ({
              ...TANK,
              series: [series(NITRATE, ...values)],
              visits,
              changes: visits,
              changedL: visits * 31,
            })),
          });
          const count = tanks.flat().length;
          expect(JSON.stringify(content)).not.toMatch(/NaN|undefined|Infinity/);
          const told = content.totals.find((t) => t.includes("taken"));
          if (count === 0) expect(told).toBeUndefined();
          else expect(told).toMatch(count === 1 ? /^One reading/ : new RegExp(`^${count} readings`));
        },
      ),
    ));
});

describe("a year of the firm", () => {
  const client = (i: number, visits: number) => ({
    ...{ name: `Client ${i}`, tanks: 2, visits, changedL: 100, readings: 10, right: 9, lost: 1 },
  });
  const year = (count: number): FirmPeriod => ({
    ...CLIENT,
    period: periodWith("year", "2026-06-01"),
    clients: Array.from({ length: count }, (_, i) => client(i + 1, i + 1)),
    months: [
      { parameter: "nitrate", month: "2026-02", readings: 4, right: 1 },
      { parameter: "nitrate", month: "2026-01", readings: 2, right: 2 },
      { parameter: "alkalinity", month: "2026-01", readings: 1, right: 0 },
      { parameter: "calcium", month: "2026-01", readings: 0, right: 0 },
    ],
  });
  test("shows what was held, month by month, most measured first", () => {
    const { curves, title } = plain(firmYear(year(1), METRIC));
    expect(title).toBe("Calder & Renn in 2026");
    expect(curves.map((c) => [c.label, c.points.map((p) => p.value), c.shown])).toEqual([
      ["Nitrate", [100, 25], "25 %"],
      ["Alkalinity", [0], "0 %"],
    ]);
  });
  test("tells places as they are called, and clients that nobody came to together", () => {
    const { sections, table, curves } = plain(
      firmYear(
        {
          ...year(3),
          clients: [client(1, 0), client(2, 4), client(3, 0)],
          endings: [{ name: "UV lamp", tank: "Town Museum, Moon drum", replaceOn: "2027-03-04" }],
        },
        METRIC,
      ),
    );
    expect(sections[0]?.lines).toEqual(["UV lamp (Town Museum, Moon drum): to be replaced in March 2027."]);
    expect(table?.rows.map((r) => r[0])).toEqual(["Client 2", "2 other clients"]);
    // A share is drawn from nothing to all.
    expect(curves[0]?.reach).toEqual({ low: 0, high: 100 });
  });
  test("names the clients with the most visits, and sums up the others", () => {
    const table = plain(firmYear(year(30), METRIC)).table;
    expect(table?.rows).toHaveLength(25);
    expect(table?.rows[0]?.[0]).toBe("Client 7");
    // Clients 1 to 6: 12 tanks, 1 + … + 6 visits, 600 L, 54 of 60 right, 6 lost.
    expect(table?.rows.at(-1)).toEqual(["6 other clients", "12", "21", "600 L", "90 %", "6"]);
  });
});
