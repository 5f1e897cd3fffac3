import { writeFileSync } from "node:fs";
import { z } from "zod";
import { ArchiveSchema } from "@/data/archive/tables";

// Publishes the schema of the archive. Run in web/: node --import tsx ../tools/archive-schema.ts
writeFileSync("public/archive.schema.json", `${JSON.stringify(z.toJSONSchema(ArchiveSchema), null, 1)}\n`);
