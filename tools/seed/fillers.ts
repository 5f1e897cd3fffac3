import { seeded } from "@keel-round/core/numeric";
import type { TaskCode } from "@keel-round/core/programme";
import { kindFacts, type TankKind } from "@keel-round/core/tank";
import { LIVED } from "./lived.ts";
import type { Rhythm } from "./rhythms.ts";
import { factsOf, type Story } from "./stories.ts";

/** About thirty ordinary tanks: site, what stands there, its size in metres, and how often it is seen. */
const ROWS: readonly [
  site: string,
  tank: string,
  kind: TankKind,
  size: readonly [number, number, number],
  rhythm: Rhythm,
  dayOffset: number,
  person: Story["person"],
][] = [
  ["Quince house", "Hall tank", "community", [1.2, 0.5, 0.5], "weekly", 0, "Tobiah Renn"],
  ["Vale house", "Study", "planted", [0.9, 0.45, 0.45], "fortnightly", 0, "Tobiah Renn"],
  ["Northgate School", "Library tank", "community", [1, 0.4, 0.5], "weekly", 0, "Tobiah Renn"],
  ["Foundry Lofts", "Lobby", "planted", [1.8, 0.6, 0.6], "weekly", 0, "Tobiah Renn"],
  ["Town Hall", "Chamber", "community", [1.5, 0.5, 0.5], "weekly", 0, "Tobiah Renn"],
  ["Gallery Nine", "White cube", "soft-coral", [1.4, 0.7, 0.7], "weekly", 2, "Ines Calder"],
  ["Harbour Office", "Pilot's reef", "soft-coral", [1.6, 0.7, 0.7], "weekly", 2, "Ines Calder"],
  ["Gallery Nine", "Stairwell", "community", [0.8, 0.4, 0.4], "weekly", 2, "Ines Calder"],
  ["Lock Cottage", "Window tank", "cool-fresh", [0.8, 0.4, 0.4], "fortnightly", 1, "Tobiah Renn"],
  ["Bellmaker's", "Workshop", "rift-lake", [1.4, 0.5, 0.55], "weekly", 1, "Tobiah Renn"],
  ["Cooper's Yard", "Counter", "shrimp", [0.45, 0.3, 0.35], "fortnightly", 1, "Tobiah Renn"],
  ["Miller's Row Nursery", "Playroom", "community", [1, 0.4, 0.45], "weekly", 1, "Tobiah Renn"],
  ["Customs House", "Arrivals", "planted", [2, 0.6, 0.6], "weekly", 1, "Tobiah Renn"],
  ["Wren & Daughters", "Shop window", "planted", [1.2, 0.45, 0.5], "fortnightly", 2, "Tobiah Renn"],
  ["St. Olave's Hospice", "Quiet room", "community", [1.2, 0.45, 0.5], "weekly", 2, "Tobiah Renn"],
  ["Tanner's Inn", "Snug", "rift-lake", [1.2, 0.5, 0.5], "weekly", 2, "Tobiah Renn"],
  ["Lighthouse Trust", "Lamp room", "temperate-marine", [1.2, 0.6, 0.5], "fortnightly", 3, "Ines Calder"],
  ["Anchorage Care Home", "Day room", "community", [1.5, 0.5, 0.55], "weekly", 3, "Tobiah Renn"],
  ["Ropewalk Studios", "Reception", "planted", [1.6, 0.55, 0.55], "weekly", 3, "Tobiah Renn"],
  ["Old Brewery", "Taproom", "marine-fish", [1.6, 0.6, 0.65], "weekly", 3, "Ines Calder"],
  ["Meadow Primary", "Class four", "cool-fresh", [0.9, 0.4, 0.4], "four-weekly", 3, "Tobiah Renn"],
  ["Weir House", "Landing", "community", [1, 0.45, 0.45], "four-weekly", 4, "Tobiah Renn"],
  ["Chandler's", "Oilskin tank", "brackish", [1, 0.45, 0.45], "weekly", 4, "Ines Calder"],
  ["Estuary Court", "Foyer left", "community", [1.8, 0.6, 0.6], "weekly", 4, "Tobiah Renn"],
  ["Estuary Court", "Foyer right", "planted", [1.8, 0.6, 0.6], "weekly", 4, "Tobiah Renn"],
  ["Heron Bank", "Branch tank", "soft-coral", [1, 0.6, 0.55], "weekly", 4, "Ines Calder"],
  ["Pavilion Café", "Back bar", "community", [0.9, 0.4, 0.45], "fortnightly", 4, "Tobiah Renn"],
  ["Ferryman's Rest", "Reading room", "planted", [1.1, 0.45, 0.5], "twice-weekly", 3, "Tobiah Renn"],
  ["Sailmaker's Loft", "New reef", "soft-coral", [1, 0.5, 0.55], "weekly", 5, "Ines Calder"],
];

