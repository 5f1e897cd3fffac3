import { Box } from "@chakra-ui/react";
import { daysBetween, sayDay } from "@keel-round/core/calendar";
import { dueOn, libraryTask } from "@keel-round/core/programme";
import type { TankSheet as Sheet } from "@/data/tanks";
import type { YearAhead } from "@/data/yearAhead";
import { Span, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { Frieze } from "./Frieze";
import { Jobs } from "./Jobs";

/** The recurring jobs: when each is due and why. */
export function ProgrammeTab({
  sheet,
  year,
  today,
  editable,
}: {
  sheet: Sheet;
  year: YearAhead | null;
  today: string;
  editable: boolean;
}) {
  const jobs = sheet.input.tasks.map((t) => ({ task: t, due: dueOn(t) })).sort((a, b) => a.due.localeCompare(b.due));
  return (
    <Box overflowX="auto">
      {year && <Frieze tankId={sheet.row.id} year={year} today={today} />}
      <Table borderCollapse="collapse" fontSize="14px" minW="760px" w="100%">
        <thead>
          <tr>
            {["Job", "Every", "Give or take", "Last done", "Due", "Why"].map((h) => (
              <Head key={h}>{h}</Head>
            ))}
          </tr>
        </thead>
        <tbody>
          {jobs.map(({ task, due }) => {
            const late = daysBetween(due, today);
            return (
              <tr key={task.code}>
                <Cell fontWeight="560">{libraryTask(task.code).name}</Cell>
                <Cell fontFamily="mono" whiteSpace="nowrap">
                  {task.everyDays} d
                </Cell>
                <Cell fontFamily="mono" whiteSpace="nowrap">
                  {task.giveDays} d
                </Cell>
                <Cell whiteSpace="nowrap">{sayDay(task.lastDoneOn)}</Cell>
                <Cell whiteSpace="nowrap" color={late > task.giveDays ? "ochre" : "inherit"}>
                  {sayDay(due)}
                  {late > 0 ? `, ${late} d late` : ""}
                </Cell>
                <Cell color="soft">
                  {libraryTask(task.code).reason}
                  {task.slips > 0 && (
                    <Span color="ochre">
                      {" "}
                      Slipped {task.slips === 1 ? "once" : `${task.slips} times`}
                      {task.lastSkipReason ? `: ${task.lastSkipReason}` : ""}.
                    </Span>
                  )}
                </Cell>
              </tr>
            );
          })}
        </tbody>
      </Table>
      {editable && (
        <Jobs
          tankId={sheet.row.id}
          jobs={sheet.jobs.map((j) => ({
            code: j.code,
            name: libraryTask(j.code as never).name,
            everyDays: j.everyDays,
            active: j.removedAt === null,
          }))}
        />
      )}
    </Box>
  );
}
