import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { pushKey, SubscriptionSchema, subscribe } from "@/data/push/push";

/** The key that a browser subscribes with, or none. */
export const GET = defineRoute({
  name: "push.key",
  roles: STAFF,
  params: z.unknown(),
  run: async () => ({ key: pushKey() }),
});

/** Remembers this browser, to be rung when a clock ends. */
export const POST = defineRoute({
  name: "push.subscribe",
  roles: STAFF,
  params: z.unknown(),
  body: SubscriptionSchema,
  run: async (scope, { body }) => {
    await subscribe(scope, body, new Date());
    return {};
  },
});
