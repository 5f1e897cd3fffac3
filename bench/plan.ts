import { planVisit } from "@keel-round/core/visit";
import mysql, { type RowDataPacket } from "mysql2/promise";
import { db } from "@/data/database/connection";
import { loadPlanInputs } from "@/data/plan/planInputs";
import { loadScale } from "../tools/seed/scale.ts";
import { freshDatabase, median, spread, timed } from "./lib.ts";

// Planning one visit for each tank, beside plain SELECTs of the same rows from MariaDB and beside making the inputs from them;
// and how planning grows with the number of tanks.
const ROUNDS = 20;
const WEEKS = 8;
const perTank = new Map<number, number>();

/** The statements that something sends to the database, with their values, as the server logs them. */
async function statementsOf(plainly: mysql.Connection, work: () => Promise<unknown>): Promise<string[]> {
  await plainly.query("set global log_output = 'TABLE'");
  await plainly.query("truncate table mysql.general_log");
  await plainly.query("set global general_log = 1");
  await work();
  await plainly.query("set global general_log = 0");
  const [rows] = await plainly.query<RowDataPacket[]>(
    "select convert(argument using utf8mb4) as text from mysql.general_log where command_type in ('Query', 'Execute')",
  );
  return rows.map((r) => String(r.text)).filter((text) => /^\(?select/i.test(text) && !text.includes("general_log"));
}

for (const count of [90, 900, 9000]) {
  await freshDatabase();
  const { businessId, today, tankIds } = await loadScale(count, WEEKS, `plan${count}`);
  const visits = tankIds.map((tankId) => ({ visitId: tankId, tankId, on: today }));
  let inputs = await loadPlanInputs(db(), businessId, visits);
  const plainly = await mysql.createConnection(process.env.DATABASE_URL ?? "");
  const statements = await statementsOf(plainly, () => loadPlanInputs(db(), businessId, visits));
  const [selecting, loading, planning]: [number[], number[], number[]] = [[], [], []];
  const sides = [
    async () => {
      selecting.push(
        await timed(async () => {
          for (const text of statements) await plainly.query(text);
        }),
      );
    },
    async () => {
      loading.push(
        await timed(async () => {
          inputs = await loadPlanInputs(db(), businessId, visits);
        }),
      );
    },
    async () => {
      planning.push(
        await timed(() => {
          for (const input of inputs.values()) planVisit(input);
        }),
      );
    },
  ];
  // The sides go round, so that each goes first as often.
  for (let i = 0; i < ROUNDS; i++) for (let k = 0; k < sides.length; k++) await sides[(i + k) % sides.length]?.();
  await plainly.end();
  const ratio = (over: readonly number[]) => spread(planning.map((p, i) => p / (over[i] ?? Number.NaN)));
  perTank.set(count, median(planning) / count);
  console.log(
    `${count} tanks, ${ROUNDS} rounds, ${statements.length} statements: planning ${spread(planning, 1)} ms, plain SELECTs ${spread(selecting, 1)} ms, making the inputs ${spread(loading, 1)} ms; planning ÷ SELECTs ${ratio(selecting)}, planning ÷ inputs ${ratio(loading)}`,
  );
}
const of = (n: number) => perTank.get(n) ?? Number.NaN;
console.log(
  `Planning a tank, against 90 tanks: 900 take ${(of(900) / of(90)).toFixed(2)} times as long each, 9000 take ${(of(9000) / of(90)).toFixed(2)}`,
);
process.exit(0);
