"use client";

import { Box } from "@chakra-ui/react";
import { type Entered, factsWith, readValues, recordKinds, type Values } from "@keel-round/core/book";
import {
  systemVolumeL,
  type TankBook,
  type TankFacts,
  type TankKind,
  tankMisfits,
  volumeRelative95,
} from "@keel-round/core/tank";
import { TankFactsSchema } from "@keel-round/core/tank/schema";
import { figure, showVolume, type UnitPreference } from "@keel-round/core/units";
import { type VesselShape, vesselShapes } from "@keel-round/core/vessel";
import { misfitSentence } from "@keel-round/core/words";
import { useMemo } from "react";
import { Span } from "@/kit/elements";
import { PlanView } from "@/kit/PlanView";
import { RecordForm, type RecordFormProps } from "@/kit/record/RecordForm";
import type { RecordFormState } from "@/kit/record/useRecordForm";
import { Section } from "@/kit/Section";

/** Dimensions of a shape show for that shape only. */
function visible(field: { readonly key: string }, now: Readonly<Record<string, unknown>>): boolean {
  if (!field.key.startsWith("display.vessel.") || field.key.endsWith(".shape")) return true;
  const shape = vesselShapes[now["display.vessel.shape"] as VesselShape];
  return shape?.dimensions.some((d) => `display.vessel.${d.key}` === field.key) ?? false;
}

/** A dimension by its name on the shape that is chosen. */
function called(
  field: { readonly key: string; readonly label: string },
  now: Readonly<Record<string, unknown>>,
): string {
  const shape = vesselShapes[now["display.vessel.shape"] as VesselShape];
  return shape?.dimensions.find((d) => `display.vessel.${d.key}` === field.key)?.label ?? field.label;
}

type SettingsProps = Pick<RecordFormProps, "record" | "values" | "options" | "names" | "units" | "save" | "undo"> & {
  readonly facts: TankFacts;
  readonly kind: TankKind;
  readonly name: string;
};

/** Everything that is known of a tank, with its section drawing itself while typing. */
export function Settings({ facts, kind, name, ...form }: SettingsProps) {
  return (
    <RecordForm
      entity="tank"
      {...form}
      assumed={facts.assumed ?? []}
      madeAt="/tanks/"
      visible={visible}
      called={called}
      aside={(state) => <Drawn state={state} facts={facts} kind={kind} name={name} units={form.units} />}
    />
  );
}

/** The section of what is typed at this moment, or what keeps it from being drawn. */
function Drawn({
  state,
  facts,
  kind,
  name,
  units,
}: {
  state: RecordFormState;
  facts: TankFacts;
  kind: TankKind;
  name: string;
  units: UnitPreference;
}) {
  const typed = JSON.stringify(state.changedKeys.map((key) => [key, state.now[key]]));
  const { book, problem } = useMemo(() => {
    const { values, issues } = readValues(
      recordKinds.tank.fields,
      Object.fromEntries(JSON.parse(typed)) as Entered,
      units,
    );
    const issue = Object.values(issues)[0];
    if (issue) return { book: null, problem: issue };
    return bookOf(facts, values, kind, name, units);
  }, [typed, facts, kind, name, units]);
  if (!book) return <Box color="ochre">{problem}</Box>;
  const litres = systemVolumeL(book);
  const half = volumeRelative95(book) * litres;
  return (
    <Box>
      <Section book={book} markCm={null} units={units} width={400} />
      <PlanView vessel={book.display.vessel} width={180} />
      <Box mt="6px">
        <Span fontFamily="mono" fontSize="24px" fontWeight="560">
          {figure(showVolume(litres, units.volume), 0)}
        </Span>{" "}
        <Span color="soft">
          {units.volume} in the system, {figure(showVolume(litres - half, units.volume), 0)} to{" "}
          {figure(showVolume(litres + half, units.volume), 0)}
        </Span>
      </Box>
      {problem && (
        <Box color="vermilion" fontWeight="600" fontSize="13.5px" mt="4px">
          {problem}
        </Box>
      )}
    </Box>
  );
}

function bookOf(
  facts: TankFacts,
  values: Values,
  kind: TankKind,
  name: string,
  units: UnitPreference,
): { book: TankBook | null; problem: string | null } {
  const parsed = TankFactsSchema.safeParse(factsWith(facts, values));
  if (!parsed.success) return { book: null, problem: "Some dimension is still missing." };
  const next = parsed.data as TankFacts;
  const misfit = tankMisfits(next)[0];
  const problem = misfit ? misfitSentence(misfit, units) : null;
  // What does not fit is said; only what cannot be drawn at all is left out.
  if (misfit && ["no-volume", "measured-too-big", "level-above-glass"].includes(misfit.code))
    return { book: null, problem };
  return { book: { id: "", name, kind, ...next, animals: [] } as TankBook, problem };
}
