"use client";

import { Box, Flex } from "@chakra-ui/react";
import { addDays } from "@keel-round/core/calendar";
import type { DailyLimits, PlanInput, WaterSource } from "@keel-round/core/given";
import { OutOfRangeError } from "@keel-round/core/issues";
import {
  type KindFacts,
  quickStart,
  TANK_KINDS,
  type TankFacts,
  type TankKind,
  tankMisfits,
} from "@keel-round/core/tank";
import {
  figure,
  type Parameter,
  parameterFacts,
  parseNumber,
  parseReading,
  type UnitPreference,
  unitFor,
} from "@keel-round/core/units";
import { misfitSentence } from "@keel-round/core/words";
import { useMemo, useState } from "react";
import { AppLink } from "@/kit/AppLink";
import { Choice, FieldRow, PageHead, SubHead, TextInput } from "@/kit/controls";
import { A, Fieldset } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { readVessel, type TypedVessel, VesselFields } from "@/kit/VesselFields";
import { Planner } from "./Planner";
import { WaterNav } from "./WaterNav";

interface Answers extends TypedVessel {
  readonly kind: TankKind;
  readonly sump: boolean;
  readonly sourceId: string;
  readonly days: string;
  readonly risesADay: string;
  readonly readings: Readonly<Partial<Record<Parameter, string>>>;
}

/** Asked of any tank in a minute; what its bands hold beyond these is left to the tank itself. */
const ASKED: readonly Parameter[] = ["temperature", "ph", "salinity", "alkalinity", "nitrate", "phosphate", "ammonia"];

/** A tank that is described in a minute and kept nowhere, and its change worked out. */
export function Describe({
  sources,
  kinds,
  limits,
  units,
  today,
}: {
  sources: readonly WaterSource[];
  kinds: Readonly<Record<TankKind, KindFacts>>;
  limits: DailyLimits;
  units: UnitPreference;
  today: string;
}) {
  const hydrated = useHydrated();
  const [answers, setAnswers] = useState<Answers>({
    kind: "community",
    shape: "box",
    sides: {},
    sump: false,
    sourceId: "",
    days: "7",
    risesADay: "",
    readings: {},
  });
  const set = (change: Partial<Answers>) => setAnswers({ ...answers, ...change });
  const kind = kinds[answers.kind];
  const salt = kind.targetPsu > 0;
  const waters = sources.filter((s) => (s.kind === "mix" || s.kind === "natural-sea") === salt);
  const source = waters.find((s) => s.id === answers.sourceId) ?? waters[0];
  const { vessel, wrong } = useMemo(() => readVessel(answers, units), [answers, units]);
  const asked = ASKED.filter((p) => kind.bands.some((b) => b.parameter === p) || p === "temperature");
  const read = useMemo(() => readAnswers(answers, asked, units), [answers, asked, units]);
  const made = useMemo(() => {
    if (!vessel || !source) return null;
    try {
      const usual = quickStart({ kind: answers.kind, firm: kind, vessel, sump: answers.sump, startedOn: today });
      const misfit = tankMisfits(usual)[0];
      if (misfit) return { input: null, misfit };
      const facts = { id: "", name: kind.label, kind: answers.kind, ...usual, animals: [] } as TankFacts;
      return { input: inputOf(facts, source, read, limits, today), misfit: null };
    } catch (error) {
      // Dimensions that make no vessel: the fields say which one.
      if (!(error instanceof OutOfRangeError)) throw error;
      return null;
    }
  }, [vessel, source, answers.kind, answers.sump, kind, read, limits, today]);
  return (
    <Box>
      <WaterNav here="/water" />
      <PageHead
        title="A tank described"
        facts="Nothing of it is kept."
        actions={
          <A asChild color="coralline" fontSize="14.5px">
            <AppLink href="/water">One of your tanks</AppLink>
          </A>
        }
      />
      <Fieldset disabled={!hydrated} mt="14px">
        <Flex gap="36px" wrap="wrap" align="flex-start">
          <Box w="380px" maxW="100%">
            <FieldRow label="Kind">
              <Choice value={answers.kind} onChange={(e) => set({ kind: e.target.value as TankKind, sourceId: "" })}>
                {TANK_KINDS.map((code) => (
                  <option key={code} value={code}>
                    {kinds[code].label}
                  </option>
                ))}
              </Choice>
            </FieldRow>
            <VesselFields
              label="Shape, measured inside the glass"
              typed={answers}
              wrong={wrong}
              units={units}
              onChange={set}
            />
            <Flex gap="12px" wrap="wrap">
              <Box flex="1" minW="180px">
                <FieldRow label="New water">
                  <Choice value={source?.id ?? ""} onChange={(e) => set({ sourceId: e.target.value })}>
                    {waters.map((s) => (
                      <option key={s.id} value={s.id}>
                        {s.name}
                      </option>
                    ))}
                  </Choice>
                </FieldRow>
              </Box>
              <Box w="110px">
                <FieldRow label="A sump">
                  <Choice value={answers.sump ? "yes" : "no"} onChange={(e) => set({ sump: e.target.value === "yes" })}>
                    <option value="no">no</option>
                    <option value="yes">yes</option>
                  </Choice>
                </FieldRow>
              </Box>
            </Flex>
          </Box>
          <Box flex="1" minW="280px" maxW="560px">
            <SubHead>What was read, as far as it was</SubHead>
            <Flex gap="12px" wrap="wrap" pt="10px">
              {asked.map((p) => (
                <Box key={p} w="128px">
                  <FieldRow
                    label={`${parameterFacts[p].label}${unitFor(p, units) ? `, ${unitFor(p, units)}` : ""}`}
                    error={read.wrong[p]}
                  >
                    <TextInput
                      inputMode="decimal"
                      fontFamily="mono"
                      value={answers.readings[p] ?? ""}
                      onChange={(e) => set({ readings: { ...answers.readings, [p]: e.target.value } })}
                    />
                  </FieldRow>
                </Box>
              ))}
              <Box w="128px">
                <FieldRow label="Nitrate rises a day" error={read.wrong.risesADay}>
                  <TextInput
                    inputMode="decimal"
                    fontFamily="mono"
                    value={answers.risesADay}
                    onChange={(e) => set({ risesADay: e.target.value })}
                  />
                </FieldRow>
              </Box>
              <Box w="128px">
                <FieldRow label="Next visit in, days" error={read.wrong.days}>
                  <TextInput
                    inputMode="numeric"
                    fontFamily="mono"
                    value={answers.days}
                    onChange={(e) => set({ days: e.target.value })}
                  />
                </FieldRow>
              </Box>
            </Flex>
          </Box>
        </Flex>
      </Fieldset>
      <Box mt="18px">
        {!source ? (
          <Box color="soft">There is no water for such a tank yet. Waters are kept at the desk.</Box>
        ) : made?.input ? (
          <Planner
            key={`${answers.kind}${source.id}${answers.sump}`}
            input={made.input}
            sources={[source, ...waters.filter((s) => s.id !== source.id)]}
            units={units}
          />
        ) : made?.misfit ? (
          <Box color="vermilion" fontWeight="600">
            {misfitSentence(made.misfit, units)}
          </Box>
        ) : (
          <Box color="soft">Type the dimensions, and its change is worked out here.</Box>
        )}
      </Box>
    </Box>
  );
}

