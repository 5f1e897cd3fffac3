import { m } from "../../say/m.ts";
import { type Here, type HereOf, type JobDay, plain } from "../here.ts";
import { type Job, job } from "../job.ts";
import { leavesWithDrain } from "./bed.ts";

const TANK_WATER = "Tank water only, never the tap: chlorine kills the filter.";

/** What comes with most visits: glass, dirt, media, doses and the outside. */
export const weekly = {
  "glass-inside": job(
    "Clean the glass inside",
    "glass",
    "every week, give or take 3 days",
    6,
    "Before the drain, so that film and spores leave with the water.",
    {
      done: "cleaned the glass inside",
      kit: ["scraper"],
      caution: "Stay a few centimetres off the sand; never a blade on silicone.",
    },
  ),
  "blow-rock": job(
    "Blow dirt off the rock",
    "lift",
    "every week, give or take 3 days",
    7,
    "Lifted dirt leaves with the water instead of rotting in the rock.",
    { done: "blew dirt off the rock", kit: ["baster"] },
  ),
  "wave-plants": job(
    "Wave over the plants and pick out dead leaves",
    "lift",
    "every week, give or take 3 days",
    6,
    "Dead leaves feed algae; what floats up leaves with the drain.",
    { done: "waved over the plants and picked out dead leaves", kit: ["long tweezers", "net"] },
  ),
  "trim-plants": job(
    "Trim and thin the plants",
    "lift",
    "every 4 weeks, give or take 10 days",
    15,
    "Shaded lower leaves die first; stems are cut before the drain so that pieces leave with it.",
    { done: "trimmed and thinned the plants", kit: ["plant scissors", "bucket for cuttings"] },
  ),
  "harvest-macroalgae": job(
    "Harvest the macroalgae",
    "lift",
    "every 2 weeks, give or take 5 days",
    8,
    "This is how nutrients leave the tank.",
    {
      done: "harvested the macroalgae",
      kit: ["bowl for algae"],
      caution: "Look through what is taken out: small animals sit in it.",
    },
  ),
  "brush-rock": job(
    "Brush algae off the rock",
    "lift",
    "every 2 weeks, give or take 6 days",
    10,
    "Loosened before the drain, it leaves with the water.",
    {
      done: "brushed algae off the rock",
      kit: ["toothbrush"],
      caution: "Look for anemones and barnacles before you brush.",
    },
  ),
  "vacuum-sector": job(
    "Vacuum today's sector",
    "drain",
    "every week, give or take 3 days",
    7,
    "One part at a time, so that the bed is never disturbed all at once.",
    { done: "vacuumed a part of the bed", kit: ["gravel vacuum"], result: "dirt", needs: { bed: true } },
  ),
  "spot-siphon": job(
    "Siphon droppings off the floor",
    "drain",
    "every week, give or take 3 days",
    4,
    "A bare floor is cleaned at every visit: nothing there digests waste.",
    { done: "siphoned droppings off the floor", kit: ["narrow siphon"] },
  ),
  socks: job(
    "Swap the filter socks",
    "media",
    "every week, give or take 3 days",
    3,
    "After the cloud has cleared, so that they catch it; dirt left in a sock dissolves back.",
    { done: "swapped the filter socks", uses: ["clean socks"], result: "dirt", needs: { unitCalled: "sock" } },
  ),
  floss: job(
    "Change the floss",
    "media",
    "every week, give or take 3 days",
    3,
    "It holds the dirt only until it rots.",
    { done: "changed the floss", uses: ["floss"], result: "dirt", needs: { noUnitCalled: "sock" } },
  ),
  prefilter: job(
    "Rinse the pre-filter",
    "hardware",
    "every 2 weeks, give or take 5 days",
    4,
    "Washed in old tank water while the tank drains.",
    { done: "rinsed the pre-filter", kit: ["bucket for tank water"], result: "dirt" },
  ),
  "wash-media": job(
    "Wash the used socks and pads in a batch",
    "leave",
    "every 2 weeks, give or take 4 days",
    4,
    "A stock of clean ones is part of the job: without it a dirty one stays in.",
    {
      done: "washed the used socks and pads",
      kit: ["bag for used media"],
      onceAtSite: true,
      caution: "Hot water and no softener; anything bleached is rinsed and dried until no smell is left.",
    },
  ),
  "skimmer-cup": job(
    "Empty and wash the skimmer cup and neck",
    "hardware",
    "every week, give or take 3 days",
    5,
    "A film on the neck stops the foam from climbing.",
    { done: "emptied and washed the skimmer cup", kit: ["pipe brush"], result: "dirt", needs: { gear: "skimmer" } },
  ),
  "brush-pumps": job(
    "Brush wave-makers, intakes and the weir comb in old tank water",
    "hardware",
    "every week, give or take 3 days",
    5,
    "What is brushed off every week never sets hard; it goes out with the bucket.",
    {
      done: "brushed the pumps and their intakes",
      kit: ["bucket for tank water", "soft brush"],
      needs: { oneOf: ["wave-maker", "return"] },
      caution: "Off at the wall before it is lifted out; hands clear of its blades.",
    },
  ),
  "surface-skimmer": job(
    "Squeeze out the surface skimmer's sponge",
    "hardware",
    "every week, give or take 3 days",
    3,
    "Once or twice a week: a clogged one leaves the film on the surface and no gas gets through.",
    {
      done: "rinsed the surface skimmer's sponge",
      kit: ["bucket for tank water"],
      result: "dirt",
      needs: { unitCalled: "surface skimmer" },
    },
  ),
  "second-sponges": job(
    "Swap the filter's sponges for the dry second set",
    "hardware",
    "every 2 weeks, give or take 5 days",
    4,
    "Two sets take turns: the old one is squeezed out in tank water and dried, and goes in again next time.",
    {
      done: "swapped the filter's sponges",
      kit: ["second set of sponges", "bucket for tank water"],
      result: "dirt",
      covers: ["prefilter", "internal-filter"],
    },
  ),
  "internal-filter": job(
    "Rinse the internal filter's sponge",
    "hardware",
    "every 2 weeks, give or take 5 days",
    6,
    "It clogs fast, and a clogged one stops without a sound.",
    {
      done: "rinsed the internal filter's sponge",
      kit: ["bucket for tank water"],
      result: "dirt",
      needs: { unitCalled: "internal", noUnitCalled: "sponge" },
      caution: TANK_WATER,
    },
  ),
  "hang-on-filter": job(
    "Rinse the hang-on filter's pad and tube",
    "hardware",
    "every 2 weeks, give or take 5 days",
    6,
    "Its thin tube scales and it stops priming; a dry start burns the motor.",
    {
      done: "rinsed the hang-on filter's pad and tube",
      kit: ["bucket for tank water", "pipe brush"],
      result: "dirt",
      needs: { unitCalled: "hang-on" },
      caution: TANK_WATER,
    },
  ),
  "top-up-sensor": job(
    "Clean and try the top-up sensor",
    "verify",
    "every 2 weeks, give or take 4 days",
    3,
    "A stuck sensor floods a floor or lets the salinity climb.",
    { done: "cleaned and tried the top-up sensor", kit: ["soft brush"], needs: { gear: "top-up" } },
  ),
  "top-up-refill": job(
    "Fill the top-up reservoir",
    "verify",
    "every week, give or take 3 days",
    4,
    "With purified water only: evaporation takes no salt away.",
    { done: "filled the top-up reservoir", uses: ["purified water"], needs: { reservoir: true } },
  ),
  "dosing-check": job(
    "Check the dosing and fill its bottles",
    "dose",
    "every 2 weeks, give or take 5 days",
    6,
    "Growth outruns a dose that was right last month.",
    {
      done: "checked the dosing and filled its bottles",
      uses: ["two-part solutions"],
      needs: { gear: "dosing" },
      caution: "Never let two parts meet undiluted.",
    },
  ),
  fertiliser: job(
    "Dose fertiliser",
    "dose",
    "every week, give or take 3 days",
    2,
    "After the change, so that it is not drained away again.",
    { done: "dosed fertiliser", uses: ["fertiliser"] },
  ),
  "feed-pause": job(
    "Feed the corals with return and wave-makers paused",
    "feed-after",
    "every week, give or take 3 days",
    4,
    "A quarter of an hour without flow, on a timer: the food is eaten and not filtered. Anemones after the bed is done.",
    {
      done: "fed the corals with the pumps paused",
      uses: ["coral food"],
      aloneMinutes: 15,
      needs: { oneOf: ["return", "wave-maker"] },
      caution: "On the pumps' own timer: a pump that somebody has to remember stays off.",
    },
  ),
  trace: job(
    "Dose trace elements after the change",
    "dose",
    "every week, give or take 3 days",
    2,
    "What growth takes out in traces; after the change, so that it is not drained away again.",
    {
      done: "dosed trace elements",
      uses: ["trace elements"],
      caution: "Never more than the label: in excess they poison.",
    },
  ),
  minerals: job(
    "Check the mineral dose of the new water",
    "prepare",
    "every 2 weeks, give or take 5 days",
    3,
    "Purified water has no hardness of its own; shrimp die slowly without it.",
    { done: "checked the mineral dose of the new water", kit: ["scale"], uses: ["mineral salt"] },
  ),
  "batch-salt": job(
    "Leave a batch of salt water ready",
    "leave",
    "every 2 weeks, give or take 5 days",
    5,
    "Kept for emergencies: a leak or a dead animal does not wait for mixing.",
    {
      done: "left a batch of salt water ready",
      kit: ["barrel with a pump"],
      uses: ["salt"],
      needs: { sump: true },
      onceAtSite: true,
      caution: "A full barrel is heavy: fill it where it stands.",
    },
  ),
  "batch-purified": job(
    "Leave purified water ready",
    "leave",
    "every 2 weeks, give or take 5 days",
    3,
    "For top-up and for an emergency change; it takes hours to make.",
    {
      done: "left purified water ready",
      kit: ["closed barrel"],
      needs: { reservoir: true },
      onceAtSite: true,
      caution: "A purifier left running alone floods: a float, or a timer.",
    },
  ),
  carbon: job(
    "Replace the carbon",
    "media",
    "every 4 weeks, give or take 8 days",
    5,
    "Yellow water means that it is used up.",
    { done: "replaced the carbon", uses: ["rinsed carbon"], kind: "media" },
  ),
  "phosphate-media": job(
    "Replace the phosphate remover",
    "media",
    "every 4 weeks, give or take 8 days",
    6,
    "Used-up media gives back nothing, but takes nothing either.",
    {
      done: "replaced the phosphate remover",
      uses: ["phosphate remover"],
      kind: "media",
      caution: "Rinse its dust out first, and not all fresh at once: phosphate that falls fast harms corals.",
    },
  ),
  lids: job("Wash the lids", "outside", "every 4 weeks, give or take 8 days", 5, "A dirty lid steals light.", {
    done: "washed the lids",
    kit: ["cloth"],
    needs: { lid: true },
  }),
  "outside-glass": job(
    "Wipe the outside glass and lights",
    "outside",
    "every week, give or take 3 days",
    3,
    "It is what the owner sees, and dust on a lamp is heat.",
    {
      done: "wiped the outside glass and the lights",
      kit: ["cloth"],
      caution: "Cleaner on the cloth, never sprayed near the water.",
    },
  ),
  "salt-creep": job(
    "Wipe off salt creep",
    "outside",
    "every 2 weeks, give or take 5 days",
    4,
    "It carries water over the edge and into sockets.",
    {
      done: "wiped off salt creep",
      kit: ["cloth"],
      uses: ["fresh water"],
      caution: "Crusted plugs: off at the wall before anybody touches them.",
    },
  ),
  "heater-check": job(
    "Check the heater against a thermometer",
    "verify",
    "every 4 weeks, give or take 8 days",
    3,
    "Heaters fail hot or cold, mostly in winter; they are replaced before they do.",
    { done: "checked the heater against a thermometer", kit: ["thermometer"], needs: { gear: "heater" } },
  ),
  photo: job(
    "Photograph the tank from its spot",
    "leave",
    "every 4 weeks, give or take 7 days",
    1,
    "Month by month from the same place shows what a day hides.",
    { done: "took a photo of the tank", result: "photo" },
  ),
} as const satisfies Record<string, Job>;

