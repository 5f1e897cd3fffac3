/** A known water change on a day axis: its effective share and what it brought of this substance. */
export interface TimedChange {
  readonly day: number;
  readonly share: number;
  readonly refill: number;
}

/** What a doser put in a day until a day. */
export interface Dosed {
  readonly untilDay: number;
  readonly perDay: number;
}

/** What was poured in by hand on a day, and raised the whole system by. */
export interface TimedDose {
  readonly day: number;
  readonly rise: number;
}

/** What is known to happen to the water between two readings. */
export interface Events {
  /** In order of day. */
  readonly changes: readonly TimedChange[];
  /** Doses by hand, in order of day. */
  readonly given?: readonly TimedDose[] | undefined;
  /** What a doser puts in every day now, canonical units of the whole system. */
  readonly dosedPerDay?: number | undefined;
  /** What it put in before, each until a day, ascending. */
  readonly dosedBefore?: readonly Dosed[] | undefined;
  /** A machine that changes this share of the system every day, evenly, and what its new water holds. */
  readonly machine?: { readonly sharePerDay: number; readonly refill: number } | undefined;
}

/** A value that is linear in what is not known: `ofStart`·C0 + `ofRate`·a + `known`. */
export interface Balance {
  readonly ofStart: number;
  readonly ofRate: number;
  readonly known: number;
}

/** What a rate of one comes to over some days while a machine takes a share of the system away each day. */
const grown = (days: number, sharePerDay: number): number =>
  sharePerDay > 0 ? -Math.expm1(-sharePerDay * days) / sharePerDay : days;

/** The same where the rate may have changed: a coefficient for each stretch, in order. */
export interface Course {
  readonly ofStart: number;
  readonly ofRates: readonly number[];
  readonly known: number;
}

/** What happens at one moment: a share leaves, so much comes in. */
interface AtOnce {
  readonly day: number;
  readonly share: number;
  readonly adds: number;
}

/** Changes and doses in order of day; a change of the same moment goes first, as on a visit. */
function stepsOf({ changes, given = [] }: Events): readonly AtOnce[] {
  const all = changes.map(({ day, share, refill }): AtOnce => ({ day, share, adds: share * refill }));
  if (given.length === 0) return all;
  return [...all, ...given.map(({ day, rise }): AtOnce => ({ day, share: 0, adds: rise }))].sort(
    (a, b) => a.day - b.day,
  );
}

/**
 * The mass balance from one day to each of some later ones: between changes dC/dt = a + d − q·(C − Cr), with d what is dosed
 * and q the share that a machine changes; a change multiplies by (1 − f) and brings f·Cr. A reading of the same moment as a
 * change was taken before it: a change on the first day counts, one on the last does not.
 *
 * @param days Ascending, none before `fromDay`.
 * @param breaks Days on which another rate begins, ascending, within the days.
 */
export function coursesTo(
  fromDay: number,
  days: readonly number[],
  events: Events,
  breaks: readonly number[],
): Course[] {
  const { dosedPerDay = 0, dosedBefore = [], machine } = events;
  const steps = stepsOf(events);
  const q = machine?.sharePerDay ?? 0;
  const doses = [...dosedBefore, { untilDay: Number.POSITIVE_INFINITY, perDay: dosedPerDay }];
  const ofRates = [0, ...breaks.map(() => 0)];
  let [ofStart, known, at, stretch, dose] = [1, 0, fromDay, 0, 0];
  let next = steps.findIndex((c) => c.day >= fromDay);
  if (next < 0) next = steps.length;
  const keep = (times: number) => {
    ofStart *= times;
    known *= times;
    for (let i = 0; i < ofRates.length; i++) ofRates[i] = (ofRates[i] ?? 0) * times;
  };
  const waitUntil = (until: number) => {
    for (;;) {
      while ((doses[dose]?.untilDay ?? Number.POSITIVE_INFINITY) <= at) dose++;
      const { untilDay, perDay } = doses[dose] as Dosed;
      const bound = Math.min(until, untilDay);
      const breakAt = breaks[stretch];
      const breaksHere = breakAt !== undefined && breakAt < bound;
      const to = breaksHere ? Math.max(at, breakAt) : bound;
      const more = grown(to - at, q);
      keep(Math.exp(-q * (to - at)));
      ofRates[stretch] = (ofRates[stretch] ?? 0) + more;
      known += (perDay + q * (machine?.refill ?? 0)) * more;
      at = to;
      if (breaksHere) stretch++;
      else if (to === until) return;
    }
  };
  return days.map((day) => {
    for (let step = steps[next]; step && step.day < day; step = steps[++next]) {
      waitUntil(step.day);
      keep(1 - step.share);
      known += step.adds;
    }
    waitUntil(day);
    return { ofStart, ofRates: [...ofRates], known };
  });
}

/**
 * The mass balance from one day to a later one, at one rate.
 *
 * @example
 * balanceBetween(0, 7, { changes: [] }); // 1 of what was there, 7 of a rate a day, 0 known
 */
export function balanceBetween(fromDay: number, toDay: number, events: Events): Balance {
  const [course] = coursesTo(fromDay, [toDay], events, []);
  return { ofStart: course?.ofStart ?? 1, ofRate: course?.ofRates[0] ?? 0, known: course?.known ?? 0 };
}
