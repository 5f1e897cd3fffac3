import { addDays } from "@keel-round/core/calendar";
import { mondayOf } from "@keel-round/core/weeks";
import { isNotNull } from "drizzle-orm";
import { db } from "@/data/database/connection";
import { person } from "@/data/schema";
import { refreshDay } from "@/data/tanks/status";
import { loadScale, SCALE_LOGIN } from "../tools/seed/scale.ts";
import { deskPage } from "./browser.ts";
import { freshDatabase, spread, startServer } from "./lib.ts";

// Four weeks of a whole firm in a browser, eight of them laid out: a stop that is carried over the days with the pointer,
// beside the same way of the pointer with nothing held. How long the browser works on a move, and how many frames are
// dropped: where twice a frame's time went by.
const ROUNDS = 20;
const MOVES = 60;
const FRAME_MS = 1000 / 60;

await freshDatabase();
const { businessId, today } = await loadScale(900, 8, "drag");
await refreshDay(businessId, today);
await db().update(person).set({ role: "lead" }).where(isNotNull(person.userId));
await startServer();
const { browser, page } = await deskPage(`drag${SCALE_LOGIN.email}`, SCALE_LOGIN.password);

interface Carried {
  /** Milliseconds that the page worked on each move, until it had drawn it. */
  readonly work: number[];
  readonly frames: number[];
}

/**
 * Moves the pointer over the page, a move a frame, holding what lies under its first place or nothing. As text, because the
 * page has none of our build's helpers. A move is handled, and what follows of it is drawn, before a message comes back.
 */
const carry = (hold: boolean): Promise<Carried> =>
  page.evaluate(`(async () => {
    const block = [...document.querySelectorAll("[data-block]")].find((b) => {
      const r = b.getBoundingClientRect();
      return r.top > 150 && r.bottom < 700 && r.width > 10;
    });
    const r = block.getBoundingClientRect();
    const [x, y] = [r.left + r.width / 2, r.top + r.height / 2];
    const send = (type, x, y, on) => on.dispatchEvent(new PointerEvent(type, {
      bubbles: true, cancelable: true, clientX: x, clientY: y, button: 0, buttons: 1, isPrimary: true, pointerId: 1,
    }));
    const frame = () => new Promise(requestAnimationFrame);
    const done = () => new Promise((resolve) => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = resolve;
      port2.postMessage(null);
    });
    if (${hold}) {
      send("pointerdown", x, y, block);
      send("pointermove", x + 8, y + 8, document);
      await frame();
      await frame();
    }
    const [work, frames] = [[], []];
    let over = false;
    let last = await frame();
    for (let i = 1; i <= ${MOVES}; i++) {
      const began = performance.now();
      send("pointermove", x + (i * 9) % 700, y + (i * 5) % 300, document);
      await done();
      work.push(performance.now() - began);
      over ||= document.querySelector("[data-over]") !== null;
      const now = await frame();
      frames.push(now - last);
      last = now;
    }
    if (${hold}) {
      if (!over) throw new Error("Nothing is held over a day");
      document.dispatchEvent(new KeyboardEvent("keydown", { code: "Escape", key: "Escape", bubbles: true }));
      send("pointercancel", x, y, document);
    }
    await frame();
    return { work, frames };
  })()`);

for (const [says, span] of [
  ["a week", "week"],
  ["four weeks", "cycle"],
] as const) {
  await page.goto(`/weeks?span=${span}&from=${addDays(mondayOf(today), 7)}`);
  await page.locator("[data-block]").first().waitFor();
  await page.getByRole("button", { name: "Settle the round" }).first().waitFor();
  const [still, carried]: [Carried[], Carried[]] = [[], []];
  for (let i = 0; i < ROUNDS; i++) {
    const sides = [async () => still.push(await carry(false)), async () => carried.push(await carry(true))];
    for (const side of i % 2 === 0 ? sides : sides.reverse()) await side();
  }
  const dropped = (all: readonly Carried[]) =>
    all.map(({ frames }) => frames.filter((f) => f > 2 * FRAME_MS).length / frames.length);
  const work = (all: readonly Carried[]) => all.flatMap((c) => c.work);
  const late = work(carried).filter((ms) => ms > FRAME_MS / 2).length / work(carried).length;
  console.log(
    `900 tanks, ${says}: ${await page.locator("[data-block]").count()} stops drawn, ${ROUNDS} rounds of ${MOVES} moves`,
  );
  console.log(`  work on a move ${spread(work(carried))} ms, with nothing held ${spread(work(still))} ms`);
  console.log(`  moves that took more than half a frame: ${(100 * late).toFixed(1)} %`);
  console.log(`  frames dropped ${spread(dropped(carried), 3)}, with nothing held ${spread(dropped(still), 3)}`);
}
await browser.close();
process.exit(0);
