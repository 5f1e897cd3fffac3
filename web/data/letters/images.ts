import type { LetterContent } from "@keel-round/core/letter";
import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import { db } from "../database/connection";
import { reencode } from "../photos/reencode";
import { photoStore } from "../photos/store";
import { business, photo, tank, visit } from "../schema";

/** A picture that may be shown in a letter. */
export interface LetterPicture {
  readonly id: string;
  readonly on: string;
  readonly tank: string;
  readonly note: string;
}

const MOST_OFFERED = 12;

/** Pictures of the tanks of a stop, the newest first. */
export async function picturesFor(businessId: string, stopId: string | null): Promise<LetterPicture[]> {
  if (!stopId) return [];
  const tanks = db()
    .select({ id: visit.tankId })
    .from(visit)
    .where(and(eq(visit.businessId, businessId), eq(visit.stopId, stopId)));
  return db()
    .select({ id: photo.id, on: photo.onDate, tank: tank.name, note: photo.note })
    .from(photo)
    .innerJoin(tank, and(eq(tank.businessId, photo.businessId), eq(tank.id, photo.tankId)))
    .where(and(eq(photo.businessId, businessId), inArray(photo.tankId, tanks), isNull(photo.archivedAt)))
    .orderBy(desc(photo.onDate), desc(photo.at), desc(photo.id))
    .limit(MOST_OFFERED);
}

/** The images of a letter or a report, as data addresses: what is sent holds all that it shows. */
export interface PaperImages {
  /** Null of a firm without one. */
  readonly mark: string | null;
  /** By id; one whose file is gone is not shown. */
  readonly photos: Readonly<Record<string, string>>;
}

/** A letter shows its pictures half as wide as its page. */
const SIDE = 900;
const QUALITY = 76;

/** The images that a letter shows. */
export async function paperImages(
  businessId: string,
  { photos = [] }: Pick<LetterContent, "photos"> = {},
): Promise<PaperImages> {
  const files = await Promise.all(
    photos.map(async ({ photoId }) => {
      const bytes = await photoStore().get(businessId, photoId);
      if (!bytes) return [];
      const small = await reencode(bytes, { side: SIDE, quality: QUALITY });
      return [[photoId, `data:image/jpeg;base64,${small.bytes.toString("base64")}`] as const];
    }),
  );
  return { mark: await firmMark(businessId), photos: Object.fromEntries(files.flat()) };
}

/** The firm's mark as a data address. */
export async function firmMark(businessId: string): Promise<string | null> {
  const [row] = await db().select({ mark: business.mark }).from(business).where(eq(business.id, businessId));
  return row?.mark ? `data:image/png;base64,${row.mark.toString("base64")}` : null;
}
