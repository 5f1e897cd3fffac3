export { type CleanMedia, cleanMediaLasts, MEDIA_DAYS } from "./cleanMedia.ts";
export { type CountEvent, dwindling } from "./dwindling.ts";
export { type Meter, type MeterReading, metersOf, mostHours, withMeter } from "./meter.ts";
export { lastsDays } from "./reservoir.ts";
export { type EquipmentLife, type Wear, wearOf } from "./wear.ts";
