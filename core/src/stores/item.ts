/** What things of the stores are counted in. */
export const STORE_UNITS = ["g", "mL", "pieces", "tests", "drops", "tablets"] as const;
export type StoreUnit = (typeof STORE_UNITS)[number];

/** What they are to a firm, in the order of its shelves. */
export const STORE_KINDS = [
  ...(["salt", "minerals", "conditioner", "dosing", "remedy", "tests", "media", "food", "cartridge", "spare"] as const),
  "other",
] as const;
export type StoreKind = (typeof STORE_KINDS)[number];

/** A thing that is kept in the stores. Amounts are in its own unit. */
export interface StoreItem {
  readonly id: string;
  readonly name: string;
  /** What else plans and logs call it: the name of a salt, a kit, something a job uses up. */
  readonly knownAs: readonly string[];
  readonly kind: StoreKind;
  readonly unit: StoreUnit;
  /** In a pack as it is bought; null where it comes loose. */
  readonly packAmount: number | null;
  /** Less than this is too little; null where nobody minds. */
  readonly minimum: number | null;
  /** What one job that uses it up takes of it. */
  readonly perUse: number;
  readonly supplier: string;
  /** From order to delivery. */
  readonly leadDays: number;
  readonly shelf: string;
  /** What is taken where there is none. */
  readonly instead: string;
}

const plain = (name: string) => name.trim().toLowerCase();

/** The item that something of a plan or a log is, by any of its names; null for what is not kept. */
export function itemFinder<T extends Pick<StoreItem, "name" | "knownAs">>(
  items: readonly T[],
): (name: string) => T | null {
  // The first of two that share a name, whichever names came first in either.
  const byName = new Map<string, T>();
  for (const item of items)
    for (const name of [item.name, ...item.knownAs]) if (!byName.has(plain(name))) byName.set(plain(name), item);
  return (name) => byName.get(plain(name)) ?? null;
}
