import { emptyValue, type ListRow } from "./fields.ts";
import { recordKinds } from "./records.ts";
import type { Values } from "./values.ts";

/** Waters that can be made in place, as they usually are until somebody measures them. */
export const USUAL_WATERS = ["tap", "purified", "mix", "natural-sea"] as const;
export type UsualWater = (typeof USUAL_WATERS)[number];

const lines = (chemistry: Readonly<Record<string, number>>): readonly ListRow[] =>
  Object.entries(chemistry).map(([parameter, value]) => ({ parameter, value }));

/** A tap is told by nobody: its figures are to be measured. What a membrane or a label promises is stated. */
const USUAL: Readonly<Record<UsualWater, Values>> = {
  tap: { name: "Tap", coldC: 12, canWarm: true },
  purified: {
    name: "RO water",
    coldC: 14,
    canWarm: true,
    chemistry: lines({ nitrate: 0, alkalinity: 0, gh: 0, salinity: 0, phosphate: 0 }),
  },
  mix: {
    name: "Salt mix",
    coldC: 16,
    canWarm: true,
    "salt.name": "Salt",
    "salt.labelGramsPerLitre": 36,
    chemistry: lines({ salinity: 35, nitrate: 0, phosphate: 0, ph: 8.2, alkalinity: 8, ammonia: 0 }),
  },
  "natural-sea": {
    name: "Sea water",
    coldC: 12,
    canWarm: false,
    chemistry: lines({ salinity: 35, nitrate: 0.5, ph: 8.1, alkalinity: 7, ammonia: 0 }),
  },
};

/**
 * The fields of a water that is made in place, for a tank that needs one: a tap belongs to its site, other water to none.
 *
 * Source: general practice; sea water at 35 PSU after IOC, SCOR and IAPSO 2010; 36 g/L is what most labels of salt say.
 */
export function usualWater(kind: UsualWater, siteId: string): Values {
  const empty = Object.fromEntries(recordKinds.source.fields.map((field) => [field.key, emptyValue(field)]));
  return { ...empty, chloramineFactor: 1, ...USUAL[kind], kind, siteId: kind === "tap" ? siteId : null };
}
