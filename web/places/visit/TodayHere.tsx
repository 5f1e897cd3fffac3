import { Box } from "@chakra-ui/react";
import type { DayHere, KeptVisit } from "@/device/useKept";
import { QuietButton } from "@/kit/controls";
import { SmallRibbon } from "@/kit/DayRibbon";
import { B } from "@/kit/elements";
import { clock, duration } from "@/kit/words";

/** Less than this is no delay that anybody needs to hear of. */
const TOLD_MINUTES = 10;

/** Today as it goes by this phone's own log: the ribbon, when it ends, what no longer fits and what would help. */
export function TodayHere({ today, visits }: { today: DayHere; visits: readonly KeptVisit[] }) {
  const { day, behindMinutes, bundle, closed, nowMinute, ways } = today;
  const stops = bundle.input.stops.map((s) => ({
    id: s.id,
    name: s.name,
    condition: bundle.conditions[s.id] ?? "unknown",
    closed: closed.has(s.id),
  }));
  const late = behindMinutes >= TOLD_MINUTES ? `, ${duration(behindMinutes)} behind the plan` : "";
  return (
    <Box mt="14px" data-today-here="">
      <SmallRibbon day={day} stops={stops} nowMinute={nowMinute} />
      <Box role="status" mt="4px">
        Home at <B className="num">{clock(day.homeAt)}</B>
        {late}.
      </Box>
      {day.leftOver.map(({ stop }) => (
        <Box key={stop.id} color="vermilion" fontWeight="600" mt="4px" data-no-room={stop.name}>
          {stop.name} does not fit into this day any more{stop.window ? `: they close at ${clock(stop.window.to)}` : ""}
          .
        </Box>
      ))}
      {ways.map((w) => (
        <Box key={w.stopId} mt="8px" data-way="">
          Without <B>{w.name}</B>
          {w.earlierMinutes > 0 ? `: home ${duration(w.earlierMinutes)} earlier` : ""}
          {w.allFit ? ", all others fit." : "."}
          <CallThem visit={visits.find((v) => v.bundle.stopId === w.stopId)} />
        </Box>
      ))}
      {ways.length > 0 && (
        <Box color="soft" mt="4px">
          Choose who takes it, and when, once there is a network: only your own day is on this phone.
        </Box>
      )}
    </Box>
  );
}

/** The people of a stop, to be told that nobody comes. */
function CallThem({ visit }: { visit: KeptVisit | undefined }) {
  return visit?.bundle.place?.phones.map(({ who, phone }) => (
    <QuietButton asChild key={phone} minH="48px" mt="4px" display="flex" w="fit-content">
      <a href={`tel:${phone.replaceAll(/[^\d+]/g, "")}`}>Call {who}</a>
    </QuietButton>
  ));
}
