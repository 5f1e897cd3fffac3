import type { Window } from "@keel-round/core/programme";

/** A window as it is kept. */
export const windowColumns = ({ giveDays, earlyDays }: Window) => ({ giveDays, earlyDays: earlyDays ?? null });
