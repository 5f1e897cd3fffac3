import fc from "fast-check";
import { expect, test } from "vitest";
import { curvePlaces } from "./periodCurve";

const box = { from: "2026-10-01", to: "2026-10-31", width: 200, height: 54 };

test("the first and the last day lie at the edges, high values above low ones", () => {
  const { dots, band } = curvePlaces(
    {
      points: [
        { on: "2026-10-01", value: 10 },
        { on: "2026-10-16", value: 30 },
        { on: "2026-10-31", value: 20 },
      ],
      band: { low: 10, high: 20 },
    },
    box,
  );
  expect(dots.map((d) => d.x)).toEqual([4, 100, 196]);
  // 10 to 30 over 46 units, the lowest at 50.
  expect(dots.map((d) => d.y)).toEqual([50, 4, 27]);
  expect(band).toEqual({ y: 27, height: 23 });
});

test("one reading without a band lies in the middle; nothing is drawn of none", () => {
  expect(curvePlaces({ points: [{ on: "2026-10-16", value: 7 }], band: null }, box).dots).toEqual([{ x: 100, y: 27 }]);
  expect(curvePlaces({ points: [], band: { low: 1, high: 2 } }, box)).toMatchObject({ d: "", dots: [] });
});

test("whatever was read, everything lies in the box", () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({ day: fc.integer({ min: -40, max: 400 }), value: fc.double({ min: -1e6, max: 1e6, noNaN: true }) }),
        { minLength: 1, maxLength: 20 },
      ),
      fc.option(
        fc.record({
          low: fc.double({ min: 0, max: 10, noNaN: true }),
          width: fc.double({ min: 0, max: 10, noNaN: true }),
        }),
      ),
      (points, band) => {
        const places = curvePlaces(
          {
            points: points.map((p) => ({
              on: new Date(Date.UTC(2026, 9, 1 + p.day)).toISOString().slice(0, 10),
              value: p.value,
            })),
            band: band ? { low: band.low, high: band.low + band.width } : null,
          },
          box,
        );
        for (const { x, y } of places.dots) {
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(200);
          expect(y).toBeGreaterThanOrEqual(0);
          expect(y).toBeLessThanOrEqual(54);
        }
        expect(places.d).not.toContain("NaN");
      },
    ),
  ));
