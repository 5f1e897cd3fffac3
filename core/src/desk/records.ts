import { DOSED, REAGENTS, reagentsFor } from "../mixing/index.ts";
import { PERFORMERS, PHASES, RESULTS, resultName, SKILLS, taskLibrary } from "../programme/index.ts";
import { NOTICES } from "../sea/index.ts";
import { STORE_KINDS, STORE_UNITS, type StoreKind, type StoreUnit } from "../stores/item.ts";
import { FILTER_KINDS, gearName, kindFacts, LANDMARK_KINDS, SWITCH_GEAR, WAY_NAMES, WAYS } from "../tank/index.ts";
import { HARMED_CODES, harmedLabel } from "../treatment/index.ts";
import { LOCALES, OF_WATER, parameterFacts } from "../units/index.ts";
import { VESSEL_SHAPES, type VesselShape, vesselShapes } from "../vessel/index.ts";
import type { Entity, Field, FieldType } from "./fields.ts";
import type { Values } from "./values.ts";

/** An entity of the desk: what it is called and what is known of one. */
export interface RecordKind {
  readonly entity: Entity;
  readonly one: string;
  readonly many: string;
  readonly fields: readonly Field[];
}

/** Powders that raise something which is dosed. */
const DOSING_REAGENTS = [...new Set(DOSED.flatMap(reagentsFor))];

const text = (max: number, lines?: number): FieldType => ({ kind: "text", max, ...(lines ? { lines } : {}) });
const number = (unit: string, low: number, high: number, decimals: number): FieldType => ({
  kind: "number",
  unit,
  low,
  high,
  decimals,
});
const choice = (options: readonly (readonly [string, string])[]): FieldType => ({ kind: "choice", options });
const yesNo: FieldType = { kind: "yes-no" };
const link = (to: Entity): FieldType => ({ kind: "link", to });
/** Of a vessel, a sump or what stands in it, m. */
const length = (low = 0, high = 20): FieldType => ({ kind: "length", low, high, decimals: 1 });
const needed = { required: true } as const;

const named = (label: string, group: string): Field => ({ key: "name", label, type: text(120), ...needed, group });

const column = (key: string, label: string, type: FieldType, more: Partial<Field> = {}): Field => ({
  key,
  label,
  type,
  group: "",
  ...more,
});

const client: RecordKind = {
  entity: "client",
  one: "client",
  many: "clients",
  fields: [
    named("Name", "Who"),
    { key: "contact", label: "Contact", type: text(120), ...needed, group: "Who" },
    { key: "email", label: "E-mail", type: { kind: "email" }, ...needed, group: "Who" },
    { key: "phone", label: "Phone", type: text(40), group: "Who" },
    {
      key: "lettersBy",
      label: "Letters",
      type: choice([
        ["mail-pdf", "By e-mail, with the page as a PDF"],
        ["mail-link", "By e-mail, with a link only"],
        ["none", "Not mailed; kept here"],
      ]),
      ...needed,
      usual: "mail-pdf",
      group: "Letters",
    },
    {
      key: "letterWay",
      label: "Letters leave",
      type: choice([
        ["as-firm", "As the firm's letters do"],
        ["by-hand", "When somebody has read and sent them"],
        ["by-itself", "By themselves"],
      ]),
      ...needed,
      usual: "as-firm",
      group: "Letters",
    },
    {
      key: "locale",
      label: "Dates and units of their letters",
      type: choice(LOCALES.map((l) => [l.tag, l.name] as const)),
      ...needed,
      usual: "en-GB",
      group: "Letters",
    },
    {
      key: "opensNoted",
      label: "They agreed that we see when a letter is opened",
      type: yesNo,
      usual: false,
      group: "Letters",
    },
    { key: "notes", label: "Notes", type: text(2000, 4), group: "Letters" },
    {
      key: "contacts",
      label: "Other people there",
      type: {
        kind: "list",
        columns: [
          column("name", "Name", text(120), needed),
          column("role", "What they do", text(120)),
          column("phone", "Phone", text(40)),
          column("email", "E-mail", { kind: "email" }),
          column("letters", "Gets the letters too", yesNo),
        ],
      },
      group: "Other people there",
    },
  ],
};

const site: RecordKind = {
  entity: "site",
  one: "site",
  many: "sites",
  fields: [
    named("Name", "Place"),
    { key: "clientId", label: "Client", type: link("client"), ...needed, group: "Place" },
    { key: "address", label: "Address", type: text(190), ...needed, group: "Place" },
    { key: "lat", label: "Latitude", type: number("°", -90, 90, 5), ...needed, group: "Place" },
    { key: "lon", label: "Longitude", type: number("°", -180, 180, 5), ...needed, group: "Place" },
    {
      key: "windows",
      label: "May be worked in",
      type: { kind: "windows" },
      hint: "Like Mon–Fri 07:00–09:00; Sat 08:00–12:00. A day that is not named is closed.",
      group: "Getting in",
    },
    {
      key: "dates",
      label: "Other hours on a date",
      type: {
        kind: "list",
        columns: [
          column("fromOn", "From", { kind: "date" }, needed),
          column("untilOn", "To", { kind: "date" }),
          column("opensH", "Opens", number("h", 0, 24, 2)),
          column("closesH", "Closes", number("h", 0, 24, 2)),
          column("why", "Why", text(120)),
        ],
      },
      hint: "Without hours it is closed: school holidays, a works outing. 13.5 is half past one.",
      group: "Getting in",
    },
    {
      key: "busy",
      label: "Somebody else works there",
      type: {
        kind: "list",
        columns: [
          column(
            "weekday",
            "On",
            choice([
              ["1", "Monday"],
              ["2", "Tuesday"],
              ["3", "Wednesday"],
              ["4", "Thursday"],
              ["5", "Friday"],
              ["6", "Saturday"],
              ["7", "Sunday"],
            ]),
            needed,
          ),
          column("fromH", "From", number("h", 0, 24, 2), needed),
          column("toH", "To", number("h", 0, 24, 2), needed),
          column("who", "Who", text(120)),
        ],
      },
      hint: "Cleaners, a fitter: no visit lies in their hours. 13.5 is half past one.",
      group: "Getting in",
    },
    { key: "holidays", label: "Closed on public holidays", type: yesNo, group: "Getting in" },
    { key: "access", label: "How to get in", type: text(2000, 3), group: "Getting in" },
    { key: "askFor", label: "Ask for", type: text(120), group: "Getting in" },
    { key: "parking", label: "Parking", type: text(190), group: "Getting in" },
    { key: "stairs", label: "Stairs to climb", type: number("steps", 0, 400, 0), group: "Getting in" },
    { key: "pets", label: "Pets", type: text(190), group: "Getting in" },
    {
      key: "setUpMinutes",
      label: "Unload and load",
      type: number("min", 0, 240, 0),
      ...needed,
      usual: 10,
      group: "Getting in",
    },
    {
      key: "drain",
      label: "Waste water goes to",
      type: choice([
        ["sewer", "the sewer"],
        ["septic", "a septic tank: never salt water"],
        ["garden", "the garden: fresh water only"],
      ]),
      ...needed,
      usual: "sewer",
      group: "Water",
    },
    { key: "drainDistanceM", label: "Hose to the drain", type: number("m", 0, 200, 0), group: "Water" },
    { key: "drainDropM", label: "Drop to the drain", type: number("m", -20, 50, 1), group: "Water" },
    { key: "tapDistanceM", label: "Hose to the tap", type: number("m", 0, 200, 0), group: "Water" },
    { key: "hotWater", label: "Hot water at the tap", type: yesNo, group: "Water", required: true },
    {
      key: "bucketL",
      label: "Bucket or barrel",
      type: { kind: "volume", low: 1, high: 200, decimals: 1 },
      ...needed,
      usual: 20,
      group: "Water",
    },
    { key: "floors", label: "Floors to protect", type: text(190), group: "Water" },
  ],
};

