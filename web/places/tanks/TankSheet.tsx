import { Box, Flex } from "@chakra-ui/react";
import { type Values, valuesOfFacts } from "@keel-round/core/desk";
import type { Job } from "@keel-round/core/programme";
import { kindFacts, type TankKind } from "@keel-round/core/tank";
import { conditionSentence } from "@keel-round/core/words";
import type { ReactNode } from "react";
import type { Scope } from "@/data/access/scope";
import type { AnimalWithEvents } from "@/data/desk/animals";
import type { Equipment } from "@/data/desk/equipment";
import type { TankPhoto } from "@/data/photos/photos";
import type { YearAhead } from "@/data/programme/yearAhead";
import type { CorrectedReading } from "@/data/tanks/corrected";
import type { DerivedSeries } from "@/data/tanks/derived";
import type { TankSheet as Sheet } from "@/data/tanks/tanks";
import type { TankTrend } from "@/data/tanks/trend";
import type { LookAgain } from "@/data/visit/told";
import { AppLink } from "@/kit/AppLink";
import { ConditionMark } from "@/kit/Condition";
import { GoButton, PageHead, QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { PartsNav } from "@/kit/PartsNav";
import type { LinkOptions } from "@/kit/record/FieldInput";
import type { ChangeLine, RestoreAction } from "@/kit/record/History";
import type { RecordFormProps } from "@/kit/record/RecordForm";
import { dayLabel } from "@/kit/words";
import { Settings } from "./Settings";
import type { AnimalEventAction } from "./sheet/AnimalEvent";
import { AnimalsTab } from "./sheet/AnimalsTab";
import { EquipmentTab } from "./sheet/EquipmentTab";
import { HistoryTab } from "./sheet/HistoryTab";
import type { AgreeAction } from "./sheet/photos/OnePhoto";
import { type ArchivePhotoAction, PhotosTab } from "./sheet/photos/PhotosTab";
import { ProgrammeTab } from "./sheet/programme/ProgrammeTab";
import { ReadingsTab } from "./sheet/ReadingsTab";
import { SectionTab } from "./sheet/SectionTab";

/** What the sheet does through other places' actions; null for an owner of tanks. */
export interface SheetActions {
  readonly save: RecordFormProps["save"];
  readonly undo: RecordFormProps["undo"];
  readonly restore: RestoreAction;
  readonly animalEvent: AnimalEventAction;
  readonly archivePhoto: ArchivePhotoAction;
  readonly photoUse: AgreeAction;
}

/** What only some tabs show; loaded for the one that is open. */
export interface TabData {
  readonly animals?: readonly AnimalWithEvents[];
  readonly equipment?: readonly Equipment[];
  readonly changes?: readonly ChangeLine[];
  readonly photos?: readonly TankPhoto[];
  readonly options?: LinkOptions;
  readonly firm?: Values;
  readonly trend?: TankTrend | null;
  readonly derived?: DerivedSeries | null;
  readonly corrected?: readonly CorrectedReading[];
  readonly year?: YearAhead;
  /** What goes to and fro with the owner. */
  readonly owner?: ReactNode;
  readonly looks?: readonly LookAgain[];
  readonly library?: readonly { readonly code: string; readonly job: Job; readonly ofKind: boolean }[];
}

export const TABS = [
  "section",
  "readings",
  "programme",
  "animals",
  "equipment",
  "photos",
  "owner",
  "history",
  "settings",
] as const;
export type Tab = (typeof TABS)[number];
const TAB_NAME: Record<Tab, string> = {
  section: "Section",
  readings: "Readings",
  programme: "Programme",
  animals: "Animals",
  equipment: "Equipment",
  photos: "Photos",
  owner: "Owner",
  history: "History",
  settings: "Settings",
};

/** Everything about one tank, a tab at a time. */
export function TankSheet({
  scope,
  sheet,
  tab,
  today,
  data,
  actions,
}: {
  scope: Scope;
  sheet: Sheet;
  tab: Tab;
  today: string;
  data: TabData;
  actions: SheetActions | null;
}) {
  const { row, site, status, next } = sheet;
  const reason = status?.why.reason;
  const tabs = TABS.filter((t) => scope.role !== "tankOwner" || (t !== "settings" && t !== "owner"));
  return (
    <Box>
      <PageHead
        title={`${row.name}, ${site.name}`}
        facts={
          <Flex gap="12px" align="baseline" wrap="wrap">
            <ConditionMark state={status?.condition ?? "unknown"} />
            {row.archivedAt && <Span color="ochre">in the archive</Span>}
            <span>{reason ? conditionSentence(reason, scope.units) : kindFacts[row.kind as TankKind].label}</span>
          </Flex>
        }
        actions={
          scope.role === "tankOwner" ? null : (
            <>
              <QuietButton asChild>
                <AppLink href={`/tanks/${row.id}/wrong`}>Something is wrong</AppLink>
              </QuietButton>
              {next && (
                <GoButton asChild>
                  {next.on <= today ? (
                    <a href={`/visit?visit=${next.visitId}`}>
                      Visit, {next.on === today ? "today" : dayLabel(next.on)}
                    </a>
                  ) : (
                    <AppLink href={`/round?day=${next.on}`}>Visit {dayLabel(next.on)}</AppLink>
                  )}
                </GoButton>
              )}
            </>
          )
        }
      />
      <Box mt="8px">
        <PartsNav
          label="Parts of the sheet"
          parts={tabs.map((t) => [`/tanks/${row.id}?tab=${t}`, TAB_NAME[t]])}
          here={`/tanks/${row.id}?tab=${tab}`}
        />
      </Box>
      {tab === "section" && <SectionTab scope={scope} sheet={sheet} today={today} />}
      {tab === "readings" && (
        <ReadingsTab
          scope={scope}
          sheet={sheet}
          trend={data.trend ?? null}
          derived={data.derived ?? null}
          corrected={data.corrected ?? []}
          save={actions ? actions.save : null}
        />
      )}
      {tab === "owner" && data.owner}
      {tab === "programme" && (
        <ProgrammeTab
          sheet={sheet}
          year={data.year ?? null}
          gear={data.equipment ?? []}
          library={data.library ?? []}
          today={today}
          editable={actions !== null}
          looks={data.looks ?? []}
          units={scope.units}
        />
      )}
      {tab === "animals" && (
        <AnimalsTab
          tankId={row.id}
          animals={data.animals ?? []}
          today={today}
          record={actions ? actions.animalEvent : null}
        />
      )}
      {tab === "equipment" && (
        <EquipmentTab tankId={row.id} equipment={data.equipment ?? []} today={today} editable={actions !== null} />
      )}
      {tab === "photos" && (
        <PhotosTab
          tankId={row.id}
          tankName={row.name}
          photos={data.photos ?? []}
          archive={actions ? actions.archivePhoto : null}
          agree={actions ? actions.photoUse : null}
        />
      )}
      {tab === "history" && (
        <HistoryTab
          scope={scope}
          sheet={sheet}
          changes={data.changes ?? []}
          restore={actions ? actions.restore : null}
        />
      )}
      {tab === "settings" && actions && (
        <Settings
          record={row}
          values={valuesOf(row)}
          facts={row.facts}
          kind={row.kind as TankKind}
          name={row.name}
          options={data.options ?? {}}
          firm={data.firm ?? {}}
          names={namesIn(data.options ?? {})}
          units={scope.units}
          save={actions.save}
          undo={actions.undo}
        />
      )}
    </Box>
  );
}

const valuesOf = (row: Sheet["row"]): Values => ({
  name: row.name,
  siteId: row.siteId,
  kind: row.kind,
  sourceId: row.sourceId,
  topUpSourceId: row.topUpSourceId,
  ...valuesOfFacts(row.facts),
});

const namesIn = (options: LinkOptions): Record<string, string> =>
  Object.fromEntries(Object.values(options).flatMap((list) => list.map(([id, name]) => [id, name])));
