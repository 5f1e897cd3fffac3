export { type CountEvent, dwindling } from "./dwindling.ts";
export { lastsDays } from "./reservoir.ts";
export { type EquipmentLife, type Wear, wearOf } from "./wear.ts";
