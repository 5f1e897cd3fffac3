import { Box, Flex } from "@chakra-ui/react";
import { MINUTES_A_DAY } from "@keel-round/core/calendar";
import { say } from "@keel-round/core/say";
import { litresText, quantityText } from "@keel-round/core/units";
import type { Scope } from "@/data/access/scope";
import type { Round } from "@/data/round/round";
import { AppLink } from "@/kit/AppLink";
import { Notice, QuietButton, SubHead } from "@/kit/controls";
import { B, Span } from "@/kit/elements";
import { clock, dayLabel } from "@/kit/words";
import { MixInstead } from "./MixInstead";

/** The day's sea water: when the alarm clock rings, what to collect in which tide, and whether it may be used. */
export function SeaWater({ scope, round, date, today }: { scope: Scope; round: Round; date: string; today: string }) {
  const { sea, day } = round;
  if (!sea) return null;
  const { collection } = day;
  const mine = sea.lots.filter((l) => l.onDate === date);
  const kept = sea.lots.filter((l) => l.onDate !== date && l.usable);
  const litres = collection?.litres ?? mine.reduce((sum, l) => sum + l.litres, 0);
  const form = new URLSearchParams({
    name: `Sea water, ${dayLabel(date)}`,
    quayId: sea.quayId,
    onDate: date,
    ...(litres > 0 ? { litres: String(litres) } : {}),
  });
  return (
    <Box mt="12px" borderTopWidth="1px" borderBottomWidth="1px" borderColor="rule" py="10px" data-sea="">
      <SubHead>Sea water from {sea.placeName}</SubHead>
      {collection?.none === null && (
        <Flex gap="10px 34px" wrap="wrap" align="baseline" mt="6px">
          <Big label="Alarm clock" value={clock(collection.alarmAt)} />
          <Big label="Leave base" value={clock(collection.leaveAt)} />
          <Big label="Collect" value={`${clock(collection.start)}–${clock(collection.end)}`} />
          <Big label="How much" value={litresText(collection.litres, scope.units)} />
          <Box fontSize="14.5px" color="soft">
            High water {highWater(collection.window.highAt)}, {metres(collection.window.highM, scope)}. The tide allows{" "}
            {clock(collection.window.from)} to {clock(collection.window.to)}.
            <br />
            By the station {sea.stationName}. {sea.permission}
          </Box>
        </Flex>
      )}
      {collection && collection.none !== null && (
        <Box mt="6px">
          <Notice tone="care">
            {collection.none === "no-window"
              ? `No tide of this day fits: ${turns(round, scope)}.`
              : `No tide of this day leaves room for the stops: ${turns(round, scope)}.`}{" "}
            Mix the salt water at the tank, or collect the day before.
          </Notice>
        </Box>
      )}
      {mine.map((lot) => (
        <Box key={lot.id} mt="8px">
          <Notice tone={lot.usable ? "plain" : "danger"}>
            <B fontWeight="620">
              {litresText(lot.litres, scope.units)} collected{lot.usable ? ", may be used." : ", must not be used."}
            </B>{" "}
            {lot.why.map((w) => say(w, scope.units)).join(" ")}{" "}
            <AppLink href={`/desk/seaLot/${lot.id}`}>Correct what was recorded</AppLink>
          </Notice>
        </Box>
      ))}
      {kept.map((lot) => (
        <Box key={lot.id} mt="6px" color="soft" fontSize="14.5px">
          {litresText(lot.litres, scope.units)} collected on {dayLabel(lot.onDate)} still keeps.{" "}
          <AppLink href={`/desk/seaLot/${lot.id}`}>See it</AppLink>
        </Box>
      ))}
      {sea.instead.map((way) => (
        <Flex key={way.visitId} gap="12px" mt="8px" align="baseline" wrap="wrap">
          <Span>
            {way.tankName}, {way.siteName}: mix {litresText(way.litres, scope.units)} there,{" "}
            <B fontWeight="640">{grams(way.grams, scope)}</B> of {way.saltName}.
          </Span>
          {date >= today && <MixInstead way={way} />}
        </Flex>
      ))}
      {date <= today && mine.length === 0 && (
        <QuietButton asChild mt="10px">
          <AppLink href={`/desk/seaLot/new?${form}`}>Record sea water</AppLink>
        </QuietButton>
      )}
    </Box>
  );
}

function Big({ label, value }: { label: string; value: string }) {
  return (
    <Box>
      <Box fontSize="12.5px" color="soft">
        {label}
      </Box>
      <Box fontFamily="mono" fontSize="30px" lineHeight="1.1" fontWeight="600">
        {value}
      </Box>
    </Box>
  );
}

/** When high water is: it may be the evening before, or the next morning. */
export const highWater = (minute: number): string =>
  `${clock(minute)}${minute < 0 ? " the evening before" : minute >= MINUTES_A_DAY ? " the next morning" : ""}`;

const metres = (value: number, { units }: Scope): string => quantityText(value, "m", units, 1);

const grams = (value: number, { units }: Scope): string =>
  value >= 1000 ? quantityText(value / 1000, "kg", units, 2) : quantityText(value, "g", units, 0);

/** "high water 02:10 (4.1 m) and 14:35 (4.3 m)". */
function turns({ sea }: Round, scope: Scope): string {
  const high = (sea?.tide.turns ?? []).filter((t) => t.kind === "high");
  if (high.length === 0) return "no high water";
  return `high water ${high.map((t) => `${clock(t.minute)} (${metres(t.heightM, scope)})`).join(" and ")}`;
}
