export { catalogue, type FormulaId, type FormulaWords } from "./catalogue.ts";
export { type Quantity, q, type Range, rangeOf, type Worked, worked, Z95 } from "./worked.ts";
