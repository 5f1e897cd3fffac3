import { ChakraProvider } from "@chakra-ui/react";
import { readFilters } from "@keel-round/core/desk";
import { METRIC } from "@keel-round/core/units";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, test } from "vitest";
import { system } from "@/kit/theme/system";
import type { ListAddress } from "./columns";
import { Conditions, Filters } from "./Filters";

const draw = (node: React.ReactNode) =>
  renderToStaticMarkup(<ChakraProvider value={system}>{node}</ChakraProvider>).replace(/&amp;/g, "&");
const sites: [string, string][] = [
  ["01a214be-1d4f-722b-a13e-38a0f24382fe", "Ilves Dental"],
  ["01a214be-1d4f-722b-a13e-38a0f24382ff", "Town Museum"],
];
const form = (address: ListAddress, options: Record<string, [string, string][]> = { siteId: sites }) =>
  draw(<Filters entity="tank" address={address} units={METRIC} options={options} />);
/** The fields of a form by name, with what stands in them. */
const named = (html: string) =>
  new Map([...html.matchAll(/<(input|select)[^>]*name="([^"]+)"[^>]*>/g)].map((m) => [m[2], m[0]]));

describe("the form of filters", () => {
  test("asks of every field what can be asked of it, by a name that the address understands", () => {
    const names = [...named(form({})).keys()];
    expect(names).toContain("is.kind");
    expect(names).toContain("from.targetC");
    expect(names).toContain("to.targetC");
    expect(names).toContain("is.siteId");
    // Each of them is read back as a condition, and none is left over.
    for (const name of names.filter((n): n is string => n?.includes(".") ?? false)) {
      const key = name.slice(name.indexOf(".") + 1);
      const { filters, issues } = readFilters("tank", { [name]: "1" }, METRIC);
      expect(filters.length + Object.keys(issues).length, key).toBe(1);
    }
  });
  test("keeps what the address already asks, and the view beside it", () => {
    const fields = named(form({ q: "lobby", sort: "-name", col: ["kind", "siteId"], "from.targetC": "24" }));
    expect(fields.get("from.targetC")).toContain('value="24"');
    expect(fields.get("q")).toContain('value="lobby"');
    expect(fields.get("sort")).toContain('value="-name"');
  });
  test("leaves a list out that is too long to choose from", () => {
    const many = Array.from({ length: 201 }, (_, i) => [`id${i}`, `Site ${i}`] as [string, string]);
    expect(named(form({}, { siteId: many })).has("is.siteId")).toBe(false);
  });
});

describe("the conditions that hold", () => {
  const conditions = (address: Record<string, string>) =>
    draw(
      <Conditions
        entity="tank"
        address={address as ListAddress}
        {...readFilters("tank", address, METRIC)}
        units={METRIC}
        options={{ siteId: sites }}
      />,
    );
  test("are told in words, and each goes by its own link that keeps the others", () => {
    const html = conditions({ "is.siteId": sites[1]?.[0] ?? "", "from.targetC": "24", q: "x" });
    expect(html).toContain("site Town Museum");
    const hrefs = [...html.matchAll(/href="([^"]+)"/g)].map((m) => new URL(m[1] ?? "", "http://x").searchParams);
    expect(hrefs).toHaveLength(2);
    for (const params of hrefs) expect(params.get("q")).toBe("x");
    expect(hrefs.map((p) => [...p.keys()].filter((k) => k.includes(".")))).toEqual([["from.targetC"], ["is.siteId"]]);
  });
  test("that cannot be read are told as an alert", () => {
    const html = conditions({ "from.targetC": "warm" });
    expect(html).toContain('role="alert"');
    expect(html).toContain("“warm” is not a number.");
  });
  test("of nothing is nothing", () => expect(conditions({ q: "x" })).not.toMatch(/<a |role="alert"/));
});
