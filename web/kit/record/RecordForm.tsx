"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type Field, recordKinds, sayField, type Values } from "@keel-round/core/desk";
import type { UnitPreference } from "@keel-round/core/units";
import { type ReactNode, useMemo } from "react";
import { GoButton, Notice, Problem, QuietButton, SubHead } from "@/kit/controls";
import { Fieldset, Form, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { Entry } from "./Entry";
import type { LinkOptions } from "./FieldInput";
import { SideBySide } from "./SideBySide";
import { type RecordFormState, useRecordForm } from "./useRecordForm";
import { type RecordSave, type RecordSaving, useRecordSave } from "./useRecordSave";

export interface RecordFormProps extends RecordSaving {
  readonly options: LinkOptions;
  readonly names: Readonly<Record<string, string>>;
  readonly units: UnitPreference;
  /** Fields that are not part of this form. */
  readonly leaveOut?: readonly string[];
  /** Fields to show, of those that depend on what is typed; all by default. */
  readonly visible?: (field: Field, now: Readonly<Record<string, unknown>>) => boolean;
  /** What a field is called here, where that depends on what is typed. */
  readonly called?: (field: Field, now: Readonly<Record<string, unknown>>) => string;
  /** What the firm usually has in a field; where this record differs it is said, and a press away. */
  readonly usual?: Values;
  /** Whose that is; then every field is held against it, not only the choices. */
  readonly usualOf?: string;
  /** Shown only: who may look but not edit. */
  readonly readOnly?: boolean;
  /** A drawing that follows the typing. */
  readonly aside?: (form: RecordFormState) => ReactNode;
}

/** A form over a record of the desk: drafts kept, errors beside what was typed, stale edits side by side, undo. */
export function RecordForm(props: RecordFormProps) {
  const { entity, record, values, units, leaveOut, aside, readOnly = false } = props;
  const hydrated = useHydrated();
  const fields = useMemo(
    () => recordKinds[entity].fields.filter((f) => !leaveOut?.includes(f.key) && (record === null || !f.once)),
    [entity, leaveOut, record],
  );
  const draftKey = `draft:${entity}:${record?.id ?? "new"}`;
  const form = useRecordForm(entity, fields, values, record?.version ?? 0, units, draftKey);
  const saving = useRecordSave(props, form);
  return (
    <Form
      method="post"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void saving.submit();
      }}
    >
      <Said {...props} form={form} saving={saving} />
      <Fieldset disabled={!hydrated || saving.busy || readOnly}>
        <Flex gap="36px" align="flex-start" direction={{ base: "column", lg: "row" }}>
          <Box flex="1" minW="0" w="100%" columns={aside ? undefined : { base: 1, lg: 2 }} columnGap="36px">
            <Groups {...props} fields={fields} form={form} saving={saving} />
          </Box>
          {aside && (
            <Box w={{ base: "100%", lg: "400px" }} flexShrink={0} position={{ lg: "sticky" }} top="16px">
              {aside(form)}
            </Box>
          )}
        </Flex>
        {!readOnly && <Foot {...props} disabled={!hydrated} form={form} saving={saving} />}
      </Fieldset>
    </Form>
  );
}

type PartProps = RecordFormProps & { readonly form: RecordFormState; readonly saving: RecordSave };

/** What the last press came to, what waits from before, and what somebody else saved meanwhile. */
function Said({ entity, units, names, form, saving }: PartProps) {
  const { problem, saved, stale } = saving;
  return (
    <>
      <Problem says={problem} mb="14px" />
      {saved !== null && (
        <Box role="status" mb="14px">
          <Notice tone="plain">
            {saved === "" ? "Nothing was changed." : "Saved. "}
            {saved && (
              <QuietButton type="button" py="3px" ml="10px" onClick={() => saving.takeBack(saved)}>
                Undo
              </QuietButton>
            )}
          </Notice>
        </Box>
      )}
      {form.draftOver !== null && !stale && (
        <Box role="status" mb="14px">
          <Notice tone="care">
            What you typed before is still here and not saved.
            <QuietButton type="button" py="3px" ml="10px" onClick={form.startOver}>
              Start over
            </QuietButton>
          </Notice>
        </Box>
      )}
      {stale && (
        <SideBySide
          entity={entity}
          stale={stale}
          form={form}
          units={units}
          names={names}
          onTake={form.drop}
          onKeep={() => saving.keepMine(stale)}
        />
      )}
    </>
  );
}

/** The fields under the headings of their groups. */
function Groups(props: PartProps & { readonly fields: readonly Field[] }) {
  const { fields, form, saving, values, names, units, options, readOnly = false, visible, usual, usualOf } = props;
  const groups = [...new Set(fields.map((f) => f.group))];
  return groups.map((group) => {
    const shown = fields.filter((f) => f.group === group && (visible?.(f, form.now) ?? true));
    if (shown.length === 0) return null;
    return (
      <Box key={group} mb="18px" breakInside="avoid" columnSpan={shown.some(isWideList) ? "all" : undefined}>
        <SubHead>{group}</SubHead>
        <Box pt="10px" display="grid" gridTemplateColumns="repeat(auto-fill, minmax(200px, 1fr))" gap="0 20px">
          {shown.map((field) => (
            <Entry
              key={field.key}
              field={field}
              label={props.called?.(field, form.now) ?? field.label}
              form={form}
              options={options}
              units={units}
              assumed={saving.waiting.includes(field.key)}
              onConfirm={() => saving.confirm([field.key])}
              says={sayField(field, values[field.key], units, (id) => names[id] ?? id)}
              readOnly={readOnly}
              usual={usualOf || field.type.kind === "choice" ? usual?.[field.key] : undefined}
              usualOf={usualOf ?? "The firm"}
            />
          ))}
        </Box>
      </Box>
    );
  });
}

/** A list of more columns than half of a form shows. */
const isWideList = ({ type }: Field) => type.kind === "list" && type.columns.length > 3;

/** Save, what is assumed, and how much is not saved yet: in sight however long the form. */
function Foot({ entity, record, assumed = [], form, saving, disabled }: PartProps & { readonly disabled: boolean }) {
  const { busy, waiting, confirmed } = saving;
  const unsaved = form.changedKeys.length + confirmed.length;
  return (
    <Flex
      gap="12px"
      align="center"
      wrap="wrap"
      position="sticky"
      bottom={{ base: "57px", md: "0" }}
      py="10px"
      bg="ground"
      borderTopWidth="1px"
      borderColor="rule"
      zIndex="2"
    >
      <GoButton type="submit" disabled={disabled || busy}>
        {busy ? "Saving" : record === null ? `Make this ${recordKinds[entity].one}` : "Save"}
      </GoButton>
      {waiting.length > 0 && (
        <QuietButton type="button" onClick={() => saving.confirm(assumed)}>
          Confirm all {waiting.length} that are assumed
        </QuietButton>
      )}
      <Span color="soft" fontSize="13.5px" role="status">
        {unsaved > 0 ? `${unsaved} not saved yet` : ""}
      </Span>
    </Flex>
  );
}
