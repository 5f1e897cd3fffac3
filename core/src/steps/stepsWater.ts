import { sayDay } from "../calendar/civil.ts";
import { SET_BACK, SET_BACK_MINUTES, TOP_UP } from "../change/index.ts";
import type { PlanInput } from "../given/index.ts";
import { leftByConditioner, sourceTest } from "../given/index.ts";
import type { SwitchGear } from "../tank/index.ts";
import { figure, parameterFacts } from "../units/index.ts";
import { sumpVolumeL } from "../vessel/index.ts";
import { heatingHours } from "../water/index.ts";
import { gearName, type Making, type Step, sentences, stepOf } from "./step.ts";

/** Laying the hose and starting it. */
const SIPHON_MINUTES = 2;

/** A heater cools before it meets air; what runs dry waits for it. */
const COOLING = { aloneMinutes: 15, until: ["drain", "exchange"] } as const;

/** Everything that moves water on a visit, or tops up what is missing. */
export function stepsOfWater(making: Making): Step[] {
  const { water, changing } = making;
  if (!changing) return topsUpAlone(making);
  return [
    ...preparation(making),
    ...switchedOff(making),
    ...(water.markOn === "none" ? exchange(making) : drainAndRefill(making)),
    ...switchedOn(making),
  ];
}

/** Nothing is changed: only what is missing comes back. */
function topsUpAlone(making: Making): Step[] {
  return making.water.freshL ? [topUp(making, "top-up", "prepare", 58)] : [];
}

/** The tank's own top-up water, up to its fill line or as far as a day allows. */
function topUp(making: Making, id: string, phase: Step["phase"], number: number): Step {
  const { input, water, say } = making;
  const low = water.leftLowL > 0;
  const { book, topUpSource } = input;
  return stepOf(
    making,
    id,
    phase,
    number,
    low
      ? `Top up ${say.litres(water.freshL?.value ?? 0)}, no further`
      : `Top up to the ${book.sump ? "return chamber's " : ""}fill line`,
    2,
    low
      ? `More at once would change the water too fast: ${say.litres(water.leftLowL)} follow on other days.`
      : making.changing && water.markOn !== "none"
        ? "The new water is in by litres; evaporation took only water, so only water closes the level."
        : "Evaporation took only water: salt and minerals are still there.",
    {
      figure: "top-up",
      kit: [topUpSource.name.toLowerCase()],
      craft: sentences(
        water.topUpConditionerMl !== null && "Conditioner into the jug first.",
        `Slowly, where the water moves${Math.abs(water.topUpC - topUpSource.coldC) > 0.5 ? `, at ${say.celsius(water.topUpC)}` : ""}.`,
      ),
      ...(making.water.saltWaterL || making.input.book.targetPsu > 0
        ? { caution: "Never salt water here: it would stay in the tank." }
        : {}),
    },
  );
}

/** What is looked at in a mix, by how old it is when it is used. */
const MIX = {
  "when-clear": {
    title: "Check the fresh mix: clear, salinity, temperature",
    reason: "Used as soon as it is clear; matched to the tank's measured salinity before any of it goes in.",
  },
  hours: {
    title: "Check the mix: salinity and temperature",
    reason: "Matched to the tank's measured salinity before any of it goes in.",
  },
  weeks: {
    title: "Stir the kept mix, then check salinity and temperature",
    reason: "What stood for weeks has settled and lost water; it is matched again before any of it goes in.",
  },
} as const;

/** Until salt thrown into moving water is clear, where its label does not say. */
const CLEARS_MINUTES = 30;