/** What called for jobs of its own lately. */
const CALLS: Readonly<Record<string, Story["calls"]>> = {
  Lobby: { dirt: { job: "prefilter", daysAgo: 7, dirt: 5 } },
  "Foyer left": { stocked: { daysAgo: 4, number: 8 } },
  "Pilot's reef": {
    readings: {
      flow: [
        [96, 2600],
        [68, 2450],
        [40, 2200],
        [12, 1850],
      ],
    },
  },
};

/** Tanks with more than one filter, and when their services were last done, days ago. */
const UNITS: Readonly<Record<string, readonly string[]>> = {
  Lobby: ["left canister", "right canister"],
  Workshop: ["canister A", "canister B"],
  Snug: ["canister A", "canister B"],
};
const PAST: Readonly<Record<string, Story["past"]>> = {
  Lobby: { "filter-a": { doneDaysAgo: 10 }, "filter-b": { doneDaysAgo: 75 } },
  // Put off twice: the third time somebody decides.
  Study: { lids: { doneDaysAgo: 58, slips: 2, reason: "no time left" } },
};

/** Tanks younger than the others, days old, and what they were started with. */
const YOUNG: Readonly<Record<string, readonly [days: number, NonNullable<Story["facts"]["startedWith"]>]>> = {
  "New reef": [23, "dry-rock"],
};

/** What makes some of them less ordinary: each is held by something else, or changed in another way. */
const LATELY: Readonly<Record<string, Story["lately"]>> = {
  // A reef that stands high on its rock: the top would dry long before the share is out.
  "Branch tank": {
    facts: { landmarks: [{ name: "top of the leather corals", kind: "coral", heightM: 0.465, airMinutes: 3 }] },
  },
  // Set up anew: nearly all of it goes each week until the algae give up.
  Stairwell: { facts: { landmarks: [], mostShare: 0.9 }, practice: { policy: "reset", share: 0.85 } },
  // The drain is a basin on the wall, and its rim stands higher than the tank's floor.
  Playroom: { facts: { drainHose: { boreMm: 16, lengthM: 4, dropM: -0.33 } } },
  // Moved from the tap to softer water: from now on in small steps.
  Study: { source: "remineralised" },
  "Reading room": { practice: { policy: "test-led" } },
  // A machine changes a little of it every day.
  Counter: {
    facts: { autoExchange: { newWaterL: 40, wasteL: 40, litresPerDay: 3 } },
    practice: { policy: "continuous" },
  },
  "Oilskin tank": { facts: { carryAwayL: 25 } },
  // Hot lamps over open water: off before the lid is lifted, on again with the pumps.
  Lobby: { facts: { gear: ["co2", "heater", "filter", "lights"] } },
  "Lamp room": { practice: { policy: "reset", share: 0.4 }, readings: { salinity: 30.4 } },
  // More new water than the van carries at once.
  "Foyer right": { practice: { policy: "reset", share: 0.7 } },
  // After a bloom in autumn, as much as the fish bear.
  Taproom: { practice: { policy: "reset", share: 0.5 } },
  "Class four": { facts: { drainLPerMinute: 3, refillLPerMinute: 2 } },
  // Old soft water, fed too well between visits: the tap would set the ammonia free.
  Landing: { readings: { ammonia: 2.6, ph: 6.2 } },
};

/** Where nitrate settles, in parts of its ceiling; the others by their seed. */
const SETTLES: Readonly<Record<string, number>> = { "Branch tank": 0.96 };
const WATERS: Readonly<Record<string, Story["source"]>> = { "Foyer right": "remineralised" };

/** Sites that are open for an hour only, and those whose drain takes no salt. */
const HOURS: Readonly<Record<string, Story["window"]>> = { "Meadow Primary": ["12:00", "13:00"] };
const DRAINS: Readonly<Record<string, Story["drain"]>> = { "Chandler's": "septic" };

