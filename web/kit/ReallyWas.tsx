import { Flex } from "@chakra-ui/react";
import type { UnitOption } from "@keel-round/core/units";
import { Choice, FieldRow, TextInput } from "./controls";

/** What a reading really was: the figure and the unit it was read in. */
export function ReallyWas({
  label,
  scales,
  text,
  unit,
  onText,
  onUnit,
}: {
  label: string;
  scales: readonly UnitOption[];
  text: string;
  unit: string;
  onText: (text: string) => void;
  onUnit: (unit: string) => void;
}) {
  return (
    <Flex gap="10px">
      <FieldRow label={`${label} really was`}>
        <TextInput value={text} inputMode="decimal" onChange={(e) => onText(e.target.value)} />
      </FieldRow>
      {scales.length > 1 && (
        <FieldRow label="Unit">
          <Choice value={unit} onChange={(e) => onUnit(e.target.value)}>
            {scales.map((s) => (
              <option key={s.unit} value={s.unit}>
                {s.unit}
              </option>
            ))}
          </Choice>
        </FieldRow>
      )}
    </Flex>
  );
}
