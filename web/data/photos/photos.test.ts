import { createHash } from "node:crypto";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import { db } from "../connection";
import { newId } from "../ids";
import { photo } from "../schema";
import type { Scope } from "../scope";
import { addPhoto, archivePhoto, photoFile, photosOf } from "./photos";
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

describe("a picture of a tank", () => {
  test("is kept upright, at most 1600 pixels, as JPEG, without where and with what it was taken", async () => {
    const { id } = await add(await fromPhone(), "left pane");
    const bytes = await photoFile(ines, id, false);
    const info = await sharp(bytes).metadata();
    expect([info.format, info.width, info.height]).toEqual(["jpeg", 1200, 1600]);
    expect(info.exif).toBeUndefined();
    expect(info.orientation).toBeUndefined();
    const [row] = await db().select().from(photo).where(eq(photo.id, id));
    expect(row).toMatchObject({ width: 1200, height: 1600, bytes: bytes.length, note: "left pane" });
    expect(row?.sha256).toBe(createHash("sha256").update(bytes).digest("hex"));
    const small = await sharp(await photoFile(ines, id, true)).metadata();
    expect([small.width, small.height]).toEqual([360, 480]);
  });
  test("is never made larger", async () => {
    const { id } = await add(
      await sharp({ create: { width: 300, height: 200, channels: 3, background: "#fff" } })
        .png()
        .toBuffer(),
    );
    expect((await sharp(await photoFile(ines, id, false)).metadata()).width).toBe(300);
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
      expect((await sharp(await photoFile(ines, id, false)).metadata()).format).toBe("jpeg");
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
    await expect(photoFile(owner, id, true)).rejects.toMatchObject({ code: "not-found" });
    await expect(photosOf(owner, museum)).rejects.toMatchObject({ code: "not-found" });
    const own = await photosOf(owner, reef);
    expect(own.length).toBeGreaterThan(0);
    await expect(photoFile(owner, own[0]?.id ?? "", true)).resolves.toBeInstanceOf(Buffer);
    await expect(add(await fromPhone(), "", owner)).rejects.toMatchObject({ code: "not-found" });
    await expect(add(await fromPhone(), "", { ...ines, businessId: newId() })).rejects.toMatchObject({
      code: "not-found",
    });
  });
  test("rests in the archive and comes back; its file stays", async () => {
    const { id } = await add(await fromPhone());
    await archivePhoto(ines, id, true, new Date());
    expect((await photosOf(ines, reef)).some((p) => p.id === id)).toBe(false);
    await expect(photoFile(ines, id, false)).rejects.toMatchObject({ code: "not-found" });
    await archivePhoto(ines, id, false, new Date());
    expect((await photosOf(ines, reef)).some((p) => p.id === id)).toBe(true);
    await expect(archivePhoto(owner, id, true, new Date())).rejects.toMatchObject({ code: "not-found" });
  });
  test("whose file is missing says so", async () => {
    const { id } = await add(await fromPhone());
    await photoStore().remove(businessId, id);
    await expect(photoFile(ines, id, false)).rejects.toMatchObject({ code: "gone" });
  });
});
