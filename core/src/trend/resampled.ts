import { gaussian, type Random } from "../numeric/index.ts";
import { type CourseFit, courseFitter, type Events, meansOn, type TimedValue } from "../readings/index.ts";
import { noiseOf } from "./sizeNoise.ts";

const Z95 = 1.96;

/**
 * Courses that might as well have been: what each reading it was fitted to misses the fit by is drawn again from all misses, and fitted anew
 * with the same stretches. No narrower than the readings say of themselves.
 *
 * Source: Efron, Bootstrap methods, 1979.
 */
export function resampled(
  readings: readonly TimedValue[],
  events: Events,
  fit: CourseFit,
  samples: number,
  random: Random,
): Drawn[] {
  const fitted = meansOn(
    fit,
    readings.map((r) => r.day),
    events,
  );
  const unknowns = 1 + fit.rates.length;
  // A fit lies nearer to its readings than the truth does, and of few of them the scatter itself is known less well:
  // Student's t beside the normal, z + (z³ + z)/4ν.
  const degrees = Math.max(1, readings.length - unknowns);
  const free = Math.sqrt(readings.length / degrees) * (1 + (Z95 * Z95 + 1) / (4 * degrees));
  const middle = fit.misses.reduce((sum, m) => sum + m, 0) / fit.misses.length;
  const centred = fit.misses.map((m) => (m - middle) * free);
  const size = Math.sqrt(centred.reduce((sum, m) => sum + m * m, 0) / centred.length);
  const more = Math.sqrt(Math.max(0, 1 - size * size));
  const noise = noiseOf(fit, readings, events);
  const days = readings.map((r) => r.day);
  const fitTo = courseFitter(readings, events, fit.breaks);
  const kits = [...new Map(readings.flatMap(({ kit }) => (kit ? [[kit.id, kit.sigma] as const] : [])))];
  const [today] = meansOn(fit, [0], events);
  const drawn: Drawn[] = [];
  for (let i = 0; i < samples; i++) {
    const { sizes, readings: times } = noise(random);
    // Changes that were of another size than booked: their mistakes stay in the water, and are not the kit's.
    const happened = sizes > 0 ? withSizes(events, sizes, random) : events;
    const lived = sizes > 0 ? meansOn(fit, days, happened) : fitted;
    const kit = sizes > 0 ? Math.min(1, times / Math.max(size, 1e-9)) : 1;
    // What a kit's offset was told wrong by is the same in all that it read.
    const off = new Map(kits.map(([id, sigma]) => [id, sigma * gaussian(random)]));
    const again = readings.map(
      (r, j) =>
        (lived[j] as number) +
        (off.get(r.kit?.id ?? "") ?? 0) +
        r.sigma * kit * (drawOf(centred, random) + more * gaussian(random)),
    );
    const one = fitTo?.(again);
    if (!one) continue;
    if (sizes === 0) drawn.push({ fit: one, ahead: one, off: 0 });
    else {
      const off = (meansOn(fit, [0], happened)[0] ?? 0) - (today ?? 0);
      drawn.push({ fit: one, ahead: mirrored(fit, one), off });
    }
  }
  return drawn;
}

/** A course that might as well have been. */
export interface Drawn {
  readonly fit: CourseFit;
  /** As far as the tank itself may lie off the fit, on the other side of it from where a fit to such readings would. */
  readonly ahead: CourseFit;
  /** What wrong sizes of past changes may have left in the water today, beside that. */
  readonly off: number;
}

const mirrored = (fit: CourseFit, one: CourseFit): CourseFit => ({
  ...fit,
  start: 2 * fit.start - one.start,
  rates: fit.rates.map((r, i) => 2 * r - (one.rates[i] ?? r)),
});

const MOST_SHARE = 0.98;

/** The same changes, each of another size. */
const withSizes = (events: Events, sizes: number, random: Random): Events => ({
  ...events,
  changes: events.changes.map((c) => ({
    ...c,
    share: Math.min(MOST_SHARE, Math.max(0, c.share * (1 + sizes * gaussian(random)))),
  })),
});

const drawOf = (misses: readonly number[], random: Random): number =>
  misses[Math.floor(random() * misses.length)] as number;

/** The same with something in the water today that no reading tells of. */
export const withOff = (events: Events, off: number): Events =>
  off === 0
    ? events
    : { ...events, given: [...(events.given ?? []), { day: -JUST_BEFORE, rise: off }].sort((a, b) => a.day - b.day) };

const JUST_BEFORE = 1e-9;
