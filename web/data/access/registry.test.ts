import { readdirSync, statSync } from "node:fs";
import { join } from "node:path";
import { Readable } from "node:stream";
import { seeded } from "@keel-round/core/numeric";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { listRecords } from "../desk/lists";
import { bulkChange } from "../desk/records";
import { letterContent, storeLetter } from "../letters/letters";
import {
  barrel,
  calendarFeed,
  dayRequest,
  deskChange,
  job,
  letter,
  notice,
  person,
  photo,
  proposal,
  reportRun,
  road,
  storeItem,
  storeMove,
  storeOrder,
} from "../schema";
import { moveStop } from "../series/stops";
import { stageFile } from "../transfer/stage";
import { everyDefinition, type ForeignIds, registered } from "./define";
import type { Scope } from "./scope";

const web = join(import.meta.dirname, "../..");
const VERBS = ["GET", "POST", "PUT", "PATCH", "DELETE", "HEAD", "OPTIONS"];

function filesNamed(folder: string, name: string): string[] {
  return readdirSync(folder).flatMap((entry) => {
    const path = join(folder, entry);
    if (statSync(path).isDirectory()) return filesNamed(path, name);
    return entry === name ? [path] : [];
  });
}

let stranger: Scope;
/** Of the same business, and not seen where the ids are. */
let tobiah: Scope;
let ids: ForeignIds;
let businessId: string;

