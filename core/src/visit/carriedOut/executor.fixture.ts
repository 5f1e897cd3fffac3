import type { PlanInput } from "../../given/index.ts";
import type { Landmark, TankFacts } from "../../tank/index.ts";
import type { Parameter } from "../../units/index.ts";
import type { VisitPlan } from "../planVisit.ts";
import { levelAt, litresAt, type Slices, slicesOf } from "./geometry.fixture.ts";

type Figures = Readonly<Partial<Record<Parameter, number>>>;

/** What a tank really is, beside what is written down of it. */
export interface Truth {
  /** Missing on arrival, L. */
  readonly missingL: number;
  /** Net litres of the full system over the planned ones. */
  readonly volumeTimes: number;
  /** Litres between two lines over the planned ones. */
  readonly movedTimes: number;
  /** Litres poured by the litre over what was meant. */
  readonly pouredTimes: number;
  readonly tank: Figures;
  readonly source: Figures;
  readonly topUp: Figures;
}

/** What became of a tank when its plan was carried out. */
export interface Outcome {
  /** The end level against the fill line, m: in the return chamber where there is a sump. */
  readonly levelM: number;
  /** Water that left tank or sump over an edge. */
  readonly floods: readonly string[];
  readonly drainedL: number;
  readonly after: Figures;
  /** The same with what was dosed. */
  readonly dosed: Figures;
  /** Doses in the order they went in, each with the minute. */
  readonly doses: readonly { readonly parameter: Parameter; readonly at: number }[];
  /** Minutes that each landmark stood in air, by its place among the tank's facts; infinite where the water did not come back. */
  readonly bareMinutes: readonly number[];
  /** Landmarks that the lowest water only touches: a level that ends 3 mm off its line leaves them bare or does not. */
  readonly touched: readonly boolean[];
  /** Minutes from the first litre out to the last litre in. */
  readonly lowMinutes: number;
}

/**
 * Milligrams, or degrees times litres, that a gram or millilitre of each product of the tests gives: sodium bicarbonate
 * 84.007 g/mol with one equivalent of 2.804 dKH, the chlorides 147.01 and 203.30 g/mol with 40.078 and 24.305 g of metal.
 */
const GIVES: Readonly<Record<string, number>> = {
  bicarbonate: (1000 / 84.007) * 2.804,
  "calcium chloride": (1000 * 40.078) / 147.01,
  "magnesium chloride": (1000 * 24.305) / 203.3,
  hardness: 40,
};

/** What a technician does at the low line, and what is done at the bed: by the steps' ids. */
const BED: readonly string[] = ["vacuum-sector", "spot-siphon", "deep-sector"];
/** A flood that is none: the return pump stands in air. */
export const DRAWS_AIR = "return pump draws air";
const START_MINUTES = 1;
/** As closely as a line is met. */
const LINE_M = 0.003;
const EXCHANGE_PARTS = 1000;
/** On a tank that is as it is believed to be the last check finds nothing worth more than this. */
const A_JUG = 0.005;

interface Moment {
  readonly at: number;
  readonly outL: number;
}

/**
 * Carries a plan out, step by step in its own order, as a person would: drains from where the water stands to the line that is
 * given, pours what is said, tops up to the line, switches pumps off and on when told. Physics of its own: litres and
 * milligrams are added up, levels looked up in slices, minutes counted on a clock.
 *
 * @param mends Share of the system that the check of the level at the end puts right, in or out.
 */