/** One field a dimension, whatever the shape: those of other shapes stay empty. */
function vesselFields(): Field[] {
  const labels = new Map<string, string>();
  for (const shape of VESSEL_SHAPES)
    for (const { key, label } of vesselShapes[shape].dimensions) if (!labels.has(key)) labels.set(key, label);
  return [
    {
      key: "display.vessel.shape",
      label: "Shape",
      type: choice(VESSEL_SHAPES.map((s: VesselShape) => [s, vesselShapes[s].label])),
      ...needed,
      group: "Shape, inside the glass",
    },
    ...[...labels].map(([key, label]) => ({
      key: `display.vessel.${key}`,
      label,
      type: length(0.01),
      group: "Shape, inside the glass",
    })),
  ];
}

const share: FieldType = { kind: "share", low: 0.01, high: 1, decimals: 0 };

/** Where practitioners disagree: each way of working with its choices, and the share after how much is decided. */
function wayFields(): Field[] {
  const fields = WAY_NAMES.map(
    (way): Field => ({
      key: `practice.${way}`,
      label: WAYS[way].label,
      type: choice(Object.entries(WAYS[way].choices)),
      ...needed,
      group: "Ways of working",
    }),
  );
  const [policy, ...others] = fields;
  const shareField = {
    key: "practice.share",
    label: "Share of a change",
    type: share,
    ...needed,
    group: "Ways of working",
  };
  return [...(policy ? [policy] : []), shareField, ...others];
}

const LANDMARK: readonly Field[] = [
  column("name", "Name", text(60), needed),
  column("kind", "What", choice(Object.entries(LANDMARK_KINDS)), needed),
  column("heightM", "Above the floor", length(), needed),
  column("airMinutes", "May stand in air", number("min", 0, 240, 0), needed),
  column("siphonBreak", "Siphon break, tried", yesNo),
];

const FILTER: readonly Field[] = [
  column("name", "Name", text(60), needed),
  column("kind", "What it does", choice(Object.entries(FILTER_KINDS)), needed),
  column("biological", "Bacteria live in it", yesNo),
];

const JOBS = Object.entries(taskLibrary).map(([code, { name }]) => [code, name] as const);

const EXCEPTION: readonly Field[] = [
  column(
    "kind",
    "What to do",
    choice([
      ["leave-pane", "leave a pane to its algae"],
      ["leave-growth", "do not scrape this growth"],
      ["never-vacuum", "never vacuum this bed"],
      ["leave-rock", "do not move this rock"],
      ["feed-before", "feed before the change"],
      ["leave-job", "never do this job"],
      ["say-at-job", "say this at a job"],
    ]),
    needed,
  ),
  column("what", "Which, or why", text(120), needed),
  column("job", "Job, where it is about one", choice(JOBS)),
];

const BAND: readonly Field[] = [
  column("parameter", "Parameter", choice(OF_WATER.map((p) => [p, parameterFacts[p].label])), needed),
  // Nothing typed: the parameter cannot be too low. Kept as a limit below anything that is measured.
  column("actLow", "Act below", { kind: "reading", blank: -1 }),
  column("idealLow", "Ideal from", { kind: "reading" }, needed),
  column("idealHigh", "to", { kind: "reading" }, needed),
  column("actHigh", "Act above", { kind: "reading" }, needed),
  column("validDays", "Counts for", number("days", 1, 365, 0), needed),
  column("required", "Always measured", yesNo),
];

const HOSES = "Hose and pump";

const hoseFields = (of: string, label: string): Field[] => [
  { key: `${of}.boreMm`, label: `${label}, bore`, type: number("mm", 2, 200, 0), group: HOSES },
  { key: `${of}.lengthM`, label: `${label}, length`, type: number("m", 0.1, 200, 1), group: HOSES },
];

const timedFields = (of: string, label: string): Field[] => [
  {
    key: `${of}.timed.litres`,
    label: `Timed bucket, ${label}`,
    type: { kind: "volume", low: 0.1, high: 1000, decimals: 1 },
    hint: "Filled by the watch: it beats the formula.",
    group: HOSES,
  },
  { key: `${of}.timed.seconds`, label: `It took, ${label}`, type: number("s", 0.5, 86_400, 0), group: HOSES },
];

