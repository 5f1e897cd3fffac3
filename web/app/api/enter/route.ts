import { z } from "zod";
import { defineOpenRoute } from "@/data/access/define";
import { askForEntry } from "@/data/access/entry";

export const POST = defineOpenRoute({
  name: "enter.ask",
  why: "Whoever asks is answered the same; a way in goes by mail to an address that is known, five times an hour at most.",
  body: z.object({ email: z.email("Enter an e-mail address, such as name@firm.example.").max(190) }),
  run: async (_scope, { email }) => {
    await askForEntry(email);
    return {};
  },
});
