"use client";

import { Box, chakra, Flex } from "@chakra-ui/react";
import { exceptionSentence, mayWait } from "@keel-round/core/given";
import type { SaidStep } from "@keel-round/core/steps";
import type { SwitchGear } from "@keel-round/core/tank";
import { gearName } from "@keel-round/core/tank";
import { DECIDE_AFTER_SLIPS, DECISIONS, type Decision } from "@keel-round/core/visit";
import { useCallback, useEffect, useRef, useState } from "react";
import { registerWorker } from "@/device/register";
import type { SyncState } from "@/device/sync";
import { type LiveVisit, useVisit } from "@/device/useVisit";
import { GoButton, Notice, QuietButton } from "@/kit/controls";
import { Button, H1, H2, Span } from "@/kit/elements";
import { Keys } from "@/kit/shell/Keys";
import { duration } from "@/kit/words";
import { DraftsProvider, useDrafts } from "./drafts";
import { Findings } from "./Findings";
import { refusalSentence } from "./refusals";
import { LeaveOff, PlanChange, StepBody } from "./StepBody";
import { HoldButton } from "./Stepper";

const MISSING = {
  offline:
    "There is no network, and this visit is not kept on this device. Open the round once with a network and its visits are kept.",
  "signed-out": "Sign in to open this visit. Nothing that was entered on this device is lost.",
  trouble: "The server is in trouble, and this visit is not kept on this device. Try again in a few minutes.",
  gap: "This visit is not kept on this device. Open the round once with a network.",
  gone: "There is no such visit here.",
} as const;

/** The visit on site. Reads the address itself: the page holds nothing of anybody. */
export function VisitSheet() {
  const [visitId, setVisitId] = useState<string | null>(null);
  useEffect(() => {
    registerWorker();
    setVisitId(new URLSearchParams(window.location.search).get("visit") ?? "");
  }, []);
  if (visitId === null) return <Waiting />;
  return visitId === "" ? <NotHere why="gone" /> : <Loaded visitId={visitId} />;
}

const Page = chakra("main", {
  base: { maxW: "560px", mx: "auto", minH: "100dvh", bg: "sheet", display: "flex", flexDirection: "column" },
});

function Waiting() {
  return (
    <Page aria-busy="true">
      <H1 p="18px" color="soft" fontSize="15px" fontWeight="400">
        Opening the visit
      </H1>
    </Page>
  );
}

function Loaded({ visitId }: { visitId: string }) {
  const load = useVisit(visitId);
  if (load.status === "loading") return <Waiting />;
  if (load.status === "missing") return <NotHere why={load.why} />;
  const { visit, sync } = load;
  if (!visit.state.startedAt) return <Start visit={visit} sync={sync} />;
  if (visit.state.closedAt) return <Closed visit={visit} sync={sync} />;
  return <Running visit={visit} sync={sync} />;
}

function NotHere({ why }: { why: keyof typeof MISSING }) {
  return (
    <Page>
      <Box p="18px">
        <H1 fontSize="22px" fontWeight="640" mb="10px">
          Not on this device
        </H1>
        <Notice tone="care">{MISSING[why]}</Notice>
        <Flex gap="10px" mt="14px">
          <QuietButton asChild>
            <a href={why === "signed-out" ? "/sign-in" : "/round"}>
              {why === "signed-out" ? "Sign in" : "To the round"}
            </a>
          </QuietButton>
          <QuietButton asChild>
            <a href="/day">What is kept here</a>
          </QuietButton>
        </Flex>
      </Box>
    </Page>
  );
}

function Net({ visit, sync }: { visit: LiveVisit; sync: SyncState }) {
  const text =
    sync === "signed-out"
      ? `signed out, ${visit.waiting} kept`
      : sync === "offline"
        ? `no network, ${visit.waiting} kept`
        : sync === "trouble" && visit.waiting > 0
          ? `server trouble, ${visit.waiting} kept and tried again`
          : sync === "gap" && visit.waiting > 0
            ? `an earlier entry is missing, ${visit.waiting} kept`
            : visit.waiting > 0
              ? `sending ${visit.waiting}`
              : "all sent";
  return (
    <Span role="status" color={sync === "online" ? "soft" : "ochre"} data-sync={sync} data-waiting={visit.waiting}>
      {text}
    </Span>
  );
}