const tank: RecordKind = {
  entity: "tank",
  one: "tank",
  many: "tanks",
  fields: [
    named("Name", "Tank"),
    { key: "siteId", label: "Site", type: link("site"), ...needed, group: "Tank" },
    {
      key: "kind",
      label: "Kind",
      type: choice(Object.entries(kindFacts).map(([kind, { label }]) => [kind, label])),
      ...needed,
      group: "Tank",
    },
    { key: "startedOn", label: "Started", type: { kind: "date" }, ...needed, group: "Tank" },
    {
      key: "startedWith",
      label: "Started with",
      type: choice([
        ["cured-rock", "cured rock or a running filter"],
        ["dry-rock", "dry rock"],
        ["bare", "neither"],
      ]),
      group: "Tank",
    },
    { key: "sourceId", label: "New water", type: link("source"), ...needed, group: "Tank" },
    { key: "topUpSourceId", label: "Topped up with", type: link("source"), ...needed, group: "Tank" },
    ...vesselFields(),
    {
      key: "material",
      label: "Made of",
      type: choice([
        ["glass", "glass"],
        ["acrylic", "acrylic: nothing hard, no ammonia, no alcohol"],
      ]),
      ...needed,
      group: "Shape, inside the glass",
    },
    { key: "lidded", label: "Has a lid", type: yesNo, group: "Shape, inside the glass" },
    {
      key: "display.runningLevelM",
      label: "Water stands above the floor",
      type: length(0.01),
      ...needed,
      group: "What stands in it",
    },
    {
      key: "display.substrate",
      label: "Bed",
      type: choice([
        ["sand", "sand"],
        ["gravel", "gravel"],
        ["bare", "bare floor"],
      ]),
      ...needed,
      group: "What stands in it",
    },
    { key: "display.substrateDepthM", label: "Depth of the bed", type: length(), group: "What stands in it" },
    {
      key: "display.voidShare",
      label: "Water between its grains",
      type: { kind: "share", low: 0.05, high: 0.9, decimals: 0 },
      hint: "Empty: 40 % of sand, 45 % of gravel. Fill a jug with the bed, and measure the water that goes in.",
      group: "What stands in it",
    },
    { key: "sectors", label: "Sectors of the bed", type: number("", 1, 8, 0), ...needed, group: "What stands in it" },
    { key: "display.rockKg", label: "Rock, dry", type: number("kg", 0, 5000, 1), group: "What stands in it" },
    { key: "display.rockTopM", label: "Rock reaches up to", type: length(), group: "What stands in it" },
    {
      key: "display.heaps",
      label: "Other heaps of rock",
      type: {
        kind: "list",
        columns: [
          column("rockKg", "Dry", number("kg", 0.1, 5000, 1), needed),
          column("rockTopM", "Reaches up to", length(), needed),
        ],
      },
      hint: "Where heaps stand at different heights, the water over each is its own.",
      group: "What stands in it",
    },
    {
      key: "display.measuredNetL",
      label: "Measured while filling",
      type: { kind: "volume", low: 0.5, high: 100_000, decimals: 0 },
      hint: "Litres that went in up to the running level. They override what is computed.",
      group: "What stands in it",
    },
    { key: "sump.lengthM", label: "Sump length", type: length(0.01), group: "Sump" },
    { key: "sump.widthM", label: "Sump front to back", type: length(0.01), group: "Sump" },
    { key: "sump.heightM", label: "Sump height", type: length(0.01), group: "Sump" },
    { key: "sump.runningLevelM", label: "Sump runs at", type: length(0.01), group: "Sump" },
    { key: "sump.lowestLevelM", label: "Return runs dry below", type: length(0.01), group: "Sump" },
    {
      key: "sump.returnLengthM",
      label: "Return chamber length",
      type: length(0.01),
      hint: "Only this chamber falls when water is missing. Empty: a third of the sump.",
      group: "Sump",
    },
    {
      key: "sump.baffleM",
      label: "Last baffle's height",
      type: length(0.01),
      hint: "The other chambers, and the media in them, stay full up to here.",
      group: "Sump",
    },
    { key: "sump.weirM", label: "Weir above the display's floor", type: length(0.01), group: "Sump" },
    {
      key: "sump.pipesL",
      label: "Pipes and reactors hold",
      type: { kind: "volume", low: 0, high: 500, decimals: 1 },
      group: "Sump",
    },
    {
      key: "targetC",
      label: "Temperature",
      type: { kind: "temperature", low: 0, high: 40, decimals: 1 },
      ...needed,
      group: "Water",
    },
    { key: "targetPsu", label: "Salinity", type: number("ppt", 0, 42, 1), ...needed, group: "Water" },
    {
      key: "evaporationLPerDay",
      label: "Evaporates a day",
      type: { kind: "volume", low: 0, high: 200, decimals: 2 },
      ...needed,
      group: "Water",
    },
    {
      key: "topUp",
      label: "Evaporation is replaced",
      type: choice([
        ["reservoir", "from a reservoir, by itself"],
        ["owner", "by the owner"],
        ["technician", "at each visit"],
      ]),
      ...needed,
      group: "Water",
    },
    {
      key: "reservoirL",
      label: "Reservoir holds, usable",
      type: { kind: "volume", low: 0.5, high: 2000, decimals: 0 },
      group: "Water",
    },
    { key: "lightsFrom", label: "Lights on at", type: number("h", 0, 24, 1), group: "Water" },
    { key: "lightsHours", label: "Hours of light", type: number("h", 0, 24, 1), group: "Water" },
    {
      key: "dosedDkhPerDay",
      label: "Balanced two-part dosed a day",
      type: number("dKH", 0, 10, 2),
      hint: "It leaves salt behind, which changes take out again.",
      group: "Water",
    },
    { key: "turnoverLPerHour", label: "Flow", type: number("L/h", 0, 200_000, 0), group: "Water" },
    {
      key: "cleanMedia",
      label: "Clean media on the shelf",
      type: number("pieces", 0, 500, 0),
      hint: "Socks, floss or pre-filters that lie clean at the site.",
      group: "Work",
    },
    { key: "cleanMediaOn", label: "Counted on", type: { kind: "date" }, group: "Work" },
    ...wayFields(),
    {
      key: "exceptions",
      label: "Standing exceptions",
      type: { kind: "list", columns: EXCEPTION },
      hint: "What an ordinary checklist would break here. Each changes the plan of every visit.",
      group: "Standing exceptions",
    },
    {
      key: "gear",
      label: "Switched off for a change",
      type: { kind: "many", options: SWITCH_GEAR.map((g) => [g, g === "uv" ? "UV" : g === "co2" ? "CO2" : g]) },
      hint: "In the tank's own order.",
      group: "Work",
    },
    { key: "mostShare", label: "Animals bear at one time", type: share, ...needed, group: "Work" },
    { key: "drainLPerMinute", label: "Drains", type: number("L/min", 0.1, 500, 1), ...needed, group: "Work" },
    { key: "refillLPerMinute", label: "Fills", type: number("L/min", 0.1, 500, 1), ...needed, group: "Work" },
    ...hoseFields("drainHose", "Drain hose"),
    {
      key: "drainHose.dropM",
      label: "Drain hose ends below the tank's floor by",
      type: length(-5, 20),
      hint: "With bore, length and fall the drain time follows the falling water. Without a hose the litres a minute above count.",
      group: HOSES,
    },
    ...timedFields("drainHose", "drain hose"),
    ...hoseFields("refillPump", "Refill hose"),
    {
      key: "refillPump.liftM",
      label: "Refill lifted by",
      type: length(-5, 20),
      hint: "From the full barrel's water to the hose's end; where that is under water, to the tank's fill line.",
      group: HOSES,
    },
    {
      key: "refillPump.barrelAcrossM",
      label: "Refill barrel, width inside",
      type: length(0.1, 5),
      hint: "A round barrel's water sinks while it is pumped out, and the pump lifts higher. Left empty it is taken to stay.",
      group: HOSES,
    },
    {
      key: "refillPump.ends",
      label: "Refill hose ends",
      type: choice([
        ["above", "above the water"],
        ["under", "under water"],
      ]),
      hint: "Under water, the tank's level rises against the pump.",
      group: HOSES,
    },
    { key: "refillPump.shutOffM", label: "Refill pump lifts at most", type: length(0.1, 60), group: HOSES },
    {
      key: "refillPump.openLPerMinute",
      label: "Refill pump gives, unlifted",
      type: number("L/min", 0.1, 1000, 1),
      group: HOSES,
    },
    ...timedFields("refillPump", "refill"),
    {
      key: "deadL",
      label: "Does not mix during a change",
      type: { kind: "volume", low: 0, high: 50_000, decimals: 0 },
      hint: "Behind rock, in closed filters. Only a change in and out together keeps its old water.",
      group: HOSES,
    },
    {
      key: "carryAwayL",
      label: "Waste that can be carried away",
      type: { kind: "volume", low: 1, high: 5000, decimals: 0 },
      hint: "Where salt water may not go down the drain.",
      group: HOSES,
    },
    {
      key: "autoExchange.newWaterL",
      label: "Automatic exchange: new water",
      type: { kind: "volume", low: 1, high: 10_000, decimals: 0 },
      hint: "What its vessel holds. Empty where no machine changes water by itself.",
      group: HOSES,
    },
    {
      key: "autoExchange.wasteL",
      label: "Automatic exchange: waste",
      type: { kind: "volume", low: 1, high: 10_000, decimals: 0 },
      group: HOSES,
    },
    {
      key: "autoExchange.litresPerDay",
      label: "Automatic exchange is set to, a day",
      type: { kind: "volume", low: 0.1, high: 10_000, decimals: 1 },
      group: HOSES,
    },
    {
      key: "access",
      label: "Getting at it",
      type: text(400, 2),
      hint: "Heavy canopy, one side only, a stool.",
      group: "Work",
    },
    {
      key: "landmarks",
      label: "Landmarks on the glass",
      type: { kind: "list", columns: LANDMARK },
      group: "Landmarks",
    },
    { key: "filterUnits", label: "Filtration units", type: { kind: "list", columns: FILTER }, group: "Filtration" },
    { key: "bands", label: "Bands", type: { kind: "list", columns: BAND }, group: "Bands" },
  ],
};

