"use client";

import { Box, Flex } from "@chakra-ui/react";
import { FieldRow, QuietButton, SubHead, TextInput } from "@/kit/controls";
import { Input, Label } from "@/kit/elements";
import { newSpell, type TypedSpell } from "./formModel";
import { RhythmFields } from "./RhythmFields";

/** Times with another rhythm or none: a pause, a season, two months of every week. */
export function SpellFields({
  spells,
  on,
  change,
  error,
}: {
  spells: readonly TypedSpell[];
  /** The day a new one begins with. */
  on: string;
  change: (spells: readonly TypedSpell[]) => void;
  error?: string | undefined;
}) {
  const set = (key: number, part: Partial<TypedSpell>) =>
    change(spells.map((s) => (s.key === key ? { ...s, ...part } : s)));
  return (
    <Box mt="6px">
      <SubHead>Pauses, and times with another rhythm</SubHead>
      {spells.map((s) => (
        <Box key={s.key} role="group" aria-label="A time" py="12px" borderBottomWidth="1px" borderColor="rule">
          <Flex gap="12px" wrap="wrap" align="flex-start">
            <Box w="165px">
              <FieldRow label="From">
                <TextInput
                  type="date"
                  value={s.fromOn}
                  onChange={(e) => set(s.key, { fromOn: e.currentTarget.value })}
                />
              </FieldRow>
            </Box>
            <Box w="165px">
              <FieldRow label="To, that day too">
                <TextInput
                  type="date"
                  value={s.untilOn}
                  onChange={(e) => set(s.key, { untilOn: e.currentTarget.value })}
                />
              </FieldRow>
            </Box>
            <Box flex="1" minW="180px">
              <FieldRow label="Why">
                <TextInput value={s.why} maxLength={160} onChange={(e) => set(s.key, { why: e.currentTarget.value })} />
              </FieldRow>
            </Box>
          </Flex>
          <RhythmFields typed={s.rhythm} change={(rhythm) => set(s.key, { rhythm })} mayBeNever />
          <Flex gap="18px" align="center">
            <Label display="inline-flex" gap="8px" alignItems="center" minH="40px">
              <Input
                type="checkbox"
                checked={s.yearly}
                onChange={(e) => set(s.key, { yearly: e.currentTarget.checked })}
              />
              Every year
            </Label>
            <QuietButton type="button" onClick={() => change(spells.filter((x) => x.key !== s.key))}>
              Remove this time
            </QuietButton>
          </Flex>
        </Box>
      ))}
      {error && (
        <Box role="alert" fontSize="13.5px" color="vermilion" mt="6px" fontWeight="600">
          {error}
        </Box>
      )}
      <Box pt="10px">
        <QuietButton type="button" onClick={() => change([...spells, newSpell(spells, on)])}>
          Add a pause or a season
        </QuietButton>
      </Box>
    </Box>
  );
}
