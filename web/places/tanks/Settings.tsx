"use client";

import { Box, Flex } from "@chakra-ui/react";
import {
  type Entered,
  FieldError,
  factsWith,
  parseDecimal,
  readValues,
  recordKinds,
  type Values,
} from "@keel-round/core/desk";
import { OutOfRangeError } from "@keel-round/core/issues";
import {
  type KeptFacts,
  systemVolumeL,
  type TankFacts,
  type TankKind,
  tankMisfits,
  volumeRelative95,
} from "@keel-round/core/tank";
import { KeptFactsSchema } from "@keel-round/core/tank/schema";
import { figure, showLength, showVolume, type UnitPreference } from "@keel-round/core/units";
import { insideOf, type VesselShape, vesselHeightM, vesselOf, vesselShapes } from "@keel-round/core/vessel";
import { misfitSentence } from "@keel-round/core/words";
import { useMemo, useState } from "react";
import { QuietButton, TextInput } from "@/kit/controls";
import { Details, Label, Span, Summary } from "@/kit/elements";
import { HeightHandle } from "@/kit/HeightHandle";
import { PlanView } from "@/kit/PlanView";
import type { Line } from "@/kit/record/ListInput";
import { RecordForm, type RecordFormProps } from "@/kit/record/RecordForm";
import type { RecordFormState } from "@/kit/record/useRecordForm";
import { Section, type SectionFrame } from "@/kit/Section";

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
  readonly facts: KeptFacts;
  readonly kind: TankKind;
  readonly name: string;
  /** What the firm begins this kind of tank with. */
  readonly firm: Values;
};

/** Everything that is known of a tank, with its section drawing itself while typing. */
export function Settings({ facts, kind, name, firm, ...form }: SettingsProps) {
  return (
    <RecordForm
      entity="tank"
      {...form}
      assumed={facts.assumed ?? []}
      usual={firm}
      madeAt="/tanks/"
      visible={visible}
      called={called}
      aside={(state) => <Drawn state={state} kept={facts} kind={kind} name={name} units={form.units} />}
    />
  );
}

