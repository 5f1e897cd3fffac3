import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import type { Scope } from "@/data/access/scope";
import { db } from "@/data/database/connection";
import { loadFirm, saveFirm } from "@/data/firm/firm";
import { paperImages } from "@/data/letters/images";
import {
  findLetter,
  letterByToken,
  letterContent,
  letterToken,
  noteOpened,
  setRevoked,
  storeLetter,
} from "@/data/letters/letters";
import { LetterQuerySchema, listLetters } from "@/data/letters/list";
import { callBackLetter, letterMail, noteMail, queueLetter, sendByItself } from "@/data/letters/mail";
import { business, client, job, letter, visit } from "@/data/schema";
import { renderLetter } from "@/places/letters/render";
import { walkThrough } from "../../tools/seed/walkThrough.ts";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../tools/testing/world.ts";
import { letterMessage } from "./message";

let ines: Scope;
let owner: Scope;
let businessId: string;
let stopId: string;
let visitId: string;
let on: string;

beforeAll(async () => {
  const demo = await demoBusiness();
  businessId = demo.businessId;
  ines = await scopeOf(businessId, "Ines");
  owner = await scopeOf(businessId, "Dr.");
  const [v] = await visitsOf(businessId, "Ilves Dental", demo.today);
  if (!v) throw new Error("No visit");
  ({ stopId, visitId, on } = v);
  expect(await letterContent(businessId, stopId)).toBeNull();
  const { input } = await planOf(businessId, v);
  await new Phone(ines, visitId).send(
    walkThrough(input, Date.now(), (p) => input.readings.findLast((r) => r.parameter === p)?.value ?? 8).ops,
  );
});

const make = async () => {
  const content = await letterContent(businessId, stopId);
  if (!content) throw new Error("No content");
  await storeLetter(
    businessId,
    stopId,
    content,
    await renderLetter(content, await paperImages(businessId)),
    new Date(),
  );
  return content;
};
const ofStop = () => db().select().from(letter).where(eq(letter.stopId, stopId)).orderBy(letter.revision);