/** The new water: made, tested, warmed, before anything is drained. */
function preparation(making: Making): Step[] {
  const { input, water, say } = making;
  const { source, book } = input;
  const step = stepOf.bind(null, making);
  const steps: Step[] = [];
  if (source.kind === "mix" && book.schools.saltAge === "when-clear")
    steps.push(
      step(
        "mix-salt",
        "prepare",
        48,
        `Fill ${say.litres(water.pourL?.value ?? 0)}, pump on, salt in`,
        4,
        "Salt into moving water, never water onto salt: it cakes, and calcium and alkalinity fall out. It clears while you clean.",
        {
          figure: "mix",
          kit: [source.salt?.name.toLowerCase() ?? "salt", "scale", "mixing pump"],
          aloneMinutes: source.salt?.readyMinutes ?? CLEARS_MINUTES,
          until: ["mix", "warm", "refill", "exchange"],
          readyBefore: true,
          craft: sentences(
            water.conditionerMl !== null && "Tap water gets its conditioner before the salt.",
            "Slowly, a scoop at a time.",
          ),
        },
      ),
    );
  if (source.kind !== "tap" && source.kind !== "tap-minerals" && source.canWarm)
    steps.push(
      step("warm", "prepare", 49, "Warm the new water", 2, "It warms by itself while the glass is cleaned.", {
        figure: "temperature",
        aloneMinutes: warmingMinutes(making),
        until: ["mix", "refill", "exchange"],
        readyBefore: true,
        kit: ["barrel heater"],
        caution: "The heater stays unplugged until the barrel is filled above its line.",
      }),
    );
  if (source.kind === "mix") {
    const { title, reason } = MIX[book.schools.saltAge];
    // Fresh mix is checked when it is as warm as it goes in: salinity and gravity both move with it.
    steps.push(step("mix", "lift", 94, title, 2, reason, { figure: "mix", kit: ["salinity meter"] }));
  }
  if (source.kind === "natural-sea")
    steps.push(
      step(
        "sea-check",
        "prepare",
        50,
        "Check the sea water: salinity, smell, age",
        2,
        "Low after rain; too old and it has gone flat.",
        {
          figure: "mix",
          kit: ["salinity meter"],
        },
      ),
    );
  if (source.kind === "tap" || source.kind === "tap-minerals")
    steps.push(
      step("temper", "prepare", 52, "Set the mixer tap", 3, "Check it again half-way: it drifts while it runs.", {
        figure: "temperature",
        kit: [
          "thermometer",
          ...(source.conditioner ? [source.conditioner.name] : []),
          ...(input.site.tapDistanceM === undefined ? [] : [hose(making, "fill", input.site.tapDistanceM)]),
        ],
        caution: sentences(
          chlorineWords(source),
          "Fish that gasp while water runs in: stop, condition the whole tank, give air, test.",
        ),
      }),
    );
  const test = sourceTest(source);
  if (test)
    steps.push(
      step(
        "source-test",
        "test",
        44,
        `Test ${source.kind === "natural-sea" ? "the sea water" : "the tap"}: ${test.parameters.map((p) => inSentence(parameterFacts[p].label)).join(", ")}`,
        6,
        test.lastOn
          ? `Trust expires: it was last measured on ${sayDay(test.lastOn)}. What it brings decides what a change can reach.`
          : "It was never measured here. What it brings decides what a change can reach.",
        {
          kit: ["test kits for the new water"],
          craft: "Let the pH sample stand open for some hours: as drawn it reads too low.",
        },
      ),
    );
  if (source.kind === "remineralised" || source.kind === "tap-minerals") {
    const grams = source.minerals ? (source.minerals.gramsPer100L * (water.pourL?.value ?? 0)) / 100 : null;
    steps.push(
      step(
        "remineralise",
        "prepare",
        53,
        grams === null
          ? "Check the hardness of the new water"
          : `Stir ${grams < 10 ? grams.toFixed(1) : Math.round(grams)} g ${source.minerals?.name ?? "minerals"} into the new water, check its hardness`,
        3,
        source.kind === "remineralised"
          ? "RO water has none of its own."
          : "This tap is softer than the tank; the minerals bring it up.",
        { kit: ["GH test", "scale", ...(source.minerals ? [source.minerals.name.toLowerCase()] : [])] },
      ),
    );
  }
  if (water.wasteL > 0)
    steps.push(
      step(
        "waste-barrel",
        "prepare",
        57,
        "Waste barrel ready",
        2,
        "This site must not have salt water in its drain: all of it is carried away.",
        { kit: ["waste barrel"], craft: `Mark ${say.litres(water.wasteL)} on it: it says when to stop.` },
      ),
    );
  return steps;
}

const inSentence = (label: string) => (/^[a-z]?[A-Z]{1,2}$/.test(label) ? label : label.toLowerCase());

/** A barrel heater as it is usually carried, W, and what a barrel of its size loses, W/K. */
const BARREL_HEATER_W = 2000;
const BARREL_LOSS_W_PER_K = 4;

/** Minutes until the new water is as warm as the plan asks for, by the heater's own watts. */
function warmingMinutes({ input: { source, book }, water }: Making): number {
  const fromC = source.coldC;
  const hours = heatingHours({
    litres: water.pourL?.value ?? 0,
    fromC,
    toC: water.refillC?.value ?? book.targetC,
    watts: source.heaterW ?? BARREL_HEATER_W,
    lossWPerK: BARREL_LOSS_W_PER_K,
    roomC: fromC,
    water: book.targetPsu > 0 ? "sea" : "fresh",
  });
  return Math.round((hours ?? 0) * 60);
}