const animal: RecordKind = {
  entity: "animal",
  one: "group of animals",
  many: "animals",
  fields: [
    named("Animals", "Animals"),
    { key: "tankId", label: "Tank", type: link("tank"), ...needed, group: "Animals" },
    {
      key: "count",
      label: "How many",
      type: number("", 0, 100_000, 0),
      ...needed,
      once: true,
      hint: "Later counts come from what happens to them.",
      group: "Animals",
    },
    {
      key: "hazard",
      label: "To a hand",
      type: choice([
        ["sting", "stings"],
        ["spine", "venomous spines: tools, no hands"],
        ["bite", "bites"],
        ["toxin", "toxic: gloves and eye cover"],
      ]),
      group: "Animals",
    },
    { key: "since", label: "Here since", type: { kind: "date" }, group: "Animals" },
    { key: "notes", label: "Notes", type: text(400, 2), group: "Animals" },
  ],
};

const equipment: RecordKind = {
  entity: "equipment",
  one: "piece of equipment",
  many: "equipment",
  fields: [
    named("Name", "What"),
    { key: "tankId", label: "Tank", type: link("tank"), ...needed, group: "What" },
    {
      key: "kind",
      label: "Kind",
      type: choice([
        ["heater", "heater"],
        ["chiller", "chiller"],
        ["return-pump", "return pump"],
        ["wave-maker", "wave-maker"],
        ["air-pump", "air pump"],
        ["filter", "filter"],
        ["skimmer", "protein skimmer"],
        ["uv", "UV lamp"],
        ["reactor", "reactor"],
        ["light", "light"],
        ["doser", "dosing pump"],
        ["top-up", "top-up with sensor"],
        ["probe", "probe"],
        ["co2", "CO2 cylinder and regulator"],
        ["purifier", "purifier cartridges"],
        ["other", "other"],
      ]),
      ...needed,
      group: "What",
    },
    { key: "installedOn", label: "Installed", type: { kind: "date" }, ...needed, group: "Life" },
    { key: "hoursPerDay", label: "Runs a day", type: number("h", 0, 24, 1), group: "Life" },
    {
      key: "meterHours",
      label: "Hour meter shows",
      type: number("h", 0, 500_000, 0),
      hint: "With a meter its reading counts, and hours a day only since then.",
      group: "Life",
    },
    { key: "meterOn", label: "Read on", type: { kind: "date" }, group: "Life" },
    { key: "serviceEveryDays", label: "Service every", type: number("days", 1, 3650, 0), group: "Life" },
    { key: "lastServicedOn", label: "Last serviced", type: { kind: "date" }, group: "Life" },
    { key: "replaceAfterDays", label: "Replace after", type: number("days", 1, 10_000, 0), group: "Life" },
    { key: "replaceAfterHours", label: "Replace after running", type: number("h", 1, 200_000, 0), group: "Life" },
    { key: "watts", label: "Power", type: number("W", 0, 20_000, 0), group: "Life" },
    { key: "notes", label: "Notes", type: text(400, 2), group: "Life" },
  ],
};

