import { Box, Flex } from "@chakra-ui/react";
import { longDate } from "@keel-round/core/calendar";
import { litresText, quantityText } from "@keel-round/core/units";
import { missingIn } from "@keel-round/core/visit";
import type { Scope } from "@/data/access/scope";
import type { Round, RoundStop } from "@/data/round/round";
import { placeOf } from "@/data/visit/place";
import { B, Span } from "@/kit/elements";
import { Paper } from "@/kit/Paper";
import { clock, duration } from "@/kit/words";
import { highWater } from "./SeaWater";

/** A person's day on paper: where, when, whom to ring, how to get in, what to carry, how much water. No codes of doors. */
export function PrintedDay({ scope, round, date }: { scope: Scope; round: Round; date: string }) {
  const { day, person } = round;
  const start = new Map(day.stops.map((s) => [s.stop.id, s.start]));
  const order = [...day.stops, ...day.leftOver].flatMap(({ stop }) => round.stops.find((s) => s.id === stop.id) ?? []);
  const load = (pick: (l: RoundStop["tanks"][number]["plan"]["load"]) => number) =>
    round.stops.flatMap((s) => s.tanks).reduce((sum, t) => sum + pick(t.plan.load), 0);
  const water: readonly (readonly [string, number])[] = [
    ["mix", load((l) => l.mixL)],
    // Sea water that is collected on the way is not loaded at base.
    ["sea water", day.collection?.none === null ? 0 : load((l) => l.seaL)],
    ["RO water", load((l) => l.purifiedL)],
  ];
  const carried = water.filter(([, litres]) => litres > 0);
  return (
    <Paper
      title={longDate(date)}
      aside={person.name}
      back={{
        href: `/round?day=${date}${person.id === scope.personId ? "" : `&who=${person.id}`}`,
        label: "To the round",
      }}
    >
      <Box mt="10px">
        {order.length === 0
          ? "No stops on this day."
          : `Leave base at ${clock(day.leaveAt)}, home at ${clock(day.homeAt)}. ${
              carried.length > 0
                ? `Load ${carried.map(([name, litres]) => `${litresText(litres, scope.units)} of ${name}`).join(", ")}: ${quantityText(day.peakKg, "kg", scope.units, 0)} at most.`
                : "No water to load."
            }`}
      </Box>
      {day.collection?.none === null && (
        <Box mt="8px" data-collect="">
          <B fontSize="17px">Alarm clock {clock(day.collection.alarmAt)}.</B> Collect{" "}
          {litresText(day.collection.litres, scope.units)} of sea water at {round.sea?.placeName},{" "}
          {clock(day.collection.start)} to {clock(day.collection.end)}; high water{" "}
          {highWater(day.collection.window.highAt)}. Measure salinity and temperature, look for notices, before it is
          used.
        </Box>
      )}
      {order.map((s) => (
        <Stop key={s.id} stop={s} start={start.get(s.id) ?? null} scope={scope} van={person.vanKit} />
      ))}
      <Box mt="14px" color="soft" fontSize="13px">
        Printed for {longDate(date)}; what is measured there may change it.
      </Box>
    </Paper>
  );
}

function Stop({
  stop,
  start,
  scope,
  van,
}: {
  stop: RoundStop;
  start: number | null;
  scope: Scope;
  van: readonly string[];
}) {
  const { site, client } = stop;
  const minutes =
    site.setUpMinutes + stop.tanks.reduce((sum, t) => sum + (t.plan.cautiousMinutes ?? t.plan.minutes), 0);
  const { phones } = placeOf(site, client);
  const kit = [...new Set(stop.tanks.flatMap((t) => missingIn(t.plan.kit, van)))];
  return (
    <Box borderBottomWidth="1px" borderColor="ruleStrong" py="9px" breakInside="avoid" data-stop={site.name}>
      <Flex justify="space-between" gap="14px" align="baseline">
        <B fontSize="17px">
          {start === null ? "no time" : clock(start)} {site.name}
        </B>
        <Span whiteSpace="nowrap">{duration(minutes)}</Span>
      </Flex>
      <Box>{[site.address, site.parking].filter(Boolean).join(" · ")}</Box>
      <Box>
        {[site.access, site.askFor ? `Ask for ${site.askFor}.` : ""].filter(Boolean).join(" ")}
        {phones.map((p) => ` ${p.who}: ${p.phone}.`).join("")}
      </Box>
      {stop.tanks.map((t) => (
        <Flex key={t.visitId} gap="12px" pt="3px">
          <Span w="200px" flexShrink={0}>
            {t.tank.name}
          </Span>
          <Span fontFamily="mono" w="80px" textAlign="right" flexShrink={0}>
            {litresText(t.plan.water.litres.value, scope.units)}
          </Span>
          <Span flex="1">
            {t.plan.steps
              .filter((s) => s.task && !s.held)
              .map((s) => s.title)
              .join(", ")}
          </Span>
        </Flex>
      ))}
      {kit.length > 0 && <Box pt="3px">Take along: {kit.join("; ")}.</Box>}
    </Box>
  );
}
