import { ChakraProvider } from "@chakra-ui/react";
import { drawChange, planChange } from "@keel-round/core/change";
import type { PlanInput } from "@keel-round/core/given";
import { METRIC } from "@keel-round/core/units";
import { and, eq, gte } from "drizzle-orm";
import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { db } from "@/data/database/connection";
import { loadPlanInputs } from "@/data/plan/planInputs";
import { visit } from "@/data/schema";
import { Section } from "@/kit/Section";
import { system } from "@/kit/theme/system";
import { WaterFigures } from "@/kit/WaterFigures";
import { loadDemo } from "../tools/seed/load.ts";
import { freshDatabase, spread, timed } from "./lib.ts";

// What one place of the drain mark costs while it is dragged, as parts of a frame at 60 Hz: the figures alone, with the
// drawing and the figures made anew, and the same plan drawn ten thousand times.
const ROUNDS = 24;
const FRAME_MS = 1000 / 60;
/** Places of the mark in one pass of a finger. */
const PLACES = 8;
/** Tanks of the demo that are passed over, each of another kind. */
const TANKS = 10;
const MOST_L = 120;

await freshDatabase();
const { businessId, today } = await loadDemo(new Date());
const rows = await db()
  .select({ visitId: visit.id, tankId: visit.tankId, on: visit.onDate })
  .from(visit)
  .where(and(eq(visit.businessId, businessId), gte(visit.onDate, today)));
const oneATank = [...new Map(rows.map((v) => [v.tankId, v])).values()];
const inputs = [...(await loadPlanInputs(db(), businessId, oneATank.slice(0, TANKS))).values()];

const figures = (input: PlanInput, litres: number) => {
  return planChange(input, litres);
};
const drawn = (input: PlanInput, litres: number) => {
  const water = figures(input, litres);
  const section = createElement(Section, {
    facts: input.facts,
    markCm: water.mark?.value ?? null,
    units: METRIC,
    width: 620,
  });
  renderToStaticMarkup(
    createElement(ChakraProvider, {
      value: system,
      children: [section, createElement(WaterFigures, { water, units: METRIC })],
    }),
  );
};
const tenThousand = (input: PlanInput, litres: number) => {
  for (const _part of drawChange(input, figures(input, litres), 10_000, 1));
};
const everyTankDrawn = () => {
  for (const input of inputs) tenThousand(input, MOST_L / 2);
};
const pass = (work: (input: PlanInput, litres: number) => unknown) => () => {
  for (const input of inputs) for (let i = 1; i <= PLACES; i++) work(input, (i / PLACES) * MOST_L);
};

pass(figures)();
pass(drawn)();
const [alone, whole, many]: [number[], number[], number[]] = [[], [], []];
const frames = (ms: number) => ms / (inputs.length * PLACES) / FRAME_MS;
for (let i = 0; i < ROUNDS; i++) {
  // Sides alternate, and so does which of them goes first.
  const sides = [
    async () => alone.push(frames(await timed(pass(figures)))),
    async () => whole.push(frames(await timed(pass(drawn)))),
    // One place a tank: it is asked for by a press, not by the drag.
    async () => many.push(frames(await timed(everyTankDrawn)) * PLACES),
  ];
  for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
}
console.log(`${inputs.length} tanks, ${PLACES} places of the mark each, ${ROUNDS} rounds, parts of a frame at 60 Hz:`);
console.log(`  figures alone ${spread(alone, 3)}, with section and figures drawn as markup ${spread(whole, 3)}`);
console.log(`  ten thousand draws of the same plan ${spread(many, 1)}`);
process.exit(0);
