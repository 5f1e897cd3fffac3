import { recordKinds } from "./index.ts";

/** The choices of every school of the desk, by the key of its field; a share is no choice. */
export const tankFields: ReadonlyMap<string, string[]> = new Map(
  recordKinds.tank.fields.flatMap((f) =>
    f.key.startsWith("schools.") && f.type.kind === "choice" ? [[f.key, f.type.options.map(([v]) => v)] as const] : [],
  ),
);
