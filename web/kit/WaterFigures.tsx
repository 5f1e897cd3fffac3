import { Box, Flex } from "@chakra-ui/react";
import type { WaterPlan } from "@keel-round/core/change";
import type { TankFacts } from "@keel-round/core/tank";
import {
  figure,
  litresText,
  parameterFacts,
  quantityText,
  showReading,
  type UnitPreference,
  unitFor,
  withUnit,
} from "@keel-round/core/units";
import { limitSentence, waterSentence } from "@keel-round/core/words";
import type { Worked } from "@keel-round/core/worked";
import type { ReactNode } from "react";
import { B, Details, Span, Summary } from "@/kit/elements";
import { BandStrip } from "./BandStrip";
import { Notice, SubHead } from "./controls";
import { WorkedFigure } from "./Working";

const DECISION: Record<WaterPlan["decision"], string> = {
  change: "Change water",
  none: "No change today",
  postpone: "Put off",
  forbid: "Do not change water",
  unknown: "Measure first",
};

/** A figure of a plan with its working and a line under it. */
export function FigureRow({
  label,
  of,
  units,
  children,
  decimals,
}: {
  label: string;
  of: Worked;
  units: UnitPreference;
  children?: ReactNode;
  decimals?: number;
}) {
  return (
    <Flex py="8px" borderBottomWidth="1px" borderColor="rule" gap="6px">
      <Box color="soft" w="104px" flexShrink={0} fontSize="14px" pt="5px">
        {label}
      </Box>
      <Box flex="1" minW="0">
        <WorkedFigure of={of} units={units} {...(decimals !== undefined ? { decimals } : {})} />
        {children && (
          <Box color="soft" fontSize="13.2px">
            {children}
          </Box>
        )}
      </Box>
    </Flex>
  );
}

/** The water change in figures, each with one line of why and its working; then what binds. */
export function WaterFigures({ water, units }: { water: WaterPlan; units: UnitPreference }) {
  const changing = water.litres.value > 0;
  return (
    <Box>
      {water.decision !== "change" && (
        <Notice tone={water.decision === "forbid" ? "danger" : water.decision === "none" ? "plain" : "care"}>
          <B fontWeight="640">{DECISION[water.decision]}.</B>{" "}
          {water.reasons[0] ? waterSentence(water.reasons[0], units) : ""}
        </Notice>
      )}
      {changing && (
        <>
          <FigureRow label="Take out" of={water.litres} units={units} />
          {water.needed && (
            <FigureRow label="Asked for" of={water.needed} units={units}>
              {neededLine(water.needed, units)}
            </FigureRow>
          )}
          <FigureRow label="Share" of={{ ...water.share, value: water.share.value * 100, unit: "%" }} units={units}>
            of {litresText(water.systemL.value, units)}
          </FigureRow>
          {water.fills && <FigureRow label="To carry" of={water.fills} units={units} />}
          {water.mark && (
            <FigureRow label={water.markOn === "sump" ? "Line, sump" : "Drain line"} of={water.mark} units={units}>
              {belowTape(water, units)}
              about {Math.max(1, Math.round(water.drainMinutes))} min to drain,{" "}
              {Math.max(1, Math.round(water.refillMinutes))} to refill
            </FigureRow>
          )}
          {water.runs?.out && <FigureRow label="To run out" of={water.runs.out} units={units} decimals={1} />}
          {water.runs?.in && <FigureRow label="To run in" of={water.runs.in} units={units} decimals={1} />}
          {water.saltWaterL && <FigureRow label="Salt water" of={water.saltWaterL} units={units} decimals={1} />}
          {water.saltG && (
            <FigureRow label="Salt" of={water.saltG} units={units}>
              {saltLine(water, units)}
            </FigureRow>
          )}
          {water.freshL && (
            <FigureRow label="Top up" of={water.freshL} units={units}>
              to the fill line; evaporation took only water
            </FigureRow>
          )}
          {water.conditionerMl && <FigureRow label="Conditioner" of={water.conditionerMl} units={units} />}
          {water.refillC && <FigureRow label="Bring to" of={water.refillC} units={units} decimals={1} />}
          {water.halfWayC && <FigureRow label="Half-way" of={water.halfWayC} units={units} decimals={1} />}
        </>
      )}
      {!changing && water.freshL && (
        <FigureRow label="Top up" of={water.freshL} units={units}>
          {water.leftLowL > 0.05
            ? `no further: ${litresText(water.leftLowL, units)} follow on other days`
            : "to the fill line, for what evaporated"}
        </FigureRow>
      )}
      <Why water={water} units={units} changing={changing} />
      {water.co2 && (
        <FigureRow label="CO2" of={water.co2} units={units} decimals={0}>
          before the change, from KH and pH
        </FigureRow>
      )}
      {water.freeAmmonia && (
        <FigureRow label="Free ammonia" of={water.freeAmmonia.after} units={units} decimals={3}>
          after the change; {figure(water.freeAmmonia.before.value, 3)} before
        </FigureRow>
      )}
    </Box>
  );
}

