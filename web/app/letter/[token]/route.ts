import { definePublicRoute } from "@/data/access/define";
import { scopeOf } from "@/data/access/scope";
import { letterByToken, noteOpened } from "@/data/letters/letters";
import { letterHeaders, noSuchLetter } from "@/places/letters/headers";

/** The owner's page: static markup at an unguessable link. */
export const GET = definePublicRoute(
  "letter.page",
  "An unguessable token, hashed in the database and revocable.",
  async (request: Request, { params }: { params: Promise<{ token: string }> }) => {
    const letter = await letterByToken((await params).token);
    if (!letter) return noSuchLetter();
    await noteOpened(letter, await scopeOf(request.headers), new Date());
    return new Response(letter.html, { headers: letterHeaders("text/html; charset=utf-8") });
  },
);
