import { Box } from "@chakra-ui/react";
import { civilOf, clockText } from "@keel-round/core/calendar";
import type { Parameter } from "@keel-round/core/units";
import type { Scope } from "@/data/access/scope";
import type { TankSheet } from "@/data/tanks/tanks";
import { AppLink } from "@/kit/AppLink";
import { PageHead, QuietButton } from "@/kit/controls";
import { TankPicker } from "@/kit/TankPicker";
import { AddReadings } from "./sheet/AddReadings";
import { knownForEntry, parametersOf } from "./sheet/entry";

/** Readings of any tank, entered wherever one is: what its next visit measures stands first. */
export function EnterReadings({
  scope,
  tanks,
  sheet,
}: {
  scope: Scope;
  tanks: readonly { readonly id: string; readonly name: string; readonly siteName: string }[];
  sheet: TankSheet | null;
}) {
  const now = civilOf(Date.now(), scope.zone);
  return (
    <Box>
      <PageHead title="Enter readings" facts="of a day that is over, or of now" />
      <TankPicker action="/tanks/readings" tanks={tanks} chosen={sheet?.row.id ?? ""} go="Choose tank" />
      {tanks.length === 0 && <Box color="soft">There is no tank yet.</Box>}
      {sheet && (
        <>
          <AddReadings
            key={sheet.row.id}
            tankId={sheet.row.id}
            due={dueOf(sheet)}
            parameters={parametersOf(sheet.input)}
            known={knownForEntry(sheet.input)}
            units={scope.units}
            now={{ on: now.date, clock: clockText(now.minute) }}
            always
          />
          <QuietButton asChild>
            <AppLink href={`/tanks/${sheet.row.id}?tab=readings`}>See its readings, correct one</AppLink>
          </QuietButton>
        </>
      )}
    </Box>
  );
}

/** What the plan of the tank's next visit measures. */
function dueOf({ plan, input }: TankSheet): Parameter[] {
  const asked = new Set(
    plan.steps.flatMap((s) => (s.enters ?? []).flatMap((e) => ("reading" in e ? [e.reading] : []))),
  );
  return input.facts.bands.flatMap((b) => (asked.has(b.parameter) ? [b.parameter] : []));
}
