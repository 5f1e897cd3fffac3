"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type Entered, type Entity, fieldOf, readValues, sayField, type Values } from "@keel-round/core/desk";
import type { UnitPreference } from "@keel-round/core/units";
import { GoButton, Notice, QuietButton } from "@/kit/controls";
import { Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import type { RecordFormState } from "./useRecordForm";

/** A save that came too late: theirs and yours beside each other, field by field, and a choice for each. */
export function SideBySide({
  entity,
  stale,
  form,
  units,
  names,
  onTake,
  onKeep,
}: {
  entity: Entity;
  stale: { readonly by: string; readonly theirs: Values };
  form: RecordFormState;
  units: UnitPreference;
  names: Readonly<Record<string, string>>;
  onTake: (key: string) => void;
  onKeep: () => void;
}) {
  const both = form.conflicts(stale.theirs);
  const rows = Object.keys(stale.theirs).flatMap((key) => {
    const field = fieldOf(entity, key);
    return field ? [{ key, field }] : [];
  });
  const say = (key: string, values: Values) => {
    const field = fieldOf(entity, key);
    return field ? sayField(field, values[key], units, (id) => names[id] ?? id) : "";
  };
  return (
    <Box role="alert" mb="18px">
      <Notice tone="care">
        {stale.by} saved this after you opened it. Nothing of yours is lost: compare, then save over it.
      </Notice>
      <Table borderCollapse="collapse" fontSize="14px" mt="8px" minW="520px">
        <thead>
          <tr>
            <Head>Field</Head>
            <Head>{stale.by}</Head>
            <Head>You</Head>
            <Head />
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, field }) => {
            const mine = readValues([field], form.now as Entered, units).values;
            const yours = form.changedKeys.includes(key) ? say(key, mine) : "left as it was";
            return (
              <tr key={key}>
                <Cell color="soft">{field.label}</Cell>
                <Cell fontWeight="560">{say(key, stale.theirs)}</Cell>
                <Cell fontWeight={both.includes(key) ? "560" : "400"}>{yours}</Cell>
                <Cell>
                  {both.includes(key) && (
                    <QuietButton type="button" py="3px" onClick={() => onTake(key)}>
                      Take theirs
                    </QuietButton>
                  )}
                </Cell>
              </tr>
            );
          })}
        </tbody>
      </Table>
      <Flex mt="10px">
        <GoButton type="button" onClick={onKeep}>
          {both.length > 0 ? "Save mine over it" : "Save mine beside it"}
        </GoButton>
      </Flex>
    </Box>
  );
}
