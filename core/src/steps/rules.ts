import { jobOf, type TankTask } from "../programme/index.ts";
import type { Practice } from "../tank/index.ts";
import { inSentence } from "../text/index.ts";
import type { OrderRule } from "./order.ts";

const rule = (before: string, after: string, reason: string): OrderRule => ({ before, after, reason });

/** The order on site that holds for every tank. */
const ALWAYS: readonly OrderRule[] = [
  rule("arrive", "look", "Floors are protected before anything is opened."),
  rule("look", "feed-before", "Animals are looked at before food changes how they behave."),
  rule("look", "test", "What is seen decides what is tested."),
  rule("feed-before", "test", "Leftovers have time to float free."),
  rule("test", "prepare", "New water is matched to what was measured."),
  rule("test", "heater-off", "The temperature is read while the heater runs."),
  rule("test", "drain", "Readings decide the litres."),
  rule("prepare", "glass", "Water dissolves and warms while the glass is cleaned."),
  rule("heater-off", "glass", "The heater needs 15 to 20 minutes to cool before it meets air."),
  rule("glass", "drain", "Film and spores float free and leave with the water."),
  rule("glass", "lift", "Pieces off the glass are lifted with the rest."),
  rule("lift", "power-down", "Pumps carry lifted dirt to the drain until they stop."),
  rule("power-down", "drain", "Nothing may run dry."),
  rule("flow-off", "drain", "Nothing may run dry."),
  rule("heater-off", "drain", "A hot heater in air cracks or burns."),
  rule("drain", "hardware", "Hardware is washed in the old water just drained."),
  rule("drain", "refill", "First out, then in."),
  rule("refill", "power-up", "Everything stands in water before it runs."),
  rule("media", "dose", "Fresh media would take up the dose."),
  rule("refill", "dose", "A dose before the change is drained away."),
  rule("power-up", "dose", "Moving water spreads a dose."),
  rule("dose-magnesium", "dose-alkalinity", "Without magnesium the others fall out again."),
  rule("dose-magnesium", "dose-calcium", "Without magnesium the others fall out again."),
  rule("dose-alkalinity", "dose-calcium", "Calcium goes into water that has taken up the alkalinity."),
  rule("power-up", "feed-after", "Animals eat once the flow is back."),
  rule("power-up", "verify", "Level, temperature and flow are checked with everything on."),
  rule("dose", "verify", "The last look comes after the last thing poured in."),
  rule("feed-after", "verify", "How they eat is part of the last look."),
  rule("verify", "outside", "Wet hands first, dry cloth last."),
  rule("outside", "leave", "The photo shows clean glass."),
];

/** Washed while the water runs out, where nothing waits in the air for it. */
const HARDWARE_FIRST: readonly OrderRule[] = [
  rule("hardware", "refill", "What was opened is closed before the water comes back."),
];
/** Something stands bare: the water comes back first, and the hardware is washed in the bucket that was kept. */
const HARDWARE_LATER: readonly OrderRule[] = [
  rule("refill", "hardware", "Something stands in air: the water comes back before the hardware is washed."),
  rule("hardware", "power-up", "What was opened is closed before anything runs."),
];

/** The order on site: what always holds, what the tank's practice add, and what the firm's own jobs ask for. */
export function rulesFor(
  practice: Practice,
  tasks: readonly Pick<TankTask, "code" | "job">[] = [],
  somethingBare = false,
): readonly OrderRule[] {
  const rules = [...ALWAYS, ...(somethingBare ? HARDWARE_LATER : HARDWARE_FIRST), ...tasks.flatMap(ownRules)];
  if (practice.how === "animals-out") {
    rules.push(rule("flow-off", "animals-out", "Bells are moved in still water."));
    rules.push(rule("animals-out", "glass", "They are out before a blade goes in."));
    rules.push(rule("refill", "animals-back", "They return when level and salinity are right."));
    rules.push(rule("level-fresh", "level-trim", "The level is trimmed once all the water is in."));
    rules.push(rule("level-trim", "animals-back", "The level stands at its line before they are in."));
    rules.push(rule("animals-back", "power-up", "Bells are set free in still water; the flow comes after."));
  }
  if (practice.mediaWhen === "after-cloud")
    rules.push(rule("power-up", "media", "Clean media goes in when the cloud has been carried away."));
  else rules.push(rule("media", "power-up", "Clean media catches the cloud when the flow comes back."));
  if (practice.pumpsAtSiphon === "on")
    rules.push(rule("siphon-start", "power-down", "The sump falls first, so that the run-back cannot flood."));
  return rules;
}

/** What a job itself asks to come before or after. */
function ownRules(task: Pick<TankTask, "code" | "job">): OrderRule[] {
  const { name, after, before } = jobOf(task);
  const reason = `Set for ${inSentence(name)}.`;
  return [
    ...(after ?? []).map((step) => rule(step, task.code, reason)),
    ...(before ?? []).map((step) => rule(task.code, step, reason)),
  ];
}