/** What stands there to be serviced by the jobs that were lived with: a sponge where one is rinsed, a sock where it is swapped. */
function filtersOf(kind: TankKind, units: readonly string[] | undefined): Story["facts"]["filterUnits"] {
  const lived: readonly TaskCode[] = LIVED[kind];
  const own = units ?? [lived.includes("sponge-half") ? "sponge filter" : "canister filter"];
  return [
    ...own.map((name) => ({ name, kind: "biological" as const, biological: true })),
    ...(lived.includes("socks") ? [{ name: "filter sock", kind: "mechanical" as const, biological: false }] : []),
  ];
}

/** The ordinary tanks, made believable from a seed. */
export function fillers(day: (offset: number) => string): Story[] {
  const random = seeded(77);
  return ROWS.map(([site, tank, kind, [lengthM, widthM, heightM], rhythm, dayOffset, person], i): Story => {
    const of = kindFacts[kind];
    const salt = of.targetPsu > 0;
    const vary = (x: number) => x * (0.8 + 0.4 * random());
    const nitrate = of.bands.find((b) => b.parameter === "nitrate")?.idealHigh ?? 30;
    const share = of.practice.share;
    const days = rhythm === "four-weekly" ? 28 : rhythm === "fortnightly" ? 14 : rhythm === "twice-weekly" ? 3.5 : 7;
    // Settles a little under the ideal ceiling.
    const usual = vary(0.62);
    const perDay = ((SETTLES[tank] ?? usual) * nitrate * share) / days;
    const young = YOUNG[tank];
    return {
      client: site,
      contact: "The house",
      email: `house${i}@port-averil.example`,
      site,
      address: `${3 + i * 2} ${["Ropewalk", "Quay Street", "Mill Lane", "Orchard Hill"][i % 4]}`,
      at: [Math.round((random() * 8 - 4) * 10) / 10, Math.round((random() * 6 - 3) * 10) / 10],
      window: HOURS[site] ?? ["08:30", "17:30"],
      drain: DRAINS[site] ?? "sewer",
      access: "Ring.",
      setUpMinutes: 7,
      bucketL: 20,
      tank,
      kind,
      source:
        WATERS[tank] ??
        ({
          "soft-coral": "reef-mix",
          "marine-fish": "fish-mix",
          brackish: "brackish-mix",
          "temperate-marine": "natural-sea",
          shrimp: "remineralised",
        }[kind as string] as Story["source"]) ??
        "tap",
      animals: [
        { name: salt ? "damselfish" : "tetras", count: 8 + (i % 9) },
        { name: "snails", count: 3 + (i % 4) },
      ],
      facts: factsOf(kind, {
        vessel: { shape: "box", lengthM, widthM, heightM },
        levelM: heightM - 0.06,
        bed: ["gravel", 0.04],
        rock: salt ? [lengthM * 25, heightM * 0.6] : [5, 0.2],
        gear:
          kind === "temperate-marine"
            ? ["skimmer", "chiller", "return"]
            : salt && kind !== "brackish"
              ? ["skimmer", "heater", "return", "wave-maker"]
              : of.targetC < 20
                ? ["filter"]
                : ["heater", "filter"],
        lidded: !salt || kind === "brackish",
        landmarks: [{ name: "intake", kind: "intake", heightM: 0.12, airMinutes: 0 }],
        filterUnits: filtersOf(kind, UNITS[tank]),
        evaporation: vary(lengthM * widthM * 3),
        topUp: "technician",
        ...(young ? { startedOn: day(-young[0]), startedWith: young[1] } : {}),
        ...(rhythm === "four-weekly" ? { validDays: 35 } : {}),
        practice: { how: "drain-then-fill", heater: of.targetC < 20 ? "none" : "off", pumpsAtSiphon: "off" },
      }),
      jobs: LIVED[kind],
      rhythm,
      dayOffset,
      person,
      ...(LATELY[tank] ? { lately: LATELY[tank] } : {}),
      ...(CALLS[tank] ? { calls: CALLS[tank] } : {}),
      ...(PAST[tank] ? { past: PAST[tank] } : {}),
      historyDays: young ? young[0] : 98,
      life: {
        perDay: { nitrate: perDay, ...(kind === "soft-coral" ? { alkalinity: -0.012, phosphate: 0.0012 } : {}) },
        start: Object.fromEntries(
          of.bands.map((b) => [
            b.parameter,
            b.parameter === "nitrate"
              ? 0.6 * nitrate
              : b.parameter === "salinity"
                ? of.targetPsu
                : (Math.max(0, b.idealLow) + b.idealHigh) / 2,
          ]),
        ),
        roomC: { mean: of.targetC < 20 ? 16.5 : 21, swing: 1 },
      },
    };
  });
}
