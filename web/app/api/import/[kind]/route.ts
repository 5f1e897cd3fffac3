import { FILE_KINDS } from "@keel-round/core/transfer";
import { z } from "zod";
import { defineRoute, Refused } from "@/data/define";
import { stageFile } from "@/data/transfer/stage";

/** Takes a file in as it streams; it is checked and published later. */
export const POST = defineRoute({
  name: "files.upload",
  roles: ["office"],
  params: z.object({ kind: z.enum(FILE_KINDS) }),
  run: async (scope, { params, request }) => {
    if (!request.body) throw new Refused(422, "empty", "The file is empty.");
    const fileName = new URL(request.url).searchParams.get("name") ?? "file.csv";
    return stageFile(scope, { kind: params.kind, fileName, bytes: request.body }, new Date());
  },
});
