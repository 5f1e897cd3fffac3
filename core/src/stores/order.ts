import { addDays } from "../calendar/index.ts";
import { byName } from "../text/index.ts";
import type { Need, Ratio } from "./daysLeft.ts";
import type { StoreItem } from "./item.ts";

/** An item with what is there and what is to come. */
export interface Ordered {
  readonly item: Pick<StoreItem, "name" | "unit" | "packAmount" | "minimum" | "supplier" | "leadDays">;
  readonly stock: number;
  readonly needs: readonly Need[];
  readonly ratio: Ratio;
}

/** What to order of an item, and why now. */
export interface OrderLine {
  readonly item: Ordered["item"];
  readonly packs: number | null;
  /** In the item's unit, whole packs. */
  readonly amount: number;
  /** none: nothing is left. minimum: below it today. runs-out: below it before an order of next week would come. */
  readonly why: "none" | "minimum" | "runs-out";
}

/** Somebody looks at the stores once a week. */
const LOOKED_DAYS = 7;
/** An order is to last for so long once it has come. */
const LASTS_DAYS = 28;

const takenBy = (needs: readonly Need[], until: string, ratio: number): number =>
  needs.filter((n) => n.on <= until).reduce((sum, n) => sum + n.amount * ratio, 0);

/**
 * What to order of an item today: so that it does not fall below its minimum before an order of next week could come, even if
 * visits take as much as they might, and lasts four weeks from then. Whole packs.
 *
 * @returns null where nothing has to be ordered.
 */
export function orderOf({ item, stock, needs, ratio }: Ordered, today: string): OrderLine | null {
  const minimum = item.minimum ?? 0;
  const comesOn = addDays(today, item.leadDays + LOOKED_DAYS);
  const then = stock - takenBy(needs, comesOn, ratio.high);
  const nothing = stock <= 0 && (needs.length > 0 || item.minimum !== null);
  if (!nothing && stock >= minimum && then >= minimum) return null;
  const wanted = minimum + takenBy(needs, addDays(comesOn, LASTS_DAYS), ratio.high) - stock;
  if (wanted <= 0) return null;
  const packs = item.packAmount === null ? null : Math.ceil(wanted / item.packAmount - 1e-9);
  return {
    item,
    packs,
    amount: packs === null ? Math.ceil(wanted) : packs * (item.packAmount ?? 1),
    why: nothing ? "none" : stock < minimum ? "minimum" : "runs-out",
  };
}

/** The lines of an order by supplier, both by name; what nobody is named for comes last. */
export function bySupplier<T extends Pick<OrderLine, "item">>(
  lines: readonly T[],
): { readonly supplier: string; readonly lines: T[] }[] {
  const all = new Map<string, T[]>();
  for (const line of [...lines].sort((a, b) => byName(a.item.name, b.item.name)))
    all.set(line.item.supplier, [...(all.get(line.item.supplier) ?? []), line]);
  return [...all]
    .map(([supplier, of]) => ({ supplier, lines: of }))
    .sort((a, b) => Number(a.supplier === "") - Number(b.supplier === "") || byName(a.supplier, b.supplier));
}
