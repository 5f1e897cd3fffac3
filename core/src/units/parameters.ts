import {
  densityKgM3,
  type GravityReference,
  salinityFromConductivity,
  salinityFromGravity,
  specificGravity,
} from "../water/seawater.ts";

/**
 * What water is measured for. Canonical units: °C, PSU (shown as ppt), pH, dKH, dGH, mg/L, L/h; ammonia as nitrogen,
 * chloramine as chlorine. The flow is that of the return, what is dissolved that of the purified water.
 */
export const OF_WATER = [
  "temperature",
  "salinity",
  "ph",
  "alkalinity",
  "gh",
  "calcium",
  "magnesium",
  "ammonia",
  "nitrite",
  "nitrate",
  "phosphate",
  "flow",
  "tds",
  "chlorine",
  "chloramine",
] as const;

/** Everything that is read at a tank: its water, and the hour meter of a piece of its equipment. */
export const PARAMETERS = [...OF_WATER, "hours"] as const;
export type Parameter = (typeof PARAMETERS)[number];

/** One unit that a figure may be entered or shown in. */
export interface UnitOption {
  readonly unit: string;
  /** Canonical value of an entered figure. `temperatureC` matters to conductivity only. */
  readonly toCanonical: (entered: number, temperatureC: number) => number;
  readonly fromCanonical: (canonical: number) => number;
  readonly decimals: number;
}

/** How a figure was got, with the 95 % half-width that goes with it. */
export interface MethodOption {
  readonly method: string;
  readonly absolute?: number;
  readonly relative?: number;
}

/** Everything that is known about one parameter. */
export interface ParameterFacts {
  readonly label: string;
  /** In water without salt the trade says KH. */
  readonly freshLabel?: string;
  readonly unit: string;
  readonly decimals: number;
  /** Canonical figures outside this are mistakes, not readings. */
  readonly plausible: readonly [low: number, high: number];
  /** Size of one tap on a stepper, in the canonical unit. */
  readonly step: number;
  readonly units: readonly UnitOption[];
  readonly methods: readonly MethodOption[];
}

const same = (unit: string, decimals: number): UnitOption => ({
  unit,
  decimals,
  toCanonical: (x) => x,
  fromCanonical: (x) => x,
});
const scaled = (unit: string, decimals: number, canonicalPerUnit: number): UnitOption => ({
  unit,
  decimals,
  toCanonical: (x) => x * canonicalPerUnit,
  fromCanonical: (x) => x / canonicalPerUnit,
});
/** The scale ends here, PSU. A tank that lost half of its water lies beyond it, and is still to be shown. */
const SCALE_END_PSU = 42;

/** Specific gravity, carried on in a straight line beyond the end of the scale. */
function gravityOf(psu: number, reference: GravityReference): number {
  const inside = Math.min(SCALE_END_PSU, Math.max(0, psu));
  const at = specificGravity(inside, reference);
  if (psu === inside) return at;
  const slope = inside === 0 ? specificGravity(1, reference) - at : at - specificGravity(SCALE_END_PSU - 1, reference);
  return at + (psu - inside) * slope;
}

const gravity = (reference: GravityReference): UnitOption => ({
  unit: `SG ${reference}`,
  decimals: 4,
  toCanonical: (x) => salinityFromGravity(x, reference),
  fromCanonical: (x) => gravityOf(x, reference),
});

/** From molar masses N 14.007, O 15.999, P 30.974, H 1.008. */
const NO3_PER_N = (14.007 + 3 * 15.999) / 14.007;
const NO2_PER_N = (14.007 + 2 * 15.999) / 14.007;
const NH3_PER_N = (14.007 + 3 * 1.008) / 14.007;
const NH4_PER_N = (14.007 + 4 * 1.008) / 14.007;
const PO4_PER_P = (30.974 + 4 * 15.999) / 30.974;
/** 1 meq/L is 2.804 dKH and 50.04 mg/L as calcium carbonate. */
const DKH_PER_MEQ = 2.804;
const DKH_PER_PPM = 1 / 17.85;

