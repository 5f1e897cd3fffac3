import { recordKinds } from "./index.ts";

/** The choices of every way of working that the desk offers, by the key of its field; a share is no choice. */
export const tankFields: ReadonlyMap<string, string[]> = new Map(
  recordKinds.tank.fields.flatMap((f) =>
    f.key.startsWith("practice.") && f.type.kind === "choice" ? [[f.key, f.type.options.map(([v]) => v)] as const] : [],
  ),
);
