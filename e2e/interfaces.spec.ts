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
  // An origin that is none, a body that is no text, and an id that goes on for ever.
  expect(await said(post(`/api/visits/${visitId}/operations`, "[]", { origin: "null" }))).toEqual([
    403,
    "foreign-origin",
  ]);
  expect(
    await said(
      request.post(`/api/visits/${visitId}/operations`, {
        data: Buffer.from([0x7b, 0xff, 0xfe, 0x7d]),
        headers: { "content-type": "application/json", ...origin },
      }),
    ),
  ).toEqual([400, "not-json"]);
  expect(await said(request.get(`/api/visits/${"a".repeat(4000)}`))).toEqual([404, "not-found"]);
  await page.goto(`/stops/${visitId}`);
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
  await page.goto("/tanks/not-an-id");
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
});

test("of the sign-in library's routes only those that our pages use are there", async ({ as, page, baseURL }) => {
  await as("Ines");
  const headers = { origin: baseURL ?? "", "content-type": "application/json" };
  const { request } = page.context();
  for (const path of [
    "sign-up/email",
    "update-user",
    "revoke-session",
    "revoke-other-sessions",
    "change-email",
    "delete-user",
    "list-sessions",
    "revoke-sessions",
    "organization/create",
    "organization/invite-member",
    "organization/list-members",
    "request-password-reset",
    "sign-in/magic-link",
    "sign-in/social",
    "verify-email",
  ]) {
    expect((await request.get(`/api/auth/${path}`)).status(), path).toBe(404);
    expect((await request.post(`/api/auth/${path}`, { data: {}, headers })).status(), path).toBe(404);
  }
  for (const path of ["get-session", "ok", "error", "", "sign-in/email/../list-sessions"])
    expect((await request.get(`/api/auth/${path}`)).status(), path).toBe(404);
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
    expect(answer?.headers(), path).toMatchObject({
      "cross-origin-opener-policy": "same-origin",
      "x-frame-options": "DENY",
      "strict-transport-security": expect.stringContaining("max-age="),
    });
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

test("every page is called by its name, so that ten of them can be told apart", async ({ as, page }) => {
  await as("Maud");
  const titles: string[] = [];
  for (const path of ["/round", "/tanks", "/letters", "/water", "/desk/client", "/desk/people", "/desk/firm", "/me"]) {
    await page.goto(path);
    await expect(page).toHaveTitle(/\S · Keel Round$/);
    titles.push(await page.title());
  }
  expect(new Set(titles).size).toBe(titles.length);
  await page.goto("/tanks?q=axolotl");
  await page.locator("tbody a").first().click();
  await expect(page).toHaveTitle(/xolotl.* · Keel Round$/i);
});
