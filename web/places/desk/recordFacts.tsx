import { Box } from "@chakra-ui/react";
import { type Entity, sourceWith, type Values } from "@keel-round/core/desk";
import { basisOf, sourceOn, sourceTest } from "@keel-round/core/given";
import { figure, type Parameter, parameterFacts, type UnitPreference, withUnit } from "@keel-round/core/units";
import { type EquipmentLife, wearOf } from "@keel-round/core/upkeep";
import { Span } from "@/kit/elements";
import { yearDate } from "@/kit/words";

/** What a record comes to today, beside its name: a water's figures, the dates of a piece of equipment. */
export function recordFacts({
  entity,
  values,
  life,
  today,
  units,
}: {
  entity: Entity;
  values: Values;
  /** Of a piece of equipment. */
  life: EquipmentLife | null;
  today: string;
  units: UnitPreference;
}) {
  if (entity === "source") return <WaterToday values={values} today={today} units={units} />;
  if (!life) return null;
  const wear = wearOf(life, today);
  const parts = [
    wear.hoursRun === null ? null : `${figure(wear.hoursRun, 0)} h run`,
    wear.serviceDueOn === null
      ? null
      : `service ${wear.serviceDueOn < today ? "was due" : "due"} ${yearDate(wear.serviceDueOn)}`,
    wear.replaceDueOn === null
      ? null
      : `replace ${wear.replaceDueOn < today ? "was due" : "by"} ${yearDate(wear.replaceDueOn)}`,
  ].filter((p) => p !== null);
  const late = (wear.serviceDueOn ?? "9") < today || (wear.replaceDueOn ?? "9") < today;
  return <Span color={late ? "ochre" : "soft"}>{parts.join("; ")}</Span>;
}

/** What tanks are planned with today: each figure, and why it is believed. */
function WaterToday({ values, today, units }: { values: Values; today: string; units: UnitPreference }) {
  const water = sourceOn({ id: "", name: "", ...sourceWith({ chemistry: {} }, values) }, today);
  const known = water.known ?? {};
  // Figures that are believed for the same reason stand together.
  const groups = new Map<string, string[]>();
  for (const [parameter, value] of Object.entries(water.chemistry) as [Parameter, number][]) {
    const because = BASIS[basisOf(water, parameter)](known[parameter]?.on ?? today);
    const figures = groups.get(because) ?? [];
    figures.push(`${parameterFacts[parameter].label} ${withUnit(parameter, value, units)}`);
    groups.set(because, figures);
  }
  const says = [...groups].map(([because, figures]) => `${figures.join(", ")}: ${because}`);
  const test = sourceTest(water);
  return (
    <Box fontSize="14px" maxW="90ch">
      {says.join("; ") || "Nothing is known of it yet."}
      {test && (
        <Span color="ochre">
          {" "}
          Test it before relying on it:{" "}
          {test.lastOn ? `last measured ${yearDate(test.lastOn)}` : "it was never measured"}.
        </Span>
      )}
    </Box>
  );
}

const BASIS = {
  fresh: (on: string) => `measured ${yearDate(on)}`,
  season: (on: string) => `as at this season, ${yearDate(on)}`,
  old: (on: string) => `measured long ago, ${yearDate(on)}`,
  stated: () => "as it is stated",
} as const;
