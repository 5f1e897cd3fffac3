import { Box, Flex } from "@chakra-ui/react";
import {
  cadenceOf,
  daysOf,
  dueOn,
  everyDaysOf,
  isLibraryTask,
  isWaiting,
  type Job,
  jobOf,
  libraryTask,
  performerOf,
  sayCadence,
  type TankTask,
  taskName,
} from "@keel-round/core/programme";
import { byName, byText, inSentence } from "@keel-round/core/text";
import type { UnitPreference } from "@keel-round/core/units";
import { DECIDE_AFTER_SLIPS } from "@keel-round/core/visit";
import type { Equipment } from "@/data/desk/equipment";
import type { YearAhead } from "@/data/programme/yearAhead";
import type { TankSheet as Sheet } from "@/data/tanks/tanks";
import type { LookAgain } from "@/data/visit/told";
import { AppLink } from "@/kit/AppLink";
import { Notice, SubHead } from "@/kit/controls";
import { A } from "@/kit/elements";
import { CourseDays } from "@/kit/trouble/CourseDays";
import { endTroubleAction, pinJobAction } from "../../actions";
import { Frieze } from "../frieze/Frieze";
import { Editor } from "./Editor";
import type { ProgrammeJob } from "./jobs";
import { LooksAgain } from "./LooksAgain";

/** The upkeep ahead and the recurring jobs: when each is due and why, to be changed in plain words. */
export function ProgrammeTab({
  sheet,
  year,
  gear,
  library,
  today,
  editable,
  looks,
  units,
}: {
  sheet: Sheet;
  /** Troubles that are looked at again. */
  looks: readonly LookAgain[];
  units: UnitPreference;
  year: YearAhead | null;
  gear: readonly Equipment[];
  /** The firm's library, and which of it belongs to this kind of tank. */
  library: readonly { readonly code: string; readonly job: Job; readonly ofKind: boolean }[];
  today: string;
  editable: boolean;
}) {
  const tasks = year?.tanks.find((t) => t.id === sheet.row.id)?.tasks ?? sheet.input.tasks;
  const jobs = tasks
    .map((t) => jobLine(t, sheet, library))
    .sort((a, b) => byText(a.due, b.due) || byName(a.name, b.name));
  const slipped = jobs.filter((j) => j.slips > DECIDE_AFTER_SLIPS);
  const present = new Set(jobs.map((j) => j.code));
  const elsewhere = (year?.tanks ?? []).flatMap((t) =>
    t.id === sheet.row.id
      ? []
      : t.tasks.filter((k) => jobOf(k).onceAtSite).map((k) => ({ code: k.code, tank: t.name, name: jobOf(k).name })),
  );
  return (
    <Box>
      {year && (
        <Frieze year={year} tankId={sheet.row.id} today={today} gear={gear} pin={editable ? pinJobAction : null} />
      )}
      {slipped.length > 0 && (
        <Box mb="14px">
          <Notice tone="care">
            {slipped.map((j) => (
              <Box key={j.code}>
                {j.name} was left out {j.slips} times. Decide below: do it less often, give it to the owner, or take it
                out of the programme.
              </Box>
            ))}
          </Notice>
        </Box>
      )}
      {sheet.input.facts.treatment && today <= sheet.input.facts.treatment.followUpOn && (
        <Box mb="18px" maxW="72ch">
          <SubHead>Under treatment: {sheet.input.facts.treatment.name}</SubHead>
          <CourseDays course={sheet.input.facts.treatment} units={units} today={today} />
        </Box>
      )}
      <LooksAgain tankId={sheet.row.id} looks={looks} today={today} end={editable ? endTroubleAction : null} />
      <Flex justify="space-between" align="baseline" wrap="wrap" gap="10px">
        <SubHead>The programme</SubHead>
        <A asChild color="coralline" textDecoration="underline" fontSize="14px">
          <AppLink href={`/owner-card?tank=${sheet.row.id}`}>The owner's own list, as a card</AppLink>
        </A>
      </Flex>
      <Editor
        tankId={sheet.row.id}
        jobs={jobs}
        offered={library
          .filter((l) => !present.has(l.code) && !elsewhere.some((e) => e.code === l.code))
          .map(({ code, job, ofKind }) => ({
            code,
            name: job.name,
            when: sayCadence(job.cadence, job),
            ofKind,
          }))}
        board={year ? { visits: year.visits, tasks: year.tasks } : null}
        today={today}
        editable={editable}
      />
      {elsewhere.length > 0 && (
        <Box color="soft" fontSize="14px" mt="10px" maxW="72ch">
          Done once for the whole site, with another tank:{" "}
          {elsewhere.map((e) => `${inSentence(e.name)} (${e.tank})`).join(", ")}.
        </Box>
      )}
    </Box>
  );
}

function jobLine(
  task: TankTask,
  sheet: Sheet,
  library: readonly { readonly code: string; readonly job: Job }[],
): ProgrammeJob {
  const job = jobOf(task);
  const firm = library.find((l) => l.code === task.code)?.job ?? job;
  const cadence = cadenceOf(task);
  const shipped = isLibraryTask(task.code) ? libraryTask(task.code) : null;
  const agreed = everyDaysOf(cadence);
  return {
    code: task.code,
    name: taskName(task, sheet.input.facts),
    task,
    when: sayCadence(cadence, task),
    firmWhen: sayCadence(firm.cadence, firm),
    libraryWhen: shipped ? sayCadence(shipped.cadence, shipped) : null,
    by: performerOf(task),
    firmBy: firm.by,
    minutes: sheet.jobs.find((j) => j.code === task.code)?.minutes ?? null,
    firmMinutes: firm.minutes,
    learnt:
      daysOf(cadence) !== null && cadence.by === "time" && agreed !== task.everyDays
        ? { agreed, now: task.everyDays }
        : null,
    lastDoneOn: task.begun ? null : task.lastDoneOn,
    due: dueOn(task),
    waits: isWaiting(task),
    calledBy: task.calledBy ?? null,
    slips: task.slips,
    lastSkipReason: task.lastSkipReason ?? null,
    reason: job.reason,
    caution: job.caution ?? null,
  };
}
