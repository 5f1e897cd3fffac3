import { Box, Flex } from "@chakra-ui/react";
import { civilOf, clockText } from "@keel-round/core/calendar";
import { forecastOf } from "@keel-round/core/change";
import type { Derived } from "@keel-round/core/readings";
import { byText } from "@keel-round/core/text";
import { PARAMETERS, type Parameter, parameterFacts, readingLabel, withUnit } from "@keel-round/core/units";
import type { Scope } from "@/data/access/scope";
import type { CorrectedReading } from "@/data/tanks/corrected";
import { type DerivedSeries, derivedOf } from "@/data/tanks/derived";
import type { TankSheet as Sheet } from "@/data/tanks/tanks";
import type { TankTrend } from "@/data/tanks/trend";
import { AppLink } from "@/kit/AppLink";
import { QuietButton } from "@/kit/controls";
import { Table } from "@/kit/elements";
import { PartsNav } from "@/kit/PartsNav";
import { Cell, Head } from "@/kit/table";
import { dayLabel } from "@/kit/words";
import { figureLabel } from "../figureLabel";
import { AddReadings } from "./AddReadings";
import { CorrectEntered } from "./CorrectEntered";
import { Corrected } from "./Corrected";
import { Course } from "./Course";
import { knownForEntry, parametersOf } from "./entry";
import { DerivedView, derivedName } from "./trend/DerivedView";
import { Multiples } from "./trend/Multiples";
import { SawTooth } from "./trend/SawTooth";
import type { SavePolicy } from "./trend/UseIt";

