/** Headers of the owner's page: no script, forms to ourselves, not indexed, not kept. */
export const ownerHeaders = {
  "content-type": "text/html; charset=utf-8",
  "content-security-policy":
    "default-src 'none'; style-src 'unsafe-inline'; font-src 'self'; img-src 'self'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'",
  // A page without a referrer would post its forms from nowhere.
  "referrer-policy": "same-origin",
  "x-robots-tag": "noindex, nofollow",
  "cache-control": "private, no-store",
} as const;

/** A way on without a script: what was sent is not sent again by going back. */
export const seeOther = (path: string, headers: Readonly<Record<string, string>> = {}): Response =>
  new Response(null, { status: 303, headers: { location: path, ...headers } });

/** What is said where the page itself cannot be shown. */
export const plainAnswer = (status: number, says: string): Response =>
  new Response(says, { status, headers: { ...ownerHeaders, "content-type": "text/plain; charset=utf-8" } });
