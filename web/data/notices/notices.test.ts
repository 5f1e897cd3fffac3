import { addDays } from "@keel-round/core/calendar";
import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { noteAway, takeBack } from "../round/away";
import { client, job, notice, stop } from "../schema";
import { acceptNotices, listNotices, noteNotice, noticeMail, owedCorrections, takeBackNotice } from "./notices";

let maud: Scope;
let ines: Scope;
let tobiah: Scope;
let today: string;
let businessId: string;
const when = (later = 0) => ({ now: new Date(Date.now() + later * 60_000), today });

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
  ines = await scopeOf(businessId, "Ines");
  tobiah = await scopeOf(businessId, "Tobiah");
});

/** Tobiah is away on the day of a site's visit: it goes a day later, to somebody or to himself. */
async function away(site: string, personId: string, nth = 1) {
  const v = (await visitsOf(businessId, site, today))[nth];
  if (!v) throw new Error(`No visit of ${site}`);
  const [row] = await db().select().from(stop).where(eq(stop.id, v.stopId));
  const was = { on: v.on, personId: row?.personId ?? "", aside: false };
  const to = { on: addDays(v.on, 1), personId };
  const noted = await noteAway(
    maud,
    { personIds: [tobiah.personId], fromOn: v.on, untilOn: v.on, why: "ill", moves: [{ stopId: v.stopId, was, to }] },
    when(),
  );
  return { ...noted, v };
}
const accept = ({ changeIds, tell }: Awaited<ReturnType<typeof away>>, now = when()) =>
  acceptNotices(maud, { notices: [{ changeId: changeIds[0] ?? "", kind: "moved", text: tell[0]?.text ?? "" }] }, now);
const rowsOf = (changeId: string | undefined) =>
  db()
    .select()
    .from(notice)
    .where(eq(notice.changeId, changeId ?? ""));

describe("a message about a moved visit", () => {
  test("is drafted with the day and, where it is another one, the person; nothing is sent by itself", async () => {
    const same = await away("Town Hall", tobiah.personId);
    expect(same.tell[0]?.text).toContain("we come on");
    expect(same.tell[0]?.text).not.toContain("Ines");
    const other = await away("Foundry Lofts", ines.personId);
    expect(other.tell[0]).toMatchObject({ kind: "moved", changeId: other.changeIds[0] });
    expect(other.tell[0]?.text).toContain("Ines Calder comes on");
    expect(await rowsOf(other.changeIds[0])).toEqual([]);
    await takeBack(maud, { changeIds: [...other.changeIds], awayIds: [...other.awayIds] }, when());
    await takeBack(maud, { changeIds: [...same.changeIds], awayIds: [...same.awayIds] }, when());
  });
  test("waits a quarter of an hour, is queued for then, and leaves once", async () => {
    const noted = await away("Town Hall", tobiah.personId);
    const now = when();
    await accept(noted, now);
    const [row] = await rowsOf(noted.changeIds[0]);
    if (!row) throw new Error("No message");
    expect(row.leavesAt.getTime() - now.now.getTime()).toBe(15 * 60_000);
    const [queued] = await db()
      .select()
      .from(job)
      .where(and(eq(job.businessId, businessId), eq(job.kind, "notice")));
    expect(queued?.payload).toEqual({ noticeId: row.id });
    expect(Math.abs((queued?.runAt.getTime() ?? 0) - row.leavesAt.getTime())).toBeLessThan(5_000);
    expect(await noticeMail(row.id, when(14).now)).toBeNull();
    expect((await noticeMail(row.id, when(16).now))?.notice.body).toBe(noted.tell[0]?.text);
    expect((await listNotices(maud, new Date()))[0]).toMatchObject({ sentAt: null });
    await expect(accept(noted)).rejects.toMatchObject({ code: "already-queued" });
    await noteNotice(row.id, { sentAt: new Date() });
    expect(await noticeMail(row.id, when(16).now)).toBeNull();
    await expect(takeBackNotice(maud, { noticeId: row.id }, when())).rejects.toMatchObject({ code: "on-its-way" });
    // It has left: what is undone now asks for a correction.
    expect(await owedCorrections(maud, when())).toEqual([]);
    await takeBack(maud, { changeIds: [...noted.changeIds], awayIds: [...noted.awayIds] }, when());
    const tell = await owedCorrections(maud, when());
    expect(tell).toEqual([expect.objectContaining({ kind: "correction", changeId: noted.changeIds[0] })]);
    expect(tell[0]?.text).toContain("Please forget our last message");
    await acceptNotices(maud, { notices: tell.map(({ changeId, kind, text }) => ({ changeId, kind, text })) }, when());
    expect((await rowsOf(noted.changeIds[0])).map((n) => n.kind).sort()).toEqual(["correction", "moved"]);
    expect(await owedCorrections(maud, when())).toEqual([]);
  });
  test("that waits is taken back by undoing what it tells of, without a correction", async () => {
    const noted = await away("Northgate School", tobiah.personId);
    await accept(noted);
    await takeBack(maud, { changeIds: [...noted.changeIds], awayIds: [...noted.awayIds] }, when());
    expect(await owedCorrections(maud, when())).toEqual([]);
    const [row] = await rowsOf(noted.changeIds[0]);
    expect(row?.takenBackAt).not.toBeNull();
    expect(await noticeMail(row?.id ?? "", when(16).now)).toBeNull();
  });
  test("is taken back by itself, and may then be accepted anew", async () => {
    const noted = await away("Vale house", tobiah.personId);
    await accept(noted);
    const [row] = await rowsOf(noted.changeIds[0]);
    await expect(takeBackNotice(maud, { noticeId: row?.id ?? "" }, when(16))).rejects.toMatchObject({
      code: "on-its-way",
    });
    await takeBackNotice(maud, { noticeId: row?.id ?? "" }, when());
    await accept(noted);
    expect((await rowsOf(noted.changeIds[0])).filter((n) => n.takenBackAt === null)).toHaveLength(1);
  });
  test("goes to nobody without an address, and comes from the office or a lead alone", async () => {
    const noted = await away("Quince house", tobiah.personId);
    await expect(
      acceptNotices(ines, { notices: [{ changeId: noted.changeIds[0] ?? "", kind: "moved", text: "x" }] }, when()),
    ).rejects.toMatchObject({ code: "not-found" });
    const [of] = await db()
      .select({ id: client.id, email: client.email })
      .from(client)
      .where(and(eq(client.businessId, businessId), eq(client.id, noted.v.clientId)));
    await db()
      .update(client)
      .set({ email: "" })
      .where(eq(client.id, of?.id ?? ""));
    await expect(accept(noted)).rejects.toMatchObject({ code: "no-address" });
    await db()
      .update(client)
      .set({ email: of?.email ?? "" })
      .where(eq(client.id, of?.id ?? ""));
    expect(await listNotices(tobiah, new Date())).toEqual([]);
  });
});
