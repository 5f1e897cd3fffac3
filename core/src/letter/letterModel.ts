import { daysBetween, longDate, sayDay } from "../calendar/civil.ts";
import { dueOn, jobOf, ownerList, performerOf, type TankTask, taskName } from "../programme/index.ts";
import { type Condition, standing } from "../readings/index.ts";
import { say } from "../say/index.ts";
import { type Band, isSalt, systemVolumeL, type TankBook } from "../tank/index.ts";
import { andList, inSentence, sentence } from "../text/index.ts";
import { type Parameter, parameterFacts, type UnitPreference } from "../units/index.ts";
import type { VisitPlan, VisitState } from "../visit/index.ts";
import { conditionSentence, litresText, waterSentence, withUnit } from "../words/index.ts";

/** One measured value as the owner sees it. */
export interface LetterReading {
  readonly parameter: Parameter;
  readonly label: string;
  readonly value: number;
  readonly shown: string;
  readonly before: number | null;
  readonly band: Band;
  readonly standing: "ideal" | "watch" | "act";
  readonly note: string;
}

/** What the letter says of one tank. Plain words; every sentence holds something of this tank alone. */
export interface LetterTank {
  readonly name: string;
  readonly condition: Condition;
  readonly heading: string;
  readonly opening: readonly string[];
  readonly measured: readonly LetterReading[];
  readonly notMeasured: string | null;
  readonly done: readonly string[];
  readonly seen: readonly string[];
  readonly owner: readonly string[];
  /** What the owner does by themselves, a line a rhythm. */
  readonly between: readonly string[];
  readonly normal: readonly string[];
  readonly next: readonly string[];
}

export interface LetterInput {
  readonly book: TankBook;
  readonly plan: VisitPlan;
  readonly state: VisitState;
  readonly condition: Condition;
  /** The reading before this visit's, by parameter, with its civil date. */
  readonly previous: Readonly<Partial<Record<Parameter, { readonly value: number; readonly on: string }>>>;
  /** The programme as it stands after this visit. */
  readonly tasks: readonly TankTask[];
  readonly on: string;
  readonly next: { readonly on: string; readonly about: string } | null;
  readonly phone: string;
  readonly units: UnitPreference;
}

/** What a parameter means to somebody who only sees the tank. */
const MEANS: Record<Parameter, string> = {
  temperature: "how warm it is",
  salinity: "how salty it is",
  ph: "how sharp or soft the water is",
  alkalinity: "what keeps the water steady",
  gh: "the minerals in the water",
  calcium: "what skeletons are built from",
  magnesium: "what keeps calcium in the water",
  ammonia: "fresh waste, which can poison",
  nitrite: "half-digested waste",
  nitrate: "what is left of food",
  phosphate: "what feeds algae",
  flow: "how much water the pump moves",
  tds: "how pure the water for topping up is",
  chlorine: "what the supplier keeps the tap clean with",
  chloramine: "chlorine bound to ammonia, from the tap",
};

const AFTER_CHANGE: Partial<Record<TankBook["kind"], (name: string) => string>> = {
  "stony-coral": (n) =>
    `Tonight some corals in the ${n} stay closed, and its fish may hide: that is normal until tomorrow.`,
  "large-polyp": (n) => `The large polyps of the ${n} stay shut tonight and open again with tomorrow's light.`,
  anemone: (n) => `The anemone of the ${n} may shrink and close until tomorrow; it should stay where it sits.`,
  "soft-coral": (n) => `The soft corals of the ${n} may hang limp this evening; by tomorrow they stand again.`,
  "marine-fish": (n) => `In the ${n} the larger fish may keep to the back until the lights come on tomorrow.`,
  jellyfish: (n) => `In the ${n} the bells may bunch up for an hour; they spread out again by themselves.`,
  planted: (n) =>
    `The plants of the ${n} give off small bubbles for a few hours after fresh water: that is a good sign.`,
  "planted-low": (n) => `The plants of the ${n} may look combed flat this evening; they stand up again overnight.`,
  shrimp: (n) =>
    `You may see empty shells in the ${n} tomorrow: shrimp moult after fresh water, and the shells are food.`,
  "cool-fresh": (n) => `In the ${n} they may sit at the bottom for the rest of the day; appetite is back tomorrow.`,
  "rift-lake": (n) =>
    `In the ${n} the fish sort out their order again after a large change, with some chasing until tonight.`,
  brackish: (n) => `The fish of the ${n} may not aim today; tomorrow they shoot again.`,
  seahorse: (n) => `In the ${n} the seahorses may hold on to the weed and eat little until tomorrow morning.`,
  "temperate-marine": (n) => `The anemones of the ${n} stay shut for some hours after sea water is changed.`,
  community: (n) => `In the ${n} colours are pale until this evening: fish do that after fresh water.`,
};

