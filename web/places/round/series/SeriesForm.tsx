"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { FieldRow, GoButton, Notice, QuietButton, TextInput } from "@/kit/controls";
import { Fieldset, Form, Input, Label } from "@/kit/elements";
import type { TypedSeries } from "./formModel";
import { Preview } from "./Preview";
import { RhythmFields } from "./RhythmFields";
import { SpellFields } from "./SpellFields";
import { useSeriesForm } from "./useSeriesForm";
import { WhoComes } from "./WhoComes";

export interface Named {
  readonly id: string;
  readonly name: string;
}

/** Begins recurring visits or changes them, with what that does beside it while it is typed. */
export function SeriesForm({
  siteId,
  begun,
  people,
  tanks,
  today,
  which,
  onSaved,
  onLeave,
}: {
  siteId: string;
  begun: TypedSeries;
  people: readonly Named[];
  tanks: readonly Named[];
  today: string;
  /** From which visit on it changes, where somebody came by one. */
  which?: ReactNode;
  onSaved: () => void;
  onLeave: () => void;
}) {
  const { typed, change, told, busy, save } = useSeriesForm(siteId, begun, onSaved);
  const error = (field: string) => told.fields[field]?.[0];
  return (
    <Form
      method="post"
      py="14px"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <Flex gap="32px" direction={{ base: "column", lg: "row" }} align="flex-start">
        <Fieldset flex="1" minW="0" w="100%" disabled={busy}>
          {which}
          <Flex gap="12px" wrap="wrap" align="flex-start">
            <Box w="180px">
              <FieldRow label={typed.seriesId ? "Changes from" : "First visit"} error={error("fromOn")}>
                <TextInput
                  type="date"
                  value={typed.fromOn}
                  min={today}
                  onChange={(e) => change({ fromOn: e.currentTarget.value })}
                />
              </FieldRow>
            </Box>
            <WhoComes
              people={people}
              personId={typed.personId}
              change={(personId) => change({ personId })}
              error={error("personId")}
            />
            <Box w="180px">
              <FieldRow label="Last day, if it ends" error={error("untilOn")}>
                <TextInput
                  type="date"
                  value={typed.untilOn}
                  onChange={(e) => change({ untilOn: e.currentTarget.value })}
                />
              </FieldRow>
            </Box>
          </Flex>
          <RhythmFields typed={typed.rhythm} change={(rhythm) => change({ rhythm })} error={error("rhythm")} />
          {tanks.length > 1 && (
            <Tanks
              tanks={tanks}
              chosen={typed.tankIds}
              change={(tankIds) => change({ tankIds })}
              error={error("tankIds")}
            />
          )}
          <SpellFields
            spells={typed.spells}
            on={typed.fromOn}
            change={(spells) => change({ spells })}
            error={error("spells")}
          />
        </Fieldset>
        <Box w={{ base: "100%", lg: "360px" }} flexShrink={0}>
          <Preview told={told} today={today} isNew={typed.seriesId === null} />
          {told.problem && Object.keys(told.fields).length === 0 && (
            <Box role="alert" mt="10px">
              <Notice tone="danger">{told.problem}</Notice>
            </Box>
          )}
          <Flex gap="10px" mt="14px">
            <GoButton type="submit" disabled={busy || told.preview === null}>
              Save visits
            </GoButton>
            <QuietButton type="button" onClick={onLeave}>
              Leave as it is
            </QuietButton>
          </Flex>
        </Box>
      </Flex>
    </Form>
  );
}

/** All tanks of a site, or some. */
function Tanks({
  tanks,
  chosen,
  change,
  error,
}: {
  tanks: readonly Named[];
  chosen: readonly string[] | null;
  change: (tankIds: readonly string[] | null) => void;
  error: string | undefined;
}) {
  const press = (id: string, on: boolean) => {
    const now = chosen ?? [];
    change(on ? [...now, id] : now.filter((t) => t !== id));
  };
  return (
    <Box role="group" aria-label="Tanks" mb="12px">
      <Label display="flex" gap="8px" alignItems="center" minH="36px">
        <Input
          type="checkbox"
          checked={chosen === null}
          onChange={(e) => change(e.currentTarget.checked ? null : tanks.map((t) => t.id))}
        />
        All tanks of the site, also those that come to it later
      </Label>
      {chosen && (
        <Flex gap="4px 18px" wrap="wrap" pl="22px">
          {tanks.map((t) => (
            <Label key={t.id} display="flex" gap="8px" alignItems="center" minH="36px">
              <Input
                type="checkbox"
                checked={chosen.includes(t.id)}
                onChange={(e) => press(t.id, e.currentTarget.checked)}
              />
              {t.name}
            </Label>
          ))}
        </Flex>
      )}
      {error && (
        <Box role="alert" fontSize="13.5px" color="vermilion" fontWeight="600">
          {error}
        </Box>
      )}
    </Box>
  );
}
