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
  const called = new Map<string, S[]>();
  for (const step of steps)
    for (const name of new Set([step.id, step.phase])) called.set(name, [...(called.get(name) ?? []), step]);
  const waiting = new Map<S, Set<S>>(steps.map((s) => [s, new Set<S>()]));
  for (const { before, after } of rules)
    for (const late of called.get(after) ?? [])
      for (const early of called.get(before) ?? []) if (early !== late) waiting.get(late)?.add(early);
  const ordered: S[] = [];
  while (waiting.size > 0) {
    let next: S | null = null;
    for (const [step, blockers] of waiting) {
      if (blockers.size > 0) continue;
      if (!next || step.number < next.number || (step.number === next.number && step.id < next.id)) next = step;
    }
    if (!next) throw new OrderCycleError(circleIn(waiting).map((s) => s.id));
    waiting.delete(next);
    for (const blockers of waiting.values()) blockers.delete(next);
    ordered.push(next);
  }
  return ordered;
}

/** Why a step comes after others of a visit: the reasons of the rules that hold it back there. */
export function orderReasons<S extends Orderable>(step: S, steps: readonly S[], rules: readonly OrderRule[]): string[] {
  const matches = (s: S, name: string) => s.id === name || s.phase === name;
  const holding = rules.filter((r) => matches(step, r.after) && steps.some((s) => s !== step && matches(s, r.before)));
  return [...new Set(holding.map((r) => r.reason))];
}

/** The steps of one circle, from the first in the library's order; every waiting step has a blocker that waits too. */
function circleIn<S extends Orderable>(waiting: ReadonlyMap<S, ReadonlySet<S>>): S[] {
  const path: S[] = [];
  const byPlace = (a: S, b: S) => a.number - b.number || byText(a.id, b.id);
  let at = [...waiting.keys()].sort(byPlace)[0];
  while (at && !path.includes(at)) {
    path.push(at);
    at = [...(waiting.get(at) ?? [])].find((s) => waiting.has(s));
  }
  const circle = path.slice(at ? path.indexOf(at) : 0).reverse();
  const first = circle.indexOf([...circle].sort(byPlace)[0] as S);
  return [...circle.slice(first), ...circle.slice(0, first)];
}
