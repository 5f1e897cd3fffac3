import { z } from "zod";
import { defineForm, defineRoute } from "@/data/access/define";
import { whenOf } from "@/data/access/when";
import { PHOTO_LIMITS } from "@/data/photos/reencode";
import {
  anchorOf,
  OwnerFormSchema,
  ownerResponse,
  readOwnerForm,
  rejectedResponse,
  takeOwnerForm,
} from "@/places/owner/forms";
import { plainAnswer, seeOther } from "@/places/owner/headers";
import { SAID } from "@/places/owner/shown";

/** The owner's page of one of their tanks. */
export const GET = defineRoute({
  name: "owner.page",
  roles: ["tankOwner"],
  params: z.object({ tankId: z.uuid() }),
  foreign: (ids) => ({ params: { tankId: ids.tankId } }),
  run: async (scope, { params, request }) => {
    const asked = new URL(request.url).searchParams.get("said");
    const said = SAID.find((s) => s === asked) ?? null;
    return ownerResponse(scope, params.tankId, whenOf(scope), { said });
  },
  refused: ({ status, message }) => (status === 401 ? seeOther("/sign-in") : plainAnswer(status, message)),
});

/** Takes a form of the page, and shows the page again. */
export const POST = defineForm({
  name: "owner.form",
  roles: ["tankOwner"],
  input: OwnerFormSchema,
  maxBytes: PHOTO_LIMITS.bytes + 100_000,
  read: readOwnerForm,
  foreign: (ids) => ({ form: "list" as const, tankId: ids.tankId, done: [], topUp: "", temperature: "" }),
  run: async (scope, input) => {
    const said = await takeOwnerForm(scope, input, whenOf(scope));
    return seeOther(`/owner/${input.tankId}?said=${said}#${anchorOf[said]}`);
  },
  refused: (refused, scope, form) => rejectedResponse(refused, scope, form, whenOf),
});
