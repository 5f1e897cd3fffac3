import { definePublicRoute } from "@/data/access/define";

const NO_STORE = { "cache-control": "no-store" };

/** This process answers. It says nothing of what stands behind it: a database that is away is no reason to start it anew. */
export const GET = definePublicRoute("live", "It says nothing but that it answers.", () =>
  Response.json({ live: true }, { headers: NO_STORE }),
);
