"use client";

import { Box, Flex } from "@chakra-ui/react";
import { figure, parameterFacts, showLength, showVolume, type UnitPreference } from "@keel-round/core/units";
import { gearName, planChange, type Step } from "@keel-round/core/visit";
import { limitSentence, litresText, waterSentence, withUnit } from "@keel-round/core/words";
import type { Worked } from "@keel-round/core/worked";
import { useMemo, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Notice, QuietButton } from "@/kit/controls";
import { B, Details, Select, Span, Summary } from "@/kit/elements";
import { Exposed, MarkedSection } from "@/kit/MarkedSection";
import { WorkedFigure, Working } from "@/kit/Working";
import { ReadingEntry } from "./ReadingEntry";
import { refusalSentence } from "./refusals";
import { Stepper } from "./Stepper";

/** The one figure of a step, readable from a metre away. */
function Figure({ value, unit }: { value: string; unit: string }) {
  return (
    <Flex align="baseline" gap="8px" mt="4px" wrap="wrap">
      <Span fontFamily="mono" fontSize="62px" fontWeight="600" letterSpacing="-2px" lineHeight="1">
        {value}
      </Span>
      <Span fontSize="19px" color="soft">
        {unit}
      </Span>
    </Flex>
  );
}

/** Everything of a step between its title and its buttons. */
export function StepBody({ visit, step }: { visit: LiveVisit; step: Step }) {
  const { plan, kept } = visit;
  const { units } = kept;
  const { water } = plan;
  return (
    <Box>
      {step.figure === "mark" && water.mark && <MarkFigure key={water.litres.value} visit={visit} />}
      {step.figure === "litres" && (
        <Figure
          value={figure(showVolume(water.litres.value, units.volume), 0)}
          unit={`${units.volume}, in and out together`}
        />
      )}
      {step.figure === "temperature" && water.refillC && (
        <>
          <Figure value={figure(water.refillC.value, 1)} unit="°C" />
          {water.halfWayC && (
            <Box fontSize="18px" mt="6px">
              half-way it reads <B fontFamily="mono">{figure(water.halfWayC.value, 1)}</B> °C
            </Box>
          )}
          <Opened of={[water.refillC, water.halfWayC ?? null]} units={units} />
        </>
      )}
      {step.figure === "mix" && <MixFigure visit={visit} />}
      {step.figure === "refill" && <RefillFigure visit={visit} step={step} />}
      {step.caution && (
        <Box mt="12px" fontSize="16.5px">
          <Notice tone="danger">{step.caution}</Notice>
        </Box>
      )}
      {step.test && <ReadingEntry key={step.test} visit={visit} parameter={step.test} />}
      {step.id === "salinity-again" && <ReadingEntry key="again" visit={visit} parameter="salinity" />}
      {step.id === "level" && <LevelEntry visit={visit} />}
      {step.id === "drain" && <LitresEntry key={`out${water.litres.value}`} visit={visit} which="outL" />}
      {(step.id === "refill" || step.id === "exchange") && (
        <LitresEntry key={`in${water.litres.value}`} visit={visit} which="inL" both={step.id === "exchange"} />
      )}
      {step.result === "dirt" && <DirtEntry visit={visit} step={step.id} />}
      {step.on && <GearEntry visit={visit} step={step} />}
      <Details mt="12px" fontSize="16px" color="soft" open={step.id === "arrive" || step.held !== undefined}>
        <Summary fontWeight="600" color="coralline" minH="32px">
          Why
        </Summary>
        {step.reason}
        {step.kit.length > 0 && <Box mt="4px">Kit: {step.kit.join(", ")}.</Box>}
      </Details>
    </Box>
  );
}

/** The workings of a step's figures, to be opened by thumb. */
function Opened({ of, units }: { of: readonly (Worked | null)[]; units: UnitPreference }) {
  const figures = of.filter((w) => w !== null);
  if (figures.length === 0) return null;
  return (
    <Details mt="4px" fontSize="15px" data-working="">
      <Summary color="soft" minH="32px" textDecoration="underline" textDecorationStyle="dotted">
        working
      </Summary>
      {figures.map((w) => (
        <Working key={w.formula} of={w} units={units} />
      ))}
    </Details>
  );
}

