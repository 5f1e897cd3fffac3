import type { Parameter } from "../../units/index.ts";
import { type Job, job } from "../job.ts";

const test = (parameter: Parameter, name: string, cadence: string, minutes: number, reason: string): Job =>
  job(name, "test", cadence, minutes, reason, {
    result: { test: parameter },
    kit: [`${name.toLowerCase().replace("measure ", "")} test`],
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
  ),
  "test-salinity": test(
    "salinity",
    "Measure salinity",
    "every week, give or take 2 days",
    1.5,
    "The new water is matched to what is measured, not to the book.",
  ),
  "test-ph": test(
    "ph",
    "Measure pH",
    "every 2 weeks, give or take 4 days",
    1.5,
    "It decides how much of any ammonia is poisonous.",
  ),
  "test-alkalinity": test(
    "alkalinity",
    "Measure alkalinity",
    "every week, give or take 2 days",
    2,
    "Corals and bacteria use it up; it falls before anything is seen.",
  ),
  "test-gh": test(
    "gh",
    "Measure general hardness",
    "every 2 weeks, give or take 4 days",
    2,
    "Shells and moults are built from it.",
  ),
  "test-calcium": test(
    "calcium",
    "Measure calcium",
    "every 2 weeks, give or take 4 days",
    3,
    "It is used together with alkalinity; if only one moves, suspect the test.",
  ),
  "test-magnesium": test(
    "magnesium",
    "Measure magnesium",
    "every 4 weeks, give or take 7 days",
    3,
    "Too low and alkalinity cannot be held.",
  ),
  "test-ammonia": test(
    "ammonia",
    "Measure ammonia",
    "every 2 weeks, give or take 4 days",
    2,
    "The first sign of a filter that cannot keep up.",
  ),
  "test-nitrite": test(
    "nitrite",
    "Measure nitrite",
    "every 4 weeks, give or take 7 days",
    2,
    "Half-digested waste: it shows a filter that lost its second half.",
  ),
  "test-nitrate": test(
    "nitrate",
    "Measure nitrate",
    "every week, give or take 2 days",
    2.5,
    "It shows what builds up between changes.",
  ),
  "test-phosphate": test(
    "phosphate",
    "Measure phosphate",
    "every 2 weeks, give or take 4 days",
    2.5,
    "It feeds algae long before it harms an animal.",
  ),
  "flow-check": job(
    "Time a bucket at the return",
    "test",
    "every 4 weeks, give or take 8 days",
    3,
    "Flow falls for weeks before anybody hears it. What is timed decides when the pump or filter is serviced.",
    {
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
    { result: { test: "tds" }, kit: ["TDS meter"], needs: { purifier: true }, onceAtSite: true },
  ),
  "count-animals": job(
    "Count the animals",
    "look",
    "every 4 weeks, give or take 7 days",
    2,
    "A shoal that dwindles is telling you something.",
    { result: "count" },
  ),
  "gill-check": job(
    "Look at gills, toes and appetite",
    "look",
    "every week, give or take 3 days",
    3,
    "Curled gills and a refused meal come before anything that a kit can see.",
  ),
  "bell-check": job(
    "Watch every bell with the flow on",
    "verify",
    "every week, give or take 3 days",
    4,
    "Sinking bells mean water that is too light, floating ones too heavy.",
    { result: "count" },
  ),
  "insect-feed": job(
    "Offer food at the surface and watch them shoot",
    "feed-before",
    "every week, give or take 3 days",
    5,
    "An archerfish that does not aim is not well.",
    { uses: ["live food"] },
  ),
  "probe-calibrate": job(
    "Clean and calibrate the probes",
    "test",
    "every 90 days, give or take 21 days",
    12,
    "A drifting probe is believed until something dies.",
    {
      kit: ["soft brush"],
      uses: ["calibration fluid"],
      long: true,
      caution: "Never dry a probe's tip; rinse between fluids.",
    },
  ),
} as const satisfies Record<string, Job>;
