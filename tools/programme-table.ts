import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { programmeTable } from "./programmeTable.ts";

writeFileSync(join(import.meta.dirname, "../docs/programmes.md"), programmeTable());
