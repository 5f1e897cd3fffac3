import { z } from "zod";
import { PARAMETERS } from "../units/index.ts";
import { VESSEL_SHAPES, type Vessel, vesselBounds, vesselShapes } from "../vessel/index.ts";
import { COURSE_GROUPS, EXCEPTION_KINDS, HOSE_ENDS, REMEDY_UNITS, TANK_KINDS } from "./facts.ts";
import {
  type ChoiceOf,
  choicesOf,
  FILTER_KINDS,
  LANDMARK_KINDS,
  namesOf,
  SWITCH_GEAR,
  WAY_NAMES,
  type Way,
} from "./vocabulary.ts";

const metres = z.number("Enter a length.").positive("Enter a length above 0.").max(20);

/** One object a shape, with the dimensions that are measured on it. */
const shapes = VESSEL_SHAPES.map((shape) =>
  z.object({
    shape: z.literal(shape),
    ...Object.fromEntries(vesselShapes[shape].dimensions.map(({ key }) => [key, metres])),
  }),
);

/** Inside dimensions of any shape; one that another bounds is refused by name. */
export const VesselSchema: z.ZodType<Vessel> = (
  z.discriminatedUnion("shape", shapes as never) as unknown as z.ZodType<Vessel>
).superRefine((vessel, context) => {
  for (const { field, high } of vesselBounds(vessel))
    if (((vessel as unknown as Record<string, number>)[field] as number) > high)
      context.addIssue({
        code: "custom",
        path: [field],
        message: `With the other dimensions this is at most ${Math.round(high * 1000) / 10} cm.`,
      });
});

/** A choice of each way of working, from the one list of them. */
const waysShape = Object.fromEntries(WAY_NAMES.map((way) => [way, z.enum(choicesOf(way))])) as {
  readonly [W in Way]: z.ZodEnum<{ [C in ChoiceOf<W> & string]: C }>;
};

const PracticeSchema = z.object({
  ...waysShape,
  share: z.number("Enter a share.").gt(0, "Enter a share above 0 %.").max(1, "Enter a share of at most 100 %."),
});

const date = z.iso.date("That day does not exist.");

const BandsSchema = z.array(
  z.object({
    parameter: z.enum(PARAMETERS),
    idealLow: z.number(),
    idealHigh: z.number(),
    actLow: z.number(),
    actHigh: z.number(),
    validDays: z.number().int().positive(),
    required: z.boolean(),
  }),
);

/** What the firm begins a tank of a kind with: `KindFacts` without its name. */
export const KindFactsSchema = z.object({
  basis: z.string().max(1000),
  targetPsu: z.number().min(0).max(42),
  targetC: z.number().min(0).max(40),
  mostShare: z.number().gt(0).max(1),
  practice: PracticeSchema,
  bands: BandsSchema,
});

const timed = z.object({ litres: z.number().min(0.1).max(1000), seconds: z.number().min(0.5).max(86_400) }).optional();
const hose = { boreMm: z.number().min(2).max(200), lengthM: z.number().min(0.1).max(200) };

