import { Box, Flex } from "@chakra-ui/react";
import { type Entity, recordKinds, usualValues, type Values } from "@keel-round/core/desk";
import type { EquipmentLife } from "@keel-round/core/upkeep";
import type { ReactNode } from "react";
import type { Scope } from "@/data/access/scope";
import type { HistoryLine } from "@/data/desk/history";
import { type belowRecord, type Kept, mayEdit } from "@/data/desk/lists";
import { AppLink } from "@/kit/AppLink";
import { PageHead, SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import type { LinkOptions } from "@/kit/record/FieldInput";
import { History } from "@/kit/record/History";
import { RecordForm } from "@/kit/record/RecordForm";
import { ArchiveButton } from "./ArchiveButton";
import { restoreAction, saveRecordAction, undoAction } from "./actions";
import { Codes } from "./Codes";
import { ContactsKept } from "./ContactsKept";
import { DeskNav } from "./DeskNav";
import { recordFacts } from "./recordFacts";

/** One record of the desk: its form, what it means today, and its history. */
export function RecordPage({
  scope,
  entity,
  record,
  names,
  options,
  history,
  looks,
  below,
  visits,
  library,
  life,
  today,
}: {
  scope: Scope;
  entity: Entity;
  record: Kept;
  names: ReadonlyMap<string, string>;
  options: LinkOptions;
  history: readonly HistoryLine[];
  looks: readonly { readonly on: string; readonly minute: number; readonly by: string }[];
  below: Awaited<ReturnType<typeof belowRecord>>;
  /** Of a site: its visits. */
  visits: ReactNode;
  /** Of a job: the same as the library has it; null for anything else. */
  library: Values | null;
  /** Of a piece of equipment: its life, with its hour meter as it was read last. */
  life: EquipmentLife | null;
  today: string;
}) {
  const editable = mayEdit(scope, entity);
  return (
    <Box>
      <DeskNav here={entity} scope={scope} />
      <PageHead
        title={record.name}
        facts={
          record.archived
            ? "in the archive"
            : recordFacts({ entity, values: record.values, life, today, units: scope.units })
        }
        actions={
          editable && entity !== "kind" && <ArchiveButton entity={entity} id={record.id} archived={record.archived} />
        }
      />
      {below && (
        <Flex gap="6px 18px" wrap="wrap" mt="10px" fontSize="14.5px">
          <Span color="soft">
            {below.rows.length === 0 ? `No ${recordKinds[below.entity].one} yet.` : recordKinds[below.entity].many}
          </Span>
          {below.rows.map((r) => (
            <AppLink key={r.id} href={below.entity === "tank" ? `/tanks/${r.id}` : `/desk/site/${r.id}`}>
              {r.name}
            </AppLink>
          ))}
          {below.entity === "site" && <AppLink href={`/desk/site/new?clientId=${record.id}`}>New site</AppLink>}
          {below.entity === "tank" && <AppLink href={`/tanks/new?site=${record.id}`}>New tank</AppLink>}
        </Flex>
      )}
      <Box mt="16px" maxW="1040px">
        <RecordForm
          key={record.id}
          entity={entity}
          record={record}
          readOnly={!editable}
          values={record.values}
          options={options}
          names={Object.fromEntries(names)}
          units={scope.units}
          save={saveRecordAction}
          undo={undoAction}
          madeAt={`/desk/${entity}/`}
          {...(library ? { usual: library, usualOf: "The library" } : {})}
        />
      </Box>
      {visits && <Box maxW="1040px">{visits}</Box>}
      {entity === "site" && (
        <Box mt="22px" maxW="1040px">
          <SubHead>Door and alarm codes</SubHead>
          <Codes siteId={record.id} maySet={scope.role === "office"} looks={looks} />
        </Box>
      )}
      {entity === "client" && scope.role === "office" && (
        <Box mt="22px" maxW="1040px">
          <SubHead>Who is behind it</SubHead>
          <ContactsKept clientId={record.id} />
        </Box>
      )}
      <Box mt="22px">
        <SubHead>History</SubHead>
        <History lines={history} restore={editable ? restoreAction : null} />
      </Box>
    </Box>
  );
}

/** An empty form for a new record. */
export function NewRecord({
  scope,
  entity,
  options,
  given,
}: {
  scope: Scope;
  entity: Entity;
  options: LinkOptions;
  given: Values;
}) {
  return (
    <Box>
      <DeskNav here={entity} scope={scope} />
      <PageHead title={`New ${recordKinds[entity].one}`} />
      {entity === "client" && (
        <Box mt="8px" fontSize="14.5px">
          <AppLink href="/desk/begin">With their site, tank and visits, all at once</AppLink>
        </Box>
      )}
      <Box mt="16px" maxW="1040px">
        <RecordForm
          entity={entity}
          record={null}
          values={{ ...usualValues(entity), ...given }}
          options={options}
          names={{}}
          units={scope.units}
          save={saveRecordAction}
          undo={undoAction}
          madeAt={`/desk/${entity}/`}
        />
      </Box>
    </Box>
  );
}