const source: RecordKind = {
  entity: "source",
  one: "water",
  many: "waters",
  fields: [
    named("Name", "Water"),
    {
      key: "kind",
      label: "Kind",
      type: choice([
        ["tap", "tap"],
        ["tap-minerals", "tap with minerals added"],
        ["purified", "purified"],
        ["remineralised", "purified and remineralised"],
        ["natural-sea", "natural sea water"],
        ["mix", "mixed with salt"],
      ]),
      ...needed,
      group: "Water",
    },
    {
      key: "siteId",
      label: "Only at",
      type: link("site"),
      hint: "A tap belongs to its site; water from the base to none.",
      group: "Water",
    },
    {
      key: "coldC",
      label: "Comes at",
      type: { kind: "temperature", low: 0, high: 40, decimals: 1 },
      ...needed,
      group: "Water",
    },
    { key: "canWarm", label: "Can be warmed", type: yesNo, group: "Water" },
    {
      key: "heaterW",
      label: "Heater that warms it",
      type: number("W", 10, 20_000, 0),
      hint: "Empty: 2 000 W count.",
      group: "Water",
    },
    {
      key: "chloramineFactor",
      label: "Conditioner, times the label",
      type: number("", 0.5, 5, 1),
      ...needed,
      usual: 1,
      hint: "More than 1 where the supplier uses chloramine.",
      group: "Conditioner",
    },
    { key: "conditioner.name", label: "Conditioner", type: text(60), group: "Conditioner" },
    {
      key: "conditioner.mlPer100L",
      label: "Dose by the label",
      type: number("mL per 100 L", 0.1, 1000, 1),
      group: "Conditioner",
    },
    {
      key: "conditioner.maximumMlPer100L",
      label: "At most by the label",
      type: number("mL per 100 L", 0.1, 5000, 1),
      group: "Conditioner",
    },
    {
      key: "conditioner.removesMgL",
      label: "The label's dose removes, chlorine",
      type: number("mg/L", 0.1, 20, 2),
      hint: "With it, the dose follows the chlorine and chloramine that were measured.",
      group: "Conditioner",
    },
    { key: "conditioner.bindsAmmonia", label: "Binds the ammonia it frees", type: yesNo, group: "Conditioner" },
    {
      key: "minerals.name",
      label: "Minerals",
      type: text(60),
      hint: "For a tap softer than the tanks, or purified water. The chemistry below is of the finished water.",
      group: "Minerals",
    },
    {
      key: "minerals.gramsPer100L",
      label: "Minerals by the label",
      type: number("g per 100 L", 0.1, 500, 1),
      group: "Minerals",
    },
    { key: "salt.name", label: "Salt", type: text(60), group: "Salt" },
    {
      key: "salt.labelGramsPerLitre",
      label: "By the label, at sea strength",
      type: number("g/L", 1, 100, 1),
      hint: "Verified batches move it from there.",
      group: "Salt",
    },
    {
      key: "salt.readyMinutes",
      label: "May be used after",
      type: number("min", 0, 10_000, 0),
      hint: "Some are used as soon as they are clear, others stand for hours.",
      group: "Salt",
    },
    {
      key: "salt.scoopGrams",
      label: "One level scoop weighs",
      type: number("g", 1, 20_000, 0),
      hint: "Weigh it once: grams are then told in scoops as well.",
      group: "Salt",
    },
    { key: "salt.keepsDays", label: "Keeps for", type: number("days", 0.1, 365, 0), group: "Salt" },
    {
      key: "purifier.litresPerDayAt25",
      label: "Purifier makes a day, by its plate",
      type: { kind: "volume", low: 1, high: 100_000, decimals: 0 },
      group: "Purifier",
    },
    { key: "purifier.ratedBar", label: "Rated at", type: number("bar", 0.5, 30, 1), group: "Purifier" },
    {
      key: "purifier.bar",
      label: "Pressure read at it",
      type: number("bar", 0.1, 30, 1),
      hint: "Over the membrane. Without a reading 4 bar count.",
      group: "Purifier",
    },
    { key: "purifier.wasteRatio", label: "Wastes, for each part made", type: number("", 0, 20, 1), group: "Purifier" },
    {
      key: "purifier.flushMinutes",
      label: "Flushed after a rest for",
      type: number("min", 0, 240, 0),
      group: "Purifier",
    },
    {
      key: "measured",
      label: "Measured over time",
      type: {
        kind: "list",
        columns: [
          column("on", "On", { kind: "date" }, needed),
          column("parameter", "Parameter", choice(OF_WATER.map((p) => [p, parameterFacts[p].label])), needed),
          column("value", "Was", { kind: "reading" }, needed),
        ],
      },
      hint: "The newest counts while it is fresh, then one from the same season of another year, then the newest again.",
      group: "Measured over time",
    },
    {
      key: "chemistry",
      label: "By the label or the supplier",
      type: {
        kind: "list",
        columns: [
          column("parameter", "Parameter", choice(OF_WATER.map((p) => [p, parameterFacts[p].label])), needed),
          column("value", "Is", { kind: "reading" }, needed),
        ],
      },
      hint: "Counts until it is measured.",
      group: "By the label or the supplier",
    },
  ],
};

const kind: RecordKind = {
  entity: "kind",
  one: "kind of tank",
  many: "kinds of tank",
  fields: [
    { ...named("Kind", "Kind"), once: true },
    {
      key: "targetC",
      label: "Temperature",
      type: { kind: "temperature", low: 0, high: 40, decimals: 1 },
      ...needed,
      group: "Kind",
    },
    { key: "targetPsu", label: "Salinity", type: number("ppt", 0, 42, 1), ...needed, group: "Kind" },
    { key: "mostShare", label: "Animals bear at one time", type: share, ...needed, group: "Kind" },
    { key: "basis", label: "Where the figures come from", type: text(1000, 4), group: "Kind" },
    ...wayFields(),
    { key: "bands", label: "Bands", type: { kind: "list", columns: BAND }, group: "Bands" },
  ],
};

const barrel: RecordKind = {
  entity: "barrel",
  one: "barrel",
  many: "barrels",
  fields: [
    named("Name", "Barrel"),
    {
      key: "capacityL",
      label: "Holds",
      type: { kind: "volume", low: 1, high: 10_000, decimals: 0 },
      ...needed,
      group: "Barrel",
    },
    { key: "heaterW", label: "Heater", type: number("W", 0, 20_000, 0), group: "Barrel" },
    {
      key: "lossWPerK",
      label: "Loses",
      type: number("W/K", 0.1, 200, 1),
      hint: "Heat that goes through its walls for each degree. About 4 for a lidded barrel as tall as a table.",
      group: "Barrel",
    },
    { key: "notes", label: "Notes", type: text(400, 2), group: "Barrel" },
  ],
};

const NOTICE_NAME: Readonly<Record<(typeof NOTICES)[number], string>> = {
  none: "looked: none",
  discharge: "of a discharge",
  bloom: "of a plankton bloom",
  "not-looked": "not looked",
};

