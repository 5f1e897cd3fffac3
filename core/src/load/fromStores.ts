import { amountOf, itemFinder, type StoreItem } from "../stores/index.ts";
import type { LoadList, WaterLoad } from "./loadList.ts";

/** An item as a van knows it: what lies in it and at the base. */
export interface ShelfLine extends Pick<StoreItem, "name" | "knownAs" | "unit" | "perUse" | "shelf" | "instead"> {
  readonly van: number;
  readonly base: number;
}

/** Where something of a load list comes from, in the item's unit. */
export interface Taken {
  readonly line: ShelfLine;
  readonly wanted: number;
  readonly inVan: number;
  readonly fromShelf: number;
  /** Nowhere to be found. */
  readonly missing: number;
}

/** Less than this is a scale's error. */
const LEAST = 0.05;

/** Takes an amount from the van first, then from the shelf; what is below nothing there is none. */
function takenFrom(line: ShelfLine, wanted: number): Taken {
  const inVan = Math.min(wanted, Math.max(0, line.van));
  const fromShelf = Math.min(wanted - inVan, Math.max(0, line.base));
  const missing = wanted - inVan - fromShelf;
  return { line, wanted, inVan, fromShelf, missing: missing < LEAST ? 0 : missing };
}

/**
 * What a load list takes of the stores, by the name the list has for a thing; what is not kept there is left out.
 *
 * A tool is wanted once, what jobs use up as often as they do.
 */
export function fromStores(list: LoadList, shelf: readonly ShelfLine[]): ReadonlyMap<string, Taken> {
  const find = itemFinder(shelf);
  const taken = new Map<string, Taken>();
  for (const { item, unit, amount } of list.amounts) {
    const line = find(item);
    const wanted = line && amountOf({ amount, unit: unit as ShelfLine["unit"] }, line);
    if (line && wanted !== null) taken.set(item, takenFrom(line, wanted));
  }
  for (const { item, times } of [...list.things, ...list.carried]) {
    const line = find(item);
    if (line) taken.set(item, takenFrom(line, times === undefined ? 1 : times * line.perUse));
  }
  return taken;
}

/** A barrel and what stands in it, L. */
export interface BarrelLine {
  readonly name: string;
  readonly capacityL: number;
  readonly water: string | null;
  readonly litres: number;
}

/** What barrels hold of a water that is loaded. */
export interface Drawn {
  readonly barrels: readonly BarrelLine[];
  readonly holdsL: number;
  /** What they do not hold of it, L; 0 where they hold enough. */
  readonly shortL: number;
}

/** Which barrels a water comes from, and what they are short of; null where no barrel of the firm is known. */
export function fromBarrels(
  { name, litres }: Pick<WaterLoad, "name" | "litres">,
  barrels: readonly BarrelLine[],
): Drawn | null {
  if (barrels.length === 0) return null;
  const own = barrels.filter((b) => b.water?.toLowerCase() === name.toLowerCase() && b.litres > 0);
  const holdsL = own.reduce((sum, b) => sum + b.litres, 0);
  const shortL = litres - holdsL;
  return { barrels: own, holdsL, shortL: shortL > LEAST ? shortL : 0 };
}
