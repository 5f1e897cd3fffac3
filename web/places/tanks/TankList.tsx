import { Box, Flex } from "@chakra-ui/react";
import { daysBetween } from "@keel-round/core/calendar";
import { kindFacts, type TankKind } from "@keel-round/core/tank";
import { inSentence } from "@keel-round/core/text";
import { figure } from "@keel-round/core/units";
import { conditionSentence } from "@keel-round/core/words";
import type { Scope } from "@/data/access/scope";
import type { TankRow } from "@/data/tanks/tanks";
import { AppLink } from "@/kit/AppLink";
import { BandDots } from "@/kit/BandStrip";
import { CONDITION_COLOUR, ConditionMark } from "@/kit/Condition";
import { PageHead, QuietButton, TextInput } from "@/kit/controls";
import { A, Form, Table, Th, Thead, Tr } from "@/kit/elements";
import { dayLabel } from "@/kit/words";
import { filterTanks, inShow, SHOWS, type Show, type TankFilter } from "./filter";

const LABEL: Record<Show, string> = {
  off: "Off course",
  drifting: "Drifting",
  week: "Visit this week",
  salt: "Salt",
  fresh: "Fresh",
  mine: "Mine",
};
/** Rows of one page: as many as a person looks through. */
const PAGE = 50;

const NONE: Record<Show, string> = {
  off: "No tank is off course.",
  drifting: "No tank is drifting.",
  week: "No tank has a visit in the next seven days.",
  salt: "No tank has salt water.",
  fresh: "No tank has fresh water.",
  mine: "No tank has its next visit with you.",
};

/** Why a list of tanks is empty. */
function whyNone(all: number, { q, show }: TankFilter): string {
  if (all === 0) return "There are no tanks yet.";
  const of = SHOWS.find((s) => s === show);
  if (q) return `No tank is found for “${q}”${of ? ` among ${inSentence(LABEL[of])}` : ""}.`;
  return of ? NONE[of] : "";
}

/** All tanks, what matters first. Search and filters live in the address, so a list can be kept and sent. */
export function TankList({
  scope,
  rows,
  filter,
  today,
}: {
  scope: Scope;
  rows: readonly TankRow[];
  filter: TankFilter;
  today: string;
}) {
  const shown = filterTanks(rows, filter, today, scope.personId);
  const sites = new Set(rows.map((r) => r.siteName)).size;
  const pages = Math.max(1, Math.ceil(shown.length / PAGE));
  const page = Math.min(pages, Math.max(1, Number.parseInt(filter.page ?? "1", 10) || 1));
  const href = (show: string | undefined, to = 1) => {
    const params = new URLSearchParams({
      ...(filter.q ? { q: filter.q } : {}),
      ...(show ? { show } : {}),
      ...(to > 1 ? { page: String(to) } : {}),
    });
    return `/tanks${params.size > 0 ? `?${params}` : ""}`;
  };
  return (
    <Box>
      <PageHead
        title="Tanks"
        facts={`${rows.length} tanks at ${sites} sites`}
        actions={
          scope.role !== "tankOwner" && (
            <>
              <QuietButton asChild>
                <AppLink href="/tanks/attention">Attention</AppLink>
              </QuietButton>
              <QuietButton asChild>
                <AppLink href="/tanks/readings">Enter readings</AppLink>
              </QuietButton>
              <QuietButton asChild>
                <AppLink href="/tanks/new">New tank</AppLink>
              </QuietButton>
            </>
          )
        }
      />
      <Flex gap="10px" mt="14px" mb="10px" wrap="wrap" align="center">
        <Form action="/tanks" role="search" w="300px" maxW="100%">
          {filter.show && <input type="hidden" name="show" value={filter.show} />}
          <TextInput
            id="find"
            name="q"
            type="search"
            placeholder="tank, site, street, kind"
            defaultValue={filter.q ?? ""}
            aria-label="Search tanks"
          />
        </Form>
        {SHOWS.filter((s) => scope.role === "technician" || scope.role === "lead" || s !== "mine").map((s) => {
          const on = filter.show === s;
          const count = rows.filter((r) => inShow(r, s, today, scope.personId)).length;
          return (
            <QuietButton
              key={s}
              asChild
              fontWeight={on ? "600" : "400"}
              fontSize="14px"
              {...(on ? { bg: "corallineWash", borderColor: "coralline", color: "coralline" } : {})}
            >
              <AppLink href={href(on ? undefined : s)} aria-current={on ? "true" : undefined}>
                {LABEL[s]} {count}
              </AppLink>
            </QuietButton>
          );
        })}
      </Flex>
      {shown.length === 0 ? (
        <Box color="soft" py="20px">
          {whyNone(rows.length, filter)}{" "}
          <A asChild color="coralline">
            {rows.length === 0 ? (
              <AppLink href={scope.role === "tankOwner" ? "/round" : "/tanks/new"}>
                {scope.role === "tankOwner" ? "Back" : "Make the first tank"}
              </AppLink>
            ) : (
              <AppLink href="/tanks">Show all {rows.length}</AppLink>
            )}
          </A>
        </Box>
      ) : (
        <Box overflowX="auto">
          <Table w="100%" minW="900px" borderCollapse="collapse" fontSize="14.5px" css={ROWS}>
            <Thead>
              <Tr textAlign="left" color="soft" fontSize="13px">
                {["Condition", "Tank", "Site", "Kind", "Litres", "In its bands", "Visit", "What matters"].map((h) => (
                  <Th
                    key={h}
                    fontWeight="620"
                    pb="8px"
                    pr="14px"
                    textAlign={h === "Litres" ? "right" : "left"}
                    borderBottomWidth="1px"
                    borderColor="ruleStrong"
                  >
                    {h}
                  </Th>
                ))}
              </Tr>
            </Thead>
            <tbody>
              {shown.slice((page - 1) * PAGE, page * PAGE).map((row) => (
                <Row key={row.id} row={row} scope={scope} today={today} />
              ))}
            </tbody>
          </Table>
        </Box>
      )}
      <Box color="soft" fontSize="13px" mt="10px">
        {shown.length === 0 ? 0 : (page - 1) * PAGE + 1} to {Math.min(shown.length, page * PAGE)} of {shown.length}
        {shown.length < rows.length ? ` (${rows.length} in all)` : ""} · in its bands: one dot a parameter, above or
        below the shaded middle, in the order of the tank's own tests
        {pages > 1 && (
          <Flex gap="10px" mt="10px">
            {page > 1 && (
              <QuietButton asChild>
                <AppLink href={href(filter.show, page - 1)}>Before</AppLink>
              </QuietButton>
            )}
            {page < pages && (
              <QuietButton asChild>
                <AppLink href={href(filter.show, page + 1)}>Next {Math.min(PAGE, shown.length - page * PAGE)}</AppLink>
              </QuietButton>
            )}
          </Flex>
        )}
      </Box>
    </Box>
  );
}

