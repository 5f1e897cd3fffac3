import { daysBetween, sayDay } from "../calendar/civil.ts";
import { fedBefore } from "../given/index.ts";
import type { TankBook } from "../tank/index.ts";
import { parameterFacts } from "../units/index.ts";
import { gearName, type Making, type Step, sentences, stepOf } from "./step.ts";

const HAZARD: Record<string, string> = {
  sting: "Stinging animals in this tank: gloves, and know where they are before a hand goes in.",
  spine: "Venomous spines in this tank: use tools, keep hands out. After a prick: hot water, and medical help.",
  bite: "Animals here bite: move slowly and keep a net between.",
  toxin: "Some corals here carry a strong toxin: gloves and eye cover, never scrub, heat or spray them.",
};

/** Bubbles are caught under a bell or swallowed: barred whatever way is chosen. */
const NO_BUBBLES: readonly TankBook["kind"][] = ["jellyfish", "seahorse"];

/** Leftovers float free before they leave with the water. */
const EATING = { aloneMinutes: 15, until: ["drain", "exchange"] } as const;

/** Arriving, looking and measuring: before any water moves. */
export function stepsBefore(making: Making): Step[] {
  const { input, water, changing, say } = making;
  const { book, site } = input;
  const step = stepOf.bind(null, making);
  const carried = changing && input.source.kind !== "tap" && (site.stairs ?? 0) > 0;
  const always = fedBefore(book);
  const hazards = [...new Set(book.animals.flatMap((a) => (a.hazard ? [HAZARD[a.hazard] ?? ""] : [])))].join(" ");
  return [
    step(
      "arrive",
      "arrive",
      10,
      "Towels down, hands and kit clean",
      2,
      `${
        site.hygieneLast
          ? "This tank is under treatment: its own kit only, and nothing of it goes on to another tank."
          : "Floors first; soap on a hand kills what a tank lives on."
      }${site.parking ? ` Parking: ${site.parking}.` : ""}`,
      {
        craft: "Rinse hands and arms without soap; nothing sprayed or scented in the room.",
        kit: [
          "towels",
          "tarp",
          ...(carried ? ["carrying straps"] : []),
          ...(site.floors ? [`cover for the floor: ${site.floors}`] : []),
          ...(site.hygieneLast ? ["kit kept for this tank"] : []),
        ],
        caution: sentences(
          site.hygieneLast && "Disinfect everything after this tank and rinse it.",
          site.pets && `In the house: ${site.pets}. Doors closed while hoses lie.`,
          book.access && `Getting at it: ${book.access}`,
          carried &&
            `${site.stairs} steps to climb: ${book.name} moves ${say.kg(water.litres.value)}. Small loads, or two people.`,
        ),
      },
    ),
    step(
      "look",
      "look",
      20,
      lookTitle(book),
      3,
      "With pumps on: behaviour, wounds, sound, flow, level, leaks. Gasping at the surface means air at once.",
      { caution: hazards || undefined },
    ),
    ...input.findings.map((finding) =>
      step(
        `finding:${finding.id}`,
        "look",
        21,
        `Look again: ${finding.text}`,
        2,
        finding.dueOn !== undefined && daysBetween(finding.dueOn, input.on) >= 0
          ? "It was put off to today."
          : "Still open from an earlier visit.",
      ),
    ),
    step(
      "level",
      "look",
      25,
      book.sump
        ? "Read how far the return chamber stands below its fill line"
        : "Read how far the water stands below its fill line",
      1,
      book.sump
        ? "Only the return chamber of the sump shows what evaporated."
        : "Salinity belongs to a level; what is missing is replaced with top-up water.",
      { kit: ["ruler"] },
    ),
    ...hangsHere(making),
    ...(site.askHotWater && (fromTap(input.source) || fromTap(input.topUpSource))
      ? [
          step(
            "hot-water",
            "look",
            24.5,
            "See whether the tap has hot water",
            1,
            "Nobody has said so yet, and none is counted on: write it down with the site, and the next plan warms with it.",
          ),
        ]
      : []),
    ...(changing && water.tapeCm !== null && water.markOn !== "none" && !input.lastVisitOn
      ? [
          step(
            "tape",
            "look",
            26,
            `Put tape on the ${water.markOn === "sump" ? "return chamber" : "glass"}, ${say.cm(water.tapeCm)} below the rim`,
            1,
            "The drain line of a full tank: from now on it says by itself where to stop.",
            { kit: ["tape"] },
          ),
        ]
      : []),
    ...retests(making),
    ...(book.schools.feeding === "before" || always !== null
      ? [
          step(
            "feed-before",
            "feed-before",
            30,
            "Feed a little",
            3,
            always
              ? `This tank is always fed first: ${always}.`
              : "Fifteen minutes early, so that leftovers leave with the old water and animals eat before the stress.",
            { kit: ["food"], ...(changing && book.schools.feeding === "before" ? EATING : {}) },
          ),
        ]
      : []),
    ...(book.schools.bubbles === "on-purpose" && !NO_BUBBLES.includes(book.kind) && changing
      ? [
          step(
            "bubbles",
            "lift",
            79,
            "Air stone on under the rock for a few minutes",
            3,
            "Fine bubbles lift dirt that a baster does not reach, so that it leaves with the water.",
            { kit: ["air pump and stone"], caution: "Off again before the water falls to it." },
          ),
        ]
      : []),
  ];
}