/** The section of what is typed at this moment, or what keeps it from being drawn. */
function Drawn({
  state,
  kept,
  kind,
  name,
  units,
}: {
  state: RecordFormState;
  kept: KeptFacts;
  kind: TankKind;
  name: string;
  units: UnitPreference;
}) {
  const typed = JSON.stringify(state.changedKeys.map((key) => [key, state.now[key]]));
  const { facts, problem } = useMemo(() => {
    const { values, issues } = readValues(
      recordKinds.tank.fields,
      Object.fromEntries(JSON.parse(typed)) as Entered,
      units,
    );
    const issue = Object.values(issues)[0];
    if (issue) return { facts: null, problem: issue };
    return factsOf(kept, values, kind, name, units);
  }, [typed, kept, kind, name, units]);
  if (!facts) return <Box color="ochre">{problem}</Box>;
  const litres = systemVolumeL(facts);
  const half = volumeRelative95(facts) * litres;
  return (
    <Box>
      <Section
        facts={facts}
        markCm={null}
        units={units}
        width={400}
        overlay={(frame) => <Handles frame={frame} facts={facts} state={state} units={units} />}
      />
      <Box fontSize="13px" color="soft" mb="4px">
        Take hold of a mark at its grip, or reach it by Tab and move it with the arrow keys.
      </Box>
      <Outside state={state} units={units} />
      <PlanView vessel={facts.display.vessel} width={180} />
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

/** The running level and each landmark, to be moved on the drawing; what is moved stands in its field. */
function Handles({
  frame,
  facts,
  state,
  units,
}: {
  frame: SectionFrame;
  facts: TankFacts;
  state: RecordFormState;
  units: UnitPreference;
}) {
  const lines = state.now.landmarks as readonly Line[];
  const heightM = vesselHeightM(facts.display.vessel);
  const shown = (m: number) => plainFigure(showLength(m * 100, units.length), units);
  const says = (m: number) => `${shown(m)} ${units.length} above the floor`;
  const common = { y: frame.y, mOf: frame.mOf, lowM: 0.001, highM: heightM };
  // An empty line is no landmark, and has no handle.
  const places = lines.flatMap((line, at) => (line.name?.trim() ? [at] : []));
  return (
    <>
      <HeightHandle
        {...common}
        name="Running level"
        says={says(facts.display.runningLevelM)}
        heightM={facts.display.runningLevelM}
        x1={frame.left}
        x2={frame.right + 18}
        onMove={(m) => state.set("display.runningLevelM", shown(m))}
      />
      {facts.landmarks.map((mark, i) => {
        const at = places[i] ?? i;
        return (
          <HeightHandle
            key={at}
            {...common}
            name={mark.name}
            says={says(mark.heightM)}
            heightM={mark.heightM}
            x1={frame.left}
            // Where its line ends: they lie left and right in turn.
            x2={(i % 2 === 0 ? (frame.left + frame.right) / 2 : frame.right) - 4}
            onMove={(m) =>
              state.set(
                "landmarks",
                lines.map((line, n) => (n === at ? { ...line, heightM: shown(m) } : line)),
              )
            }
          />
        );
      })}
    </>
  );
}

/** To the millimetre, or the hundredth of an inch. */
const plainFigure = (value: number, units: UnitPreference) =>
  String(Number(value.toFixed(units.length === "cm" ? 1 : 2)));

/** Inside dimensions from those measured outside and the thickness of the walls. */
function Outside({ state, units }: { state: RecordFormState; units: UnitPreference }) {
  const [thickness, setThickness] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const shape = state.now["display.vessel.shape"] as VesselShape;
  const takeOff = () => {
    const fields = recordKinds.tank.fields.filter(({ key }) =>
      vesselShapes[shape]?.dimensions.some((d) => key === `display.vessel.${d.key}`),
    );
    const { values, issues } = readValues(fields, state.now as Entered, units);
    const issue = Object.values(issues)[0];
    if (issue) return setProblem(issue);
    try {
      const glassM = parseDecimal(thickness) / (units.length === "cm" ? 1000 : showLength(100, "in"));
      const outside = vesselOf(
        shape,
        Object.fromEntries(Object.entries(values).map(([key, v]) => [key.replace("display.vessel.", ""), Number(v)])),
      );
      const inside = insideOf(outside, glassM) as unknown as Record<string, number>;
      const shown = ({ key }: { readonly key: string }) =>
        plainFigure(showLength((inside[key.replace("display.vessel.", "")] ?? 0) * 100, units.length), units);
      state.setAll(Object.fromEntries(fields.map((f) => [f.key, shown(f)])));
      setProblem(null);
      setThickness("");
    } catch (error) {
      if (error instanceof FieldError) return setProblem(error.message);
      if (error instanceof OutOfRangeError) return setProblem("Such walls leave no room inside these dimensions.");
      throw error;
    }
  };
  return (
    <Details fontSize="13.5px" mb="8px">
      <Summary color="soft" py="6px">
        Measured outside the glass?
      </Summary>
      <Flex gap="8px" align="center" wrap="wrap" py="4px">
        <Label htmlFor="wall-thickness">Walls are</Label>
        <TextInput
          id="wall-thickness"
          inputMode="decimal"
          w="80px"
          value={thickness}
          onChange={(e) => setThickness(e.target.value)}
        />
        <Span>{units.length === "cm" ? "mm" : "in"} thick</Span>
        <QuietButton type="button" onClick={takeOff}>
          Take the walls off
        </QuietButton>
      </Flex>
      {problem && (
        <Box role="alert" color="vermilion" fontWeight="600">
          {problem}
        </Box>
      )}
    </Details>
  );
}

function factsOf(
  kept: KeptFacts,
  values: Values,
  kind: TankKind,
  name: string,
  units: UnitPreference,
): { facts: TankFacts | null; problem: string | null } {
  const parsed = KeptFactsSchema.safeParse(factsWith(kept, values));
  if (!parsed.success) return { facts: null, problem: "Some dimension is still missing." };
  const next = parsed.data as KeptFacts;
  const misfit = tankMisfits(next)[0];
  const problem = misfit ? misfitSentence(misfit, units) : null;
  // What does not fit is said; only what cannot be drawn at all is left out.
  if (misfit && ["no-volume", "measured-too-big", "level-above-glass"].includes(misfit.code))
    return { facts: null, problem };
  return { facts: { id: "", name, kind, ...next, animals: [] } as TankFacts, problem };
}