/** Power down, in the tank's own order; jellyfish are taken out first. */
function switchedOff(making: Making): Step[] {
  const { input, water, off } = making;
  const { book } = input;
  const step = stepOf.bind(null, making);
  const steps: Step[] = [];
  if (off.includes("heater"))
    steps.push(
      step("heater-off", "prepare", 60, "Heater off", 1, "It cools for 15 to 20 minutes before the water leaves it.", {
        off: ["heater"],
        ...(book.schools.heater === "off" ? COOLING : {}),
        caution:
          "Hands only in a tank behind a tested residual-current device. Without one, everything is off at the wall.",
      }),
    );
  const rest = off.filter((g) => g !== "heater");
  if (book.schools.how === "animals-out") {
    const animals = book.animals[0]?.name ?? "animals";
    return [
      ...steps,
      step("flow-off", "prepare", 58, "Air off, then circulation off", 1, "Bells are never moved in a current.", {
        off: rest,
      }),
      step(
        "animals-out",
        "prepare",
        59,
        `Move the ${animals} out under water`,
        10,
        "In a submerged vessel, never lifted into the air.",
        {
          kit: ["holding vessel"],
        },
      ),
    ];
  }
  const pumped = water.pumpsOnL > 0;
  if (book.schools.pumpsAtSiphon === "on" && book.sump && water.markOn === "display")
    steps.push(
      step(
        "siphon-start",
        "lift",
        95,
        pumped
          ? `Start the siphon with the pumps on, ${making.say.litres(water.pumpsOnL)} out of the sump`
          : "Start the siphon with the pumps on",
        SIPHON_MINUTES + water.pumpsOnL / book.drainLPerMinute,
        runBackWords(making),
        { caution: overflowWords(making), kit: ["siphon hose"], craft: "A starter, never the mouth." },
      ),
    );
  if (rest.length > 0)
    steps.push(
      step(
        "power-down",
        "power-down",
        100,
        `Off: ${rest.map(gearName).join(", ")}`,
        2,
        "In this order, from this tank's own list; nothing may run dry.",
        {
          off: rest,
          ...(rest.includes("return") && !steps.some((s) => s.id === "siphon-start")
            ? { caution: overflowWords(making) }
            : {}),
        },
      ),
    );
  return steps;
}

const runBackWords = ({ water, say }: Making): string =>
  water.runBack
    ? `When the return stops ${say.litres(water.runBack.litres)} run back; there is room for ${say.litres(water.runBack.roomL)}.`
    : "";

/** What is said where the sump is too full for what runs back. */
const overflowWords = (making: Making): string | undefined =>
  making.water.runBack?.tight
    ? `The sump may overflow. ${runBackWords(making)} Draw it down first, and have its running level lowered.`
    : undefined;

/** What the conditioner of a tap leaves over, by what was measured. */
function chlorineWords(source: Making["input"]["source"]): string | false {
  const { tooMuchMgL, freedMgL } = leftByConditioner(source);
  const mgL = (value: number) => `${figure(value, 1)} mg/L`;
  return (
    sentences(
      tooMuchMgL !== null &&
        (source.conditioner
          ? `This tap holds ${mgL(tooMuchMgL.has)} of chlorine, the largest dose of the label removes ${mgL(tooMuchMgL.removes)}: use another water, or run it through carbon first.`
          : `This tap holds ${mgL(tooMuchMgL.has)} of chlorine and has no conditioner: nothing of it goes in as it is.`),
      freedMgL > 0 && `Its chloramine frees ${mgL(freedMgL)} of ammonia, which this conditioner does not bind.`,
    ) ?? false
  );
}

/** New water in and old water out at the same time. */
function exchange(making: Making): Step[] {
  const { water, say } = making;
  const low = water.freshL ? [topUp(making, "top-up", "refill", 127)] : [];
  const ml = water.conditionerMl;
  return [
    ...low,
    stepOf(
      making,
      "exchange",
      "refill",
      130,
      `Run ${say.litres(water.litres.value)} in and out together`,
      Math.max(2, water.refillMinutes),
      "Gentle: nothing is ever in air. A countdown ends it, and nobody leaves the room.",
      {
        figure: "litres",
        kit: ["drain pump", "refill pump"],
        craft: sentences(
          ml !== null && `${Math.round(ml.value)} mL of conditioner into the tank first, air on.`,
          WET_HANDS,
        ),
        caution: "Both ends of each hose tied down.",
      },
    ),
  ];
}

