"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type Field, type FieldValue, sayField, writeField } from "@keel-round/core/desk";
import { inSentence } from "@keel-round/core/text";
import type { UnitPreference } from "@keel-round/core/units";
import { QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { FieldInput, type LinkOptions } from "./FieldInput";
import { type Line, ListInput } from "./ListInput";
import type { RecordFormState } from "./useRecordForm";

/** A field with its name, what it is assumed or usual to be, its hint and what is wrong with it. */
export function Entry(props: EntryProps) {
  const { field, form, says, readOnly, units } = props;
  const id = field.key.replace(/\./g, "-");
  const error = form.issues[field.key] ?? Object.entries(form.issues).find(([k]) => k.startsWith(`${field.key}.`))?.[1];
  const value = form.now[field.key] ?? "";
  return (
    <Box mb="12px" gridColumn={columnsOf(field)}>
      <Name {...props} id={id} />
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
          options={props.options}
          invalid={error !== undefined}
        />
      )}
      <Usual {...props} />
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

interface EntryProps {
  readonly field: Field;
  readonly label: string;
  readonly form: RecordFormState;
  readonly options: LinkOptions;
  readonly units: UnitPreference;
  readonly assumed: boolean;
  readonly onConfirm: () => void;
  /** What is kept, in words. */
  readonly says: string;
  readonly readOnly: boolean;
  readonly usual: FieldValue | undefined;
  readonly usualOf: string;
}

/** How much of the form's width a field takes. */
function columnsOf({ type }: Field) {
  if (["list", "many", "windows"].includes(type.kind) || (type.kind === "text" && type.lines)) return "1 / -1";
  // Sentences to choose from need the width of two fields.
  return type.kind === "choice" && type.options.some(([, says]) => says.length > 28) ? { sm: "span 2" } : undefined;
}

function Name({ field, label, id, assumed, says, onConfirm }: EntryProps & { readonly id: string }) {
  return (
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
  );
}

/** What it usually is, where this differs from it. */
function Usual({ field, label, form, units, usual, usualOf }: EntryProps) {
  if (usual === undefined || writeField(field, usual, units) === (form.now[field.key] ?? "")) return null;
  return (
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
  );
}