export function carryOut(input: PlanInput, plan: VisitPlan, truth: Truth, mends = A_JUG): Outcome {
  const { facts } = input;
  const { water } = plan;
  const tank = new Tank(facts, truth);
  const moments: Moment[] = [{ at: 0, outL: 0 }];
  const doses: { parameter: Parameter; at: number }[] = [];
  let clock = 0;
  let drainEnds = 0;
  const mark = (at: number) => moments.push({ at, outL: tank.outOfDisplayL });
  const bedSteps = plan.steps.filter((s) => BED.includes(s.id) && water.bedL > 0 && water.markOn === "display");
  const bedMinutes = bedSteps.reduce((sum, s) => sum + s.minutes, 0);
  const lineM =
    water.mark && (water.markOn === "sump" ? (facts.sump?.heightM ?? 0) : tank.slices.rimM) - water.mark.value / 100;
  const restBefore = () => (lineM === null ? 0 : tank.litresToLine(water.markOn, lineM));

  for (const step of plan.steps) {
    if (step.confirms?.off?.includes("return")) tank.pumpsOff();
    if (step.id === "siphon-start") tank.drainRunning(water.pumpsOnL);
    if (bedSteps.includes(step)) {
      mark(clock);
      tank.drainDisplay(Math.min(restBefore(), (water.bedL * step.minutes) / Math.max(bedMinutes, 1e-9)));
      clock += step.minutes;
      mark(clock);
      continue;
    }
    if (step.id === "drain" && lineM !== null) {
      const litres = restBefore();
      const takes = litres / facts.drainLPerMinute;
      mark(clock);
      if (water.markOn === "sump") tank.drainSump(litres);
      else tank.drainDisplay(litres);
      drainEnds = clock + takes;
      mark(drainEnds);
      clock += Math.min(START_MINUTES, takes);
      continue;
    }
    if (["set-back", "refill", "exchange"].includes(step.id)) clock = Math.max(clock, drainEnds);
    if (step.id === "refill") {
      const litres = water.pourL?.value ?? 0;
      mark(clock);
      // Over a sump the display is full before all is poured: the rest runs over the weir.
      const fullAt = clock + Math.min(tank.outOfDisplayL, litres) / facts.refillLPerMinute;
      // What is poured last comes up to the line; what is topped up afterwards goes in by litres.
      // Over a sump the display is filled to its weir again, which is a line too; only what is poured beyond that is by litres.
      if (!tank.lineShows) {
        const beyond = litres - water.litres.value;
        if (beyond >= -1e-6) tank.fillToWeir(sourceOf(truth, water));
        tank.pour((beyond >= -1e-6 ? Math.max(0, beyond) : litres) * truth.pouredTimes, sourceOf(truth, water));
      } else if (water.freshL) tank.pour(litres * truth.pouredTimes, sourceOf(truth, water));
      else tank.fillToLine(sourceOf(truth, water), water.leftLowCm);
      mark(fullAt);
      clock += litres / facts.refillLPerMinute;
      mark(clock);
      continue;
    }
    if (step.id === "exchange") {
      tank.exchange(water.litres.value * truth.movedTimes, sourceOf(truth, water));
      clock += step.minutes;
      continue;
    }
    if (step.figure === "top-up") {
      mark(clock);
      if (tank.lineShows) tank.fillToLine(topUpOf(truth, water), water.leftLowCm);
      else tank.pour(water.freshL?.value ?? 0, topUpOf(truth, water));
      clock += step.minutes;
      mark(clock);
      continue;
    }
    const dose = plan.corrections?.find((c) => c.ok && step.id === `dose-${c.parameter}`);
    if (dose?.ok) {
      tank.dose(dose.parameter, dose.amount.value * (GIVES[dose.product.id] ?? 0));
      doses.push({ parameter: dose.parameter, at: clock });
    }
    if (step.confirms?.on?.includes("return")) tank.pumpsOn();
    // A level that is checked at the end is put right with the tank's own top-up water.
    if (step.id === "verify" && tank.lineShows) tank.mendLevel(topUpOf(truth, water), water.leftLowCm, mends);
    clock += step.minutes;
  }
  tank.whatIfPumpsStop("at the end");
  return {
    levelM: tank.levelErrorM(water.leftLowCm),
    floods: tank.floods,
    drainedL: tank.drainedL,
    after: tank.figures(),
    dosed: tank.figuresWithDoses(),
    doses,
    bareMinutes: facts.landmarks.map((l) => bareMinutes(l, tank, moments)),
    touched: facts.landmarks.map(({ heightM }) => {
      const outL = Math.max(0, ...moments.map((m) => m.outL));
      return outL > tank.litresDownTo(heightM + LINE_M) && outL < tank.litresDownTo(heightM - LINE_M);
    }),
    lowMinutes: (moments.at(-1)?.at ?? 0) - (moments.find((m) => m.outL > 0)?.at ?? 0),
  };
}