function RefusedEntries({ visit }: { visit: LiveVisit }) {
  if (visit.refused.length === 0) return null;
  return (
    <Box px="18px" py="8px" role="alert">
      <Notice tone="danger">
        {visit.refused.map((o) => (
          <Box key={o.opId}>
            Not taken: {o.body.type}. {refusalSentence({ code: o.code ?? "", ...(o.items ? { items: o.items } : {}) })}
          </Box>
        ))}
      </Notice>
    </Box>
  );
}

function Start({ visit, sync }: { visit: LiveVisit; sync: SyncState }) {
  const { kept, plan } = visit;
  return (
    <Page>
      <Box p="18px" flex="1">
        <Flex justify="space-between" color="soft" fontSize="14.5px">
          <span>{kept.siteName}</span>
          <Net visit={visit} sync={sync} />
        </Flex>
        <H1 fontSize="27px" fontWeight="660" mt="10px">
          {kept.tankName}
        </H1>
        <Box mt="4px" fontSize="17px">
          {plan.steps.length} steps, {duration(plan.minutes)}
        </Box>
        <Box mt="12px" color="soft">
          {kept.address}. {kept.access}
        </Box>
        {[
          ...(kept.input.book.exceptions ?? []).map(exceptionSentence),
          ...(kept.input.book.access ? [kept.input.book.access] : []),
          ...kept.input.book.notes,
        ].map((n) => (
          <Box key={n} mt="10px">
            <Notice tone="care">{n}</Notice>
          </Box>
        ))}
        <Box mt="16px" fontWeight="620">
          To bring in
        </Box>
        <Box columns={2} fontSize="15px">
          {plan.kit.map((k) => (
            <Box key={k}>{k}</Box>
          ))}
        </Box>
      </Box>
      <Box p="12px 18px 18px" borderTopWidth="1px" borderColor="rule">
        <GoButton
          type="button"
          w="100%"
          h="60px"
          fontSize="17px"
          data-key="tick"
          onClick={() => visit.say({ type: "start" })}
        >
          Start
        </GoButton>
      </Box>
    </Page>
  );
}

function Closed({ visit, sync }: { visit: LiveVisit; sync: SyncState }) {
  return (
    <Page>
      <Box p="18px">
        <H1 fontSize="27px" fontWeight="660">
          Closed
        </H1>
        <Box mt="8px">
          {visit.kept.tankName}, {visit.kept.siteName}. <Net visit={visit} sync={sync} />
        </Box>
        <Box mt="10px" color="soft">
          {visit.waiting > 0
            ? "Everything is kept on this device and goes up by itself when there is a network."
            : "The letter is being made; it waits under Letters to be read and sent."}
        </Box>
        <Flex gap="10px" mt="18px">
          <GoButton asChild>
            <a href="/round">To the round</a>
          </GoButton>
          <QuietButton asChild>
            <a href="/letters">Letters</a>
          </QuietButton>
        </Flex>
      </Box>
      <RefusedEntries visit={visit} />
    </Page>
  );
}

type Panel = "step" | "all" | "seen" | "close";

