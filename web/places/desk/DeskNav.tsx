import { type Entity, recordKinds } from "@keel-round/core/desk";
import { type Scope, seesAll } from "@/data/access/scope";
import { PartsNav } from "@/kit/PartsNav";

/** Parts of the desk beside the records. */
type Part = Entity | "files" | "firm" | "roads" | "people" | "audit" | "stuck" | "upkeep";

const PARTS: readonly (readonly [Part, string])[] = [
  ...(
    [
      ...(["client", "site", "tank", "animal", "equipment", "kit", "product", "doser", "remedy", "item"] as const),
      ...(["source", "barrel", "quay", "seaLot", "kind", "job"] as const),
    ] as const
  ).map((e) => [e, (recordKinds[e].many[0]?.toUpperCase() ?? "") + recordKinds[e].many.slice(1)] as const),
  ["upkeep", "Upkeep"],
  ["files", "Import and export"],
  ["firm", "The firm"],
  ["roads", "Roads"],
  ["people", "People"],
  ["audit", "Who came in"],
  ["stuck", "Stuck work"],
];

/** What is the office's alone. */
const OFFICE: readonly Part[] = ["files", "firm", "people", "audit", "stuck"];

/** The parts of the desk that are the person's. */
export function DeskNav({ here, scope }: { here: Part; scope: Scope }) {
  return (
    <PartsNav
      label="Parts of the desk"
      parts={PARTS.filter(
        ([part]) => (!OFFICE.includes(part) || scope.role === "office") && (part !== "roads" || seesAll(scope.role)),
      ).map(([part, name]) => [`/desk/${part}`, name])}
      here={`/desk/${here}`}
    />
  );
}
