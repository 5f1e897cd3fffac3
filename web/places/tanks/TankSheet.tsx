import { Box, Flex } from "@chakra-ui/react";
import { daysBetween } from "@keel-round/core/calendar";
import { shortDate } from "@keel-round/core/letter";
import { dueOn, libraryTask } from "@keel-round/core/programme";
import { isSalt, kindFacts, type TankKind } from "@keel-round/core/tank";
import { figure, type Parameter, parameterFacts } from "@keel-round/core/units";
import { litresText, trimSentence, withUnit } from "@keel-round/core/words";
import type { Scope } from "@/data/scope";
import type { TankSheet as Sheet } from "@/data/tanks";
import { AppLink } from "@/kit/AppLink";
import { GoButton, PageHead, SubHead } from "@/kit/controls";
import { A, Nav, Span, Table } from "@/kit/elements";
import { latestOf } from "@/kit/latest";
import { Section } from "@/kit/Section";
import { TrimMark } from "@/kit/Trim";
import { Cell, Head } from "@/kit/table";
import { ReadingsOnBands, WaterFigures } from "@/kit/WaterFigures";
import { WorkedFigure } from "@/kit/Working";
import { dayLabel } from "@/kit/words";
import { Settings } from "./Settings";

export const TABS = ["section", "readings", "programme", "animals", "history", "settings"] as const;
export type Tab = (typeof TABS)[number];
const TAB_NAME: Record<Tab, string> = {
  section: "Section",
  readings: "Readings",
  programme: "Programme",
  animals: "Animals",
  history: "History",
  settings: "Settings",
};

/** Everything about one tank, a tab at a time. */
export function TankSheet({ scope, sheet, tab, today }: { scope: Scope; sheet: Sheet; tab: Tab; today: string }) {
  const { row, site, status, next } = sheet;
  const reason = status?.why.reason;
  const tabs = TABS.filter((t) => scope.role !== "owner" || t !== "settings");
  return (
    <Box>
      <PageHead
        title={`${row.name}, ${site.name}`}
        facts={
          <Flex gap="12px" align="baseline" wrap="wrap">
            <TrimMark state={status?.trim ?? "unknown"} />
            <span>{reason ? trimSentence(reason, scope.units) : kindFacts[row.kind as TankKind].label}</span>
          </Flex>
        }
        actions={
          next && scope.role !== "owner" ? (
            <GoButton asChild>
              {next.on <= today ? (
                <a href={`/visit?visit=${next.visitId}`}>Visit, {next.on === today ? "today" : dayLabel(next.on)}</a>
              ) : (
                <AppLink href={`/round?day=${next.on}`}>Visit {dayLabel(next.on)}</AppLink>
              )}
            </GoButton>
          ) : null
        }
      />
      <Nav
        aria-label="Parts of the sheet"
        display="flex"
        gap="18px"
        mt="8px"
        mb="14px"
        fontSize="14.5px"
        borderBottomWidth="1px"
        borderColor="ruleStrong"
        overflowX="auto"
      >
        {tabs.map((t) => (
          <A
            key={t}
            asChild
            py="7px"
            px="2px"
            textDecoration="none"
            color={t === tab ? "ink" : "soft"}
            fontWeight={t === tab ? "620" : "400"}
            borderBottomWidth="3px"
            borderColor={t === tab ? "coralline" : "transparent"}
            mb="-1px"
          >
            <AppLink href={`/tanks/${row.id}?tab=${t}`} aria-current={t === tab ? "page" : undefined}>
              {TAB_NAME[t]}
            </AppLink>
          </A>
        ))}
      </Nav>
      {tab === "section" && <SectionTab scope={scope} sheet={sheet} today={today} />}
      {tab === "readings" && <ReadingsTab scope={scope} sheet={sheet} />}
      {tab === "programme" && <ProgrammeTab sheet={sheet} today={today} />}
      {tab === "animals" && <AnimalsTab sheet={sheet} />}
      {tab === "history" && <HistoryTab scope={scope} sheet={sheet} />}
      {tab === "settings" && scope.role !== "owner" && (
        <Settings
          tankId={row.id}
          version={row.version}
          schools={row.facts.schools}
          runningLevelCm={Math.round(row.facts.display.runningLevelM * 1000) / 10}
          hasSump={row.facts.sump !== undefined}
          jobs={sheet.jobs.map((j) => ({
            code: j.code,
            name: libraryTask(j.code as never).name,
            everyDays: j.everyDays,
            active: j.removedAt === null,
          }))}
        />
      )}
    </Box>
  );
}

