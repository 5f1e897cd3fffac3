import { createHmac } from "node:crypto";
import type { Page } from "@playwright/test";
import { createConnection } from "mysql2/promise";
import logins from "../tools/seed/logins.json" with { type: "json" };
import { check } from "./axe";
import { expect, test } from "./fixtures";

// What is changed here asks everybody of the firm for something: it has one of its own.
test.use({ firm: "second factors" });

const loginOf = (name: string) => {
  const login = logins.logins.find((l) => l.name.startsWith(name));
  if (!login) throw new Error(`Nobody called ${name}`);
  return login;
};

const BASE32 = "ABCDEFGHIJKLMNOPQRSTUVWXYZ234567";

/** The six digits of an authenticator app: RFC 6238 over SHA-1, steps of 30 s. */
function codeOf(secret: string, atMs: number): string {
  const bits = [...secret].map((c) => BASE32.indexOf(c).toString(2).padStart(5, "0")).join("");
  const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((b) => Number.parseInt(b, 2)));
  const counter = Buffer.alloc(8);
  counter.writeBigUInt64BE(BigInt(Math.floor(atMs / 30_000)));
  const mac = createHmac("sha1", key).update(counter).digest();
  const at = (mac[19] ?? 0) & 15;
  return String((mac.readUInt32BE(at) & 0x7fffffff) % 1_000_000).padStart(6, "0");
}

/** A device that holds passkeys and asks its owner, without anybody there to be asked. */
async function keyDevice(page: Page) {
  const session = await page.context().newCDPSession(page);
  await session.send("WebAuthn.enable");
  const options = {
    ...{ protocol: "ctap2" as const, transport: "internal" as const, hasResidentKey: true, hasUserVerification: true },
    ...{ isUserVerified: true, automaticPresenceSimulation: true },
  };
  const { authenticatorId } = await session.send("WebAuthn.addVirtualAuthenticator", { options });
  return {
    /** Whether the device asks by finger, face or code. */
    asksOwner: (isUserVerified: boolean) =>
      session.send("WebAuthn.setUserVerified", { authenticatorId, isUserVerified }),
  };
}

async function signIn(page: Page, name: string): Promise<void> {
  const { email, password } = loginOf(name);
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
}

async function enterCode(page: Page, code: string): Promise<void> {
  await page.getByLabel("Code").fill(code);
  await page.getByRole("button", { name: "Sign in", exact: true }).click();
}

async function signOut(page: Page): Promise<void> {
  await page.goto("/me");
  await page.getByRole("button", { name: "Sign out" }).click();
  await page.waitForURL("**/sign-in");
}

/** Lets all sign-ins of the firm be two hours old. */
async function age(url: string): Promise<void> {
  const database = await createConnection(url);
  await database.query("update session set created_at = created_at - interval 2 hour, proven_at = null");
  await database.end();
}

const databaseUrl = (worker: number) => `mysql://root@127.0.0.1:${process.env.E2E_DB_PORT}/browser${worker}`;