describe("a letter", () => {
  test("is one per client and stop, made anew only when it reads differently", async () => {
    const content = await make();
    expect(content).toMatchObject({ greeting: "Dear Dr. Ilves,", siteName: "Ilves Dental", revision: 1 });
    await make();
    expect(await ofStop()).toHaveLength(1);
    await new Phone(ines, visitId).say({ type: "note", text: "The left lamp flickers now and then" });
    await make();
    const all = await ofStop();
    expect(all.map((l) => l.revision)).toEqual([1, 2]);
    expect(all[1]?.plain).toContain("The left lamp flickers now and then.");
    expect(all[1]?.html).toContain("corrected (2)");
    // The first one stays as it was sent.
    expect(all[0]?.plain).not.toContain("flickers");
  });

  test("is written also where a visit of the next day has begun already", async () => {
    const upcoming = await visitsOf(businessId, "Ilves Dental", on);
    const next = upcoming.find((v) => v.on > on);
    if (!next) throw new Error("No next visit");
    await new Phone(ines, next.visitId).say(
      { type: "start" },
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan: (await planOf(businessId, next)).plan },
    );
    expect(await letterContent(businessId, stopId)).toMatchObject({ siteName: "Ilves Dental" });
  });

  test("opens by its token only, notes the first opening, and can be revoked", async () => {
    const [first] = await ofStop();
    if (!first) throw new Error("No letter");
    const token = letterToken(first.id);
    expect(token.length).toBeGreaterThan(40);
    expect((await letterByToken(token))?.id).toBe(first.id);
    expect(await letterByToken(`${token.slice(0, -1)}_`)).toBeNull();
    expect(await letterByToken("")).toBeNull();
    // What is stored is not the token.
    expect(JSON.stringify({ ...first, pdf: "" })).not.toContain(token);
    // Whoever wrote it and looks at it has not opened it; its owner has, and so has anybody with the link.
    await noteOpened(first, null, new Date("2025-12-30T10:00:00Z"));
    // Nobody agreed to it yet.
    expect((await letterByToken(token))?.openedAt).toBeNull();
    await db().update(client).set({ opensNoted: true }).where(eq(client.id, first.clientId));
    await noteOpened(first, ines, new Date("2025-12-31T10:00:00Z"));
    expect((await letterByToken(token))?.openedAt).toBeNull();
    await noteOpened(first, null, new Date("2026-01-01T10:00:00Z"));
    await noteOpened(first, owner, new Date("2026-01-02T10:00:00Z"));
    expect((await letterByToken(token))?.openedAt?.toISOString()).toBe("2026-01-01T10:00:00.000Z");
    await expect(setRevoked(owner, first.id, true, new Date())).rejects.toMatchObject({ code: "not-found" });
    await setRevoked(ines, first.id, true, new Date());
    expect(await letterByToken(token)).toBeNull();
    await setRevoked(ines, first.id, false, new Date());
    expect((await letterByToken(token))?.id).toBe(first.id);
  });

  test("has a link that works as long as the firm says", async () => {
    const [first] = await ofStop();
    const token = letterToken(first?.id ?? "");
    const after = (days: number) => new Date((first?.createdAt.getTime() ?? 0) + days * 86_400_000);
    expect(await letterByToken(token, after(364))).not.toBeNull();
    expect(await letterByToken(token, after(366))).toBeNull();
    const maud = await scopeOf(businessId, "Maud");
    const { firm } = await loadFirm(maud);
    expect(firm.letterDays).toBe(365);
    await saveFirm(maud, { ...firm, letterDays: 30 }, new Date());
    expect(await letterByToken(token, after(29))).not.toBeNull();
    expect(await letterByToken(token, after(31))).toBeNull();
    await saveFirm(maud, firm, new Date());
  });

  test("is not its owner's to see before it was sent", async () => {
    const all = await ofStop();
    expect((await listLetters(owner)).letters.map((l) => l.id)).not.toContain(all.at(-1)?.id);
    await expect(findLetter(owner, all.at(-1)?.id ?? "")).rejects.toMatchObject({ code: "not-found" });
    expect((await listLetters(ines)).letters.map((l) => l.id)).toContain(all.at(-1)?.id);
  });

  test("leaves no earlier than half an hour after the close, and is called back until then", async () => {
    const all = await ofStop();
    const last = all.at(-1);
    if (!last) throw new Error("No letter");
    const closed = await db().select({ at: visit.closedAt }).from(visit).where(eq(visit.stopId, stopId));
    const closedAt = Math.max(...closed.map((v) => v.at?.getTime() ?? 0));
    const soon = new Date(closedAt + 60_000);
    await queueLetter(ines, last.id, soon);
    expect((await findLetter(ines, last.id)).queuedAt?.getTime()).toBe(closedAt + 30 * 60_000);
    const [work] = (await db().select().from(job).where(eq(job.kind, "mail"))).filter(
      (j) => j.payload.letterId === last.id,
    );
    expect((work?.runAt.getTime() ?? 0) - Date.now()).toBeGreaterThan(28 * 60_000);
    await callBackLetter(ines, last.id, soon);
    expect((await findLetter(ines, last.id)).queuedAt).toBeNull();
    await db()
      .delete(job)
      .where(eq(job.id, work?.id ?? ""));
    // An hour later it leaves at once, and is not to be called back.
    const later = new Date(closedAt + 3_600_000);
    await queueLetter(ines, last.id, later);
    expect((await findLetter(ines, last.id)).queuedAt).toEqual(later);
    await expect(callBackLetter(ines, last.id, later)).rejects.toMatchObject({ code: "on-its-way" });
    await db().update(letter).set({ queuedAt: null }).where(eq(letter.id, last.id));
    await db().delete(job).where(eq(job.kind, "mail"));
  });

  test("is queued once, and its mail's outcome is kept", async () => {
    const all = await ofStop();
    const last = all.at(-1);
    if (!last) throw new Error("No letter");
    await queueLetter(ines, last.id, new Date());
    await expect(queueLetter(ines, last.id, new Date())).rejects.toMatchObject({ status: 409, code: "already-queued" });
    expect(
      (await db().select().from(job).where(eq(job.kind, "mail"))).filter((j) => j.payload.letterId === last.id),
    ).toHaveLength(1);
    expect(await letterMail(businessId, last.id)).toMatchObject({
      to: "owner@ilves-dental.example",
      from: "letters@calder-renn.example",
    });
    await noteMail(last.id, { sendError: "connection refused" });
    expect((await findLetter(ines, last.id)).sendError).toBe("connection refused");
    await noteMail(last.id, { sentAt: new Date() });
    expect(await findLetter(ines, last.id)).toMatchObject({ sendError: null });
    expect((await findLetter(ines, last.id)).sentAt).not.toBeNull();
  });

  test("is seen by its owner, and no other client's is", async () => {
    const { letters: mine } = await listLetters(owner);
    expect(new Set(mine.map((l) => l.clientName))).toEqual(new Set(["Ilves Dental"]));
    const other: Scope = { ...owner, clientId: crypto.randomUUID() };
    expect((await listLetters(other)).letters).toEqual([]);
    await expect(findLetter(other, mine[0]?.id ?? "")).rejects.toMatchObject({ code: "not-found" });
    await expect(findLetter({ ...ines, businessId: crypto.randomUUID() }, mine[0]?.id ?? "")).rejects.toMatchObject({
      code: "not-found",
    });
  });
});