/** A reading that does not fit, and a pH without which ammonia says nothing: measured before anything is drained. */
function retests(making: Making): Step[] {
  return making.water.reasons.flatMap((reason): Step[] => {
    if (reason.code === "retest")
      return [
        stepOf(
          making,
          "retest",
          "test",
          45,
          `Measure the ${inSentence(parameterFacts[reason.parameter].label)} once more`,
          3,
          "The first figure does not fit what went before: a second one that agrees with it counts, another one replaces it.",
          { test: reason.parameter, kit: ["the same kit, a fresh sample"] },
        ),
      ];
    if (reason.code === "ph-first" && reason.of === "tank")
      return [
        stepOf(
          making,
          "ph-first",
          "test",
          45,
          "Measure the pH before anything is drained",
          3,
          "The pH decides how much of the ammonia is poison; without it the worst is taken.",
          { test: "ph", kit: ["pH meter or kit"] },
        ),
      ];
    return [];
  });
}

/** The hand work of an automatic exchange: its two vessels, and what it is set to. */
function vessels(making: Making): Step[] {
  const { auto } = making.water;
  if (!auto) return [];
  const { say } = making;
  const set = auto.setLPerDay !== null && Math.abs(auto.setLPerDay - auto.litresPerDay) < 0.05;
  return [
    stepOf(
      making,
      "auto-exchange",
      "verify",
      193,
      `Empty the waste vessel, fill in ${say.litres(auto.fillL)} of new water`,
      6,
      `At ${say.litres(auto.litresPerDay)} a day the new water lasts ${auto.newDays} days and the waste vessel ${auto.wasteDays}, until ${sayDay(auto.lastsUntil)}.`,
      {
        craft: sentences(
          !set && `Set the machine to ${say.litres(auto.litresPerDay)} a day.`,
          "Look at the low-level alarm of the new water, and measure the salinity by hand every week.",
        ),
        caution: auto.lasts
          ? undefined
          : "They do not last until the next visit: larger vessels, or somebody sees to them in between.",
      },
    ),
  ];
}

/** Asks for what was taken from the kind of tank, until somebody has looked. */
function hangsHere(making: Making): Step[] {
  const { book } = making.input;
  const assumed = (key: string) => book.assumed?.includes(key);
  const things = [
    ...(assumed("gear") ? book.gear.map(gearName) : []),
    ...(assumed("filterUnits") ? book.filterUnits.map((u) => u.name) : []),
    ...(assumed("lidded") ? [book.lidded ? "a lid" : "no lid"] : []),
    ...(assumed("landmarks") ? book.landmarks.map((m) => m.name) : []),
  ];
  if (things.length === 0) return [];
  return [
    stepOf(
      making,
      "hangs",
      "look",
      24,
      "See what really hangs on this tank",
      3,
      "Taken from its kind, and nobody has looked yet. Its jobs follow what really hangs there.",
      { craft: `Believed so far: ${[...new Set(things)].join(", ")}. Set it right in the tank's settings.` },
    ),
  ];
}

const fromTap = ({ kind }: Making["input"]["source"]): boolean => kind === "tap" || kind === "tap-minerals";

const inSentence = (label: string) => (/^[a-z]?[A-Z]{1,2}$/.test(label) ? label : label.toLowerCase());

function lookTitle(book: TankBook): string {
  const total = book.animals.reduce((sum, a) => sum + a.count, 0);
  const first = book.animals[0];
  return first ? `Look first: ${total} animals, ${first.name} above all` : "Look first, with pumps on";
}

/** The last look, and leaving. */
export function stepsAfter(making: Making): Step[] {
  const { input, water, changing } = making;
  const { book } = input;
  const step = stepOf.bind(null, making);
  const low =
    water.leftLowL > 0 ? `, level ${making.say.cm(water.leftLowCm)} below its fill line` : ", level at its fill line";
  return [
    ...(book.schools.feeding === "after"
      ? [
          step(
            "feed-after",
            "feed-after",
            190,
            "Feed sparingly and watch",
            3,
            "A reward, and a check: what does not eat is not well.",
            {
              kit: ["food"],
              ...(book.gear.includes("return")
                ? {
                    craft:
                      "Pause return and wave-makers on their timer for 15 minutes, so that the food is eaten and not filtered.",
                  }
                : {}),
            },
          ),
        ]
      : []),
    ...vessels(making),
    ...(changing && water.saltWaterL && water.share.value > 0.1
      ? [
          step(
            "salinity-again",
            "verify",
            200,
            "Salinity and temperature once more",
            3,
            "More than a tenth was changed: the figure that counts is the one after it.",
            { figure: "salinity-check" },
          ),
        ]
      : []),
    step(
      "verify",
      "verify",
      205,
      `Everything moves, nothing leaks${low}`,
      2,
      "Every pump that was stopped is looked at, not listened for.",
      { craft: "Timers and lights back to automatic." },
    ),
    step(
      "kit",
      "leave",
      250,
      "Count the kit, rinse and disinfect it",
      2,
      "A hose carries disease from one tank to the next.",
      {
        kit: ["disinfectant"],
        craft: "Hang hoses and pump up dry.",
      },
    ),
    step("tell", "leave", 260, "Tell the owner, leave it dry", 1, "What was done, what was seen, what they should do."),
  ];
}
