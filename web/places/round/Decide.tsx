import { Box } from "@chakra-ui/react";
import type { Remedy } from "@keel-round/core/round";
import { say } from "@keel-round/core/say";
import { litresText, quantityText, type UnitPreference } from "@keel-round/core/units";
import type { Late } from "@/data/round/late";
import type { Round } from "@/data/round/round";
import { AppLink } from "@/kit/AppLink";
import { QuietButton, SubHead } from "@/kit/controls";
import { B, Span } from "@/kit/elements";
import { clock, dayLabel, duration } from "@/kit/words";
import { RemedyButton } from "./RemedyButton";

/** What of the day needs a decision, and nothing else. */
export function Decide({
  round,
  late,
  date,
  today,
  units,
}: {
  round: Round;
  late: Late | null;
  date: string;
  today: string;
  units: UnitPreference;
}) {
  const { day, person } = round;
  const items: { key: string; title: string; body: React.ReactNode; also?: React.ReactNode }[] = [];
  if (late)
    items.push({
      key: "behind",
      title:
        late.behindMinutes >= 1
          ? `The day runs ${duration(late.behindMinutes)} behind its plan.`
          : "The day does not work out as it goes.",
      body: (
        <>
          Home at {clock(day.homeAt)}.
          {late.ways.map((w) => (
            <Box key={w.stopId} mt="8px" data-way="">
              <B fontWeight="620">{w.name}</B> to {w.to.on === date ? `${w.by}, today` : dayLabel(w.to.on)}
              {w.to.on !== date && w.to.personId !== person.id ? `, by ${w.by}` : ""}
              {w.earlierMinutes > 0 ? `: home ${duration(w.earlierMinutes)} earlier` : ""}
              {w.allFit ? ", all others fit." : "."} {w.says.map((m) => say(m, units)).join(" ")}
              <OtherDay stopId={w.stopId} date={date} />
            </Box>
          ))}
        </>
      ),
    });
  if (!day.fits)
    items.push({
      key: "van",
      title: tooMuch(day, person, units),
      body:
        day.remedies.length === 0 ? (
          "Nothing on this day can be moved or mixed on site to make it fit. Split the largest change."
        ) : (
          <>
            What would fit:
            {day.remedies.map((r) => (
              <Box key={r.kind} mt="8px">
                {remedyText(r, units)}
                {date >= today && r.kind === "refill" && <RemedyButton kind="refill" stopId={r.stopId} />}
                {date >= today && r.kind === "other-day" && <OtherDay stopId={r.stopId} date={date} />}
              </Box>
            ))}
          </>
        ),
    });
  for (const s of round.stops.filter((x) => x.refillAfter))
    items.push({
      key: `refill-${s.id}`,
      title: `Refill at base after ${s.site.name}.`,
      body: <RemedyButton kind="no-refill" stopId={s.id} />,
    });
  if (day.overtimeMinutes > 1 && !late)
    items.push({
      key: "late",
      title: `The day runs ${duration(day.overtimeMinutes)} past its end.`,
      body: (
        <>
          Home at {clock(day.homeAt)}. A steady tank may slip to another day.
          {date >= today && <OtherDay stopId={steadiest(round)} date={date} />}
        </>
      ),
    });
  for (const { stop, earliestEnd, alone } of day.leftOver)
    items.push({
      key: stop.id,
      title: `${stop.name} does not fit into this day.`,
      body: `${
        alone
          ? "Other stops take its time."
          : `Even as the first stop it would end at ${clock(earliestEnd)}${stop.window ? `, and they close at ${clock(stop.window.to)}` : ""}.`
      } Agree on other hours, or move it.`,
      ...(date >= today ? { also: <OtherDay stopId={stop.id} date={date} /> } : {}),
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
          {item.also}
        </Box>
      ))}
    </Box>
  );
}

/** What of the van is not enough: its weight, its room, or its barrels. */
function tooMuch(day: Round["day"], van: Round["person"], units: UnitPreference): string {
  if (day.peakKg > van.vanKg + 1e-6)
    return `${kg(day.peakKg, units)} of water, and the van carries ${kg(van.vanKg, units)}.`;
  if (van.vanL && day.peakL > van.vanL + 1e-6)
    return `${litresText(day.peakL, units)} of water, and the van has room for ${litresText(van.vanL, units)}.`;
  return `The water takes ${day.peakBarrels} barrels at once, and the van has ${van.vanBarrels ?? 0}.`;
}

/** To the weeks with a stop chosen: there its other days say what each would mean. */
function OtherDay({ stopId, date }: { stopId: string | null; date: string }) {
  return (
    <QuietButton asChild mt="5px" display="flex" fontSize="13.5px" py="5px">
      <AppLink href={`/weeks?from=${date}${stopId ? `&stop=${stopId}` : ""}`}>Choose another day</AppLink>
    </QuietButton>
  );
}

/** The longest stop of the day that may slip. */
function steadiest({ day }: Round): string | null {
  const [longest] = day.stops.filter((s) => s.stop.maySlip).sort((a, b) => b.stop.minutes - a.stop.minutes);
  return longest?.stop.id ?? null;
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