/** Where each figure is going, and every reading as it was entered. */
export function ReadingsTab({
  scope,
  sheet,
  trend,
  derived,
  corrected,
  save,
}: {
  scope: Scope;
  sheet: Sheet;
  /** Of the figure that is looked at; null where nothing was read yet. */
  trend: TankTrend | null;
  /** A worked out figure that is looked at instead; null for one that is read. */
  derived: DerivedSeries | null;
  corrected: readonly CorrectedReading[];
  save: SavePolicy["save"] | null;
}) {
  const { facts, rates, on } = sheet.input;
  const courses = forecastOf(sheet.input, sheet.plan.water, sheet.plan.corrections).flatMap((of) => {
    const fit = rates[of.parameter];
    return fit?.enough ? [{ of, fit }] : [];
  });
  const now = civilOf(Date.now(), scope.zone);
  const byShare = facts.practice.policy !== "test-led";
  return (
    <>
      {trend && (
        <>
          <PartsNav
            label="Figures"
            parts={[
              ...facts.bands.map((b) => [readingsAt(sheet, b.parameter), figureLabel(b.parameter, facts)] as const),
              ...readBeside(sheet).map((p) => [readingsAt(sheet, p), parameterFacts[p].label] as const),
              ...itemsRead(sheet, "flow").map(
                (item) => [readingsAt(sheet, `flow:${item}`), readingLabel("flow", item)] as const,
              ),
              ...derivedOf(facts).map((of) => [readingsAt(sheet, of), derivedName({ of, item: null })] as const),
              ...itemsRead(sheet, "hours").map(
                (item) => [readingsAt(sheet, `hours:${item}`), derivedName({ of: "running", item })] as const,
              ),
            ]}
            here={readingsAt(sheet, hereOf(trend, derived))}
          />
          {derived ? (
            <DerivedView series={derived} units={scope.units} />
          ) : (
            <SawTooth
              key={`${trend.parameter} ${trend.item}`}
              trend={trend}
              band={facts.bands.find((b) => b.parameter === trend.parameter) ?? null}
              units={scope.units}
              policy={
                save && {
                  tank: { id: sheet.row.id, version: sheet.row.version },
                  byShare,
                  save,
                  visits: `/desk/site/${sheet.row.siteId}`,
                }
              }
            />
          )}
        </>
      )}
      {scope.role !== "tankOwner" && (
        <AddReadings
          tankId={sheet.row.id}
          due={[]}
          parameters={parametersOf(sheet.input)}
          known={knownForEntry(sheet.input)}
          units={scope.units}
          now={{ on: now.date, clock: clockText(now.minute) }}
        />
      )}
      {trend && (
        <Multiples
          bands={facts.bands}
          readings={sheet.readings}
          today={trend.on}
          units={scope.units}
          labelOf={(parameter) => figureLabel(parameter, facts)}
          hrefOf={(parameter) => readingsAt(sheet, parameter)}
        />
      )}
      {trend && scope.role !== "tankOwner" && (
        <QuietButton asChild mb="18px">
          <AppLink href={`/tanks/beside?kind=${facts.kind}&of=${trend.parameter}`}>
            {figureLabel(trend.parameter, facts)} of all tanks like this
          </AppLink>
        </QuietButton>
      )}
      {courses.length > 0 && (
        <Flex gap="28px" wrap="wrap" mb="16px">
          {courses.map(({ of, fit }) => (
            <Course key={of.parameter} of={of} fit={fit} on={on} units={scope.units} />
          ))}
        </Flex>
      )}
      <Box overflowX="auto">
        <Table borderCollapse="collapse" fontSize="14px" minW="620px">
          <thead>
            <tr>
              {["Day", "Parameter", "Value", "As entered", "Method", ""].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {sheet.readings.slice(0, 120).map((r) => (
              <tr key={r.id}>
                <Cell whiteSpace="nowrap">{dayLabel(r.onDate)}</Cell>
                <Cell>
                  {r.item
                    ? readingLabel(r.parameter as Parameter, r.item)
                    : figureLabel(r.parameter as Parameter, facts)}
                </Cell>
                <Cell fontFamily="mono">{withUnit(r.parameter as Parameter, r.value, scope.units)}</Cell>
                <Cell fontFamily="mono" color="soft" data-entered="">
                  {r.entered} {r.unit}
                </Cell>
                <Cell color="soft">
                  {r.method}
                  {r.kitOffset
                    ? `, its kit's ${withUnit(r.parameter as Parameter, Math.abs(r.kitOffset), scope.units)} taken off`
                    : ""}
                </Cell>
                <Cell>
                  {r.visitId && scope.role !== "tankOwner" && (
                    <AppLink href={`/visits/${r.visitId}`}>its visit</AppLink>
                  )}
                  {!r.visitId && scope.role !== "tankOwner" && (
                    <CorrectEntered
                      reading={{ ...r, parameter: r.parameter as Parameter }}
                      of={`${readingLabel(r.parameter as Parameter, r.item)} ${r.entered} of ${dayLabel(r.onDate)}`}
                      units={scope.units}
                    />
                  )}
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      </Box>
      {scope.role !== "tankOwner" && <Corrected of={corrected} zone={scope.zone} />}
      {sheet.readings.length === 0 && <Box color="soft">No reading yet. The first visit takes them.</Box>}
    </>
  );
}

/** Figures that were read here and have no band: a flow, what is dissolved in the top-up. */
const readBeside = ({ readings, input }: Sheet): Parameter[] =>
  PARAMETERS.filter(
    (p) =>
      readings.some((r) => r.parameter === p && r.item === null) && !input.facts.bands.some((b) => b.parameter === p),
  );

/** Filters whose flow was read, or pieces of equipment whose hours. */
const itemsRead = ({ readings }: Sheet, parameter: "flow" | "hours"): string[] =>
  [...new Set(readings.flatMap((r) => (r.parameter === parameter && r.item ? [r.item] : [])))].sort(byText);

type Asked = Parameter | Derived | `flow:${string}` | `hours:${string}`;

/** The figure that is looked at. */
function hereOf(trend: TankTrend, derived: DerivedSeries | null): Asked {
  if (derived?.item) return `hours:${derived.item}`;
  return derived?.of ?? (trend.item ? `flow:${trend.item}` : trend.parameter);
}

const readingsAt = (sheet: Sheet, of: Asked) => `/tanks/${sheet.row.id}?tab=readings&of=${encodeURIComponent(of)}`;
