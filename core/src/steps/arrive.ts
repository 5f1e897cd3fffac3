import { daysBetween } from "../calendar/civil.ts";
import type { OpenFinding } from "../given/index.ts";
import { plain } from "../programme/index.ts";
import { type Message, m, type Value } from "../say/index.ts";
import type { TankFacts } from "../tank/index.ts";
import { gearName } from "../tank/index.ts";
import { actionOf, troubleOf } from "../trouble/index.ts";
import { fromTap, type Making, own, type Step, stepOf, those } from "./step.ts";

/** Arriving and looking, before anything is touched. */
export function arriveAndLook(making: Making): Step[] {
  const { input } = making;
  return [
    arrive(making),
    look(making),
    ...input.findings.map((finding) => settle(making, finding)),
    level(making),
    ...hangsHere(making),
    ...hotWater(making),
    ...tape(making),
  ];
}

/** A finding that is to be looked at again, or a proposal that is to be carried out. */
function settle(making: Making, { id, text, minutes, ...finding }: OpenFinding): Step {
  // What was proposed says how long it takes; so does a trouble, which nobody had to agree on.
  const agreed = minutes !== undefined && finding.giveDays === undefined;
  return stepOf(making, `finding:${id}`, "look", 21, minutes ?? 2, {
    title: m(agreed ? "finding.agreed" : "finding.title", { what: text }),
    enters: [{ settles: id }, ...measured(finding.trouble)],
    reason: [whySettled(finding, agreed, making.input.on)],
  });
}

/** What is measured when a trouble is looked at again. */
const measured = (trouble: OpenFinding["trouble"]) =>
  (trouble ? troubleOf(trouble).today : []).flatMap((code) => {
    const { measures } = actionOf(code);
    return measures ? [{ reading: measures, needed: false } as const] : [];
  });

function whySettled(
  { dueOn, toldOn, giveDays }: Pick<OpenFinding, "dueOn" | "toldOn" | "giveDays">,
  agreed: boolean,
  on: string,
): Message {
  if (giveDays === undefined && dueOn !== undefined && daysBetween(dueOn, on) >= 0) return m("finding.due");
  if (giveDays !== undefined) return m("finding.again", { day: { day: dueOn ?? on } });
  if (toldOn !== undefined) return m("finding.told", { day: { day: toldOn } });
  return m(agreed ? "finding.agreed.why" : "finding.open");
}

function arrive(making: Making): Step {
  const { input, changing, water } = making;
  const { facts, site } = input;
  const climbs = changing && input.source.kind !== "tap" && (site.stairs ?? 0) > 0;
  return stepOf(making, "arrive", "arrive", 10, 2, {
    title: m("arrive.title"),
    reason: [
      site.hygieneLast ? m("arrive.treated") : m("arrive.reason"),
      ...(site.parking ? [m("arrive.parking", { where: site.parking })] : []),
    ],
    craft: [m("arrive.craft")],
    kit: [
      ...plain("towels", "tarp", ...(climbs ? ["carrying straps"] : [])),
      ...(site.floors ? [{ item: `cover for the floor: ${site.floors}` }] : []),
      ...(site.hygieneLast ? plain("kit kept for this tank") : []),
    ],
    caution: those(
      site.hygieneLast && m("arrive.disinfect"),
      site.pets ? m("arrive.pets", { pets: site.pets }) : null,
      facts.access ? m("arrive.access", { access: facts.access }) : null,
      climbs && m("arrive.climb", { stairs: site.stairs ?? 0, tank: facts.name, weight: { kg: water.litres.value } }),
    ),
  });
}

function look(making: Making): Step {
  const { animals } = making.input.facts;
  const [first] = animals;
  const hazards = new Set(animals.flatMap((a) => (a.hazard ? [a.hazard] : [])));
  return stepOf(making, "look", "look", 20, 3, {
    ...own("look"),
    ...(first
      ? { title: m("look.animals", { count: animals.reduce((sum, a) => sum + a.count, 0), first: first.name }) }
      : {}),
    pressed: m("look.pressed"),
    caution: those(...[...hazards].map((h) => m(`hazard.${h}`))),
  });
}

/** How far the water stands below its fill line. */
function level(making: Making): Step {
  const { sump } = making.input.facts;
  return stepOf(making, "level", "look", 25, 1, {
    title: sump ? m("level.chamber") : m("level.title"),
    reason: [sump ? m("level.only-sump") : m("level.reason")],
    enters: [{ noted: "level" }],
    kit: plain("ruler"),
  });
}

/** Asks for what was taken from the kind of tank, until somebody has looked. */
function hangsHere(making: Making): Step[] {
  const things = assumedThings(making.input.facts);
  if (things.length === 0) return [];
  return [
    stepOf(making, "hangs", "look", 24, 3, {
      ...own("hangs"),
      craft: [m("hangs.believed", { things: { list: things } })],
    }),
  ];
}

function assumedThings(facts: TankFacts): Value[] {
  const assumed = (key: string) => facts.assumed?.includes(key);
  return [
    ...new Set<Value>([
      ...(assumed("gear") ? facts.gear.map(gearName) : []),
      ...(assumed("filterUnits") ? facts.filterUnits.map((u) => u.name) : []),
      ...(assumed("lidded") ? [facts.lidded ? m("hangs.lid") : m("hangs.no-lid")] : []),
      ...(assumed("landmarks") ? facts.landmarks.map((mark) => mark.name) : []),
    ]),
  ];
}

function hotWater(making: Making): Step[] {
  const { site, source, topUpSource } = making.input;
  const asked = site.askHotWater && (fromTap(source) || fromTap(topUpSource));
  return asked ? [stepOf(making, "hot-water", "look", 24.5, 1, own("hot-water"))] : [];
}

/** The drain line of a tank that nobody has drained before. */
function tape(making: Making): Step[] {
  const { input, water, changing } = making;
  if (!changing || water.tapeCm === null || water.markOn === "none" || input.lastVisitOn) return [];
  return [
    stepOf(making, "tape", "look", 26, 1, {
      title: m("tape.title", { on: water.markOn === "sump" ? "sump" : "other", line: { cm: water.tapeCm } }),
      reason: [m("tape.reason")],
      kit: plain("tape"),
    }),
  ];
}
