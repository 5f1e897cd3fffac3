import { inSentence } from "../../text/index.ts";
import { type Parameter, parameterFacts } from "../../units/index.ts";
import type { HereOf } from "../here.ts";
import { type Job, job } from "../job.ts";

const test = (
  parameter: Parameter,
  name: string,
  cadence: string,
  minutes: number,
  reason: string,
  { done }: Pick<Job, "done">,
): Job =>
  job(name, "test", cadence, minutes, reason, {
    ...(done ? { done } : {}),
    result: { test: parameter },
    kit: [`${name.replace("Measure ", "")} test`],
    ...(CAUTION[parameter] ? { caution: CAUTION[parameter] } : {}),
  });

const REAGENTS = "Reagents stay off the skin and out of the tank; rinse the vial with tank water before and tap after.";
const CAUTION: Partial<Record<Parameter, string>> = {
  ammonia: `${REAGENTS} Some ammonia reagents are strongly alkaline.`,
  nitrate: `${REAGENTS} Shake as long as the leaflet says, or it reads low.`,
};

/** What is measured before the change, and the looks that count. */
export const measure = {
  "test-temperature": test(
    "temperature",
    "Measure temperature",
    "every week, give or take 2 days",
    0.5,
    "New water is matched to it, and a failing heater shows here first.",
    { done: "measured the temperature" },
  ),
  "test-salinity": test(
    "salinity",
    "Measure salinity",
    "every week, give or take 2 days",
    1.5,
    "The new water is matched to what is measured, not to what is usual.",
    { done: "measured the salinity" },
  ),
  "test-ph": test(
    "ph",
    "Measure pH",
    "every 2 weeks, give or take 4 days",
    1.5,
    "It decides how much of any ammonia is poisonous.",
    { done: "measured the pH" },
  ),
  "test-alkalinity": test(
    "alkalinity",
    "Measure alkalinity",
    "every week, give or take 2 days",
    2,
    "Corals and bacteria use it up; it falls before anything is seen.",
    { done: "measured the alkalinity" },
  ),
  "test-gh": test(
    "gh",
    "Measure general hardness",
    "every 2 weeks, give or take 4 days",
    2,
    "Shells and moults are built from it.",
    { done: "measured the general hardness" },
  ),
  "test-calcium": test(
    "calcium",
    "Measure calcium",
    "every 2 weeks, give or take 4 days",
    3,
    "It is used together with alkalinity; if only one moves, suspect the test.",
    { done: "measured the calcium" },
  ),
  "test-magnesium": test(
    "magnesium",
    "Measure magnesium",
    "every 4 weeks, give or take 7 days",
    3,
    "Too low and alkalinity cannot be held.",
    { done: "measured the magnesium" },
  ),
  "test-ammonia": test(
    "ammonia",
    "Measure ammonia",
    "every 2 weeks, give or take 4 days",
    2,
    "The first sign of a filter that cannot keep up.",
    { done: "measured the ammonia" },
  ),
  "test-nitrite": test(
    "nitrite",
    "Measure nitrite",
    "every 4 weeks, give or take 7 days",
    2,
    "Half-digested waste: it shows a filter that lost its second half.",
    { done: "measured the nitrite" },
  ),
  "test-nitrate": test(
    "nitrate",
    "Measure nitrate",
    "every week, give or take 2 days",
    2.5,
    "It shows what builds up between changes.",
    { done: "measured the nitrate" },
  ),
  "test-phosphate": test(
    "phosphate",
    "Measure phosphate",
    "every 2 weeks, give or take 4 days",
    2.5,
    "It feeds algae long before it harms an animal.",
    { done: "measured the phosphate" },
  ),
  "flow-check": job(
    "Time a bucket at the return",
    "test",
    "every 4 weeks, give or take 8 days",
    3,
    "Flow falls for weeks before anybody hears it. What is timed decides when the pump or filter is serviced.",
    {
      done: "timed a bucket at the return",
      result: { test: "flow" },
      kit: ["measuring jug", "stopwatch"],
      caution: "Hold the outlet over the tank: it will spray. Dry hands at the plug.",
      needs: { gear: "return" },
    },
  ),
  "tds-check": job(
    "Measure the purified water's TDS",
    "test",
    "every 2 weeks, give or take 5 days",
    1,
    "It creeps up before the resin is spent: cartridges are changed by it, not by date.",
    {
      done: "measured the purified water's TDS",
      result: { test: "tds" },
      kit: ["TDS meter"],
      needs: { purifier: true },
      onceAtSite: true,
    },
  ),
  "count-animals": job(
    "Count the animals",
    "look",
    "every 4 weeks, give or take 7 days",
    2,
    "A shoal that dwindles is telling you something.",
    { done: "counted the animals", result: "count" },
  ),
  "gill-check": job(
    "Look at gills, toes and appetite",
    "look",
    "every week, give or take 3 days",
    3,
    "Curled gills and a refused meal come before anything that a kit can see.",
    { done: "looked at gills, toes and appetite" },
  ),
  "bell-check": job(
    "Watch every bell with the flow on",
    "verify",
    "every week, give or take 3 days",
    4,
    "Sinking bells mean water that is too light, floating ones too heavy.",
    { done: "watched every bell with the flow on", result: "count" },
  ),
  "insect-feed": job(
    "Offer food at the surface and watch them shoot",
    "feed-before",
    "every week, give or take 3 days",
    5,
    "An archerfish that does not aim is not well.",
    { done: "offered food at the surface and watched them shoot", uses: ["live food"] },
  ),
  "probe-calibrate": job(
    "Clean and calibrate the probes",
    "test",
    "every 90 days, give or take 21 days",
    12,
    "A drifting probe is believed until something dies.",
    {
      done: "cleaned and calibrated the probes",
      kit: ["soft brush"],
      uses: ["calibration fluid"],
      long: true,
      caution: "Never dry a probe's tip; rinse between fluids.",
    },
  ),
} as const satisfies Record<string, Job>;

const METHOD_KIT = { strips: "strips", liquid: "liquid kit", photometer: "photometer" } as const;
/** Read by an instrument of their own, whatever tests are otherwise made with. */
const OWN_INSTRUMENT: readonly Parameter[] = ["temperature", "salinity", "ph", "flow", "tds"];

/** A test is made with what the tank's practice tests with. */
export const testHere = (parameter: Parameter): HereOf =>
  OWN_INSTRUMENT.includes(parameter)
    ? () => ({})
    : ({ facts }) => ({
        kit: [{ item: inSentence(parameterFacts[parameter].label), amount: METHOD_KIT[facts.practice.testMethod] }],
      });
