import { ChakraProvider } from "@chakra-ui/react";
import { markCmOf, standingOf } from "@keel-round/core/given";
import { type DayStop, planDay } from "@keel-round/core/round";
import { kindFacts, type TankFacts } from "@keel-round/core/tank";
import { METRIC } from "@keel-round/core/units";
import { VESSEL_SHAPES, vesselOf, vesselShapes } from "@keel-round/core/vessel";
import { q, worked } from "@keel-round/core/worked";
import type { ReactNode } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, test } from "vitest";
import { BandDots } from "./BandStrip";
import { ConditionMark } from "./Condition";
import { DayMap } from "./DayMap";
import { DayRibbon, SmallRibbon } from "./DayRibbon";
import { PlanView } from "./PlanView";
import { Section } from "./Section";
import { system } from "./theme/system";
import { WorkedFigure } from "./Working";
import { clock, dayLabel, duration } from "./words";

const draw = (node: ReactNode) => renderToStaticMarkup(<ChakraProvider value={system}>{node}</ChakraProvider>);
/** The numbers of an attribute, in the order they are drawn. */
const numbers = (html: string, pattern: RegExp) => [...html.matchAll(pattern)].map((m) => Number(m[1]));

/** 120 × 50 × 50 cm, water 40 cm deep, no bed, no rock. */
const facts: TankFacts = {
  id: "t",
  name: "Box",
  kind: "community",
  display: {
    vessel: { shape: "box", lengthM: 1.2, widthM: 0.5, heightM: 0.5 },
    runningLevelM: 0.4,
    substrate: "bare",
    substrateDepthM: 0,
    rockKg: 0,
    rockTopM: 0,
  },
  material: "glass",
  lidded: false,
  sectors: 4,
  landmarks: [{ name: "intake", kind: "intake", heightM: 0.1, airMinutes: 0 }],
  gear: [],
  filterUnits: [],
  animals: [],
  startedOn: "2024-01-01",
  evaporationLPerDay: 0,
  topUp: "technician",
  practice: kindFacts.community.practice,
  bands: [],
  targetPsu: 0,
  targetC: 25,
  drainLPerMinute: 10,
  refillLPerMinute: 10,
  notes: [],
  mostShare: 1,
};

describe("the section is to scale", () => {
  const html = draw(<Section facts={facts} markCm={20} units={METRIC} width={620} />);
  // The glass: down one side, along the floor, up the other.
  const glass = html.match(/d="M([\d.]+) ([\d.]+) L[\d.]+ ([\d.]+) L([\d.]+) [\d.]+ L[\d.]+ [\d.]+"/);
  const [left, rim, floor, right] = [1, 2, 3, 4].map((i) => Number(glass?.[i]));
  const perCm = ((floor ?? 0) - (rim ?? 0)) / 50;

  test("height and length by one scale", () => expect(((right ?? 0) - (left ?? 0)) / 120).toBeCloseTo(perCm, 6));
  test("level, mark and landmark at their centimetres", () => {
    const at = (cmFromFloor: number) => (floor ?? 0) - cmFromFloor * perCm;
    const heights = numbers(html, /<line[^>]* y1="([\d.]+)"/g);
    for (const cm of [40, 30, 10])
      expect(
        heights.some((y) => Math.abs(y - at(cm)) < 0.01),
        `${cm} cm`,
      ).toBe(true);
    expect(html).toContain(">20.0<");
  });
  test("every shape of vessel is drawn, and from above where the front does not say it", () => {
    for (const shape of VESSEL_SHAPES) {
      const sides = Object.fromEntries(vesselShapes[shape].dimensions.map(({ key }) => [key, 0.5]));
      const vessel = vesselOf(shape, {
        ...sides,
        bowM: 0.1,
        endM: 0.2,
        cutLengthM: 0.2,
        cutWidthM: 0.2,
        heightM: 0.45,
      });
      const drawn = draw(
        <Section
          facts={{ ...facts, display: { ...facts.display, vessel } }}
          markCm={null}
          units={METRIC}
          width={620}
        />,
      );
      expect(drawn, shape).not.toContain("NaN");
      const plan = draw(<PlanView vessel={vessel} width={150} />);
      expect(plan, shape).not.toContain("NaN");
      if (shape === "corner") expect(plan.match(/ L/g)).toHaveLength(4);
    }
  });
  test("a screen reader hears the numbers", () =>
    expect(html).toContain("water stands 10.0\u00a0cm below the rim, drain line 20.0\u00a0cm from the rim"));
  test("a mark in inches for who reads inches", () =>
    expect(draw(<Section facts={facts} markCm={20.32} units={{ ...METRIC, length: "in" }} width={620} />)).toContain(
      ">8.0<",
    ));
  test("a drum is drawn round, and a sump beside its tank", () => {
    const drum = draw(
      <Section
        facts={{ ...facts, display: { ...facts.display, vessel: { shape: "drum", diameterM: 0.6, depthM: 0.4 } } }}
        markCm={null}
        units={METRIC}
        width={620}
      />,
    );
    expect(drum.length).toBeGreaterThan(html.length);
    const sump = {
      lengthM: 0.8,
      widthM: 0.4,
      heightM: 0.4,
      runningLevelM: 0.25,
      lowestLevelM: 0.1,
      pipesL: 4,
      weirM: 0.38,
    };
    const both = draw(<Section facts={{ ...facts, sump }} markCm={20} units={METRIC} width={620} />);
    // 2 cm of 0.6 m² are 12 L, and 4 in the pipes; 15 cm of 0.32 m² is room for 48.
    expect(both).toContain("run-back 16\u00a0L; room for 48");
    const fromSump = { ...facts, sump, practice: { ...facts.practice, how: "from-sump" as const } };
    expect(
      draw(
        <Section
          facts={fromSump}
          markCm={markCmOf(fromSump, standingOf(fromSump, 0), 32 / 3)}
          units={METRIC}
          width={620}
        />,
      ),
    ).toContain(">25.0<");
  });
});

