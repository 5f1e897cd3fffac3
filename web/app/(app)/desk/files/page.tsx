import { civilOf } from "@keel-round/core/calendar";
import { pageScope } from "@/data/pageScope";
import { listImports } from "@/data/transfer/imports";
import { IMPORT_LIMITS } from "@/data/transfer/stage";
import { FilesPage } from "@/places/desk/files/FilesPage";

export default async function Files() {
  const scope = await pageScope(["office"]);
  const imports = await listImports(scope);
  return (
    <FilesPage
      scope={scope}
      limits={IMPORT_LIMITS}
      imports={imports.map(({ at, ...i }) => ({ ...i, on: civilOf(at.getTime(), scope.zone).date }))}
    />
  );
}
