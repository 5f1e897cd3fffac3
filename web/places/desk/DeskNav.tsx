import { type Entity, recordKinds } from "@keel-round/core/book";
import type { Scope } from "@/data/scope";
import { PartsNav } from "@/kit/PartsNav";

/** Parts of the desk beside the records. */
type Part = Entity | "files";

const PARTS: readonly (readonly [Part, string])[] = [
  ...(["client", "site", "tank", "animal", "equipment", "source", "barrel", "kind"] as const).map(
    (e) => [e, (recordKinds[e].many[0]?.toUpperCase() ?? "") + recordKinds[e].many.slice(1)] as const,
  ),
  ["files", "Import and export"],
];

/** The parts of the desk; bringing files in and out is the office's. */
export function DeskNav({ here, scope }: { here: Part; scope: Scope }) {
  return (
    <PartsNav
      label="Parts of the desk"
      parts={PARTS.filter(([part]) => part !== "files" || scope.role === "office").map(([part, name]) => [
        `/desk/${part}`,
        name,
      ])}
      here={`/desk/${here}`}
    />
  );
}
