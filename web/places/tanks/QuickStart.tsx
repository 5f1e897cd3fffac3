"use client";

import { Box, Flex } from "@chakra-ui/react";
import { USUAL_WATERS, type UsualWater } from "@keel-round/core/desk";
import { OutOfRangeError } from "@keel-round/core/issues";
import {
  kindFacts,
  quickStart,
  systemVolumeL,
  TANK_KINDS,
  type TankFacts,
  type TankKind,
  tankMisfits,
  volumeRelative95,
} from "@keel-round/core/tank";
import { figure, showVolume, type UnitPreference } from "@keel-round/core/units";
import type { Vessel, VesselShape } from "@keel-round/core/vessel";
import { misfitSentence } from "@keel-round/core/words";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { answered } from "@/kit/answered";
import { Choice, FieldRow, GoButton, Notice, PageHead, TextInput } from "@/kit/controls";
import { Fieldset, Form, Span } from "@/kit/elements";
import { PlanView } from "@/kit/PlanView";
import { Section } from "@/kit/Section";
import { useHydrated } from "@/kit/useHydrated";
import { readVessel, VesselFields } from "@/kit/VesselFields";
import { startTankAction } from "./actions";

interface Answers {
  readonly siteId: string;
  readonly name: string;
  readonly kind: TankKind;
  readonly shape: VesselShape;
  readonly sides: Readonly<Record<string, string>>;
  /** The id of a water, or the kind of one that is made with the tank. */
  readonly water: string;
  readonly sump: boolean;
  readonly startedOn: string;
}

const NEW_WATER: Readonly<Record<UsualWater, string>> = {
  tap: "Make: tap water of this site",
  purified: "Make: RO water",
  mix: "Make: salt mix",
  "natural-sea": "Make: sea water",
};

