"use client";

import { Box, Flex } from "@chakra-ui/react";
import { planChange, type WaterPlan } from "@keel-round/core/change";
import type { SaidStep } from "@keel-round/core/steps";
import { gearName } from "@keel-round/core/tank";
import {
  figure,
  fromShown,
  parameterFacts,
  parseNumber,
  parseReading,
  quantity,
  quantityText,
  type Shown,
  toShown,
  type UnitPreference,
  unitShown,
} from "@keel-round/core/units";
import type { OpBody } from "@keel-round/core/visit";
import { conductivityMsCm } from "@keel-round/core/water";
import { limitSentence, litresText, scoopsText, waterSentence, withUnit } from "@keel-round/core/words";
import type { Worked } from "@keel-round/core/worked";
import { useMemo, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Notice, QuietButton } from "@/kit/controls";
import { B, Details, Select, Span, Summary } from "@/kit/elements";
import { Exposed, MarkedSection } from "@/kit/MarkedSection";
import { WorkedFigure, Working } from "@/kit/Working";
import { Amount } from "./Amount";
import { ReadingEntry } from "./ReadingEntry";
import { refusalSentence } from "./refusals";
import { Stepper } from "./Stepper";

/** The one figure of a step, readable from a metre away. */
function Figure({ of, after = "" }: { of: Shown; after?: string }) {
  return (
    <Flex align="baseline" gap="8px" mt="4px" wrap="wrap">
      <Span fontFamily="mono" fontSize="62px" fontWeight="600" letterSpacing="-2px" lineHeight="1">
        {of.figure}
      </Span>
      <Span fontSize="19px" color="soft">
        {of.unit}
        {after}
      </Span>
    </Flex>
  );
}