const OUTSIDE_KIT = { water: "clean water", vinegar: "dilute vinegar", cleaner: "aquarium-safe cleaner" } as const;

function vacuum({ facts, sector, bedL }: JobDay): Here {
  const { practice, sectors } = facts;
  const craft = leavesWithDrain(bedL, m("bed.runs-clear"));
  if (sector)
    return {
      title: m("vacuum-sector.sector", { sector, sectors }),
      done: m("vacuum-sector.sector.done", { sector, sectors }),
      craft,
    };
  const part = practice.substrate === "bare" || practice.substrate === "whole" ? practice.substrate : "top";
  return { title: m(`vacuum-sector.${part}`), done: m(`vacuum-sector.${part}.done`), craft };
}

/** Less than this is no amount to fill in, L. */
const LEAST_FILLED_L = 0.5;

/** What evaporates until somebody is here again, as far as the reservoir holds it. */
function reservoir({ facts, daysToNext }: JobDay): Here {
  const perDayL = facts.evaporationLPerDay;
  const needL = perDayL * daysToNext;
  if (needL < LEAST_FILLED_L) return {};
  const holdsL = facts.reservoirL ?? Number.POSITIVE_INFINITY;
  const litres = Math.min(needL, holdsL);
  const amount = { litres: { litres } };
  return {
    title: m("top-up-refill.litres", amount),
    craft: [
      holdsL < needL
        ? m("top-up-refill.short", { ...amount, lasts: Math.floor(holdsL / perDayL), days: daysToNext })
        : m("top-up-refill.lasts", { days: daysToNext, perDay: { litres: perDayL, decimals: 1 } }),
    ],
  };
}