beforeAll(async () => {
  const { today, ...demo } = await demoBusiness();
  ({ businessId } = demo);
  const ines = await scopeOf(businessId, "Ines");
  // Somebody of another business, with every role a person may have, asks for these ids.
  stranger = { ...ines, businessId: newId(), personId: newId() };
  tobiah = await scopeOf(businessId, "Tobiah");
  const [v] = await visitsOf(businessId, "Ilves Dental", today);
  const [someone] = await db().select().from(person).where(eq(person.businessId, businessId));
  if (!v || !someone) throw new Error("The demo has no visit");
  const letterId = newId();
  await storeLetter(
    businessId,
    v.stopId,
    {
      ...{ letterId, clientId: v.clientId, revision: 1, business: "x", date: "x", greeting: "x", siteName: "x" },
      ...{ tanks: [], close: "x", signedBy: "x" },
    },
    { subject: "x", html: "x", plain: "x", pdf: Buffer.from("x") },
    new Date(),
  );
  const [site, animal] = await Promise.all([
    listRecords(ines, "site", { q: "Ilves" }),
    listRecords(ines, "animal", { q: "Ilves" }),
  ]);
  const { id: importId } = await stageFile(
    await scopeOf(businessId, "Maud"),
    { kind: "client", fileName: "x.csv", bytes: Readable.from([Buffer.from("Name,Contact\nA,B\n")]) },
    new Date(),
  );
  const { batchId } = await bulkChange(
    ines,
    "site",
    [site.rows[0]?.id ?? ""],
    { parking: "behind the surgery" },
    { now: new Date(), today },
  );
  const [change] = await db().select().from(deskChange).where(eq(deskChange.batchId, batchId));
  const [picture] = await db().select().from(photo).where(eq(photo.businessId, businessId)).limit(1);
  const stuckId = newId();
  await db()
    .insert(job)
    .values({ id: stuckId, businessId, kind: "mail", payload: { letterId }, runAt: new Date(), failedAt: new Date() });
  const [stuck] = await db().select().from(job).where(eq(job.id, stuckId));
  const [vat] = await db().select().from(barrel).where(eq(barrel.businessId, businessId)).limit(1);
  // Put back at once: what is walked with is the change alone.
  const { changeId: roundChangeId } = await moveStop(
    await scopeOf(businessId, "Maud"),
    { stopId: v.stopId, to: v.on, anyway: true },
    { now: new Date(), today },
  );
  const [noticeId, feedId, roadId] = [newId(), newId(), newId()];
  const at = new Date();
  await db()
    .insert(notice)
    .values({
      ...{ id: noticeId, businessId, clientId: v.clientId, personId: someone.id, changeId: roundChangeId },
      ...{ kind: "moved", email: "a@a.example", subject: "x", body: "x", acceptedAt: at },
      leavesAt: new Date(at.getTime() + 900_000),
    });
  await db()
    .insert(calendarFeed)
    .values({ id: feedId, businessId, kind: "site", ofId: site.rows[0]?.id ?? "", madeBy: someone.id, madeAt: at });
  await db()
    .insert(road)
    .values({ id: roadId, businessId, fromId: businessId, toId: site.rows[0]?.id ?? "", learntMinutes: 9, drives: 3 });
  const [requestId, proposalId, runId] = [newId(), newId(), newId()];
  const [itemId, moveId, orderId] = [newId(), newId(), newId()];
  await db().insert(storeItem).values({ id: itemId, businessId, name: "Salt", kind: "salt", unit: "g", knownAs: [] });
  await db()
    .insert(storeMove)
    .values({ id: moveId, businessId, itemId, kind: "delivered", amount: 1, at, onDate: "2026-01-01" });
  await db()
    .insert(storeOrder)
    .values({
      ...{ id: orderId, businessId, supplier: "", orderedAt: at, orderedBy: someone.id },
      lines: [{ itemId, name: "Salt", unit: "g", packs: null, packAmount: null, amount: 1 }],
    });
  await db()
    .insert(reportRun)
    .values({
      ...{ id: runId, businessId, personId: someone.id, kind: "year", fromOn: "2025-01-01", untilOn: "2025-12-31" },
      ...{ state: "making", at, html: "<p>x</p>", pdf: Buffer.from("x") },
    });
  await db()
    .insert(dayRequest)
    .values({ id: requestId, businessId, stopId: v.stopId, personId: someone.id, insteadOf: v.on, at });
  await db()
    .insert(proposal)
    .values({
      ...{ id: proposalId, businessId, tankId: v.tankId, personId: someone.id, madeAt: at },
      ...{ what: "x", why: "x", ifNot: "x", minutes: 1 },
    });
  ids = {
    visitId: v.visitId,
    tankId: v.tankId,
    stopId: v.stopId,
    roundChangeId,
    letterId,
    personId: someone.id,
    siteId: site.rows[0]?.id ?? "",
    animalId: animal.rows[0]?.id ?? "",
    changeId: change?.id ?? "",
    batchId,
    importId,
    photoId: picture?.id ?? "",
    barrelId: vat?.id ?? "",
    jobId: stuck?.id ?? "",
    noticeId,
    feedId,
    roadId,
    requestId,
    proposalId,
    runId,
    itemId,
    moveId,
    orderId,
  };
  for (const file of [...filesNamed(join(web, "app"), "route.ts"), ...filesNamed(join(web, "places"), "actions.ts")])
    await import(file);
});

/** Some here; many more under `npm run proof`. */
const TRIES = Number(process.env.KEEL_ROUND_TRIES ?? 30);

