import { v5 } from "uuid";

const UUID = /\b[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}\b/g;

/**
 * New ids for old ones: always the same for one target, so that no list of them is kept, and never those of the source.
 *
 * UUIDv5 (RFC 9562) of the old id in the namespace of the target.
 */
export function idMap(target: string): (old: string) => string {
  return (old) => v5(old, target);
}

/** A value with every id in it mapped, however deep it lies: plans and operations name tanks and findings inside. */
export function mapIds(value: unknown, map: (old: string) => string): unknown {
  if (typeof value === "string") return value.length >= 36 ? value.replace(UUID, map) : value;
  if (Array.isArray(value)) return value.map((v) => mapIds(v, map));
  if (value && typeof value === "object" && !Buffer.isBuffer(value) && !(value instanceof Date))
    return Object.fromEntries(
      Object.entries(value).map(([k, v]) => [k.length >= 36 ? k.replace(UUID, map) : k, mapIds(v, map)]),
    );
  return value;
}
