import { type OpenDays, openDays } from "@keel-round/core/series";
import { eq } from "drizzle-orm";
import { business, type site } from "../schema";
import type { Queries } from "./transaction";

/** What says when a site may be entered. */
export type SiteHours = Pick<typeof site.$inferSelect, "windows" | "dates" | "busy" | "holidays">;

/** The dates of a firm's public holidays. */
export async function firmHolidays(q: Queries, businessId: string): Promise<string[]> {
  const [firm] = await q.select({ holidays: business.holidays }).from(business).where(eq(business.id, businessId));
  return (firm?.holidays ?? []).map((h) => h.on);
}

/** When a site may be entered, with the firm's public holidays where it is closed on them. */
export const siteOpenDays = ({ windows, dates, busy, holidays }: SiteHours, ofFirm: readonly string[]): OpenDays =>
  openDays(windows, dates, holidays ? ofFirm : [], busy);
