import { definePublicRoute } from "@/data/access/define";
import { paperImages } from "@/data/letters/images";
import { keepPdf, letterByToken } from "@/data/letters/letters";
import type { letter } from "@/data/schema";
import { letterHeaders, noSuchLetter } from "@/places/letters/headers";

/** Sets the PDF of a letter that was never mailed with one, and keeps it. */
async function pdfOf({ id, businessId, content }: typeof letter.$inferSelect): Promise<Buffer | null> {
  if (!content) return null;
  // Loaded where it is needed: most letters hold their PDF.
  const { renderLetterPdf } = await import("@/places/letters/render/pdf");
  const pdf = await renderLetterPdf(content, await paperImages(businessId, content));
  await keepPdf(id, pdf);
  return pdf;
}

export const GET = definePublicRoute(
  "letter.pdf",
  "An unguessable token, hashed in the database and revocable.",
  async (_request: Request, { params }: { params: Promise<{ token: string }> }) => {
    const letter = await letterByToken((await params).token);
    if (!letter) return noSuchLetter();
    const pdf = letter.pdf ?? (await pdfOf(letter));
    if (!pdf) return noSuchLetter();
    return new Response(new Uint8Array(pdf), {
      headers: { ...letterHeaders("application/pdf"), "content-disposition": 'inline; filename="letter.pdf"' },
    });
  },
);
