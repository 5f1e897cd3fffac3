import { createHash } from "node:crypto";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { animal, finding, photo } from "../schema";
import { addPhoto, archivePhoto, lastPhotos, photoFile, photosOf } from "./photos";
import { reencode } from "./reencode";
import { photoStore } from "./store";

let ines: Scope;
let owner: Scope;
let businessId: string;
let today: string;
/** A tank of the owner's, and one of somebody else. */
let reef: string;
let museum: string;
beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, owner] = await Promise.all([scopeOf(businessId, "Ines"), scopeOf(businessId, "Dr.")]);
  const idOf = async (site: string) => (await visitsOf(businessId, site, today))[0]?.tankId ?? "";
  [reef, museum] = await Promise.all([idOf("Ilves Dental"), idOf("Town Museum")]);
});

/** A picture as a phone takes it: large, lying on its side, with where it was taken. */
const fromPhone = (width = 2400, height = 1800) =>
  sharp({ create: { width, height, channels: 3, background: "#315a4c" } })
    .jpeg()
    .withExif({ IFD0: { Make: "A phone" }, IFD3: { GPSLatitudeRef: "N", GPSLatitude: "50/1 24/1 0/1" } })
    .withMetadata({ orientation: 6 })
    .toBuffer();
const add = (bytes: Uint8Array, note = "", scope = ines, tankId = reef) =>
  addPhoto(scope, tankId, { bytes, note, onDate: today }, new Date());

test("a picture says what it shows: a group of animals, a finding, and a step by its own name", async () => {
  const [group] = await db().select().from(animal).where(eq(animal.tankId, reef));
  const [seen] = await db().select().from(finding).where(eq(finding.tankId, reef));
  const of = async (spot: { kind: "animal" | "finding" | "step"; id: string }) => {
    const { id } = await addPhoto(
      ines,
      reef,
      { bytes: await fromPhone(60, 40), note: "", onDate: today, spot },
      new Date(),
    );
    const kept = (await photosOf(ines, reef)).find((p) => p.id === id);
    await archivePhoto(ines, id, true, new Date());
    return kept;
  };
  expect(await of({ kind: "animal", id: group?.id ?? "" })).toMatchObject({ spot: "animal", of: group?.name });
  expect(await of({ kind: "finding", id: seen?.id ?? "" })).toMatchObject({ spot: "finding", of: seen?.text });
  // Neither a step, whose id is no row's, nor a finding that is gone breaks the list.
  expect(await of({ kind: "step", id: "glass-inside" })).toMatchObject({ spotId: "glass-inside", of: null });
  expect(await of({ kind: "finding", id: newId() })).toMatchObject({ of: null });
});