/** The mark to drain to, on a section whose mark can be moved: what it would be at another one, and the choice of it. */
function MarkFigure({ visit }: { visit: LiveVisit }) {
  const { input, kept, plan, state } = visit;
  const { units } = kept;
  const [trial, setTrial] = useState<number | null>(null);
  const [error, setError] = useState<string | null>(null);
  const water = useMemo(() => (trial === null ? plan.water : planChange(input, trial)), [input, plan.water, trial]);
  if (!water.mark && trial === null) return null;
  const choose = async (litres: number | null) => {
    const refusal = await visit.say({ type: "choose", litres });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) setTrial(null);
  };
  return (
    <>
      <Figure
        value={figure(showLength(water.mark?.value ?? 0, units.length), 1)}
        unit={`${units.length} from the rim${water.markOn === "sump" ? " of the sump" : ""}`}
      />
      <Box fontSize="18px" mt="6px">
        <B fontFamily="mono">{figure(showVolume(water.litres.value, units.volume), 0)}</B> {units.volume},{" "}
        {water.fills?.value ?? 1} fills, about {Math.max(1, Math.round(water.drainMinutes))} min
      </Box>
      <Opened of={[water.mark, water.litres]} units={units} />
      <Box mt="12px">
        <MarkedSection input={input} water={water} units={units} width={354} small onLitres={setTrial} />
      </Box>
      <Exposed book={input.book} litres={water.litres.value} />
      {trial !== null && (
        <Box mt="8px" fontSize="16px" role="status">
          {water.after.slice(0, 3).map((e) => (
            <Box key={e.parameter}>
              {parameterFacts[e.parameter].label.toLowerCase()} {withUnit(e.parameter, e.after.value, units)} after
            </Box>
          ))}
          {water.binding && (
            <Box color="vermilion" fontWeight="620">
              Too far: {limitSentence(water.binding, units)}
            </Box>
          )}
          <Flex gap="8px" mt="8px">
            <QuietButton
              type="button"
              minH="48px"
              flex="1"
              disabled={water.binding !== null}
              onClick={() => choose(Math.round(trial * 10) / 10)}
            >
              Drain to this mark
            </QuietButton>
            <QuietButton type="button" minH="48px" onClick={() => setTrial(null)}>
              As planned
            </QuietButton>
          </Flex>
        </Box>
      )}
      {trial === null && state.chosenL !== undefined && state.chosenL !== null && (
        <QuietButton type="button" minH="48px" mt="8px" onClick={() => choose(null)}>
          Back to the plan's own mark
        </QuietButton>
      )}
      {error && (
        <Box role="alert" mt="8px">
          <Notice tone="danger">{error}</Notice>
        </Box>
      )}
    </>
  );
}

function MixFigure({ visit }: { visit: LiveVisit }) {
  const { water } = visit.plan;
  const { kept } = visit;
  const salt = kept.input.source.salt;
  return (
    <Box>
      <Figure value={figure(water.mixPsu ?? 0, 1)} unit="ppt wanted" />
      {water.saltWaterL && (
        <Box fontSize="18px" mt="6px">
          {litresText(water.saltWaterL.value, kept.units)} of it to pour
        </Box>
      )}
      {water.saltG && (
        <Box mt="6px">
          <WorkedFigure of={water.saltG} units={kept.units} size="24px">
            <span>of {salt?.name}</span>
          </WorkedFigure>
        </Box>
      )}
      {salt && <BatchEntry visit={visit} />}
    </Box>
  );
}