/** Everything of a step between its title and its buttons. */
export function StepBody({ visit, step }: { visit: LiveVisit; step: SaidStep }) {
  const { plan, kept } = visit;
  const { units } = kept;
  const { water } = plan;
  return (
    <Box>
      {step.figure === "mark" && water.mark && <MarkFigure key={water.litres.value} visit={visit} />}
      {step.figure === "litres" && (
        <Figure of={quantity(water.litres.value, "L", units, 0)} after=", in and out together" />
      )}
      {step.figure === "bed" && water.bedL > 0 && (
        <Figure of={quantity(water.bedL, "L", units, 0)} after=" of the drain leave with the dirt" />
      )}
      {step.figure === "temperature" && water.refillC && (
        <>
          <Figure of={quantity(water.refillC.value, "°C", units)} />
          {water.halfWayC && (
            <Box fontSize="18px" mt="6px">
              half-way it reads <B fontFamily="mono">{quantityText(water.halfWayC.value, "°C", units)}</B>
            </Box>
          )}
          <Opened of={[water.refillC, water.halfWayC ?? null]} units={units} />
        </>
      )}
      {step.figure === "mix" && <MixFigure visit={visit} />}
      {step.figure === "refill" && <RefillFigure visit={visit} />}
      {step.figure === "top-up" && <TopUpFigure visit={visit} />}
      {step.craft && (
        <Box mt="10px" fontSize="17px" data-craft="">
          {step.craft}
        </Box>
      )}
      {step.caution && (
        <Box mt="12px" fontSize="16.5px">
          <Notice tone="care">{step.caution}</Notice>
        </Box>
      )}
      {step.test && <ReadingEntry key={step.test} visit={visit} parameter={step.test} />}
      {step.id === "salinity-again" && <ReadingEntry key="again" visit={visit} parameter="salinity" />}
      {step.id === "level" && <LevelEntry visit={visit} />}
      {(step.id === "drain" || step.id === "exchange") && <LitresEntry visit={visit} which="outL" />}
      {(step.id === "refill" || step.id === "exchange") && <LitresEntry visit={visit} which="inL" />}
      {step.figure === "top-up" && <LitresEntry visit={visit} which="topUpL" />}
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
        of={quantity(water.mark?.value ?? 0, "cm", units)}
        after={` from the rim${water.markOn === "sump" ? " of the return chamber" : ""}`}
      />
      <Box fontSize="18px" mt="6px">
        <B fontFamily="mono">{quantityText(water.litres.value, "L", units, 0)}</B>, {water.fills?.value ?? 1} fills,
        about {Math.max(1, Math.round(water.drainMinutes))} min
      </Box>
      <Opened of={[water.mark, water.litres]} units={units} />
      <Box mt="12px">
        <MarkedSection input={input} water={water} units={units} width={354} small onLitres={setTrial} />
      </Box>
      <Exposed bare={water.exposed} />
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
              Drain to this line
            </QuietButton>
            <QuietButton type="button" minH="48px" onClick={() => setTrial(null)}>
              As planned
            </QuietButton>
          </Flex>
        </Box>
      )}
      {trial === null && state.chosenL !== undefined && state.chosenL !== null && (
        <QuietButton type="button" minH="48px" mt="8px" onClick={() => choose(null)}>
          Back to the plan's own line
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
      <Figure of={quantity(water.mixPsu ?? 0, "ppt", kept.units)} after=" wanted" />
      {kept.units.salinity === "mS/cm raw" && water.mixPsu && water.mixPsu >= 2 && water.refillC && (
        <Box fontSize="16px" color="soft" mt="2px">
          at {quantityText(water.refillC.value, "°C", kept.units)} a meter without compensation reads{" "}
          {figure(conductivityMsCm(Math.min(42, water.mixPsu), Math.min(35, water.refillC.value)), 1)} mS/cm
        </Box>
      )}
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
          {salt?.scoopGrams && <Box fontSize="18px">{scoopsText(water.saltG.value, salt.scoopGrams)}</Box>}
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
  const { units } = visit.kept;
  // Nothing is filled in: only what was mixed and measured is kept.
  const [litres, setLitres] = useState("");
  const [grams, setGrams] = useState("");
  const [psu, setPsu] = useState("");
  const scale = parameterFacts.salinity.units.find((u) => u.unit === units.salinity);
  const [error, setError] = useState<string | null>(null);
  const salt = visit.kept.input.source.salt;
  if (!salt) return null;
  const number = (t: string) => parseNumber(t, units.decimal) ?? Number.NaN;
  const canonical = {
    litres: fromShown(number(litres), "L", units),
    grams: number(grams),
    measuredPsu: saltOf(psu, units),
  };
  const own = (canonical.grams * 35) / (canonical.litres * canonical.measuredPsu);
  const far = Math.abs(own / salt.gramsPerLitre - 1) > 0.15;
  const save = async (confirmed: boolean) => {
    if (Object.values(canonical).some((v) => !(v > 0)))
      return setError("Enter how much was mixed, the grams of salt and the salinity, each above 0.");
    const refusal = await visit.say({ type: "batch", ...canonical, confirmed });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) setOpen(false);
  };
  return (
    <Box mt="10px">
      {batch && (
        <Box color="soft">
          Batch measured: {quantityText(batch.measuredPsu, "ppt", units)} from {batch.grams} g in{" "}
          {quantityText(batch.litres, "L", units)}.
        </Box>
      )}
      {!open ? (
        <QuietButton type="button" minH="48px" onClick={() => setOpen(true)}>
          {batch ? "Correct the batch" : "I mixed it and measured it"}
        </QuietButton>
      ) : (
        <Box borderWidth="1px" borderColor="ruleStrong" p="10px">
          <Stepper
            label={`${unitShown("L", units) === "L" ? "Litres" : "Gallons"} mixed`}
            unit={unitShown("L", units)}
            value={litres}
            step={units.volume === "L" ? 5 : 1}
            decimals={0}
            start={toShown(water.saltWaterL?.value ?? 100, "L", units)}
            onChange={setLitres}
          />
          <Stepper
            label="Salt weighed"
            unit="g"
            value={grams}
            step={10}
            decimals={0}
            start={Math.round(water.saltG?.value ?? 0)}
            onChange={setGrams}
          />
          <Stepper
            label="Measured"
            unit={units.salinity}
            value={psu}
            step={scale ? 10 ** -scale.decimals : 0.1}
            decimals={scale?.decimals ?? 1}
            start={scale ? scale.fromCanonical(water.mixPsu ?? 35) : (water.mixPsu ?? 35)}
            onChange={setPsu}
          />
          {Number.isFinite(own) && (
            <Box color="soft" mt="8px">
              This batch alone says {quantityText(own, "g/L", units, 1)}; planned with{" "}
              {quantity(salt.gramsPerLitre, "g/L", units, 1).figure}.
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
              Save the batch
            </QuietButton>
          )}
          {error && <Notice tone="danger">{error}</Notice>}
        </Box>
      )}
    </Box>
  );
}

