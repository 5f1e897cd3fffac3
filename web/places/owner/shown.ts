import type { OwnerPage } from "@/data/owner/page";

/** The forms of the page. */
export const FORMS = ["list", "told", "day", "proposal"] as const;
export type FormName = (typeof FORMS)[number];

/** What was sent and could not be taken: it stands in its fields again, each with what is wrong. */
export interface Rejected {
  readonly form: FormName;
  readonly message: string;
  readonly fields: Readonly<Record<string, readonly string[]>>;
  /** Text fields as they were typed. */
  readonly typed: Readonly<Record<string, string>>;
  readonly done: readonly string[];
}

/** What was taken the last time. */
export const SAID = ["list", "told", "told-urgent", "day", "agreed", "declined"] as const;
export type Said = (typeof SAID)[number];

/** What a part of the page is drawn from. */
export interface Part {
  readonly page: OwnerPage;
  readonly units: { readonly volume: string; readonly temperature: string };
  readonly rejected: Rejected | null;
  readonly said: Said | null;
}

/** What is wrong with a form, or one of its fields; null where nothing is. */
export const wrongWith = ({ rejected }: Part, form: FormName, field?: string): string | null => {
  if (rejected?.form !== form) return null;
  if (field) return rejected.fields[field]?.[0] ?? null;
  return Object.keys(rejected.fields).length === 0 ? rejected.message : null;
};

/** What stands in a field: what was typed where it was not taken, else what is kept. */
export const typedIn = ({ rejected }: Part, form: FormName, field: string, kept = ""): string =>
  rejected?.form === form ? (rejected.typed[field] ?? "") : kept;
