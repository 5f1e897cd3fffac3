import { MECHANICAL, mediaToBring } from "../given/index.ts";
import { jobOf, type TankTask } from "../programme/index.ts";
import { type Message, m } from "../say/index.ts";
import { inSentence } from "../text/index.ts";
import { type Parameter, parameterFacts } from "../units/index.ts";
import { type KitItem, type Making, plain, those } from "./step.ts";

/** What a tank's practice, its panes and the visit make of a job: what is not told stays as the job has it. */
export interface Variant {
  readonly title?: Message;
  readonly done?: Message;
  readonly kit?: readonly KitItem[];
  readonly caution?: Message;
  readonly craft?: readonly Message[] | undefined;
  readonly moreMinutes?: number;
  readonly aloneMinutes?: number;
}

/** What of the visit a variant may depend on. */
interface Today {
  /** Today's sector of the bed. */
  readonly sector: number | undefined;
  /** The bed is cleaned as the first part of a drain. */
  readonly bedDrained: boolean;
}

type VariantOf = (making: Making, task: TankTask, today: Today) => Variant;

const OUTSIDE_KIT = { water: "clean water", vinegar: "dilute vinegar", cleaner: "aquarium-safe cleaner" } as const;
const METHOD_KIT = { strips: "strips", liquid: "liquid kit", photometer: "photometer" } as const;
/** Read by an instrument of their own, whatever tests are otherwise made with. */
const OWN_INSTRUMENT: readonly Parameter[] = ["temperature", "salinity", "ph", "flow", "tds"];

/** How each practice soaks a pump; acids are poured into water, never the other way. */
const SOAK = {
  weak: { kit: "vinegar", moreMinutes: 0, aloneMinutes: 30 },
  strong: { kit: "acid cleaner", moreMinutes: 0, aloneMinutes: 5 },
  citric: { kit: "citric acid", moreMinutes: 0, aloneMinutes: 20 },
  "in-place": { kit: "soak bucket with its own pump", moreMinutes: -5, aloneMinutes: 20 },
} as const;

const soak: VariantOf = ({ input }, task) => {
  const way = input.book.schools.acidSoak;
  const { kit, ...minutes } = SOAK[way];
  return { ...minutes, kit: plain(...jobOf(task).kit, kit), caution: m(`soak.${way}`) };
};

/** A job of the bed: what it takes out with a drain, and how it is done without one. */
const bedCraft = ({ water }: Making, { bedDrained }: Today, ...more: (Message | false)[]): Variant => ({
  craft: those(bedDrained ? m("bed.leaves", { litres: { litres: water.bedL } }) : m("bed.sock"), ...more),
});

const mechanical: VariantOf = ({ input }, task) => {
  const media = mediaToBring(input);
  if (media?.onShelf) return { kit: [] };
  const { uses } = jobOf(task);
  return { kit: uses.map((item) => (media && media.pieces > 1 ? { item, amount: media.pieces } : { item })) };
};

const glassInside: VariantOf = ({ input }) => {
  const { material, schools } = input.book;
  const acrylic = material === "acrylic";
  return {
    title: m(`glass-inside.${schools.panels}`),
    done: m(`glass-inside.${schools.panels}.done`),
    kit: plain(acrylic ? "soft pad for acrylic" : "glass scraper"),
    craft: those(m("glass-inside.craft"), !acrylic && m("glass-inside.blade")),
    ...(acrylic ? { caution: m("glass-inside.acrylic") } : {}),
  };
};

const outsideGlass: VariantOf = ({ input }, task) => ({
  kit: plain(...jobOf(task).kit, OUTSIDE_KIT[input.book.schools.outside]),
  ...(input.book.material === "acrylic" ? { caution: m("glass-inside.acrylic") } : {}),
});

const vacuum: VariantOf = (making, _, today) => {
  const { schools, sectors } = making.input.book;
  const { sector } = today;
  const title = sector
    ? m("vacuum-sector.sector", { sector, sectors })
    : schools.substrate === "bare"
      ? m("vacuum-sector.bare")
      : schools.substrate === "whole"
        ? m("vacuum-sector.whole")
        : m("vacuum-sector.top");
  const done = sector
    ? m("vacuum-sector.sector.done", { sector, sectors })
    : schools.substrate === "bare"
      ? m("vacuum-sector.bare.done")
      : schools.substrate === "whole"
        ? m("vacuum-sector.whole.done")
        : m("vacuum-sector.top.done");
  return { title, done, ...bedCraft(making, today, m("bed.runs-clear")) };
};

/** One entry a job: everything that a tank changes about it. */
const VARIANTS: Readonly<Record<string, VariantOf>> = {
  "glass-inside": glassInside,
  "outside-glass": outsideGlass,
  "vacuum-sector": vacuum,
  "spot-siphon": (making, _, today) => bedCraft(making, today),
  "deep-sector": (making, _, today) => bedCraft(making, today, m("bed.runs-clear")),
  "blow-rock": () => ({ craft: [m("blow-rock.craft")] }),
  fertiliser: ({ input }) => ({
    kit: [{ item: "fertiliser", ...(input.book.schools.fertiliser === "lean" ? { amount: "half the label" } : {}) }],
  }),
  "pump-soak": soak,
  "wave-maker-soak": soak,
  "skimmer-soak": soak,
  ...Object.fromEntries(MECHANICAL.map((code) => [code, mechanical])),
};

/** What this tank makes of a job today. */
export function variantOf(making: Making, task: TankTask, today: Today): Variant {
  const own = VARIANTS[task.code];
  if (own) return own(making, task, today);
  const { result } = jobOf(task);
  if (typeof result !== "object" || OWN_INSTRUMENT.includes(result.test)) return {};
  const { label } = parameterFacts[result.test];
  return { kit: [{ item: inSentence(label), amount: METHOD_KIT[making.input.book.schools.testMethod] }] };
}
