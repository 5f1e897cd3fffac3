export { judgeLot, NOTICES, type SeaLimits, type SeaLot, type SeaVerdict } from "./lot.ts";
