"use client";

import { Box, Flex } from "@chakra-ui/react";
import { FieldError, parseDecimal } from "@keel-round/core/desk";
import { inSentence } from "@keel-round/core/text";
import { quantityText, showLength, type UnitPreference } from "@keel-round/core/units";
import { VESSEL_SHAPES, type Vessel, type VesselShape, vesselOf, vesselShapes } from "@keel-round/core/vessel";
import { Choice, FieldRow, TextInput } from "./controls";

/** A vessel as it is typed: its shape, and each side as text. */
export interface TypedVessel {
  readonly shape: VesselShape;
  readonly sides: Readonly<Record<string, string>>;
}

/** The vessel of what is typed, or what is wrong with each side. */
export function readVessel(
  typed: TypedVessel,
  units: UnitPreference,
): { readonly vessel: Vessel | null; readonly wrong: Readonly<Record<string, string>> } {
  const sides: Record<string, number> = {};
  const wrong: Record<string, string> = {};
  for (const { key, label } of vesselShapes[typed.shape].dimensions)
    try {
      const metres = parseDecimal(typed.sides[key] ?? "") / showLength(100, units.length);
      if (!(metres > 0 && metres <= 20))
        wrong[key] = `Enter a length from ${quantityText(0.1, "cm", units)} to ${quantityText(2000, "cm", units)}.`;
      sides[key] = metres;
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      wrong[key] = typed.sides[key] ? error.message : `Enter the ${inSentence(label)}.`;
    }
  return { vessel: Object.keys(wrong).length === 0 ? vesselOf(typed.shape, sides) : null, wrong };
}

/** Shape and inside dimensions of a vessel. */
export function VesselFields({
  label,
  error,
  typed,
  wrong,
  units,
  onChange,
}: {
  label: string;
  error?: string | undefined;
  typed: TypedVessel;
  wrong: Readonly<Record<string, string>>;
  units: UnitPreference;
  onChange: (change: Partial<TypedVessel>) => void;
}) {
  return (
    <>
      <FieldRow label={label} error={error}>
        <Choice value={typed.shape} onChange={(e) => onChange({ shape: e.target.value as VesselShape })}>
          {VESSEL_SHAPES.map((shape) => (
            <option key={shape} value={shape}>
              {vesselShapes[shape].label}
            </option>
          ))}
        </Choice>
      </FieldRow>
      <Flex gap="12px" wrap="wrap">
        {vesselShapes[typed.shape].dimensions.map(({ key, label: side }) => (
          <Box key={key} w="116px">
            <FieldRow label={`${side}, ${units.length}`} error={typed.sides[key] ? wrong[key] : undefined}>
              <TextInput
                inputMode="decimal"
                fontFamily="mono"
                value={typed.sides[key] ?? ""}
                onChange={(e) => onChange({ sides: { ...typed.sides, [key]: e.target.value } })}
              />
            </FieldRow>
          </Box>
        ))}
      </Flex>
    </>
  );
}
