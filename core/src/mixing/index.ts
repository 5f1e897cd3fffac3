export { type Barrel, type BarrelFix, fixBarrel } from "./barrel.ts";
export { type Blend, blendSalts, type SaltChoice, type SaltTarget } from "./blend.ts";
export { type Purifier, type PurifierRun, purifierLPerDay, purifierRun } from "./purifier.ts";
export {
  calciumPerDkh,
  DKH_PER_MEQ,
  type IonsMgL,
  molarMass,
  nitrogenMgPerMgChloramine,
  REAGENTS,
  type ReagentDose,
  type ReagentName,
  type ReagentTarget,
  reagentDose,
  thiosulphateMgPerMgChlorine,
  twoPartResiduePpt,
  type WrongReagent,
} from "./reagent.ts";