describe("the registry", () => {
  test("holds every route handler and every action", async () => {
    const routes = filesNamed(join(web, "app"), "route.ts");
    const actions = filesNamed(join(web, "places"), "actions.ts");
    expect(routes.length).toBeGreaterThanOrEqual(6);
    expect(actions.length).toBeGreaterThanOrEqual(4);
    for (const file of routes) {
      const module = (await import(file)) as Record<string, unknown>;
      for (const verb of VERBS.filter((v) => v in module))
        expect(registered(module[verb]), `${file} ${verb}`).toBeDefined();
    }
    for (const file of actions) {
      const module = (await import(file)) as Record<string, unknown>;
      for (const [name, made] of Object.entries(module))
        expect(registered(made)?.kind, `${file} ${name}`).toBe("action");
    }
    // One that was not made by it is told apart.
    expect(registered(async () => new Response())).toBeUndefined();
  });

  test("answers another business's ids with not found", async () => {
    const probes = everyDefinition().filter((d) => d.probe);
    expect(probes.map((d) => d.name).sort()).toEqual([
      "archive.undo",
      "calendar.make",
      "calendar.revoke",
      "desk.animal-event",
      "desk.archive",
      "desk.bulk",
      "desk.erase-contacts",
      "desk.look",
      "desk.new-client",
      "desk.restore",
      "desk.save",
      "desk.set-codes",
      "desk.try-again",
      "desk.undo",
      "files.apply",
      "files.cancel",
      "files.check",
      "files.mend",
      "files.progress",
      "files.undo",
      "letters.call-back",
      "letters.edit",
      "letters.revoke",
      "letters.send",
      "me.end-session",
      "owner.form",
      "owner.page",
      "owner.propose",
      "owner.withdraw",
      "people.erase",
      "people.export",
      "people.export-contacts",
      "people.invite",
      "people.leave",
      "people.mail-again",
      "people.role",
      "people.take-off-factors",
      "people.work",
      "photos.add",
      "photos.file",
      "reports.cancel",
      "reports.firm",
      "reports.progress",
      "rings.set",
      "roads.decide",
      "round.add-stop",
      "round.mix-instead",
      "round.move-stop",
      "round.plan-again",
      "round.preview-series",
      "round.refill",
      "round.save-series",
      "round.skip-stop",
      "round.undo",
      "stores.end-order",
      "stores.merge",
      "stores.move",
      "stores.order",
      "stores.take-back",
      "tanks.add-readings",
      "tanks.archive-photo",
      "tanks.correct-reading",
      "tanks.end-trouble",
      "tanks.note-trouble",
      "tanks.photo-use",
      "tanks.pin-job",
      "tanks.save-programme",
      "tanks.start",
      "visit.afterwards",
      "visit.bundle",
      "visit.door-codes",
      "visit.operations",
      "visit.van-kit",
      "water.draw",
      "water.fix-barrel",
      "water.plan-into",
      "water.purifier-done",
      "water.start-batch",
      "water.verify-batch",
      "weeks.add-visit",
      "weeks.answer-owner",
      "weeks.away",
      "weeks.lock",
      "weeks.place",
      "weeks.settle",
      "weeks.take-back-message",
      "weeks.tell",
      "weeks.undo",
    ]);
    for (const { name, probe } of probes)
      await expect(probe?.(stranger, ids), name).rejects.toMatchObject({ status: 404, code: "not-found" });
    expect((await db().select().from(letter).where(eq(letter.id, ids.letterId)))[0]?.queuedAt).toBeNull();
  });

  test("takes no id where it has no probe", () => {
    const bare = everyDefinition().filter((d) => !d.probe && d.kind !== "public-route");
    expect(bare.map((d) => d.name).sort()).toEqual([
      "archive.export",
      "archive.import",
      "day.bundles",
      "desk.firm",
      "desk.holidays-add",
      "desk.holidays-read",
      "desk.holidays-remove",
      "desk.map",
      "desk.mark",
      "desk.voice",
      "desk.weights",
      "files.export",
      "files.geojson",
      "files.site-log",
      "files.upload",
      "files.vcards",
      "find",
      "letters.phrase",
      "me.end-others",
      "me.prove",
      "me.units",
      "owner.home",
      "owner.leave",
      "people.ask-for-second-factor",
      "people.retention",
      "push.key",
      "push.subscribe",
      "reports.ask",
      "rings.drop",
      "roads.clear",
      "roads.read",
      "roads.save",
      "stores.keep",
      "stores.orders",
      "stores.stock",
      "upkeep.lay",
      "weeks.version",
    ]);
  });

  test("answers a technician's own business alike where they have no business with the client", async () => {
    const probes = everyDefinition().filter((d) => d.probe && d.roles.includes("technician"));
    expect(probes.length).toBeGreaterThan(20);
    const open: string[] = [];
    for (const { name, probe } of probes)
      await probe?.(tobiah, ids).then(
        () => open.push(name),
        (error: unknown) => {
          if ((error as { code?: string }).code !== "not-found") open.push(name);
        },
      );
    // Stores, waters and barrels are the firm's, and what is in them is everybody's work.
    expect(open.sort()).toEqual([
      ...["stores.end-order", "stores.merge", "stores.move", "stores.order", "stores.take-back"],
      ...["water.draw", "water.fix-barrel", "water.start-batch", "water.verify-batch"],
    ]);
  });

  test("lets a lead at rounds and visits, and at no person, file or setting of the firm", () => {
    const officeAlone = everyDefinition()
      .filter((d) => d.roles.includes("office") && !d.roles.includes("lead"))
      .map((d) => d.name);
    expect(officeAlone.sort()).toEqual([
      "archive.export",
      "archive.import",
      "archive.undo",
      "desk.erase-contacts",
      "desk.firm",
      "desk.holidays-add",
      "desk.holidays-read",
      "desk.holidays-remove",
      "desk.map",
      "desk.mark",
      "desk.new-client",
      "desk.set-codes",
      "desk.try-again",
      "desk.voice",
      "desk.weights",
      "files.apply",
      "files.cancel",
      "files.check",
      "files.export",
      "files.geojson",
      "files.mend",
      "files.progress",
      "files.undo",
      "files.upload",
      "files.vcards",
      "people.ask-for-second-factor",
      "people.erase",
      "people.export",
      "people.export-contacts",
      "people.invite",
      "people.leave",
      "people.mail-again",
      "people.retention",
      "people.role",
      "people.take-off-factors",
      "people.work",
      "reports.ask",
      "reports.cancel",
      "reports.firm",
      "reports.progress",
      "upkeep.lay",
    ]);
    // Whatever a technician may, a lead may too.
    const technicians = everyDefinition().filter((d) => d.roles.includes("technician"));
    expect(technicians.filter((d) => !d.roles.includes("lead")).map((d) => d.name)).toEqual([]);
  });

  test("a letter of a stop with an open visit is not made", async () =>
    expect(await letterContent(stranger.businessId, ids.stopId)).toBeNull());
});

