import { ChakraProvider } from "@chakra-ui/react";
import { rulesFor } from "@keel-round/core/steps";
import { METRIC, type UnitPreference } from "@keel-round/core/units";
import { planVisit, sayPlan } from "@keel-round/core/visit";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, test } from "vitest";
import { factsOf, inputOf } from "../../core/src/given/sample.fixture.ts";
import { StepList } from "./StepList";
import { system } from "./theme/system";

const US: UnitPreference = { ...METRIC, volume: "US gal", length: "in", temperature: "°F" };
const input = inputOf(factsOf("community"), { readings: [] });

/** The list of a visit as somebody reads it, without its markup. */
function read(units: UnitPreference): string {
  const plan = sayPlan(planVisit(input), units);
  const html = renderToStaticMarkup(
    <ChakraProvider value={system}>
      <StepList steps={plan.steps} rules={rulesFor(input.facts.practice)} pace={1} />
    </ChakraProvider>,
  );
  return html.replaceAll(/<style[\s\S]*?<\/style>|<[^>]+>/g, " ").replaceAll(/\s+/g, " ");
}

describe("the steps of a visit", () => {
  test("stand in their order, each with its words and what to bring", () => {
    const text = read(METRIC);
    const order = ["Towels down", "Look first", "Drain", "Everything moves", "Tell the owner"];
    const places = order.map((words) => text.indexOf(words));
    expect(places.every((p) => p >= 0)).toBe(true);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(text).toContain("Kit: towels, tarp");
  });
  test("are told in the units of whoever reads them", () => {
    expect(read(METRIC)).toMatch(/\d L\b/);
    const gallons = read(US);
    expect(gallons).toMatch(/US gal/);
    expect(gallons).not.toMatch(/\d L\b/);
  });
});