/** Floats in the sample, so that its figure is right at one temperature only; read with the sample's. */
export const GLASS_HYDROMETER = "glass hydrometer";
/** Sea water at 35 PSU and 25 °C, kg/L: what turns a figure declared by mass into one by volume. */
const SEA_KG_PER_L = densityKgM3(35, 25) / 1000;

const STRIP = { method: "strip", relative: 0.4 };
const LIQUID = { method: "liquid kit", relative: 0.2 };
const PHOTOMETER = { method: "photometer", relative: 0.1 };
/** A laboratory's own statement of its error is usually a twentieth. */
const LABORATORY = { method: "laboratory", relative: 0.05 };

export const parameterFacts: Readonly<Record<Parameter, ParameterFacts>> = {
  temperature: {
    label: "Temperature",
    unit: "°C",
    decimals: 1,
    plausible: [0, 40],
    step: 0.1,
    units: [
      same("°C", 1),
      { unit: "°F", decimals: 1, toCanonical: (x) => (x - 32) / 1.8, fromCanonical: (x) => x * 1.8 + 32 },
    ],
    methods: [{ method: "thermometer", absolute: 0.3 }],
  },
  salinity: {
    label: "Salinity",
    unit: "ppt",
    decimals: 1,
    plausible: [0, 42],
    step: 0.1,
    units: [
      same("ppt", 1),
      gravity("25/25"),
      gravity("20/20"),
      gravity("20/4"),
      gravity("60/60F"),
      {
        unit: "mS/cm raw",
        decimals: 1,
        toCanonical: (x, temperatureC) => salinityFromConductivity(x, temperatureC),
        // Shown as it would read at 25 °C; inverted by search because the scale has no closed inverse.
        fromCanonical: (x) => invertConductivity(x),
      },
      {
        unit: "mS/cm at 25 °C",
        decimals: 1,
        // The meter has brought it to 25 °C already: the sample's own temperature would count twice.
        toCanonical: (x) => salinityFromConductivity(x, 25),
        fromCanonical: (x) => invertConductivity(x),
      },
    ],
    methods: [
      { method: "meter", absolute: 0.5 },
      { method: "refractometer", absolute: 1 },
      { method: GLASS_HYDROMETER, absolute: 1 },
      { method: "hydrometer", absolute: 2 },
    ],
  },
  ph: {
    label: "pH",
    unit: "",
    decimals: 1,
    plausible: [3, 11],
    step: 0.1,
    units: [same("", 2)],
    methods: [
      { method: "meter", absolute: 0.1 },
      { method: "liquid kit", absolute: 0.3 },
      { method: "strip", absolute: 0.5 },
    ],
  },
  alkalinity: {
    label: "Alkalinity",
    freshLabel: "KH",
    unit: "dKH",
    decimals: 1,
    plausible: [0, 40],
    step: 0.1,
    units: [same("dKH", 1), scaled("meq/L", 2, DKH_PER_MEQ), scaled("ppm CaCO3", 0, DKH_PER_PPM)],
    methods: [
      { method: "liquid kit", absolute: 0.5 },
      { method: "photometer", absolute: 0.3 },
      { method: "strip", absolute: 2 },
      LABORATORY,
    ],
  },
  gh: {
    label: "GH",
    unit: "dGH",
    decimals: 1,
    plausible: [0, 60],
    step: 0.5,
    units: [same("dGH", 1), scaled("ppm CaCO3", 0, DKH_PER_PPM)],
    methods: [{ method: "liquid kit", absolute: 1 }, { method: "strip", absolute: 3 }, LABORATORY],
  },
  calcium: {
    label: "Calcium",
    unit: "mg/L",
    decimals: 0,
    plausible: [0, 1000],
    step: 5,
    units: [same("mg/L", 0), scaled("mg/kg", 0, SEA_KG_PER_L)],
    methods: [{ method: "liquid kit", absolute: 20 }, { method: "photometer", absolute: 15 }, LABORATORY],
  },
  magnesium: {
    label: "Magnesium",
    unit: "mg/L",
    decimals: 0,
    plausible: [0, 3000],
    step: 10,
    units: [same("mg/L", 0), scaled("mg/kg", 0, SEA_KG_PER_L)],
    methods: [{ method: "liquid kit", absolute: 50 }, LABORATORY],
  },
  ammonia: {
    label: "Total ammonia",
    unit: "mg/L N",
    decimals: 2,
    plausible: [0, 20],
    step: 0.05,
    units: [same("mg/L N", 2), scaled("mg/L NH3", 2, 1 / NH3_PER_N), scaled("mg/L NH4", 2, 1 / NH4_PER_N)],
    methods: [LIQUID, PHOTOMETER, STRIP, LABORATORY],
  },
  nitrite: {
    label: "Nitrite",
    unit: "mg/L",
    decimals: 2,
    plausible: [0, 50],
    step: 0.05,
    units: [same("mg/L", 2), scaled("mg/L N", 3, NO2_PER_N)],
    methods: [LIQUID, PHOTOMETER, STRIP, LABORATORY],
  },
  nitrate: {
    label: "Nitrate",
    unit: "mg/L",
    decimals: 1,
    plausible: [0, 500],
    step: 1,
    units: [same("mg/L", 1), scaled("mg/L N", 2, NO3_PER_N)],
    methods: [LIQUID, PHOTOMETER, STRIP, LABORATORY],
  },
  phosphate: {
    label: "Phosphate",
    unit: "mg/L",
    decimals: 2,
    plausible: [0, 20],
    step: 0.01,
    units: [same("mg/L", 2), scaled("mg/L P", 3, PO4_PER_P), scaled("ppb P", 0, PO4_PER_P / 1000)],
    methods: [PHOTOMETER, LIQUID, STRIP, LABORATORY],
  },
  flow: {
    label: "Flow of the return",
    unit: "L/h",
    decimals: 0,
    plausible: [1, 200_000],
    step: 50,
    units: [
      same("L/h", 0),
      scaled("L/min", 1, 60),
      scaled("US gal/h", 0, 3.785411784),
      scaled("imp gal/h", 0, 4.54609),
    ],
    methods: [{ method: "timed bucket", relative: 0.1 }],
  },
  tds: {
    label: "TDS of the purified water",
    unit: "mg/L",
    decimals: 0,
    plausible: [0, 2000],
    step: 1,
    // A meter's "ppm" is mg/L.
    units: [same("mg/L", 0), same("ppm", 0)],
    methods: [{ method: "meter", absolute: 2 }],
  },
  chlorine: {
    label: "Free chlorine",
    unit: "mg/L",
    decimals: 2,
    plausible: [0, 20],
    step: 0.05,
    units: [same("mg/L", 2), same("ppm", 2)],
    methods: [LIQUID, PHOTOMETER, STRIP, LABORATORY],
  },
  chloramine: {
    // Total less free chlorine.
    label: "Chloramine",
    unit: "mg/L",
    decimals: 2,
    plausible: [0, 20],
    step: 0.05,
    units: [same("mg/L", 2), same("ppm", 2)],
    methods: [LIQUID, PHOTOMETER, STRIP, LABORATORY],
  },
  hours: {
    label: "Hour meter",
    unit: "h",
    decimals: 0,
    plausible: [0, 500_000],
    step: 1,
    units: [same("h", 0)],
    methods: [{ method: "hour meter", absolute: 1 }],
  },
};

function invertConductivity(psu: number): number {
  let low = 3;
  let high = 70;
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    // Below the scale's 2 PSU the forward formula refuses; there the answer lies higher.
    const value = middle < 4 ? 0 : salinityFromConductivity(Math.min(middle, 62), 25);
    if (value < psu) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