/** Rows are plain elements under one style of their table: hundreds of styled cells would be slow to make. */
const ROWS = {
  "& td": { py: "8px", pr: "14px", borderBottomWidth: "1px", borderColor: "rule", verticalAlign: "middle" },
  "& td.dots": { py: "3px" },
  "& td.soft": { color: "soft" },
  "& td.num": { fontFamily: "mono", textAlign: "right" },
  "& td.line, & td.num": { whiteSpace: "nowrap" },
  "& td a": { fontWeight: "620", textDecoration: "none", _hover: { textDecoration: "underline" } },
  "& td.off": { color: CONDITION_COLOUR.off },
  "& td.drifting": { color: CONDITION_COLOUR.drifting },
} as const;

function visitDay(nextOn: string | null, today: string): string {
  if (nextOn === null) return "none laid out";
  if (nextOn === today) return "today";
  return daysBetween(today, nextOn) === 1 ? "tomorrow" : dayLabel(nextOn);
}

function Row({ row, scope, today }: { row: TankRow; scope: Scope; today: string }) {
  const condition = row.status?.condition ?? "unknown";
  const reason = row.status?.why.reason;
  const others = row.status?.why.others.length ?? 0;
  return (
    <tr>
      <td className="line">
        <ConditionMark state={condition} />
      </td>
      <td className="line">
        <AppLink href={`/tanks/${row.id}`} data-row="">
          {row.name}
        </AppLink>
      </td>
      <td>{row.siteName}</td>
      <td className="soft">{kindFacts[row.kind as TankKind].label}</td>
      <td className="num">{row.status ? figure(row.status.systemL, 0) : ""}</td>
      <td className="dots">
        <BandDots dots={row.status?.dots ?? []} />
      </td>
      <td className="line">{visitDay(row.nextOn, today)}</td>
      <td className={condition === "off" || condition === "drifting" ? condition : "soft"}>
        {reason ? conditionSentence(reason, scope.units) : ""}
        {others > 0 ? `, and ${others} more` : ""}
      </td>
    </tr>
  );
}