/** The stored facts of a tank: `TankFacts` without its row's own id, name and kind, and without its animals. */
export const KeptFactsSchema = z.object({
  display: z.object({
    vessel: VesselSchema,
    runningLevelM: metres,
    substrate: z.enum(["sand", "gravel", "bare"]),
    substrateDepthM: z.number().min(0),
    voidShare: z.number().min(0.05).max(0.9).optional(),
    rockKg: z.number().min(0),
    rockTopM: z.number().min(0),
    heaps: z
      .array(
        z.object({ rockKg: z.number().positive("A heap weighs something.").max(5000), rockTopM: z.number().min(0) }),
      )
      .optional(),
    measuredNetL: z.number().positive().optional(),
  }),
  material: z.enum(["glass", "acrylic"]),
  lidded: z.boolean(),
  sectors: z.number().int().min(1).max(8),
  sump: z
    .object({
      lengthM: metres,
      widthM: metres,
      heightM: metres,
      runningLevelM: metres,
      lowestLevelM: metres,
      pipesL: z.number().min(0),
      weirM: metres,
      returnLengthM: metres.optional(),
      baffleM: metres.optional(),
    })
    .optional(),
  landmarks: z.array(
    z.object({
      name: z.string(),
      kind: z.enum(namesOf(LANDMARK_KINDS)),
      heightM: z.number().min(0),
      airMinutes: z.number().min(0),
      siphonBreak: z.boolean().optional(),
    }),
  ),
  gear: z.array(z.enum(SWITCH_GEAR)),
  filterUnits: z.array(
    z.object({
      name: z.string(),
      kind: z.enum(namesOf(FILTER_KINDS)),
      biological: z.boolean(),
    }),
  ),
  treatment: z
    .object({
      ...{ name: z.string(), startedOn: date, contactDays: z.number().int().min(0), followUpOn: date },
      id: z.string().optional(),
      group: z.enum(COURSE_GROUPS).optional(),
      litres: z.number().min(0).optional(),
      doses: z.array(z.object({ on: date, amount: z.number(), unit: z.enum(REMEDY_UNITS) })).optional(),
      off: z.array(z.enum(SWITCH_GEAR)).optional(),
      carbonOut: z.boolean().optional(),
      backOn: date.optional(),
      changeShare: z.number().nullable().optional(),
      contactMinutes: z.number().optional(),
    })
    .optional(),
  exceptions: z
    .array(z.object({ kind: z.enum(EXCEPTION_KINDS), what: z.string().min(1).max(120), job: z.string().nullish() }))
    .optional(),
  cleanMedia: z.number().int().min(0).optional(),
  cleanMediaOn: date.optional(),
  startedOn: date,
  startedWith: z.enum(["cured-rock", "dry-rock", "bare"]).optional(),
  evaporationLPerDay: z.number().min(0),
  topUp: z.enum(["reservoir", "owner", "technician"]),
  /** Usable litres of the reservoir. */
  reservoirL: z.number().positive().optional(),
  lightsFrom: z.number().min(0).max(24).optional(),
  lightsHours: z.number().min(0).max(24).optional(),
  turnoverLPerHour: z.number().min(0).optional(),
  access: z.string().max(400).optional(),
  practice: PracticeSchema,
  bands: BandsSchema,
  targetPsu: z.number().min(0).max(42),
  targetC: z.number().min(0).max(40),
  drainLPerMinute: z.number().positive(),
  refillLPerMinute: z.number().positive(),
  drainHose: z.object({ ...hose, dropM: z.number().min(-5).max(20), timed }).optional(),
  refillPump: z
    .object({
      ...hose,
      shutOffM: z.number().min(0.1).max(60),
      openLPerMinute: z.number().min(0.1).max(1000),
      liftM: z.number().min(-5).max(20),
      barrelAcrossM: z.number().min(0.1).max(5).optional(),
      ends: z.enum(HOSE_ENDS).optional(),
      timed,
    })
    .optional(),
  deadL: z.number().min(0).optional(),
  dosedDkhPerDay: z.number().min(0).max(10).optional(),
  carryAwayL: z.number().positive().optional(),
  autoExchange: z
    .object({
      litresPerDay: z.number().positive().max(10_000).optional(),
      newWaterL: z.number("Say how much its new-water vessel holds.").positive().max(10_000),
      wasteL: z.number("Say how much its waste vessel holds.").positive().max(10_000),
    })
    .optional(),
  notes: z.array(z.string()),
  /** Fields that were filled from the kind and not looked at yet, by key. */
  assumed: z.array(z.string()).optional(),
  mostShare: z.number().gt(0).max(1),
});
export type KeptFacts = z.infer<typeof KeptFactsSchema>;

export const TankKindSchema = z.enum(TANK_KINDS);