/** Values that no form of ours sends, and that anybody may. */
const ODD: readonly unknown[] = [
  "",
  " ",
  "x".repeat(5000),
  "\ud800",
  "\u0000",
  "0",
  "-1",
  "1e400",
  "2026-02-30",
  "0000-01-01",
  "9999-12-31",
  "'; drop table tank; --",
  "../../etc/passwd",
  0,
  -1,
  0.1,
  1e15,
  1e308,
  Number.NaN,
  Number.POSITIVE_INFINITY,
  true,
  null,
  undefined,
  [],
  {},
  [[[]]],
  { toString: 1 },
];

/** An input with one or more of its parts exchanged for something else. */
function mutated(value: unknown, random: () => number, ids: readonly string[]): unknown {
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
  if (random() < 0.2) return random() < 0.3 ? pick(ids) : pick(ODD);
  if (Array.isArray(value)) return value.map((v) => mutated(v, random, ids));
  if (value && typeof value === "object")
    return Object.fromEntries(
      Object.entries(value)
        .filter(() => random() > 0.03)
        .map(([k, v]) => [k, mutated(v, random, ids)]),
    );
  return value;
}

test("whatever is sent to an action or a route is taken or refused: never an error of ours", async () => {
  const maud = await scopeOf(businessId, "Maud");
  const own = Object.values(ids);
  const random = seeded(20_261_129);
  const broken: string[] = [];
  let [taken, refused] = [0, 0];
  for (const { name, tried } of everyDefinition()) {
    if (!tried) continue;
    for (let i = 0; i < TRIES; i++) {
      const input = i === 0 ? tried.example(ids) : mutated(tried.example(ids), random, own);
      try {
        await tried.take(maud, input);
        taken++;
      } catch (error) {
        const status = (error as { status?: number }).status;
        if (status === undefined || status >= 500) broken.push(`${name} ${JSON.stringify(input)}: ${String(error)}`);
        else refused++;
      }
    }
  }
  expect(broken).toEqual([]);
  // Both happen: nothing is refused wholesale, and not everything is taken.
  expect(taken).toBeGreaterThan(20);
  expect(refused).toBeGreaterThan(200);
}, 600_000);
