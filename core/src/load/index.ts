export {
  type AmountLoad,
  type For,
  type LoadedVisit,
  type LoadList,
  loadList,
  type ThingLoad,
  type WaterLoad,
} from "./loadList.ts";