/** What holds the change where it is, and why it is made. */
function Why({ water, units, changing }: { water: WaterPlan; units: UnitPreference; changing: boolean }) {
  return (
    <Box py="9px" fontSize="14px">
      {water.binding && (changing || water.binding.code === "free-ammonia") && (
        <>
          <B fontWeight="620" color="coralline">
            {limitSentence(water.binding, units)}
          </B>{" "}
          {water.limits[1] ? `Lifted, the next is: ${limitSentence(water.limits[1], units)} ` : ""}
        </>
      )}
      {(water.decision === "change" ? water.reasons : water.reasons.slice(1))
        .map((r) => waterSentence(r, units))
        .join(" ")}
      {!water.binding && changing && water.limits[0]
        ? ` Nothing holds it down; the nearest limit: ${limitSentence(water.limits[0], units)}`
        : ""}
    </Box>
  );
}

/** How far today's line lies below the tape of a full tank. */
function belowTape({ mark, tapeCm }: WaterPlan, units: UnitPreference): string {
  const lower = mark && tapeCm !== null ? mark.value - tapeCm : 0;
  return lower > 0.1 ? `${quantityText(lower, "cm", units)} below the tape, since water is missing; ` : "";
}

/** How well the litres are known that a reading asks for. */
function neededLine({ range }: Worked, units: UnitPreference): string {
  if (!range) return "";
  return `${litresText(range.low, units)} to ${litresText(range.high, units)}, as well as the reading is known`;
}

function saltLine(water: WaterPlan, units: UnitPreference): string {
  const salt = water.saltG;
  if (!salt) return "";
  const [name, perLitre] =
    Object.entries(salt.inputs).find(([, v]) => typeof v === "object" && v.unit === "g/L at 35") ?? [];
  const batches = salt.inputs["verified batches"];
  const count = typeof batches === "object" ? batches.value : 0;
  return `${name}, ${typeof perLitre === "object" ? quantityText(perLitre.value, "g/L", units, 1) : ""} ${count > 0 ? `measured over ${count} batches` : "by its label"}, to ${quantityText(water.mixPsu ?? 0, "ppt", units)}`;
}

/** Each reading on its band: dot now, bar its error, coralline tick after the change. */
export function ReadingsOnBands({
  facts,
  water,
  latest,
  units,
}: {
  facts: TankFacts;
  water: WaterPlan;
  latest: ReadonlyMap<string, { readonly value: number; readonly sigma: number; readonly note: string }>;
  units: UnitPreference;
}) {
  const after = new Map(water.after.map((e) => [e.parameter, e]));
  return (
    <Box>
      <SubHead>
        <Flex justify="space-between">
          <span>Now, right for this tank{water.litres.value > 0 ? ", after the change" : ""}</span>
          {water.litres.value > 0 && (
            <Span color="coralline" fontWeight="500">
              after
            </Span>
          )}
        </Flex>
      </SubHead>
      {facts.bands.map((band) => {
        const its = parameterFacts[band.parameter];
        const read = latest.get(band.parameter) ?? null;
        const expected = after.get(band.parameter);
        // The plan works with what the fit says of today; the last reading is then told in words.
        const moved = expected !== undefined && read !== null && Math.abs(expected.before - read.value) > 1e-9;
        const seen = moved ? { value: expected.before, sigma: expected.beforeSigma } : read;
        const note = read
          ? `${read.note}${moved ? ` It read ${withUnit(band.parameter, read.value, units)} then; today it is reckoned from the trend.` : ""}`
          : "";
        const label = facts.targetPsu > 0 ? its.label : (its.freshLabel ?? its.label);
        return (
          <Details key={band.parameter} borderBottomWidth="1px" borderColor="rule" fontSize="14.2px">
            <Summary display="grid" gridTemplateColumns="104px 1fr 96px" alignItems="center" py="5px" listStyle="none">
              <span>{label}</span>
              {seen ? (
                <BandStrip
                  band={band}
                  value={seen.value}
                  sigma={seen.sigma}
                  {...(expected && water.litres.value > 0 ? { after: expected.after.value } : {})}
                />
              ) : (
                <Span color="faint">not measured</Span>
              )}
              <Span textAlign="right">
                {seen && (
                  <>
                    <Span fontFamily="mono" fontWeight="600">
                      {moved ? "≈" : ""}
                      {showReading(band.parameter, seen.value, units)}
                    </Span>{" "}
                    <Span color="soft" fontSize="12.5px">
                      {unitFor(band.parameter, units)}
                    </Span>
                  </>
                )}
              </Span>
            </Summary>
            <Box color="soft" fontSize="13px" pb="6px">
              Ideal {showReading(band.parameter, Math.max(0, band.idealLow), units)} to{" "}
              {showReading(band.parameter, band.idealHigh, units)}, limits{" "}
              {band.actLow >= 0 ? `${showReading(band.parameter, band.actLow, units)} and ` : "0 and "}
              {withUnit(band.parameter, band.actHigh, units)}.{note && ` ${note}`}
              {expected && water.litres.value > 0 && (
                <Box mt="4px">
                  <WorkedFigure of={expected.after} units={units} size="16px">
                    <span>after</span>
                  </WorkedFigure>
                </Box>
              )}
            </Box>
          </Details>
        );
      })}
    </Box>
  );
}
