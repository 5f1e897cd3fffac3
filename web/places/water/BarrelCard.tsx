"use client";

import { Box, Flex } from "@chakra-ui/react";
import { FieldError, parseDecimal } from "@keel-round/core/desk";
import type { WaterSource } from "@keel-round/core/given";
import { type BarrelContents, batchState, fixBarrel, NEAR_PSU } from "@keel-round/core/mixing";
import {
  figure,
  fromShown,
  litresText,
  parseReading,
  quantity,
  quantityText,
  showVolume,
  type UnitPreference,
  unitShown,
} from "@keel-round/core/units";
import { heaterEquilibriumC, saltGrams } from "@keel-round/core/water";
import { scoopsText } from "@keel-round/core/words";
import { q, worked } from "@keel-round/core/worked";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Choice, GoButton, Notice, QuietButton, TextInput } from "@/kit/controls";
import { Details, Form, Label, Span, Summary } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { WorkedFigure } from "@/kit/Working";
import { drawAction, fixBarrelAction, startBatchAction, verifyBatchAction } from "./actions";
import { ageOf, ROOM_C, type RoomBarrel } from "./tomorrow";

type Answer<T = unknown> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

/** A tank's water is warmer than this nowhere: a heater that holds more is strong enough. */
const WARM_ENOUGH_C = 30;

/** What a weak heater can hold in the room's winter; nothing is said of one that is strong enough. */
function HeldAtMost({ barrel, units }: { barrel: RoomBarrel; units: UnitPreference }) {
  const { heaterW: watts, lossWPerK } = barrel;
  if (watts <= 0 || lossWPerK <= 0) return null;
  const mostC = heaterEquilibriumC({ watts, lossWPerK, roomC: ROOM_C });
  if (mostC >= WARM_ENOUGH_C) return null;
  return (
    <Box color="ochre" fontSize="13.5px" mt="4px">
      In a room of {quantityText(ROOM_C, "°C", units)} its heater holds at most {quantityText(mostC, "°C", units)}.
    </Box>
  );
}

/** One barrel: what stands in it, whether it may be used, and what is to be done with it. */
export function BarrelCard({
  barrel,
  sources,
  now,
  units,
}: {
  barrel: RoomBarrel;
  sources: readonly WaterSource[];
  now: number;
  units: UnitPreference;
}) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const { contents } = barrel;
  const source = sources.find((s) => s.id === contents?.sourceId);
  const run = async <T,>(action: Promise<Answer<T>>): Promise<T | null> => {
    const answer = await answered(action);
    setProblem(answer.ok ? null : answer.message);
    if (!answer.ok) return null;
    router.refresh();
    return answer.value;
  };
  return (
    <Box borderWidth="1px" borderColor="ruleStrong" rounded="s" bg="sheet" p="14px">
      <Flex justify="space-between" align="baseline">
        <Box fontWeight="640" fontSize="16px">
          {barrel.name}
        </Box>
        <Span color="soft" fontSize="13.5px">
          {litresText(contents?.litres ?? 0, units)} of {litresText(barrel.capacityL, units)}
        </Span>
      </Flex>
      <Box h="10px" mt="8px" borderWidth="1px" borderColor="ruleStrong" rounded="s" overflow="hidden" aria-hidden>
        <Box h="100%" bg="water" w={`${Math.min(100, ((contents?.litres ?? 0) / barrel.capacityL) * 100)}%`} />
      </Box>
      <HeldAtMost barrel={barrel} units={units} />
      {contents && source ? (
        <Stands
          barrel={barrel}
          contents={contents}
          source={source}
          now={now}
          units={units}
          run={run}
          onSaid={setSaid}
          onProblem={setProblem}
        />
      ) : (
        <Start barrel={barrel} sources={sources} units={units} run={run} onProblem={setProblem} />
      )}
      {said && (
        <Box role="status" mt="8px">
          <Notice tone="plain">{said}</Notice>
        </Box>
      )}
      {problem && (
        <Box role="alert" mt="8px" color="vermilion" fontWeight="600" fontSize="14px">
          {problem}
        </Box>
      )}
    </Box>
  );
}

