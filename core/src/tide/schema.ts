import { constituents } from "@neaps/tide-predictor";
import { z } from "zod";

/** How the phases of a station's file are meant. */
const PHASES = ["plain", "equilibrium", "nodal"] as const;

/** Parts that every tide is made of: without one of them a prediction may be hours or a metre off. */
const MAIN = ["M2", "S2", "N2", "K1", "O1"] as const;

/** A tide station as an open file describes it: heights in metres above its datum, phases in degrees. */
const TideStationSchema = z
  .object({
    name: z.string().min(1, "Enter the station's name."),
    lat: z.number().min(-90).max(90),
    lon: z.number().min(-180).max(180),
    /** What heights are counted from. */
    datum: z.string().min(1, "Enter the datum that heights are counted from."),
    /** Mean level above the datum, m. */
    z0M: z.number().min(-20).max(20),
    /**
     * `plain`: a phase counts from the file's own moment; `equilibrium`: from the equilibrium argument; `nodal`: as
     * that, and the amplitudes are of the mean of 18.6 years.
     */
    phases: z.enum(PHASES),
    /** Of plain phases: the moment they count from, UTC. */
    epoch: z.iso.datetime().optional(),
    constituents: z
      .array(
        z.object({
          name: z.string().min(1),
          /** Half of its range, m. */
          amplitudeM: z.number().min(0).max(10),
          phaseDeg: z.number().min(-360).max(720),
        }),
      )
      .min(1, "Enter at least one constituent."),
  })
  .superRefine((station, context) => {
    const say = (path: (string | number)[], message: string) => context.addIssue({ code: "custom", path, message });
    if (station.phases === "plain" && station.epoch === undefined)
      say(["epoch"], "Enter the moment that plain phases count from, as 2026-01-01T00:00:00Z.");
    const seen = new Set<string>();
    station.constituents.forEach(({ name }, i) => {
      if (!constituents[name]) say(["constituents", i, "name"], `No tidal constituent is called ${name}.`);
      else if (seen.has(name)) say(["constituents", i, "name"], `${name} is there twice.`);
      seen.add(name);
    });
    const lacks = MAIN.filter((name) => !seen.has(name));
    if (lacks.length > 0)
      say(["constituents"], `The file lacks ${lacks.join(", ")}: without it high water would be told wrong.`);
  });

export type TideStation = z.infer<typeof TideStationSchema>;

/** A station's file that was read, or what is wrong with it in one sentence. */
export type ReadStation =
  | { readonly station: TideStation; readonly problem: null }
  | { readonly station: null; readonly problem: string };

/** Reads a station's file, JSON text. */
export function readStation(text: string): ReadStation {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return { station: null, problem: "This is no JSON file. Paste the whole text of the station's file." };
  }
  const read = TideStationSchema.safeParse(data);
  if (read.success) return { station: read.data, problem: null };
  const [first] = read.error.issues;
  const where = first && first.path.length > 0 ? `${first.path.join(".")}: ` : "";
  return { station: null, problem: `${where}${first?.message ?? "The file cannot be read."}` };
}
