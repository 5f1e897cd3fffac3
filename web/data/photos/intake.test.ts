import { mkdtempSync, readdirSync, rmSync, utimesSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeEach, describe, expect, test, vi } from "vitest";
import type { Scope } from "../access/scope";
import { sweepIntake, takeIn } from "./intake";

const folder = mkdtempSync(join(tmpdir(), "intake-"));
process.env.UPLOAD_FOLDER = folder;
afterAll(() => rmSync(folder, { recursive: true, force: true }));

let number = 0;
let scope: Scope;
beforeEach(() => {
  number += 1;
  scope = { businessId: `business ${number}`, role: "office" } as Scope;
});

/** A body that is sent by hand. */
function byHand() {
  let controller: ReadableStreamDefaultController<Uint8Array> | undefined;
  let cancelled = false;
  const body = new ReadableStream<Uint8Array>({
    start: (c) => {
      controller = c;
    },
    cancel: () => {
      cancelled = true;
    },
  });
  return {
    body,
    send: (text: string) => {
      if (!cancelled) controller?.enqueue(Buffer.from(text));
    },
    end: () => controller?.close(),
    breakOff: () => controller?.error(new Error("socket hang up")),
    cancelled: () => cancelled,
  };
}
const bodyOf = (text: string) => new Blob([text]).stream() as ReadableStream<Uint8Array>;
const textOf = async (parts: AsyncIterable<Uint8Array>) => {
  const chunks: Uint8Array[] = [];
  for await (const part of parts) chunks.push(part);
  return Buffer.concat(chunks).toString();
};
const limits = { bytes: 1_000_000 };

describe("a file that is taken in", () => {
  test("is handed on whole, as often as it is read, and gone afterwards", async () => {
    const told = await takeIn(scope, bodyOf("Name,Contact\nA,B\n"), limits, async (file) => {
      expect(readdirSync(folder)).toHaveLength(2);
      return [file.bytes, await textOf(file.read()), await textOf(file.read())];
    });
    expect(told).toEqual([17, "Name,Contact\nA,B\n", "Name,Contact\nA,B\n"]);
    expect(readdirSync(folder)).toEqual([]);
  });
  test("and is refused by whoever reads it, is gone as well", async () => {
    await expect(takeIn(scope, bodyOf("x"), limits, () => Promise.reject(new Error("no")))).rejects.toThrow("no");
    expect(readdirSync(folder)).toEqual([]);
  });
  test("is not begun on before all of it is here", async () => {
    const sent = byHand();
    let begun = false;
    const done = takeIn(scope, sent.body, limits, async () => {
      begun = true;
    });
    sent.send("half");
    await new Promise((resolve) => setImmediate(resolve));
    expect(begun).toBe(false);
    sent.end();
    await done;
    expect(begun).toBe(true);
  });
  test("that stalls is told so, and lets go", async () => {
    const sent = byHand();
    sent.send("half");
    await expect(takeIn(scope, sent.body, { ...limits, restMs: 30 }, () => Promise.resolve())).rejects.toMatchObject({
      status: 408,
      code: "stalled",
    });
    expect(sent.cancelled()).toBe(true);
    expect(readdirSync(folder)).toEqual([]);
  });
  test("that trickles for ever has an end too", async () => {
    const sent = byHand();
    const trickle = setInterval(() => sent.send("x"), 5);
    await expect(
      takeIn(scope, sent.body, { ...limits, restMs: 1000, wholeMs: 80 }, () => Promise.resolve()),
    ).rejects.toMatchObject({ code: "stalled" });
    clearInterval(trickle);
  });
  test("that is cut off leaves nothing", async () => {
    const sent = byHand();
    sent.send("half");
    const done = takeIn(scope, sent.body, limits, () => Promise.resolve());
    sent.breakOff();
    await expect(done).rejects.toMatchObject({ status: 400, code: "cut-off" });
    expect(readdirSync(folder)).toEqual([]);
  });
  test("that is larger than said is cut off where it is", async () => {
    const sent = byHand();
    const done = takeIn(scope, sent.body, { bytes: 10 }, () => Promise.resolve());
    sent.send("0123456789");
    sent.send("0");
    await expect(done).rejects.toMatchObject({ status: 413, code: "too-large" });
    expect(sent.cancelled()).toBe(true);
  });
  test("is the third of its business at once: refused, and others go on", async () => {
    const [one, two] = [byHand(), byHand()];
    const running = [one, two].map((s) => takeIn(scope, s.body, limits, () => Promise.resolve("in")));
    await vi.waitFor(() => expect(readdirSync(folder)).toHaveLength(4));
    await expect(takeIn(scope, bodyOf("x"), limits, () => Promise.resolve())).rejects.toMatchObject({ status: 429 });
    const other = { ...scope, businessId: "another" };
    expect(await takeIn(other, bodyOf("x"), limits, () => Promise.resolve("in"))).toBe("in");
    one.end();
    two.end();
    expect(await Promise.all(running)).toEqual(["in", "in"]);
    expect(await takeIn(scope, bodyOf("x"), limits, () => Promise.resolve("in"))).toBe("in");
  });
  test("of a process that ended is swept away after a minute, and frees its place at once when asked for", async () => {
    const [old, young] = [join(folder, "old"), join(folder, "young")];
    const now = Date.now();
    const left = (path: string) => {
      writeFileSync(path, "x");
      utimesSync(path, (now - 61_000) / 1000, (now - 61_000) / 1000);
    };
    left(old);
    writeFileSync(young, "x");
    expect(await sweepIntake(now)).toBe(1);
    expect(readdirSync(folder)).toEqual(["young"]);
    rmSync(young);
    for (const place of [1, 2]) left(join(folder, `${scope.businessId}.${place}`));
    expect(await takeIn(scope, bodyOf("x"), limits, () => Promise.resolve("in"))).toBe("in");
    rmSync(join(folder, `${scope.businessId}.2`));
  });
  test("takes a place that another process of this host holds from nobody", async () => {
    for (const place of [1, 2]) writeFileSync(join(folder, `${scope.businessId}.${place}`), "");
    await expect(takeIn(scope, bodyOf("x"), limits, () => Promise.resolve())).rejects.toMatchObject({ status: 429 });
    expect(readdirSync(folder).sort()).toEqual([`${scope.businessId}.1`, `${scope.businessId}.2`]);
    for (const name of readdirSync(folder)) rmSync(join(folder, name));
  });
});