function SectionTab({ scope, sheet, today }: { scope: Scope; sheet: Sheet; today: string }) {
  const { input, plan, next } = sheet;
  const { book } = input;
  const sector = plan.steps.find((s) => s.sector !== undefined)?.sector;
  const due = plan.steps.filter((s) => s.task);
  return (
    <>
      <Flex gap="26px" direction={{ base: "column", xl: "row" }} align="flex-start">
        <Box flex="1" minW="0" w="100%">
          <Section
            book={book}
            markCm={plan.water.mark?.value ?? null}
            {...(sector ? { sector } : {})}
            units={scope.units}
            width={620}
          />
          <Flex gap="28px" mt="10px" wrap="wrap" align="flex-start">
            <Box>
              <Box color="soft" fontSize="13px">
                In the system
              </Box>
              <WorkedFigure of={plan.water.systemL} units={scope.units} />
            </Box>
            <Box maxW="46ch" fontSize="14px" color="soft">
              {book.filterUnits.map((f) => f.name).join(", ")}
              {book.gear.length > 0 ? `; ${book.gear.join(", ")}` : ""}.{" "}
              {book.material === "acrylic" ? "Acrylic: nothing hard." : "Glass."} {book.notes.join(" ")}
            </Box>
          </Flex>
        </Box>
        <Box w={{ base: "100%", xl: "447px" }} flexShrink={0}>
          <SubHead>
            Water change {next ? (next.on === today ? "today" : `on ${dayLabel(next.on)}`) : "at the next visit"}
          </SubHead>
          <WaterFigures water={plan.water} units={scope.units} />
          <ReadingsOnBands book={book} water={plan.water} latest={latestOf(input)} units={scope.units} />
        </Box>
      </Flex>
      <Box mt="16px">
        <SubHead>Due at that visit</SubHead>
        <Box py="8px" columns={{ base: 1, md: 2, xl: 3 }} fontSize="14px">
          {due.map((s) => (
            <Box key={s.id} breakInside="avoid">
              {s.title}
              {s.slips ? <Span color="ochre"> slipped {s.slips === 1 ? "once" : `${s.slips} times`}</Span> : null}
            </Box>
          ))}
        </Box>
      </Box>
    </>
  );
}

