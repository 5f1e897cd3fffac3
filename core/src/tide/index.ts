export { type Extreme, extremesOf, type Level, levelOf } from "./level.ts";
export { type Asks, lightOn, TIDE_STEP_MINUTES, type TideDay, type TideWindow, tideOn } from "./windows.ts";
