import type { Windows } from "@keel-round/core/desk";

/** Days of the week on which nobody opens, by what stands there: most are closed on Sundays, offices on Saturdays too. */
const CLOSED: readonly (readonly [kind: RegExp, days: number])[] = [
  [/school|primary|nursery|college|clinic|dental|solicitors|office|hall|yard|bank|lab|trust/i, 2],
  [/museum|gallery|studios|daughters|maker|foundry|brewery|loft|chandler|harrow/i, 1],
];
const SUNDAY_FIRST = [7, 6, 1, 2, 3];
/** Where it opens on a Saturday, it closes at one. */
const SATURDAY = 6;
const SATURDAY_CLOSES = 13 * 60;

/** When a site of the demo may be entered: as such places are, and open whenever its visits fall. */
export function demoHours(
  site: string,
  window: { readonly from: number; readonly to: number },
  visited: readonly number[],
): Windows {
  const days = CLOSED.find(([kind]) => kind.test(site))?.[1] ?? 0;
  const closed = SUNDAY_FIRST.filter((d) => !visited.includes(d)).slice(0, days);
  const short = days > 0 && !visited.includes(SATURDAY) && window.from < SATURDAY_CLOSES;
  return Object.fromEntries(
    [1, 2, 3, 4, 5, 6, 7]
      .filter((d) => !closed.includes(d))
      .map((d) => [
        String(d),
        d === SATURDAY && short ? { ...window, to: Math.min(window.to, SATURDAY_CLOSES) } : window,
      ]),
  );
}
