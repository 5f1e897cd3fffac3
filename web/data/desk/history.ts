import { civilOf } from "@keel-round/core/calendar";
import { type Entity, type FieldValue, fieldOf, recordKinds, sayField } from "@keel-round/core/desk";
import type { BarrelContents } from "@keel-round/core/mixing";
import { isLibraryTask, libraryTask } from "@keel-round/core/programme";
import { inSentence } from "@keel-round/core/text";
import { figure, litresText } from "@keel-round/core/units";
import { and, desc, eq } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { deskChange, person } from "../schema";
import { namesOf } from "./links";
import { ARCHIVED, MADE } from "./records";

/** One change in words and the person's units. */
export interface HistoryLine {
  readonly id: string;
  readonly batchId: string;
  /** Day and minute in the business's zone. */
  readonly on: string;
  readonly minute: number;
  readonly by: string;
  readonly what: string;
  readonly old: string | null;
  readonly new: string | null;
  /** Whether the field can be set back to what it was. */
  readonly restorable: boolean;
}

const LINES = 120;

/** Who changed what on a record, the newest first. */
export async function historyOf(scope: Scope, entity: Entity, entityId: string, lines = LINES): Promise<HistoryLine[]> {
  const rows = await db()
    .select({ change: deskChange, by: person.name })
    .from(deskChange)
    .innerJoin(person, and(eq(person.businessId, deskChange.businessId), eq(person.id, deskChange.personId)))
    .where(
      and(
        eq(deskChange.businessId, scope.businessId),
        eq(deskChange.entity, entity),
        eq(deskChange.entityId, entityId),
      ),
    )
    .orderBy(desc(deskChange.at))
    .limit(lines);
  const names = await linkedNames(scope, entity, rows);
  return rows.map(({ change, by }) => {
    const { date, minute } = civilOf(change.at.getTime(), scope.zone);
    const words = inWords(scope, entity, change, (id) => names.get(id) ?? "something that is gone");
    return { id: change.id, batchId: change.batchId, on: date, minute, by, ...words };
  });
}

async function linkedNames(
  scope: Scope,
  entity: Entity,
  rows: readonly { readonly change: { readonly field: string; readonly old: unknown; readonly new: unknown } }[],
): Promise<Map<string, string>> {
  const names = new Map<string, string>();
  for (const field of recordKinds[entity].fields) {
    if (field.type.kind !== "link") continue;
    const ids = rows.flatMap(({ change }) =>
      change.field === field.key ? [change.old, change.new].filter((v): v is string => typeof v === "string") : [],
    );
    for (const [id, name] of await namesOf(db(), scope.businessId, field.type.to, [...new Set(ids)]))
      names.set(id, name);
  }
  return names;
}

function inWords(
  scope: Scope,
  entity: Entity,
  change: { readonly field: string; readonly old: unknown; readonly new: unknown },
  nameOf: (id: string) => string,
): Omit<HistoryLine, "id" | "batchId" | "on" | "minute" | "by"> {
  const plain = (what: string) => ({ what, old: null, new: null, restorable: false });
  if (change.field === MADE) return plain(`made this ${recordKinds[entity].one}`);
  if (change.field === "visits")
    return plain(
      change.new === null
        ? `undid a change of the visits: ${String(change.old)}`
        : `changed the visits: ${String(change.new)}`,
    );
  if (change.field === "trouble")
    return plain(
      change.new === "over"
        ? `said that it is over: ${inSentence(String(change.old))}`
        : `noted ${inSentence(String(change.new))}`,
    );
  if (change.field === "codes") return plain("set the codes");
  if (change.field === "contents")
    return {
      what: "contents",
      old: contentsWords(change.old as BarrelContents | null, scope),
      new: contentsWords(change.new as BarrelContents | null, scope),
      restorable: false,
    };
  if (change.field === ARCHIVED)
    return { ...plain(change.new === true ? "put it into the archive" : "brought it back"), restorable: true };
  if (change.field.startsWith("confirmed:")) {
    const label = inSentence(fieldOf(entity, change.field.slice("confirmed:".length))?.label ?? change.field);
    return plain(`confirmed ${label}`);
  }
  if (change.field.startsWith("job:")) {
    const [code = "", what] = change.field.slice("job:".length).split(":");
    const name = inSentence(isLibraryTask(code) ? libraryTask(code).name : code);
    if (what)
      return {
        what: `${name}, ${what}`,
        old: String(change.old ?? "not known"),
        new: String(change.new ?? ""),
        restorable: false,
      };
    return plain(`${change.new ? "put into the programme" : "took out of the programme"}: ${name}`);
  }
  const field = fieldOf(entity, change.field);
  if (!field) return plain(`changed ${change.field}`);
  const say = (value: unknown) => sayField(field, value as FieldValue, scope.units, nameOf);
  return { what: inSentence(field.label), old: say(change.old), new: say(change.new), restorable: !field.once };
}

/** What stands in a barrel, in a few words. */
function contentsWords(contents: BarrelContents | null, { units }: Scope): string {
  if (!contents) return "empty";
  const litres = litresText(contents.litres, units);
  if (contents.psu !== undefined) return `${litres} measured at ${figure(contents.psu, 1)} ppt`;
  return contents.targetPsu === undefined ? litres : `${litres} meant for ${figure(contents.targetPsu, 1)} ppt`;
}
