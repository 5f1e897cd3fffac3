import { randomUUID } from "node:crypto";
import mysql from "mysql2/promise";
import { expect, test } from "./fixtures";

test("work that was given up is told to the office, with its reason, and tried again", async ({ as, page }, info) => {
  const db = await mysql.createConnection(
    `mysql://root@127.0.0.1:${process.env.E2E_DB_PORT}/browser${info.workerIndex}`,
  );
  const newest = async () =>
    (
      await db.query<mysql.RowDataPacket[]>("select id, business_id, subject from letter where sent_at is null limit 1")
    )[0][0];
  // The letters of the demo's last visits are written once the jobs are up.
  await expect.poll(newest, { timeout: 60_000 }).toBeTruthy();
  const letter = await newest();
  if (!letter) throw new Error("the letter went away");
  const id = randomUUID();
  await db.query(
    "insert into job (id, business_id, kind, payload, run_at, attempts, failed_at, error) values (?, ?, 'mail', ?, utc_timestamp(3), 300, utc_timestamp(3), '550 no such mailbox')",
    [id, letter.business_id, JSON.stringify({ letterId: letter.id })],
  );
  await as("Maud");
  await page.goto("/round");
  await expect(page.getByText("One piece of work is stuck.")).toBeVisible();
  await page.getByRole("link", { name: "See why" }).click();
  const row = page.getByRole("row", { name: /Mailing a letter/ });
  await expect(row).toContainText("550 no such mailbox");
  await expect(row).toContainText("after 300 tries");
  await expect(row.getByRole("link", { name: String(letter.subject) })).toBeVisible();
  await row.getByRole("button", { name: "Try again" }).click();
  await expect(page.getByText("Nothing is stuck.")).toBeVisible();
  await expect(page.getByText("One piece of work is stuck.")).toBeHidden();
  // The mail server of the tests takes it.
  await expect
    .poll(
      async () => (await db.query<mysql.RowDataPacket[]>("select done_at from job where id = ?", [id]))[0][0]?.done_at,
    )
    .not.toBeNull();
  await db.end();
});

test("a technician is not told of it", async ({ as, page }) => {
  await as("Ines");
  await page.goto("/desk/stuck");
  await expect(page.getByRole("heading", { name: "There is nothing here" })).toBeVisible();
});
