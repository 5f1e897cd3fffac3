/** A known water change on a day axis: its effective share and what it brought of this substance. */
export interface TimedChange {
  readonly day: number;
  readonly share: number;
  readonly refill: number;
}

/** What is known to happen to the water between two readings. */
export interface Events {
  /** In order of day. */
  readonly changes: readonly TimedChange[];
  /** What a doser puts in every day, canonical units of the whole system. */
  readonly dosedPerDay?: number | undefined;
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

/**
 * The mass balance from one day to a later one: between changes dC/dt = a + d − q·(C − Cr), with d what is dosed and q the
 * share that a machine changes; a change multiplies by (1 − f) and brings f·Cr. What happens on the first or the last day
 * itself is left out: a reading of the same moment was taken before it.
 */
export function balanceBetween(fromDay: number, toDay: number, { changes, dosedPerDay = 0, machine }: Events): Balance {
  const q = machine?.sharePerDay ?? 0;
  const brought = dosedPerDay + q * (machine?.refill ?? 0);
  let [ofStart, ofRate, known, at] = [1, 0, 0, fromDay];
  const wait = (until: number) => {
    const kept = Math.exp(-q * (until - at));
    const more = grown(until - at, q);
    ofStart *= kept;
    ofRate = ofRate * kept + more;
    known = known * kept + brought * more;
    at = until;
  };
  for (const { day, share, refill } of changes) {
    if (day <= fromDay || day >= toDay) continue;
    wait(day);
    ofStart *= 1 - share;
    ofRate *= 1 - share;
    known = known * (1 - share) + share * refill;
  }
  wait(toDay);
  return { ofStart, ofRate, known };
}
