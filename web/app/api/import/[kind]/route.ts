import { FILE_KINDS } from "@keel-round/core/transfer";
import { z } from "zod";
import { defineRoute, Refused } from "@/data/access/define";
import { takeIn } from "@/data/photos/intake";
import { IMPORT_LIMITS, stageFile } from "@/data/transfer/stage";

/** Takes a file in; it is checked and published later. */
export const POST = defineRoute({
  name: "files.upload",
  roles: ["office"],
  params: z.object({ kind: z.enum(FILE_KINDS) }),
  run: async (scope, { params, request }) => {
    if (!request.body) throw new Refused(422, "empty", "The file is empty.");
    const fileName = new URL(request.url).searchParams.get("name") ?? "file.csv";
    return takeIn(scope, request.body, { bytes: IMPORT_LIMITS.bytes }, (file) =>
      stageFile(scope, { kind: params.kind, fileName, bytes: file.read() }, new Date()),
    );
  },
});