describe("the ribbon is drawn to the clock", () => {
  const stop = (id: string, from: number, change: Partial<DayStop> = {}): DayStop => ({
    id,
    name: `Stop ${id}`,
    lat: 50,
    lon: 0,
    window: { from, to: from + 120 },
    minutes: 60,
    load: { mixL: 100, seaL: 0, purifiedL: 0, wasteL: 0 },
    keptLast: false,
    maySlip: true,
    ...change,
  });
  const day = planDay({
    stops: [stop("a", 480), stop("b", 600)],
    base: { lat: 50, lon: 0 },
    startMinute: 420,
    endMinute: 1020,
    roads: { roadFactor: 1, speedKmH: 30 },
    vanKg: 150,
    refillAfter: [],
  });
  const stops = [
    { id: "a", name: "Stop a", condition: "off" as const, closed: false },
    { id: "b", name: "Stop b", condition: "steady" as const, closed: true },
  ];
  const html = draw(<DayRibbon day={day} stops={stops} vanKg={150} nowMinute={500} units={METRIC} />);

  test("equal hours are equally long, and a stop of one hour is one hour long", () => {
    const hours = numbers(html, /<line x1="([\d.]+)" x2="[\d.]+" y1="22"/g);
    const step = (hours[1] ?? 0) - (hours[0] ?? 0);
    expect((hours[2] ?? 0) - (hours[1] ?? 0)).toBeCloseTo(step, 6);
    const blocks = numbers(html, /<rect x="[\d.]+" y="34" width="([\d.]+)"/g).filter((w) => w > 4);
    for (const width of blocks) expect(width).toBeCloseTo(step, 6);
    expect(blocks).toHaveLength(2);
  });
  test("an overloaded van is said in kilograms, also to a screen reader", () => {
    expect(html).toContain("55\u00a0kg more than the van");
    expect(html).toContain("At most 205\u00a0kg of water on board, the van carries 150\u00a0kg.");
  });
  test("each stop leads to its line, and the small one tells when the day ends", () => {
    expect(html).toContain('href="#stop-a"');
    expect(draw(<SmallRibbon day={day} stops={stops} nowMinute={null} />)).toContain("Today: 2 stops, home at 11:00");
    expect(draw(<SmallRibbon day={{ ...day, stops: [] }} stops={[]} nowMinute={null} />)).not.toContain("<svg");
  });
});

