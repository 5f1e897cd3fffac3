import { type Entity, type Field, type FilterTest, recordKinds } from "@keel-round/core/desk";

/** Columns that a list opens with; the others are a choice away. */
const FIRST: Readonly<Record<Entity, readonly string[]>> = {
  client: ["contact", "email", "phone", "lettersBy"],
  site: ["clientId", "address", "windows", "drain", "askFor"],
  tank: ["siteId", "kind", "sourceId", "practice.policy", "startedOn"],
  animal: ["tankId", "count", "hazard", "since"],
  source: ["kind", "siteId", "coldC", "salt.name", "conditioner.name"],
  barrel: ["capacityL", "heaterW", "notes"],
  quay: ["sourceId", "pumpLPerMin", "permittedUntil"],
  seaLot: ["quayId", "onDate", "litres", "salinityPsu", "temperatureC", "notices"],
  product: ["raises", "reagent", "strengthLPerMl", "ownerGives", "leftAmount"],
  doser: ["tankId", "productId", "setMlPerDay", "leftMl"],
  remedy: ["group", "per100L", "unit", "doses", "contactDays"],
  item: ["kind", "unit", "packAmount", "minimum", "supplier", "shelf"],
  kit: ["parameter", "method", "expiresOn", "calibratedOn", "testsLeft"],
  job: ["when", "by", "minutes", "reason"],
  kind: ["targetC", "targetPsu", "mostShare", "practice.policy", "practice.share"],
  equipment: ["tankId", "kind", "installedOn", "serviceEveryDays", "lastServicedOn"],
};

/** Fields that fit a column. */
export function columnFields(entity: Entity): Field[] {
  return recordKinds[entity].fields.filter((f) => f.key !== "name" && f.type.kind !== "list");
}

/** The columns that the address bar asks for, else those a list opens with. */
export function chosenColumns(entity: Entity, asked: readonly string[]): Field[] {
  const keys = asked.length > 0 ? asked : FIRST[entity];
  return columnFields(entity).filter((f) => keys.includes(f.key));
}

/** What the address bar holds of a list. */
export interface ListAddress {
  readonly q?: string;
  readonly sort?: string;
  readonly archived?: string;
  readonly page?: string;
  readonly col?: string | readonly string[];
  /** Conditions, as `test.key`. */
  readonly [filter: `${FilterTest}.${string}`]: string | undefined;
}

/** The list's address with some of it changed; the page starts again unless it is what changes. */
export function listHref(entity: Entity, address: ListAddress, change: Partial<ListAddress>): string {
  const next = { ...address, page: undefined, ...change };
  const params = new URLSearchParams();
  for (const [key, value] of Object.entries(next))
    for (const one of Array.isArray(value) ? value : [value])
      if (typeof one === "string" && one !== "") params.append(key, one);
  return `/desk/${entity}${params.size > 0 ? `?${params}` : ""}`;
}
