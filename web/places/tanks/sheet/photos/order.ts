import { sayDay } from "@keel-round/core/calendar";
import { taskLibrary } from "@keel-round/core/programme";
import { byText } from "@keel-round/core/text";
import type { TankPhoto } from "@/data/photos/photos";

/** How pictures are put in order. */
export const ORDERS = ["month", "spot"] as const;
export type Order = (typeof ORDERS)[number];

/** Pictures that belong together. */
export interface PhotoGroup {
  readonly key: string;
  readonly title: string;
  /** The newest first. */
  readonly photos: readonly TankPhoto[];
}

/** What a picture shows, in words. */
export function spotName({ spot, spotId, of }: Pick<TankPhoto, "spot" | "spotId" | "of">): string {
  if (spot === "tank") return "The whole tank";
  if (of !== null) return spot === "animal" ? of : `“${of}”`;
  if (spot === "step") {
    const job = spotId in taskLibrary ? taskLibrary[spotId as keyof typeof taskLibrary] : null;
    return job ? job.name : "A step of a visit";
  }
  return spot === "animal" ? "Animals that are gone" : "Something that was noticed";
}

const monthOf = (onDate: string): string => onDate.slice(0, 7);

const monthName = (month: string): string =>
  new Intl.DateTimeFormat("en-GB", { month: "long", year: "numeric", timeZone: "UTC" }).format(
    new Date(`${month}-15T00:00:00Z`),
  );

/** Pictures by month, the newest first; or by what they show, the whole tank first. */
export function ordered(photos: readonly TankPhoto[], order: Order): PhotoGroup[] {
  const groups = new Map<string, TankPhoto[]>();
  for (const photo of photos) {
    const key = order === "month" ? monthOf(photo.onDate) : `${photo.spot} ${photo.spotId}`;
    groups.set(key, [...(groups.get(key) ?? []), photo]);
  }
  const named = [...groups].map(([key, of]): PhotoGroup => {
    const [first] = of;
    return { key, title: order === "month" || !first ? monthName(key) : spotName(first), photos: of };
  });
  if (order === "month") return named.sort((a, b) => byText(b.key, a.key));
  const rank = (g: PhotoGroup) => (g.photos[0]?.spot === "tank" ? 0 : 1);
  return named.sort((a, b) => rank(a) - rank(b) || byText(a.title, b.title));
}

/** The last picture of each month, the older first. */
export function strip(photos: readonly TankPhoto[]): TankPhoto[] {
  const last = new Map<string, TankPhoto>();
  for (const photo of photos) if (!last.has(monthOf(photo.onDate))) last.set(monthOf(photo.onDate), photo);
  return [...last.values()].reverse();
}

/** What tells one picture of a spot from another: its day, and its place among those of that day. */
export function whenTaken(photo: TankPhoto, photos: readonly TankPhoto[]): string {
  const same = photos.filter((p) => p.onDate === photo.onDate).reverse();
  const day = sayDay(photo.onDate);
  return same.length > 1 ? `${day}, ${same.findIndex((p) => p.id === photo.id) + 1} of ${same.length}` : day;
}
