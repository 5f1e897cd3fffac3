import { addDays } from "@keel-round/core/calendar";
import { seeded } from "@keel-round/core/numeric";
import { kindProgramme, libraryTask, mergeTasks, seldomTasks, type TankTask } from "@keel-round/core/programme";
import { TANK_KINDS } from "@keel-round/core/tank";
import { spread, timed } from "./lib.ts";

// A year's long jobs laid onto the visits of a firm, site by site, against the plain way that knows no rule and no minutes:
// every turn on the visit nearest its day. Time per tank at 90, 900 and 9 000 tanks.
const ROUNDS = 20;
const TODAY = "2026-03-02";
const TANKS_A_SITE = 3;

/** Two filters over rock and a bed: the four weeks are strict. */
const BOOK = {
  kind: "community" as const,
  targetPsu: 0,
  display: {
    vessel: { shape: "box" as const, lengthM: 1, widthM: 0.5, heightM: 0.5 },
    runningLevelM: 0.4,
    substrate: "sand" as const,
    substrateDepthM: 0.04,
    rockKg: 0,
    rockTopM: 0,
  },
  filterUnits: ["a", "b"].map((name) => ({ name, kind: "biological" as const, biological: true })),
};

/** The sites of a firm: weekly visits, three tanks of mixed kinds each, jobs last done at any time. */
function sitesOf(tanks: number) {
  const random = seeded(tanks);
  return Array.from({ length: Math.ceil(tanks / TANKS_A_SITE) }, (_, s) => {
    const visits = Array.from({ length: 52 }, (_, w) => ({ on: addDays(TODAY, 7 * w + (s % 5)), freeMinutes: 40 }));
    const jobs = Array.from({ length: TANKS_A_SITE }, (_, t) => {
      const kind = TANK_KINDS[(s + t) % TANK_KINDS.length] ?? "community";
      const tasks: TankTask[] = kindProgramme[kind].map((code) => {
        const { everyDays, giveDays } = libraryTask(code);
        const lastDoneOn = addDays(TODAY, -Math.floor(random() * everyDays));
        return { code, everyDays, giveDays, lastDoneOn, slips: 0, lastSector: 0 };
      });
      return seldomTasks(`${s}-${t}`, tasks, BOOK, (_, job) => job.minutes);
    });
    return { visits, tasks: jobs.flat() };
  });
}

/** Nearest visit for every turn, nothing else. */
function plain({ visits, tasks }: ReturnType<typeof sitesOf>[number]): number {
  const days = visits.map((v) => Date.parse(v.on) / 86_400_000);
  let turns = 0;
  for (const t of tasks) {
    let due = Date.parse(t.lastDoneOn) / 86_400_000 + t.everyDays;
    const last = days.at(-1) ?? 0;
    while (due <= last) {
      let best = 0;
      for (const [i, d] of days.entries()) if (Math.abs(d - due) < Math.abs((days[best] ?? 0) - due)) best = i;
      due = (days[best] ?? due) + t.everyDays;
      turns += 1;
    }
  }
  return turns;
}

let first = 0;
for (const tanks of [90, 900, 9000]) {
  const sites = sitesOf(tanks);
  const [merged, nearest]: [number[], number[]] = [[], []];
  for (let i = 0; i < ROUNDS; i++) {
    const sides = [
      async () => {
        merged.push(await timed(() => sites.forEach((s) => void mergeTasks(s.visits, s.tasks))));
      },
      async () => {
        nearest.push(await timed(() => sites.forEach((s) => void plain(s))));
      },
    ];
    for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
  }
  const perTank = merged.map((ms) => ms / tanks);
  const middle = [...perTank].sort((a, b) => a - b)[Math.floor(ROUNDS / 2)] ?? 0;
  if (first === 0) first = middle;
  const ratios = merged.map((m, i) => m / (nearest[i] ?? Number.NaN));
  console.log(
    `${tanks} tanks: ${spread(perTank, 3)} ms a tank, ${(middle / first).toFixed(2)} of that at 90; to the nearest visit alone ${spread(ratios, 1)}`,
  );
}
process.exit(0);
