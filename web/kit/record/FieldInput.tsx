"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type Field, fieldUnit } from "@keel-round/core/desk";
import type { UnitPreference } from "@keel-round/core/units";
import { Choice, TextArea, TextInput } from "@/kit/controls";
import { Label, Span } from "@/kit/elements";

/** What a link may be set to, by the field's key. */
export type LinkOptions = Readonly<Record<string, readonly (readonly [id: string, name: string])[]>>;

interface InputProps {
  readonly field: Field;
  readonly id: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly units: UnitPreference;
  readonly options: LinkOptions;
  readonly invalid: boolean;
  readonly disabled?: boolean;
  /** What it is called where no label stands beside it. */
  readonly called?: string;
}

/** The control that fits a field: a choice, a date, lines of text, or a figure with its unit beside it. */
export function FieldInput({
  field,
  id,
  value,
  onChange,
  units,
  options,
  invalid,
  disabled = false,
  called,
}: InputProps) {
  const { type } = field;
  const common = {
    id,
    value,
    disabled,
    "aria-label": called,
    "aria-invalid": invalid || undefined,
    "aria-describedby": invalid ? `${id}-error` : field.hint ? `${id}-hint` : undefined,
    onChange: (e: { target: { value: string } }) => onChange(e.target.value),
  };
  if (type.kind === "choice" || type.kind === "yes-no" || type.kind === "link") {
    const list = type.kind === "choice" ? type.options : type.kind === "link" ? (options[field.key] ?? []) : YES_NO;
    return (
      <Choice {...common}>
        {(value === "" || (!field.required && type.kind !== "yes-no")) && <option value="">—</option>}
        {list.map(([v, label]) => (
          <option key={v} value={v}>
            {label}
          </option>
        ))}
      </Choice>
    );
  }
  if (type.kind === "many") {
    const chosen = value === "" ? [] : value.split(", ");
    return (
      <Flex id={id} gap="4px 14px" wrap="wrap" fontSize="14px">
        {type.options.map(([v, label]) => (
          <Label key={v} display="flex" gap="6px" minH="26px" alignItems="center">
            <input
              type="checkbox"
              checked={chosen.includes(v)}
              disabled={disabled}
              onChange={(e) => onChange((e.target.checked ? [...chosen, v] : chosen.filter((c) => c !== v)).join(", "))}
            />
            {label}
          </Label>
        ))}
      </Flex>
    );
  }
  if (type.kind === "text" && type.lines) return <TextArea {...common} rows={type.lines} />;
  const unit = fieldUnit(type, units);
  const figure = type.kind === "number" || unit !== "";
  return (
    <Flex align="center" gap="8px">
      <Box flex="1" maxW={figure ? "130px" : undefined}>
        <TextInput
          {...common}
          type={type.kind === "date" ? "date" : type.kind === "email" ? "email" : "text"}
          inputMode={figure ? "decimal" : undefined}
          fontFamily={figure ? "mono" : undefined}
        />
      </Box>
      {unit && <Span color="soft">{unit}</Span>}
    </Flex>
  );
}

const YES_NO = [
  ["yes", "yes"],
  ["no", "no"],
] as const;