/** A verified batch: what it measured corrects the salt's figure for the next plan. */
function BatchEntry({ visit }: { visit: LiveVisit }) {
  const { water } = visit.plan;
  const batch = visit.state.batch;
  const [open, setOpen] = useState(false);
  const [litres, setLitres] = useState(String(Math.round(water.saltWaterL?.value ?? 100)));
  const [grams, setGrams] = useState(String(Math.round(water.saltG?.value ?? 0)));
  const [psu, setPsu] = useState((water.mixPsu ?? 35).toFixed(1));
  const [error, setError] = useState<string | null>(null);
  const salt = visit.kept.input.source.salt;
  if (!salt) return null;
  const number = (t: string) => Number(t.replace(",", "."));
  const own = (number(grams) * 35) / (number(litres) * number(psu));
  const far = Math.abs(own / salt.gramsPerLitre - 1) > 0.15;
  const save = async (confirmed: boolean) => {
    const values = [number(litres), number(grams), number(psu)];
    if (values.some((v) => !(v > 0))) return setError("Enter litres, grams and ppt as numbers above 0.");
    const refusal = await visit.say({
      type: "batch",
      litres: number(litres),
      grams: number(grams),
      measuredPsu: number(psu),
      confirmed,
    });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) setOpen(false);
  };
  return (
    <Box mt="10px">
      {batch && (
        <Box color="soft">
          Batch measured: {batch.measuredPsu} ppt from {batch.grams} g in {batch.litres} L.
        </Box>
      )}
      {!open ? (
        <QuietButton type="button" minH="48px" onClick={() => setOpen(true)}>
          {batch ? "Correct the batch" : "I mixed it and measured it"}
        </QuietButton>
      ) : (
        <Box borderWidth="1px" borderColor="ruleStrong" p="10px">
          <Stepper label="Litres mixed" unit="L" value={litres} step={5} decimals={0} onChange={setLitres} />
          <Stepper label="Salt weighed" unit="g" value={grams} step={10} decimals={0} onChange={setGrams} />
          <Stepper label="Measured" unit="ppt" value={psu} step={0.1} decimals={1} onChange={setPsu} />
          {Number.isFinite(own) && (
            <Box color="soft" mt="8px">
              This batch alone says {figure(own, 1)} g per litre; planned with {figure(salt.gramsPerLitre, 1)}.
            </Box>
          )}
          {far ? (
            <Box mt="8px">
              <Notice tone="care">More than 15 % off this salt's figure. Weigh or measure again, or confirm it.</Notice>
              <QuietButton type="button" minH="48px" mt="8px" onClick={() => save(true)}>
                It is right
              </QuietButton>
            </Box>
          ) : (
            <QuietButton type="button" minH="48px" mt="8px" onClick={() => save(false)}>
              Keep the batch
            </QuietButton>
          )}
          {error && <Notice tone="danger">{error}</Notice>}
        </Box>
      )}
    </Box>
  );
}

function RefillFigure({ visit, step }: { visit: LiveVisit; step: Step }) {
  const { water } = visit.plan;
  const { units } = visit.kept;
  if (step.id === "level-fresh" && water.freshL)
    return (
      <Figure value={figure(showVolume(water.freshL.value, units.volume), 1)} unit={`${units.volume} fresh water`} />
    );
  const litres = water.saltWaterL?.value ?? water.litres.value;
  return (
    <Box>
      <Figure value={figure(showVolume(litres, units.volume), litres < 100 ? 1 : 0)} unit={units.volume} />
      {water.conditionerMl && (
        <Box fontSize="18px" mt="6px">
          first <B fontFamily="mono">{figure(water.conditionerMl.value, 0)}</B> mL conditioner
        </Box>
      )}
      {water.refillC && <Box fontSize="18px">at {figure(water.refillC.value, 1)} °C</Box>}
      <Opened of={[water.saltWaterL, water.conditionerMl, water.refillC]} units={units} />
    </Box>
  );
}

function LevelEntry({ visit }: { visit: LiveVisit }) {
  const [text, setText] = useState((visit.state.belowMarkCm ?? 0).toFixed(1));
  const [error, setError] = useState<string | null>(null);
  const save = async (next: string) => {
    setText(next);
    const cm = Number(next.replace(",", "."));
    if (!Number.isFinite(cm) || cm < 0) return setError(`“${next}” is not a number of centimetres.`);
    const refusal = await visit.say({ type: "level", belowCm: cm });
    setError(refusal ? refusalSentence(refusal) : null);
  };
  return (
    <Box>
      <Stepper label="Below the mark" unit="cm below" value={text} step={0.5} decimals={1} onChange={save} />
      {visit.plan.water.missingL > 0.05 && (
        <Box color="soft" mt="6px">
          {litresText(visit.plan.water.missingL, visit.kept.units)} have gone
        </Box>
      )}
      {error && (
        <Box role="alert" mt="8px">
          <Notice tone="danger">{error}</Notice>
        </Box>
      )}
    </Box>
  );
}

function LitresEntry({ visit, which, both = false }: { visit: LiveVisit; which: "outL" | "inL"; both?: boolean }) {
  const { water } = visit.plan;
  const logged = visit.state.litres;
  const planned = which === "outL" ? water.litres.value : water.litres.value + water.missingL;
  const [text, setText] = useState((logged?.[which] ?? planned).toFixed(0));
  const [error, setError] = useState<string | null>(null);
  const save = async (next: string) => {
    setText(next);
    const litres = Number(next.replace(",", "."));
    if (!Number.isFinite(litres) || litres < 0) return setError(`“${next}” is not a number of litres.`);
    const refusal = await visit.say({
      type: "litres",
      outL: which === "outL" || both ? litres : (logged?.outL ?? water.litres.value),
      inL: which === "inL" || both ? litres : (logged?.inL ?? litres),
    });
    setError(refusal ? refusalSentence(refusal) : null);
  };
  return (
    <Box>
      <Stepper
        label={which === "outL" ? "Litres taken out" : "Litres put in"}
        unit={which === "outL" ? "L taken out" : "L put in"}
        value={text}
        step={5}
        decimals={0}
        onChange={save}
      />
      {error && (
        <Box role="alert" mt="8px">
          <Notice tone="danger">{error}</Notice>
        </Box>
      )}
    </Box>
  );
}

