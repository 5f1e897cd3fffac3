import { SKILLS } from "../programme/index.ts";

/** What somebody has to know to do a stop: its waters, and what single jobs ask for. */
export const KNOWS = ["fresh", "salt", "drum", ...SKILLS] as const;
export type Knows = (typeof KNOWS)[number];

/** As the desk names them. */
export const KNOWS_NAME: Readonly<Record<Knows, string>> = {
  fresh: "fresh water",
  salt: "salt water",
  drum: "jellyfish drums",
  acid: "handling acid",
  mains: "mains gear opened",
  gas: "pressurised gas",
  ladder: "work on a ladder",
};

/** What a tank asks of whoever looks after it. */
export function watersOf(tank: { readonly kind: string; readonly targetPsu: number }): Knows[] {
  const water: Knows = tank.targetPsu > 0 ? "salt" : "fresh";
  return tank.kind === "jellyfish" ? [water, "drum"] : [water];
}

/** The days of the week, 1 for Monday: when somebody works who has said nothing of it. */
export const EVERY_DAY: readonly number[] = [1, 2, 3, 4, 5, 6, 7];