function Running({ visit, sync }: { visit: LiveVisit; sync: SyncState }) {
  const { plan, state, kept } = visit;
  const { steps } = plan;
  const settled = useCallback(
    (s: SaidStep) => state.ticked[s.id] !== undefined || state.skipped[s.id] !== undefined,
    [state],
  );
  const [chosen, setChosen] = useState<string | null>(null);
  const [panel, setPanel] = useState<Panel>("step");
  const first = steps.find((s) => !settled(s));
  const step = steps.find((s) => s.id === chosen) ?? first;
  const index = step ? steps.indexOf(step) : steps.length;
  const left = steps.filter((s) => !settled(s)).reduce((sum, s) => sum + s.minutes, 0);
  const off = Object.entries(state.gear).flatMap(([gear, g]) => (g?.state === "off" ? [gear as SwitchGear] : []));
  const openFindings = state.findings.filter((f) => !f.outcome).length;

  return (
    <Page>
      <Keys />
      <Box p="14px 18px 10px" borderBottomWidth="1px" borderColor="rule">
        <Flex justify="space-between" fontSize="14.5px" color="soft" gap="10px">
          <H1 fontSize="14.5px" fontWeight="400">
            {kept.siteName}, {kept.tankName.toLowerCase()}
          </H1>
          <Net visit={visit} sync={sync} />
        </Flex>
        <Flex gap="2px" mt="10px" aria-hidden="true">
          {steps.map((s, i) => (
            <Box key={s.id} flex="1" h="6px" bg={i === index ? "coralline" : settled(s) ? "ink" : "ruleStrong"} />
          ))}
        </Flex>
        <Flex justify="space-between" fontSize="13.5px" color="soft" mt="6px">
          <span data-progress="">{step ? `${index + 1} of ${steps.length}` : `all ${steps.length} done`}</span>
          <span>{left > 0 ? `about ${duration(left)} left` : ""}</span>
        </Flex>
        <Flex gap="6px" mt="8px" role="tablist" aria-label="Parts of the visit">
          {(
            [
              ["step", "Step"],
              ["all", "All steps"],
              ["seen", `Seen${openFindings ? ` ${openFindings}` : ""}`],
              ["close", "Close"],
            ] as const
          ).map(([id, label]) => (
            <QuietButton
              key={id}
              type="button"
              role="tab"
              aria-selected={panel === id}
              flex="1"
              minH="44px"
              fontSize="14px"
              px="4px"
              {...(panel === id ? { bg: "corallineWash", borderColor: "coralline" } : {})}
              onClick={() => setPanel(id)}
            >
              {label}
            </QuietButton>
          ))}
        </Flex>
      </Box>
      <PlanChange visit={visit} />
      <RefusedEntries visit={visit} />
      {panel === "all" && (
        <Box px="18px" pb="18px" flex="1">
          {steps.map((s) => (
            <Button
              key={s.id}
              type="button"
              display="flex"
              w="100%"
              gap="10px"
              textAlign="left"
              py="10px"
              minH="48px"
              borderBottomWidth="1px"
              borderColor="rule"
              bg="transparent"
              cursor="pointer"
              onClick={() => {
                setChosen(s.id);
                setPanel("step");
              }}
            >
              <Span w="70px" color={state.skipped[s.id] ? "ochre" : "soft"} flexShrink={0}>
                {state.ticked[s.id] ? "done" : state.skipped[s.id] ? "skipped" : duration(s.minutes)}
              </Span>
              <span>{s.title}</span>
            </Button>
          ))}
        </Box>
      )}
      {panel === "seen" && (
        <Box px="18px" py="14px" flex="1">
          <Findings visit={visit} />
        </Box>
      )}
      {(panel === "close" || (panel === "step" && !step)) && (
        <Close visit={visit} unsettled={steps.filter((s) => s.task && !settled(s))} />
      )}
      {panel === "step" && step && (
        <OneStep
          key={step.id}
          visit={visit}
          step={step}
          off={off}
          onSettled={() => setChosen(null)}
          settled={settled(step)}
        />
      )}
    </Page>
  );
}

/** Amounts that a step asks to be counted before it is ticked. */
const COUNTED: Readonly<Record<string, "outL" | "inL">> = { drain: "outL", refill: "inL", exchange: "outL" };
/** Taps this close after a step came up were meant for the one before it. */
const SECOND_TAP_MS = 350;

const SKIP_REASONS = ["no time left", "part is missing", "owner asked", "not needed today"] as const;

