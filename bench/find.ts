import { eq } from "drizzle-orm";
import { scopeOfUser } from "@/data/access/scope";
import { db } from "@/data/database/connection";
import { find } from "@/data/find/find";
import { person, tank } from "@/data/schema";
import { loadScale } from "../tools/seed/scale.ts";
import { freshDatabase, median, spread, timed } from "./lib.ts";

// Finding by words, beside reading one row by its primary key, at 900 and at 9 000 tanks.
const ROUNDS = 40;
const WEEKS = 1;
/** A name, its beginning, a slip in it, two words in the other order, a common word, and nothing. */
const ASKED = ["pavilion", "herring", "capstam", "hotel anchor", "reef", "estuary arc", "heater", "zzzzzz"];

for (const count of [900, 9000]) {
  await freshDatabase();
  const { businessId, today, tankIds } = await loadScale(count, WEEKS, `find${count}`);
  const people = await db().select().from(person).where(eq(person.businessId, businessId));
  const userId = people.find((p) => p.userId)?.userId ?? "";
  const scope = await scopeOfUser(userId);
  if (!scope) throw new Error("Nobody to ask for");
  const finding: number[] = [];
  const reading: number[] = [];
  const byText = new Map<string, number[]>(ASKED.map((text) => [text, []]));
  for (const text of ASKED) await find(scope, text, today);
  for (let i = 0; i < ROUNDS; i++)
    for (const text of ASKED) {
      const key = async () => {
        reading.push(
          await timed(() =>
            db()
              .select()
              .from(tank)
              .where(eq(tank.id, tankIds[i] ?? ""))
              .limit(1),
          ),
        );
      };
      const words = async () => {
        const took = await timed(() => find(scope, text, today));
        finding.push(took);
        byText.get(text)?.push(took);
      };
      // Sides alternate, and so does which of them goes first.
      if (i % 2 === 0) {
        await words();
        await key();
      } else {
        await key();
        await words();
      }
    }
  const ratios = finding.map((f, i) => f / (reading[i] ?? Number.NaN));
  console.log(
    `${count} tanks, ${finding.length} finds: ${spread(finding, 1)} ms, a read by key ${spread(reading, 2)} ms, ratio ${spread(ratios, 1)}`,
  );
  console.log(`  ${[...byText].map(([text, took]) => `${text} ${median(took).toFixed(1)}`).join(", ")} ms`);
}
process.exit(0);
