import { Box, Flex, Grid } from "@chakra-ui/react";
import { attentionAdvice, attentionSentence } from "@keel-round/core/attention";
import { addDays } from "@keel-round/core/calendar";
import { say } from "@keel-round/core/say";
import { counted, sentence } from "@keel-round/core/text";
import type { UnitPreference } from "@keel-round/core/units";
import type { AttentionRow } from "@/data/tanks/attention";
import type { KitsAhead } from "@/data/tanks/kitsAhead";
import { AppLink } from "@/kit/AppLink";
import { PageHead, QuietButton } from "@/kit/controls";
import { A, Span } from "@/kit/elements";
import { dayLabel } from "@/kit/words";
import { ATTENTION_SHOWS, type AttentionShow, attentionHref, ofShow } from "./attentionFilter";
import { KitsAndPumps } from "./KitsAndPumps";
import { TestThen } from "./TestThen";

const LABEL: Record<AttentionShow, string> = {
  now: "By today",
  edges: "Limits ahead",
  tests: "To be tested",
  odd: "Readings that do not fit",
};

/** Rows of one page: as many as a person looks through. */
const PAGE = 50;

interface AttentionListProps {
  readonly rows: readonly AttentionRow[];
  /** Tanks in sight, and those of them that nobody judged yet. */
  readonly tanks: number;
  readonly unjudged: number;
  readonly show: AttentionShow | null;
  readonly page: number;
  readonly today: string;
  readonly units: UnitPreference;
  readonly kits: KitsAhead;
}

/** What has to be seen to over all tanks, the most urgent first, each with what to do. */
export function AttentionList({ kits, units, ...list }: AttentionListProps) {
  const { rows, tanks: all, unjudged, show, page: asked, today } = list;
  const shown = show ? rows.filter((r) => ofShow(r.item, show)) : rows;
  const pages = Math.max(1, Math.ceil(shown.length / PAGE));
  const page = Math.min(pages, Math.max(1, asked));
  const tanks = new Set(rows.map((r) => r.tankId)).size;
  return (
    <Box>
      <PageHead
        title="Attention"
        facts={rows.length === 0 ? "" : `${counted(rows.length, "thing")} to see to at ${counted(tanks, "tank")}`}
        actions={
          <QuietButton asChild>
            <AppLink href="/tanks">All tanks</AppLink>
          </QuietButton>
        }
      />
      <Flex gap="10px" mt="14px" mb="10px" wrap="wrap">
        {ATTENTION_SHOWS.map((s) => (
          <QuietButton
            key={s}
            asChild
            fontSize="14px"
            {...(s === show ? { bg: "corallineWash", borderColor: "coralline", color: "coralline" } : {})}
          >
            <AppLink href={attentionHref(s === show ? null : s)} aria-current={s === show ? "true" : undefined}>
              {LABEL[s]} {rows.filter((r) => ofShow(r.item, s)).length}
            </AppLink>
          </QuietButton>
        ))}
      </Flex>
      {shown.length === 0 ? (
        <Box color="soft" py="20px">
          {rows.length > 0 ? "None of these." : nothing(all, unjudged)}
        </Box>
      ) : (
        <Box asChild borderTopWidth="1px" borderColor="ruleStrong">
          <ul>
            {shown.slice((page - 1) * PAGE, page * PAGE).map((row) => (
              <Row key={keyOf(row)} row={row} today={today} units={units} />
            ))}
          </ul>
        </Box>
      )}
      {unjudged > 0 && (
        <Box color="ochre" mt="10px">
          {counted(unjudged, "tank")} not looked at yet: tonight's check adds {unjudged === 1 ? "it" : "them"}.
        </Box>
      )}
      {pages > 1 && (
        <Flex gap="10px" mt="10px" align="center" color="soft">
          {page > 1 && (
            <QuietButton asChild>
              <AppLink href={attentionHref(show, page - 1)}>Before</AppLink>
            </QuietButton>
          )}
          page {page} of {pages}
          {page < pages && (
            <QuietButton asChild>
              <AppLink href={attentionHref(show, page + 1)}>Next</AppLink>
            </QuietButton>
          )}
        </Flex>
      )}
      <KitsAndPumps of={kits} units={units} />
    </Box>
  );
}

/** Why the list is empty. */
function nothing(tanks: number, unjudged: number): string {
  if (tanks === 0) return "There are no tanks yet.";
  return unjudged === 0 ? "Nothing. Every tank is as it should be until the next visit." : "Nothing so far.";
}

const keyOf = ({ tankId, item }: AttentionRow) =>
  `${tankId} ${item.code} ${item.code === "condition" ? JSON.stringify(item.reason) : item.parameter}`;

/** By when it has to be seen to. */
function until({ item, judgedOn }: AttentionRow, today: string): string {
  const on = addDays(judgedOn, item.withinDays);
  return on <= today ? "today" : dayLabel(on);
}

function Row({ row, today, units }: { row: AttentionRow; today: string; units: UnitPreference }) {
  const { item, next } = row;
  const when = { on: row.judgedOn, nextVisitOn: next?.on ?? null };
  return (
    <Grid
      asChild
      templateColumns={{ base: "1fr", md: "84px 170px 1fr 190px" }}
      gap={{ base: "3px", md: "14px" }}
      py="10px"
      borderBottomWidth="1px"
      borderColor="rule"
      fontSize="14.5px"
    >
      <li data-attention={item.code} data-tank={row.tankName}>
        {item.atOnce ? (
          <Span color="vermilion" fontWeight="620">
            now
          </Span>
        ) : (
          <Span>{until(row, today)}</Span>
        )}
        <Box>
          <A asChild fontWeight="620" textDecoration="none" _hover={{ textDecoration: "underline" }}>
            <AppLink href={`/tanks/${row.tankId}`}>{row.tankName}</AppLink>
          </A>
          <Box fontSize="13px" color="soft">
            {row.siteName}
          </Box>
        </Box>
        <Box>
          {sentence(say(attentionSentence(item, when), units))}{" "}
          <Span color="soft">{say(attentionAdvice(item, when), units)}</Span>
        </Box>
        <Next row={row} />
      </li>
    </Grid>
  );
}

/** Into the round: its test onto the next visit, or one visit more before it is too late. */
function Next({ row: { item, next, tankId, testOn, judgedOn } }: { row: AttentionRow }) {
  if (!next) return <Span color="soft">No visit is planned.</Span>;
  return (
    <Flex direction={{ base: "row", md: "column" }} wrap="wrap" gap="5px" align="flex-start">
      <Span color="soft" w="100%">
        Next visit {dayLabel(next.on)}
      </Span>
      {testOn ? (
        <Span>Test planned for {dayLabel(testOn)}</Span>
      ) : (
        item.test && <TestThen tankId={tankId} code={item.test} on={next.on} />
      )}
      {item.code === "crosses" && addDays(judgedOn, Math.floor(item.inDays)) < next.on && (
        <QuietButton asChild fontSize="13.5px">
          <AppLink href={`/weeks?from=${next.on}&stop=${next.stopId}`}>Plan a visit before</AppLink>
        </QuietButton>
      )}
    </Flex>
  );
}