function OneStep({
  visit,
  step,
  off,
  settled,
  onSettled,
}: {
  visit: LiveVisit;
  step: SaidStep;
  off: readonly SwitchGear[];
  settled: boolean;
  onSettled: () => void;
}) {
  const [skipping, setSkipping] = useState(false);
  const [asking, setAsking] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const { drafts, saveAll } = useDrafts();
  const shownAt = useRef(Date.now());
  // The heater may only meet air when it is off and cooled: reaching the drain with it on asks first, off line too.
  const heaterOn =
    step.id === "drain" &&
    visit.plan.steps.some((s) => s.off?.includes("heater")) &&
    visit.state.gear.heater?.state !== "off";
  const tick = async (sure = false) => {
    // A second tap of the same thumb is not for the step that came up under it.
    if (Date.now() - shownAt.current < SECOND_TAP_MS) return;
    if (heaterOn && !sure) return setAsking(true);
    // What was typed goes with the tick; what cannot be kept says so beside its field.
    if (!(await saveAll())) return;
    const counted = COUNTED[step.id];
    const now = await visit.latest();
    if (step.test && !now.readings.some((r) => r.parameter === step.test))
      return setError("Enter a reading first, or skip the step with a reason.");
    if (counted && now.litres?.[counted] == null) return setError("Enter what you counted, or tap the planned amount.");
    if (step.on?.some((g) => !["on", "left-off"].includes(visit.state.gear[g]?.state ?? "")))
      return setError("Tick each one on, or say why it stays off.");
    for (const gear of step.off ?? []) await visit.say({ type: "switch", gear, state: "off" });
    const refusal = await visit.say({ type: "tick", step: step.id });
    if (refusal) return setError(refusalSentence(refusal));
    onSettled();
  };
  const skip = async (reason: string) => {
    const refusal = await visit.say({ type: "skip", step: step.id, reason });
    if (!refusal) onSettled();
  };
  return (
    <>
      <Box px="18px" pt="16px" flex="1">
        <H2 fontSize="27px" fontWeight="660" lineHeight="1.15" letterSpacing="-0.2px">
          {step.title}
        </H2>
        {step.slips ? <Box color="ochre">slipped {step.slips === 1 ? "once" : `${step.slips} times`}</Box> : null}
        <DraftsProvider drafts={drafts}>
          <StepBody visit={visit} step={step} />
        </DraftsProvider>
        {step.held && !settled && <Overrule visit={visit} held={step.held} />}
        {asking && (
          <Box mt="12px" role="alert">
            <Notice tone="danger">
              <Box fontWeight="640">The heater is still on.</Box>
              In air it cracks or burns. Switch it off and let it cool for 15 minutes.
              <Flex gap="8px" mt="8px">
                <QuietButton
                  type="button"
                  minH="48px"
                  onClick={async () => {
                    await visit.say({ type: "switch", gear: "heater", state: "off" });
                    setAsking(false);
                  }}
                >
                  It is off now
                </QuietButton>
                <QuietButton type="button" minH="48px" onClick={() => tick(true)}>
                  It stays under water
                </QuietButton>
              </Flex>
            </Notice>
          </Box>
        )}
        {error && (
          <Box mt="12px" role="alert">
            <Notice tone="danger">{error}</Notice>
          </Box>
        )}
        {skipping && (
          <Box mt="12px">
            {step.task && !mayWait(visit.kept.input) && (
              <Box color="ochre" mb="6px">
                A reading of this tank drifts: what is left out now works against it.
              </Box>
            )}
            {slipsAgain(step) ? <Decide visit={visit} step={step} onDone={onSettled} /> : <SkipReasons onSkip={skip} />}
          </Box>
        )}
      </Box>
      {off.length > 0 && (
        <Box px="18px" pb="8px" pt="10px">
          <Span
            borderWidth="1px"
            borderColor="vermilion"
            color="vermilion"
            rounded="s"
            px="8px"
            py="3px"
            fontWeight="600"
            fontSize="14px"
            display="inline-block"
          >
            Off: {off.map(gearName).join(", ")}
          </Span>
        </Box>
      )}
      <Box
        p="12px 18px 18px"
        borderTopWidth="1px"
        borderColor="rule"
        display="grid"
        gridTemplateColumns="1fr 2.1fr"
        gap="10px"
        position="sticky"
        bottom="0"
        bg="sheet"
      >
        {settled ? (
          <QuietButton
            type="button"
            h="60px"
            fontSize="17px"
            onClick={() => visit.say({ type: "untick", step: step.id })}
          >
            Undo
          </QuietButton>
        ) : (
          <QuietButton
            type="button"
            h="60px"
            fontSize="17px"
            onClick={() => setSkipping(!skipping)}
            aria-expanded={skipping}
          >
            Skip…
          </QuietButton>
        )}
        <GoButton
          type="button"
          h="60px"
          fontSize="17px"
          data-key="tick"
          onClick={() => (settled ? onSettled() : tick())}
        >
          {settled ? "Next" : (DONE_WORD[step.id] ?? "Done")}
        </GoButton>
      </Box>
    </>
  );
}

/** Left out twice already: the third time somebody decides. */
const slipsAgain = (step: SaidStep) => step.task !== undefined && (step.slips ?? 0) >= DECIDE_AFTER_SLIPS;

function SkipReasons({ onSkip }: { onSkip: (reason: string) => void }) {
  return (
    <>
      <Box color="soft" mb="6px">
        Why is it left out?
      </Box>
      <Flex gap="6px" wrap="wrap">
        {SKIP_REASONS.map((r) => (
          <QuietButton key={r} type="button" minH="48px" fontWeight="400" onClick={() => onSkip(r)}>
            {r}
          </QuietButton>
        ))}
      </Flex>
    </>
  );
}

const DECISION_WORD: Record<Decision, string> = {
  must: "At the next visit, first of all",
  rarer: "Half as often again is enough",
  owner: "The owner does it",
  rest: "Out of the programme",
};

