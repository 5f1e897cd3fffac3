import { expect, test } from "vitest";
import { answered, NO_ANSWER } from "./answered";

test("what the server answers is handed on as it is", async () => {
  const answer = { ok: true, value: 7 } as const;
  expect(await answered(Promise.resolve(answer))).toBe(answer);
});

test("a server that does not answer is told, with what to do about it", async () => {
  const answer = await answered(Promise.reject<{ ok: true }>(new TypeError("Failed to fetch")));
  expect(answer).toMatchObject({ ok: false, code: NO_ANSWER, fields: {} });
  expect("message" in answer && answer.message).toMatch(/did not answer.*look before you do it once more/);
});