/** Clean pieces to bring: none where the site's own shelf has them. */
const mechanical: HereOf = ({ media, uses }) => {
  if (media?.onShelf) return { kit: [] };
  return { kit: uses.map((item) => (media && media.pieces > 1 ? { item, amount: media.pieces } : { item })) };
};

/** What a tank makes of these jobs. */
export const weeklyHere = {
  "glass-inside": ({ facts: { material, practice } }) => {
    const acrylic = material === "acrylic";
    return {
      title: m(`glass-inside.${practice.panels}`),
      done: m(`glass-inside.${practice.panels}.done`),
      kit: plain(acrylic ? "soft pad for acrylic" : "glass scraper"),
      craft: [m("glass-inside.craft"), ...(acrylic ? [] : [m("glass-inside.blade")])],
      ...(acrylic ? { caution: m("glass-inside.acrylic") } : {}),
    };
  },
  "outside-glass": ({ facts: { material, practice }, kit }) => ({
    kit: plain(...kit, OUTSIDE_KIT[practice.outside]),
    ...(material === "acrylic" ? { caution: m("glass-inside.acrylic") } : {}),
  }),
  "vacuum-sector": vacuum,
  "spot-siphon": ({ bedL }) => ({ craft: leavesWithDrain(bedL) }),
  "blow-rock": () => ({ craft: [m("blow-rock.craft")] }),
  "top-up-refill": reservoir,
  trace: ({ systemL }) => ({ title: m("trace.for", { litres: { litres: systemL } }) }),
  "feed-pause": () => ({ craft: [m("feed.corals")] }),
  fertiliser: ({ facts, systemL }) => ({
    title: m(facts.practice.fertiliser === "lean" ? "fertiliser.half" : "fertiliser.for", {
      litres: { litres: systemL },
    }),
    kit: [{ item: "fertiliser", ...(facts.practice.fertiliser === "lean" ? { amount: "half the label" } : {}) }],
  }),
  socks: mechanical,
  floss: mechanical,
} as const satisfies Partial<Record<keyof typeof weekly, HereOf>>;
