import { randomUUID } from "node:crypto";
import { expect, test } from "./fixtures";

test("machines get a 4xx with a code for whatever is wrong, never a 500", async ({ as, page, baseURL }) => {
  await as("Ines");
  const { request } = page.context();
  const origin = { origin: baseURL ?? "" };
  const visitId = randomUUID();
  const post = (path: string, data: string, headers: Record<string, string> = origin) =>
    request.post(path, { data: Buffer.from(data), headers: { "content-type": "application/json", ...headers } });
  const said = async (answer: Promise<{ status(): number; json(): Promise<unknown> }>) => {
    const a = await answer;
    return [a.status(), ((await a.json()) as { code: string }).code];
  };
  expect(await said(request.get(`/api/visits/${visitId}`))).toEqual([404, "not-found"]);
  expect(await said(request.get("/api/visits/not-an-id"))).toEqual([404, "not-found"]);
  expect(await said(request.get("/api/day?day=2026-02-30"))).toEqual([422, "no-such-day"]);
  expect(await said(request.get("/api/day"))).toEqual([422, "no-such-day"]);
  expect(await said(post(`/api/visits/${visitId}/operations`, "{not json"))).toEqual([400, "not-json"]);
  expect(await said(post(`/api/visits/${visitId}/operations`, "[]"))).toEqual([422, "invalid"]);
  expect(await said(post(`/api/visits/${visitId}/operations`, JSON.stringify({ ops: [{}] })))).toEqual([
    404,
    "not-found",
  ]);
  expect(
    await said(
      post(`/api/visits/${visitId}/operations`, JSON.stringify({ ops: [{}] }), { origin: "http://elsewhere.example" }),
    ),
  ).toEqual([403, "foreign-origin"]);
  expect(await said(post(`/api/visits/${visitId}/operations`, `{"ops":["${"x".repeat(1_100_000)}"]}`))).toEqual([
    413,
    "too-large",
  ]);
  await page.goto(`/stops/${visitId}`);
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
  await page.goto("/tanks/not-an-id");
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
});

test("who is not signed in gets nothing", async ({ request }) => {
  expect((await request.get("/api/day?day=2026-11-25")).status()).toBe(401);
  expect((await request.get(`/api/visits/${randomUUID()}`)).status()).toBe(401);
});

test("every page has a strict policy, and breaks it nowhere", async ({ as, page }) => {
  const problems: string[] = [];
  page.on("console", (m) => m.type() === "error" && problems.push(`${m.text()} ${m.location().url}`));
  page.on("pageerror", (e) => problems.push(e.message));
  await as("Ines");
  for (const path of ["/round", "/tanks", "/letters", "/me", "/visit", "/day"]) {
    const answer = await page.goto(path);
    const policy = answer?.headers()["content-security-policy"] ?? "";
    expect(policy, path).toContain("script-src 'self' 'nonce-");
    expect(policy, path).not.toContain("script-src 'self' 'unsafe-inline'");
    await page.waitForLoadState("networkidle");
  }
  expect(problems).toEqual([]);
});

test("two keys lead to a place, also where the second does something of its own", async ({ as, page }) => {
  await as("Maud");
  await page.goto("/letters");
  for (const [key, path] of [
    ["w", "/water"],
    ["r", "/round"],
  ] as const) {
    await expect(page.getByRole("button", { name: "find" })).toBeEnabled();
    await page.keyboard.press("g");
    await page.keyboard.press(key);
    await page.waitForURL(`**${path}`);
  }
});