/** A job that is left out for the third time: what becomes of it. */
function Decide({ visit, step, onDone }: { visit: LiveVisit; step: SaidStep; onDone: () => void }) {
  const decide = async (what: Decision) => {
    await visit.say({ type: "decide", task: step.id, what });
    const refusal = await visit.say({ type: "skip", step: step.id, reason: DECISION_WORD[what].toLowerCase() });
    if (!refusal) onDone();
  };
  return (
    <Box>
      <Box color="ochre" mb="6px">
        It was left out {step.slips} times already. What becomes of it?
      </Box>
      <Flex gap="6px" wrap="wrap">
        {DECISIONS.map((what) => (
          <QuietButton key={what} type="button" minH="48px" onClick={() => decide(what)}>
            {DECISION_WORD[what]}
          </QuietButton>
        ))}
      </Flex>
    </Box>
  );
}

const OVERRULE_REASONS = ["it is blocked", "it is broken", "the flow has nearly stopped"] as const;

/** A job that a rule keeps from today, done all the same with a reason. */
function Overrule({ visit, held }: { visit: LiveVisit; held: NonNullable<SaidStep["held"]> }) {
  return (
    <Box mt="14px">
      <Box color="soft" mb="6px">
        {held.strict
          ? "Little else is left alone here. Do it today only if:"
          : "Enough else is left alone here. Do it today because:"}
      </Box>
      <Flex gap="6px" wrap="wrap">
        {[...OVERRULE_REASONS, ...(held.strict ? [] : ["it suits today"])].map((reason) => (
          <QuietButton
            key={reason}
            type="button"
            minH="48px"
            onClick={() => visit.say({ type: "override", task: held.code, reason })}
          >
            {reason}
          </QuietButton>
        ))}
      </Flex>
    </Box>
  );
}

const DONE_WORD: Readonly<Record<string, string>> = {
  drain: "At the line",
  refill: "Filled",
  "heater-off": "It is off",
  "power-down": "All off",
  "power-up": "All on",
  look: "Looked",
};

function Close({ visit, unsettled }: { visit: LiveVisit; unsettled: readonly SaidStep[] }) {
  const [error, setError] = useState<string | null>(null);
  const { state, kept } = visit;
  const off = Object.entries(state.gear).flatMap(([gear, g]) => (g?.state === "off" ? [gear as SwitchGear] : []));
  const answered = new Set(state.findings.filter((f) => f.outcome).map((f) => f.id));
  const open = [
    ...state.findings.filter((f) => !f.outcome),
    ...kept.input.findings.filter((f) => !answered.has(f.id) && !state.findings.some((x) => x.id === f.id)),
  ];
  const { say } = visit;
  const close = useCallback(async () => {
    const refusal = await say({ type: "close" });
    setError(refusal ? refusalSentence(refusal) : null);
  }, [say]);
  return (
    <>
      <Box px="18px" py="16px" flex="1">
        <H2 fontSize="24px" fontWeight="660">
          Close the visit
        </H2>
        {off.map((gear) => (
          <Flex key={gear} align="center" gap="8px" py="8px" borderBottomWidth="1px" borderColor="rule">
            <Box flex="1" color="vermilion" fontWeight="600">
              {gearName(gear)} is still off
            </Box>
            <QuietButton type="button" minH="48px" onClick={() => say({ type: "switch", gear, state: "on" })}>
              On
            </QuietButton>
            <LeaveOff visit={visit} gear={gear} />
          </Flex>
        ))}
        {unsettled.map((s) => (
          <Box key={s.id} py="8px" borderBottomWidth="1px" borderColor="rule">
            <Box fontWeight="560">Not done: {s.title}</Box>
            <Box mt="6px">
              {slipsAgain(s) ? (
                <Decide visit={visit} step={s} onDone={() => {}} />
              ) : (
                <SkipReasons onSkip={(reason) => void say({ type: "skip", step: s.id, reason })} />
              )}
            </Box>
          </Box>
        ))}
        {open.length > 0 && (
          <Box py="10px">
            <Findings visit={visit} />
          </Box>
        )}
        {off.length + unsettled.length + open.length === 0 && (
          <Box mt="8px" color="soft">
            Everything is on, every job is done or has its reason, and nothing that was seen is left open. Look back
            once at the floor, the plugs and the valves.
          </Box>
        )}
        {error && (
          <Box mt="12px" role="alert">
            <Notice tone="danger">{error}</Notice>
          </Box>
        )}
      </Box>
      <Box p="12px 18px 18px" borderTopWidth="1px" borderColor="rule">
        <HoldButton onDone={close} disabled={unsettled.length > 0}>
          Hold to close
        </HoldButton>
      </Box>
    </>
  );
}