describe("a picture of a tank", () => {
  test("is kept upright, at most 1600 pixels, as JPEG, without where and with what it was taken", async () => {
    const { id } = await add(await fromPhone(), "left pane");
    const bytes = await photoFile(ines, id, "kept");
    const info = await sharp(bytes).metadata();
    expect([info.format, info.width, info.height]).toEqual(["jpeg", 1200, 1600]);
    expect(info.exif).toBeUndefined();
    expect(info.orientation).toBeUndefined();
    const [row] = await db().select().from(photo).where(eq(photo.id, id));
    expect(row).toMatchObject({ width: 1200, height: 1600, bytes: bytes.length, note: "left pane" });
    expect(row?.sha256).toBe(createHash("sha256").update(bytes).digest("hex"));
    const strip = await sharp(await photoFile(ines, id, "strip")).metadata();
    expect(Math.max(strip.width ?? 0, strip.height ?? 0)).toBe(280);
    const small = await sharp(await photoFile(ines, id, "small")).metadata();
    expect([small.width, small.height]).toEqual([360, 480]);
  });
  test("is never made larger", async () => {
    const { id } = await add(
      await sharp({ create: { width: 300, height: 200, channels: 3, background: "#fff" } })
        .png()
        .toBuffer(),
    );
    expect((await sharp(await photoFile(ines, id, "kept")).metadata()).width).toBe(300);
  });
  test("that is none, is cut, or is too large is refused, and leaves nothing behind", async () => {
    const before = (await photosOf(ines, reef)).length;
    await expect(add(Buffer.from("Name,Contact\n"))).rejects.toMatchObject({ code: "not-photo" });
    const whole = await fromPhone();
    await expect(add(whole.subarray(0, whole.length / 2))).rejects.toMatchObject({ code: "not-photo" });
    await expect(add(new Uint8Array(16_000_001))).rejects.toMatchObject({ code: "too-large" });
    await expect(add(await fromPhone(9000, 7000))).rejects.toMatchObject({ code: "too-large" });
    expect((await photosOf(ines, reef)).length).toBe(before);
  });
  test("is taken as WebP and AVIF too; a HEIC is told how to send it", async () => {
    const plain = sharp({ create: { width: 64, height: 48, channels: 3, background: "#315a4c" } });
    for (const bytes of [await plain.clone().webp().toBuffer(), await plain.clone().avif().toBuffer()]) {
      const { id } = await add(bytes);
      expect((await sharp(await photoFile(ines, id, "kept")).metadata()).format).toBe("jpeg");
    }
    // The first bytes of such a file: a box "ftyp" of the brand "heic".
    const heic = Buffer.concat([
      Buffer.from([0, 0, 0, 24]),
      Buffer.from("ftypheic"),
      Buffer.from([0, 0, 0, 0]),
      Buffer.from("mif1heic"),
      Buffer.alloc(200),
    ]);
    await expect(add(heic)).rejects.toMatchObject({ status: 415, code: "heic" });
  });
  test("is known by its bytes: a drawing or a page that calls itself a picture is none", async () => {
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><image href="file:///etc/passwd"/></svg>';
    for (const text of [svg, "<html></html>", "%PDF-1.7\n", "GIF89a............"])
      await expect(add(Buffer.from(text)), text).rejects.toMatchObject({ code: "not-photo" });
  });
  test("that takes too long is ended, and others go on", async () => {
    const large = await fromPhone(7000, 5000);
    const slow = reencode(large, { side: 1600, quality: 82, patienceMs: 60 });
    const others = Promise.all([1, 2, 3].map(async () => add(await fromPhone(300, 200))));
    await expect(slow).rejects.toMatchObject({ code: "too-slow" });
    expect((await others).length).toBe(3);
  });
  test("is kept nowhere but in its folder, whatever its id says", async () => {
    for (const id of ["../../outside", "", "x".repeat(36)])
      await expect(photoStore().put(businessId, id, Buffer.from("x"))).rejects.toMatchObject({ code: "broken" });
    await expect(photoStore().put("..", newId(), Buffer.from("x"))).rejects.toMatchObject({ code: "broken" });
  });
  test("is seen by its owner, and nobody sees or adds to a neighbour's", async () => {
    const { id } = await add(await fromPhone(), "", ines, museum);
    await expect(photoFile(owner, id, "small")).rejects.toMatchObject({ code: "not-found" });
    await expect(photosOf(owner, museum)).rejects.toMatchObject({ code: "not-found" });
    const own = await photosOf(owner, reef);
    expect(own.length).toBeGreaterThan(0);
    await expect(photoFile(owner, own[0]?.id ?? "", "small")).resolves.toBeInstanceOf(Buffer);
    await expect(add(await fromPhone(), "", owner)).rejects.toMatchObject({ code: "not-found" });
    await expect(add(await fromPhone(), "", { ...ines, businessId: newId() })).rejects.toMatchObject({
      code: "not-found",
    });
  });
  test("rests in the archive and comes back; its file stays", async () => {
    const { id } = await add(await fromPhone());
    await archivePhoto(ines, id, true, new Date());
    expect((await photosOf(ines, reef)).some((p) => p.id === id)).toBe(false);
    await expect(photoFile(ines, id, "kept")).rejects.toMatchObject({ code: "not-found" });
    await archivePhoto(ines, id, false, new Date());
    expect((await photosOf(ines, reef)).some((p) => p.id === id)).toBe(true);
    await expect(archivePhoto(owner, id, true, new Date())).rejects.toMatchObject({ code: "not-found" });
  });
  test("whose file is missing says so", async () => {
    const { id } = await add(await fromPhone());
    await photoStore().remove(businessId, id);
    await expect(photoFile(ines, id, "kept")).rejects.toMatchObject({ code: "gone" });
  });
});

