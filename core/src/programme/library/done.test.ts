import { expect, test } from "vitest";
import { taskLibrary } from "./index.ts";

test('every job of the library says what was done in the past tense, as it follows "I"', () => {
  for (const [code, job] of Object.entries(taskLibrary)) {
    const done = (job as { done?: string }).done ?? "";
    expect(done, code).toMatch(/^(?:\w+ed|blew|set|got|put|took|kept|fed|left|gave|read)\b/);
    // It is a part of a sentence: no stop, no colon, and not the order itself.
    expect(done, code).not.toMatch(/[.:]/);
    // "Set" and "read" are their own past.
    if (!/^(Set|Read) /.test(job.name)) expect(done.toLowerCase(), code).not.toBe(job.name.toLowerCase());
  }
});
