import { Box, Flex } from "@chakra-ui/react";
import { addDays, daysBetween, sayDay } from "@keel-round/core/calendar";
import type { Scope } from "@/data/access/scope";
import { FIRM_DAYS, type FirmUpkeep, type SiteUpkeep } from "@/data/programme/firmUpkeep";
import { AppLink } from "@/kit/AppLink";
import { PageHead, TextInput } from "@/kit/controls";
import { A, Form, Line, Rect, Span, Svg, SvgText } from "@/kit/elements";
import { DeskNav } from "../DeskNav";
import { LayOut } from "./LayOut";

const WIDTH = 1092;
const NAME = 190;
const ROW = 40;
const TOP = 26;
/** A bar as high as its lane. */
const FULL_MINUTES = 75;
const BAR_WIDTH = 13;

/** The long jobs of the firm's sites over the coming weeks: how much rides with each visit, and what wears out. */
export function FirmFrieze({
  scope,
  upkeep,
  today,
  page,
  q,
}: {
  scope: Scope;
  upkeep: FirmUpkeep;
  today: string;
  page: number;
  q: string;
}) {
  const { sites, total, pages } = upkeep;
  const x = (on: string) => NAME + (daysBetween(today, on) / FIRM_DAYS) * (WIDTH - NAME - 14);
  const height = TOP + sites.length * ROW + 8;
  const weeks = Array.from({ length: FIRM_DAYS / 7 + 1 }, (_, i) => addDays(today, 7 * i));
  const href = (p: number) => `/desk/upkeep?${new URLSearchParams({ ...(q ? { q } : {}), page: String(p) })}`;
  return (
    <Box>
      <DeskNav here="upkeep" scope={scope} />
      <PageHead
        title="Upkeep of the firm"
        facts={`Long jobs on the visits of the coming twelve weeks; ${total} ${total === 1 ? "site" : "sites"}`}
      />
      <Flex justify="space-between" gap="14px" wrap="wrap" mt="12px" className="screen">
        <Form action="/desk/upkeep" display="flex" gap="8px">
          <TextInput name="q" defaultValue={q} placeholder="Name of a site" aria-label="Name of a site" w="220px" />
        </Form>
        {scope.role === "office" && <LayOut />}
      </Flex>
      {sites.length === 0 ? (
        <Box mt="18px" color="soft">
          {q
            ? "No site is called so."
            : "No site has tanks and recurring visits yet. Give a site its visits at Desk, Sites."}
        </Box>
      ) : (
        <Box overflowX="auto" mt="12px">
          <Svg
            width="100%"
            minW="860px"
            viewBox={`0 0 ${WIDTH} ${height}`}
            role="group"
            aria-label="Long jobs by site and visit"
            display="block"
          >
            {weeks.map((on, i) => (
              <g key={on}>
                <Line x1={x(on)} x2={x(on)} y1={TOP - 8} y2={height - 4} stroke="rule" strokeWidth="1" />
                {i % 2 === 0 && i < weeks.length - 1 && (
                  <SvgText className="num" x={x(on)} y={12} fontSize="12px" fill="soft" textAnchor="middle">
                    {dayMonth(on)}
                  </SvgText>
                )}
              </g>
            ))}
            {sites.map((site, row) => (
              <SiteLane key={site.siteId} site={site} y={TOP + row * ROW} x={x} />
            ))}
          </Svg>
        </Box>
      )}
      <Box color="soft" fontSize="13px" mt="4px">
        A bar is what long jobs take of a visit, as high as its lane at {FULL_MINUTES} minutes; the thin line is what
        the visit has room for. Ochre is more than that, or late. A diamond is a piece of equipment at its end; red
        under a lane, a filter has been opened and the tank's other one is left alone. Each bar leads to the tank.
      </Box>
      {pages > 1 && (
        <Flex gap="14px" mt="10px" className="screen">
          {page > 1 && <AppLink href={href(page - 1)}>Sites before</AppLink>}
          <Span color="soft">
            {page} of {pages}
          </Span>
          {page < pages && <AppLink href={href(page + 1)}>More sites</AppLink>}
        </Flex>
      )}
    </Box>
  );
}

function SiteLane({ site, y, x }: { site: SiteUpkeep; y: number; x: (on: string) => number }) {
  const floor = y + ROW - 6;
  const tall = (minutes: number) => Math.min(1, minutes / FULL_MINUTES) * (ROW - 10);
  return (
    <g>
      {site.rests.map((r) => (
        <g key={`${r.says}${r.from}`}>
          <title>{`${r.says}: the other filter is left alone until ${sayDay(r.to)}`}</title>
          <Rect
            x={x(r.from)}
            y={floor + 1}
            width={Math.max(0, Math.min(x(r.to), WIDTH) - x(r.from))}
            height="4"
            fill="vermilion"
            opacity="0.45"
          />
        </g>
      ))}
      <Line x1={NAME} x2={WIDTH} y1={floor} y2={floor} stroke="ruleStrong" strokeWidth="1" />
      <A asChild>
        <AppLink href={`/tanks/${site.tankId}?tab=programme`}>
          <SvgText x={0} y={floor - 8} fontSize="13.5px" fill="ink">
            {site.name}
          </SvgText>
        </AppLink>
      </A>
      {(site.broken > 0 || site.unplaced > 0) && (
        <SvgText x={0} y={floor + 4} fontSize="11px" fill="ochre">
          {[
            site.broken > 0 ? `${site.broken} not kept apart` : "",
            site.unplaced > 0 ? `${site.unplaced} without a visit` : "",
          ]
            .filter(Boolean)
            .join(", ")}
        </SvgText>
      )}
      {site.visits.map((v) => {
        const ochre = v.minutes > v.freeMinutes || v.jobs.some((j) => j.late);
        const says = `${site.name}, ${sayDay(v.on)}: ${v.jobs.map((j) => `${j.name}${j.late ? " (late)" : ""}`).join(", ")}; ${Math.round(v.minutes)} of ${Math.round(v.freeMinutes)} minutes`;
        return (
          <g key={v.on}>
            <Line
              x1={x(v.on) - BAR_WIDTH / 2}
              x2={x(v.on) + BAR_WIDTH / 2}
              y1={floor - tall(v.freeMinutes)}
              y2={floor - tall(v.freeMinutes)}
              stroke="faint"
              strokeWidth="1"
            />
            {v.jobs.length > 0 && (
              <AppLink href={`/tanks/${site.tankId}?tab=programme`} aria-label={says}>
                <title>{says}</title>
                <Rect
                  x={x(v.on) - BAR_WIDTH / 2 + 1}
                  y={floor - Math.max(3, tall(v.minutes))}
                  width={BAR_WIDTH - 2}
                  height={Math.max(3, tall(v.minutes))}
                  fill={ochre ? "ochre" : "soft"}
                />
              </AppLink>
            )}
          </g>
        );
      })}
      {site.wears.map((w) => (
        <g key={`${w.name}${w.on}`}>
          <title>{`${w.name}: replace before it fails, ${sayDay(w.on)}`}</title>
          <path
            d={`M${x(w.on)} ${floor - 12} l6 6 l-6 6 l-6 -6 Z`}
            fill="var(--kr-colors-ochre)"
            stroke="var(--kr-colors-sheet)"
          />
        </g>
      ))}
    </g>
  );
}

const dayMonth = (on: string) =>
  new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", timeZone: "UTC" }).format(
    new Date(`${on}T12:00:00Z`),
  );
