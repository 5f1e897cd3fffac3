import { definePublicRoute } from "@/data/access/define";
import { letterByToken } from "@/data/letters/letters";
import { letterHeaders, noSuchLetter } from "@/places/letters/headers";
import { keptPdf } from "@/places/letters/render/pdf";

export const GET = definePublicRoute(
  "letter.pdf",
  "An unguessable token, hashed in the database and revocable.",
  async (_request: Request, { params }: { params: Promise<{ token: string }> }) => {
    const letter = await letterByToken((await params).token);
    const pdf = letter && (await keptPdf(letter));
    if (!pdf) return noSuchLetter();
    return new Response(new Uint8Array(pdf), {
      headers: { ...letterHeaders("application/pdf"), "content-disposition": 'inline; filename="letter.pdf"' },
    });
  },
);
