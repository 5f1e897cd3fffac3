"use client";

import { Box, Flex } from "@chakra-ui/react";
import { Choice, FieldRow } from "@/kit/controls";
import { Span } from "@/kit/elements";

/** A tank that rows may be of. */
export interface TankChoice {
  readonly id: string;
  readonly name: string;
  readonly siteName: string;
}

/** What a file of readings does not say itself. */
export interface SampleAsked {
  readonly tankId: string | null;
  readonly method: string | null;
  readonly names: Readonly<Record<string, string>>;
}

const METHODS = ["laboratory", "photometer", "liquid kit", "strip"];

/** Whose water it is, how it was measured, and who the names are that nobody knows here; the next file like it knows. */
export function SampleFields({
  tanks,
  named,
  measuredBy,
  strangers,
  sample,
  onSay,
}: {
  tanks: readonly TankChoice[];
  /** Whether a column names the tank, and one says how it was measured. */
  named: boolean;
  measuredBy: boolean;
  strangers: readonly string[];
  sample: SampleAsked;
  onSay: (sample: SampleAsked) => void;
}) {
  const name = (stranger: string, tankId: string) => {
    const { [stranger]: _, ...others } = sample.names;
    onSay({ ...sample, names: tankId === "" ? others : { ...others, [stranger]: tankId } });
  };
  return (
    <>
      {!named && (
        <Box w="260px">
          <FieldRow label="All of it is of">
            <TankPick
              tanks={tanks}
              value={sample.tankId ?? ""}
              onPick={(id) => onSay({ ...sample, tankId: id || null })}
            />
          </FieldRow>
        </Box>
      )}
      {!measuredBy && (
        <Box w="170px">
          <FieldRow label="Measured by">
            <Choice value={sample.method ?? ""} onChange={(e) => onSay({ ...sample, method: e.target.value || null })}>
              <option value="">nobody says how</option>
              {METHODS.map((m) => (
                <option key={m}>{m}</option>
              ))}
            </Choice>
          </FieldRow>
        </Box>
      )}
      {named && strangers.length > 0 && (
        <Box w="100%" mb="6px">
          {strangers.map((stranger) => (
            <Flex key={stranger} gap="10px" align="center" py="3px" wrap="wrap" data-stranger={stranger}>
              <Span fontFamily="mono" minW="160px">
                {stranger}
              </Span>
              <Span color="soft">is</Span>
              <Box w="280px">
                <TankPick
                  label={`The tank that ${stranger} is`}
                  tanks={tanks}
                  value={sample.names[stranger] ?? ""}
                  onPick={(id) => name(stranger, id)}
                />
              </Box>
            </Flex>
          ))}
        </Box>
      )}
    </>
  );
}

function TankPick({
  label,
  tanks,
  value,
  onPick,
}: {
  label?: string;
  tanks: readonly TankChoice[];
  value: string;
  onPick: (id: string) => void;
}) {
  return (
    <Choice value={value} onChange={(e) => onPick(e.target.value)} {...(label ? { "aria-label": label } : {})}>
      <option value="">no tank yet</option>
      {tanks.map((t) => (
        <option key={t.id} value={t.id}>
          {t.name}, {t.siteName}
        </option>
      ))}
    </Choice>
  );
}
