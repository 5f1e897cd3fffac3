import { LETTER_PARTS, USUAL_VOICE, type Voice } from "@keel-round/core/letter";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { business, deskChange } from "../schema";

const own = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `Enter at most ${most} characters.`)
    .transform((text) => text || null);

const HOURS = "Enter an hour from 0 to 23.";

/** How letters speak, and when they leave. What is empty is as usual. */
export const VoiceSchema = z.object({
  greeting: own(60),
  close: own(300),
  colour: z.union([z.literal(""), z.string().regex(/^#[0-9a-fA-F]{6}$/, "Enter a colour, such as #0a5a4a.")]),
  leftOut: z.array(z.enum(LETTER_PARTS)).max(LETTER_PARTS.length),
  way: z.enum(["by-hand", "by-itself"], "Choose how letters leave."),
  /** Null for at once. */
  hour: z.number(HOURS).int("Enter a full hour.").min(0, HOURS).max(23, HOURS).nullable(),
});

/** How a firm's letters speak and leave. */
export interface FirmVoice {
  readonly voice: Voice;
  readonly way: "by-hand" | "by-itself";
  readonly hour: number | null;
}

/** How the firm's letters speak and leave. */
export async function firmVoice(scope: Scope): Promise<FirmVoice> {
  const [row] = await db()
    .select({ voice: business.voice, way: business.letterWay, hour: business.letterHour })
    .from(business)
    .where(eq(business.id, scope.businessId));
  return { voice: row?.voice ?? USUAL_VOICE, way: row?.way ?? "by-hand", hour: row?.hour ?? null };
}

/** Sets how letters speak and leave, with a line in the firm's history. Letters that are written keep their words. */
export async function saveVoice(
  scope: Scope,
  { way, hour, colour, ...said }: z.infer<typeof VoiceSchema>,
  { now }: When,
): Promise<void> {
  if (scope.role !== "office") throw notFound("page");
  const voice: Voice = { ...said, colour: colour || null };
  const before = await firmVoice(scope);
  await inTransaction(async (tx) => {
    await tx.update(business).set({ voice, letterWay: way, letterHour: hour }).where(eq(business.id, scope.businessId));
    await tx.insert(deskChange).values({
      ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, at: now, batchId: newId() },
      ...{ entity: "firm", entityId: scope.businessId, field: "letters" },
      ...{ old: told(before), new: told({ voice, way, hour }) },
    });
  });
}

function told({ voice: { greeting, close, colour, leftOut }, way, hour }: FirmVoice): string {
  const parts = [
    greeting && `greeting “${greeting}”`,
    close && `ends “${close}”`,
    colour,
    leftOut.length > 0 && `without ${leftOut.join(", ")}`,
    way === "by-itself" && "leave by themselves",
    hour !== null && `at ${hour}:00`,
  ];
  return parts.filter(Boolean).join("; ").slice(0, 400) || "as usual";
}