/** Builds what the letter says of one tank from its book, its plan and its log. */
export function letterFor(input: LetterInput): LetterTank {
  const { book, condition } = input;
  const name = book.name.toLowerCase();
  const measured = measuredRows(input);
  return {
    name: book.name,
    condition,
    heading: `Your ${name} is ${conditionPhrase(input, measured)}`,
    opening: opening(input, measured, name),
    measured,
    notMeasured: notMeasured(input, measured, name),
    done: done(input, name),
    seen: seen(input, name),
    owner: owner(input, name),
    between: between(input, name),
    normal: normal(input, name),
    next: next(input, name),
  };
}

/** Litres that were counted out of the tank; none where nobody said so. */
const changedL = (state: VisitState): number => state.litres?.outL ?? 0;

function conditionPhrase(input: LetterInput, measured: readonly LetterReading[]): string {
  const { state } = input.condition;
  if (state === "steady") return "steady";
  if (state === "unknown") return "not fully known today";
  const better = changedL(input.state) > 0 || measured.some((m) => m.standing === "ideal");
  if (state === "drifting") return "drifting a little";
  return better ? "off course, and being brought back" : "off course";
}

function measuredRows({ book, state, previous, units }: LetterInput): LetterReading[] {
  return book.bands.flatMap((band) => {
    const mine = state.readings.filter((r) => r.parameter === band.parameter);
    // The water as it was found; what was read after the change is told beside it.
    const reading = mine.findLast((r) => !r.after) ?? mine.at(-1);
    const after = mine.findLast((r) => r.after);
    if (!reading) return [];
    const facts = parameterFacts[band.parameter];
    const where = standing(band, reading.value);
    const side = reading.value > band.idealHigh ? "high" : "low";
    const earlier = previous[band.parameter];
    const was = earlier ? `was ${withUnit(band.parameter, earlier.value, units)} on ${sayDay(earlier.on)}` : "";
    const word = where === "ideal" ? "fine for this tank" : where === "watch" ? `a little ${side}` : `too ${side}`;
    return {
      parameter: band.parameter,
      label: isSalt(book) ? facts.label : (facts.freshLabel ?? facts.label),
      value: reading.value,
      shown: withUnit(band.parameter, reading.value, units),
      before: earlier?.value ?? null,
      band,
      standing: where,
      note: `${where === "ideal" || !was ? word : `${word}; ${was}`}${after && after !== reading ? `; ${withUnit(band.parameter, after.value, units)} after the change` : ""}`,
    };
  });
}

function opening(
  { book, state, condition, units }: LetterInput,
  measured: readonly LetterReading[],
  name: string,
): string[] {
  const lines: string[] = [];
  if (condition.reason) {
    const { reason } = condition;
    const parameter = "parameter" in reason ? reason.parameter : null;
    lines.push(
      sentence(
        `${conditionSentence(reason, units)}${parameter ? `; for the ${name} that is ${MEANS[parameter]}` : ` in the ${name}`}`,
      ),
    );
    if (condition.others.length > 0)
      lines.push(
        sentence(
          `also in the ${name}: ${andList(condition.others.slice(0, 3).map((r) => conditionSentence(r, units)))}`,
        ),
      );
  } else {
    const best = measured.filter((m) => m.standing === "ideal").map((m) => `${inSentence(m.label)} ${m.shown}`);
    lines.push(
      best.length > 0
        ? sentence(`all that was measured in the ${name} is where it should be: ${andList(best)}`)
        : sentence(`nothing was measured in the ${name} today, and its last readings still hold`),
    );
  }
  const counted = state.ticked["count-animals"] !== undefined || state.ticked.look !== undefined;
  const total = book.animals.map((a) => `${a.count} ${a.name}`);
  if (total.length > 0)
    lines.push(
      counted
        ? sentence(`I looked at ${andList(total)}`)
        : sentence(`the ${andList(book.animals.map((a) => a.name))} of the ${name} were not looked over this time`),
    );
  return lines;
}

function notMeasured({ book }: LetterInput, measured: readonly LetterReading[], name: string): string | null {
  const missing = book.bands
    .filter((b) => !measured.some((m) => m.parameter === b.parameter))
    .map((b) => parameterFacts[b.parameter].label);
  return missing.length === 0 ? null : `Not measured in the ${name} today: ${andList(missing.map(inSentence))}.`;
}

