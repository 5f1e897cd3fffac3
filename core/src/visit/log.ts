import { modeOf, type OpenFinding, type PlanReading, type withToday } from "../given/index.ts";
import type { Dosed, DoseUnit } from "../mixing/index.ts";
import { say } from "../say/index.ts";
import { type SwitchGear, systemVolumeL, type TankFacts } from "../tank/index.ts";
import { courseOf, mayBegin, type Remedy } from "../treatment/index.ts";
import type { TroubleCode } from "../trouble/index.ts";
import { type KitAtHand, METRIC, type Parameter, parameterFacts, parseReading } from "../units/index.ts";
import { vesselHeightM } from "../vessel/index.ts";
import type { Decision } from "./decisions.ts";
import type { VisitPlan } from "./planVisit.ts";
import type { OpBody, PhotoSpot } from "./schema.ts";

/** One operation of a visit's log: who wrote it, when, in which order on that device, and what it says. */
export interface VisitOp {
  readonly opId: string;
  readonly device: string;
  readonly seq: number;
  /** Device time, ISO with offset. */
  readonly at: string;
  readonly body: OpBody;
}

/** A reading of the log: the figure as entered, and the canonical one. */
export interface LoggedReading {
  readonly id: string;
  readonly parameter: Parameter;
  readonly text: string;
  readonly unit: string;
  readonly method: string;
  readonly value: number;
  readonly sigma: number;
  readonly at: string;
  /** Of a flow: the filter whose it is. */
  readonly item?: string;
  /** What it was read with, where that stands in the register. */
  readonly kit?: KitAtHand;
  /** Taken when the new water was in. */
  readonly after?: true;
}

/** What was noticed and what became of it. */
export interface LoggedFinding {
  readonly id: string;
  readonly kind: OpenFinding["kind"];
  readonly text: string;
  readonly outcome: { readonly how: "fixed" | "carried" | "owner"; readonly on?: string } | null;
  /** When it was first said. */
  readonly at: string;
}

/** A trouble that was found, and what it was found by. */
export interface LoggedTrouble {
  readonly id: string;
  readonly trouble: TroubleCode;
  readonly seen: readonly string[];
  readonly unseen: readonly string[];
  readonly at: string;
}

/** A group of animals as it was counted. */
export interface LoggedCount {
  readonly animal: string;
  readonly name: string;
  /** How many there should be. */
  readonly of: number;
  readonly seen: number;
  readonly dead: number;
  readonly at: string;
}

/** A product that was poured in by hand. */
export interface LoggedDose {
  readonly parameter: Dosed;
  readonly product: string;
  readonly name: string;
  /** Nothing of it where somebody corrected it to 0. */
  readonly amount: number;
  readonly unit: DoseUnit;
  /** What one of the unit raised the water by, as it was then. */
  readonly perUnit: number;
  readonly at: string;
}

/** The end of a visit: who signed for it, or that nobody was there. */
export type Handover = NonNullable<Extract<OpBody, { type: "handover" }>["to"]> & { readonly at: string };

/** What was logged, corrected after the visit: both are kept. */
export interface Correction {
  readonly opId: string;
  readonly at: string;
  readonly why: string;
  readonly change: Extract<OpBody, { type: "correct" }>["change"];
  /** What the log said until then. */
  readonly was: VisitState;
}

