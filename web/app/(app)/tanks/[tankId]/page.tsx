import { animalsWithEvents } from "@/data/book/animals";
import { equipmentOfTank } from "@/data/book/equipment";
import { historyOf } from "@/data/book/history";
import { firmValues } from "@/data/book/kinds";
import { linkOptions } from "@/data/book/lists";
import { orNotFound, pageScope } from "@/data/pageScope";
import { photosOf } from "@/data/photos/photos";
import type { Scope } from "@/data/scope";
import { loadTank } from "@/data/tanks";
import { whenOf } from "@/data/when";
import { loadYear } from "@/data/yearAhead";
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
      return scope.role === "owner" ? {} : { year: await loadYear(scope, siteId, today) };
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
