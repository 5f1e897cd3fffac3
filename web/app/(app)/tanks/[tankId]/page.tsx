import type { TankKind } from "@keel-round/core/tank";
import { animalsWithEvents } from "@/data/book/animals";
import { equipmentOfTank } from "@/data/book/equipment";
import { historyOf } from "@/data/book/history";
import { firmValues } from "@/data/book/kinds";
import { linkOptions } from "@/data/book/lists";
import { db } from "@/data/connection";
import { orNotFound, pageScope } from "@/data/pageScope";
import { photosOf } from "@/data/photos/photos";
import { firmLibrary } from "@/data/programme/firmJobs";
import { loadYear } from "@/data/programme/yearAhead";
import type { Scope } from "@/data/scope";
import { loadTank } from "@/data/tanks";
import { whenOf } from "@/data/when";
import { animalEventAction, restoreAction, saveRecordAction, undoAction } from "@/places/desk/actions";
import { archivePhotoAction } from "@/places/tanks/actions";
import { TABS, type Tab, type TabData, TankSheet } from "@/places/tanks/TankSheet";

/** What the open tab shows beside the sheet itself. */
async function tabData(
  scope: Scope,
  { id: tankId, kind, siteId }: { id: string; kind: string; siteId: string },
  tab: Tab,
  today: string,
): Promise<TabData> {
  switch (tab) {
    case "animals":
      return { animals: await animalsWithEvents(scope.businessId, tankId) };
    case "equipment":
      return { equipment: await equipmentOfTank(scope.businessId, tankId) };
    case "programme":
      return scope.role === "owner" ? {} : programmeData(scope, tankId, kind as TankKind, siteId, today);
    case "photos":
      return { photos: await photosOf(scope, tankId) };
    case "history":
      return scope.role === "owner" ? {} : { changes: await historyOf(scope, "tank", tankId) };
    case "settings":
      return scope.role === "owner"
        ? {}
        : { options: await linkOptions(scope, "tank"), firm: await firmValues(scope, kind) };
    default:
      return {};
  }
}

/** The year ahead, the equipment that wears, and the library that the programme is held against. */
async function programmeData(scope: Scope, tankId: string, kind: TankKind, siteId: string, today: string) {
  const [year, equipment, library] = await Promise.all([
    loadYear(db(), scope.businessId, siteId, today),
    equipmentOfTank(scope.businessId, tankId),
    firmLibrary(db(), scope.businessId, kind),
  ]);
  return { year, equipment, library };
}

export default async function TankPage({
  params,
  searchParams,
}: {
  params: Promise<{ tankId: string }>;
  searchParams: Promise<{ tab?: string }>;
}) {
  const scope = await pageScope();
  const [{ tankId }, asked] = await Promise.all([params, searchParams]);
  const { today } = whenOf(scope);
  const tab = TABS.find((t) => t === asked.tab) ?? "section";
  const sheet = await orNotFound(loadTank(scope, tankId, today));
  return (
    <TankSheet
      scope={scope}
      sheet={sheet}
      tab={tab}
      today={today}
      data={await tabData(scope, sheet.row, tab, today)}
      actions={
        scope.role === "owner"
          ? null
          : {
              save: saveRecordAction,
              undo: undoAction,
              restore: restoreAction,
              animalEvent: animalEventAction,
              archivePhoto: archivePhotoAction,
            }
      }
    />
  );
}