/** Seven questions; the rest is filled from the kind of tank and marked as assumed. The section draws itself. */
export function QuickStart({
  sites,
  sources,
  units,
  site,
  today,
}: {
  sites: readonly (readonly [string, string])[];
  sources: readonly (readonly [string, string])[];
  units: UnitPreference;
  /** The site it is begun from, if any. */
  site: string;
  today: string;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [answers, setAnswers] = useState<Answers>({
    siteId: site,
    name: "",
    kind: "community",
    shape: "box",
    sides: {},
    water: "",
    sump: false,
    startedOn: today,
  });
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<{ message: string; fields: Readonly<Record<string, string[]>> } | null>(null);
  const set = (change: Partial<Answers>) => setAnswers({ ...answers, ...change });
  const { vessel, wrong } = useMemo(() => readVessel(answers, units), [answers, units]);
  const error = (field: string) => problem?.fields[field]?.[0];

  const submit = async () => {
    if (!vessel) {
      const first = Object.values(wrong)[0] ?? "Enter the inside dimensions.";
      return setProblem({ message: first, fields: {} });
    }
    setBusy(true);
    const { siteId, name, kind, water: asked, sump, startedOn } = answers;
    const make = USUAL_WATERS.find((w) => w === asked);
    const water = make ? { make } : { id: asked };
    const answer = await answered(startTankAction({ siteId, name, kind, vessel, water, sump, startedOn })).finally(() =>
      setBusy(false),
    );
    if (!answer.ok) return setProblem(answer);
    router.push(`/tanks/${answer.value.id}?tab=settings`);
  };

  return (
    <Box>
      <PageHead title="New tank" facts="Seven questions. The rest is filled in from its kind, for you to confirm." />
      <Form
        method="post"
        noValidate
        mt="16px"
        onSubmit={(e) => {
          e.preventDefault();
          void submit();
        }}
      >
        {problem && (
          <Box role="alert" mb="14px" maxW="620px">
            <Notice tone="danger">{problem.message}</Notice>
          </Box>
        )}
        <Fieldset disabled={!hydrated || busy}>
          <Flex gap="40px" align="flex-start" direction={{ base: "column", lg: "row" }}>
            <Box w={{ base: "100%", lg: "380px" }}>
              <FieldRow label="1  Where" error={error("siteId")}>
                <Choice value={answers.siteId} autoFocus onChange={(e) => set({ siteId: e.target.value })}>
                  <option value="">—</option>
                  {sites.map(([id, name]) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </Choice>
              </FieldRow>
              <FieldRow label="2  What the owner calls it" error={error("name")}>
                <TextInput value={answers.name} onChange={(e) => set({ name: e.target.value })} />
              </FieldRow>
              <FieldRow label="3  Kind" error={error("kind")}>
                <Choice value={answers.kind} onChange={(e) => set({ kind: e.target.value as TankKind })}>
                  {TANK_KINDS.map((kind) => (
                    <option key={kind} value={kind}>
                      {kindFacts[kind].label}
                    </option>
                  ))}
                </Choice>
              </FieldRow>
              <VesselFields
                label="4  Shape, measured inside the glass"
                error={error("vessel")}
                typed={answers}
                wrong={wrong}
                units={units}
                onChange={set}
              />
              <FieldRow
                label="5  New water"
                error={error("water") ?? error("sourceId")}
                {...(USUAL_WATERS.some((w) => w === answers.water)
                  ? { hint: "It is made with the tank, as it usually is. Measure it and set it right at the desk." }
                  : {})}
              >
                <Choice value={answers.water} onChange={(e) => set({ water: e.target.value })}>
                  <option value="">—</option>
                  {sources.map(([id, name]) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                  {USUAL_WATERS.map((w) => (
                    <option key={w} value={w}>
                      {NEW_WATER[w]}
                    </option>
                  ))}
                </Choice>
              </FieldRow>
              <FieldRow label="6  A sump under it">
                <Choice value={answers.sump ? "yes" : "no"} onChange={(e) => set({ sump: e.target.value === "yes" })}>
                  <option value="no">no</option>
                  <option value="yes">yes</option>
                </Choice>
              </FieldRow>
              <FieldRow label="7  Started" error={error("startedOn")}>
                <TextInput
                  type="date"
                  max={today}
                  value={answers.startedOn}
                  onChange={(e) => set({ startedOn: e.target.value })}
                />
              </FieldRow>
              <GoButton type="submit" disabled={!hydrated || busy}>
                {busy ? "Making" : "Make this tank"}
              </GoButton>
            </Box>
            <Box flex="1" minW="0" w="100%">
              <Drawn answers={answers} vessel={vessel} units={units} />
            </Box>
          </Flex>
        </Fieldset>
      </Form>
    </Box>
  );
}

function Drawn({ answers, vessel, units }: { answers: Answers; vessel: Vessel | null; units: UnitPreference }) {
  const { kind, sump, startedOn, name } = answers;
  const drawn = useMemo(() => {
    if (!vessel) return null;
    try {
      const usual = quickStart({ kind, vessel, sump, startedOn });
      return { facts: { id: "", name, kind, ...usual, animals: [] } as TankFacts, misfit: tankMisfits(usual)[0] };
    } catch (error) {
      // Dimensions that make no vessel: the form says which one.
      if (!(error instanceof OutOfRangeError)) throw error;
      return null;
    }
  }, [kind, vessel, sump, startedOn, name]);
  if (!drawn)
    return (
      <Box color="soft" maxW="46ch" pt="30px">
        Type the dimensions and the tank draws itself here, with the water, bed and rock that are usual for its kind.
      </Box>
    );
  const litres = systemVolumeL(drawn.facts);
  const half = volumeRelative95(drawn.facts) * litres;
  const volume = (l: number) => figure(showVolume(l, units.volume), 0);
  return (
    <Box>
      <Section facts={drawn.facts} markCm={null} units={units} width={560} />
      <Flex gap="28px" align="flex-end" wrap="wrap" mt="8px">
        <Box>
          <Span fontFamily="mono" fontSize="30px" fontWeight="560">
            {volume(litres)}
          </Span>{" "}
          <Span color="soft">
            {units.volume}, {volume(litres - half)} to {volume(litres + half)} while bed, rock and level are assumed
          </Span>
        </Box>
        {vessel && <PlanView vessel={vessel} width={150} />}
      </Flex>
      {drawn.misfit && (
        <Box color="vermilion" fontWeight="600" mt="6px">
          {misfitSentence(drawn.misfit, units)}
        </Box>
      )}
    </Box>
  );
}