test("condition is told by word and tilt, never by colour alone", () => {
  for (const [state, word, tilt] of [
    ["steady", "Steady", 0],
    ["drifting", "Drifting", 10],
    ["off", "Off course", 24],
    ["unknown", "Not known", 0],
  ] as const) {
    const html = draw(<ConditionMark state={state} />);
    expect(html).toContain(word);
    expect(html).toContain(`rotate(${tilt} 13 7)`);
  }
  expect(draw(<ConditionMark state="unknown" />)).toContain("stroke-dasharray");
});

test("the strip of dots has words for who cannot see it", () => {
  const dots = [
    { parameter: "nitrate", place: 0.8, standing: "watch" as const },
    { parameter: "ph", place: 0, standing: "ideal" as const },
  ];
  expect(draw(<BandDots dots={dots} />)).toContain('aria-label="nitrate high, ph in its band"');
  expect(draw(<BandDots dots={[]} />)).toContain("no valid readings");
});

test("a figure opens its inputs, its formula in words, its source and its range", () => {
  const html = draw(
    <WorkedFigure
      of={worked("reading-after", 31.25, "mg/L", { before: q(40, "mg/L"), "new water": q(5, "mg/L") }, 1)}
      units={METRIC}
    />,
  );
  for (const part of [
    "<details",
    "31.3",
    "(before × litres left + new water × its litres + topping up × its litres) ÷ litres of the system",
    "new water",
    "Mass balance with full mixing, over the tank as it is found.",
    "likely between",
  ])
    expect(html).toContain(part);
});

test("minutes, and days as people read them", () => {
  expect(clock(425.4)).toBe("07:05");
  expect(clock(24 * 60 + 250)).toBe("04:10 the next day");
  expect(duration(45)).toBe("45\u00a0min");
  expect(duration(72)).toBe("1\u00a0h\u00a012\u00a0min");
  expect(duration(120)).toBe("2\u00a0h");
  expect(dayLabel("2026-11-25")).toBe("Wed 25 Nov");
});

describe("the map of a day", () => {
  const base = { lat: 50, lon: 0 };
  const stops = [
    { id: "b", order: 2, name: "East", lat: 50, lon: 0.05 },
    { id: "a", order: 1, name: "North", lat: 50.03, lon: 0 },
    { id: "c", order: null, name: "No time", lat: 49.98, lon: -0.02 },
  ];
  const html = draw(<DayMap base={base} stops={stops} map={null} />);
  const at = (name: string) => {
    const found = new RegExp(`<text[^>]*x="([\\d.]+)"[^>]*y="([\\d.]+)"[^>]*>${name}</text>`).exec(html);
    return [Number(found?.[1]), Number(found?.[2])] as const;
  };
  test("has north up and east to the right of base, inside its frame", () => {
    expect(at("North")[1]).toBeLessThan(at("Base")[1]);
    expect(at("1")[1]).toBeLessThan(at("2")[1]);
    expect(at("2")[0]).toBeGreaterThan(at("1")[0]);
    for (const name of ["1", "2", "–"]) {
      expect(at(name)[0]).toBeGreaterThan(0);
      expect(at(name)[0]).toBeLessThan(560);
      expect(at(name)[1]).toBeLessThan(360);
    }
  });
  test("tells its order, and the way goes from base through them and home: three legs, none to what has no time", () => {
    expect(html).toContain('aria-label="Map of the day: 1 North, 2 East"');
    expect(html.match(/<line/g)).toHaveLength(3);
  });
  test("draws the firm's own lines and areas", () => {
    const river = {
      type: "LineString" as const,
      coordinates: [[-0.05, 50.01] as [number, number], [0.05, 50.01] as [number, number]],
    };
    const map = {
      type: "FeatureCollection" as const,
      features: [{ type: "Feature" as const, geometry: river, properties: { kind: "road" as const } }],
    };
    const paths = (node: string) => node.match(/<path/g)?.length ?? 0;
    expect(paths(draw(<DayMap base={base} stops={stops} map={map} />))).toBe(paths(html) + 1);
  });
  test("of one stop beside base is drawn too", () => {
    const near = draw(<DayMap base={base} stops={[{ id: "a", order: 1, name: "Here", lat: 50, lon: 0 }]} map={null} />);
    expect(near).not.toContain("NaN");
  });
});
