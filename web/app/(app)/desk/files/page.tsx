import { civilOf } from "@keel-round/core/calendar";
import { LATELY } from "@/data/access/anew";
import { pageIsRecent, pageScope } from "@/data/access/pageScope";
import { lastArchive } from "@/data/archive/undo";
import { listImports } from "@/data/transfer/imports";
import { IMPORT_LIMITS } from "@/data/transfer/stage";
import { FilesPage } from "@/places/desk/files/FilesPage";

export default async function Files() {
  const scope = await pageScope(["office"]);
  const [imports, last] = await Promise.all([listImports(scope), lastArchive(scope)]);
  const dayOf = (at: Date) => civilOf(at.getTime(), scope.zone).date;
  return (
    <FilesPage
      scope={scope}
      recent={await pageIsRecent(LATELY)}
      limits={IMPORT_LIMITS}
      lastArchive={last && { id: last.id, by: last.by, counts: last.counts, on: dayOf(last.at) }}
      imports={imports.map(({ at, ...i }) => ({ ...i, on: dayOf(at) }))}
    />
  );
}
