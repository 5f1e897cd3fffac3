import { quantityText, type UnitPreference } from "../units/index.ts";

/** A number with a unit that everything is kept in, as sentences write it. */
const KEPT = /(\d[\d\u202f]*(?:\.\d+)?)[\s\u00a0](L\/min|L|cm|m|kg|°C|ppt|dKH)(?![\p{L}/])/gu;

/** A sentence that was kept in the units of keeping, in a person's own. */
export const retold = (text: string, units: UnitPreference): string =>
  text.replace(KEPT, (_, figure: string, unit: string) =>
    quantityText(Number(figure.replaceAll("\u202f", "")), unit, units),
  );