const WET_HANDS = "In far from out, so that the new water mixes before it leaves.";

/** Drain to the line, set back what stands bare, refill by litres, top up to the fill line. */
function drainAndRefill(making: Making): Step[] {
  const { input, water, say } = making;
  const { book } = input;
  const step = stepOf.bind(null, making);
  const sump = water.markOn === "sump";
  const bare = book.display.substrate === "bare";
  const wet = water.exposed.filter((e) => e.wetEvery !== null);
  const lower = water.mark && water.tapeCm !== null ? water.mark.value - water.tapeCm : 0;
  const lineWords = lower > 0.1 ? ` Today's line is ${say.cm(lower)} below the tape, since the water stood low.` : "";
  const steps: Step[] = [
    step(
      "drain",
      "drain",
      110,
      sump
        ? "Drain the return chamber to its line"
        : water.bedL === 0
          ? "Drain to the line"
          : water.litres.value - water.bedL > 1
            ? "Let the rest run out to the line"
            : "Stop at the line",
      water.restMinutes,
      sump
        ? "The return keeps running, so the display stays as it is and only this chamber falls."
        : `To a line, with the intake fixed there, so that it ends by itself.${lineWords}${dropWords(making)}`,
      {
        figure: "mark",
        minutes: water.restMinutes,
        runsItself: true,
        until: [SET_BACK, "refill"],
        kit: [hose(making, "drain", input.site.drainDistanceM), "tape", ...(uphill(input) ? ["drain pump"] : [])],
        craft: sentences(
          "Lay the refill hose ready first. Look through every bucket for animals.",
          !sump && "Keep one bucket of the old water for the hardware.",
        ),
        caution:
          book.schools.heater === "off" && book.gear.includes("heater")
            ? "Heater is off. Leave it off until the water is back above it."
            : book.schools.heater === "lowered"
              ? "The heater hangs below the line: check before you drain."
              : undefined,
      },
    ),
  ];
  if (!sump && wet.length > 0)
    steps.push({
      ...step(
        "keep-wet",
        "drain",
        111,
        `Keep wet: ${wet.map((e) => e.name).join(", ")}`,
        0,
        `In air for about ${Math.round(wet[0]?.minutes ?? 0)} minutes; wetted, they bear ${Math.round(Math.min(...wet.map((e) => e.allowedMinutes)))}.`,
        {
          kit: ["spray bottle or jug"],
          craft: `Every ${Math.min(...wet.map((e) => e.wetEvery ?? 5))} minutes, with tank water, until the water is back.`,
        },
      ),
      minutes: water.wettingMinutes,
      libraryMinutes: water.wettingMinutes,
    });
  steps.push(
    step(
      SET_BACK,
      "refill",
      125,
      sump
        ? "Stop the drain"
        : bare
          ? "Stop the drain, look over what stands bare"
          : "Level the bed, set corals and plants back",
      sump ? 1 : SET_BACK_MINUTES,
      sump ? "Before the pump in the return chamber draws air." : "Before the new water comes: afterwards it clouds.",
    ),
  );
  steps.push(
    step(
      "refill",
      "refill",
      130,
      refillTitle(making),
      Math.max(0.5, water.refillMinutes),
      "Slow, to keep sand and corals in place and the water free of fine bubbles.",
      {
        minutes: Math.max(0.5, water.refillMinutes),
        figure: "refill",
        kit: ["refill pump", "dish"],
        craft: refillCraft(making),
        ...(water.conditionerParts.length > 1
          ? { caution: "Air on. Never the whole dose at once into what the drain left: it takes the oxygen." }
          : {}),
      },
    ),
  );
  if (water.freshL) {
    const [phase, number] = freshBeforePower(making) ? (["refill", 140] as const) : (["power-up", 153] as const);
    steps.push(topUp(making, TOP_UP, phase, number));
  }
  return steps;
}

/** So many standard deviations on the unfavourable side. */
const SURELY = 3;