const quay: RecordKind = {
  entity: "quay",
  one: "collecting place",
  many: "collecting places",
  fields: [
    named("Name", "Place"),
    { key: "sourceId", label: "Its water", type: link("source"), ...needed, group: "Place" },
    { key: "lat", label: "Latitude", type: number("°", -90, 90, 5), ...needed, group: "Place" },
    { key: "lon", label: "Longitude", type: number("°", -180, 180, 5), ...needed, group: "Place" },
    {
      key: "pumpLPerMin",
      label: "Pump lifts",
      type: number("L/min", 1, 1000, 0),
      ...needed,
      hint: "As measured at the quay, with the hose it runs through.",
      group: "Place",
    },
    {
      key: "setUpMinutes",
      label: "Lay the hose and load",
      type: number("min", 0, 240, 0),
      ...needed,
      usual: 15,
      group: "Place",
    },
    {
      key: "aboveM",
      label: "Only above",
      type: number("m", -5, 20, 2),
      hint: "Above the datum of the station's file. Empty: at any height.",
      group: "When",
    },
    {
      key: "withinMinutes",
      label: "Only near high water, within",
      type: number("min", 5, 400, 0),
      hint: "Before and after it. Empty: at any time.",
      group: "When",
    },
    { key: "lightOnly", label: "Only by daylight", type: yesNo, usual: true, group: "When" },
    {
      key: "earliestHour",
      label: "Leave base no earlier than",
      type: number("h", 0, 12, 1),
      ...needed,
      usual: 5.5,
      group: "When",
    },
    {
      key: "readyMinutes",
      label: "From the alarm clock to leaving",
      type: number("min", 0, 240, 0),
      ...needed,
      usual: 40,
      group: "When",
    },
    {
      key: "lowestPsu",
      label: "Salinity at least",
      type: number("ppt", 0, 42, 1),
      ...needed,
      usual: 30,
      group: "Before it is used",
    },
    {
      key: "warmestC",
      label: "Temperature at most",
      type: { kind: "temperature", low: 0, high: 35, decimals: 1 },
      ...needed,
      usual: 24,
      group: "Before it is used",
    },
    {
      key: "keepsDays",
      label: "May be stored for",
      type: number("days", 0, 60, 0),
      ...needed,
      usual: 3,
      group: "Before it is used",
    },
    {
      key: "permission",
      label: "Permission to take it",
      type: text(400, 2),
      hint: "Who gave it, and for how much. Local rules decide.",
      group: "Before it is used",
    },
    { key: "permittedUntil", label: "Permission ends", type: { kind: "date" }, group: "Before it is used" },
    {
      key: "station",
      label: "Tide station's file",
      type: text(20_000, 8),
      ...needed,
      hint: "JSON: name, lat, lon, datum, z0M, phases (plain, equilibrium or nodal), constituents with amplitudeM and phaseDeg.",
      group: "Tide",
    },
  ],
};

const seaLot: RecordKind = {
  entity: "seaLot",
  one: "collection of sea water",
  many: "sea water collected",
  fields: [
    named("Name", "Collected"),
    { key: "quayId", label: "At", type: link("quay"), ...needed, group: "Collected" },
    { key: "onDate", label: "On", type: { kind: "date" }, ...needed, group: "Collected" },
    {
      key: "litres",
      label: "How much",
      type: { kind: "volume", low: 0, high: 20_000, decimals: 0 },
      ...needed,
      group: "Collected",
    },
    { key: "salinityPsu", label: "Salinity", type: number("ppt", 0, 42, 1), group: "Before it is used" },
    {
      key: "temperatureC",
      label: "Temperature",
      type: { kind: "temperature", low: -2, high: 40, decimals: 1 },
      group: "Before it is used",
    },
    {
      key: "notices",
      label: "Notices",
      type: choice(NOTICES.map((n) => [n, NOTICE_NAME[n]])),
      ...needed,
      usual: "not-looked",
      group: "Before it is used",
    },
    { key: "permitted", label: "Allowed to take it", type: yesNo, ...needed, usual: true, group: "Before it is used" },
    { key: "notes", label: "Notes", type: text(400, 2), group: "Before it is used" },
  ],
};

const COUNTED = "Empty where nobody counts.";

const product: RecordKind = {
  entity: "product",
  one: "product",
  many: "products to dose",
  fields: [
    named("Name", "Product"),
    {
      key: "raises",
      label: "Raises",
      type: choice(DOSED.map((p) => [p, parameterFacts[p].label])),
      ...needed,
      group: "Product",
    },
    {
      key: "reagent",
      label: "Made of",
      type: choice(DOSING_REAGENTS.map((name) => [name, `${name}, ${REAGENTS[name].name}`])),
      hint: "A powder is weighed by it. Of a liquid it says whether pH goes up or down.",
      group: "Product",
    },
    {
      key: "purityPercent",
      label: "Purity of a powder",
      type: number("%", 1, 100, 0),
      ...needed,
      usual: 100,
      group: "Product",
    },
    {
      key: "strengthLPerMl",
      label: "A liquid: 1 mL raises so many litres by one",
      type: number("L", 0.01, 100_000, 2),
      hint: "One dKH, dGH or mg/L. If 10 mL raise 100 L by 0.5 dKH, 1 mL raises 5 L by one. Leave empty for a powder.",
      group: "Product",
    },
    {
      key: "mostADay",
      label: "At most a day, by the label",
      type: number("", 0.01, 1000, 2),
      hint: "In dKH, dGH or mg/L. The firm's own limits hold besides.",
      group: "Use",
    },
    {
      key: "ownerGives",
      label: "Owners may give it between visits",
      type: yesNo,
      hint: "The letter then asks for what is left of a dose.",
      group: "Use",
    },
    {
      key: "leftAmount",
      label: "Left, in g or mL",
      type: number("", 0, 1_000_000, 0),
      hint: COUNTED,
      group: "Use",
    },
    { key: "leftOn", label: "Counted on", type: { kind: "date" }, group: "Use" },
    { key: "notes", label: "Notes", type: text(400, 2), group: "Use" },
  ],
};

const doser: RecordKind = {
  entity: "doser",
  one: "dosing pump",
  many: "dosing pumps",
  fields: [
    named("Name", "Pump"),
    { key: "tankId", label: "Tank", type: link("tank"), ...needed, group: "Pump" },
    { key: "productId", label: "Doses", type: link("product"), ...needed, group: "Pump" },
    {
      key: "setMlPerDay",
      label: "Set to, a day",
      type: number("mL", 0, 100_000, 1),
      ...needed,
      group: "Pump",
    },
    {
      key: "measuredMl",
      label: "Measured: it gave",
      type: number("mL", 0.01, 10_000, 2),
      hint: "Into a measuring glass, for as long as it says the next figure.",
      group: "Measured",
    },
    { key: "scaleMl", label: "While its own scale said", type: number("mL", 0.01, 10_000, 2), group: "Measured" },
    { key: "measuredOn", label: "Measured on", type: { kind: "date" }, group: "Measured" },
    {
      key: "leftMl",
      label: "Usable in its container",
      type: number("mL", 0, 1_000_000, 0),
      hint: COUNTED,
      group: "Container",
    },
    { key: "leftOn", label: "Counted on", type: { kind: "date" }, group: "Container" },
    { key: "notes", label: "Notes", type: text(400, 2), group: "Container" },
  ],
};

