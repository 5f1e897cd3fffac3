import { z } from "zod";
import { DOSED } from "../mixing/product.ts";
import { SWITCH_GEAR } from "../tank/vocabulary.ts";
import { RemedySchema } from "../treatment/schema.ts";
import { FINDING_KINDS } from "../trouble/findingKinds.ts";
import { TROUBLE_CODES } from "../trouble/troubles.ts";
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

/** A number of animals. */
const animals = z.number().int("Animals are counted in whole ones.").min(0).max(100_000);

/** What a picture shows: the tank from its place, a step's work, a finding, a group of animals. */
export const PHOTO_SPOTS = ["tank", "step", "finding", "animal"] as const;
const PhotoSpotSchema = z.object({
  kind: z.enum(PHOTO_SPOTS),
  /** The step's, the finding's or the group's own; empty for the tank. */
  id: text(80),
});
export type PhotoSpot = z.infer<typeof PhotoSpotSchema>;

/** What a log says of one thing, and what a correction may say anew. */
const CHANGES = [
  z.object({ type: z.literal("tick"), step }),
  z.object({ type: z.literal("untick"), step }),
  z.object({ type: z.literal("skip"), step, reason: words }),
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
    /** Of a flow: the filter whose it is, the return's where none is named; of hours: the piece of equipment. */
    item: text(120).min(1).optional(),
    /** The kit or instrument of the register it was read with, as it was then. */
    kit: z
      .object({
        id,
        name: text(120).min(1),
        resolution: z.number().positive().max(1e4).optional(),
        offset: z.number().min(-1e4).max(1e4).optional(),
        offsetSigma: z.number().min(0).max(1e4).optional(),
        widened: z.number().min(1).max(10).optional(),
      })
      .optional(),
  }),
  z.object({ type: z.literal("reading-back"), id }),
  /** What really left and came in; each is said where it was counted, and nothing of the others. */
  z.object({ type: z.literal("litres"), outL: litres.optional(), inL: litres.optional(), topUpL: litres.optional() }),
  /** What was poured in by hand, with what one gram or millilitre raised the water by then; 0 of it is none. */
  z.object({
    type: z.literal("dose"),
    parameter: z.enum(DOSED),
    product: id,
    name: text(120).min(1),
    amount: z.number("Enter the amount as a number, such as 12.5.").min(0, "A dose cannot be negative.").max(1e5),
    unit: z.enum(["g", "mL"]),
    perUnit: z.number().min(0).max(1e4),
  }),
  z.object({ type: z.literal("level"), belowCm: z.number().min(0, "Above the mark is 0.").max(500) }),
  /** How many of a group were seen alive and found dead, out of how many there should be. Said with its name: a log tells by itself. */
  z.object({
    type: z.literal("count"),
    animal: id,
    name: text(120).min(1),
    of: animals,
    seen: animals,
    dead: animals,
  }),
  z.object({ type: z.literal("count-back"), animal: id }),
  /** Notes of earlier versions have no name, and stay. */
  z.object({ type: z.literal("note"), text: words, id: id.optional() }),
  z.object({ type: z.literal("note-back"), id }),
  /** A trouble that the guide was asked about, with what was seen and what was looked for and not seen. */
  z.object({
    type: z.literal("trouble"),
    id,
    trouble: z.enum(TROUBLE_CODES),
    seen: z.array(text(40)).max(60),
    unseen: z.array(text(40)).max(60),
  }),
  z.object({ type: z.literal("trouble-back"), id }),
  /** A course of treatment began: the remedy as its label was, and the litres that stood in the tank. */
  z.object({
    type: z.literal("treat"),
    id,
    remedy: RemedySchema,
    litres: z.number().min(0).max(1e6),
    on: z.iso.date(),
  }),
  z.object({ type: z.literal("treat-back"), id }),
] as const;

/** What an operation may say. The same schema serves the phone, the server and the archive. */
export const OpBodySchema = z.discriminatedUnion("type", [
  z.object({ type: z.literal("start") }),
  ...CHANGES,
  /** A job that a rule keeps from this visit is done all the same. */
  z.object({ type: z.literal("override"), task: step, reason: words }),
  /** What becomes of a job that was left out for the third time. */
  z.object({ type: z.literal("decide"), task: step, what: z.enum(DECISIONS) }),
  /** The change that the person on site decides on; null goes back to the plan's own. */
  z.object({ type: z.literal("choose"), litres: litres.nullable() }),
  z.object({
    type: z.literal("batch"),
    litres: litres.positive("A batch has litres."),
    grams: z.number().positive("A batch has salt in it.").max(1e6),
    measuredPsu: z.number().min(0.5).max(60),
    confirmed: z.boolean(),
  }),
  z.object({
    type: z.literal("finding"),
    id,
    kind: z.enum(FINDING_KINDS),
    text: words,
  }),
  /** It was said by mistake: nobody saw it. */
  z.object({ type: z.literal("finding-back"), id }),
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
    state: z.enum(["off", "on", "left-off", "left-on"]),
    reason: text(400).optional(),
  }),
  z.object({
    type: z.literal("plan"),
    inputHash: text(64),
    coreVersion: z.number().int().min(0).max(MOST_COUNT),
    summary: text(400),
    plan: PlanShapeSchema as z.ZodType<unknown>,
  }),
  /** A picture was taken; its file goes up by itself, under the same id. */
  z.object({ type: z.literal("photo"), id, spot: PhotoSpotSchema }),
  z.object({ type: z.literal("photo-back"), id }),
  /** Who was there at the end: somebody who signs, or nobody; null takes it back. */
  z.object({
    type: z.literal("handover"),
    to: z
      .discriminatedUnion("how", [
        z.object({
          how: z.literal("signed"),
          name: text(120).trim().min(1, "Enter the name of whoever signs."),
          /** Strokes of the pen as an SVG path over 300 × 100; empty where only the name was entered. */
          strokes: z
            .string()
            .max(12_000)
            .regex(/^(?:[ML]\d{1,3} \d{1,3})*$/, "Those are not strokes of a pen."),
        }),
        z.object({ how: z.literal("nobody") }),
      ])
      .nullable(),
  }),
  z.object({ type: z.literal("close") }),
  /** It was opened by mistake: nothing of it happened. */
  z.object({ type: z.literal("discard"), why: words }),
  /** It was closed too early, and goes on. */
  z.object({ type: z.literal("reopen"), why: words }),
  /** After it was closed: what was logged wrong, as it really was, and why. */
  z.object({ type: z.literal("correct"), why: words, change: z.discriminatedUnion("type", CHANGES) }),
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
