/** Headers of what an owner's link shows: no script, no referrer, not indexed, not kept. */
export function letterHeaders(contentType: string): Record<string, string> {
  return {
    "content-type": contentType,
    "content-security-policy":
      "default-src 'none'; style-src 'unsafe-inline'; font-src 'self'; img-src 'self' data:; frame-ancestors 'self'; base-uri 'none'; form-action 'none'",
    "referrer-policy": "no-referrer",
    "x-robots-tag": "noindex, nofollow",
    "cache-control": "private, no-store",
  };
}

/** A wrong, revoked or old link. */
export function noSuchLetter(): Response {
  return new Response("There is no letter at this address. It may be too old, or was taken back: ask for a new link.", {
    status: 404,
    headers: letterHeaders("text/plain; charset=utf-8"),
  });
}
