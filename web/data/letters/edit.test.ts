import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { walkThrough } from "../../../tools/seed/walkThrough.ts";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { loadFirm } from "../firm/firm";
import { firmVoice, saveVoice, VoiceSchema } from "../firm/voice";
import { business, job, letter } from "../schema";
import { decidePhrase, editLetter, keepSet, letterToSet, letterWords } from "./edit";
import { findLetter, letterContent, storeLetter } from "./letters";
import { LetterQuerySchema, letterYears, listLetters } from "./list";
import { isBeingSet, queueLetter, sendByItself } from "./mail";

let ines: Scope;
let maud: Scope;
let owner: Scope;
let businessId: string;
let stopId: string;
let letterId: string;
const pages = (plain: string) => ({ subject: "s", html: `<p>${plain}</p>`, plain, pdf: Buffer.from(plain) });

beforeAll(async () => {
  const demo = await demoBusiness();
  businessId = demo.businessId;
  const of = (name: string) => scopeOf(businessId, name);
  [ines, maud, owner] = await Promise.all([of("Ines"), of("Maud"), of("Dr.")]);
  const [v] = await visitsOf(businessId, "Ilves Dental", demo.today);
  if (!v) throw new Error("No visit");
  stopId = v.stopId;
  const { input } = await planOf(businessId, v);
  await new Phone(ines, v.visitId).send(
    walkThrough(input, Date.now(), (p) => input.readings.findLast((r) => r.parameter === p)?.value ?? 8).ops,
  );
  letterId = await written("first");
});

/** A letter of the stop as the jobs write it. */
async function written(plain: string): Promise<string> {
  const content = await letterContent(businessId, stopId);
  if (!content) throw new Error("No content");
  const id = await storeLetter(businessId, stopId, content, pages(plain), new Date());
  if (id) await sendByItself(businessId, id, new Date());
  return content.letterId;
}

const read = async (id = letterId) => {
  const row = await findLetter(maud, id);
  const words = await letterWords(maud, row);
  if (!words) throw new Error("No words");
  return { row, words };
};
/** The letter with one sentence of its first paragraph said otherwise. */
const saying = async (change: (body: string) => string, id = letterId) => {
  const { words } = await read(id);
  const { greeting, close, tanks } = words.text;
  const said = tanks.map(({ body, until }, i) => ({
    ...{ until: [...until], body: body.map((p, at) => (i === 0 && at === 1 ? change(p) : p)) },
  }));
  return { letterId: id, was: words.editedAt?.toISOString() ?? null, greeting, close, tanks: said };
};
const sentenceOf = async (id = letterId): Promise<string> => {
  const { words } = await read(id);
  return words.text.tanks[0]?.body[1]?.split(/(?<=[.])\s/)[0] ?? "";
};

describe("a letter that is worded anew", () => {
  test("keeps its first wording, says who changed it, and its page is set anew", async () => {
    const first = await sentenceOf();
    expect(first).toMatch(/\d/);
    await editLetter(maud, await saying((p) => p.replace(first, `So: ${first}`)), new Date());
    const { row, words } = await read();
    expect(words.text.tanks[0]?.body[1]).toContain(`So: ${first}`);
    expect(words.original?.tanks[0]?.body[1]).not.toContain("So: ");
    expect(words.editedBy).toBe("Maud Oyelaran");
    expect(isBeingSet(row)).toBe(true);
    await expect(queueLetter(maud, letterId, new Date())).rejects.toMatchObject({ code: "being-set" });
    const asked = (await db().select().from(job).where(eq(job.kind, "letter"))).filter(
      (j) => j.payload.letterId === letterId,
    );
    expect(asked.length).toBe(1);
    const toSet = await letterToSet(businessId, letterId);
    if (!toSet) throw new Error("Nothing to set");
    await keepSet(toSet, pages("anew"));
    const set = await findLetter(maud, letterId);
    expect([isBeingSet(set), set.plain]).toEqual([false, "anew"]);
  });
  test("says no figure that nobody logged, and nothing of it is kept", async () => {
    const before = (await read()).words.text;
    await expect(
      editLetter(maud, await saying((p) => `${p} All 4711 fish are well.`), new Date()),
    ).rejects.toMatchObject({
      ...{ status: 422, code: "not-logged", message: expect.stringMatching(/^4711 stands nowhere in the log/) },
    });
    expect((await read()).words.text).toEqual(before);
  });
  test("by two at once is told to the later one", async () => {
    const stale = await saying((p) => `${p} Mine.`);
    await editLetter(ines, await saying((p) => `${p} Theirs.`), new Date());
    await expect(editLetter(maud, stale, new Date())).rejects.toMatchObject({ code: "changed-meanwhile" });
  });
  test("set while it was changed again is set once more", async () => {
    const old = await letterToSet(businessId, letterId);
    await editLetter(maud, await saying((p) => `${p} Once more.`), new Date(Date.now() + 1000));
    if (old) await keepSet(old, pages("too late"));
    const now = await findLetter(maud, letterId);
    expect([isBeingSet(now), now.plain]).toEqual([true, "anew"]);
    const row = await letterToSet(businessId, letterId);
    if (row) await keepSet(row, pages("last"));
  });
  test("is not the owner's to word, nor anybody's once it is on its way", async () => {
    await expect(editLetter(owner, await saying((p) => p), new Date())).rejects.toMatchObject({ status: 404 });
    await queueLetter(maud, letterId, new Date());
    await expect(editLetter(maud, await saying((p) => `${p} x`), new Date())).rejects.toMatchObject({
      code: "on-its-way",
    });
  });
});

