import type { LetterContent } from "@keel-round/core/letter";
import { renderToBuffer } from "@react-pdf/renderer";
import { type PaperImages, paperImages } from "@/data/letters/images";
import { keepPdf } from "@/data/letters/letters";
import type { letter } from "@/data/schema";
import { LetterPdf } from "./LetterPdf";

/** The PDF of a letter. */
export const renderLetterPdf = (content: LetterContent, images: PaperImages): Promise<Buffer> =>
  renderToBuffer(<LetterPdf content={content} images={images} />);

/** The PDF that a letter has; one that was never mailed gets it now, and keeps it. Null of one from before its words were kept. */
export async function keptPdf({ id, businessId, content, pdf }: typeof letter.$inferSelect): Promise<Buffer | null> {
  if (pdf || !content) return pdf;
  const made = await renderLetterPdf(content, await paperImages(businessId, content));
  await keepPdf(id, made);
  return made;
}
