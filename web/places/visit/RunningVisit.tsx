"use client";

import { Box } from "@chakra-ui/react";
import type { SaidStep } from "@keel-round/core/steps";
import type { SwitchGear } from "@keel-round/core/tank";
import { counted } from "@keel-round/core/text";
import { phasesOf } from "@keel-round/core/visit";
import { useCallback, useState } from "react";
import type { SyncState } from "@/device/ask";
import type { LiveVisit } from "@/device/useVisit";
import { AllSteps } from "./AllSteps";
import { Close } from "./Close";
import { ClockBar } from "./clocks/ClockBar";
import { Findings } from "./Findings";
import { Head } from "./Head";
import { JustTicked } from "./JustTicked";
import { Measure } from "./Measure";
import { OneStep } from "./OneStep";
import { type Part, Parts, partPanel } from "./Parts";
import { PhaseView } from "./PhaseView";
import { PlanChange, usePlanChange } from "./PlanChange";
import { isSettled } from "./phaseModel";
import { type Called, Help, HelpBar } from "./trouble/Help";
import { usePace } from "./usePace";
import { RefusedEntries, VisitFrame, VisitTop } from "./VisitFrame";

/** Where somebody is in a visit: in which part of the sheet, at which phase or step, and what they ticked last. */
function useWhere(visit: LiveVisit) {
  const { steps } = visit.plan;
  const { state } = visit;
  const [part, setPart] = useState<Part>("step");
  const [pace, setPace] = usePace();
  const [chosen, setChosen] = useState<string | null>(null);
  const [phaseId, setPhaseId] = useState<string | null>(null);
  const [ticked, setTicked] = useState<readonly SaidStep[]>([]);
  const settled = (s: SaidStep) => state.ticked[s.id] !== undefined || state.skipped[s.id] !== undefined;
  // What was knowingly passed by: it stays empty, and is asked for again at the end.
  const [passed, setPassed] = useState<ReadonlySet<string>>(new Set());
  const isOpen = (s: SaidStep) => !isSettled(state, s) && !passed.has(s.id);
  const phases = phasesOf(steps);
  const first = steps.find((s) => (pace === "phases" ? isOpen(s) : !settled(s)));
  const step = steps.find((s) => s.id === chosen) ?? first;
  // The phase that somebody went to, or the first with something open.
  const gone = phases.findIndex((p) => p.id === phaseId);
  const at = gone >= 0 ? gone : phases.findIndex((p) => p.steps.some(isOpen));
  const phase = pace === "phases" && chosen === null ? phases[at] : undefined;
  return {
    ...{ part, setPart, pace, setPace, ticked, setTicked, settled, phases, at, phase, step, steps },
    toStep: (id: string) => {
      setChosen(id);
      setPart("step");
    },
    /** On to the next one. Who went to another part of the sheet meanwhile stays there. */
    goOn: () => setChosen(null),
    toPhase: setPhaseId,
    pass: (empty: readonly SaidStep[]) => setPassed((before) => new Set([...before, ...empty.map((s) => s.id)])),
    /** Goes to the step, or to the phase of it. */
    backTo: (id: string | undefined) => {
      if (pace === "phases") setPhaseId(phases.find((p) => p.steps.some((s) => s.id === id))?.id ?? null);
      else setChosen(id ?? null);
    },
  };
}

type Where = ReturnType<typeof useWhere>;