const sourceOf = (truth: Truth, water: VisitPlan["water"]): Figures => ({
  ...truth.source,
  ...(water.mixPsu === null ? {} : { salinity: (truth.source.salinity ?? 0) + water.mixPsu }),
  temperature: water.refillC?.value ?? 25,
});

const topUpOf = (truth: Truth, water: VisitPlan["water"]): Figures => ({ ...truth.topUp, temperature: water.topUpC });

/** Minutes that the water stood below a landmark, straight between the moments. */
function bareMinutes(mark: Landmark, tank: Tank, moments: readonly Moment[]): number {
  const reachL = tank.litresDownTo(mark.heightM);
  let minutes = 0;
  for (const [i, to] of moments.entries()) {
    const from = moments[i - 1];
    if (!from) continue;
    const [a, b] = [from.outL - reachL, to.outL - reachL];
    const length = to.at - from.at;
    if (a > 1e-6 && b > 1e-6) minutes += length;
    else if (a > 1e-6 || b > 1e-6) minutes += (length * Math.max(a, b)) / (Math.abs(a) + Math.abs(b));
  }
  return (moments.at(-1)?.outL ?? 0) > reachL + 1e-6 ? Number.POSITIVE_INFINITY : minutes;
}

/** A display over a sump, or alone, with what is dissolved in it. */
class Tank {
  readonly slices: Slices;
  readonly floods: string[] = [];
  drainedL = 0;
  /** Litres of the display's fall so far, as they would be without what was missing. */
  outOfDisplayL = 0;
  /** Taken out of the sump while the pumps ran: it goes back over the weir. */
  private pumpedOutL = 0;
  private running: boolean;
  private displayM: number;
  /** Litres in the sump, the other chambers at their baffle. */
  private sumpL = 0;
  private volumeL: number;
  private readonly grams = new Map<Parameter, number>();
  private readonly poured = new Map<Parameter, number>();
  private readonly facts: TankFacts;
  private readonly times: number;
  private readonly startM: number;

  constructor(facts: TankFacts, truth: Truth) {
    this.facts = facts;
    this.times = truth.movedTimes;
    this.slices = slicesOf(facts);
    const { display, sump } = facts;
    const fullL =
      litresAt(this.slices, display.runningLevelM) + (sump ? this.sumpLitres(sump.runningLevelM) + sump.pipesL : 0);
    this.volumeL = fullL * truth.volumeTimes - truth.missingL;
    this.running = true;
    this.displayM = display.runningLevelM;
    if (sump) this.sumpL = this.sumpLitres(sump.runningLevelM) * this.times - truth.missingL;
    else
      this.displayM = levelAt(this.slices, litresAt(this.slices, display.runningLevelM) - truth.missingL / this.times);
    for (const [parameter, value] of Object.entries(truth.tank) as [Parameter, number][])
      this.grams.set(parameter, value * this.volumeL);
    const outlets = facts.landmarks.filter((m) => m.kind === "return" && !m.siphonBreak).map((m) => m.heightM);
    const deepest = Math.min(facts.sump?.weirM ?? this.displayM, ...outlets.filter((h) => h < display.runningLevelM));
    this.startM = sump ? Math.min(display.runningLevelM, deepest) : this.displayM;
    this.whatIfPumpsStop("on arrival");
  }