/** Over a sump the fill line shows only while the return runs; without enough left in its chamber the water goes in before. */
function freshBeforePower({ input: { book }, water }: Making): boolean {
  const { sump } = book;
  if (!sump || water.markOn !== "display" || book.schools.how === "animals-out") return true;
  // The new water alone does not fill the display again.
  if ((water.pourL?.value ?? 0) < water.litres.value - 1e-9) return true;
  const chamberL =
    sumpVolumeL(sump, sump.runningLevelM) - sumpVolumeL(sump, Math.min(sump.lowestLevelM, sump.runningLevelM));
  // More may be missing than is believed, and the pump must not draw air.
  return (water.freshL?.value ?? 0) + SURELY * water.missing.sigmaL > chamberL;
}

function refillTitle({ input, water, say }: Making): string {
  const litres = say.litres(water.pourL?.value ?? 0);
  // Over a sump the fill line shows only once the return runs; the display's own is its weir.
  const toLine =
    input.book.sump && water.markOn === "display" ? ", back up to the weir" : water.freshL ? "" : " to the fill line";
  return input.source.kind === "tap" || input.source.kind === "tap-minerals"
    ? `Conditioner in, then ${litres} slowly${toLine}`
    : `Pour ${litres} slowly, spread over a dish${toLine}`;
}

function refillCraft({ water, say }: Making): string | undefined {
  const parts = water.conditionerParts;
  const [first, second] = parts;
  return sentences(
    parts.length > 1 && first && second
      ? `${Math.round(first.ml)} mL of conditioner before the first ${say.litres(first.beforeL)}, then ${Math.round(second.ml)} mL before each ${say.litres(second.beforeL)}.`
      : undefined,
    "A fog of fine bubbles is gas leaving cold pressurised water: pour slower, let it stand.",
  );
}

/** Power up, in the reverse order; animals that were out come back before the flow. */
function switchedOn(making: Making): Step[] {
  const { input, off } = making;
  const { book } = input;
  const step = stepOf.bind(null, making);
  const on: SwitchGear[] = off.filter((g) => g !== "heater").reverse();
  const out = book.schools.how === "animals-out";
  const steps: Step[] = [];
  if (off.includes("heater") && book.schools.heater !== "in-sump")
    steps.push(
      step(
        "heater-on",
        "power-up",
        150,
        "Heater under water, then on",
        1,
        "Only when the water stands above it again.",
        {
          on: ["heater"],
        },
      ),
    );
  if (out) {
    const animals = book.animals[0]?.name ?? "animals";
    steps.push(
      step(
        "level-trim",
        "refill",
        145,
        "Trim the level with a baster",
        2,
        "The outflow panel stands partly bare at its line.",
        {
          kit: ["baster"],
        },
      ),
      step(
        "animals-back",
        "refill",
        148,
        `Bring the ${animals} back under water`,
        10,
        "Level and salinity are right; the circulation is still off.",
        {
          kit: ["holding vessel"],
        },
      ),
    );
  }
  if (on.length > 0)
    steps.push(
      step(
        "power-up",
        "power-up",
        152,
        `On: ${on.map(gearName).join(", ")}`,
        2,
        out
          ? "Flow first, air last. Floating or sinking is judged with the flow on; write it down."
          : "Weir and siphon noise first; the skimmer with its cup raised, top-up last, when the level is right.",
        { on },
      ),
    );
  if (off.includes("heater") && book.schools.heater === "in-sump")
    steps.push(
      step(
        "heater-on",
        "power-up",
        154,
        "Heater in the sump on",
        1,
        "After the return runs and the level has settled.",
        {
          on: ["heater"],
          caution: "A heater that was lifted out cools first: hot it melts a tub.",
        },
      ),
    );
  return steps;
}

/** Whether the drain lies too high for a siphon. */
const uphill = (input: PlanInput) => input.site.drainDropM !== undefined && input.site.drainDropM < SIPHON_DROP_M;
/** A siphon with less than this to fall hardly runs. */
const SIPHON_DROP_M = 0.3;
/** From here on a siphon runs faster than a person looks away. */
const LONG_DROP_M = 3;

function dropWords({ input: { site }, say }: Making): string {
  if (site.drainDropM === undefined) return "";
  if (site.drainDropM < SIPHON_DROP_M) return " The drain lies too high for a siphon: it is pumped.";
  return site.drainDropM >= LONG_DROP_M ? ` It falls ${say.metres(site.drainDropM)} to the drain: it runs fast.` : "";
}

/** A hose by the length that its way asks for, with some to spare at each end. */
const hose = ({ say }: Making, what: string, metres: number | undefined) =>
  metres === undefined ? `${what} hose` : `${what} hose, ${say.metres(Math.ceil(metres) + 2)}`;