/** How far the visit is, and the parts of its sheet. */
function Top({
  visit,
  sync,
  where,
  onCall,
}: {
  visit: LiveVisit;
  sync: SyncState;
  where: Where;
  onCall: (called: Called) => void;
}) {
  const { part, setPart, pace, phases, at, phase, step, steps, settled } = where;
  const isHere = (s: SaidStep) => (phase ? phase.steps.includes(s) : s === step);
  const [progress, announced] = phase
    ? [`${at + 1} of ${phases.length}`, `Part ${at + 1} of ${phases.length}: ${phase.title}`]
    : step
      ? [`${steps.indexOf(step) + 1} of ${steps.length}`, step.title]
      : [`all ${steps.length} done`, "All steps are done."];
  return (
    <Box borderBottomWidth="1px" borderColor="rule" pb="10px">
      <VisitTop kept={visit.kept} waiting={visit.waiting} sync={sync} />
      <Head
        kept={visit.kept}
        marks={steps.map((s) => (isHere(s) ? "h" : settled(s) ? "d" : "o")).join("")}
        progress={progress}
        minutesLeft={steps.filter((s) => !settled(s)).reduce((sum, s) => sum + s.minutes, 0)}
        announced={announced}
      />
      <Parts
        part={part}
        pace={pace}
        openNotes={visit.state.findings.filter((f) => !f.outcome).length}
        onPart={setPart}
      />
      <HelpBar gasps={visit.kept.input.facts.kind !== "jellyfish"} onCall={onCall} />
    </Box>
  );
}

/** A visit that is under way. */
export function RunningVisit({ visit, sync }: { visit: LiveVisit; sync: SyncState }) {
  const where = useWhere(visit);
  const change = usePlanChange(visit);
  const { part, setPart, phases, at, phase, step, steps, settled, ticked, setTicked } = where;
  const [called, setCalled] = useState<Called | null>(null);
  const forget = useCallback(() => setTicked([]), [setTicked]);
  const off = Object.entries(visit.state.gear).flatMap(([gear, g]) => (g?.state === "off" ? [gear as SwitchGear] : []));
  const goOn = (done: readonly SaidStep[]) => {
    setTicked(done);
    change.seen();
  };
  if (called)
    return (
      <VisitFrame>
        <ClockBar />
        <Help called={called} visit={visit} onBack={() => setCalled(null)} />
      </VisitFrame>
    );
  return (
    <VisitFrame>
      <Top visit={visit} sync={sync} where={where} onCall={setCalled} />
      <ClockBar />
      <PlanChange change={change} />
      <RefusedEntries visit={visit} />
      {ticked.length > 0 && part === "step" && (
        <JustTicked
          key={ticked[0]?.id}
          title={ticked.length === 1 ? (ticked[0]?.title ?? "") : counted(ticked.length, "step")}
          onOver={forget}
          onUndo={async () => {
            for (const s of ticked) await visit.say({ type: "untick", step: s.id });
            where.backTo(ticked[0]?.id);
            forget();
          }}
        />
      )}
      <Box {...partPanel(part)} display="flex" flexDirection="column" flex="1" _focusVisible={{ outline: "none" }}>
        {part === "measure" && <Measure visit={visit} onDone={() => setPart("step")} />}
        {part === "all" && <AllSteps visit={visit} pace={where.pace} onPace={where.setPace} onStep={where.toStep} />}
        {part === "seen" && (
          <Box px="18px" py="14px" flex="1">
            <Findings visit={visit} />
          </Box>
        )}
        {(part === "close" || (part === "step" && !step && !phase)) && (
          <Close visit={visit} led={part === "step"} unsettled={steps.filter((s) => s.task && !settled(s))} />
        )}
        {part === "step" && phase && (
          <PhaseView
            key={phase.id}
            visit={visit}
            phase={phase}
            last={at === phases.length - 1}
            onBack={at > 0 ? () => where.toPhase(phases[at - 1]?.id ?? null) : null}
            onDone={(done, empty) => {
              goOn(done);
              where.pass(empty);
              // To the first part with something open: a reading may have called for one that was passed already.
              where.toPhase(null);
            }}
          />
        )}
        {part === "step" && !phase && step && (
          <OneStep
            key={step.id}
            visit={visit}
            step={step}
            off={off}
            onSettled={(done) => {
              where.goOn();
              goOn(done ? [step] : []);
            }}
            settled={settled(step)}
          />
        )}
      </Box>
    </VisitFrame>
  );
}