function ReadingsTab({ scope, sheet }: { scope: Scope; sheet: Sheet }) {
  const { book, rates } = sheet.input;
  const fitted = Object.entries(rates).flatMap(([parameter, rate]) =>
    rate?.enough ? [{ parameter: parameter as Parameter, rate }] : [],
  );
  return (
    <>
      {fitted.length > 0 && (
        <Flex gap="28px" wrap="wrap" mb="16px">
          {fitted.map(({ parameter, rate }) => {
            const { label, unit } = parameterFacts[parameter];
            return (
              <Box key={parameter} borderLeftWidth="1px" borderColor="ruleStrong" pl="14px">
                <Box color="soft" fontSize="13px">
                  {label} {rate.perDay >= 0 ? "builds up" : "is used"}
                </Box>
                <Span fontFamily="mono" fontSize="22px" fontWeight="560">
                  {figure(Math.abs(rate.perDay), Math.abs(rate.perDay) < 0.1 ? 3 : 2)}
                </Span>{" "}
                <Span color="soft">{unit} a day</Span>
                <Box color="soft" fontSize="13px">
                  {figure(Math.max(0, Math.abs(rate.perDay) - 1.96 * rate.perDaySigma), 2)} to{" "}
                  {figure(Math.abs(rate.perDay) + 1.96 * rate.perDaySigma, 2)}; {rate.readings} readings
                </Box>
              </Box>
            );
          })}
        </Flex>
      )}
      <Box overflowX="auto">
        <Table borderCollapse="collapse" fontSize="14px" minW="620px">
          <thead>
            <tr>
              {["Day", "Parameter", "Value", "As entered", "Method"].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {sheet.readings.slice(0, 120).map((r) => {
              const facts = parameterFacts[r.parameter as Parameter];
              return (
                <tr key={r.id}>
                  <Cell whiteSpace="nowrap">{dayLabel(r.onDate)}</Cell>
                  <Cell>{isSalt(book) ? facts.label : (facts.freshLabel ?? facts.label)}</Cell>
                  <Cell fontFamily="mono">{withUnit(r.parameter as Parameter, r.value, scope.units)}</Cell>
                  <Cell fontFamily="mono" color="soft">
                    {r.entered} {r.unit}
                  </Cell>
                  <Cell color="soft">{r.method}</Cell>
                </tr>
              );
            })}
          </tbody>
        </Table>
      </Box>
      {sheet.readings.length === 0 && <Box color="soft">No reading yet. The first visit takes them.</Box>}
    </>
  );
}

function ProgrammeTab({ sheet, today }: { sheet: Sheet; today: string }) {
  const jobs = sheet.input.tasks.map((t) => ({ task: t, due: dueOn(t) })).sort((a, b) => a.due.localeCompare(b.due));
  return (
    <Box overflowX="auto">
      <Table borderCollapse="collapse" fontSize="14px" minW="760px" w="100%">
        <thead>
          <tr>
            {["Job", "Every", "Give or take", "Last done", "Due", "Why"].map((h) => (
              <Head key={h}>{h}</Head>
            ))}
          </tr>
        </thead>
        <tbody>
          {jobs.map(({ task, due }) => {
            const late = daysBetween(due, today);
            return (
              <tr key={task.code}>
                <Cell fontWeight="560">{libraryTask(task.code).name}</Cell>
                <Cell fontFamily="mono" whiteSpace="nowrap">
                  {task.everyDays} d
                </Cell>
                <Cell fontFamily="mono" whiteSpace="nowrap">
                  {task.giveDays} d
                </Cell>
                <Cell whiteSpace="nowrap">{shortDate(task.lastDoneOn)}</Cell>
                <Cell whiteSpace="nowrap" color={late > task.giveDays ? "ochre" : "inherit"}>
                  {shortDate(due)}
                  {late > 0 ? `, ${late} d late` : ""}
                </Cell>
                <Cell color="soft">
                  {libraryTask(task.code).reason}
                  {task.slips > 0 && (
                    <Span color="ochre">
                      {" "}
                      Slipped {task.slips === 1 ? "once" : `${task.slips} times`}
                      {task.lastSkipReason ? `: ${task.lastSkipReason}` : ""}.
                    </Span>
                  )}
                </Cell>
              </tr>
            );
          })}
        </tbody>
      </Table>
    </Box>
  );
}

const HAZARD = {
  sting: "stings",
  spine: "venomous spines: tools, no hands",
  bite: "bites",
  toxin: "toxic: gloves and eye cover",
} as const;

function AnimalsTab({ sheet }: { sheet: Sheet }) {
  return (
    <Table borderCollapse="collapse" fontSize="15px" minW="420px">
      <tbody>
        {sheet.input.book.animals.map((a) => (
          <tr key={a.name}>
            <Cell fontFamily="mono" textAlign="right">
              {a.count}
            </Cell>
            <Cell fontWeight="560">{a.name}</Cell>
            <Cell color="vermilion">{a.hazard ? HAZARD[a.hazard] : ""}</Cell>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

function HistoryTab({ scope, sheet }: { scope: Scope; sheet: Sheet }) {
  const changes = new Map(sheet.changes.map((c) => [c.onDate, c]));
  const lines = [
    ...sheet.visits.map((v) => {
      const change = changes.get(v.on);
      return {
        on: v.on,
        text: `Visit${v.minutes ? `, ${Math.round(v.minutes)} min` : ""}${change ? `; ${litresText(change.outL, scope.units)} changed` : "; no water changed"}`,
        strong: false,
      };
    }),
    ...sheet.events.map((e) => ({ on: e.onDate, text: e.text, strong: true })),
    ...sheet.deskChanges.map((d) => ({
      on: d.at.toISOString().slice(0, 10),
      text: `${d.by} set ${d.field}: ${say(d.old)} → ${say(d.new)}`,
      strong: true,
    })),
  ].sort((a, b) => b.on.localeCompare(a.on));
  return (
    <Box maxW="80ch">
      {lines.map((l) => (
        <Flex key={`${l.on}${l.text}`} gap="16px" py="5px" borderBottomWidth="1px" borderColor="rule">
          <Box w="110px" color="soft" flexShrink={0}>
            {dayLabel(l.on)}
          </Box>
          <Box fontWeight={l.strong ? "560" : "400"}>{l.text}</Box>
        </Flex>
      ))}
    </Box>
  );
}

const say = (value: unknown): string => (value === true ? "yes" : value === false ? "no" : String(value));
