import { civilOf, clockText } from "@keel-round/core/calendar";
import { inSentence } from "@keel-round/core/text";
import { guardText } from "@keel-round/core/transfer";
import { enteredText, litresText, type Parameter, quantityText, readingLabel } from "@keel-round/core/units";
import { stringify } from "csv-stringify/sync";
import { and, asc, eq, gte, inArray, lte } from "drizzle-orm";
import { z } from "zod";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import { toldJobs } from "../library/toldJobs";
import { dose, finding, levelLog, person, reading, site, stepLog, stop, tank, visit, waterChange } from "../schema";

/** Which log is asked for: of a site, from one day to another. */
export const SiteLogSchema = z
  .object({
    site: z.uuid("Choose a site."),
    from: z.iso.date("Enter a first day that exists."),
    to: z.iso.date("Enter a last day that exists."),
  })
  .refine((asked) => asked.from <= asked.to, {
    path: ["to"],
    message: "Enter a last day that is not before the first.",
  });

/** A closed visit of one tank, as a site keeps it. */
export interface LoggedVisit {
  readonly id: string;
  readonly on: string;
  readonly tank: string;
  readonly by: string;
  /** "09:31 to 10:16"; empty where no log says so. */
  readonly time: string;
  readonly readings: readonly string[];
  /** What was changed, topped up and dosed. */
  readonly water: readonly string[];
  readonly done: readonly string[];
  /** Jobs that were left out, with the reason. */
  readonly left: readonly string[];
  readonly found: readonly string[];
}

/** The log of a site over some days, the earlier first. */
export interface SiteLog {
  readonly siteName: string;
  readonly from: string;
  readonly to: string;
  readonly visits: readonly LoggedVisit[];
}

/** A year of a site with nine tanks and some more. */
const MOST_VISITS = 2000;

/** What was read, changed and done at a site, each visit of each tank a line. */
export async function siteLog(
  scope: Scope,
  { site: siteId, from, to }: z.infer<typeof SiteLogSchema>,
): Promise<SiteLog> {
  const [place] = await db()
    .select({ name: site.name })
    .from(site)
    .where(
      and(
        ...[eq(site.businessId, scope.businessId), eq(site.id, siteId)],
        inSight(site.clientId, await clientsInSight(scope)),
      ),
    );
  if (!place) throw notFound("site");
  const visits = await db()
    .select({
      ...{ id: visit.id, on: visit.onDate, tank: tank.name, by: person.name },
      ...{ startedAt: visit.startedAt, closedAt: visit.closedAt },
    })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
    .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .where(
      and(
        ...[eq(visit.businessId, scope.businessId), eq(stop.siteId, siteId), eq(visit.state, "closed")],
        ...[gte(visit.onDate, from), lte(visit.onDate, to)],
      ),
    )
    .orderBy(asc(visit.onDate), asc(tank.name), asc(visit.id))
    .limit(MOST_VISITS);
  const parts = await partsOf(
    scope,
    visits.map((v) => v.id),
  );
  const minute = (at: Date) => clockText(civilOf(at.getTime(), scope.zone).minute);
  return {
    ...{ siteName: place.name, from, to },
    visits: visits.map(({ startedAt, closedAt, ...v }) => ({
      ...v,
      time: startedAt && closedAt ? `${minute(startedAt)} to ${minute(closedAt)}` : "",
      ...parts(v.id),
    })),
  };
}

type Parts = Pick<LoggedVisit, "readings" | "water" | "done" | "left" | "found">;

/** Everything that some visits logged, by the visit. */
async function partsOf(scope: Scope, visitIds: readonly string[]): Promise<(visitId: string) => Parts> {
  if (visitIds.length === 0) return () => ({ readings: [], water: [], done: [], left: [], found: [] });
  const of = <
    T extends typeof reading | typeof waterChange | typeof dose | typeof stepLog | typeof finding | typeof levelLog,
  >(
    t: T,
  ) => and(eq(t.businessId, scope.businessId), inArray(t.visitId, [...visitIds]));
  const q = db();
  const [readings, changes, doses, steps, findings, levels, jobOf] = await Promise.all([
    q.select().from(reading).where(of(reading)).orderBy(asc(reading.takenAt), asc(reading.id)),
    q.select().from(waterChange).where(of(waterChange)),
    q.select().from(dose).where(of(dose)).orderBy(asc(dose.parameter)),
    q.select().from(stepLog).where(of(stepLog)).orderBy(asc(stepLog.step)),
    q.select().from(finding).where(of(finding)).orderBy(asc(finding.seenAt), asc(finding.id)),
    q.select().from(levelLog).where(of(levelLog)),
    toldJobs(scope.businessId),
  ]);
  const by = <R extends { readonly visitId: string | null }>(rows: readonly R[]) =>
    groupBy(rows, (r) => r.visitId ?? "");
  const [read, changed, dosed, worked, found, level] = [
    ...[by(readings), by(changes), by(doses), by(steps), by(findings), by(levels)],
  ] as const;
  const { units } = scope;
  return (id) => ({
    readings: (read.get(id) ?? []).map((r) => {
      const parameter = r.parameter as Parameter;
      return `${readingLabel(parameter, r.item)} ${enteredText({ parameter, text: r.entered, unit: r.unit }, units)}`;
    }),
    water: [
      ...(level.get(id) ?? []).map((l) => `stood ${quantityText(l.belowCm, "cm", units)} below its mark`),
      ...(changed.get(id) ?? []).flatMap((c) => [
        ...(c.outL > 0 ? [`changed ${litresText(c.outL, units)}`] : []),
        ...(c.topUpL ? [`topped up ${litresText(c.topUpL, units)}`] : []),
      ]),
      ...(dosed.get(id) ?? []).map((d) => `${Number(d.amount.toFixed(2))} ${d.unit} of ${d.product}`),
    ],
    done: (worked.get(id) ?? []).flatMap((s) => {
      const job = s.outcome === "done" ? jobOf(s.step) : null;
      return job && !job.isTest ? [job.told ?? inSentence(job.name)] : [];
    }),
    left: (worked.get(id) ?? []).flatMap((s) => {
      const job = s.outcome === "skipped" ? jobOf(s.step) : null;
      return job ? [`${inSentence(job.name)}${s.reason ? `: ${s.reason}` : ""}`] : [];
    }),
    found: (found.get(id) ?? []).map((f) => `${f.text}${f.state === "fixed" ? " (fixed)" : ""}`),
  });
}

const HEADINGS = ["Day", "Time", "Tank", "By", "Measured", "Water", "Done", "Left out", "Found"];

/** The log of a site as a CSV file; texts are guarded so that no spreadsheet computes them. */
export function siteLogCsv({ visits }: SiteLog): string {
  const rows = visits.map((v) => [
    ...[v.on, v.time, v.tank, v.by],
    ...[v.readings, v.water, v.done, v.left, v.found].map((part) => part.join("; ")),
  ]);
  // The mark tells spreadsheets that this is UTF-8.
  return `\ufeff${stringify([HEADINGS, ...rows.map((r) => r.map(guardText))])}`;
}