const METHODS = [...new Set(OF_WATER.flatMap((p) => parameterFacts[p].methods.map((m) => m.method)))];

const remedy: RecordKind = {
  entity: "remedy",
  one: "remedy",
  many: "remedies",
  fields: [
    named("Name", "Remedy"),
    {
      key: "group",
      label: "Kind",
      type: choice([
        ["algae", "against algae or slime"],
        ["oxidiser", "gives off oxygen, as peroxide"],
        ["acid", "acid"],
        ["copper", "holds copper"],
        ["dye", "dye"],
        ["medication", "medication"],
        ["method", "a method, nothing is poured in"],
      ]),
      ...needed,
      hint: "It decides what it may not meet.",
      group: "Remedy",
    },
    {
      key: "per100L",
      label: "Dose by the label",
      type: number("per 100 L", 0.001, 100_000, 2),
      hint: "In what it is counted in.",
      group: "Dose",
    },
    {
      key: "unit",
      label: "Counted in",
      type: choice([
        ["mL", "mL"],
        ["g", "g"],
        ["drops", "drops"],
        ["tablets", "tablets"],
      ]),
      ...needed,
      usual: "mL",
      group: "Dose",
    },
    {
      key: "labelPercent",
      label: "The label's dose is for a strength of",
      type: number("%", 0.01, 100, 1),
      hint: "Only where bottles of several strengths are in use.",
      group: "Dose",
    },
    { key: "bottlePercent", label: "The bottle has", type: number("%", 0.01, 100, 1), group: "Dose" },
    { key: "doses", label: "Doses", type: number("", 1, 60, 0), ...needed, usual: 1, group: "Course" },
    {
      key: "everyDays",
      label: "Days between doses",
      type: number("days", 1, 60, 0),
      ...needed,
      usual: 1,
      group: "Course",
    },
    {
      key: "contactDays",
      label: "Works after the last dose for",
      type: number("days", 0, 120, 0),
      ...needed,
      usual: 7,
      hint: "No water is changed until then.",
      group: "Course",
    },
    {
      key: "contactMinutes",
      label: "A bath or spot works for",
      type: number("min", 1, 600, 0),
      hint: "Empty where it stays in the tank.",
      group: "Course",
    },
    {
      key: "changeShare",
      label: "Water changed afterwards",
      type: { kind: "share", low: 0.01, high: 1, decimals: 0 },
      group: "Course",
    },
    {
      key: "followUpDays",
      label: "Looked at again after",
      type: number("days", 0, 120, 0),
      ...needed,
      usual: 3,
      hint: "Days after its time is over.",
      group: "Course",
    },
    {
      key: "harms",
      label: "Harms",
      type: { kind: "many", options: HARMED_CODES.map((c) => [c, harmedLabel(c)]) },
      hint: "It is refused where one of these lives.",
      group: "Care",
    },
    {
      key: "off",
      label: "Switched off meanwhile",
      type: { kind: "many", options: SWITCH_GEAR.map((g) => [g, gearName(g)]) },
      group: "Care",
    },
    { key: "carbonOut", label: "Carbon and resins out", type: yesNo, usual: true, group: "Care" },
    {
      key: "prescription",
      label: "Needs a prescription",
      type: yesNo,
      hint: "Then nothing is planned with it here: a vet decides.",
      group: "Care",
    },
    { key: "notes", label: "Notes", type: text(400, 2), group: "Care" },
  ],
};

const kit: RecordKind = {
  entity: "kit",
  one: "kit or instrument",
  many: "kits and instruments",
  fields: [
    named("Name", "Kit"),
    {
      key: "parameter",
      label: "Measures",
      type: choice(OF_WATER.map((p) => [p, parameterFacts[p].label])),
      ...needed,
      group: "Kit",
    },
    { key: "method", label: "Method", type: choice(METHODS.map((m) => [m, m])), ...needed, group: "Kit" },
    {
      key: "resolution",
      label: "Smallest step",
      type: number("", 0.0001, 1000, 4),
      hint: "In °C, ppt, dKH, dGH, mg/L or pH. Empty: as kits of its method usually have.",
      group: "Kit",
    },
    { key: "lot", label: "Lot", type: text(60), group: "Kit" },
    { key: "openedOn", label: "Opened", type: { kind: "date" }, group: "How long it is good" },
    {
      key: "goodDaysOpen",
      label: "Good once opened for",
      type: number("days", 1, 3650, 0),
      group: "How long it is good",
    },
    { key: "expiresOn", label: "Expires", type: { kind: "date" }, group: "How long it is good" },
    {
      key: "testsLeft",
      label: "Tests left",
      type: number("", 0, 10_000, 0),
      hint: COUNTED,
      group: "How long it is good",
    },
    { key: "countedOn", label: "Counted on", type: { kind: "date" }, group: "How long it is good" },
    {
      key: "calibrateEveryDays",
      label: "Calibrate every",
      type: number("days", 1, 3650, 0),
      hint: "Empty for what is not calibrated.",
      group: "Calibration",
    },
    { key: "calibratedOn", label: "Last calibrated", type: { kind: "date" }, group: "Calibration" },
    {
      key: "comparisons",
      label: "Held against a reference",
      type: {
        kind: "list",
        columns: [
          column("on", "On", { kind: "date" }, needed),
          column("parameter", "Parameter", choice(OF_WATER.map((p) => [p, parameterFacts[p].label])), needed),
          column("reference", "The reference holds", { kind: "reading" }, needed),
          column("read", "The kit read", { kind: "reading" }, needed),
        ],
      },
      hint: "From two on, the kit's offset is taken off every reading made with it from then on.",
      group: "Calibration",
    },
    {
      key: "referenceHalfWidth",
      label: "The reference is right within",
      type: number("", 0.0001, 1000, 4),
      hint: "Half of its 95 % range, in °C, ppt, dKH, dGH, mg/L or pH. Empty: it is taken as exact.",
      group: "Calibration",
    },
    { key: "notes", label: "Notes", type: text(400, 2), group: "Calibration" },
  ],
};

