import { newId } from "@/data/database/ids";
import * as t from "@/data/schema";
import type { Rows } from "./rows.ts";

type Row<T extends { readonly $inferInsert: object }> = Partial<T["$inferInsert"]>;

/** What the firm doses with, in generic names. */
const PRODUCTS: readonly Row<typeof t.product>[] = [
  { name: "Buffer powder", raises: "alkalinity", reagent: "sodium bicarbonate", ownerGives: true, leftAmount: 850 },
  { name: "Calcium powder", raises: "calcium", reagent: "calcium chloride dihydrate", purityPercent: 98 },
  { name: "Magnesium powder", raises: "magnesium", reagent: "magnesium chloride hexahydrate", purityPercent: 98 },
  { name: "Magnesium solution", raises: "magnesium", strengthLPerMl: 100, mostADay: 20 },
  { name: "Hardness liquid", raises: "gh", strengthLPerMl: 40, mostADay: 2 },
];

/** What it measures with. A meter is due, a kit has expired, and a photometer was held against a reference twice. */
function kits(day: (offset: number) => string): Row<typeof t.kit>[] {
  const compared = (daysAgo: number, reference: number, read: number) => ({
    on: day(-daysAgo),
    parameter: "phosphate",
    reference,
    read,
  });
  return [
    { name: "Alkalinity drops", parameter: "alkalinity", method: "liquid kit", resolution: 0.3, openedOn: day(-60) },
    {
      ...{ name: "Ammonia drops", parameter: "ammonia", method: "liquid kit", lot: "C 2207" },
      ...{ openedOn: day(-420), expiresOn: day(-24), testsLeft: 9, countedOn: day(-30) },
    },
    {
      ...{ name: "Phosphate photometer", parameter: "phosphate", method: "photometer", resolution: 0.01 },
      ...{ comparisons: [compared(40, 0.1, 0.12), compared(12, 0.1, 0.13)], referenceHalfWidth: 0.005 },
    },
    {
      ...{ name: "pH meter", parameter: "ph", method: "meter", resolution: 0.01 },
      ...{ calibrateEveryDays: 30, calibratedOn: day(-47) },
    },
    {
      ...{ name: "Salinity meter", parameter: "salinity", method: "meter", resolution: 0.1 },
      ...{ calibrateEveryDays: 60, calibratedOn: day(-11) },
    },
  ];
}

/** What it treats with, in generic names. */
const REMEDIES: readonly Row<typeof t.remedy>[] = [
  {
    ...{ name: "Algae treatment B", group: "algae", per100L: 10, doses: 3, everyDays: 2, contactDays: 3 },
    ...{ changeShare: 0.4, followUpDays: 7, harms: ["shrimp", "snails", "corals", "anemones", "jellyfish"] },
    off: ["skimmer", "uv"],
  },
  {
    ...{ name: "Worm treatment C", group: "medication", per100L: 10, doses: 3, everyDays: 3, contactDays: 8 },
    ...{ changeShare: 0.3, followUpDays: 0, harms: ["corals", "anemones"] },
  },
  {
    ...{ name: "Peroxide, as a bath", group: "oxidiser", per100L: 25, labelPercent: 3, bottlePercent: 3 },
    ...{
      contactDays: 0,
      contactMinutes: 30,
      changeShare: 0.5,
      followUpDays: 3,
      harms: ["shrimp", "scaleless", "plants"],
    },
    off: ["uv", "skimmer"],
  },
  {
    ...{ name: "Three dark days", group: "method", per100L: null, contactDays: 3, followUpDays: 1, changeShare: 0.3 },
    ...{ harms: ["corals", "anemones", "plants"], carbonOut: false },
  },
  {
    ...{ name: "Copper remedy", group: "copper", per100L: 5, contactDays: 14, followUpDays: 7, changeShare: 0.5 },
    ...{ harms: ["shrimp", "snails", "corals", "anemones", "jellyfish", "scaleless"], off: ["uv", "skimmer"] },
  },
  {
    ...{ name: "Antibiotic", group: "medication", per100L: 2, unit: "g", contactDays: 5, followUpDays: 3 },
    prescription: true,
  },
];

/** The register of what is dosed and measured with, and the pump of the reef that doses magnesium. */
export function addRegister(
  rows: Rows,
  businessId: string,
  reefId: string | undefined,
  day: (offset: number) => string,
): void {
  for (const product of PRODUCTS) {
    const id = newId();
    const counted = product.leftAmount ? { leftOn: day(-9) } : {};
    rows.add(t.product, { id, businessId, name: "", raises: "alkalinity", purityPercent: 100, ...product, ...counted });
    if (product.name === "Magnesium solution" && reefId)
      rows.add(t.doser, {
        ...{ id: newId(), businessId, tankId: reefId, productId: id, name: "Magnesium pump" },
        ...{ setMlPerDay: 12, measuredMl: 4.7, scaleMl: 5, measuredOn: day(-90) },
        ...{ leftMl: 480, leftOn: day(-7) },
      });
  }
  for (const remedy of REMEDIES)
    rows.add(t.remedy, {
      ...{ id: newId(), businessId, name: "", group: "method", unit: "mL", doses: 1, everyDays: 1, contactDays: 7 },
      ...{ followUpDays: 3, harms: [], off: [] },
      ...remedy,
    });
  for (const kit of kits(day))
    rows.add(t.kit, {
      ...{ id: newId(), businessId, name: "", parameter: "ph", method: "", comparisons: [] },
      ...kit,
    });
}
