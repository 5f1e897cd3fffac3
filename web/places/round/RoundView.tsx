import { Box, Flex } from "@chakra-ui/react";
import { addDays, daysBetween, longDate } from "@keel-round/core/calendar";
import type { AreaMap } from "@keel-round/core/desk";
import type { DayStop } from "@keel-round/core/round";
import { kindFacts, type TankKind } from "@keel-round/core/tank";
import { litresText, quantityText } from "@keel-round/core/units";
import { conditionSentence, limitSentence, waterSentence } from "@keel-round/core/words";
import type { Scope } from "@/data/access/scope";
import type { Late } from "@/data/round/late";
import type { Round, RoundStop, RoundTank } from "@/data/round/round";
import { AppLink } from "@/kit/AppLink";
import { CONDITION_COLOUR, ConditionMark } from "@/kit/Condition";
import { Choice, GoButton, PageHead, QuietButton } from "@/kit/controls";
import { DayRibbon } from "@/kit/DayRibbon";
import { A, Form, Span } from "@/kit/elements";
import { Kbd } from "@/kit/shell/Kbd";
import { clock, duration } from "@/kit/words";
import { Decide } from "./Decide";
import { KeepDay } from "./KeepDay";
import { ribbonStops } from "./ribbonStops";
import { SeaWater } from "./SeaWater";
import { WhereTo } from "./WhereTo";

interface RoundViewProps {
  readonly scope: Scope;
  readonly round: Round;
  /** Null where the day goes as planned. */
  readonly late: Late | null;
  /** The firm's own map; null without one. */
  readonly map: AreaMap | null;
  readonly date: string;
  readonly now: { readonly date: string; readonly minute: number };
  readonly people: readonly { readonly id: string; readonly name: string }[];
  /** Whether the business has no site yet. */
  readonly noSites: boolean;
}

/** The day of one person. */
export function RoundView(props: RoundViewProps) {
  const { scope, round, late, map, date, now, noSites } = props;
  const { day, stops } = round;
  const at = (id: string) => stops.find((s) => s.id === id);
  // What does not fit any more is gone to all the same, unless somebody moves it.
  const going = [...day.stops, ...day.leftOver.map(({ stop }) => ({ stop, start: null }))];
  const next = going.find((s) => at(s.stop.id)?.tanks.some((t) => t.visitState !== "closed"));
  return (
    <Box>
      <Head of={props} next={next} />
      {round.person.id === scope.personId && daysBetween(now.date, date) >= 0 && daysBetween(now.date, date) <= 1 && (
        <KeepDay date={date} personId={scope.personId} />
      )}
      {noSites ? (
        <FirstDay office={scope.role === "office"} />
      ) : stops.length === 0 ? (
        <Nothing date={date} laidOutTo={round.laidOutTo} />
      ) : (
        <>
          {day.stops.length > 0 && (
            <Box mt="14px" overflowX="auto">
              <Box minW="720px">
                <DayRibbon
                  day={day}
                  stops={ribbonStops(round)}
                  vanKg={round.person.vanKg}
                  nowMinute={date === now.date ? now.minute : null}
                  units={scope.units}
                  tide={round.sea?.tide ?? null}
                />
              </Box>
            </Box>
          )}
          <SeaWater scope={scope} round={round} date={date} today={now.date} />
          <Flex gap="28px" mt="6px" direction={{ base: "column", lg: "row" }}>
            <Box flex="1" minW="0">
              {going.map((of) => {
                const stop = at(of.stop.id);
                return stop ? (
                  <StopRow key={stop.id} planned={of.stop} start={of.start} stop={stop} scope={scope} />
                ) : null;
              })}
              <WhereTo round={round} map={map} />
            </Box>
            <Decide round={round} late={late} date={date} today={now.date} units={scope.units} />
          </Flex>
        </>
      )}
    </Box>
  );
}

