import { Box, Flex } from "@chakra-ui/react";
import { longDate, sayDay } from "@keel-round/core/calendar";
import { andList, counted } from "@keel-round/core/text";
import type { LoggedVisit, SiteLog } from "@/data/visit/siteLog";
import { Problem, QuietButton, TextInput } from "@/kit/controls";
import { B, Form, Label, Span } from "@/kit/elements";
import { Paper } from "@/kit/Paper";

/** All visits of a site over some days on paper, as a school or a clinic has to keep them. */
export function SiteLogSheet({
  siteId,
  log,
  wrong,
  owner,
}: {
  siteId: string;
  log: SiteLog;
  /** What cannot be asked for; the usual days are shown then. */
  wrong: string | null;
  owner: boolean;
}) {
  const { siteName, from, to, visits } = log;
  return (
    <Paper
      title={`${siteName}: log of visits`}
      aside={`${sayDay(from)} ${from.slice(0, 4)} to ${sayDay(to)} ${to.slice(0, 4)}`}
      back={owner ? { href: "/owner", label: "To your page" } : { href: `/desk/site/${siteId}`, label: "To the site" }}
    >
      <Form action="/site-log" className="screen" mt="12px">
        <input type="hidden" name="site" value={siteId} />
        <Flex gap="10px" align="end" wrap="wrap">
          <Day name="from" label="From" value={from} />
          <Day name="to" label="To" value={to} />
          <QuietButton type="submit">Show these days</QuietButton>
          <QuietButton asChild>
            <a href={`/api/export/site-log?${new URLSearchParams({ site: siteId, from, to })}`}>CSV</a>
          </QuietButton>
          <QuietButton asChild>
            <a href={`/api/export/site-log?${new URLSearchParams({ site: siteId, from, to, pdf: "" })}`}>PDF</a>
          </QuietButton>
        </Flex>
        <Problem says={wrong} mt="8px" />
      </Form>
      <Box color="soft" mt="12px">
        {visits.length === 0 ? "No visit was closed on these days." : counted(visits.length, "visit")}
      </Box>
      {visits.map((v) => (
        <OneVisit key={v.id} of={v} />
      ))}
    </Paper>
  );
}

function Day({ name, label, value }: { name: string; label: string; value: string }) {
  return (
    <Label fontSize="13.5px" display="inline-flex" flexDirection="column">
      {label}
      <TextInput type="date" name={name} defaultValue={value} w="165px" />
    </Label>
  );
}

function OneVisit({ of: v }: { of: LoggedVisit }) {
  const parts = [
    ["Measured", v.readings],
    ["Water", v.water],
    ["Done", v.done],
    ["Left out", v.left],
    ["Found", v.found],
  ] as const;
  return (
    <Box py="8px" borderBottomWidth="1px" borderColor="ruleStrong" breakInside="avoid" data-visit={v.on}>
      <Flex justify="space-between" gap="12px" wrap="wrap">
        <B fontWeight="640">
          {longDate(v.on)}, {v.tank}
        </B>
        <Span color="soft">
          {v.by}
          {v.time && `, ${v.time}`}
        </Span>
      </Flex>
      {parts.map(([label, said]) =>
        said.length === 0 ? null : (
          <Flex key={label} gap="10px" fontSize="14.5px">
            <Span color="soft" w="76px" flexShrink={0}>
              {label}
            </Span>
            <span>{label === "Found" ? said.join("; ") : andList(said)}</span>
          </Flex>
        ),
      )}
    </Box>
  );
}
