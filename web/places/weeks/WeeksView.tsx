import { Box, Flex } from "@chakra-ui/react";
import { addDays, longDate, sayDay } from "@keel-round/core/calendar";
import { type BoardPerson, KNOWS_NAME, weekOf } from "@keel-round/core/weeks";
import { type Scope, seesAll } from "@/data/access/scope";
import type { Weeks } from "@/data/round/weeks";
import { AppLink } from "@/kit/AppLink";
import { Choice, Notice, PageHead, QuietButton } from "@/kit/controls";
import { A, Form } from "@/kit/elements";
import { Kbd } from "@/kit/shell/Kbd";
import { Board } from "./Board";
import type { WeekRow } from "./cells";
import { type Asked, stepFrom } from "./span";

const SPANS = [
  ["week", "Week"],
  ["cycle", "4 weeks"],
  ["month", "Month"],
] as const;

/** Who goes where on which day. */
export function WeeksView({
  scope,
  weeks,
  asked,
  today,
  who,
  first,
}: {
  scope: Scope;
  weeks: Weeks;
  asked: Asked;
  today: string;
  /** Whose month it is. */
  who: string | undefined;
  first: string | null;
}) {
  const { board, laidOutTo } = weeks;
  const one =
    board.people.find((p) => p.id === who) ?? board.people.find((p) => p.id === scope.personId) ?? board.people[0];
  const rows = rowsOf(asked, board.people, one);
  const shown = new Set(rows.map((r) => r.personId));
  const stops = board.stops.filter((s) => s.setAside === null && shown.has(s.personId)).length;
  const href = (change: Partial<Record<"from" | "span" | "who", string>>) => {
    const now = {
      from: asked.mondays[0] ?? today,
      span: asked.span,
      who: asked.span === "month" ? (one?.id ?? "") : "",
    };
    return `/weeks?${new URLSearchParams(Object.entries({ ...now, ...change }).filter(([, v]) => v !== ""))}`;
  };
  return (
    <Box>
      <PageHead
        title={titleOf(asked)}
        facts={`${stops} ${stops === 1 ? "stop" : "stops"}, ${shown.size === 1 ? (one?.name ?? "nobody") : `${shown.size} people`}`}
        actions={
          <>
            <Flex gap="6px" role="group" aria-label="How much is shown">
              {SPANS.map(([span, name]) => (
                <QuietButton key={span} asChild bg={asked.span === span ? "corallineWash" : undefined}>
                  <AppLink
                    href={href({
                      span,
                      from: asked.span === "month" ? addDays(asked.from, 6) : (asked.mondays[0] ?? today),
                    })}
                    aria-current={asked.span === span ? "true" : undefined}
                  >
                    {name}
                  </AppLink>
                </QuietButton>
              ))}
            </Flex>
            {asked.span === "month" && seesAll(scope.role) && board.people.length > 1 && (
              <Form action="/weeks">
                <input type="hidden" name="span" value="month" />
                <input type="hidden" name="from" value={addDays(asked.from, 6)} />
                <Choice name="who" defaultValue={one?.id} aria-label="Whose month" w="auto" mr="6px">
                  {board.people.map((p) => (
                    <option key={p.id} value={p.id}>
                      {p.name}
                    </option>
                  ))}
                </Choice>
                <QuietButton type="submit">Show</QuietButton>
              </Form>
            )}
            <Flex color="soft" fontSize="13.5px" gap="6px" align="center">
              <A asChild textDecoration="none">
                <AppLink href={href({ from: stepFrom(asked, -1) })} data-key="previous-day" aria-label="Before">
                  <Kbd>[</Kbd>
                </AppLink>
              </A>
              <A asChild textDecoration="none">
                <AppLink href={href({ from: stepFrom(asked, 1) })} data-key="next-day" aria-label="After">
                  <Kbd>]</Kbd>
                </AppLink>
              </A>
            </Flex>
            {asked.span === "week" && (
              <QuietButton asChild>
                <AppLink href={`/weeks/print?from=${asked.mondays[0] ?? today}`}>Print</AppLink>
              </QuietButton>
            )}
            {(today < asked.from || today > asked.to) && (
              <QuietButton asChild>
                <AppLink href={href({ from: today })}>Today</AppLink>
              </QuietButton>
            )}
          </>
        }
      />
      {laidOutTo !== null && asked.to > laidOutTo && (
        <Box mt="10px">
          <Notice tone="plain">
            Visits are laid out to {longDate(laidOutTo)}. Later days fill as they come nearer.
          </Notice>
        </Box>
      )}
      {rows.length === 0 ? (
        <Box mt="24px" color="soft">
          Nobody drives rounds yet. Invite a technician at the desk.
        </Box>
      ) : (
        <Board
          weeks={weeks}
          rows={rows}
          today={today}
          units={scope.units}
          zone={scope.zone}
          mayClose={seesAll(scope.role)}
          first={first}
        />
      )}
    </Box>
  );
}

function rowsOf(asked: Asked, people: readonly BoardPerson[], one: BoardPerson | undefined): WeekRow[] {
  const shown = asked.span === "month" ? people.filter((p) => p === one) : people;
  const several = asked.mondays.length > 1;
  return asked.mondays.flatMap((monday) =>
    shown.map((p) => ({
      id: `${monday} ${p.id}`,
      personId: p.id,
      label: asked.span === "month" ? sayDay(monday) : p.name,
      under: several && asked.span !== "month" ? `week of ${sayDay(monday)}` : asked.span === "month" ? "" : does(p),
      days: weekOf(monday),
    })),
  );
}

const WATERS = ["salt", "fresh", "drum"] as const;

/** What somebody does, in a few words. */
const does = (p: BoardPerson): string =>
  p.knows === null
    ? "does everything"
    : WATERS.filter((w) => p.knows?.includes(w))
        .map((w) => KNOWS_NAME[w])
        .join(", ") || "no water";

/** "23 to 29 November", or the month's name. */
function titleOf({ span, from, to }: Asked): string {
  if (span === "month")
    return new Intl.DateTimeFormat("en-GB", { month: "long", year: "numeric", timeZone: "UTC" }).format(
      new Date(`${addDays(from, 6)}T12:00:00Z`),
    );
  return from.slice(0, 7) === to.slice(0, 7)
    ? `${Number(from.slice(8))} to ${sayDay(to)}`
    : `${sayDay(from)} to ${sayDay(to)}`;
}
