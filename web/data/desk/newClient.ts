import { RhythmSchema } from "@keel-round/core/series/schema";
import { z } from "zod";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { saveSeriesIn } from "../series/change";
import { QuickStartSchema, startTankIn } from "./newTank";
import { checkedValues, insertRecord } from "./records";

const text = (most: number, needed: string) =>
  z.string().trim().min(1, needed).max(most, `Enter at most ${most} characters.`);
const hours = z.object({ from: z.number().int(), to: z.number().int() });

/** A client with a site, a tank and recurring visits, as one form asks for them. */
export const NewClientSchema = z.object({
  client: z.object({
    name: text(120, "Enter the client's name."),
    contact: text(120, "Enter who is written to."),
    email: z.email("Enter an e-mail address, such as name@house.example."),
    phone: z.string().trim().max(40, "Enter at most 40 characters."),
  }),
  site: z.object({
    address: text(190, "Enter the address."),
    lat: z.number("Enter latitude and longitude, such as 50.421, -4.702.").min(-90).max(90),
    lon: z.number("Enter latitude and longitude, such as 50.421, -4.702.").min(-180).max(180),
    windows: z.record(z.string(), hours).refine((w) => Object.keys(w).length > 0, "Enter at least one day with hours."),
    access: z.string().trim().max(2000, "Enter at most 2000 characters."),
  }),
  tank: QuickStartSchema.omit({ siteId: true }),
  visits: z.object({
    rhythm: RhythmSchema,
    fromOn: z.iso.date("Enter the first day."),
    personId: z.uuid("Choose who comes."),
  }),
});

/** What was made of it. */
export interface NewClient {
  readonly clientId: string;
  readonly siteId: string;
  readonly tankId: string;
  /** Undoes the recurring visits. */
  readonly changeId: string;
}

/**
 * Makes a client with their site, their tank and its recurring visits: all of it or nothing.
 *
 * @throws a refusal with what is wrong beside each field, as each of the parts would by itself.
 */
export async function makeClient(
  scope: Scope,
  { client, site, tank, visits }: z.infer<typeof NewClientSchema>,
  when: When,
): Promise<NewClient> {
  if (scope.role !== "office") throw notFound("page");
  const clientValues = checkedValues("client", { ...client, lettersBy: "mail-pdf" });
  return inTransaction(async (tx) => {
    const batchId = newId();
    const clientId = await insertRecord(tx, scope, "client", clientValues, {}, when, batchId);
    const place = checkedValues("site", {
      ...{ name: client.name, clientId, ...site },
      ...{ drain: "sewer", setUpMinutes: 10, bucketL: 20, hotWater: true },
    });
    const siteId = await insertRecord(tx, scope, "site", place, {}, when, batchId);
    const { id: tankId } = await startTankIn(tx, scope, { ...tank, siteId }, when);
    const input = { siteId, seriesId: null, tankIds: null, untilOn: null, spells: [] };
    const { changeId } = await saveSeriesIn(tx, scope, { ...input, ...visits }, when);
    return { clientId, siteId, tankId, changeId };
  });
}
