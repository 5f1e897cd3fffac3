export { type DaysLeft, daysLeft, type Need, type Ratio, usedToPlanned } from "./daysLeft.ts";
export { itemFinder, STORE_KINDS, STORE_UNITS, type StoreItem, type StoreKind, type StoreUnit } from "./item.ts";
export {
  type Counted,
  type Lot,
  lossPerDay,
  lotsOf,
  MOVE_KINDS,
  type MoveKind,
  placeKey,
  type Stock,
  type StoreMove,
  stockOf,
} from "./ledger.ts";
export { bySupplier, type OrderLine, orderOf } from "./order.ts";
export { fileFigure, sayAmount } from "./sayAmount.ts";
export {
  amountOf,
  comingUses,
  type DatedUse,
  type JobUse,
  LEAST_L,
  loggedUses,
  plannedUses,
  pouredUses,
  type TankNeeds,
  tankNeeds,
  type Use,
  usedUp,
} from "./uses.ts";
