import { byText } from "../text/index.ts";

/** A rule of the order on site: `before` and `after` are step ids or phases. */
export interface OrderRule {
  readonly before: string;
  readonly after: string;
  readonly reason: string;
}

/** What the order needs to know of a step. */
export interface Orderable {
  readonly id: string;
  readonly phase: string;
  /** Position in the library, which breaks ties. */
  readonly number: number;
}

/** Rules that contradict each other, named by the steps on the cycle. */
export class OrderCycleError extends Error {
  readonly steps: readonly string[];
  constructor(steps: readonly string[]) {
    super(`These steps each have to come before another: ${steps.join(", ")}`);
    this.name = "OrderCycleError";
    this.steps = steps;
  }
}

/**
 * Puts steps in the one order that obeys every rule and otherwise keeps the library's.
 *
 * Stable topological sort (Kahn 1962), ties by library number then id.
 *
 * @throws {OrderCycleError} if rules contradict each other.
 */
export function orderSteps<S extends Orderable>(steps: readonly S[], rules: readonly OrderRule[]): S[] {
  const called = new Map<string, number[]>();
  for (const [i, step] of steps.entries()) {
    add(called, step.id, i);
    if (step.phase !== step.id) add(called, step.phase, i);
  }
  const then: number[][] = steps.map(() => []);
  const blockers = steps.map(() => 0);
  for (const { before, after } of rules)
    for (const late of called.get(after) ?? [])
      for (const early of called.get(before) ?? [])
        if (early !== late) {
          then[early]?.push(late);
          blockers[late] = (blockers[late] ?? 0) + 1;
        }
  const waiting = steps.map((_, i) => i).sort((a, b) => byPlace(steps[a] as S, steps[b] as S));
  const ordered: S[] = [];
  while (waiting.length > 0) {
    const at = waiting.findIndex((i) => blockers[i] === 0);
    if (at < 0) throw new OrderCycleError(circleIn(waiting, then, steps).map((s) => s.id));
    const [next = 0] = waiting.splice(at, 1);
    for (const late of then[next] ?? []) blockers[late] = (blockers[late] ?? 0) - 1;
    ordered.push(steps[next] as S);
  }
  return ordered;
}

function add(called: Map<string, number[]>, name: string, i: number): void {
  const known = called.get(name);
  if (known) known.push(i);
  else called.set(name, [i]);
}

const byPlace = (a: Orderable, b: Orderable): number => a.number - b.number || byText(a.id, b.id);

/** Why a step comes after others of a visit: the reasons of the rules that hold it back there. */
export function orderReasons<S extends Orderable>(step: S, steps: readonly S[], rules: readonly OrderRule[]): string[] {
  const matches = (s: S, name: string) => s.id === name || s.phase === name;
  const holding = rules.filter((r) => matches(step, r.after) && steps.some((s) => s !== step && matches(s, r.before)));
  return [...new Set(holding.map((r) => r.reason))];
}

/** The steps of one circle, from the first in the library's order; every waiting step has a blocker that waits too. */
function circleIn<S extends Orderable>(
  waiting: readonly number[],
  then: readonly number[][],
  steps: readonly S[],
): S[] {
  const path: number[] = [];
  let at = waiting[0];
  while (at !== undefined && !path.includes(at)) {
    path.push(at);
    const late = at;
    at = waiting.find((early) => then[early]?.includes(late));
  }
  const circle = path.slice(at === undefined ? 0 : path.indexOf(at)).reverse();
  const first = circle.indexOf([...circle].sort((a, b) => waiting.indexOf(a) - waiting.indexOf(b))[0] ?? 0);
  return [...circle.slice(first), ...circle.slice(0, first)].map((i) => steps[i] as S);
}
