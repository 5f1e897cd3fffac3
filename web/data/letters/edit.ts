import {
  type LetterContent,
  type LetterText,
  MOST_PHOTOS,
  type Phrase,
  phrasesOf,
  strangeFigures,
} from "@keel-round/core/letter";
import { andList } from "@keel-round/core/text";
import { and, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { type Scope, seesAll } from "../access/scope";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { inTransaction, type Queries } from "../database/transaction";
import { business, type FirmPhrase, letter, person } from "../schema";
import { type LetterPicture, picturesFor } from "./images";
import { findLetter } from "./letters";

const paragraphs = z.array(z.string().trim().min(1).max(2000)).max(12, "Write at most 12 paragraphs.");

export const EditLetterSchema = z.object({
  letterId: z.uuid("Reload the letter and try again."),
  /** When it was worded anew last, as it was shown: somebody else may have done so meanwhile. */
  was: z.iso.datetime().nullable(),
  greeting: z.string().trim().min(1, "Write a greeting.").max(120, "Enter at most 120 characters."),
  tanks: z.array(z.object({ body: paragraphs.min(1, "Write at least a sentence."), until: paragraphs })).max(60),
  close: z.string().trim().min(1, "Write how it ends.").max(600, "Enter at most 600 characters."),
  photos: z
    .array(z.object({ photoId: z.uuid(), caption: z.string().trim().max(190, "Enter at most 190 characters.") }))
    .max(MOST_PHOTOS, `Choose at most ${MOST_PHOTOS} pictures.`)
    .optional(),
});

export const PhraseSchema = z.object({ from: z.string().max(2000), to: z.string().max(2000), adopted: z.boolean() });

/** How a letter is worded, to be edited. */
export interface LetterWords {
  readonly text: Pick<LetterContent, "greeting" | "tanks" | "close" | "photos">;
  /** As it was written; null where nobody has changed it. */
  readonly original: LetterText | null;
  readonly editedAt: Date | null;
  readonly editedBy: string | null;
  /** What the firm said in its own words more than once. */
  readonly phrases: readonly FirmPhrase[];
  /** Pictures that may be shown in it, the newest first. */
  readonly pictures: readonly LetterPicture[];
}

/** Said so often, it is offered to be said so from now on. */
const OFTEN = 2;

/** The words of a letter; null of one from before they were kept. */
export async function letterWords(
  scope: Scope,
  row: Pick<typeof letter.$inferSelect, "content" | "original" | "editedAt" | "editedBy" | "stopId">,
): Promise<LetterWords | null> {
  if (!row.content) return null;
  const [by] = row.editedBy
    ? await db()
        .select({ name: person.name })
        .from(person)
        .where(and(eq(person.businessId, scope.businessId), eq(person.id, row.editedBy)))
    : [];
  const phrases = seesAll(scope.role) ? await firmPhrases(db(), scope.businessId) : [];
  return {
    text: row.content,
    original: row.original,
    ...{ editedAt: row.editedAt, editedBy: by?.name ?? null },
    phrases: phrases.filter((p) => p.times >= OFTEN && p.adopted === null),
    pictures: await picturesFor(scope.businessId, row.stopId),
  };
}

async function firmPhrases(q: Queries, businessId: string): Promise<readonly FirmPhrase[]> {
  const [firm] = await q.select({ phrases: business.phrases }).from(business).where(eq(business.id, businessId));
  return firm?.phrases ?? [];
}

/** Everything a letter says that stands in the log. */
const loggedIn = ({ greeting, tanks, close, date }: LetterContent): string[] => [
  ...[greeting, close, date],
  ...tanks.flatMap((t) => [
    t.heading,
    ...t.body,
    ...t.until,
    ...t.list,
    ...t.measured.map((m) => `${m.shown} ${m.note}`),
  ]),
];

/**
 * Words a letter anew. What it says in figures stays what was logged; the first wording is kept, and page and PDF are set anew.
 *
 * @throws a refusal for a letter that is on its way or was changed by somebody else, and for a figure that nobody logged.
 */
export async function editLetter(
  scope: Scope,
  { letterId, was, photos: chosen, ...text }: z.infer<typeof EditLetterSchema>,
  now: Date,
): Promise<void> {
  if (scope.role === "tankOwner") throw notFound("letter");
  await findLetter(scope, letterId);
  await inTransaction(async (tx) => {
    const [row] = await tx.select().from(letter).where(eq(letter.id, letterId)).for("update");
    if (!row?.content) throw new Refused(409, "no-words", "This letter is from before its words were kept.");
    if (row.queuedAt) throw new Refused(409, "on-its-way", "This letter is on its way: call it back first.");
    if ((row.editedAt?.toISOString() ?? null) !== was)
      throw new Refused(409, "changed-meanwhile", "Somebody else worded this letter meanwhile: reload it.");
    const original = row.original ?? row.content;
    if (text.tanks.length !== original.tanks.length) throw new Refused(409, "other-tanks", "Reload the letter.");
    const photos = chosen ?? row.content.photos ?? [];
    const captions = { body: photos.map((p) => p.caption), until: [] };
    const strange = strangeFigures(loggedIn(original), { ...text, tanks: [...text.tanks, captions] });
    if (strange.length > 0) {
      const says = `${andList(strange)} ${strange.length === 1 ? "stands" : "stand"} nowhere in the log of this visit: correct the visit, or leave it out.`;
      throw new Refused(422, "not-logged", says);
    }
    const known = new Set((await picturesFor(scope.businessId, row.stopId)).map((p) => p.id));
    if (photos.some((p) => !known.has(p.photoId))) throw notFound("picture");
    const content = { ...worded(row.content, text), photos };
    if (JSON.stringify(content) === JSON.stringify(row.content)) return;
    await tx
      .update(letter)
      .set({ content, original, editedBy: scope.personId, editedAt: now })
      .where(eq(letter.id, letterId));
    await remember(tx, scope.businessId, phrasesOf(row.content, content));
    await enqueue(tx, scope.businessId, "letter", { letterId });
  });
}

const worded = (content: LetterContent, { greeting, tanks, close }: LetterText): LetterContent => ({
  ...content,
  ...{ greeting, close },
  tanks: content.tanks.map((t, i) => ({ ...t, body: tanks[i]?.body ?? t.body, until: tanks[i]?.until ?? t.until })),
});

/** Counts what was said in the firm's own words. */
async function remember(tx: Queries, businessId: string, said: readonly Phrase[]): Promise<void> {
  if (said.length === 0) return;
  const [firm] = await tx
    .select({ phrases: business.phrases })
    .from(business)
    .where(eq(business.id, businessId))
    .for("update");
  const phrases = [...(firm?.phrases ?? [])];
  for (const phrase of said) {
    const at = phrases.findIndex((p) => p.from === phrase.from && p.to === phrase.to);
    const known = phrases[at];
    if (known) phrases[at] = { ...known, times: known.times + 1 };
    else phrases.push({ ...phrase, times: 1, adopted: null });
  }
  await tx.update(business).set({ phrases }).where(eq(business.id, businessId));
}

/** Decides on a phrase: it is said so from now on, or not asked about again. */
export async function decidePhrase(scope: Scope, { from, to, adopted }: z.infer<typeof PhraseSchema>): Promise<void> {
  await inTransaction(async (tx) => {
    const [firm] = await tx
      .select({ phrases: business.phrases })
      .from(business)
      .where(eq(business.id, scope.businessId))
      .for("update");
    const phrases = firm?.phrases ?? [];
    if (!phrases.some((p) => p.from === from && p.to === to)) throw notFound("phrase");
    const decided = phrases.map((p) => {
      if (p.from !== from) return p;
      // One sentence is said in one way.
      return { ...p, adopted: p.to === to ? adopted : adopted ? false : p.adopted };
    });
    await tx.update(business).set({ phrases: decided }).where(eq(business.id, scope.businessId));
  });
}

/** What a letter that was worded anew is set from; null where it has gone or is set already. */
export async function letterToSet(businessId: string, letterId: string): Promise<typeof letter.$inferSelect | null> {
  const [row] = await db()
    .select()
    .from(letter)
    .where(and(eq(letter.businessId, businessId), eq(letter.id, letterId), isNull(letter.sentAt)));
  return row?.content ? row : null;
}

/** Keeps page and PDF of a letter that was worded anew; what was changed meanwhile is set by the next. */
export async function keepSet(
  { id, editedAt }: Pick<typeof letter.$inferSelect, "id" | "editedAt">,
  rendered: { readonly subject: string; readonly html: string; readonly plain: string; readonly pdf: Buffer },
): Promise<void> {
  if (!editedAt) return;
  await db()
    .update(letter)
    .set({ ...rendered, setAt: editedAt })
    .where(and(eq(letter.id, id), eq(letter.editedAt, editedAt)));
}
