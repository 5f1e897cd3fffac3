export { type BarrelLine, type Drawn, fromBarrels, fromStores, type ShelfLine, type Taken } from "./fromStores.ts";
export {
  type AmountLoad,
  type For,
  type LoadedVisit,
  type LoadList,
  loadList,
  type ThingLoad,
  type WaterLoad,
} from "./loadList.ts";
