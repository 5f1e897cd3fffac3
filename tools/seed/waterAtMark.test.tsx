import { ChakraProvider } from "@chakra-ui/react";
import { planWater } from "@keel-round/core/change";
import { markCmOf, type PlanInput, tankOnDay } from "@keel-round/core/given";
import { METRIC, type UnitPreference } from "@keel-round/core/units";
import { renderToStaticMarkup } from "react-dom/server";
import { beforeAll, describe, expect, test } from "vitest";
import { system } from "@/kit/theme/system";
import { WaterAtMark } from "@/kit/WaterAtMark";
import { demoBusiness, planOf, visitsOf } from "../testing/world.ts";

const draw = (input: PlanInput, units: UnitPreference = METRIC) =>
  renderToStaticMarkup(
    <ChakraProvider value={system}>
      <WaterAtMark input={input} heading="Water change today" units={units} />
    </ChakraProvider>,
  );
const attribute = (html: string, name: string) => new RegExp(`${name}="([^"]*)"`).exec(html)?.[1] ?? "";

let businessId: string;
let today: string;
beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
});
const inputAt = async (site: string): Promise<PlanInput> => {
  const [v] = await visitsOf(businessId, site, today);
  if (!v) throw new Error(`No visit at ${site}`);
  return (await planOf(businessId, v)).input;
};

describe("the section with its mark", () => {
  test("stands where the plan puts it, and a screen reader hears mark, litres and share", async () => {
    const input = await inputAt("Kettle Diner");
    const water = planWater(input);
    const html = draw(input);
    const says = attribute(html, "aria-valuetext").replace(/\u00a0/g, " ");
    expect(says).toContain(`${(water.mark?.value ?? 0).toFixed(1)} cm from the rim`);
    expect(says).toContain(`${Math.round(water.litres.value)} L`);
    expect(says).toContain(`${Math.round(water.share.value * 100)} %`);
    // The slider's height is the glass less the mark.
    const heightM = 0.6;
    expect(Number(attribute(html, "aria-valuenow"))).toBe(
      Math.round((heightM - (water.mark?.value ?? 0) / 100) * 1000),
    );
  });
  test("draws the nearest limit where it lets the water fall to, by its name", async () => {
    const input = await inputAt("Ilves Dental");
    const [limit] = planWater(input).limits;
    const html = draw(input);
    expect(html).toContain("not below: highest coral");
    const cm = markCmOf(input.facts, tankOnDay(input).standing, limit?.maxL ?? 0) ?? 0;
    // On one scale with the mark: both hang from the rim, which is drawn 16 down; labels stand 13 below their line.
    const rim = 16;
    const limitY = Number(/<text[^>]*y="([\d.]+)"[^>]*>not below/.exec(html)?.[1]) - 13;
    const markY = Number(/<rect x="[\d.]+" y="([\d.]+)" width="[\d.]+" height="28"/.exec(html)?.[1]) + 14;
    const markCm = planWater(input).mark?.value ?? 0;
    expect(cm).toBeGreaterThan(markCm);
    expect((limitY - rim) / (markY - rim)).toBeCloseTo(cm / markCm, 3);
  });
  test("of a tank whose water goes in and out together has no mark to move, and its litres are typed", async () => {
    const html = draw(await inputAt("Harrow & Pike"));
    expect(html).not.toContain('role="slider"');
    expect(html).toContain('id="trial-litres"');
    expect(html).not.toContain('id="trial-mark"');
  });
  test("of a hotel's tank changed from its sump has the mark on the sump", async () => {
    const input = await inputAt("Saltmarket Hotel");
    const html = draw(input);
    expect(html).toContain("Line, sump");
    expect(html).toMatch(/type="checkbox"[^>]*checked/);
    const max = Number(attribute(html, "aria-valuemax"));
    expect(max).toBe(Math.round((input.facts.sump?.runningLevelM ?? 0) * 1000));
  });
  test("is in the person's units, the same water", async () => {
    const input = await inputAt("Kettle Diner");
    const us = draw(input, { ...METRIC, volume: "US gal", length: "in" });
    const litres = planWater(input).litres.value;
    const typed =
      /id="trial-litres"[^>]*value="([\d.]+)"/.exec(us)?.[1] ?? /value="([\d.]+)"[^>]*id="trial-litres"/.exec(us)?.[1];
    expect(Number(typed) * 3.785411784).toBeCloseTo(litres, 0);
    expect(us).toContain("US gal");
    expect(attribute(us, "aria-valuetext")).toContain("in from the rim");
  });
});
