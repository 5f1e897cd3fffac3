import { z } from "zod";

const NUMBER = String.raw`[-+]?\d{1,3}(?:\.\d+)?`;
const PLACE = new RegExp(String.raw`^\s*(${NUMBER})\s*[,;\s]\s*(${NUMBER})\s*$`);

const required = (max: number, what: string) => z.string().trim().min(1, what).max(max, `At most ${max} characters.`);

/** A password that somebody sets. */
export const PasswordSchema = z
  .string()
  .min(10, "Enter at least 10 characters.")
  .max(128, "Enter at most 128 characters.");

/** What a business is begun with: its own facts and the login of who begins it. */
export const BeginSchema = z.object({
  name: required(120, "Say what the business is called."),
  zone: z.string().refine((zone) => Intl.supportedValuesOf("timeZone").includes(zone) || zone === "UTC", {
    error: "Choose a time zone.",
  }),
  phone: z.string().trim().max(40, "At most 40 characters."),
  mailFrom: z.email("Enter an e-mail address, such as letters@firm.example."),
  /** Latitude and longitude in degrees, as typed. */
  start: z.string().refine((text) => readPlace(text) !== null, {
    error: "Enter latitude and longitude, such as 50.421, -4.702, or paste the link of a map.",
  }),
  person: required(120, "Enter your name."),
  email: z.email("Enter an e-mail address, such as name@firm.example."),
  password: PasswordSchema,
});
export type Begin = z.infer<typeof BeginSchema>;

/** Two numbers somewhere in the address of a map: after "@", "geo:", a query such as "q=" or "mlat=", or as "#map=17/50.42/-4.70". */
const IN_A_LINK: readonly RegExp[] = [
  new RegExp(
    String.raw`(?:@|geo:|[?&](?:q|ll|center|query|daddr|destination|loc)=(?:loc:)?)(${NUMBER})(?:,|%2C)\s*(${NUMBER})`,
    "i",
  ),
  new RegExp(`[?&]m?lat=(${NUMBER})&m?lon=(${NUMBER})`, "i"),
  new RegExp(String.raw`#map=[\d.]+/(${NUMBER})/(${NUMBER})`, "i"),
];

/**
 * Latitude and longitude in degrees out of one line: "50.421, -4.702", or the address of a map that was pasted.
 *
 * @returns null for anything else and for a place that is not on the globe.
 */
export function readPlace(text: string): { lat: number; lon: number } | null {
  const plain = text.replaceAll("−", "-");
  const found = [PLACE, ...IN_A_LINK].map((pattern) => pattern.exec(plain)).find(Boolean);
  if (!found) return null;
  const [lat, lon] = [Number(found[1]), Number(found[2])];
  return Math.abs(lat) <= 90 && Math.abs(lon) <= 180 ? { lat, lon } : null;
}
