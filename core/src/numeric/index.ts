export { median } from "./median.ts";
export { type Drawn, pointsOf } from "./points.ts";
export { polynomial } from "./polynomial.ts";
export { gaussian, type Random, seeded } from "./random.ts";
export { risingRoot } from "./risingRoot.ts";