/** A visit as its log tells it. */
export interface VisitState {
  readonly startedAt: string | null;
  readonly closedAt: string | null;
  readonly ticked: Readonly<Record<string, string>>;
  readonly skipped: Readonly<Record<string, string>>;
  readonly dirt: Readonly<Record<string, number>>;
  /** Jobs done against a rule, by their code, with the reason. */
  readonly overridden: Readonly<Record<string, string>>;
  /** What was decided about jobs that slipped for the third time. */
  readonly decided: Readonly<Record<string, Decision>>;
  /** Jobs of the plan that slipped twice already, by the id of their step. */
  readonly slipping: Readonly<Record<string, string>>;
  readonly readings: readonly LoggedReading[];
  /** Litres as they were counted; null where nobody did. `at`: when the first of them left. */
  readonly litres: {
    readonly outL: number | null;
    readonly inL: number | null;
    readonly topUpL: number | null;
    readonly at: string;
  } | null;
  /** Each parameter once, in the order they were given. */
  readonly doses: readonly LoggedDose[];
  /** Litres chosen on site; null where the choice was taken back, undefined where nobody chose. */
  readonly chosenL: number | null | undefined;
  readonly belowMarkCm: number | null;
  readonly batch: {
    readonly litres: number;
    readonly grams: number;
    readonly measuredPsu: number;
    readonly confirmed: boolean;
    readonly at: string;
  } | null;
  /** Groups that were counted, each once. */
  readonly counts: readonly LoggedCount[];
  readonly notes: readonly { readonly id: string | null; readonly text: string }[];
  readonly findings: readonly LoggedFinding[];
  /** Each trouble once. */
  readonly troubles: readonly LoggedTrouble[];
  /** The course that began on this visit. */
  readonly treated: {
    readonly id: string;
    readonly remedy: Remedy;
    readonly litres: number;
    readonly at: string;
  } | null;
  readonly gear: Readonly<
    Partial<
      Record<
        SwitchGear,
        { readonly state: "off" | "on" | "left-off" | "left-on"; readonly at: string; readonly reason?: string }
      >
    >
  >;
  /** Pictures that were taken, in their order. */
  readonly photos: readonly { readonly id: string; readonly spot: PhotoSpot; readonly at: string }[];
  /** Who was there at the end; null where nobody said so. */
  readonly handover: Handover | null;
  readonly plans: number;
  readonly corrections: readonly Correction[];
  /** When and why it was called a mistake, until it is started anew. */
  readonly discarded: { readonly at: string; readonly why: string } | null;
}

const EMPTY: VisitState = {
  startedAt: null,
  closedAt: null,
  ticked: {},
  skipped: {},
  dirt: {},
  overridden: {},
  decided: {},
  slipping: {},
  readings: [],
  litres: null,
  doses: [],
  chosenL: undefined,
  belowMarkCm: null,
  batch: null,
  counts: [],
  notes: [],
  findings: [],
  troubles: [],
  treated: null,
  gear: {},
  photos: [],
  handover: null,
  plans: 0,
  corrections: [],
  discarded: null,
};

/** With one of these ticked the new water is in: what is read from then on is the water after the change. */
const REFILLED: readonly string[] = ["refill", "exchange"];

const without = <T>(record: Readonly<Record<string, T>>, key: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => k !== key));