describe("a firm's own words", () => {
  test("said twice are offered, and said so from then on with the figures of each letter", async () => {
    const first = await sentenceOf();
    const own = first.replace(/^\w+/, "Today we");
    for (const plain of ["second", "third"]) {
      const id = await written(plain);
      const usual = await sentenceOf(id);
      await editLetter(maud, await saying((p) => p.replace(usual, own), id), new Date());
      if (plain === "second") expect((await read(id)).words.phrases).toEqual([]);
    }
    const id = await written("fourth");
    const [offer] = (await read(id)).words.phrases;
    expect(offer).toMatchObject({ times: 2, adopted: null });
    await decidePhrase(maud, { from: offer?.from ?? "", to: offer?.to ?? "", adopted: true });
    expect(await sentenceOf(await written("fifth"))).toBe(own);
    expect((await read(id)).words.phrases).toEqual([]);
    await expect(decidePhrase(maud, { from: "x", to: "y", adopted: true })).rejects.toMatchObject({ status: 404 });
  });
});

describe("how letters speak and leave", () => {
  const said = {
    greeting: "Good day",
    close: "",
    colour: "#0a5a4a",
    leftOut: ["measured"],
    way: "by-hand",
    hour: null,
  };
  const voice = (change: object = {}) => VoiceSchema.parse({ ...said, ...change });

  test("is set by the office, and the next letter speaks so", async () => {
    await saveVoice(maud, voice(), { now: new Date(), today: "2026-11-30" });
    const content = await letterContent(businessId, stopId);
    expect(content).toMatchObject({ greeting: "Good day Dr. Ilves,", colour: "#0a5a4a" });
    expect(content?.tanks[0]?.measured).toEqual([]);
    expect((await firmVoice(maud)).voice.close).toBeNull();
    expect((await loadFirm(maud)).history[0]).toMatchObject({
      ...{
        what: "how letters speak and leave",
        old: "as usual",
        new: "greeting “Good day”; #0a5a4a; without measured",
      },
    });
    await expect(saveVoice(ines, voice(), { now: new Date(), today: "x" })).rejects.toMatchObject({ status: 404 });
  });
  test.each([
    [{ colour: "green" }, "colour"],
    [{ hour: 24 }, "hour"],
    [{ hour: 8.5 }, "hour"],
    [{ greeting: "x".repeat(61) }, "greeting"],
    [{ way: "never" }, "way"],
  ])("%o cannot be", (change, field) => {
    const answer = VoiceSchema.safeParse({ ...said, ...change });
    expect(answer.error?.issues[0]?.path).toEqual([field]);
  });
  test("by themselves, at the firm's hour: the first one after the visit has waited", async () => {
    const [firm] = await db().select({ zone: business.zone }).from(business).where(eq(business.id, businessId));
    await saveVoice(maud, voice({ way: "by-itself", hour: 7 }), { now: new Date(), today: "2026-11-30" });
    const id = await written("by itself");
    const [row] = await db().select().from(letter).where(eq(letter.id, id));
    const queuedAt = row?.queuedAt;
    if (!queuedAt) throw new Error("It was not sent");
    const clock = new Intl.DateTimeFormat("en-GB", { timeZone: firm?.zone, hour: "2-digit", minute: "2-digit" });
    expect(clock.format(queuedAt)).toBe("07:00");
    const hours = (queuedAt.getTime() - Date.now()) / 3_600_000;
    expect(hours).toBeGreaterThan(0);
    expect(hours).toBeLessThanOrEqual(25);
  });
});

test("letters are found by client, words, state and year, and nothing that is typed breaks the search", async () => {
  const ask = (change: object) => LetterQuerySchema.parse({ q: "", state: undefined, year: undefined, ...change });
  const ids = async (change: object) => (await listLetters(maud, ask(change))).letters.map((l) => l.id);
  // The demo has its year of letters: those of one client are looked through.
  const q = "ilves dental";
  const all = await ids({ q });
  expect(all.length).toBeGreaterThan(4);
  const rows = await db().select({ id: letter.id, clientId: letter.clientId }).from(letter);
  const theirs = new Set(rows.filter((r) => r.clientId === owner.clientId).map((r) => r.id));
  expect(new Set(all)).toEqual(theirs);
  expect((await ids({})).length).toBeGreaterThan(all.length);
  expect(await ids({ q: "nobody" })).toEqual([]);
  // Signs of the search language mean themselves.
  for (const sign of ["%", "_", "\\\\", "100 %", "'; drop table letter; --", "🐟"])
    expect(await ids({ q: sign })).toEqual([]);
  const years = await letterYears(maud);
  const byYear = await Promise.all(years.map((year) => ids({ q, year })));
  expect(byYear.flat().sort()).toEqual([...all].sort());
  expect(await ids({ q, year: 2001 })).toEqual([]);
  const waiting = await ids({ q, state: "waiting" });
  expect(waiting).toContain(letterId);
  expect((await ids({ q, state: "to-read" })).filter((id) => waiting.includes(id))).toEqual([]);
  expect(await ids({ q, state: "sent" })).not.toContain(letterId);
  expect(await ids({ q, state: "nonsense", year: "last", page: "-3" })).toEqual(all);
});
