"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { DailyLimits, PlanInput } from "@keel-round/core/given";
import {
  type IonsMgL,
  molarMass,
  planRaise,
  REAGENTS,
  type ReagentName,
  type ReagentTarget,
  reagentDose,
  riseOfDose,
} from "@keel-round/core/mixing";
import { systemVolumeL } from "@keel-round/core/tank";
import { figure, type Parameter, quantityText, showVolume, type UnitPreference } from "@keel-round/core/units";
import { q, worked } from "@keel-round/core/worked";
import { useState } from "react";
import { Choice, FieldRow, SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { latestOf } from "@/kit/latest";
import { useNumbers } from "@/kit/useNumbers";
import { WorkedFigure } from "@/kit/Working";

type What = ReagentTarget["of"];

interface Raised {
  readonly label: string;
  readonly unit: string;
  readonly parameter?: Parameter;
  readonly limit?: keyof DailyLimits;
}

const WHAT: Readonly<Record<What, Raised>> = {
  alkalinity: { label: "Alkalinity, KH", unit: "dKH", parameter: "alkalinity", limit: "alkalinityDkh" },
  calcium: { label: "Calcium", unit: "mg/L", parameter: "calcium", limit: "calciumMgL" },
  magnesium: { label: "Magnesium", unit: "mg/L", parameter: "magnesium", limit: "magnesiumMgL" },
  hardness: { label: "Hardness, GH", unit: "dGH", parameter: "gh" },
  potassium: { label: "Potassium", unit: "mg/L" },
  nitrate: { label: "Nitrate", unit: "mg/L", parameter: "nitrate" },
  phosphate: { label: "Phosphate", unit: "mg/L", parameter: "phosphate" },
};
const ALL = Object.keys(WHAT) as What[];

/** Powders that give some of it. */
const giving = (of: What): ReagentName[] =>
  (Object.keys(REAGENTS) as ReagentName[]).filter(
    (name) =>
      reagentDose(name, of === "alkalinity" ? { of, dkh: 1 } : of === "hardness" ? { of, dgh: 1 } : { of, mgL: 1 }, 1)
        .ok,
  );

/** Grams that bring one thing of a tank up, in steps that its animals bear. */
export function Raise({ input, units }: { input: PlanInput; units: UnitPreference }) {
  const first = input.facts.bands.some((b) => b.parameter === "alkalinity") ? "alkalinity" : "hardness";
  const [of, setOf] = useState<What>(first);
  return (
    <Box>
      <SubHead>Raise it in the tank</SubHead>
      <Box pt="10px" w="240px">
        <FieldRow label="What">
          <Choice value={of} onChange={(e) => setOf(e.target.value as What)}>
            {ALL.map((w) => (
              <option key={w} value={w}>
                {WHAT[w].label}
              </option>
            ))}
          </Choice>
        </FieldRow>
      </Box>
      <RaiseOf key={of} of={of} input={input} units={units} />
    </Box>
  );
}

function RaiseOf({ of, input, units }: { of: What; input: PlanInput; units: UnitPreference }) {
  const { unit, parameter, limit } = WHAT[of];
  const reagents = giving(of);
  const [reagent, setReagent] = useState<ReagentName>(reagents[0] ?? "sodium bicarbonate");
  const band = input.facts.bands.find((b) => b.parameter === parameter);
  const read = parameter ? latestOf(input).get(parameter)?.value : undefined;
  const perLitre = showVolume(1, units.volume);
  const most = limit ? input.limits[limit] : null;
  const { numbers, field } = useNumbers(
    {
      from: { label: "Reads", unit, low: 0, high: 5000, start: read === undefined ? "" : figure(read, 1) },
      to: {
        label: "Wanted",
        unit,
        low: 0,
        high: 5000,
        start: band ? figure((Math.max(0, band.idealLow) + band.idealHigh) / 2, 1) : "",
      },
      litres: {
        label: `In the tank then, ${units.volume}`,
        low: 0.5,
        high: 100_000,
        start: (systemVolumeL(input.facts) * perLitre).toFixed(0),
      },
      purity: { label: "Purity, %", low: 1, high: 100, start: "100" },
      given: { label: "Or given, g", low: 0, high: 100_000, start: "" },
    },
    units,
  );
  const { from, to, litres, purity, given } = numbers;
  const rise =
    given !== null && litres !== null && purity !== null
      ? riseOfDose(reagent, of, given, litres / perLitre, purity / 100)
      : null;
  const moved = unit === "dKH" ? "dKH moved" : unit;
  const plan =
    from !== null && to !== null && litres !== null && purity !== null
      ? planRaise({ of, from, to, litres: litres / perLitre, reagent, purity: purity / 100, mostADay: most })
      : null;
  return (
    <Box>
      <Flex gap="12px" wrap="wrap">
        {(["from", "to", "litres", "purity", "given"] as const).map((key) => (
          <Box key={key} w="128px">
            {field(key)}
          </Box>
        ))}
        <Box flex="1" minW="240px">
          <FieldRow label="With">
            <Choice value={reagent} onChange={(e) => setReagent(e.target.value as ReagentName)}>
              {reagents.map((name) => (
                <option key={name} value={name}>
                  {name}, {REAGENTS[name].name}
                </option>
              ))}
            </Choice>
          </FieldRow>
        </Box>
      </Flex>
      <Box role="status">
        {rise !== null && (
          <Box fontWeight="560" mb="4px">
            {figure(given ?? 0, 1)} g raise it by {quantityText(rise, moved, units)}.
          </Box>
        )}
        {plan === null && <Span color="soft">Enter what it reads, and what is wanted.</Span>}
        {plan && !plan.ok && (
          <Span color="soft">
            {plan.reason === "is-there" ? "It is there already: nothing is dosed." : "This powder gives none of it."}
          </Span>
        )}
        {plan?.ok && (
          <>
            <WorkedFigure
              of={worked("reagent-grams", plan.gramsADay, "g", {
                reads: q(from ?? 0, unit),
                wanted: q(to ?? 0, unit),
                litres: q((litres ?? 0) / perLitre, "L"),
                [REAGENTS[reagent].name]: q(molarMass(reagent), "g/mol"),
                purity: q(purity ?? 0, "%"),
                days: q(plan.days, ""),
              })}
              units={units}
              size="30px"
              decimals={plan.gramsADay < 10 ? 2 : 1}
            />
            <Span color="soft">
              {plan.days > 1 ? `a day for ${plan.days} days, ${figure(plan.grams, 1)} g in all` : "at once"}
            </Span>
            <Box color="soft" fontSize="14px" mt="4px">
              {plan.days > 1 && most !== null && `It may move ${quantityText(most, moved, units)} a day. `}
              {ionsSay(plan.brings)} Dissolved in purified water and poured slowly into the flow; measured again before
              the next day's. By weight: a spoon is no mass.
            </Box>
          </>
        )}
      </Box>
    </Box>
  );
}

const ION: Readonly<Record<string, string>> = {
  Na: "sodium",
  K: "potassium",
  Ca: "calcium",
  Mg: "magnesium",
  Cl: "chloride",
  SO4: "sulphate",
  NO3: "nitrate",
  PO4: "phosphate",
};

/** What comes with a dose, in words. */
export function ionsSay(brings: IonsMgL): string {
  const all = Object.entries(brings).map(([ion, mgL]) => `${figure(mgL, mgL < 10 ? 1 : 0)} mg/L of ${ION[ion] ?? ion}`);
  return all.length > 0 ? `It brings ${all.join(", ")}.` : "";
}