/** The day's name and figures, whose it is, the days beside it and the stop that is next. */
function Head({
  of: { scope, round, date, now, people },
  next,
}: {
  of: RoundViewProps;
  next: { readonly stop: DayStop; readonly start: number | null } | undefined;
}) {
  const { day, stops } = round;
  const href = (to: string) => `/round?day=${to}${round.person.id === scope.personId ? "" : `&who=${round.person.id}`}`;
  const atTanks = day.stops.reduce((sum, s) => sum + s.stop.minutes, 0);
  const tanks = stops.reduce((sum, s) => sum + s.tanks.length, 0);
  return (
    <PageHead
      title={longDate(date)}
      facts={
        stops.length > 0
          ? `${round.person.id === scope.personId ? "" : `${round.person.name}: `}${stops.length} stops, ${tanks} tanks, ${duration(atTanks)} at tanks, ${Math.round(day.km)} km, home at ${clock(day.homeAt)}`
          : round.person.name
      }
      actions={
        <>
          {people.length > 1 && <Whose date={date} personId={round.person.id} people={people} />}
          <Flex color="soft" fontSize="13.5px" gap="6px" align="center">
            <A asChild textDecoration="none">
              <AppLink href={href(addDays(date, -1))} data-key="previous-day" aria-label="Day before">
                <Kbd>[</Kbd>
              </AppLink>
            </A>
            <A asChild textDecoration="none">
              <AppLink href={href(addDays(date, 1))} data-key="next-day" aria-label="Day after">
                <Kbd>]</Kbd>
              </AppLink>
            </A>
            day
          </Flex>
          {date !== now.date && (
            <QuietButton asChild>
              <AppLink href={href(now.date)}>Today</AppLink>
            </QuietButton>
          )}
          {stops.length > 0 && (
            <QuietButton asChild>
              <AppLink href={href(date).replace("/round?", "/round/print?")}>Print</AppLink>
            </QuietButton>
          )}
          {next && (
            <GoButton asChild>
              <AppLink href={`/stops/${next.stop.id}`}>
                Next: {next.stop.name}
                {next.start === null ? "" : `, ${clock(next.start)}`}
              </AppLink>
            </GoButton>
          )}
        </>
      }
    />
  );
}