describe("how a client wants letters", () => {
  const set = async (lettersBy: "mail-pdf" | "mail-link" | "none") => {
    const [l] = await ofStop();
    await db()
      .update(client)
      .set({ lettersBy })
      .where(eq(client.id, l?.clientId ?? ""));
  };
  const newest = async () => (await ofStop()).at(-1)?.id ?? "";
  test("a link alone carries neither page nor PDF", async () => {
    await set("mail-link");
    const mail = await letterMail(businessId, await newest());
    if (!mail) throw new Error("No mail");
    const message = letterMessage(mail, "https://firm.example/letter/x");
    expect(message.text).toContain("https://firm.example/letter/x");
    expect(message).not.toHaveProperty("html");
    expect(message).not.toHaveProperty("attachments");
  });
  test("the page comes with its PDF", async () => {
    await set("mail-pdf");
    const mail = await letterMail(businessId, await newest());
    if (!mail) throw new Error("No mail");
    const message = letterMessage(mail, "https://firm.example/letter/x");
    expect(message).toMatchObject({ html: mail.letter.html, attachments: [{ contentType: "application/pdf" }] });
  });
  test("who wants none is sent none, and the sender is told", async () => {
    await set("none");
    await db()
      .update(letter)
      .set({ queuedAt: null })
      .where(eq(letter.id, await newest()));
    await expect(queueLetter(ines, await newest(), new Date())).rejects.toMatchObject({
      code: "not-mailed",
      message: expect.stringContaining("Ilves Dental wants letters kept here"),
    });
    await set("mail-pdf");
  });
});

describe("a letter in the words of whoever gets it", () => {
  test("has American dates, units and hours, and not one metric unit", async () => {
    const [row] = await ofStop();
    const mine = eq(client.id, row?.clientId ?? "");
    await db().update(client).set({ locale: "en-US" }).where(mine);
    const content = await letterContent(businessId, stopId);
    await db().update(client).set({ locale: "en-GB" }).where(mine);
    if (!content) throw new Error("No content");
    const { plain, html } = await renderLetter(content, { mark: null, photos: {} });
    expect(html).toContain('<html lang="en-US">');
    // "Monday, November 30", and "9:30 AM".
    expect(content.date).toMatch(/^[A-Z][a-z]+day, [A-Z][a-z]+ \d{1,2}$/);
    expect(plain).toMatch(/\d:\d\d [AP]M/);
    expect(plain).toMatch(/\d °F/);
    expect(plain).toMatch(/\d US gal/);
    expect(plain).not.toMatch(/\d (L|°C|cm|kg)\b/);
  });
  test("may leave by itself for one client alone, and by hand where the firm's others leave", async () => {
    const [row] = await ofStop();
    const mine = eq(client.id, row?.clientId ?? "");
    const leaves = async (way: "as-firm" | "by-hand" | "by-itself", firm: "by-hand" | "by-itself") => {
      await db().update(client).set({ letterWay: way }).where(mine);
      await db().update(business).set({ letterWay: firm }).where(eq(business.id, businessId));
      const id = row?.id ?? "";
      await db().update(letter).set({ queuedAt: null, sentAt: null }).where(eq(letter.id, id));
      await sendByItself(businessId, id, new Date());
      return (await findLetter(ines, id)).queuedAt !== null;
    };
    expect(await leaves("as-firm", "by-hand")).toBe(false);
    expect(await leaves("as-firm", "by-itself")).toBe(true);
    expect(await leaves("by-itself", "by-hand")).toBe(true);
    expect(await leaves("by-hand", "by-itself")).toBe(false);
  });
  test("that the reader's mail server refused for good came back, and can be sent again", async () => {
    const [row] = await ofStop();
    const id = row?.id ?? "";
    const state = async () =>
      (await listLetters(ines, LetterQuerySchema.parse({ state: "returned" }))).letters.map((l) => l.id);
    await db().update(letter).set({ queuedAt: new Date(), sentAt: null }).where(eq(letter.id, id));
    await noteMail(id, { sendError: "550 No such mailbox", returnedAt: new Date() });
    expect(await state()).toEqual([id]);
    await queueLetter(ines, id, new Date());
    expect(await state()).toEqual([]);
    expect(await findLetter(ines, id)).toMatchObject({ returnedAt: null, sendError: null });
  });
});