interface ReadAnswers {
  readonly values: readonly { readonly parameter: Parameter; readonly value: number; readonly sigma: number }[];
  readonly risesADay: number | null;
  readonly days: number;
  readonly wrong: Readonly<Partial<Record<Parameter | "risesADay" | "days", string>>>;
}

/** The readings as they are typed in the person's units, and what is wrong with each. */
function readAnswers(answers: Answers, asked: readonly Parameter[], units: UnitPreference): ReadAnswers {
  const wrong: Partial<Record<Parameter | "risesADay" | "days", string>> = {};
  const values = asked.flatMap((parameter) => {
    const text = answers.readings[parameter]?.trim() ?? "";
    if (text === "") return [];
    const its = parameterFacts[parameter];
    const parsed = parseReading({
      parameter,
      text,
      unit: unitFor(parameter, units),
      method: its.methods[0]?.method ?? "",
    });
    if (parsed.ok) return [{ parameter, value: parsed.value, sigma: parsed.sigma }];
    wrong[parameter] =
      parsed.problem.code === "implausible"
        ? `From ${figure(parsed.problem.low, its.decimals)} to ${figure(parsed.problem.high, its.decimals)}.`
        : parsed.problem.code === "other-unit"
          ? `Is this in ${parsed.problem.unit}?`
          : "Enter one number.";
    return [];
  });
  const plain = (key: "risesADay" | "days", low: number, high: number): number | null => {
    const text = answers[key];
    if (text.trim() === "") return null;
    const number = parseNumber(text, units.decimal);
    if (number !== null && number >= low && number <= high) return number;
    wrong[key] = `From ${low} to ${high}.`;
    return null;
  };
  return { values, risesADay: plain("risesADay", 0.01, 50), days: Math.round(plain("days", 1, 90) ?? 7), wrong };
}

/** What a plan is made from where nothing but the form is known. */
function inputOf(
  facts: TankFacts,
  source: WaterSource,
  { values, risesADay, days }: ReadAnswers,
  limits: DailyLimits,
  today: string,
): PlanInput {
  const nitrate = values.find((v) => v.parameter === "nitrate");
  return {
    facts,
    readings: values.map((v) => ({ ...v, on: today })),
    rates:
      nitrate && risesADay !== null
        ? {
            nitrate: {
              enough: true,
              perDay: risesADay,
              perDaySigma: 0.2 * risesADay,
              now: nitrate.value,
              nowSigma: nitrate.sigma,
              readings: 1,
            },
          }
        : {},
    tasks: [],
    source,
    topUpSource: source,
    limits,
    findings: [],
    on: today,
    nextVisitOn: addDays(today, days),
    lastVisitOn: null,
    belowMarkCm: 0,
    litresOnBoard: null,
    loggedMinutes: {},
    site: { drain: "sewer", bucketL: 20, hygieneLast: false },
  };
}
