import { z } from "zod";

const position = z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]).rest(z.number());
const line = z.array(position).min(2).max(20_000);

const geometry = z.discriminatedUnion("type", [
  z.object({ type: z.literal("LineString"), coordinates: line }),
  z.object({ type: z.literal("MultiLineString"), coordinates: z.array(line) }),
  z.object({ type: z.literal("Polygon"), coordinates: z.array(line) }),
  z.object({ type: z.literal("MultiPolygon"), coordinates: z.array(z.array(line)) }),
]);

/** What a line or an area of a firm's map is drawn as. */
const KINDS = ["water", "road", "other"] as const;

/** A firm's own map: lines and areas, GeoJSON (RFC 7946), longitude before latitude. */
const AreaMapSchema = z.object({
  type: z.literal("FeatureCollection"),
  features: z
    .array(
      z.object({
        type: z.literal("Feature"),
        geometry,
        properties: z
          .object({ kind: z.enum(KINDS).catch("other"), name: z.string().max(120).optional() })
          .catch({ kind: "other" as const })
          .default({ kind: "other" as const }),
      }),
    )
    .min(1)
    .max(5000),
});

export type AreaMap = z.infer<typeof AreaMapSchema>;

/** Reads a map's file, or says in one sentence what is wrong with it. */
export function readAreaMap(
  text: string,
): { readonly map: AreaMap; readonly problem: null } | { readonly map: null; readonly problem: string } {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return { map: null, problem: "This is no GeoJSON file. Choose a file that ends in .geojson." };
  }
  const read = AreaMapSchema.safeParse(data);
  if (read.success) return { map: read.data, problem: null };
  const where = read.error.issues[0]?.path.join(".") ?? "";
  return {
    map: null,
    problem: `The file is no collection of lines and areas in longitude and latitude${where ? `: look at ${where}` : ""}.`,
  };
}