describe("a picture of a visit", () => {
  const of = async (siteName: string) => {
    const [visit] = await visitsOf(businessId, siteName, today);
    if (!visit) throw new Error(`No visit at ${siteName}`);
    return visit;
  };
  const small = () =>
    sharp({ create: { width: 60, height: 40, channels: 3, background: "#824" } })
      .jpeg()
      .toBuffer();
  test("is kept once, however often and at once a phone sends it, with its spot", async () => {
    const visit = await of("Ilves Dental");
    const id = newId();
    const bytes = await small();
    const give = () =>
      addPhoto(
        ines,
        visit.tankId,
        { bytes, note: "", onDate: today, id, visitId: visit.visitId, spot: { kind: "step", id: "glass-inside" } },
        new Date(),
      );
    const answers = await Promise.all([give(), give(), give()]);
    expect([...answers, await give()].map((a) => a.id)).toEqual([id, id, id, id]);
    expect(await db().select().from(photo).where(eq(photo.id, id))).toMatchObject([
      { visitId: visit.visitId, spot: "step", spotId: "glass-inside", tankId: visit.tankId },
    ]);
    expect((await photoFile(ines, id, "kept")).length).toBeGreaterThan(100);
  });
  test("under another tank, or of another tank's visit, is refused", async () => {
    const [visit, other] = [await of("Ilves Dental"), await of("Town Museum")];
    const bytes = await small();
    const id = newId();
    await addPhoto(ines, visit.tankId, { bytes, note: "", onDate: today, id }, new Date());
    await expect(
      addPhoto(ines, other.tankId, { bytes, note: "", onDate: today, id }, new Date()),
    ).rejects.toMatchObject({ status: 409, code: "id-taken" });
    await expect(
      addPhoto(ines, visit.tankId, { bytes, note: "", onDate: today, id: newId(), visitId: other.visitId }, new Date()),
    ).rejects.toMatchObject({ status: 404 });
  });
  test("that was taken back before its file came in lies in the archive", async () => {
    const visit = await of("Lanehead Clinic");
    const phone = new Phone(ines, visit.visitId);
    const id = newId();
    const spot = { kind: "tank", id: "" } as const;
    await phone.say({ type: "start" }, { type: "photo", id, spot }, { type: "photo-back", id });
    await addPhoto(
      ines,
      visit.tankId,
      { bytes: await small(), note: "", onDate: today, id, visitId: visit.visitId, spot },
      new Date(),
    );
    expect((await photosOf(ines, visit.tankId)).map((p) => p.id)).not.toContain(id);
    expect(await db().select().from(photo).where(eq(photo.id, id))).toMatchObject([{ archivedAt: expect.any(Date) }]);
  });
  test("is the last of its spot until a newer one is, and none once it is taken back on the phone", async () => {
    const visit = await of("Harrow & Pike");
    const spot = { kind: "tank", id: "" } as const;
    const last = async () =>
      (await lastPhotos(db(), businessId, [visit.tankId])).get(visit.tankId)?.find((p) => p.spot.kind === "tank")?.id;
    const before = await last();
    const phone = new Phone(ines, visit.visitId);
    const id = newId();
    await phone.say({ type: "start" }, { type: "photo", id, spot });
    await addPhoto(
      ines,
      visit.tankId,
      { bytes: await small(), note: "", onDate: today, id, visitId: visit.visitId, spot },
      new Date(),
    );
    expect(await last()).toBe(id);
    await phone.say({ type: "photo-back", id });
    expect(await last()).toBe(before);
  });
});
