import type { TankKind } from "@keel-round/core/tank";
import { OF_WATER } from "@keel-round/core/units";
import { orNotFound, pageScope } from "@/data/access/pageScope";
import type { Scope } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { db } from "@/data/database/connection";
import { animalsWithEvents } from "@/data/desk/animals";
import { equipmentOfTank } from "@/data/desk/equipment";
import { historyOf } from "@/data/desk/history";
import { firmValues } from "@/data/desk/kinds";
import { linkOptions } from "@/data/desk/lists";
import { firmLibrary } from "@/data/library/firmJobs";
import { ownerDays } from "@/data/owner/days";
import { proposalsOf } from "@/data/owner/proposals";
import { toldOf } from "@/data/owner/told";
import { photosOf } from "@/data/photos/photos";
import { loadYear } from "@/data/programme/yearAhead";
import { correctedReadings } from "@/data/tanks/corrected";
import { derivedOf, loadDerived } from "@/data/tanks/derived";
import { loadTank, type TankSheet as Sheet } from "@/data/tanks/tanks";
import { loadTrend } from "@/data/tanks/trend";
import { looksAgain } from "@/data/visit/told";
import { animalEventAction, restoreAction, saveRecordAction, undoAction } from "@/places/desk/actions";
import { WithOwner } from "@/places/owner/WithOwner";
import { archivePhotoAction, photoUseAction } from "@/places/tanks/actions";
import { TABS, type Tab, type TabData, TankSheet } from "@/places/tanks/TankSheet";

/** What the open tab shows beside the sheet itself. */
async function tabData(
  scope: Scope,
  sheet: Sheet,
  tab: Tab,
  { today, of }: { today: string; of: string | undefined },
): Promise<TabData> {
  const { id: tankId, kind, siteId } = sheet.row;
  switch (tab) {
    case "readings":
      return {
        derived: await derivedAsked(scope, sheet, of, today),
        trend: await trendAsked(scope, sheet, of, today),
        ...(scope.role === "tankOwner" ? {} : { corrected: await correctedReadings(scope, tankId) }),
      };
    case "animals":
      return { animals: await animalsWithEvents(scope.businessId, tankId) };
    case "equipment":
      return { equipment: await equipmentOfTank(scope.businessId, tankId, today) };
    case "programme":
      return scope.role === "tankOwner" ? {} : programmeData(scope, tankId, kind as TankKind, siteId, today);
    case "photos":
      return { photos: await photosOf(scope, tankId) };
    case "owner":
      return scope.role === "tankOwner" ? {} : { owner: await withOwner(scope, tankId) };
    case "history":
      return scope.role === "tankOwner" ? {} : { changes: await historyOf(scope, "tank", tankId) };
    case "settings":
      return scope.role === "tankOwner"
        ? {}
        : { options: await linkOptions(scope, "tank"), firm: await firmValues(scope, kind) };
    default:
      return {};
  }
}

/** What goes to and fro with the owner of a tank. */
async function withOwner(scope: Scope, tankId: string) {
  const when = whenOf(scope);
  const [days, told, proposals] = await Promise.all([
    ownerDays(scope, tankId, when.today),
    toldOf(scope, when, tankId),
    proposalsOf(scope, tankId),
  ]);
  const of = { tankId, days, told, proposals, today: when.today, units: scope.units, zone: scope.zone };
  return <WithOwner {...of} />;
}

/** The worked out figure that is asked for; null for one that is read. */
async function derivedAsked(scope: Scope, sheet: Sheet, of: string | undefined, today: string) {
  const meter = itemOf(of, "hours");
  if (meter) return loadDerived(scope, sheet, "running", today, meter);
  const asked = derivedOf(sheet.input.facts).find((d) => d === of);
  return asked ? loadDerived(scope, sheet, asked, today) : null;
}

/** The filter whose flow is asked for, or the piece of equipment whose hours. */
const itemOf = (of: string | undefined, parameter: "flow" | "hours"): string | null =>
  of?.startsWith(`${parameter}:`) ? of.slice(parameter.length + 1) : null;

/** The figure that is asked for; else what the tank's condition is about, or the first of its bands. */
async function trendAsked(scope: Scope, sheet: Sheet, of: string | undefined, today: string) {
  const read = OF_WATER.filter((p) => sheet.readings.some((r) => r.parameter === p));
  const parameters = [...sheet.input.facts.bands.map((b) => b.parameter), ...read];
  const reason = sheet.status?.why.reason;
  const wanted = [of, reason && "parameter" in reason ? reason.parameter : undefined];
  const item = itemOf(of, "flow");
  if (item && sheet.readings.some((r) => r.item === item)) return loadTrend(scope, sheet, "flow", today, item);
  const parameter = parameters.find((p) => wanted[0] === p) ?? parameters.find((p) => wanted[1] === p) ?? parameters[0];
  return parameter && sheet.readings.length > 0 ? loadTrend(scope, sheet, parameter, today) : null;
}

/** The year ahead, the equipment that wears, and the library that the programme is held against. */
async function programmeData(scope: Scope, tankId: string, kind: TankKind, siteId: string, today: string) {
  const [year, equipment, library, looks] = await Promise.all([
    loadYear(db(), scope.businessId, siteId, today),
    equipmentOfTank(scope.businessId, tankId, today),
    firmLibrary(db(), scope.businessId, kind),
    looksAgain(scope, tankId),
  ]);
  return { year, equipment, library, looks };
}

export default async function TankPage({
  params,
  searchParams,
}: {
  params: Promise<{ tankId: string }>;
  searchParams: Promise<{ tab?: string; of?: string }>;
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
      data={await tabData(scope, sheet, tab, { today, of: asked.of })}
      actions={
        scope.role === "tankOwner"
          ? null
          : {
              save: saveRecordAction,
              undo: undoAction,
              restore: restoreAction,
              animalEvent: animalEventAction,
              archivePhoto: archivePhotoAction,
              photoUse: photoUseAction,
            }
      }
    />
  );
}
