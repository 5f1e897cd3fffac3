import { requireRange } from "../issues/index.ts";

/** Standard atomic masses, g/mol (IUPAC, as they are rounded in the trade's tables). */
export const ATOM = {
  H: 1.008,
  C: 12.011,
  N: 14.007,
  O: 15.999,
  Na: 22.99,
  Mg: 24.305,
  P: 30.974,
  S: 32.06,
  Cl: 35.45,
  K: 39.098,
  Ca: 40.078,
} as const;
type Element = keyof typeof ATOM;

/** Mass of a formula, g/mol. */
const massOf = (formula: Partial<Record<Element, number>>) =>
  (Object.entries(formula) as [Element, number][]).reduce((sum, [element, n]) => sum + n * ATOM[element], 0);

/** A salt that is weighed into water, by its formula with its water of crystallisation. */
interface Reagent {
  readonly name: string;
  readonly formula: Partial<Record<Element, number>>;
  /** Equivalents of alkalinity in a mole. */
  readonly equivalents?: number;
}

/** What is dosed by weight. */
export const REAGENTS = {
  "sodium bicarbonate": { name: "NaHCO3", formula: { Na: 1, H: 1, C: 1, O: 3 }, equivalents: 1 },
  "sodium carbonate": { name: "Na2CO3", formula: { Na: 2, C: 1, O: 3 }, equivalents: 2 },
  "potassium bicarbonate": { name: "KHCO3", formula: { K: 1, H: 1, C: 1, O: 3 }, equivalents: 1 },
  "calcium chloride dihydrate": { name: "CaCl2·2H2O", formula: { Ca: 1, Cl: 2, H: 4, O: 2 } },
  "calcium chloride, dry": { name: "CaCl2", formula: { Ca: 1, Cl: 2 } },
  "magnesium chloride hexahydrate": { name: "MgCl2·6H2O", formula: { Mg: 1, Cl: 2, H: 12, O: 6 } },
  "magnesium sulphate heptahydrate": { name: "MgSO4·7H2O", formula: { Mg: 1, S: 1, H: 14, O: 11 } },
  "calcium sulphate dihydrate": { name: "CaSO4·2H2O", formula: { Ca: 1, S: 1, H: 4, O: 6 } },
  "potassium sulphate": { name: "K2SO4", formula: { K: 2, S: 1, O: 4 } },
  "potassium chloride": { name: "KCl", formula: { K: 1, Cl: 1 } },
  "potassium nitrate": { name: "KNO3", formula: { K: 1, N: 1, O: 3 } },
  "potassium dihydrogen phosphate": { name: "KH2PO4", formula: { K: 1, H: 2, P: 1, O: 4 } },
  "sodium thiosulphate pentahydrate": { name: "Na2S2O3·5H2O", formula: { Na: 2, S: 2, H: 10, O: 8 } },
} as const satisfies Record<string, Reagent>;
export type ReagentName = keyof typeof REAGENTS;

/**
 * Molar mass of a reagent, g/mol.
 *
 * @example
 * molarMass("sodium bicarbonate"); // 84.01
 */
export function molarMass(name: ReagentName): number {
  return massOf(REAGENTS[name].formula);
}

/** 1 meq/L is so many dKH: a degree is 10 mg/L of CaO, 56.077 g/mol with two equivalents. */
const DKH_PER_MEQ = 56.077 / 2 / 10;
/** 1 dGH is 10 mg/L of CaO: this many mmol/L of calcium and magnesium together. */
const MMOL_PER_DGH = 10 / 56.077;

/** Ions that come with a dose, mg/L in the water it goes into. */
export type IonsMgL = Readonly<Partial<Record<"Na" | "K" | "Ca" | "Mg" | "Cl" | "SO4" | "NO3" | "PO4", number>>>;

/** A dose by weight, and everything that it brings. */
export interface ReagentDose {
  readonly grams: number;
  readonly brings: IonsMgL;
}

/** What is raised, and by how much: dKH of alkalinity, dGH of hardness, mg/L of an element or of an ion. */
export type ReagentTarget =
  | { readonly of: "alkalinity"; readonly dkh: number }
  | { readonly of: "hardness"; readonly dgh: number }
  | { readonly of: "calcium" | "magnesium" | "potassium" | "nitrate" | "phosphate"; readonly mgL: number };

/** Reagent that gives none of what is to be raised. */
export interface WrongReagent {
  readonly ok: false;
  readonly reason: "gives-none";
}

const NO3 = ATOM.N + 3 * ATOM.O;
const PO4 = ATOM.P + 4 * ATOM.O;
const SO4 = ATOM.S + 4 * ATOM.O;