test("an authenticator app is set up, asked for, recovered from and taken off", async ({ as }) => {
  test.setTimeout(180_000);
  const page = await as("Tobiah", { fresh: true });
  const { password } = loginOf("Tobiah");
  await page.goto("/me");
  const app = page
    .locator("section, div")
    .filter({ has: page.getByRole("heading", { name: "Authenticator app" }) })
    .last();
  await app.getByRole("button", { name: "Set up an authenticator app" }).click();
  await expect(app.getByText("Enter your password.")).toBeVisible();
  await app.getByLabel("Your password").fill("not-this-one");
  await app.getByRole("button", { name: "Set up an authenticator app" }).click();
  await expect(app.getByText("This is not your password.")).toBeVisible();
  await app.getByLabel("Your password").fill(password);
  await app.getByRole("button", { name: "Set up an authenticator app" }).click();
  await expect(page.getByRole("img", { name: "Code to scan with your authenticator app" })).toBeVisible();
  const secret = ((await page.locator("[data-secret]").textContent()) ?? "").replaceAll(" ", "");
  await page.getByLabel("Code that the app shows now").fill("000000");
  await page.getByRole("button", { name: "It is set up" }).click();
  await expect(page.getByText("This is not the code of now.")).toBeVisible();
  await page.getByLabel("Code that the app shows now").fill(codeOf(secret, Date.now()));
  await page.getByRole("button", { name: "It is set up" }).click();
  await expect(page.getByText("Write these recovery codes down.")).toBeVisible();
  const recovery = await page.locator("[data-recovery] > div").allTextContents();
  expect(recovery).toHaveLength(10);
  await check(page, "recovery codes");
  await page.getByRole("button", { name: "I have written them down" }).click();
  await expect(page.getByText("Your authenticator app is asked for its code")).toBeVisible();

  await signOut(page);
  await signIn(page, "Tobiah");
  await expect(page.getByLabel("Code")).toBeFocused();
  await check(page, "code step");
  // Half a sign-in opens nothing.
  expect((await page.request.get("/api/day")).status()).toBe(401);
  await enterCode(page, "123 456");
  await expect(page.getByText("This is not the code of now.")).toBeVisible();
  await enterCode(page, codeOf(secret, Date.now()));
  await page.waitForURL("**/round");

  await signOut(page);
  await signIn(page, "Tobiah");
  await enterCode(page, recovery[0] ?? "");
  await page.waitForURL("**/round");
  await signOut(page);
  await signIn(page, "Tobiah");
  await enterCode(page, recovery[0] ?? "");
  await expect(page.getByText("This is none of your recovery codes, or it was used already.")).toBeVisible();
  await enterCode(page, codeOf(secret, Date.now()));
  await page.waitForURL("**/round");

  await page.goto("/me");
  await page.getByLabel("Your password").fill(password);
  await page.getByRole("button", { name: "Take the app off" }).click();
  await expect(page.getByRole("button", { name: "Set up an authenticator app" })).toBeVisible();
  await signOut(page);
  await signIn(page, "Tobiah");
  await page.waitForURL("**/round");
});

