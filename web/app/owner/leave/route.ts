import { z } from "zod";
import { auth } from "@/data/access/auth";
import { defineForm } from "@/data/access/define";
import { plainAnswer, seeOther } from "@/places/owner/headers";

/** Signs an owner out, without a script. */
export const POST = defineForm({
  name: "owner.leave",
  roles: ["tankOwner"],
  input: z.object({}),
  maxBytes: 10_000,
  read: async () => ({}),
  run: async (_scope, _input, request) => {
    const { headers } = await auth().api.signOut({ headers: request.headers, returnHeaders: true });
    return seeOther("/sign-in", { "set-cookie": headers.get("set-cookie") ?? "" });
  },
  refused: async ({ status, message }) => (status === 401 ? seeOther("/sign-in") : plainAnswer(status, message)),
});
