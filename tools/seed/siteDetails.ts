import type { Contact, site } from "@/data/schema";

type Details = Partial<
  Pick<
    typeof site.$inferInsert,
    "askFor" | "parking" | "stairs" | "pets" | "drainDistanceM" | "drainDropM" | "tapDistanceM" | "hotWater" | "floors"
  > & { readonly codes: string }
>;

/** What is known of getting in and of the water, at the ten sites of the stories and where else it matters. */
export const siteDetails: Readonly<Record<string, Details>> = {
  "Maritime College": {
    askFor: "the porter",
    parking: "slipway gate, one bay",
    drainDistanceM: 12,
    drainDropM: 1.4,
    tapDistanceM: 18,
    floors: "sealed concrete",
    codes: "Side gate 4471",
  },
  "Lanehead Clinic": {
    askFor: "reception",
    parking: "staff bay 6 before opening",
    drainDistanceM: 9,
    tapDistanceM: 9,
    floors: "carpet under the tank",
    codes: "Alarm 2086, thirty seconds",
  },
  "Town Museum": { askFor: "the keeper on duty", stairs: 14, drainDistanceM: 6, drainDropM: 3.1, floors: "oak boards" },
  "Ferry Street School": { askFor: "the caretaker", parking: "playground, not at break", drainDistanceM: 15 },
  "Ilves Dental": { askFor: "the practice nurse", stairs: 8, drainDistanceM: 20, floors: "vinyl, slippery when wet" },
  "Harrow & Pike": { askFor: "the front desk", stairs: 32, hotWater: false, floors: "wool carpet" },
  "Saltmarket Hotel": { askFor: "the duty manager", parking: "delivery yard", drainDistanceM: 25, drainDropM: 0.4 },
  "Kettle Diner": { askFor: "the kitchen", drainDistanceM: 5, floors: "tiles" },
  "Ormond house": {
    askFor: "whoever opens",
    pets: "two dogs; the grey one follows hoses",
    drainDistanceM: 8,
    hotWater: true,
    codes: "Key box 1957",
  },
  "Northgate School": { hotWater: false },
  "Seagrass Lab": {
    askFor: "the bench on call",
    parking: "gravel by the boat shed",
    drainDistanceM: 4,
    floors: "wet room",
  },
};

const person = (name: string, role: string, phone: string, email: string, letters: boolean): Contact => ({
  name,
  role,
  phone,
  email,
  letters,
});

/** People at a client beside the one who is written to first. */
export const contacts: Readonly<Record<string, readonly Contact[]>> = {
  "Saltmarket Hotel": [
    person("Wessel Dray", "night porter", "555 0190", "", false),
    person("Ottoline Marsh", "house engineer", "555 0191", "engineer@saltmarket-hotel.example", true),
  ],
  "Ilves Dental": [person("Nurse Halloran", "fills the top-up reservoir", "555 0177", "", false)],
};
