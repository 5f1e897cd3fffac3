import { z } from "zod";
import { SWITCH_GEAR } from "../tank/vocabulary.ts";
import { PARAMETERS } from "../units/parameters.ts";
import { DECISIONS } from "./decisions.ts";

const litres = z.number("Enter litres as a number, such as 50.").min(0, "Litres cannot be negative.").max(1e5);
const text = (most: number) => z.string().max(most);
const step = text(80).min(1);
const id = z.uuid();
const words = text(2000).trim().min(1, "Say it in a word or two.");
/** What a database counts with. */
const MOST_COUNT = 2_000_000_000;
/** Days that a visit may speak of: the clock of a device may be off, by less than a lifetime. */
const inThisCentury = (day: string) => day >= "2000" && day < "2100";

const figure = z.looseObject({ value: z.number() });

/** What every plan has, of any version: without it nothing that is made from a plan can be made. More is kept as it is. */
export const PlanShapeSchema = z.looseObject({
  tankId: z.string(),
  on: z.string(),
  steps: z.array(
    z.looseObject({
      id: z.string().min(1).max(80),
      phase: z.string(),
      // Of the first plans in words, since then as data.
      title: z.union([z.string(), z.looseObject({})]),
      reason: z.union([z.string(), z.array(z.looseObject({}))]),
      minutes: z.number(),
      kit: z.array(z.union([z.string(), z.looseObject({ item: z.string() })])),
    }),
  ),
  water: z.looseObject({
    decision: z.string(),
    reasons: z.array(z.looseObject({ code: z.string() })),
    systemL: figure,
    litres: figure,
    share: figure,
    after: z.array(z.looseObject({ parameter: z.string() })),
    limits: z.array(z.looseObject({ code: z.string(), maxL: z.number() })),
    missingL: z.number(),
  }),
  kit: z.array(z.union([z.string(), z.looseObject({ item: z.string() })])),
  minutes: z.number(),
  load: z.looseObject({ mixL: z.number(), seaL: z.number(), purifiedL: z.number(), wasteL: z.number() }),
});

/** What an operation may say. The same schema serves the phone, the server and the archive. */
export const OpBodySchema = z.discriminatedUnion("type", [
  z.object({ type: z.literal("start") }),
  z.object({ type: z.literal("tick"), step }),
  z.object({ type: z.literal("untick"), step }),
  z.object({ type: z.literal("skip"), step, reason: words }),
  /** A job that a rule keeps from this visit is done all the same. */
  z.object({ type: z.literal("override"), task: step, reason: words }),
  /** What becomes of a job that was left out for the third time. */
  z.object({ type: z.literal("decide"), task: step, what: z.enum(DECISIONS) }),
  z.object({ type: z.literal("dirt"), step, dirt: z.number().int().min(1).max(5) }),
  z.object({
    type: z.literal("reading"),
    id,
    parameter: z.enum(PARAMETERS),
    text: text(20).min(1),
    unit: text(20),
    method: text(40),
    temperatureC: z.number().min(-2).max(40).optional(),
    /** How whoever typed it writes decimals. */
    decimal: z.enum([".", ","]).optional(),
  }),
  z.object({ type: z.literal("reading-back"), id }),
  /** What really left and came in; each is said where it was counted, and nothing of the others. */
  z.object({ type: z.literal("litres"), outL: litres.optional(), inL: litres.optional(), topUpL: litres.optional() }),
  /** The change that the person on site decides on; null goes back to the plan's own. */
  z.object({ type: z.literal("choose"), litres: litres.nullable() }),
  z.object({ type: z.literal("level"), belowCm: z.number().min(0, "Above the mark is 0.").max(500) }),
  z.object({
    type: z.literal("batch"),
    litres: litres.positive("A batch has litres."),
    grams: z.number().positive("A batch has salt in it.").max(1e6),
    measuredPsu: z.number().min(0.5).max(60),
    confirmed: z.boolean(),
  }),
  z.object({ type: z.literal("note"), text: words }),
  z.object({
    type: z.literal("finding"),
    id,
    kind: z.enum(["safety", "livestock", "equipment", "other"]),
    text: words,
  }),
  z.object({
    type: z.literal("resolve"),
    id,
    how: z.enum(["fixed", "carried", "owner"]),
    on: z.iso.date("That day does not exist.").refine(inThisCentury, "That day is too far off.").optional(),
    text: text(2000).optional(),
  }),
  z.object({
    type: z.literal("switch"),
    gear: z.enum(SWITCH_GEAR),
    state: z.enum(["off", "on", "left-off"]),
    reason: text(400).optional(),
  }),
  z.object({
    type: z.literal("plan"),
    inputHash: text(64),
    coreVersion: z.number().int().min(0).max(MOST_COUNT),
    summary: text(400),
    plan: PlanShapeSchema as z.ZodType<unknown>,
  }),
  z.object({ type: z.literal("close") }),
]);
export type OpBody = z.infer<typeof OpBodySchema>;

/** What every operation carries whatever it says; enough to keep its place in the sequence. */
export const OpEnvelopeSchema = z.object({
  opId: id,
  device: z.string().regex(/^[a-z0-9_-]{1,64}$/, "A device has a name of small letters, digits and hyphens."),
  seq: z.number().int().min(1).max(MOST_COUNT),
  at: z.iso.datetime({ offset: true }).max(40).refine(inThisCentury, "The clock of the device is off by years."),
  body: z.unknown(),
});
