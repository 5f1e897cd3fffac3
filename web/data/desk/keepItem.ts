import { STORE_UNITS, type StoreKind } from "@keel-round/core/stores";
import { z } from "zod";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { createRecord } from "./records";

export const KeepSchema = z.object({
  name: z.string().trim().min(1, "Enter a name.").max(120),
  /** "times": a thing that jobs use up. */
  unit: z.enum([...STORE_UNITS, "times"]),
});

const KINDS: Readonly<Partial<Record<string, StoreKind>>> = { tests: "tests", drops: "remedy", tablets: "remedy" };

/** Makes an item of something that plans take, by the name they have for it. */
export const keepItem = (scope: Scope, { name, unit }: z.infer<typeof KeepSchema>, when: When) =>
  createRecord(
    scope,
    "item",
    { name, unit: unit === "times" ? "pieces" : unit, kind: KINDS[unit] ?? "other", perUse: 1, leadDays: 7 },
    when,
  );
