"use server";

import { z } from "zod";
import { defineAction } from "@/data/define";
import { queueLetter, setRevoked } from "@/data/letters";
import { STAFF } from "@/data/scope";

/** Queues a letter for its client. */
export const sendLetterAction = defineAction({
  name: "letters.send",
  roles: STAFF,
  input: z.object({ letterId: z.uuid("Reload the letter and try again.") }),
  foreign: (ids) => ({ letterId: ids.letterId }),
  run: (scope, input) => queueLetter(scope, input.letterId, new Date()),
});

/** Takes the link of a letter back, or lets it work again. */
export const revokeLetterAction = defineAction({
  name: "letters.revoke",
  roles: STAFF,
  input: z.object({ letterId: z.uuid("Reload the letter and try again."), revoked: z.boolean() }),
  foreign: (ids) => ({ letterId: ids.letterId, revoked: true }),
  run: (scope, input) => setRevoked(scope, input.letterId, input.revoked, new Date()),
});