test("the office asks for a second factor: a passkey is made on the spot, and signs in", async ({
  as,
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(180_000);
  await as("Maud", { fresh: true });
  const device = await keyDevice(page);
  const ines = await (await browser.newContext({ baseURL: baseURL ?? "" })).newPage();
  await as("Ines", { page: ines, fresh: true });
  await page.goto("/desk/people");
  await page.getByRole("button", { name: "Ask everybody for one" }).click();
  // Whoever asks for it is the first to need one.
  await page.waitForURL("**/second-factor");
  await expect(page.getByText("asks everybody who works there for a second factor")).toBeVisible();
  await check(page, "second factor");
  await device.asksOwner(false);
  await page.getByRole("button", { name: "Add a passkey" }).click();
  await expect(page.getByText("No passkey was made.")).toBeVisible();
  await device.asksOwner(true);
  await page.getByRole("button", { name: "Add a passkey" }).click();
  await page.waitForURL("**/round");
  await page.goto("/desk/people");
  await expect(page.locator('[data-person^="Maud"]').getByText("with a second factor")).toBeVisible();
  await expect(page.locator('[data-person^="Ines"]').getByText("no second factor")).toBeVisible();

  // Somebody else comes no further without one, but what they did at a tank is taken in.
  await ines.goto("/round");
  await ines.waitForURL("**/second-factor");
  expect((await ines.request.get("/api/day")).status()).toBe(403);
  const none = "00000000-0000-7000-8000-000000000000";
  const posted = await ines.request.post(`/api/visits/${none}/operations`, {
    data: { ops: [{}] },
    headers: { origin: baseURL ?? "" },
  });
  expect(posted.status()).toBe(404);
  await ines.context().close();

  await signOut(page);
  await page.getByRole("button", { name: "Use a passkey" }).click();
  await page.waitForURL("**/round");
  // A password alone is not enough for who has a passkey.
  await signOut(page);
  await signIn(page, "Maud");
  await page.waitForURL("**/second-factor");
  // Nor can whoever has no more than the password make a passkey or set up an app of their own.
  await expect(page.getByRole("button", { name: "Add a passkey" })).toHaveCount(0);
  const origin = { origin: baseURL ?? "" };
  const enable = { data: { password: loginOf("Maud").password, method: "totp" }, headers: origin };
  expect((await page.request.post("/api/auth/two-factor/enable", enable)).status()).toBe(403);
  expect((await page.request.get("/api/auth/passkey/generate-register-options")).status()).toBe(403);
  await page.getByRole("button", { name: "Use a passkey" }).click();
  await page.waitForURL("**/round");
  await page.goto("/desk/people");
  await page.getByRole("button", { name: "Leave it to each person" }).click();
  await expect(page.getByRole("button", { name: "Ask everybody for one" })).toBeVisible();
  await page.goto("/me");
  await page.getByRole("button", { name: /^Take off / }).click();
  await expect(page.getByRole("button", { name: /^Take off / })).toHaveCount(0);
});

test("who signed in a while ago does so once more before people, backups and door codes", async ({
  as,
  page,
}, info) => {
  await as("Maud", { fresh: true });
  const { password } = loginOf("Maud");
  await page.goto("/desk/people");
  await expect(page.locator('[data-person^="Ines"]')).toBeVisible();
  await age(databaseUrl(info.workerIndex));
  // Where the page was open already, it asks over what stands there.
  await page.getByLabel(/^Name/).fill("Senna Holt");
  await page.getByLabel(/^E-mail/).fill("senna@calder-renn.example");
  await page.getByLabel(/^What they do/).selectOption("technician");
  await page.getByRole("button", { name: "Add and mail a way in" }).click();
  const sheet = page.getByRole("dialog", { name: "Sign in once more" });
  await expect(sheet).toBeVisible();
  await sheet.getByLabel("Your password").fill("not-mine-at-all");
  await sheet.getByRole("button", { name: "Go on" }).click();
  await expect(sheet.getByText("This is not your password.")).toBeVisible();
  await check(page, "sign in once more");
  await sheet.getByLabel("Your password").fill(password);
  await sheet.getByRole("button", { name: "Go on" }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByLabel(/^Name/)).toHaveValue("Senna Holt");
  await page.getByRole("button", { name: "Add and mail a way in" }).click();
  await expect(page.locator('[data-person="Senna Holt"]')).toBeVisible();

  await age(databaseUrl(info.workerIndex));
  await page.goto("/desk/people");
  await expect(page.locator("[data-again]")).toBeVisible();
  await expect(page.locator("[data-person]")).toHaveCount(0);
  await page.goto("/desk/files");
  await expect(page.getByRole("button", { name: "Back up everything" })).toHaveCount(0);
  await page.getByLabel("Your password").fill(password);
  await page.getByRole("button", { name: "Go on" }).click();
  await expect(page.getByRole("button", { name: "Back up everything" })).toBeVisible();
  // The page is open and an hour goes by: the form leads back to the way in.
  await age(databaseUrl(info.workerIndex));
  await page.getByRole("button", { name: "Back up everything" }).click();
  await expect(page.locator("[data-again]")).toBeVisible();

  await page.getByLabel("Your password").fill(password);
  await page.getByRole("button", { name: "Go on" }).click();
  await expect(page.getByRole("button", { name: "Back up everything" })).toBeVisible();
  await page.goto("/desk/audit");
  await expect(page.locator('[data-audit="sign-in"]').filter({ hasText: "Maud" }).first()).toContainText(
    "with a password",
  );
  await expect(page.locator('[data-audit="failed"]').first()).toContainText("failed to sign in");
  await expect(page.locator('[data-audit="people"]').first()).toContainText("Senna Holt came as technician");
  await check(page, "who came in");
  await page.getByLabel("Who came in and looked").fill("1");
  await page.getByRole("button", { name: "Keep it so long" }).click();
  await expect(page.getByText("Enter at least 3 months.")).toBeVisible();
  await page.getByLabel("Who came in and looked").fill("24");
  await page.getByRole("button", { name: "Keep it so long" }).click();
  await expect(page.getByText("Saved. What is older goes with the next night.")).toBeVisible();
});
