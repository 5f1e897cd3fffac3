import { definePublicRoute } from "@/data/access/define";
import { calendarAt } from "@/data/calendar/feed";

/** A calendar for whoever has its address: programs that read calendars do not sign in. */
export const GET = definePublicRoute(
  "calendar.feed",
  "An unguessable address, derived from the server's secret and revocable.",
  async (_request: Request, { params }: { params: Promise<{ name: string }> }) => {
    const text = await calendarAt((await params).name, new Date());
    if (text === null) return new Response("There is no such calendar.\n", { status: 404 });
    return new Response(text, {
      headers: { "content-type": "text/calendar; charset=utf-8", "cache-control": "private, no-store" },
    });
  },
);
