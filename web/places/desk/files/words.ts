import { recordKinds } from "@keel-round/core/desk";
import type { FileKind } from "@keel-round/core/transfer";

/** What a kind of file holds, in the plural. */
export const manyOf = (kind: FileKind): string => (kind === "reading" ? "readings" : recordKinds[kind].many);
