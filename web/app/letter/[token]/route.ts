import { definePublicRoute } from "@/data/define";
import { letterByToken, noteOpened } from "@/data/letters";
import { letterHeaders, noSuchLetter } from "@/places/letters/headers";

/** The owner's page: static markup at an unguessable link. */
export const GET = definePublicRoute(
  "letter.page",
  "An unguessable token, hashed in the database and revocable.",
  async (request: Request, { params }: { params: Promise<{ token: string }> }) => {
    const letter = await letterByToken((await params).token);
    if (!letter) return noSuchLetter();
    // The office reads its own letters before they go; that is not the owner opening them.
    if (!new URL(request.url).searchParams.has("preview")) await noteOpened(letter.id, new Date());
    return new Response(letter.html, { headers: letterHeaders("text/html; charset=utf-8") });
  },
);
