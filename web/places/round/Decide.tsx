import { Box } from "@chakra-ui/react";
import type { Remedy } from "@keel-round/core/round";
import { quantityText, type UnitPreference } from "@keel-round/core/units";
import type { Round } from "@/data/round";
import { SubHead } from "@/kit/controls";
import { B, Span } from "@/kit/elements";
import { clock, duration } from "@/kit/words";
import { RemedyButton } from "./RemedyButton";

/** What of the day needs a decision, and nothing else. */
export function Decide({
  round,
  date,
  today,
  units,
}: {
  round: Round;
  date: string;
  today: string;
  units: UnitPreference;
}) {
  const { day, person } = round;
  const items: { key: string; title: string; body: React.ReactNode }[] = [];
  if (!day.fits)
    items.push({
      key: "van",
      title: `${kg(day.peakKg, units)} of water, and the van carries ${kg(person.vanKg, units)}.`,
      body:
        day.remedies.length === 0 ? (
          "Nothing on this day can be moved or mixed on site to make it fit. Split the largest change."
        ) : (
          <>
            What would fit:
            {day.remedies.map((r) => (
              <Box key={r.kind} mt="8px">
                {remedyText(r, units)}
                {date >= today && r.kind !== "mix-on-site" && (
                  <RemedyButton kind={r.kind} stopId={r.stopId} date={date} />
                )}
              </Box>
            ))}
          </>
        ),
    });
  for (const s of round.stops.filter((x) => x.refillAfter))
    items.push({
      key: `refill-${s.id}`,
      title: `Refill at base after ${s.site.name}.`,
      body: <RemedyButton kind="no-refill" stopId={s.id} date={date} />,
    });
  if (day.overtimeMinutes > 1)
    items.push({
      key: "late",
      title: `The day runs ${duration(day.overtimeMinutes)} past its end.`,
      body: `Home at ${clock(day.homeAt)}. A steady tank may slip to another day.`,
    });
  for (const t of day.stops.filter((s) => s.lateMinutes > 0.5))
    items.push({
      key: t.stop.id,
      title: `${t.stop.name} ends ${duration(t.lateMinutes)} after its window.`,
      body: "Agree on a later end, shorten the visit, or move the stop.",
    });
  for (const s of round.stops)
    for (const t of s.tanks) {
      const { decision } = t.plan.water;
      if (t.visitState === "planned" && (decision === "forbid" || decision === "unknown"))
        items.push({
          key: t.visitId,
          title: `${t.tank.name} at ${s.site.name}: ${decision === "forbid" ? "do not change water" : "measure first"}.`,
          body: "The stop says why.",
        });
    }
  return (
    <Box w={{ base: "100%", lg: "250px" }} flexShrink={0} mt="10px">
      <SubHead>To decide</SubHead>
      {items.length === 0 && (
        <Box py="9px" color="soft" fontSize="14.5px">
          Nothing. The day fits its van, its windows and its hours.
        </Box>
      )}
      {items.map((item) => (
        <Box key={item.key} py="9px" borderBottomWidth="1px" borderColor="rule" fontSize="14.5px">
          <B fontWeight="620">{item.title}</B> <Span color="soft">{item.body}</Span>
        </Box>
      ))}
    </Box>
  );
}

const kg = (value: number, units: UnitPreference): string => quantityText(value, "kg", units, 0);

function remedyText(r: Remedy, units: UnitPreference): string {
  const after = `${kg(r.peakKg, units)}${r.fits ? "" : ", still too much"}`;
  const time =
    r.extraMinutes > 0
      ? `, ${duration(r.extraMinutes)} more`
      : r.extraMinutes < 0
        ? `, ${duration(-r.extraMinutes)} less`
        : "";
  if (r.kind === "refill") return `Refill at base after ${r.stopName}: ${after}${time}.`;
  if (r.kind === "mix-on-site") return `Mix the salt at ${r.stopName}: ${after}${time}.`;
  return `${r.stopName} on another day, it is steady: ${after}${time}.`;
}
