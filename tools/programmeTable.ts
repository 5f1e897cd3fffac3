import { type Job, kindProgramme, sayCadence, taskLibrary } from "@keel-round/core/programme";
import { kindFacts, TANK_KINDS } from "@keel-round/core/tank";
import { parameterFacts } from "@keel-round/core/units";

const resultWords = ({ result }: Job): string => {
  if (typeof result === "object") return `reading: ${parameterFacts[result.test].label}`;
  return { done: "that it is done", dirt: "how dirty, 1 to 5", count: "a count", photo: "a photo" }[result];
};

const cell = (text: string) => text.replaceAll("|", "/") || "–";

/** The library of programmes as a page: every job, and which kinds of tank begin with it. */
export function programmeTable(): string {
  const jobs = Object.entries(taskLibrary) as [string, Job][];
  const kinds = TANK_KINDS.map((kind) => {
    const codes: readonly string[] = kindProgramme[kind];
    return `- **${kindFacts[kind].label}** (${codes.length}): ${codes.map((c) => `\`${c}\``).join(", ")}`;
  });
  const rows = jobs.map(
    ([code, job]) =>
      `| \`${code}\` | ${[
        job.name,
        job.by,
        sayCadence(job.cadence, job),
        String(job.minutes),
        job.reason,
        [...job.kit, ...job.uses].join(", "),
        job.caution ?? "",
        resultWords(job),
      ]
        .map(cell)
        .join(" | ")} |`,
  );
  return `# The library of programmes

Written by \`tools/programme-table.ts\` from \`core/src/programme/library\`; a test keeps it current. A firm edits its own copy at
Desk, Programme library. What a tank does not have (a UV lamp, a sump, a second filter) is left out when it is given its
programme.

## Kinds of tank, and the jobs they begin with

${kinds.join("\n")}

## Jobs

| Code | Job | By | When | Minutes | Why | Tools and what is used up | Caution | Recorded |
| --- | --- | --- | --- | --- | --- | --- | --- | --- |
${rows.join("\n")}
`;
}
