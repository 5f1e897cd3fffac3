import type { SwitchGear } from "@keel-round/core/tank";
import type { equipment } from "@/data/schema";

type Piece = Omit<typeof equipment.$inferInsert, "id" | "businessId" | "tankId" | "installedOn" | "lastServicedOn"> & {
  readonly installedDaysAgo: number;
  readonly servicedDaysAgo?: number;
};

/** What hangs on a tank for each thing that is switched off, with the rules of its life (general practice). */
const usual: Readonly<Partial<Record<SwitchGear, Piece>>> = {
  heater: {
    name: "Heater",
    kind: "heater",
    watts: 200,
    hoursPerDay: 8,
    replaceAfterDays: 900,
    installedDaysAgo: 540,
  },
  chiller: {
    name: "Chiller",
    kind: "chiller",
    watts: 350,
    hoursPerDay: 6,
    serviceEveryDays: 182,
    servicedDaysAgo: 120,
    installedDaysAgo: 1400,
  },
  return: {
    name: "Return pump",
    kind: "return-pump",
    watts: 45,
    hoursPerDay: 24,
    serviceEveryDays: 91,
    servicedDaysAgo: 60,
    replaceAfterDays: 1800,
    installedDaysAgo: 800,
  },
  "wave-maker": {
    name: "Wave-maker",
    kind: "wave-maker",
    watts: 18,
    hoursPerDay: 24,
    serviceEveryDays: 122,
    servicedDaysAgo: 85,
    installedDaysAgo: 620,
  },
  filter: {
    name: "Filter",
    kind: "filter",
    watts: 12,
    hoursPerDay: 24,
    serviceEveryDays: 182,
    servicedDaysAgo: 70,
    installedDaysAgo: 1100,
  },
  skimmer: {
    name: "Protein skimmer",
    kind: "skimmer",
    watts: 25,
    hoursPerDay: 24,
    serviceEveryDays: 91,
    servicedDaysAgo: 40,
    installedDaysAgo: 900,
  },
  uv: { name: "UV lamp", kind: "uv", watts: 18, hoursPerDay: 24, replaceAfterHours: 8000, installedDaysAgo: 320 },
  dosing: {
    name: "Dosing pump",
    kind: "doser",
    hoursPerDay: 0.2,
    serviceEveryDays: 365,
    servicedDaysAgo: 200,
    installedDaysAgo: 700,
  },
  "top-up": {
    name: "Top-up sensor",
    kind: "top-up",
    serviceEveryDays: 14,
    servicedDaysAgo: 7,
    installedDaysAgo: 500,
  },
  co2: { name: "CO2 cylinder", kind: "co2", serviceEveryDays: 182, servicedDaysAgo: 150, installedDaysAgo: 400 },
};

/** What differs in the stories: a new heater after the winter, a soak that slipped, lamps near their hours. */
const own: Readonly<Record<string, readonly Partial<Piece>[]>> = {
  "Ormond house": [{ kind: "heater", installedDaysAgo: 300, notes: "Replaced after the old one failed in the cold." }],
  "Saltmarket Hotel": [{ kind: "return-pump", servicedDaysAgo: 214, notes: "Lost flow; the soak was put off twice." }],
  "Ilves Dental": [{ kind: "heater", installedDaysAgo: 945, replaceAfterDays: 975 }],
  // Its lamp has run its hours.
  "Town Museum": [{ kind: "uv", installedDaysAgo: 340 }],
  "Gallery Nine": [{ kind: "light", name: "Light, new", installedDaysAgo: 3, notes: "The old one had faded." }],
  "Maritime College": [{ kind: "chiller", servicedDaysAgo: 175, notes: "Weak in August." }],
};

const lamp: Piece = {
  name: "Light",
  kind: "light",
  watts: 90,
  hoursPerDay: 9,
  replaceAfterHours: 50_000,
  installedDaysAgo: 760,
};

/** The equipment of a demo tank. */
export function equipmentOf(site: string, gear: readonly SwitchGear[]): Piece[] {
  return [lamp, ...gear.flatMap((g) => usual[g] ?? [])].map((piece) => ({
    ...piece,
    ...own[site]?.find((o) => o.kind === piece.kind),
  }));
}
