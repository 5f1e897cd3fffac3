export { type Barrel, type BarrelFix, fixBarrel } from "./barrel.ts";
export { type BarrelContents, type BatchState, batchState, NEAR_PSU, type SaltAge } from "./batch.ts";
export { type Blend, blendSalts, type SaltChoice, type SaltTarget } from "./blend.ts";
export { ammoniaFreedMgL, THIOSULPHATE_MG_PER_MG, thiosulphateGrams } from "./dechlorinate.ts";
export { containerLasts, type DoserAsked, type DoserPlan, doserPlan } from "./doser.ts";
export { hardnessDgh } from "./hardness.ts";
export {
  broughtBy,
  DOSED,
  type Dosed,
  type DoseProduct,
  type DoseUnit,
  movesPh,
  reagentsFor,
  risePerUnit,
  unitOfProduct,
} from "./product.ts";
export { type Purifier, type PurifierRun, purifierLPerDay, purifierRun } from "./purifier.ts";
export { planRaise, type RaiseAsked, type RaisePlan } from "./raise.ts";
export {
  calciumPerDkh,
  type IonsMgL,
  molarMass,
  REAGENTS,
  type ReagentDose,
  type ReagentName,
  type ReagentTarget,
  reagentDose,
  riseOfDose,
  twoPartResiduePpt,
  type WrongReagent,
} from "./reagent.ts";
export { type Remineral, type Remineralised, remineralise, type Weighed } from "./remineralise.ts";
export {
  type Demand,
  type Hands,
  ifLate,
  MIXING_STEPS,
  type MixingSchedule,
  type MixingStep,
  type Slot,
  scheduleMixing,
} from "./schedule.ts";
