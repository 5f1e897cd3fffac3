"use client";

import { Box, Flex } from "@chakra-ui/react";
import { oddOf } from "@keel-round/core/given";
import { type KitOnDay, kitSentences } from "@keel-round/core/kits";
import { sayAll } from "@keel-round/core/say";
import { type Parameter, parameterFacts, type UnitPreference, withUnit } from "@keel-round/core/units";
import { offerSentence } from "@keel-round/core/words";
import { Choice, FieldRow, QuietButton, TextInput } from "@/kit/controls";
import { ReadingOf } from "@/kit/ReadingOf";
import { asOffered, figureOf, type KnownForEntry, kitsFor, type Typed } from "./entry";

/** One parameter: the figure, its unit, and what it was read with. What does not fit is questioned beside it. */
export function EntryRow({
  parameter,
  label,
  known,
  row,
  units,
  today,
  wrong,
  onType,
}: {
  parameter: Parameter;
  label: string;
  known: KnownForEntry;
  row: Typed;
  units: UnitPreference;
  /** Whether it was read today: a figure of a past day is not held against today's. */
  today: boolean;
  wrong: string | undefined;
  onType: (change: Partial<Typed>) => void;
}) {
  const { units: scales, methods } = parameterFacts[parameter];
  const kits = kitsFor(known, parameter);
  const kit = kits.find((k) => k.kit.id === row.kitId);
  const choose = (value: string) => {
    const chosen = kits.find((k) => k.kit.id === value);
    onType(chosen ? { kitId: value, method: chosen.method } : { kitId: null, method: value });
  };
  return (
    <Box data-entry={parameter}>
      <Flex gap="10px" align="flex-end" wrap="wrap">
        <Box flex="1" minW="140px">
          <FieldRow label={label} error={wrong}>
            <TextInput inputMode="decimal" value={row.text} onChange={(e) => onType({ text: e.target.value })} />
          </FieldRow>
        </Box>
        {/* Before the unit in the order of Tab, so that two keys put a slip right; below it to the eye. */}
        {row.text !== "" && <Questioned {...{ parameter, label, known, row, units, today, kit, onType }} />}
        <Box w="130px" mb="12px" pb={scales.length > 1 ? "0" : "9px"}>
          {scales.length > 1 ? (
            <Choice aria-label={`Unit of ${label}`} value={row.unit} onChange={(e) => onType({ unit: e.target.value })}>
              {scales.map((s) => (
                <option key={s.unit} value={s.unit}>
                  {s.unit}
                </option>
              ))}
            </Choice>
          ) : (
            row.unit
          )}
        </Box>
        <Box w="190px" mb="12px">
          <Choice
            aria-label={`Method of ${label}`}
            value={row.kitId ?? row.method}
            onChange={(e) => choose(e.target.value)}
          >
            {kits.map(({ kit: { id, name } }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
            {methods.map((m) => (
              <option key={m.method} value={m.method}>
                {m.method}
              </option>
            ))}
          </Choice>
        </Box>
      </Flex>
      <ReadingOf
        mb="12px"
        parameter={parameter}
        filters={known.facts.filterUnits}
        meters={known.meters}
        value={row.item ?? ""}
        onChoose={(name) => onType({ item: name || null })}
      />
    </Box>
  );
}

/** What does not fit of a figure, and what its kit says of itself. */
function Questioned({
  parameter,
  label,
  known,
  row,
  units,
  today,
  kit,
  onType,
}: Omit<Parameters<typeof EntryRow>[0], "wrong"> & {
  kit: KitOnDay | undefined;
}) {
  const figure = row.text.trim() === "" ? null : figureOf(known, parameter, row, units);
  const odd = figure && today ? oddOf(known, figure) : null;
  if (!odd && !kit) return null;
  return (
    <Box order="1" w="100%" mt="-6px" mb="12px" fontSize="14px" role="status">
      {odd && (
        <Box color="ochre" data-odd="">
          {withUnit(parameter, odd.value, units)} does not fit: about {withUnit(parameter, odd.expected, units)} was
          expected. {odd.offers.length > 0 ? "Was it" : "Measure it once more before you lean on it."}
          {odd.offers.map((o) => (
            <QuietButton
              key={`${o.as} ${o.value}`}
              type="button"
              aria-label={`${label}: ${offerSentence(o, parameter, units)}`}
              ml="8px"
              py="4px"
              px="10px"
              fontSize="14px"
              onClick={() => onType(asOffered(known, parameter, row, o, units.decimal))}
            >
              {offerSentence(o, parameter, units)}
            </QuietButton>
          ))}
        </Box>
      )}
      {kit && <Box color={kit.problems.length > 0 ? "ochre" : "soft"}>{sayAll(kitSentences(kit), units)}</Box>}
    </Box>
  );
}
