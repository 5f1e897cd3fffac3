import { type Entity, recordKinds } from "@keel-round/core/book";
import type { Scope } from "@/data/scope";
import { AppLink } from "@/kit/AppLink";
import { A, Nav } from "@/kit/elements";

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
    <Nav aria-label="Parts of the desk" display="flex" gap="18px" mb="14px" fontSize="14.5px" overflowX="auto">
      {PARTS.filter(([part]) => part !== "files" || scope.role === "office").map(([part, label]) => (
        <A
          key={part}
          asChild
          py="6px"
          whiteSpace="nowrap"
          textDecoration="none"
          color={part === here ? "ink" : "soft"}
          fontWeight={part === here ? "620" : "400"}
          borderBottomWidth="3px"
          borderColor={part === here ? "coralline" : "transparent"}
        >
          <AppLink href={`/desk/${part}`} aria-current={part === here ? "page" : undefined}>
            {label}
          </AppLink>
        </A>
      ))}
    </Nav>
  );
}
