import { expect, test } from "./fixtures";

test("signs in, keeps what was typed on a mistake, and signs out", async ({ page, baseURL }) => {
  await page.goto("/round");
  await expect(page).toHaveURL(`${baseURL}/sign-in`);
  await page.getByLabel("E-mail").fill("ines@calder-renn.example");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByText("Enter your password.")).toBeVisible();
  await page.getByLabel("Password").fill("not-the-password");
  await page.getByRole("button", { name: "Sign in" }).click();
  await expect(page.getByText("This e-mail and password do not go together.")).toBeVisible();
  await expect(page.getByLabel("E-mail")).toHaveValue("ines@calder-renn.example");
  await page.getByLabel("Password").fill("harbour-lamp-41");
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL("**/round");
  const cookies = await page.context().cookies();
  expect(cookies.find((c) => c.name.includes("session_token"))).toMatchObject({ httpOnly: true, sameSite: "Lax" });

  await page.goto("/me");
  await page.getByRole("button", { name: "Sign out" }).click();
  await page.waitForURL("**/sign-in");
  await page.goto("/tanks");
  await expect(page).toHaveURL(`${baseURL}/sign-in`);
});

test("too many tries are held back", async ({ request, baseURL }) => {
  const attempt = () =>
    request.post("/api/auth/sign-in/email", {
      data: { email: "nobody@firm.example", password: "wrong-password" },
      headers: { origin: baseURL ?? "", "x-forwarded-for": "203.0.113.9" },
    });
  let answer = await attempt();
  for (let i = 0; i < 12 && answer.status() !== 429; i++) answer = await attempt();
  expect(answer.status()).toBe(429);
  // What a client says of its address counts for nothing: another one waits just the same.
  const elsewhere = await request.post("/api/auth/sign-in/email", {
    data: { email: "nobody@firm.example", password: "wrong-password" },
    headers: { origin: baseURL ?? "", "x-forwarded-for": "198.51.100.1", "x-keel-address": "198.51.100.2" },
  });
  expect(elsewhere.status()).toBe(429);
  expect(Number(elsewhere.headers()["retry-after"])).toBeGreaterThan(0);
  expect((await elsewhere.json()).message).toMatch(/^Too many tries: wait \d+ seconds?\.$/);
});

test("an owner of tanks sees their own and nothing else", async ({ as, page, browser, baseURL }) => {
  await as("owner");
  await page.goto("/");
  await expect(page).toHaveURL(new RegExp(`^${baseURL}/owner/[0-9a-f-]{36}$`));
  await page.goto("/tanks");
  await expect(page.getByRole("main").getByRole("link", { name: "Reef", exact: true })).toBeVisible();
  await expect(page.locator("tbody tr")).toHaveCount(1);
  await expect(page.getByRole("navigation", { name: "Places" }).getByRole("link")).toHaveText(["Tanks", "Letters"]);

  const other = await browser.newPage({ baseURL: baseURL ?? "" });
  await as("Maud", { page: other });
  await other.goto("/tanks?q=rift+lake");
  const neighbour = await other.getByRole("main").getByRole("link", { name: "Rift lake" }).getAttribute("href");
  await other.close();
  await page.goto(neighbour ?? "");
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
  await page.goto("/round");
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
});