  /** Geometric litres of the sump with its return chamber at a level. */
  private sumpLitres(levelM: number): number {
    const { sump } = this.facts;
    if (!sump) return 0;
    const own = sump.widthM * (sump.returnLengthM ?? sump.lengthM / 3);
    const others = sump.lengthM * sump.widthM - own;
    return (own * levelM + others * Math.max(levelM, sump.baffleM ?? sump.runningLevelM)) * 1000;
  }

  /** Level of the return chamber, m, by search. */
  private get sumpM(): number {
    const { sump } = this.facts;
    if (!sump) return 0;
    let [low, high] = [-1, sump.heightM * 2];
    while (high - low > 1e-7) {
      const middle = (low + high) / 2;
      if (this.sumpLitres(middle) * this.times < this.sumpL) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  }

  private between(highM: number, lowM: number): number {
    return (litresAt(this.slices, highM) - litresAt(this.slices, lowM)) * this.times;
  }

  litresDownTo(heightM: number): number {
    return Math.max(0, this.between(this.startM, heightM));
  }

  litresToLine(on: string, lineM: number): number {
    if (on === "sump") return Math.max(0, this.sumpL - this.sumpLitres(lineM) * this.times);
    // Over a sump with the pumps on the display does not fall: then the line is only reached once they stop.
    return Math.max(
      0,
      this.between(Math.min(this.displayM, this.running && this.facts.sump ? this.startM : this.displayM), lineM),
    );
  }

  private runBackL(): number {
    const { sump } = this.facts;
    return sump && this.running ? this.between(this.displayM, Math.min(this.displayM, this.startM)) + sump.pipesL : 0;
  }

  private capacityL(): number {
    const { sump } = this.facts;
    return sump ? sump.lengthM * sump.widthM * sump.heightM * 1000 * this.times : 0;
  }

  whatIfPumpsStop(when: string): void {
    const { sump } = this.facts;
    if (sump && this.running && this.sumpL + this.runBackL() > this.capacityL() + 1e-6)
      this.floods.push(`sump, pumps stop ${when}`);
  }

  pumpsOff(): void {
    const { sump } = this.facts;
    if (!this.running) return;
    this.sumpL += this.runBackL();
    this.running = false;
    if (!sump) return;
    this.displayM = Math.min(this.displayM, this.startM);
    if (this.sumpL > this.capacityL() + 1e-6) this.floods.push("sump, pumps off");
  }

  pumpsOn(): void {
    const { sump, display } = this.facts;
    if (this.running) return;
    this.running = true;
    if (!sump) return;
    const lifts = this.between(display.runningLevelM, this.displayM) + sump.pipesL;
    this.sumpL -= lifts;
    this.displayM = display.runningLevelM;
    if (this.sumpM < -1e-6) this.floods.push("return pump ran dry");
    this.outOfDisplayL = 0;
  }

  private take(litres: number): void {
    const share = litres / this.volumeL;
    for (const [p, g] of this.grams) this.grams.set(p, g * (1 - share));
    this.volumeL -= litres;
    this.drainedL += litres;
  }

  private add(litres: number, figures: Figures): void {
    for (const [p, g] of this.grams) this.grams.set(p, g + litres * (figures[p] ?? g / this.volumeL));
    this.volumeL += litres;
  }

  drainRunning(litres: number): void {
    this.pumpedOutL += litres;
    this.sumpL -= litres;
    this.take(litres);
  }

  drainSump(litres: number): void {
    this.sumpL -= litres;
    this.take(litres);
    if (this.facts.sump && this.sumpM < this.facts.sump.lowestLevelM - 1e-3 && this.running)
      this.floods.push(DRAWS_AIR);
  }

  drainDisplay(litres: number): void {
    if (this.running && this.facts.sump) {
      // The pump keeps the display at its weir: the sump falls instead.
      this.drainRunning(litres);
      return;
    }
    this.displayM = levelAt(this.slices, litresAt(this.slices, this.displayM) - litres / this.times);
    this.take(litres);
    this.outOfDisplayL = Math.max(0, this.between(this.startM, this.displayM));
  }

  pour(litres: number, figures: Figures): void {
    this.add(litres, figures);
    const { sump } = this.facts;
    if (sump && this.running) {
      this.sumpL += litres;
      return;
    }
    const room = sump ? this.between(Math.max(this.displayM, sump.weirM), this.displayM) : Number.POSITIVE_INFINITY;
    const here = Math.min(litres, room);
    if (litresAt(this.slices, this.displayM) + here / this.times > litresAt(this.slices, this.slices.rimM) + 1e-6)
      this.floods.push("display, over the rim");
    this.displayM = levelAt(this.slices, litresAt(this.slices, this.displayM) + here / this.times);
    this.sumpL += litres - here;
    if (sump && this.sumpL > this.capacityL() + 1e-6) this.floods.push("sump, poured over the weir");
    this.outOfDisplayL = Math.max(0, this.between(this.startM, this.displayM));
  }

  /** Fills the display back to where it stood when the pumps stopped. */
  fillToWeir(figures: Figures): void {
    this.pour(Math.max(0, this.between(this.startM, this.displayM)) + this.pumpedOutL, figures);
  }

  /** Whether the fill line can be read: over a sump only while the return runs. */
  get lineShows(): boolean {
    return !this.facts.sump || this.running;
  }

  private shortOfLineL(lowCm: number): number {
    const { display, sump } = this.facts;
    if (sump) return this.sumpLitres(sump.runningLevelM - lowCm / 100) * this.times - this.sumpL;
    return this.between(display.runningLevelM - lowCm / 100, this.displayM);
  }

  fillToLine(figures: Figures, lowCm: number): void {
    const short = this.shortOfLineL(lowCm);
    if (short > 0) this.pour(short, figures);
  }

  /** Puts a level right that is a little off: tops it up, or takes some of the mixed water out. */
  mendLevel(figures: Figures, lowCm: number, most: number): void {
    const short = this.shortOfLineL(lowCm);
    if (Math.abs(short) > most * this.volumeL) return;
    if (short > 0) this.pour(short, figures);
    else {
      if (this.facts.sump) this.sumpL += short;
      else this.displayM = levelAt(this.slices, litresAt(this.slices, this.displayM) + short / this.times);
      this.take(-short);
    }
  }

  levelErrorM(lowCm: number): number {
    const { display, sump } = this.facts;
    return sump
      ? this.sumpM - (sump.runningLevelM - lowCm / 100)
      : this.displayM - (display.runningLevelM - lowCm / 100);
  }

  /** In and out together, part by part: as much of the mixed water leaves as new water comes; what does not mix does at the end. */
  exchange(litres: number, figures: Figures): void {
    const dead = Math.min(this.facts.deadL ?? 0, this.volumeL / 2);
    const mixing = this.volumeL - dead;
    const part = litres / EXCHANGE_PARTS;
    for (const [p, g] of this.grams) {
      const c0 = g / this.volumeL;
      const brings = figures[p] ?? c0;
      let c = c0;
      for (let i = 0; i < EXCHANGE_PARTS; i++) c += (part / mixing) * (brings - c);
      this.grams.set(p, c * mixing + c0 * dead);
    }
    this.drainedL += litres;
  }

  dose(parameter: Parameter, milligrams: number): void {
    this.poured.set(parameter, (this.poured.get(parameter) ?? 0) + milligrams);
  }

  figuresWithDoses(): Figures {
    const of = (p: Parameter, g: number) => [p, (g + (this.poured.get(p) ?? 0)) / this.volumeL];
    return Object.fromEntries([...this.grams].map(([p, g]) => of(p, g)));
  }

  figures(): Figures {
    return Object.fromEntries([...this.grams].map(([p, g]) => [p, g / this.volumeL]));
  }
}
