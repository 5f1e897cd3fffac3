import { planVisit } from "@keel-round/core/visit";
import { db } from "@/data/connection";
import { loadPlanInputs } from "@/data/planInputs";
import { loadScale } from "../tools/seed/scale.ts";
import { freshDatabase, median, spread, timed } from "./lib.ts";

// Planning one visit for each tank, beside reading the same tanks from MariaDB; and how both grow with their number.
const ROUNDS = 20;
const WEEKS = 8;
const perTank = new Map<number, number>();

for (const count of [90, 900, 9000]) {
  await freshDatabase();
  const { businessId, today, tankIds } = await loadScale(count, WEEKS, `plan${count}`);
  const visits = tankIds.map((tankId) => ({ visitId: tankId, tankId, on: today }));
  let inputs = await loadPlanInputs(db(), businessId, visits);
  const plan = () => {
    for (const input of inputs.values()) planVisit(input);
  };
  plan();
  const [reading, planning]: [number[], number[]] = [[], []];
  for (let i = 0; i < ROUNDS; i++) {
    const read = async () => {
      inputs = await loadPlanInputs(db(), businessId, visits);
    };
    // Sides alternate, and so does which of them goes first.
    if (i % 2 === 0) {
      reading.push(await timed(read));
      planning.push(await timed(plan));
    } else {
      planning.push(await timed(plan));
      reading.push(await timed(read));
    }
  }
  const ratios = planning.map((p, i) => p / (reading[i] ?? Number.NaN));
  perTank.set(count, median(planning) / count);
  console.log(
    `${count} tanks, ${ROUNDS} rounds: planning ${spread(planning, 1)} ms, reading ${spread(reading, 1)} ms, planning ÷ reading ${spread(ratios)}`,
  );
}
const of = (n: number) => perTank.get(n) ?? Number.NaN;
console.log(
  `Planning a tank, against 90 tanks: 900 take ${(of(900) / of(90)).toFixed(2)} times as long each, 9000 take ${(of(9000) / of(90)).toFixed(2)}`,
);
process.exit(0);