const PHASE_NAME: Readonly<Record<(typeof PHASES)[number], string>> = {
  look: "looking first",
  "feed-before": "feeding before",
  test: "tests",
  prepare: "new water made ready",
  glass: "glass",
  lift: "dirt lifted",
  "power-down": "power down",
  drain: "drain",
  hardware: "hardware in the old water",
  refill: "refill",
  "power-up": "power up",
  media: "media",
  dose: "doses",
  "feed-after": "feeding after",
  verify: "last look",
  outside: "outside",
  leave: "leaving it better",
};
const SKILL_NAME: Readonly<Record<(typeof SKILLS)[number], string>> = {
  acid: "handling acid",
  mains: "mains gear opened",
  gas: "pressurised gas",
  ladder: "on a ladder",
};
const AN_ORDER = "Names of jobs or parts of the visit, with commas. The order on site holds besides.";

const job: RecordKind = {
  entity: "job",
  one: "job",
  many: "programme library",
  fields: [
    named("Job", "Job"),
    {
      key: "when",
      label: "When",
      type: text(160, 2),
      ...needed,
      hint: "Like: every 3 weeks, give or take 4 days; every month, up to 2 days early or 10 late. Or: when the flow is down 30 %; after 8000 hours of the UV lamp; 2, 7 and 14 days after stocking; every 2 weeks from 1 October to 31 March.",
      group: "Job",
    },
    {
      key: "by",
      label: "Done by",
      type: choice(PERFORMERS.map((p) => [p, p])),
      ...needed,
      group: "Job",
    },
    { key: "minutes", label: "Takes", type: number("min", 0, 480, 1), ...needed, group: "Job" },
    {
      key: "aloneMinutes",
      label: "Goes on by itself for",
      type: number("min", 0, 480, 0),
      hint: "A soak, for example: hands are free meanwhile.",
      group: "Job",
    },
    { key: "reason", label: "Why", type: text(400, 2), ...needed, group: "What is said" },
    { key: "caution", label: "Caution at the step", type: text(400, 2), group: "What is said" },
    { key: "kit", label: "Tools", type: text(300), hint: "With commas.", group: "What is brought and recorded" },
    { key: "uses", label: "Used up", type: text(300), hint: "With commas.", group: "What is brought and recorded" },
    {
      key: "result",
      label: "Recorded",
      type: choice(RESULTS.map((r) => [r, resultName(r)])),
      ...needed,
      group: "What is brought and recorded",
    },
    {
      key: "skills",
      label: "Asks for",
      type: { kind: "many", options: SKILLS.map((s) => [s, SKILL_NAME[s]]) },
      group: "What is brought and recorded",
    },
    {
      key: "phase",
      label: "Part of the visit",
      type: choice(PHASES.map((p) => [p, PHASE_NAME[p]])),
      ...needed,
      group: "Order on site",
    },
    { key: "after", label: "Comes after", type: text(300), hint: AN_ORDER, group: "Order on site" },
    { key: "before", label: "Comes before", type: text(300), hint: AN_ORDER, group: "Order on site" },
    {
      key: "media",
      label: "Counts as",
      type: choice([
        ["media", "fresh media: never with a deep clean or a medication"],
        ["deep-clean", "a deep clean: never with fresh media or the only filter"],
      ]),
      group: "Order on site",
    },
    {
      key: "kinds",
      label: "Kinds of tank that begin with it",
      type: { kind: "many", options: Object.entries(kindFacts).map(([k, { label }]) => [k, label]) },
      group: "Kinds of tank",
    },
  ],
};

const UNIT_NAME: Readonly<Record<StoreUnit, string>> = {
  ...{ g: "g", mL: "mL", pieces: "pieces", tests: "tests", drops: "drops", tablets: "tablets" },
};
const KIND_NAME: Readonly<Record<StoreKind, string>> = {
  ...{ salt: "salt", minerals: "minerals", conditioner: "conditioner", dosing: "to dose with", remedy: "remedy" },
  ...{ tests: "tests", media: "filter media", food: "food", cartridge: "cartridges", spare: "spare part" },
  other: "other",
};
const IN_UNIT = "In the unit it is counted in.";

const item: RecordKind = {
  entity: "item",
  one: "item of the stores",
  many: "items of the stores",
  fields: [
    named("Name", "Item"),
    {
      key: "kind",
      label: "Kind",
      type: choice(STORE_KINDS.map((k) => [k, KIND_NAME[k]])),
      ...needed,
      usual: "other",
      group: "Item",
    },
    {
      key: "unit",
      label: "Counted in",
      type: choice(STORE_UNITS.map((u) => [u, UNIT_NAME[u]])),
      ...needed,
      usual: "pieces",
      hint: "It stays so: what was counted before is counted in it.",
      group: "Item",
      once: true,
    },
    {
      key: "knownAs",
      label: "Plans also call it",
      type: { kind: "list", columns: [column("name", "Name", text(120), needed)] },
      hint: "The name of a salt, a conditioner, a kit, or what a job uses up: by it the log takes off what was used.",
      group: "Item",
    },
    {
      key: "perUse",
      label: "A job that uses it up takes",
      type: number("", 0, 100_000, 1),
      ...needed,
      usual: 1,
      hint: IN_UNIT,
      group: "Item",
    },
    { key: "packAmount", label: "In a pack", type: number("", 0.01, 10_000_000, 1), hint: IN_UNIT, group: "Buying" },
    { key: "minimum", label: "Never less than", type: number("", 0, 10_000_000, 1), hint: IN_UNIT, group: "Buying" },
    { key: "supplier", label: "Supplier", type: text(120), group: "Buying" },
    { key: "supplierEmail", label: "Orders go to", type: { kind: "email" }, group: "Buying" },
    {
      key: "leadDays",
      label: "Comes after",
      type: number("days", 0, 365, 0),
      ...needed,
      usual: 7,
      group: "Buying",
    },
    { key: "shelf", label: "Shelf", type: text(60), group: "Place" },
    {
      key: "instead",
      label: "Where there is none, take",
      type: text(190),
      hint: "What does as well, and where it is.",
      group: "Place",
    },
    { key: "notes", label: "Notes", type: text(400, 2), group: "Place" },
  ],
};

/** Every kind of record, with its fields in the order a person would tell them. */
export const recordKinds: Readonly<Record<Entity, RecordKind>> = {
  client,
  site,
  tank,
  animal,
  equipment,
  source,
  kind,
  barrel,
  quay,
  seaLot,
  product,
  doser,
  kit,
  remedy,
  item,
  job,
};

/** A field of an entity by its key; null for a key it does not have. */
export function fieldOf(entity: Entity, key: string): Field | null {
  return recordKinds[entity].fields.find((f) => f.key === key) ?? null;
}

/** What a new record of an entity says until somebody says something else. */
export const usualValues = (entity: Entity): Values =>
  Object.fromEntries(recordKinds[entity].fields.flatMap((f) => (f.usual === undefined ? [] : [[f.key, f.usual]])));
