import { Box, Flex } from "@chakra-ui/react";
import { type Entity, type readFilters, recordKinds, sayField } from "@keel-round/core/desk";
import type { Scope } from "@/data/access/scope";
import { type Kept, mayEdit, PAGE_ROWS } from "@/data/desk/lists";
import { AppLink } from "@/kit/AppLink";
import { GoButton, PageHead, QuietButton, TextInput } from "@/kit/controls";
import { A, Form, Label, Span, Table } from "@/kit/elements";
import type { LinkOptions } from "@/kit/record/FieldInput";
import { AskPanel } from "./AskPanel";
import { BulkEdit } from "./BulkEdit";
import { chosenColumns, columnFields, type ListAddress, listHref } from "./columns";
import { DeskNav } from "./DeskNav";
import { Conditions, Filters } from "./Filters";

const TABLE = {
  "& th, & td": { py: "7px", pr: "16px", textAlign: "left", borderBottomWidth: "1px", verticalAlign: "baseline" },
  "& th": { color: "soft", fontSize: "13px", fontWeight: 620, borderColor: "ruleStrong", whiteSpace: "nowrap" },
  "& th a": { textDecoration: "none" },
  "& td": { borderColor: "rule" },
  "& td.name a": { fontWeight: "620", textDecoration: "none", _hover: { textDecoration: "underline" } },
  "& td.num": { fontFamily: "mono", whiteSpace: "nowrap" },
} as const;

/** A table of one kind of record: sorted, searched and with its columns chosen in the address bar. */
export function RecordList({
  scope,
  entity,
  rows,
  names,
  total,
  address,
  options,
  asks,
}: {
  scope: Scope;
  entity: Entity;
  rows: readonly Kept[];
  names: ReadonlyMap<string, string>;
  total: number;
  address: ListAddress;
  options: LinkOptions;
  asks: ReturnType<typeof readFilters>;
}) {
  const { many, one } = recordKinds[entity];
  const asked = address.col === undefined ? [] : [address.col].flat();
  const columns = chosenColumns(entity, asked);
  const editable = mayEdit(scope, entity);
  const page = Math.max(1, Number.parseInt(address.page ?? "1", 10) || 1);
  const pages = Math.max(1, Math.ceil(total / PAGE_ROWS));
  const sorted = address.sort ?? "name";
  const head = (key: string, label: string) => {
    const up = sorted === key;
    const down = sorted === `-${key}`;
    return (
      <th key={key} aria-sort={up ? "ascending" : down ? "descending" : "none"}>
        <AppLink href={listHref(entity, address, { sort: up ? `-${key}` : key })}>
          {label}
          {up ? " ↑" : down ? " ↓" : ""}
        </AppLink>
      </th>
    );
  };
  return (
    <Box>
      <DeskNav here={entity} scope={scope} />
      <PageHead
        title={many[0]?.toUpperCase() + many.slice(1)}
        facts={address.archived ? `${total} in the archive` : `${total}`}
        actions={
          editable &&
          entity !== "kind" && (
            <GoButton asChild>
              <AppLink href={entity === "tank" ? "/tanks/new" : `/desk/${entity}/new`}>New {one}</AppLink>
            </GoButton>
          )
        }
      />
      <Flex gap="10px" mt="14px" mb="10px" wrap="wrap" align="center">
        <Form action={`/desk/${entity}`} role="search" w="280px" maxW="100%">
          {address.sort && <input type="hidden" name="sort" value={address.sort} />}
          {address.archived && <input type="hidden" name="archived" value="1" />}
          {asked.map((c) => (
            <input key={c} type="hidden" name="col" value={c} />
          ))}
          {asks.filters.map(({ test, field }) => (
            <input
              key={test + field.key}
              type="hidden"
              name={`${test}.${field.key}`}
              value={address[`${test}.${field.key}`]}
            />
          ))}
          <TextInput
            name="q"
            type="search"
            placeholder={`part of a name`}
            defaultValue={address.q ?? ""}
            aria-label={`Search ${many}`}
          />
        </Form>
        <Filters entity={entity} address={address} units={scope.units} options={options} />
        <Columns entity={entity} address={address} shown={columns.map((c) => c.key)} />
        {entity !== "kind" && (
          <QuietButton asChild fontWeight="400" fontSize="14px">
            <AppLink href={listHref(entity, address, { archived: address.archived ? "" : "1" })}>
              {address.archived ? "Not in the archive" : "Archive"}
            </AppLink>
          </QuietButton>
        )}
      </Flex>
      <Conditions entity={entity} address={address} {...asks} units={scope.units} options={options} />
      {rows.length === 0 ? (
        <Box color="soft" py="20px">
          {asks.filters.length > 0
            ? `No ${one} fits all of these. `
            : address.q
              ? `No ${one} has “${address.q}” in it. `
              : address.archived
                ? "Nothing is in the archive. "
                : `No ${one} yet. `}
          {address.q || asks.filters.length > 0 ? (
            <A asChild color="coralline">
              <AppLink href={`/desk/${entity}`}>Show all</AppLink>
            </A>
          ) : (
            editable && !address.archived && "Make the first, or bring a list in by import."
          )}
        </Box>
      ) : (
        <Box overflowX="auto">
          <Table w="100%" borderCollapse="collapse" fontSize="14.5px" css={TABLE}>
            <thead>
              <tr>
                {editable && (
                  <th>
                    <span className="sr-only">Choose</span>
                  </th>
                )}
                {head("name", "Name")}
                {columns.map((c) => head(c.key, c.label))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.id}>
                  {editable && (
                    <td>
                      <input type="checkbox" name="id" value={row.id} form="bulk" aria-label={`Choose ${row.name}`} />
                    </td>
                  )}
                  <td className="name">
                    <AppLink href={entity === "tank" ? `/tanks/${row.id}` : `/desk/${entity}/${row.id}`} data-row="">
                      {row.name}
                    </AppLink>
                  </td>
                  {columns.map((c) => {
                    const value = row.values[c.key];
                    const says = sayField(c, value, scope.units, (id) => names.get(id) ?? "");
                    return (
                      <td
                        key={c.key}
                        className={typeof value === "number" || c.type.kind === "date" ? "num" : undefined}
                      >
                        {says === "nothing" ? "" : says}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </Table>
        </Box>
      )}
      <Flex gap="14px" mt="12px" align="center" wrap="wrap" fontSize="13.5px">
        {total > 0 && (
          <Span color="soft">
            {(page - 1) * PAGE_ROWS + 1} to {Math.min(total, page * PAGE_ROWS)} of {total}
          </Span>
        )}
        {page > 1 && <AppLink href={listHref(entity, address, { page: String(page - 1) })}>Before</AppLink>}
        {page < pages && <AppLink href={listHref(entity, address, { page: String(page + 1) })}>Next</AppLink>}
      </Flex>
      {editable && rows.length > 0 && !address.archived && (
        <BulkEdit entity={entity} options={options} units={scope.units} one={one} many={many} />
      )}
    </Box>
  );
}

/** Which fields stand in the table. */
function Columns({ entity, address, shown }: { entity: Entity; address: ListAddress; shown: readonly string[] }) {
  return (
    <AskPanel entity={entity} address={address} title="Columns" go="Show these" asks={(part) => part === "col"}>
      {columnFields(entity).map((f) => (
        <Label key={f.key} display="flex" gap="8px" py="2px">
          <input type="checkbox" name="col" value={f.key} defaultChecked={shown.includes(f.key)} /> {f.label}
        </Label>
      ))}
    </AskPanel>
  );
}