function apply(state: VisitState, op: VisitOp): VisitState {
  const { body, at } = op;
  switch (body.type) {
    case "start":
      return { ...state, startedAt: state.startedAt ?? at, discarded: null };
    case "tick":
      return { ...state, ticked: { ...state.ticked, [body.step]: at }, skipped: without(state.skipped, body.step) };
    case "untick":
      return { ...state, ticked: without(state.ticked, body.step), skipped: without(state.skipped, body.step) };
    case "skip":
      return {
        ...state,
        skipped: { ...state.skipped, [body.step]: body.reason },
        ticked: without(state.ticked, body.step),
      };
    case "dirt":
      return { ...state, dirt: { ...state.dirt, [body.step]: body.dirt } };
    case "override":
      return { ...state, overridden: { ...state.overridden, [body.task]: body.reason } };
    case "decide":
      return { ...state, decided: { ...state.decided, [body.task]: body.what } };
    case "reading": {
      const parsed = parseReading(body);
      if (!parsed.ok) return state;
      const before = state.readings.find((r) => r.id === body.id);
      const reading = {
        id: body.id,
        parameter: body.parameter,
        text: body.text,
        unit: body.unit,
        method: body.method,
        value: parsed.value,
        sigma: parsed.sigma,
        ...(body.item ? { item: body.item } : {}),
        ...(body.kit ? { kit: body.kit } : {}),
        // Entered anew it is still the water of the moment it was taken at.
        at: before?.at ?? at,
        ...((before ? before.after : REFILLED.some((step) => state.ticked[step] !== undefined))
          ? { after: true as const }
          : {}),
      };
      return { ...state, readings: [...state.readings.filter((r) => r.id !== body.id), reading] };
    }
    case "reading-back":
      return { ...state, readings: state.readings.filter((r) => r.id !== body.id) };
    case "litres":
      return {
        ...state,
        litres: {
          outL: body.outL ?? state.litres?.outL ?? null,
          inL: body.inL ?? state.litres?.inL ?? null,
          topUpL: body.topUpL ?? state.litres?.topUpL ?? null,
          at: state.litres?.at ?? at,
        },
      };
    case "dose": {
      const { type: _, ...dose } = body;
      const before = state.doses.find((d) => d.parameter === dose.parameter);
      const entered = { ...dose, at: before?.at ?? at };
      return {
        ...state,
        doses: before ? state.doses.map((d) => (d === before ? entered : d)) : [...state.doses, entered],
      };
    }
    case "choose":
      return { ...state, chosenL: body.litres };
    case "level":
      return { ...state, belowMarkCm: body.belowCm };
    case "batch":
      return {
        ...state,
        batch: { litres: body.litres, grams: body.grams, measuredPsu: body.measuredPsu, confirmed: body.confirmed, at },
      };
    case "count": {
      const { animal, name, of, seen, dead } = body;
      const others = state.counts.filter((c) => c.animal !== animal);
      return { ...state, counts: [...others, { animal, name, of, seen, dead, at }] };
    }
    case "count-back":
      return { ...state, counts: state.counts.filter((c) => c.animal !== body.animal) };
    case "note":
      return { ...state, notes: [...state.notes, { id: body.id ?? null, text: body.text }] };
    case "note-back":
      return { ...state, notes: state.notes.filter((n) => n.id !== body.id) };
    case "finding":
      return {
        ...state,
        findings: [...state.findings, { id: body.id, kind: body.kind, text: body.text, outcome: null, at }],
      };
    case "resolve": {
      const outcome = { how: body.how, ...(body.on ? { on: body.on } : {}) };
      const known = state.findings.some((f) => f.id === body.id);
      const findings = known
        ? state.findings.map((f) => (f.id === body.id ? { ...f, outcome } : f))
        : // An earlier visit's finding: this log says what became of it.
          [...state.findings, { id: body.id, kind: "other" as const, text: body.text ?? "", outcome, at }];
      return { ...state, findings };
    }
    case "trouble": {
      const { id, trouble, seen, unseen } = body;
      const others = state.troubles.filter((t) => t.trouble !== trouble && t.id !== id);
      return { ...state, troubles: [...others, { id, trouble, seen, unseen, at }] };
    }
    case "treat":
      return { ...state, treated: { id: body.id, remedy: body.remedy, litres: body.litres, at } };
    case "treat-back":
      return state.treated?.id === body.id ? { ...state, treated: null } : state;
    case "trouble-back":
      return { ...state, troubles: state.troubles.filter((t) => t.id !== body.id) };
    case "finding-back":
      return { ...state, findings: state.findings.filter((f) => f.id !== body.id) };
    case "photo":
      return {
        ...state,
        photos: [...state.photos.filter((p) => p.id !== body.id), { id: body.id, spot: body.spot, at }],
      };
    case "photo-back":
      return { ...state, photos: state.photos.filter((p) => p.id !== body.id) };
    case "handover":
      return { ...state, handover: body.to && { ...body.to, at } };
    case "switch":
      return {
        ...state,
        gear: {
          ...state.gear,
          [body.gear]: { state: body.state, at, ...(body.reason ? { reason: body.reason } : {}) },
        },
      };
    case "plan":
      return { ...state, plans: state.plans + 1, slipping: slippingIn(body.plan as VisitPlan) };
    case "close":
      return { ...state, closedAt: state.closedAt ?? at };
    case "discard":
      return { ...EMPTY, discarded: { at, why: body.why } };
    case "reopen":
      return { ...state, closedAt: null };
    case "correct": {
      // What is ticked afterwards was done before the visit ended.
      const done = apply(state, { ...op, at: state.closedAt ?? at, body: body.change });
      const { opId } = op;
      return {
        ...done,
        corrections: [...state.corrections, { opId, at, why: body.why, change: body.change, was: state }],
      };
    }
  }
}

