import { createHash, timingSafeEqual } from "node:crypto";
import { definePublicRoute } from "@/data/access/define";
import { queueState } from "@/data/background/jobs";
import { exposition } from "@/observe/metrics";

const hash = (text: string) => createHash("sha256").update(text).digest();

/** Whether whoever asks has the token of the settings; without one nobody has. */
function mayRead(request: Request): boolean {
  const token = process.env.METRICS_TOKEN ?? "";
  const given = /^Bearer (.+)$/.exec(request.headers.get("authorization") ?? "")?.[1] ?? "";
  return token !== "" && timingSafeEqual(hash(given), hash(token));
}

/** What this process counts, for Prometheus. */
export const GET = definePublicRoute(
  "metrics",
  "Only who has the token of the settings reads it.",
  async (request: Request) => {
    if (!mayRead(request)) return new Response(null, { status: 404 });
    const { type, text } = await exposition(await queueState());
    return new Response(text, { headers: { "content-type": type, "cache-control": "no-store" } });
  },
);
