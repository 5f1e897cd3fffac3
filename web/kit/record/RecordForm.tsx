"use client";

import { Box, Flex } from "@chakra-ui/react";
import {
  type Entity,
  type Field,
  type FieldValue,
  recordKinds,
  sayField,
  type Values,
  writeField,
} from "@keel-round/core/book";
import { inSentence } from "@keel-round/core/text";
import type { UnitPreference } from "@keel-round/core/units";
import { useRouter } from "next/navigation";
import { type ReactNode, useEffect, useMemo, useState } from "react";
import { GoButton, Notice, QuietButton, SubHead } from "@/kit/controls";
import { Fieldset, Form, Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { FieldInput, type LinkOptions } from "./FieldInput";
import { type Line, ListInput } from "./ListInput";
import { SideBySide } from "./SideBySide";
import { type RecordFormState, type SaveAnswer, useRecordForm } from "./useRecordForm";

export interface RecordFormProps {
  readonly entity: Entity;
  /** Null for a record that is being made. */
  readonly record: { readonly id: string; readonly version: number } | null;
  readonly values: Values;
  readonly options: LinkOptions;
  readonly names: Readonly<Record<string, string>>;
  readonly units: UnitPreference;
  /** Fields that were filled in and not confirmed. */
  readonly assumed?: readonly string[];
  readonly save: (input: {
    entity: Entity;
    id: string | null;
    version: number;
    values: Values;
    confirmed: readonly string[];
  }) => Promise<SaveAnswer>;
  readonly undo: (input: { batchId: string }) => Promise<{ readonly ok: boolean; readonly message?: string }>;
  /** Where a made record is shown, before its id. */
  readonly madeAt: string;
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

/** A form over a record of the book: drafts kept, errors beside what was typed, stale edits side by side, undo. */
export function RecordForm(props: RecordFormProps) {
  const {
    entity,
    record,
    values,
    options,
    names,
    units,
    assumed = [],
    save,
    undo,
    madeAt,
    leaveOut,
    visible,
    aside,
    readOnly = false,
    usual,
    usualOf,
    called = (field: Field) => field.label,
  } = props;
  const router = useRouter();
  const hydrated = useHydrated();
  const [version, setVersion] = useState(record?.version ?? 0);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [saved, setSaved] = useState<string | null>(null);
  const [confirmed, setConfirmed] = useState<readonly string[]>([]);
  const [stale, setStale] = useState<(Extract<SaveAnswer, { ok: true }>["value"] & { kind: "stale" }) | null>(null);
  const fields = useMemo(
    () => recordKinds[entity].fields.filter((f) => !leaveOut?.includes(f.key) && (record === null || !f.once)),
    [entity, leaveOut, record],
  );
  const form = useRecordForm(entity, fields, values, version, units, `draft:${entity}:${record?.id ?? "new"}`);
  // A field set back in the history below, or a refresh after a save: the form stands on what is kept now.
  const kept = record?.version ?? 0;
  const { ground } = form;
  useEffect(() => {
    ground(values);
    setVersion(kept);
  }, [kept, values, ground]);
  const groups = [...new Set(fields.map((f) => f.group))];
  const waiting = assumed.filter((key) => !confirmed.includes(key) && !form.changedKeys.includes(key));

  const submit = async (at: number) => {
    setProblem(null);
    setSaved(null);
    const read = await form.read(record === null);
    if (read === null) return setProblem("Something is not right yet; it is marked below.");
    setBusy(true);
    const answer = await save({ entity, id: record?.id ?? null, version: at, values: read, confirmed }).finally(() =>
      setBusy(false),
    );
    if (!answer.ok) {
      form.setIssues(Object.fromEntries(Object.entries(answer.fields).map(([k, v]) => [k, v[0] ?? ""])));
      return setProblem(answer.message);
    }
    if (answer.value.kind === "stale") return setStale(answer.value);
    form.settle();
    setStale(null);
    if (record === null) return router.push(`${madeAt}${answer.value.id}`);
    setVersion(answer.value.version);
    setSaved(answer.value.version === at ? "" : answer.value.batchId);
    router.refresh();
  };
  const takeBack = async (batchId: string) => {
    const answer = await undo({ batchId });
    if (!answer.ok) return setProblem(answer.message ?? "It could not be taken back.");
    window.location.reload();
  };

  return (
    <Form
      method="post"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void submit(form.draftOver ?? version);
      }}
    >
      {problem && (
        <Box role="alert" mb="14px">
          <Notice tone="danger">{problem}</Notice>
        </Box>
      )}
      {saved !== null && (
        <Box role="status" mb="14px">
          <Notice tone="plain">
            {saved === "" ? "Nothing was changed." : "Saved. "}
            {saved && (
              <QuietButton type="button" py="3px" ml="10px" onClick={() => takeBack(saved)}>
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
          stale={stale.stale}
          form={form}
          units={units}
          names={names}
          onTake={(key) => form.drop(key)}
          onKeep={() => {
            form.rebase(stale.stale.theirs);
            setVersion(stale.stale.version);
            setStale(null);
            void submit(stale.stale.version);
          }}
        />
      )}
      <Fieldset disabled={!hydrated || busy || readOnly}>
        <Flex gap="36px" align="flex-start" direction={{ base: "column", lg: "row" }}>
          <Box flex="1" minW="0" w="100%" columns={aside ? undefined : { base: 1, lg: 2 }} columnGap="36px">
            {groups.map((group) => {
              const shown = fields.filter((f) => f.group === group && (visible?.(f, form.now) ?? true));
              if (shown.length === 0) return null;
              return (
                <Box key={group} mb="18px" breakInside="avoid" columnSpan={shown.some(isWideList) ? "all" : undefined}>
                  <SubHead>{group}</SubHead>
                  <Box
                    pt="10px"
                    display="grid"
                    gridTemplateColumns="repeat(auto-fill, minmax(200px, 1fr))"
                    gap="0 20px"
                  >
                    {shown.map((field) => (
                      <Entry
                        key={field.key}
                        field={field}
                        label={called(field, form.now)}
                        form={form}
                        options={options}
                        units={units}
                        assumed={waiting.includes(field.key)}
                        onConfirm={() => setConfirmed([...confirmed, field.key])}
                        says={sayField(field, values[field.key], units, (id) => names[id] ?? id)}
                        readOnly={readOnly}
                        usual={usualOf || field.type.kind === "choice" ? usual?.[field.key] : undefined}
                        usualOf={usualOf ?? "The firm"}
                      />
                    ))}
                  </Box>
                </Box>
              );
            })}
          </Box>
          {aside && (
            <Box w={{ base: "100%", lg: "400px" }} flexShrink={0} position={{ lg: "sticky" }} top="16px">
              {aside(form)}
            </Box>
          )}
        </Flex>
        <Flex
          gap="12px"
          align="center"
          wrap="wrap"
          display={readOnly ? "none" : "flex"}
          position="sticky"
          bottom={{ base: "57px", md: "0" }}
          py="10px"
          bg="ground"
          borderTopWidth="1px"
          borderColor="rule"
          zIndex="2"
        >
          <GoButton type="submit" disabled={!hydrated || busy}>
            {busy ? "Saving" : record === null ? `Make this ${recordKinds[entity].one}` : "Save"}
          </GoButton>
          {waiting.length > 0 && (
            <QuietButton type="button" onClick={() => setConfirmed(assumed)}>
              Confirm all {waiting.length} that are assumed
            </QuietButton>
          )}
          <Span color="soft" fontSize="13.5px" role="status">
            {form.changedKeys.length + confirmed.length > 0
              ? `${form.changedKeys.length + confirmed.length} not saved yet`
              : ""}
          </Span>
        </Flex>
      </Fieldset>
    </Form>
  );
}

/** A list of more columns than half of a form shows. */
const isWideList = ({ type }: Field) => type.kind === "list" && type.columns.length > 3;

function Entry({
  field,
  label,
  form,
  options,
  units,
  assumed,
  onConfirm,
  says,
  readOnly,
  usual,
  usualOf,
}: {
  field: Field;
  label: string;
  form: RecordFormState;
  options: LinkOptions;
  units: UnitPreference;
  assumed: boolean;
  onConfirm: () => void;
  says: string;
  readOnly: boolean;
  usual: FieldValue | undefined;
  usualOf: string;
}) {
  const id = field.key.replace(/\./g, "-");
  const error = form.issues[field.key] ?? Object.entries(form.issues).find(([k]) => k.startsWith(`${field.key}.`))?.[1];
  const value = form.now[field.key] ?? "";
  const wide =
    field.type.kind === "list" ||
    field.type.kind === "many" ||
    field.type.kind === "windows" ||
    (field.type.kind === "text" && field.type.lines);
  // Sentences to choose from need the width of two fields.
  const long = field.type.kind === "choice" && field.type.options.some(([, says]) => says.length > 28);
  return (
    <Box mb="12px" gridColumn={wide ? "1 / -1" : long ? { sm: "span 2" } : undefined}>
      <Flex gap="8px" align="baseline" mb="3px" fontSize="13px">
        {!(field.type.kind === "list" && label === field.group) && (
          <label htmlFor={id} style={{ fontWeight: 620 }}>
            <Span color="soft">{label}</Span>
          </label>
        )}
        {assumed && (
          <QuietButton
            type="button"
            fontSize="12px"
            px="6px"
            py="0"
            color="ochre"
            borderStyle="dashed"
            borderColor="ochre"
            onClick={onConfirm}
            aria-label={`${label} is assumed: ${says}. Confirm it.`}
          >
            assumed
          </QuietButton>
        )}
      </Flex>
      {field.type.kind === "list" && readOnly ? (
        says.split("; ").map((line) => (
          <Box key={line} py="3px" borderBottomWidth="1px" borderColor="rule" fontSize="14.5px">
            {line}
          </Box>
        ))
      ) : field.type.kind === "list" ? (
        <ListInput
          field={field}
          columns={field.type.columns}
          lines={value as Line[]}
          onChange={(lines) => form.set(field.key, lines)}
          units={units}
        />
      ) : (
        <FieldInput
          field={field}
          id={id}
          value={value as string}
          onChange={(v) => form.set(field.key, v)}
          units={units}
          options={options}
          invalid={error !== undefined}
        />
      )}
      {usual !== undefined && writeField(field, usual, units) !== value && (
        <Flex gap="8px" align="baseline" fontSize="13px" color="soft" mt="3px">
          {usualOf}: {sayField(field, usual, units) || "nothing"}
          <QuietButton
            type="button"
            fontSize="12px"
            px="6px"
            py="0"
            aria-label={`${label} as ${inSentence(usualOf)} has it`}
            onClick={() => form.set(field.key, writeField(field, usual, units))}
          >
            take it
          </QuietButton>
        </Flex>
      )}
      {field.hint && (
        <Box id={`${id}-hint`} fontSize="13px" color="soft" mt="3px">
          {field.hint}
        </Box>
      )}
      {error && (
        <Box id={`${id}-error`} role="alert" fontSize="13.5px" color="vermilion" mt="3px" fontWeight="600">
          {error}
        </Box>
      )}
    </Box>
  );
}