type Run = <T>(action: Promise<Answer<T>>) => Promise<T | null>;

/** A number as it was typed, or what is wrong with it beside the form. */
function typed(text: string, what: string, onProblem: (problem: string | null) => void): number | null {
  try {
    return parseDecimal(text);
  } catch (error) {
    if (!(error instanceof FieldError)) throw error;
    onProblem(`${what}: ${error.message}`);
    return null;
  }
}

function Start({
  barrel,
  sources,
  units,
  run,
  onProblem,
}: {
  barrel: RoomBarrel;
  sources: readonly WaterSource[];
  units: UnitPreference;
  run: Run;
  onProblem: (problem: string | null) => void;
}) {
  const hydrated = useHydrated();
  const [sourceId, setSourceId] = useState(sources[0]?.id ?? "");
  const source = sources.find((s) => s.id === sourceId);
  const perLitre = showVolume(1, units.volume);
  const [litres, setLitres] = useState(figure(barrel.capacityL * 0.9 * perLitre, 0));
  const [target, setTarget] = useState<string | null>(null);
  const wanted = target ?? String(source?.chemistry.salinity ?? 35);
  const salt = source?.salt;
  const begin = async () => {
    const [l, psu] = [typed(litres, "Litres", onProblem), typed(wanted, "Salinity", onProblem)];
    if (l === null || psu === null) return;
    await run(
      startBatchAction({ barrelId: barrel.id, sourceId, litres: l / perLitre, ...(salt ? { targetPsu: psu } : {}) }),
    );
  };
  const l = Number(litres.replace(",", "."));
  const psu = Number(wanted.replace(",", "."));
  const grams = salt && l > 0 && psu >= 0 && psu <= 60 ? saltGrams(l / perLitre, salt.gramsPerLitre, psu) : null;
  return (
    <Form
      method="post"
      mt="10px"
      onSubmit={(e) => {
        e.preventDefault();
        void begin();
      }}
    >
      <Flex gap="8px" wrap="wrap" align="center">
        <Choice
          aria-label={`Water for ${barrel.name}`}
          w="170px"
          value={sourceId}
          onChange={(e) => {
            setSourceId(e.target.value);
            setTarget(null);
          }}
        >
          {sources.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </Choice>
        <TextInput
          aria-label={`Litres for ${barrel.name}`}
          inputMode="decimal"
          w="80px"
          value={litres}
          onChange={(e) => setLitres(e.target.value)}
        />
        <Span color="soft">{units.volume}</Span>
        {salt && (
          <>
            <TextInput
              aria-label={`Salinity for ${barrel.name}`}
              inputMode="decimal"
              w="72px"
              value={wanted}
              onChange={(e) => setTarget(e.target.value)}
            />
            <Span color="soft">ppt</Span>
          </>
        )}
      </Flex>
      {grams !== null && salt && (
        <Box mt="8px">
          <WorkedFigure
            of={worked("salt-grams", grams, "g", {
              "finished mix": q(l / perLitre, "L"),
              [salt.name]: q(salt.gramsPerLitre, "g/L at 35"),
              "verified batches": q(salt.batches, ""),
              salinity: q(psu, "ppt"),
            })}
            units={units}
            size="24px"
            decimals={0}
          />
          <Box color="soft">
            {figure(grams, 0)} g of {salt.name}
            {salt.scoopGrams ? ` (${scoopsText(grams, salt.scoopGrams)})` : ""}, at{" "}
            {quantityText(salt.gramsPerLitre, "g/L", units, 1)}
            {salt.batches > 0 ? ` measured over ${salt.batches} batches` : " by its label"}
          </Box>
        </Box>
      )}
      {salt && (
        <Details mt="6px" fontSize="13.5px">
          <Summary color="soft">Order of work</Summary>
          <Box pt="4px">
            Fill first, pump running, heater under water and on. Salt into the water, slowly, never water onto salt.
            Clear in 15 to 30 minutes. Cables and pump fixed so that they cannot rub; the heater stays unplugged until
            it is covered. Heavy bags are lifted by two, or moved on wheels.
          </Box>
        </Details>
      )}
      <GoButton type="submit" mt="10px" disabled={!hydrated}>
        {salt ? "Start the batch" : "Fill it"}
      </GoButton>
    </Form>
  );
}

function Stands({
  barrel,
  contents,
  source,
  now,
  units,
  run,
  onSaid,
  onProblem,
}: {
  barrel: RoomBarrel;
  contents: BarrelContents;
  source: WaterSource;
  now: number;
  units: UnitPreference;
  run: Run;
  onSaid: (said: string | null) => void;
  onProblem: (problem: string | null) => void;
}) {
  const hydrated = useHydrated();
  const [measured, setMeasured] = useState("");
  const [celsius, setCelsius] = useState("");
  const [drawn, setDrawn] = useState("");
  const [asked, setAsked] = useState<number | null>(null);
  const state = batchState(contents, ageOf(source), now);
  const salty = contents.targetPsu !== undefined;
  const perLitre = showVolume(1, units.volume);
  const verify = async (confirmed: boolean) => {
    const degrees = celsius.trim() === "" ? null : typed(celsius, "Temperature", onProblem);
    if (celsius.trim() !== "" && degrees === null) return;
    const temperatureC = degrees === null ? null : fromShown(degrees, "°C", units);
    const read = parseReading({
      parameter: "salinity",
      text: measured,
      unit: units.salinity,
      method: "meter",
      temperatureC: temperatureC ?? undefined,
      decimal: units.decimal,
    });
    const psu = asked !== null && confirmed ? asked : read.ok ? read.value : null;
    if (psu === null) return onProblem(`Enter the salinity as a number in ${units.salinity}.`);
    const value = await run(
      verifyBatchAction({ barrelId: barrel.id, psu, confirmed, ...(temperatureC === null ? {} : { temperatureC }) }),
    );
    if (!value) return;
    const { lesson } = value;
    setAsked(lesson?.questioned ? psu : null);
    setMeasured("");
    if (!lesson) return onSaid(null);
    onSaid(
      lesson.questioned
        ? `By this it would be ${quantityText(lesson.batchGPerL, "g/L", units, 1)}, ${figure(Math.abs(lesson.batchGPerL / lesson.before - 1) * 100, 0)} % off what it was planned with. Measure again; it teaches nothing until you say that it is right.`
        : `${source.salt?.name}: ${quantity(lesson.before, "g/L", units, 1).figure} → ${quantityText(lesson.after, "g/L", units, 1)} from now on.`,
    );
  };
  return (
    <Box mt="10px" fontSize="14.5px">
      <Box>
        <Span fontWeight="600">{source.name}</Span>
        {salty &&
          `, to ${quantityText(contents.targetPsu ?? 0, "ppt", units)} with ${figure(contents.grams ?? 0, 0)} g`}
        {contents.psu !== undefined && `; measured ${quantityText(contents.psu, "ppt", units)}`}
        {contents.temperatureC !== undefined && ` at ${quantityText(contents.temperatureC, "°C", units)}`}
      </Box>
      <Box mt="2px" fontWeight="600" color={COLOUR[state.state]} suppressHydrationWarning>
        {stateWords(state, now, units)}
      </Box>
      {state.state === "off" && source.salt && (
        <Fix barrel={barrel} contents={contents} gramsPerLitre={source.salt.gramsPerLitre} units={units} run={run} />
      )}
      {salty && (
        <Flex gap="8px" mt="10px" wrap="wrap" align="center">
          <TextInput
            aria-label={`Measured salinity of ${barrel.name}`}
            inputMode="decimal"
            w="78px"
            placeholder={units.salinity}
            value={measured}
            onChange={(e) => setMeasured(e.target.value)}
          />
          <TextInput
            aria-label={`Temperature of ${barrel.name}`}
            inputMode="decimal"
            w="70px"
            placeholder={unitShown("°C", units)}
            value={celsius}
            onChange={(e) => setCelsius(e.target.value)}
          />
          <QuietButton type="button" disabled={!hydrated} onClick={() => verify(false)}>
            Measured
          </QuietButton>
          {asked !== null && (
            <QuietButton type="button" onClick={() => verify(true)}>
              {quantityText(asked, "ppt", units)} is right
            </QuietButton>
          )}
        </Flex>
      )}
      <Flex gap="8px" mt="8px" align="center" wrap="wrap">
        <Label htmlFor={`draw-${barrel.id}`} className="sr-only">
          Draw from {barrel.name}
        </Label>
        <TextInput
          id={`draw-${barrel.id}`}
          inputMode="decimal"
          w="78px"
          placeholder={units.volume}
          value={drawn}
          onChange={(e) => setDrawn(e.target.value)}
        />
        <QuietButton
          type="button"
          disabled={!hydrated}
          onClick={async () => {
            const l = typed(drawn, "Litres", onProblem);
            if (l === null) return;
            await run(drawAction({ barrelId: barrel.id, litres: l / perLitre }));
            setDrawn("");
          }}
        >
          Draw
        </QuietButton>
        <QuietButton
          type="button"
          fontWeight="400"
          disabled={!hydrated}
          onClick={() => run(drawAction({ barrelId: barrel.id, litres: contents.litres }))}
        >
          Empty it
        </QuietButton>
      </Flex>
    </Box>
  );
}

const COLOUR = {
  standing: "soft",
  unverified: "ochre",
  off: "vermilion",
  ready: "ink",
  "too-old": "ochre",
} as const;

const hours = (ms: number) => {
  const h = Math.abs(ms) / 3_600_000;
  return h < 48 ? `${Math.max(1, Math.round(h))} h` : `${Math.round(h / 24)} days`;
};

function stateWords(state: ReturnType<typeof batchState>, now: number, units: UnitPreference): string {
  switch (state.state) {
    case "standing":
      return `Ready in ${hours(state.readyAt - now)}, once it is measured`;
    case "unverified":
      return "Measure it before it is used";
    case "off":
      return `${quantityText(Math.abs(state.byPsu), "ppt moved", units)} too ${state.byPsu < 0 ? "weak" : "strong"}`;
    case "ready":
      return `Ready; keeps for ${hours(state.until - now)}`;
    case "too-old":
      return `Too old for ${hours(now - state.since)}: measure it again, or let it go`;
  }
}

/** What puts a barrel right, to be done and said. */
function Fix({
  barrel,
  contents,
  gramsPerLitre,
  units,
  run,
}: {
  barrel: RoomBarrel;
  contents: BarrelContents;
  gramsPerLitre: number;
  units: UnitPreference;
  run: Run;
}) {
  const fix = fixBarrel(
    { litres: contents.litres, capacityL: barrel.capacityL, salinityPsu: contents.psu ?? 0 },
    contents.targetPsu ?? 0,
    gramsPerLitre,
    NEAR_PSU,
  );
  const words = {
    right: "",
    salt: fix.kind === "salt" ? `Add ${figure(fix.grams, 0)} g of salt, let it clear, measure again.` : "",
    fresh: fix.kind === "fresh" ? `Add ${litresText(fix.litres, units)} of purified water, measure again.` : "",
    "draw-then-fresh":
      fix.kind === "draw-then-fresh"
        ? `Draw ${litresText(fix.drawL, units)}, then fill up with purified water, measure again.`
        : "",
  }[fix.kind];
  return (
    <Flex gap="10px" align="center" wrap="wrap" mt="6px">
      <span>{words}</span>
      {fix.kind !== "right" && (
        <WorkedFigure
          of={worked("barrel-fix", fix.kind === "salt" ? fix.grams : fix.litres, fix.kind === "salt" ? "g" : "L", {
            "stands in it": q(contents.litres, "L"),
            "it holds": q(barrel.capacityL, "L"),
            measured: q(contents.psu ?? 0, "ppt"),
            wanted: q(contents.targetPsu ?? 0, "ppt"),
            salt: q(gramsPerLitre, "g/L at 35"),
          })}
          units={units}
          size="18px"
        />
      )}
      <QuietButton type="button" py="4px" onClick={() => run(fixBarrelAction({ barrelId: barrel.id }))}>
        Done
      </QuietButton>
    </Flex>
  );
}
