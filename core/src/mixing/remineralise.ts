import { requireRange } from "../issues/index.ts";
import { type IonsMgL, type ReagentName, reagentDose } from "./reagent.ts";

/** What purified water is to become, and of which salts. */
export interface Remineral {
  readonly litres: number;
  /** Wanted hardness, dGH, and carbonate hardness, dKH; 0 leaves it out. */
  readonly gh: number;
  readonly kh: number;
  /** Part of the hardness that is calcium, by amount; the rest is magnesium. Three parts in four is usual. */
  readonly calciumPart: number;
  /** What the calcium comes as: sulphate is gentle on taste and slow to dissolve, chloride quick. */
  readonly calciumAs: "calcium sulphate dihydrate" | "calcium chloride dihydrate";
  readonly magnesiumAs: "magnesium sulphate heptahydrate" | "magnesium chloride hexahydrate";
  readonly carbonateAs: "sodium bicarbonate" | "potassium bicarbonate";
  /** Potassium wanted beside what the carbonate brings, mg/L. */
  readonly potassiumMgL: number;
}

/** One powder to weigh. */
export interface Weighed {
  readonly reagent: ReagentName;
  readonly grams: number;
}

/** What is weighed, in the order it goes in, and everything that it brings together. */
export interface Remineralised {
  readonly powders: readonly Weighed[];
  readonly brings: IonsMgL;
}

/**
 * Powders that bring purified water to a hardness and a carbonate hardness.
 *
 * By molar mass: hardness is calcium and magnesium by amount, carbonate hardness is equivalents of bicarbonate. Potassium
 * that the bicarbonate brings counts toward what is wanted.
 *
 * @throws {OutOfRangeError} outside of 0.1 to 100 000 L, 0 to 40 degrees, 0 to 100 mg/L of potassium.
 * @example
 * remineralise({ litres: 100, gh: 1, kh: 0, calciumPart: 1, calciumAs: "calcium chloride dihydrate", magnesiumAs: "magnesium sulphate heptahydrate", carbonateAs: "sodium bicarbonate", potassiumMgL: 0 }).powders[0].grams; // 2.62
 */
export function remineralise(wanted: Remineral): Remineralised {
  const { litres, gh, kh, calciumPart, potassiumMgL } = wanted;
  requireRange("gh", gh, 0, 40);
  requireRange("kh", kh, 0, 40);
  requireRange("calciumPart", calciumPart, 0, 1);
  requireRange("potassiumMgL", potassiumMgL, 0, 100);
  const asked: (readonly [ReagentName, Parameters<typeof reagentDose>[1]])[] = [
    [wanted.calciumAs, { of: "hardness", dgh: gh * calciumPart }],
    [wanted.magnesiumAs, { of: "hardness", dgh: gh * (1 - calciumPart) }],
    [wanted.carbonateAs, { of: "alkalinity", dkh: kh }],
  ];
  const powders: Weighed[] = [];
  const brings: Record<string, number> = {};
  const add = (reagent: ReagentName, target: Parameters<typeof reagentDose>[1]) => {
    const dose = reagentDose(reagent, target, litres);
    if (!dose.ok || dose.grams <= 0) return;
    powders.push({ reagent, grams: dose.grams });
    for (const [ion, mgL] of Object.entries(dose.brings)) brings[ion] = (brings[ion] ?? 0) + mgL;
  };
  for (const [reagent, target] of asked) add(reagent, target);
  const missing = potassiumMgL - (brings.K ?? 0);
  if (missing > 1e-9) add("potassium sulphate", { of: "potassium", mgL: missing });
  return { powders, brings };
}
