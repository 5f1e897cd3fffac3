// @vitest-environment happy-dom
import { expect, test } from "vitest";
import { AGAIN_EVENT, answered, NO_ANSWER } from "./answered";

test("what the server answers is handed on as it is", async () => {
  const answer = { ok: true, value: 7 } as const;
  expect(await answered(Promise.resolve(answer))).toBe(answer);
});

test("a server that does not answer is told, with what to do about it", async () => {
  const answer = await answered(Promise.reject<{ ok: true }>(new TypeError("Failed to fetch")));
  expect(answer).toMatchObject({ ok: false, code: NO_ANSWER, fields: {} });
  expect("message" in answer && answer.message).toMatch(/did not answer.*look before you do it once more/);
});

test("where the server wants to know who sits there, the page asks", async () => {
  let asked = 0;
  const count = () => {
    asked += 1;
  };
  window.addEventListener(AGAIN_EVENT, count);
  await answered(Promise.resolve({ ok: false, code: "not-found", message: "", fields: {} }));
  expect(asked).toBe(0);
  const answer = { ok: false, code: "sign-in-again", message: "Sign in once more.", fields: {} } as const;
  expect(await answered(Promise.resolve(answer))).toBe(answer);
  expect(asked).toBe(1);
  window.removeEventListener(AGAIN_EVENT, count);
});