/** Millimoles a litre that a target asks of a reagent, null where it gives none. */
function mmolPerL(name: ReagentName, target: ReagentTarget): number | null {
  const reagent: Reagent = REAGENTS[name];
  const of = (element: Element) => reagent.formula[element] ?? 0;
  const per = (n: number, mmol: number) => (n > 0 ? mmol / n : null);
  switch (target.of) {
    case "alkalinity":
      return per(reagent.equivalents ?? 0, target.dkh / DKH_PER_MEQ);
    case "hardness":
      return per(of("Ca") + of("Mg"), target.dgh * MMOL_PER_DGH);
    case "calcium":
      return per(of("Ca"), target.mgL / ATOM.Ca);
    case "magnesium":
      return per(of("Mg"), target.mgL / ATOM.Mg);
    case "potassium":
      return per(of("K"), target.mgL / ATOM.K);
    case "nitrate":
      return per(of("N"), target.mgL / NO3);
    case "phosphate":
      return per(of("P"), target.mgL / PO4);
  }
}

/**
 * Grams of a reagent for a rise in some litres, and the ions that come with it.
 *
 * By molar mass with the water of crystallisation; a spoon is no mass.
 *
 * @param litres Net litres of the water that is dosed.
 * @param purity Part of the powder that is the reagent, above 0 to 1.
 * @throws {OutOfRangeError} for litres or a purity that cannot be.
 * @example
 * reagentDose("sodium bicarbonate", { of: "alkalinity", dkh: 1 }, 100); // 3.00 g, 8.2 mg/L of sodium
 */
export function reagentDose(
  name: ReagentName,
  target: ReagentTarget,
  litres: number,
  purity = 1,
): ({ readonly ok: true } & ReagentDose) | WrongReagent {
  requireRange("litres", litres, 0.1, 1e6);
  requireRange("purity", purity, 0.01, 1);
  const mmol = mmolPerL(name, target);
  if (mmol === null) return { ok: false, reason: "gives-none" };
  const reagent: Reagent = REAGENTS[name];
  const of = (element: Element) => reagent.formula[element] ?? 0;
  const ions: Record<string, number> = {};
  for (const element of ["Na", "K", "Ca", "Mg", "Cl"] as const)
    if (of(element) > 0) ions[element] = mmol * of(element) * ATOM[element];
  // Thiosulphate is no sulphate: it is used up on chlorine.
  if (of("S") > 0 && name !== "sodium thiosulphate pentahydrate") ions.SO4 = mmol * of("S") * SO4;
  if (of("N") > 0) ions.NO3 = mmol * of("N") * NO3;
  if (of("P") > 0) ions.PO4 = mmol * of("P") * PO4;
  return { ok: true, grams: (mmol * molarMass(name) * litres) / 1000 / purity, brings: ions };
}

/**
 * How much some grams of a reagent raise some litres, in dKH, dGH or mg/L; null where it gives none.
 *
 * @throws {OutOfRangeError} as `reagentDose`.
 * @example
 * riseOfDose("sodium bicarbonate", "alkalinity", 3, 100); // 1.00 dKH
 */
export function riseOfDose(
  name: ReagentName,
  of: ReagentTarget["of"],
  grams: number,
  litres: number,
  purity = 1,
): number | null {
  requireRange("grams", grams, 0, 1e6);
  const one: ReagentTarget = of === "alkalinity" ? { of, dkh: 1 } : of === "hardness" ? { of, dgh: 1 } : { of, mgL: 1 };
  const dose = reagentDose(name, one, litres, purity);
  return dose.ok ? grams / dose.grams : null;
}

/**
 * Parts per thousand that balanced two-part dosing leaves behind, for each dKH dosed.
 *
 * Calcium chloride and sodium bicarbonate leave 58.44 mg of sodium chloride for a milliequivalent.
 * @example
 * twoPartResiduePpt(1); // 0.020
 */
export function twoPartResiduePpt(dosedDkh: number): number {
  return ((dosedDkh / DKH_PER_MEQ) * (ATOM.Na + ATOM.Cl)) / 1000 / SEA_KG_PER_L;
}
/** Density of sea water at 35 and 25 °C, kg/L (EOS-80). */
const SEA_KG_PER_L = 1.02334;

/**
 * Calcium that calcification takes with a dKH of alkalinity, mg/L: one for two equivalents.
 *
 * @example
 * calciumPerDkh(); // 7.15
 */
export function calciumPerDkh(): number {
  return ATOM.Ca / 2 / DKH_PER_MEQ;
}
