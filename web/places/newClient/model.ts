import { addDays, isCivilDate, weekday } from "@keel-round/core/calendar";
import { FieldError, fieldOf, readField, readPlace, type Windows } from "@keel-round/core/desk";
import type { UnitPreference } from "@keel-round/core/units";

/** What is typed of a new client, as text. */
export interface Typed {
  readonly name: string;
  readonly contact: string;
  readonly email: string;
  readonly phone: string;
  readonly address: string;
  readonly place: string;
  readonly hours: string;
  readonly access: string;
  readonly tank: string;
  readonly water: string;
  readonly every: string;
  readonly day: string;
  readonly fromOn: string;
  readonly personId: string;
}

export const NOTHING_TYPED: Omit<Typed, "fromOn" | "personId"> = {
  ...{ name: "", contact: "", email: "", phone: "", address: "", place: "", hours: "", access: "" },
  ...{ tank: "", water: "tap", every: "2", day: "2" },
};

/** Each field that must not be empty, with what to enter. */
const NEEDED: Readonly<Partial<Record<keyof Typed, string>>> = {
  name: "Enter the client's name.",
  contact: "Enter who is written to.",
  email: "Enter an e-mail address, such as name@house.example.",
  address: "Enter the address.",
  tank: "Give it a name that the owner would use.",
  personId: "Choose who comes.",
};

/** What was read of it, or what is wrong with each field. */
export type Read =
  | {
      readonly problems: null;
      readonly place: { readonly lat: number; readonly lon: number };
      readonly windows: Record<string, { from: number; to: number }>;
      readonly visits: {
        readonly rhythm: { kind: "weeks"; every: number; weekdays: number[] };
        readonly fromOn: string;
        readonly personId: string;
      };
    }
  | { readonly problems: Readonly<Partial<Record<keyof Typed, string>>> };

/** Reads what was typed; the first visit is the first such weekday from the chosen day on. */
export function readTyped(typed: Typed, today: string, units: UnitPreference): Read {
  const problems: Partial<Record<keyof Typed, string>> = {};
  for (const [key, says] of Object.entries(NEEDED) as [keyof Typed, string][])
    if (typed[key].trim() === "") problems[key] = says;
  if (!problems.email && !/^\S+@\S+\.\S+$/.test(typed.email.trim()))
    problems.email = "Enter an e-mail address, such as name@house.example.";
  const place = readPlace(typed.place);
  if (!place) problems.place = "Enter latitude and longitude, such as 50.421, -4.702, or paste the link of a map.";
  const windows = hoursOf(typed.hours, units);
  if (typeof windows === "string") problems.hours = windows;
  const day = Number(typed.day);
  if (!isCivilDate(typed.fromOn) || typed.fromOn < today) problems.fromOn = "Enter today or a later day.";
  if (typeof windows !== "string" && !windows[typed.day])
    problems.day = "The site is closed on that day: choose another, or change its hours.";
  if (!place || typeof windows === "string" || Object.keys(problems).length > 0) return { problems };
  const fromOn = addDays(typed.fromOn, (day - weekday(typed.fromOn) + 7) % 7);
  return {
    problems: null,
    place,
    windows,
    visits: {
      rhythm: { kind: "weeks", every: Number(typed.every), weekdays: [day] },
      fromOn,
      personId: typed.personId,
    },
  };
}

function hoursOf(text: string, units: UnitPreference): Record<string, { from: number; to: number }> | string {
  const field = fieldOf("site", "windows");
  if (!field || text.trim() === "") return "Enter when they may be visited, such as Tue 8–10.";
  try {
    return { ...(readField(field, text, units) as Windows) } as Record<string, { from: number; to: number }>;
  } catch (error) {
    if (!(error instanceof FieldError)) throw error;
    return error.message;
  }
}
