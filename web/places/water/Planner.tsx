"use client";

import { Box, Flex } from "@chakra-ui/react";
import { daysBetween } from "@keel-round/core/calendar";
import { bestPolicy, comparePolicies, type Forward, type PolicyPlan, planWater } from "@keel-round/core/change";
import { fieldOf, sayField } from "@keel-round/core/desk";
import type { PlanInput, WaterSource } from "@keel-round/core/given";
import { inSentence } from "@keel-round/core/text";
import { figure, litresText, parameterFacts, type UnitPreference, withUnit } from "@keel-round/core/units";
import { limitSentence, waterSentence } from "@keel-round/core/words";
import { q, worked } from "@keel-round/core/worked";
import { useMemo, useState } from "react";
import { QuietButton, SubHead } from "@/kit/controls";
import { Details, Span, Summary, Table } from "@/kit/elements";
import { RangeCheck } from "@/kit/RangeCheck";
import { Cell, Head } from "@/kit/table";
import { WaterAtMark } from "@/kit/WaterAtMark";
import { WorkedFigure, Working } from "@/kit/Working";
import { IntoVisit, type PlannerVisit } from "./IntoVisit";

const POLICY_FIELD = fieldOf("tank", "practice.policy");

const policyWords = (policy: string) => (POLICY_FIELD ? sayField(POLICY_FIELD, policy, {} as UnitPreference) : policy);

