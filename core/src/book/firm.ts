import { z } from "zod";
import { readPlace } from "./begin.ts";

const figure = (low: number, high: number) =>
  z.coerce
    .number(`A number from ${low} to ${high}.`)
    .min(low, `From ${low} to ${high}.`)
    .max(high, `From ${low} to ${high}.`);
const needed = (what: string) => z.string().trim().min(1, what).max(120, "At most 120 characters.");

/** What a firm says of itself, and the most that a day may change in a tank. Limits in canonical units. */
export const FirmSchema = z.object({
  name: needed("Say what the business is called."),
  phone: z.string().trim().max(40, "At most 40 characters."),
  mailFrom: z.email("Enter an e-mail address, such as letters@firm.example."),
  /** Latitude and longitude in degrees, as typed. */
  start: z.string().refine((text) => readPlace(text) !== null, {
    error: "Two numbers, latitude from −90 to 90 and longitude from −180 to 180, such as 50.421, -4.702.",
  }),
  roadFactor: figure(1, 3),
  speedKmH: figure(3, 120),
  alkalinityDkh: figure(0.1, 5),
  salinityUpPpt: figure(0.1, 10),
  salinityDownPpt: figure(0.1, 10),
  salinityDownInvertebratesPpt: figure(0.1, 10),
  salinityApartPpt: figure(0.5, 20),
  strongestPpt: figure(5, 42),
  temperatureC: figure(0.1, 5),
  temperatureTenderC: figure(0.1, 5),
  ghDgh: figure(0.1, 10),
  freeAmmoniaMgL: figure(0.001, 0.5),
  calciumMgL: figure(1, 500),
  magnesiumMgL: figure(1, 1000),
  ph: figure(0.05, 2),
});
export type Firm = z.infer<typeof FirmSchema>;
export type FirmField = keyof Firm;

/** What each field is called, with its unit and its part of the form. */
export const FIRM_FIELDS: Readonly<
  Record<FirmField, { readonly label: string; readonly unit: string; readonly part: "firm" | "roads" | "limits" }>
> = {
  name: { label: "Business", unit: "", part: "firm" },
  phone: { label: "Telephone", unit: "", part: "firm" },
  mailFrom: { label: "Letters come from", unit: "", part: "firm" },
  start: { label: "Rounds start at", unit: "latitude, longitude", part: "roads" },
  roadFactor: { label: "Roads are longer than the straight line by", unit: "times", part: "roads" },
  speedKmH: { label: "Speed on the round", unit: "km/h", part: "roads" },
  alkalinityDkh: { label: "Alkalinity, corals", unit: "dKH", part: "limits" },
  calciumMgL: { label: "Calcium, corals", unit: "mg/L", part: "limits" },
  magnesiumMgL: { label: "Magnesium, corals", unit: "mg/L", part: "limits" },
  ghDgh: { label: "GH, shrimp", unit: "dGH", part: "limits" },
  salinityUpPpt: { label: "Salinity, up", unit: "ppt", part: "limits" },
  salinityDownPpt: { label: "Salinity, down, fish", unit: "ppt", part: "limits" },
  salinityDownInvertebratesPpt: { label: "Salinity, down, invertebrates", unit: "ppt", part: "limits" },
  salinityApartPpt: { label: "New water apart from the tank's salinity", unit: "ppt", part: "limits" },
  strongestPpt: { label: "Strongest new water", unit: "ppt", part: "limits" },
  temperatureC: { label: "Temperature of the tank, fish", unit: "K", part: "limits" },
  temperatureTenderC: { label: "Temperature of the tank, corals, jellyfish, shrimp", unit: "K", part: "limits" },
  ph: { label: "pH, which only warns", unit: "", part: "limits" },
  freeAmmoniaMgL: { label: "Free ammonia after a change", unit: "mg/L", part: "limits" },
};
