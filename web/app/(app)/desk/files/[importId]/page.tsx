import { targetsOf } from "@keel-round/core/transfer";
import { notFound } from "next/navigation";
import { z } from "zod";
import { orNotFound, pageScope } from "@/data/access/pageScope";
import { tanksByName } from "@/data/tanks/byName";
import { loadImport, rowsToShow } from "@/data/transfer/imports";
import { DeskNav } from "@/places/desk/DeskNav";
import { ImportPage } from "@/places/desk/files/ImportPage";

export default async function OneImport({ params }: { params: Promise<{ importId: string }> }) {
  const scope = await pageScope(["office"]);
  const { importId } = await params;
  if (!z.uuid().safeParse(importId).success) notFound();
  const file = await orNotFound(loadImport(scope, importId));
  const [rows, tanks] = await Promise.all([rowsToShow(importId), file.kind === "reading" ? tanksByName(scope) : []]);
  return (
    <>
      <DeskNav here="files" scope={scope} />
      <ImportPage
        ownZone={scope.zone}
        file={file}
        rows={rows.map(({ rowNo, cells, state, issues }) => ({ rowNo, cells, state, issues }))}
        tanks={tanks}
        targets={targetsOf(file.kind).map(({ key, label, units }) => ({ key, label, units }))}
      />
    </>
  );
}