/** A salinity as it was typed on the person's scale, PSU; not a number where it is none. */
function saltOf(text: string, units: UnitPreference): number {
  const parsed = parseReading({
    parameter: "salinity",
    text,
    unit: units.salinity,
    method: "meter",
    decimal: units.decimal,
  });
  return parsed.ok ? parsed.value : Number.NaN;
}

function RefillFigure({ visit }: { visit: LiveVisit }) {
  const { water } = visit.plan;
  const { units } = visit.kept;
  return (
    <Box>
      <Figure of={quantity(water.pourL?.value ?? 0, "L", units)} after=" to pour" />
      {water.conditionerMl && (
        <Box fontSize="18px" mt="6px">
          {water.conditionerParts.length > 1 ? "conditioner in portions, in all " : "first "}
          <B fontFamily="mono">{figure(water.conditionerMl.value, 0)}</B> mL
          {water.conditionerParts.length > 1 ? "" : " of conditioner"}
        </Box>
      )}
      {water.refillC && <Box fontSize="18px">at {quantityText(water.refillC.value, "°C", units)}</Box>}
      <Opened of={[water.pourL, water.conditionerMl, water.refillC]} units={units} />
    </Box>
  );
}

function TopUpFigure({ visit }: { visit: LiveVisit }) {
  const { water } = visit.plan;
  const { units, input } = visit.kept;
  if (!water.freshL) return null;
  return (
    <Box>
      <Figure of={quantity(water.freshL.value, "L", units)} after={` of ${input.topUpSource.name.toLowerCase()}`} />
      {water.topUpConditionerMl && (
        <Box fontSize="18px" mt="6px">
          with <B fontFamily="mono">{figure(water.topUpConditionerMl.value, 1)}</B> mL of conditioner
        </Box>
      )}
      <Opened of={[water.freshL, water.topUpConditionerMl]} units={units} />
    </Box>
  );
}

/** Says an amount to the visit's log; a refusal as a sentence. */
const saying =
  (visit: LiveVisit, body: (canonical: number) => OpBody) =>
  async (canonical: number): Promise<string | null> => {
    const refusal = await visit.say(body(canonical));
    return refusal ? refusalSentence(refusal) : null;
  };

function LevelEntry({ visit }: { visit: LiveVisit }) {
  const { units } = visit.kept;
  return (
    <Amount
      label="Below the fill line"
      unit="cm"
      logged={visit.state.belowMarkCm}
      expected={0}
      expectedWord="it stands at its fill line"
      units={units}
      onSay={saying(visit, (belowCm) => ({ type: "level", belowCm }))}
    >
      {visit.state.belowMarkCm !== null && visit.plan.water.missingL > 0.05 && (
        <Box color="soft" mt="6px">
          {litresText(visit.plan.water.missingL, units)} are missing
        </Box>
      )}
    </Amount>
  );
}

/** What each amount of a change is called, and what it should come to. */
const AMOUNTS = {
  outL: { label: "Litres taken out", of: (w: WaterPlan) => w.litres.value },
  inL: { label: "Litres put in", of: (w: WaterPlan) => w.pourL?.value ?? 0 },
  topUpL: { label: "Litres topped up", of: (w: WaterPlan) => w.freshL?.value ?? 0 },
} as const;

function LitresEntry({ visit, which }: { visit: LiveVisit; which: keyof typeof AMOUNTS }) {
  const { units } = visit.kept;
  const { label, of } = AMOUNTS[which];
  return (
    <Amount
      label={label.replace("Litres", units.volume === "L" ? "Litres" : "Gallons")}
      unit="L"
      logged={visit.state.litres?.[which] ?? null}
      expected={of(visit.plan.water)}
      expectedWord="as planned"
      units={units}
      onSay={saying(visit, (litres) => ({ type: "litres", [which]: litres }))}
    />
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
function GearEntry({ visit, step }: { visit: LiveVisit; step: SaidStep }) {
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

export function LeaveOff({ visit, gear }: { visit: LiveVisit; gear: NonNullable<SaidStep["on"]>[number] }) {
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
