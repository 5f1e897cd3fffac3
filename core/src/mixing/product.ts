import type { Parameter } from "../units/index.ts";
import { type IonsMgL, REAGENTS, type ReagentName, type ReagentTarget, reagentDose, riseOfDose } from "./reagent.ts";

/** What is put right by a dose, in the order in which it is given: without magnesium neither of the others holds. */
export const DOSED = ["magnesium", "alkalinity", "calcium", "gh"] as const satisfies readonly Parameter[];
export type Dosed = (typeof DOSED)[number];

/** What a firm doses with, as its register says. */
export interface DoseProduct {
  readonly id: string;
  readonly name: string;
  readonly raises: Dosed;
  /** What it is or was made of; null where nobody said. */
  readonly reagent: ReagentName | null;
  /** Of a powder: the part of it that is the reagent, above 0 to 1. */
  readonly purity: number;
  /** Of a liquid: litres that a millilitre raises by one; null for a powder. */
  readonly strengthLPerMl: number | null;
  /** The label's most a day, in the unit of what it raises; null where it says none. */
  readonly mostADay: number | null;
  /** Whether the owner is trusted with it between visits. */
  readonly ownerGives: boolean;
}

/** How a product is counted. */
export type DoseUnit = "g" | "mL";
export const unitOfProduct = ({ strengthLPerMl }: DoseProduct): DoseUnit => (strengthLPerMl === null ? "g" : "mL");

const TARGET: Readonly<Record<Dosed, ReagentTarget["of"]>> = {
  magnesium: "magnesium",
  alkalinity: "alkalinity",
  calcium: "calcium",
  gh: "hardness",
};

/**
 * What one gram or millilitre of a product raises so many litres by, in dKH, dGH or mg/L; null where it gives none of it.
 *
 * @throws {OutOfRangeError} for litres or a purity that cannot be.
 * @example
 * risePerUnit({ id: "", name: "", raises: "alkalinity", reagent: "sodium bicarbonate", purity: 1, strengthLPerMl: null, mostADay: null, ownerGives: false }, 100); // 0.33 dKH a gram
 */
export function risePerUnit(product: DoseProduct, litres: number): number | null {
  const { strengthLPerMl, reagent, raises, purity } = product;
  if (strengthLPerMl !== null) return strengthLPerMl / litres;
  return reagent === null ? null : riseOfDose(reagent, TARGET[raises], 1, litres, purity);
}

/** What a dose does to pH at once: bicarbonate lowers it, carbonate raises it; null where it does neither, or nobody knows. */
export function movesPh({ reagent, raises }: DoseProduct): "lowers" | "raises" | null {
  if (raises !== "alkalinity" || reagent === null) return null;
  return REAGENTS[reagent].name.includes("HCO3") ? "lowers" : "raises";
}

/** What a rise by a product brings along, mg/L; null where nobody said what it is made of. */
export function broughtBy({ reagent, raises }: DoseProduct, rise: number): IonsMgL | null {
  if (reagent === null || rise <= 0) return null;
  const of = TARGET[raises];
  const target: ReagentTarget =
    of === "alkalinity" ? { of, dkh: rise } : of === "hardness" ? { of, dgh: rise } : { of, mgL: rise };
  const dose = reagentDose(reagent, target, 1);
  return dose.ok ? dose.brings : null;
}

/** Powders that give some of what is raised. */
export const reagentsFor = (raises: Dosed): ReagentName[] =>
  (Object.keys(REAGENTS) as ReagentName[]).filter((name) => riseOfDose(name, TARGET[raises], 1, 100) !== null);
