import { type Browser, chromium, type Page } from "@playwright/test";

const ADDRESS = "http://localhost:4699";

/** A desk's page of the server that is measured, with somebody signed in. */
export async function deskPage(email: string, password: string): Promise<{ browser: Browser; page: Page }> {
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium-headless-shell",
    args: ["--no-sandbox", "--disable-gpu"],
  });
  const page = await browser.newPage({ baseURL: ADDRESS, viewport: { width: 1280, height: 800 } });
  const answer = await page.context().request.post("/api/auth/sign-in/email", {
    data: { email, password },
    headers: { origin: ADDRESS },
  });
  if (!answer.ok()) throw new Error(`Sign-in answered ${answer.status()}`);
  page.setDefaultTimeout(30_000);
  return { browser, page };
}
