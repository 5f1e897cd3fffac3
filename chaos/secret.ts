import { join } from "node:path";
import { and, eq, isNotNull } from "drizzle-orm";
import { root } from "../tools/lib/system.mjs";
import { findings, install, told } from "./installation.ts";

// A new secret, as the runbook says it: both set, everything restarted, npm run rotate, the old one taken out, everything restarted. Door codes,
// the links of letters that were mailed, and sign-in work before, in between and afterwards.
const NEW = "the-secret-of-next-year-0123456789abcdef";
const { expect, end } = findings();
const house = await install();
const { db, closeDatabase } = await import("@/data/database/connection");
const { letter, person, site } = await import("@/data/schema");
const { letterToken } = await import("@/data/letters/letters");
const { lookAtCodes, setCodes } = await import("@/data/desk/codes");
const { scopeOfUser } = await import("@/data/access/scope");
const { whenOf } = await import("@/data/access/when");
await house.mailServer.start();
await Promise.all([house.web.start(), house.jobs.start()]);
const [office] = await db().select().from(person).where(eq(person.role, "office"));
const maud = await scopeOfUser(office?.userId ?? "");
if (!maud) throw new Error("Nobody is in the office");
const [place] = await db().select().from(site).limit(1);
const siteId = place?.id ?? "";
await setCodes(maud, siteId, "Side gate 4471", whenOf(maud));
const [sent] = await db()
  .select()
  .from(letter)
  .where(and(isNotNull(letter.sentAt)))
  .limit(1);
const mailed = letterToken(sent?.id ?? "");
const OLD = house.env.BETTER_AUTH_SECRET ?? "";

async function works(when: string): Promise<void> {
  const page = await fetch(`${house.address}/letter/${mailed}`);
  expect(page.status === 200, `${when}, a link that was mailed before works`);
  const { codes } = await lookAtCodes(
    maud as NonNullable<typeof maud>,
    siteId,
    whenOf(maud as NonNullable<typeof maud>),
  );
  expect(codes === "Side gate 4471", `${when}, door codes open`);
  const phone = await house.phone("Ines");
  expect((await phone.ask("/round"))?.status === 200, `${when}, people sign in`);
}

/** Everything restarted with other secrets. */
async function restart(today: string, before?: string): Promise<void> {
  await Promise.all([house.web.stop(), house.jobs.stop()]);
  for (const env of [house.env, process.env]) {
    env.BETTER_AUTH_SECRET = today;
    if (before === undefined) delete env.BETTER_AUTH_SECRET_BEFORE;
    else env.BETTER_AUTH_SECRET_BEFORE = before;
  }
  await closeDatabase();
  await Promise.all([house.web.start(), house.jobs.start()]);
}

await works("before");
await restart(NEW, OLD);
await works("with both set");
const rotated = await told([join(root, "tools/rotate.mjs")], house.env);
console.log(rotated.says);
expect(rotated.status === 0, "npm run rotate seals everything anew");
await restart(NEW);
await works("with the new one alone");
const early = await told([join(root, "tools/rotate.mjs")], house.env);
expect(
  early.status === 1 && early.says.includes("BETTER_AUTH_SECRET_BEFORE"),
  "without the old one it says what is missing",
);
await house.end();
end();