/** A change worked out without touching the tank: four policies and several waters side by side, then the mark. */
export function Planner({
  input: given,
  sources,
  units,
  visit = null,
}: {
  input: PlanInput;
  /** Waters that this tank could be filled with, its own among them. */
  sources: readonly WaterSource[];
  units: UnitPreference;
  /** Its next visit, into which a change may be planned; none for a tank that is only described. */
  visit?: PlannerVisit | null;
}) {
  const [sourceId, setSourceId] = useState(given.source.id);
  const [policy, setPolicy] = useState(given.facts.practice.policy);
  const input = useMemo(
    () => ({ ...given, source: sources.find((s) => s.id === sourceId) ?? given.source }),
    [given, sources, sourceId],
  );
  const plans = useMemo(() => comparePolicies(input), [input]);
  const chosen = plans.find((p) => p.policy === policy) ?? plans[0];
  const best = useMemo(() => bestPolicy(plans, given.facts.practice.policy), [plans, given]);
  return (
    <Box>
      <SubHead>Four ways of deciding</SubHead>
      <Box overflowX="auto">
        <Table w="100%" borderCollapse="collapse" fontSize="14.5px">
          <thead>
            <tr>
              {["How much", "Take out", "Share", "Afterwards", "Settles between", "Enough for", "What holds it"].map(
                (h) => (
                  <Head key={h}>{h}</Head>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {plans.map((p) => (
              <PolicyRow
                key={p.policy}
                plan={p}
                own={p.policy === given.facts.practice.policy}
                best={p.policy === best}
                chosen={p.policy === policy}
                units={units}
                onChoose={() => setPolicy(p.policy)}
              />
            ))}
          </tbody>
        </Table>
      </Box>
      {sources.length > 1 && (
        <Box mt="18px">
          <SubHead>With other water</SubHead>
          <Box overflowX="auto">
            <Table w="100%" borderCollapse="collapse" fontSize="14.5px">
              <tbody>
                {sources.map((source) => (
                  <SourceRow
                    key={source.id}
                    input={{ ...(chosen?.input ?? input), source }}
                    own={source.id === given.source.id}
                    chosen={source.id === sourceId}
                    units={units}
                    onChoose={() => setSourceId(source.id)}
                  />
                ))}
              </tbody>
            </Table>
          </Box>
        </Box>
      )}
      <Box mt="24px">
        {chosen && (
          <WaterAtMark
            key={`${chosen.policy}${sourceId}`}
            input={chosen.input}
            heading={`${policyWords(chosen.policy)}, with ${input.source.name}`}
            units={units}
            foot={(water, at) => (
              <>
                {visit && <IntoVisit visit={visit} water={water} source={at.source} units={units} />}
                <RangeCheck input={at} water={water} units={units} />
              </>
            )}
          />
        )}
      </Box>
    </Box>
  );
}

function Choose({
  label,
  own,
  chosen,
  onChoose,
}: {
  label: string;
  own: boolean;
  chosen: boolean;
  onChoose: () => void;
}) {
  return (
    <Flex gap="0 10px" align="baseline" wrap="wrap">
      <QuietButton
        type="button"
        py="3px"
        px="10px"
        fontSize="14px"
        whiteSpace="nowrap"
        aria-pressed={chosen}
        borderColor={chosen ? "coralline" : "ruleStrong"}
        color={chosen ? "coralline" : "ink"}
        onClick={onChoose}
      >
        {label}
      </QuietButton>
      {own && (
        <Span color="soft" fontSize="13px">
          this tank's
        </Span>
      )}
    </Flex>
  );
}

function PolicyRow({
  plan: { policy, input, water, forward },
  own,
  best,
  chosen,
  units,
  onChoose,
}: {
  plan: PolicyPlan;
  own: boolean;
  /** The least water that keeps all in its bands until the next visit. */
  best: boolean;
  chosen: boolean;
  units: UnitPreference;
  onChoose: () => void;
}) {
  const changing = water.litres.value > 0;
  const interval = daysBetween(input.on, input.nextVisitOn);
  const first = forward[0];
  const after = first && water.after.find((e) => e.parameter === first.parameter);
  return (
    <tr>
      <Cell>
        <Choose label={policyWords(policy)} own={own} chosen={chosen} onChoose={onChoose} />
        {best && (
          <Box color="coralline" fontWeight="620" fontSize="13px">
            least water that serves
          </Box>
        )}
      </Cell>
      <Cell className="num" fontSize="17px" fontWeight="560" whiteSpace="nowrap">
        {changing ? <WorkedFigure of={water.litres} units={units} size="17px" /> : "–"}
      </Cell>
      <Cell className="num">{changing ? `${figure(water.share.value * 100, 0)} %` : ""}</Cell>
      <Cell>{after && first ? `${word(first)} ${withUnit(first.parameter, after.after.value, units)}` : ""}</Cell>
      <Cell>
        {first && changing && (
          <Details data-working="">
            <Summary>{settles(first, units)}</Summary>
            <Working
              of={worked("settled-peak", first.peak, parameterFacts[first.parameter].unit, {
                "new water": q(water.after.find((e) => e.parameter === first.parameter)?.refill ?? 0, "mg/L"),
                "rises a day": q(first.perDay, "mg/L"),
                "days between": q(interval, ""),
                share: q(water.share.value * 100, "%"),
                ceiling: q(first.ceiling, "mg/L"),
              })}
              units={units}
            />
          </Details>
        )}
      </Cell>
      <Cell color={first && first.daysToCeiling === 0 ? "ochre" : undefined}>{first ? enough(first, units) : ""}</Cell>
      <Cell color="soft">
        {water.binding
          ? limitSentence(water.binding, units)
          : changing
            ? ""
            : water.reasons[0]
              ? waterSentence(water.reasons[0], units)
              : ""}
      </Cell>
    </tr>
  );
}

const word = ({ parameter }: Forward) => inSentence(parameterFacts[parameter].label);

/** Trough and peak that the saw-tooth settles at. */
function settles(forward: Forward, units: UnitPreference): string {
  const { parameter, trough, peak, ceiling } = forward;
  const over = peak > ceiling ? ", over its band" : "";
  return `${withUnit(parameter, Math.max(0, trough), units)} and ${withUnit(parameter, peak, units)}${over}`;
}

const daysWord = (days: number) => `${days} ${days === 1 ? "day" : "days"}`;

/** How long this change is enough, and what would be. */
function enough(forward: Forward, units: UnitPreference): string {
  const { daysToCeiling, shareToHold, daysToHold, dailyL, changesToCeiling } = forward;
  const now = daysToCeiling === null ? "half a year and more" : daysWord(daysToCeiling);
  const back =
    changesToCeiling !== null && changesToCeiling > 1 ? `; ${changesToCeiling} such changes bring it back` : "";
  const would = [
    shareToHold === null ? null : `${figure(shareToHold * 100, 0)} % at this interval`,
    daysToHold === null ? null : `every ${daysToHold === 1 ? "day" : daysWord(daysToHold)} at this share`,
    dailyL === null ? null : `${litresText(dailyL, units)} a day by itself`,
  ].filter((w) => w !== null);
  return would.length > 0
    ? `${now}${back}; holds with ${would.join(", or ")}`
    : `${now}${back}; no change can hold it with this water`;
}

function SourceRow({
  input,
  own,
  chosen,
  units,
  onChoose,
}: {
  input: PlanInput;
  own: boolean;
  chosen: boolean;
  units: UnitPreference;
  onChoose: () => void;
}) {
  const water = useMemo(() => planWater(input), [input]);
  const says = water.after
    .filter((e) => ["nitrate", "alkalinity", "gh", "salinity", "phosphate"].includes(e.parameter))
    .map((e) => `${inSentence(parameterFacts[e.parameter].label)} ${withUnit(e.parameter, e.after.value, units)}`);
  return (
    <tr>
      <Cell>
        <Choose label={input.source.name} own={own} chosen={chosen} onChoose={onChoose} />
      </Cell>
      <Cell className="num" fontSize="17px" fontWeight="560" whiteSpace="nowrap">
        {water.litres.value > 0 ? <WorkedFigure of={water.litres} units={units} size="17px" /> : "–"}
      </Cell>
      <Cell>{says.join("; ")}</Cell>
      <Cell color="soft">
        {water.binding
          ? limitSentence(water.binding, units)
          : water.litres.value > 0
            ? ""
            : water.reasons[0]
              ? waterSentence(water.reasons[0], units)
              : ""}
      </Cell>
    </tr>
  );
}