/** Slipped this often, the next time asks for a decision. */
export const DECIDE_AFTER_SLIPS = 2;

/** What a job is called: no quantity of it is in anybody's units. */
const sayTitle = ({ title }: VisitPlan["steps"][number]): string =>
  typeof title === "string" ? title : say(title, METRIC);

const slippingIn = (plan: Partial<VisitPlan> | null): Record<string, string> =>
  Object.fromEntries(
    (plan?.steps ?? []).flatMap((s) => ((s.slips ?? 0) >= DECIDE_AFTER_SLIPS ? [[s.id, sayTitle(s)]] : [])),
  );

/**
 * Folds a log into the visit it tells of. The same on the phone and on the server.
 *
 * @param from The visit as an earlier part of the log told it: what later operations leave alone stays the same object.
 */
export function visitState(ops: readonly VisitOp[], from: VisitState = EMPTY): VisitState {
  return ops.reduce(apply, from);
}

/** The state's readings as a plan uses them. */
function planReadings(state: VisitState, on: string): PlanReading[] {
  return state.readings.map((r) => ({
    parameter: r.parameter,
    value: r.value,
    sigma: r.sigma,
    on,
    ...(r.item ? { item: r.item } : {}),
    ...(r.after ? { after: r.after } : {}),
  }));
}

/** What a visit saw and decided since its plan was made, as the next plan takes it. */
export function seenToday(state: VisitState, on: string): Parameters<typeof withToday>[1] {
  const { chosenL, overridden, troubles, treated } = state;
  return {
    ...(treated ? { treatment: { ...courseOf(treated.remedy, on, treated.litres), id: treated.id } } : {}),
    ...(troubles.length > 0 ? { troubles: troubles.map(({ id, trouble }) => ({ id, trouble })) } : {}),
    ...(Object.keys(overridden).length > 0 ? { overridden } : {}),
    readings: planReadings(state, on),
    belowMarkCm: state.belowMarkCm,
    ...(chosenL === undefined ? {} : { chosen: chosenL === null ? null : { litres: chosenL, by: "on site" } }),
  };
}

/** Why an operation is refused, as data with the field it belongs to. */
export interface Refusal {
  readonly code:
    | "already-closed"
    | "not-started"
    | "bad-reading"
    | "more-than-tank"
    | "below-floor"
    | "dose-impossible"
    | "gear-still-off"
    | "finding-still-open"
    | "third-slip"
    | "salt-questioned"
    | "unknown-reading"
    | "unknown-note"
    | "unknown-finding"
    | "unknown-trouble"
    | "unknown-course"
    | "must-not-treat"
    | "unknown-photo"
    | "unknown-count"
    | "not-closed";
  readonly field?: string;
  readonly items?: readonly string[];
  readonly limit?: number;
}

/**
 * Whether an operation may follow a state; null if it may. Asked on the phone before it is queued and again on the
 * server before it is stored.
 *
 * @param openBefore findings of earlier visits that must be answered before closing.
 */
