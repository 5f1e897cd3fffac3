import nodemailer from "nodemailer";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { type MailSink, startMailSink } from "./mailSink.ts";

let sink: MailSink;
beforeAll(async () => {
  sink = await startMailSink(0, 0);
});
afterAll(() => sink.stop());

const send = (messageId: string) =>
  nodemailer
    .createTransport({ host: "127.0.0.1", port: sink.smtpPort, connectionTimeout: 3000, socketTimeout: 4000 })
    .sendMail({
      messageId,
      from: "a@firm.example",
      to: "b@owner.example",
      subject: "Your reef",
      text: "It is steady.",
      attachments: [{ filename: "letter.pdf", content: "x".repeat(2048) }],
    });
const outbox = async () =>
  (await (await fetch(`http://127.0.0.1:${sink.httpPort}/`)).json()) as {
    id: string;
    messageId: string;
    to: string;
    subject: string;
    text: string;
    attachments: unknown[];
  }[];
const fault = (word: string) => fetch(`http://127.0.0.1:${sink.httpPort}/fault`, { method: "POST", body: word });

describe("the stand-in mail server", () => {
  test("takes a mail and shows it, newest first, and as it came", async () => {
    await send("<one@firm.example>");
    await send("<two@firm.example>");
    const mails = await outbox();
    expect(mails.map((m) => m.messageId)).toEqual(["<two@firm.example>", "<one@firm.example>"]);
    expect(mails[0]).toMatchObject({
      to: "b@owner.example",
      subject: "Your reef",
      text: expect.stringContaining("It is steady."),
      attachments: [{ filename: "letter.pdf", bytes: 2048 }],
    });
    expect(await (await fetch(`http://127.0.0.1:${sink.httpPort}/${mails[0]?.id}.eml`)).text()).toContain(
      "Message-ID: <two@firm.example>",
    );
    expect((await fetch(`http://127.0.0.1:${sink.httpPort}/nothing`)).status).toBe(404);
  });
  test("refuses, cuts and doubles when told to", async () => {
    const before = (await outbox()).length;
    await fault("refuse");
    await expect(send("<refused@firm.example>")).rejects.toThrow();
    await fault("cut");
    await expect(send("<cut@firm.example>")).rejects.toThrow();
    expect(await outbox()).toHaveLength(before);
    await fault("duplicate");
    await send("<twice@firm.example>");
    expect((await outbox()).filter((m) => m.messageId === "<twice@firm.example>")).toHaveLength(2);
    await fault("none");
  });
  test("says of an address for good that there is none", async () => {
    await fault("unknown");
    await expect(send("<nobody@firm.example>")).rejects.toMatchObject({ responseCode: 550 });
    await fault("none");
    await send("<somebody@firm.example>");
    const ids = (await outbox()).map((m) => m.messageId);
    expect(ids).toContain("<somebody@firm.example>");
    expect(ids).not.toContain("<nobody@firm.example>");
  });
});
