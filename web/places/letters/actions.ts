"use server";

import { z } from "zod";
import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { decidePhrase, EditLetterSchema, editLetter, PhraseSchema } from "@/data/letters/edit";
import { setRevoked } from "@/data/letters/letters";
import { callBackLetter, queueLetter } from "@/data/letters/mail";

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

/** Takes a letter that waits to leave out of the mail again. */
export const callBackLetterAction = defineAction({
  name: "letters.call-back",
  roles: STAFF,
  input: z.object({ letterId: z.uuid("Reload the letter and try again.") }),
  foreign: (ids) => ({ letterId: ids.letterId }),
  run: (scope, input) => callBackLetter(scope, input.letterId, new Date()),
});

/** Words a letter anew before it goes. */
export const editLetterAction = defineAction({
  name: "letters.edit",
  roles: STAFF,
  input: EditLetterSchema,
  foreign: (ids) => ({ letterId: ids.letterId, was: null, greeting: "x", tanks: [], close: "x", photos: [] }),
  run: (scope, input) => editLetter(scope, input, new Date()),
});

/** Decides whether something is said in the firm's own words from now on. */
export const decidePhraseAction = defineAction({
  name: "letters.phrase",
  roles: ["office", "lead"],
  input: PhraseSchema,
  run: decidePhrase,
});