const DIRT = ["clean", "a little", "as expected", "dirty", "filthy"] as const;

function DirtEntry({ visit, step }: { visit: LiveVisit; step: string }) {
  const now = visit.state.dirt[step];
  return (
    <Box mt="14px">
      <Box color="soft" mb="6px">
        How dirty was it? {now ? DIRT[now - 1] : ""}
      </Box>
      <Flex gap="6px">
        {DIRT.map((word, i) => (
          <QuietButton
            key={word}
            type="button"
            aria-label={word}
            aria-pressed={now === i + 1}
            flex="1"
            minH="52px"
            fontFamily="mono"
            fontSize="20px"
            px="0"
            {...(now === i + 1 ? { bg: "corallineWash", borderColor: "coralline" } : {})}
            onClick={() => visit.say({ type: "dirt", step, dirt: i + 1 })}
          >
            {i + 1}
          </QuietButton>
        ))}
      </Flex>
    </Box>
  );
}

/** Everything that was switched off goes on again, one by one, or stays off with a reason. */
function GearEntry({ visit, step }: { visit: LiveVisit; step: Step }) {
  return (
    <Box mt="12px">
      {step.on?.map((gear) => {
        const state = visit.state.gear[gear];
        return (
          <Flex key={gear} align="center" gap="8px" py="6px" borderBottomWidth="1px" borderColor="rule">
            <Box flex="1" fontSize="17px">
              {gearName(gear)}
              {state?.state === "left-off" && (
                <Box fontSize="14px" color="ochre">
                  off: {state.reason}
                </Box>
              )}
            </Box>
            <QuietButton
              type="button"
              minH="48px"
              minW="84px"
              aria-pressed={state?.state === "on"}
              {...(state?.state === "on" ? { bg: "corallineWash", borderColor: "coralline" } : {})}
              onClick={() => visit.say({ type: "switch", gear, state: "on" })}
            >
              {state?.state === "on" ? "is on" : "On"}
            </QuietButton>
            <LeaveOff visit={visit} gear={gear} />
          </Flex>
        );
      })}
    </Box>
  );
}

const OFF_REASONS = ["defective", "part is missing", "owner asked", "until the next visit"] as const;

export function LeaveOff({ visit, gear }: { visit: LiveVisit; gear: NonNullable<Step["on"]>[number] }) {
  return (
    <Select
      aria-label={`Leave ${gearName(gear)} off`}
      value=""
      minH="48px"
      borderWidth="1px"
      borderColor="ruleStrong"
      bg="sheet"
      rounded="s"
      w="110px"
      onChange={(e) => e.target.value && visit.say({ type: "switch", gear, state: "left-off", reason: e.target.value })}
    >
      <option value="">Leave off…</option>
      {OFF_REASONS.map((r) => (
        <option key={r}>{r}</option>
      ))}
    </Select>
  );
}

/** What the plan says now that it did not say before the readings of today. */
export function PlanChange({ visit }: { visit: LiveVisit }) {
  const { plan, firstPlan, kept } = visit;
  const [now, before] = [plan.water, firstPlan.water];
  if (now.decision === before.decision && now.litres.value === before.litres.value) return null;
  const tone = now.decision === "forbid" ? "danger" : "care";
  const head =
    now.decision === "forbid"
      ? "Do not change water."
      : now.decision === "postpone"
        ? "The change is put off."
        : now.decision === "none"
          ? "No change today."
          : now.litres.value === before.litres.value
            ? "The plan changed."
            : `${litresText(now.litres.value, kept.units)} instead of ${litresText(before.litres.value, kept.units)}.`;
  return (
    <Box role="status" px="18px" py="10px" data-plan-change="">
      <Notice tone={tone}>
        <B fontWeight="640">{head}</B> {now.reasons[0] ? waterSentence(now.reasons[0], kept.units) : ""}
      </Notice>
    </Box>
  );
}