function done({ book, plan, state, units }: LetterInput, name: string): string[] {
  const lines: string[] = [];
  const systemL = systemVolumeL(book);
  const outL = changedL(state);
  if (outL > 0)
    lines.push(
      `I changed ${litresText(outL, units)} of the ${name}, ${Math.round((100 * outL) / systemL)} % of its water.`,
    );
  else if (plan.water.reasons[0] && plan.water.decision !== "change")
    lines.push(`No water was changed in the ${name}. ${waterSentence(plan.water.reasons[0], units)}`);
  else lines.push(`No water was changed in the ${name} today.`);
  const jobs = plan.steps.filter((s) => s.task && !s.test && state.ticked[s.id]);
  const done = jobs.flatMap((s) => (s.done ? [say(s.done, units)] : []));
  if (done.length > 0) lines.push(`In the ${name} I also ${andList(done)}.`);
  // A job that a firm named itself, or of a plan from before: only what was to be done is known of it.
  const others = jobs.filter((s) => !s.done).map((s) => inSentence(say(s.title, units)));
  if (others.length > 0) lines.push(sentence(`also done for the ${name}: ${andList(others)}`));
  for (const step of plan.steps) {
    const reason = state.skipped[step.id];
    if (reason) lines.push(`Left for another time in the ${name}: ${inSentence(say(step.title, units))} (${reason}).`);
  }
  for (const [gear, g] of Object.entries(state.gear))
    if (g?.state === "left-off")
      lines.push(`The ${gear.replace("-", " ")} of the ${name} was left off because ${g.reason ?? "of its state"}.`);
  return lines;
}

function seen({ state }: LetterInput, name: string): string[] {
  const lines = state.findings.map((f) => {
    const what = f.text.replace(/[.]$/, "");
    if (f.outcome?.how === "fixed") return `${sentence(what).slice(0, -1)} in the ${name}: put right on the spot.`;
    if (f.outcome?.how === "owner")
      return `${sentence(what).slice(0, -1)} in the ${name}: this one is for you to see to.`;
    return `${sentence(what).slice(0, -1)} in the ${name}: I will see to it${f.outcome?.on ? ` on ${sayDay(f.outcome.on)}` : ""}.`;
  });
  return [...lines, ...state.notes.map((n) => sentence(n))];
}

function owner({ book, condition, state, units }: LetterInput, name: string): string[] {
  const lines: string[] = [];
  if (book.schools.feeding === "by-owner")
    lines.push(`Please feed the ${name} tomorrow as usual; it was not fed today.`);
  else {
    const nitrate = state.readings.findLast((r) => r.parameter === "nitrate");
    const high = book.bands.find((b) => b.parameter === "nitrate" && nitrate && nitrate.value > b.idealHigh);
    lines.push(
      high
        ? `Feed the ${name} once a day, no more than is gone in a minute: what is left over is what we measure as nitrate.`
        : `Feed the ${name} as you do; what ${book.animals[0]?.name ?? "they"} leave after a minute is too much.`,
    );
  }
  if (book.topUp === "owner" && book.evaporationLPerDay > 0)
    lines.push(
      `Top the ${name} up with ${isSalt(book) ? "plain fresh water only, never salt water" : "water from the prepared can"}: about ${litresText(book.evaporationLPerDay, units)} a day.`,
    );
  const salty = [condition.reason, ...condition.others].some(
    (r) => r && "parameter" in r && r.parameter === "salinity" && "side" in r && r.side === "high",
  );
  if (salty)
    lines.push(`The ${name} grows saltier from week to week: when water is missing, only fresh water goes in.`);
  if (book.treatment)
    lines.push(
      `The ${name} is under treatment with ${book.treatment.name}: nothing is added or taken out before ${sayDay(book.treatment.followUpOn)}.`,
    );
  if (book.lidded)
    lines.push(
      `Keep the lid of the ${name} closed; it keeps ${book.animals[0]?.name ?? "them"} in and the water level up.`,
    );
  return lines;
}

/** The owner's own list, a line a rhythm. */
function between({ tasks }: LetterInput, name: string): string[] {
  return ownerList(tasks).map(
    ({ when, jobs }) => `${when}, at the ${name}: ${andList(jobs.map((j) => inSentence(j.name)))}.`,
  );
}

function normal({ book, state, phone }: LetterInput, name: string): string[] {
  const lines: string[] = [];
  if (changedL(state) > 0) {
    const text = AFTER_CHANGE[book.kind];
    if (text) lines.push(text(name));
  }
  lines.push(`If anything in the ${name} gasps at the surface, call ${phone} at any hour.`);
  return lines;
}

function next({ book, next: visit, tasks, on, condition }: LetterInput, name: string): string[] {
  if (!visit) return [`The next visit to the ${name} is not fixed yet.`];
  const again = [condition.reason, ...condition.others].flatMap((r) =>
    r && "parameter" in r ? [inSentence(parameterFacts[r.parameter].label)] : [],
  );
  const lines = [
    `${longDate(visit.on)}, about ${visit.about}, for the ${name}${again.length > 0 ? `: ${andList([...new Set(again)])} again` : ""}.`,
  ];
  const soon = tasks
    .filter((t) => jobOf(t).long && performerOf(t) === "technician" && daysBetween(on, dueOn(t)) <= 45)
    .map((t) => taskName(t, book).toLowerCase());
  if (soon.length > 0) lines.push(`Coming up for the ${name}: ${andList(soon)}.`);
  for (const t of tasks.filter((x) => x.slips > 0))
    lines.push(`${taskName(t, book)} of the ${name} was put off and comes back.`);
  if (book.treatment)
    lines.push(`The follow-up to ${book.treatment.name} is on ${longDate(book.treatment.followUpOn)}.`);
  return lines;
}
