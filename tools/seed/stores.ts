import { newId } from "@/data/database/ids";
import * as t from "@/data/schema";
import type { Rows } from "./rows.ts";

type Item = Partial<typeof t.storeItem.$inferInsert> &
  Pick<typeof t.storeItem.$inferInsert, "name" | "kind" | "unit"> & {
    /** Other names. */
    readonly also?: readonly string[];
    /** What was counted at the base some weeks ago, what came since and was used, and what was counted last week. */
    readonly counted: number;
    readonly came?: readonly [daysAgo: number, amount: number, lot: string, expiresInDays: number | null];
    readonly used: number;
    readonly found: number;
    /** In the van of the first technician. */
    readonly inVan?: number;
  };

const HARBOUR = { supplier: "Harbour Trade", supplierEmail: "orders@harbour-trade.example", leadDays: 7 };
const NORTH = { supplier: "North Pier Aquatics", supplierEmail: "", leadDays: 4 };

/** What the firm keeps, by generic names. One is out, one runs low, and of one more was lost than is usual. */
const ITEMS: readonly Item[] = [
  {
    ...{ name: "Standard reef salt", kind: "salt", unit: "g", packAmount: 20_000, minimum: 10_000, shelf: "Shelf A" },
    ...HARBOUR,
    ...{ counted: 64_000, came: [24, 60_000, "RS 41", 700], used: 51_000, found: 71_500 },
  },
  {
    ...{ name: "Enriched reef salt", kind: "salt", unit: "g", packAmount: 20_000, minimum: 5000, shelf: "Shelf A" },
    ...HARBOUR,
    ...{ counted: 22_000, used: 6000, found: 15_800 },
  },
  {
    ...{ name: "Standard fish salt", kind: "salt", unit: "g", packAmount: 20_000, minimum: 5000, shelf: "Shelf A" },
    ...HARBOUR,
    ...{ counted: 30_000, used: 9000, found: 20_500 },
  },
  {
    ...{ name: "Conditioner A", kind: "conditioner", unit: "mL", packAmount: 2500, minimum: 500, shelf: "Shelf B" },
    ...HARBOUR,
    ...{ counted: 3200, used: 1500, found: 1650, inVan: 400 },
  },
  {
    ...{ name: "Alkalinity drops", kind: "tests", unit: "tests", packAmount: 50, minimum: 10, shelf: "Shelf D" },
    ...NORTH,
    ...{ counted: 60, came: [20, 50, "K 318", 160], used: 32, found: 76, inVan: 20 },
  },
  {
    ...{ name: "Ammonia drops", kind: "tests", unit: "tests", packAmount: 50, minimum: 5, shelf: "Shelf D" },
    ...NORTH,
    ...{ counted: 12, used: 8, found: 4, instead: "ammonia strips from shelf D" },
  },
  {
    ...{ name: "Buffer powder", kind: "dosing", unit: "g", packAmount: 1000, minimum: 300, shelf: "Shelf B" },
    ...HARBOUR,
    ...{ counted: 1300, used: 380, found: 850 },
  },
  {
    ...{ name: "Carbon", kind: "media", unit: "g", packAmount: 5000, minimum: 1000, perUse: 150, shelf: "Shelf C" },
    ...{ also: ["rinsed carbon"], ...NORTH, counted: 6200, used: 2100, found: 4000 },
  },
  {
    ...{ name: "Filter socks", kind: "media", unit: "pieces", packAmount: 10, minimum: 12, shelf: "Shelf C" },
    ...{ also: ["clean socks"], ...NORTH, counted: 40, used: 6, found: 33, inVan: 12 },
  },
  {
    ...{ name: "Floss", kind: "media", unit: "pieces", packAmount: 20, minimum: 10, shelf: "Shelf C" },
    ...{ also: ["floss"], ...NORTH, counted: 45, used: 30, found: 14 },
  },
  {
    ...{ name: "Flake food", kind: "food", unit: "g", packAmount: 500, minimum: 100, perUse: 5, shelf: "Shelf D" },
    ...{ also: ["food"], ...NORTH, counted: 620, used: 210, found: 380, inVan: 120 },
  },
  {
    ...{ name: "Sediment and carbon cartridges", kind: "cartridge", unit: "pieces", packAmount: 2, minimum: 1 },
    ...{ shelf: "Mixing room", ...HARBOUR, leadDays: 10, counted: 3, used: 0, found: 3 },
  },
  {
    ...{ name: "Impeller, return pump", kind: "spare", unit: "pieces", minimum: 1, shelf: "Shelf C" },
    ...{ instead: "the spare pump from shelf C", ...HARBOUR, counted: 1, used: 1, found: 0 },
  },
];

const FIRST_COUNT = 35;
const LAST_COUNT = 6;

/** The stores of the firm: counted twice, with a delivery and some use between, so that something is known of its losses. */
export function addStores(
  rows: Rows,
  { businessId, day }: { readonly businessId: string; readonly day: (offset: number) => string },
  counter: string,
  helper: string,
): void {
  for (const { also = [], counted, came, used, found, inVan, ...item } of ITEMS) {
    const itemId = newId();
    rows.add(t.storeItem, { id: itemId, businessId, ...item, knownAs: also.map((name) => ({ name })) });
    const move = (
      daysAgo: number,
      more: Omit<typeof t.storeMove.$inferInsert, "id" | "businessId" | "itemId" | "at" | "onDate">,
    ) =>
      rows.add(t.storeMove, {
        ...{ id: newId(), businessId, itemId, onDate: day(-daysAgo), personId: counter },
        at: new Date(`${day(-daysAgo)}T17:40:00Z`),
        ...more,
      });
    move(FIRST_COUNT, { kind: "counted", amount: counted });
    if (came) {
      const [daysAgo, amount, lot, expires] = came;
      move(daysAgo, { kind: "delivered", amount, lot, expiresOn: expires === null ? null : day(expires) });
    }
    // Of visits that are older than their logs; what is closed from now on is booked by its log.
    if (used > 0) move(LAST_COUNT + 3, { kind: "used", amount: -used, planned: used, cause: "before the stores" });
    move(LAST_COUNT, { kind: "counted", amount: found, personId: helper });
    if (inVan) move(LAST_COUNT, { kind: "counted", amount: inVan, place: counter });
  }
}