/** Whose round is looked at, by who may look at more than one. */
function Whose({ date, personId, people }: Pick<RoundViewProps, "date" | "people"> & { personId: string }) {
  return (
    <Form action="/round">
      <input type="hidden" name="day" value={date} />
      <Choice name="who" defaultValue={personId} aria-label="Whose round" w="auto" mr="6px">
        {people.map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
      </Choice>
      <QuietButton type="submit">Show</QuietButton>
    </Form>
  );
}

/** What to do in a business that has just been begun. */
function FirstDay({ office }: { office: boolean }) {
  const ways: readonly (readonly [href: string, text: string, why: string])[] = [
    ...(office
      ? [
          ["/desk/begin", "Make a client", "with their site, tank and visits, all at once"] as const,
          ["/desk/client/new", "Type a client in", "then their site, and each tank by seven questions"] as const,
        ]
      : [["/desk/site/new", "Type a site in", "then each tank by seven questions"] as const]),
    ...(office
      ? [["/desk/files", "Bring lists in, or restore a backup", "clients, sites, tanks, readings"] as const]
      : []),
  ];
  return (
    <Box mt="32px" maxW="60ch">
      <Box color="soft" mb="12px">
        There is no site yet. A site that gets recurring visits appears here by itself.
      </Box>
      {ways.map(([href, text, why]) => (
        <Box key={href} py="6px">
          <A asChild color="coralline" textDecoration="underline">
            <AppLink href={href}>{text}</AppLink>
          </A>
          <Span color="soft">: {why}</Span>
        </Box>
      ))}
    </Box>
  );
}

function Nothing({ date, laidOutTo }: { date: string; laidOutTo: string | null }) {
  const beyond = laidOutTo !== null && date > laidOutTo;
  return (
    <Box mt="32px" color="soft" maxW="60ch">
      {beyond
        ? `The round is laid out to ${longDate(laidOutTo)}. Later days fill as they come nearer.`
        : "No stops on this day. Recurring visits appear here by themselves; a stop can be moved here from another day."}
    </Box>
  );
}

function StopRow({
  planned,
  start,
  stop,
  scope,
}: {
  planned: DayStop;
  /** Null where the day has no room for it. */
  start: number | null;
  stop: RoundStop;
  scope: Scope;
}) {
  const closed = stop.tanks.every((t) => t.visitState === "closed");
  const window = planned.window;
  return (
    <Box id={`stop-${stop.id}`} borderBottomWidth="1px" borderColor="rule" py="8px" color={closed ? "faint" : "ink"}>
      <Flex gap="12px" align="baseline" wrap={{ base: "wrap", md: "nowrap" }}>
        <Box fontFamily="mono" w="84px" flexShrink={0}>
          {start === null ? "no time" : clock(start)}
          <Box fontSize="12px" color="faint" whiteSpace="nowrap">
            {duration(planned.minutes)}
          </Box>
        </Box>
        <Box w={{ base: "auto", md: "172px" }} flexShrink={0}>
          <A asChild fontWeight="620" textDecoration="none" _hover={{ textDecoration: "underline" }}>
            <AppLink href={`/stops/${stop.id}`} data-row="">
              {stop.site.name}
            </AppLink>
          </A>
          <Box fontSize="12.5px" color="faint">
            {stop.site.address}
            {window ? ` · ${clock(window.from)}–${clock(window.to)}` : ""}
          </Box>
          {start === null && !closed && (
            <Box fontSize="12.5px" color="vermilion" fontWeight="600">
              does not fit into this day
            </Box>
          )}
        </Box>
        <Box flex="1" minW={{ base: "100%", md: "0" }}>
          {stop.tanks.map((t) => (
            <TankLine key={t.visitId} of={t} closed={t.visitState === "closed"} scope={scope} />
          ))}
        </Box>
      </Flex>
    </Box>
  );
}

function TankLine({ of, closed, scope }: { of: RoundTank; closed: boolean; scope: Scope }) {
  const condition = of.status?.condition ?? "unknown";
  return (
    <Flex gap="12px" align="baseline" wrap={{ base: "wrap", md: "nowrap" }} pb="2px">
      <Box w="180px" flexShrink={0}>
        {of.tank.name}{" "}
        <Span color="faint" fontSize="13px">
          {of.status ? quantityText(of.status.systemL, "L", scope.units, 0) : ""} {shortKind(of.tank.kind)}
        </Span>
      </Box>
      <Box w="106px" flexShrink={0}>
        {closed ? (
          "closed"
        ) : of.visitState === "open" ? (
          <Span color="coralline" fontWeight="600">
            under way
          </Span>
        ) : (
          <ConditionMark state={condition} />
        )}
      </Box>
      <Box
        w="62px"
        textAlign="right"
        fontFamily="mono"
        flexShrink={0}
        color={of.plan.water.litres.value > 0 ? "inherit" : "faint"}
      >
        {litresText(of.plan.water.litres.value, scope.units)}
      </Box>
      <Box
        flex="1"
        minW="0"
        color={
          closed
            ? "inherit"
            : CONDITION_COLOUR[condition === "steady" || condition === "unknown" ? "unknown" : condition]
        }
        fontSize="14px"
      >
        {whatMatters(of, scope)}
      </Box>
    </Flex>
  );
}

const shortKind = (kind: string) => kindFacts[kind as TankKind].label.split(",")[0] ?? kind;

/** The one thing to know of a tank today. */
function whatMatters(of: RoundTank, scope: Scope): string {
  const { plan, input, status } = of;
  if (input.site.hygieneLast)
    return `kept last: under treatment, own kit${plan.water.decision === "postpone" ? ", no change yet" : ""}`;
  if (plan.water.decision === "forbid" || plan.water.decision === "unknown") {
    // What was found of today's water comes before what the plan would have done with it.
    const why = plan.water.reasons.find((r) => r.code === "sea-refused") ?? plan.water.reasons[0];
    return why ? waterSentence(why, scope.units) : "";
  }
  const reason = status?.why.reason;
  if (reason) return conditionSentence(reason, scope.units);
  if (input.findings[0]) return input.findings[0].text;
  if (plan.water.binding) return limitSentence(plan.water.binding, scope.units);
  return "as planned";
}