export function refuseOp(
  state: VisitState,
  body: OpBody,
  facts: TankFacts,
  openBefore: readonly OpenFinding[],
): Refusal | null {
  if (!state.startedAt && body.type !== "start") return { code: "not-started" };
  switch (body.type) {
    case "reading": {
      const parsed = parseReading(body);
      return parsed.ok
        ? null
        : { code: "bad-reading", field: "text", items: [parameterFacts[body.parameter].label, parsed.problem.code] };
    }
    case "reading-back":
      return state.readings.some((r) => r.id === body.id) ? null : { code: "unknown-reading" };
    case "note-back":
      return state.notes.some((n) => n.id === body.id) ? null : { code: "unknown-note" };
    case "photo-back":
      return state.photos.some((p) => p.id === body.id) ? null : { code: "unknown-photo" };
    case "finding-back":
      // What an earlier visit saw is answered, not deleted.
      return state.findings.some((f) => f.id === body.id) && !openBefore.some((f) => f.id === body.id)
        ? null
        : { code: "unknown-finding" };
    case "treat-back":
      return state.treated?.id === body.id ? null : { code: "unknown-course" };
    case "treat": {
      // The day of the tank is the day of the log: what runs already was begun before it.
      const { treatment, ...bare } = facts;
      const { treated } = state;
      // A course that began on this visit runs, also where the tank has not heard of it yet.
      const begun = treated && treated.id !== body.id ? courseOf(treated.remedy, body.on, treated.litres) : undefined;
      const running = begun ?? (treatment?.id === body.id ? undefined : treatment);
      const before = {
        facts: running ? { ...bare, treatment: running } : bare,
        ...{ on: body.on, litresNow: body.litres },
      };
      const answer = mayBegin(body.remedy, before);
      return answer.ok ? null : { code: "must-not-treat", items: answer.reasons.map((r) => say(r, METRIC)) };
    }
    case "trouble-back":
      return state.troubles.some((t) => t.id === body.id) ? null : { code: "unknown-trouble" };
    case "count-back":
      return state.counts.some((c) => c.animal === body.animal) ? null : { code: "unknown-count" };
    case "discard":
      return state.closedAt ? { code: "already-closed" } : null;
    case "reopen":
      return state.closedAt ? null : { code: "not-closed" };
    case "correct":
      return state.closedAt ? refuseOp(state, body.change, facts, openBefore) : { code: "not-closed" };
    case "litres": {
      const systemL = systemVolumeL(facts);
      const together = modeOf(facts) === "in-and-out" || facts.practice.how === "by-condition";
      const most = together ? systemL * 3 : systemL;
      const field =
        (body.outL ?? 0) > most
          ? "outL"
          : (body.inL ?? 0) > most * 1.2
            ? "inL"
            : (body.topUpL ?? 0) > systemL
              ? "topUpL"
              : null;
      return field ? { code: "more-than-tank", field, limit: most } : null;
    }
    case "dose": {
      const [, most] = parameterFacts[body.parameter].plausible;
      return body.amount * body.perUnit > most
        ? { code: "dose-impossible", field: "amount", items: [body.name], limit: most }
        : null;
    }
    case "choose": {
      const systemL = systemVolumeL(facts);
      return (body.litres ?? 0) > systemL ? { code: "more-than-tank", field: "litres", limit: systemL } : null;
    }
    case "level": {
      const depthCm =
        (facts.sump?.runningLevelM ?? Math.min(facts.display.runningLevelM, vesselHeightM(facts.display.vessel))) * 100;
      return body.belowCm > depthCm ? { code: "below-floor", field: "belowCm", limit: depthCm } : null;
    }
    case "close": {
      if (state.closedAt) return { code: "already-closed" };
      const off = Object.entries(state.gear).flatMap(([gear, g]) => (g?.state === "off" ? [gear] : []));
      if (off.length > 0) return { code: "gear-still-off", items: off };
      const undecided = Object.entries(state.slipping).filter(
        ([step]) => state.ticked[step] === undefined && state.decided[step] === undefined,
      );
      if (undecided.length > 0) return { code: "third-slip", items: undecided.map(([, title]) => title) };
      const answered = new Set(state.findings.filter((f) => f.outcome).map((f) => f.id));
      const open = [...state.findings.filter((f) => !f.outcome), ...openBefore.filter((f) => !answered.has(f.id))];
      return open.length > 0 ? { code: "finding-still-open", items: [...new Set(open.map((f) => f.text))] } : null;
    }
    default:
      return null;
  }
}
