import type { VisitPlace } from "@keel-round/core/visit";
import type { client, site } from "../schema";

/** What somebody needs in front of the door: whom to ring, where to park, how many stairs. */
export function placeOf(at: typeof site.$inferSelect, of: typeof client.$inferSelect): VisitPlace {
  const { id, lat, lon, askFor, parking, stairs } = at;
  const phones = [{ name: of.contact, phone: of.phone }, ...of.contacts].flatMap(({ name, phone }) =>
    phone.trim() === "" ? [] : [{ who: name, phone: phone.trim() }],
  );
  return { siteId: id, lat, lon, askFor, parking, stairs, hasCodes: at.accessCodes !== null, phones };
}
