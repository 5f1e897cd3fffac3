import { createServer, type IncomingMessage, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import { simpleParser } from "mailparser";
import { SMTPServer } from "smtp-server";

/** What the sink does wrong on purpose, for tests of the mail job. */
export type Fault = "none" | "refuse" | "delay" | "cut" | "duplicate" | "unknown";

/** A mail as the outbox shows it. */
export interface SunkMail {
  readonly id: string;
  readonly messageId: string;
  readonly to: string;
  readonly subject: string;
  readonly receivedAt: string;
  readonly text: string;
  readonly attachments: readonly { readonly filename: string; readonly bytes: number }[];
}

export interface MailSink {
  readonly smtpPort: number;
  readonly httpPort: number;
  readonly stop: () => Promise<void>;
}

const DELAY_MS = 1_500;
const MOST_KEPT = 500;

/**
 * Plays a mail server on loopback: accepts SMTP, keeps what it got in memory and shows it over HTTP.
 *
 * `GET /` lists mails, newest first; `GET /ID.eml` gives one as it came; `POST /fault` with a word sets a fault.
 */
export async function startMailSink(smtpPort: number, httpPort: number): Promise<MailSink> {
  let fault: Fault = "none";
  const mails: (SunkMail & { readonly raw: Buffer })[] = [];

  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ["AUTH", "STARTTLS"],
    logger: false,
    onConnect(_session, done) {
      done(fault === "refuse" ? Object.assign(new Error("Try again later"), { responseCode: 421 }) : null);
    },
    onRcptTo(_address, _session, done) {
      // For good: it would be refused again.
      done(fault === "unknown" ? Object.assign(new Error("No such mailbox"), { responseCode: 550 }) : null);
    },
    onData(stream, session, done) {
      const chunks: Buffer[] = [];
      stream.on("data", (chunk: Buffer) => chunks.push(chunk));
      stream.on("end", async () => {
        const raw = Buffer.concat(chunks);
        if (fault === "cut") {
          // The line goes dead before the answer: the sender cannot know whether it arrived.
          for (const connection of smtp.connections) (connection as unknown as { close: () => void }).close();
          return;
        }
        if (fault === "delay") await new Promise((resolve) => setTimeout(resolve, DELAY_MS));
        const parsed = await simpleParser(raw);
        const mail = {
          id: `${Date.now().toString(36)}-${mails.length}`,
          messageId: parsed.messageId ?? "",
          to: session.envelope.rcptTo.map((r) => r.address).join(", "),
          subject: parsed.subject ?? "",
          receivedAt: new Date().toISOString(),
          text: parsed.text ?? "",
          attachments: parsed.attachments.map((a) => ({ filename: a.filename ?? "", bytes: a.size })),
          raw,
        };
        mails.unshift(mail);
        if (fault === "duplicate") mails.unshift({ ...mail, id: `${mail.id}-again` });
        mails.length = Math.min(mails.length, MOST_KEPT);
        done(null);
      });
    },
  });

  const http = createServer((request: IncomingMessage, response: ServerResponse) => {
    const path = request.url ?? "/";
    if (request.method === "POST" && path === "/fault") {
      const chunks: Buffer[] = [];
      request.on("data", (chunk: Buffer) => chunks.push(chunk));
      request.on("end", () => {
        fault = Buffer.concat(chunks).toString("utf8").trim() as Fault;
        response.writeHead(204).end();
      });
      return;
    }
    const one = mails.find((m) => path === `/${m.id}.eml`);
    if (one) {
      response.writeHead(200, { "content-type": "message/rfc822" }).end(one.raw);
      return;
    }
    if (path !== "/") {
      response.writeHead(404).end();
      return;
    }
    response
      .writeHead(200, { "content-type": "application/json" })
      .end(JSON.stringify(mails.map(({ raw: _raw, ...shown }) => shown)));
  });

  await new Promise<void>((resolve, reject) => {
    smtp.on("error", reject);
    smtp.listen(smtpPort, "127.0.0.1", resolve);
  });
  await new Promise<void>((resolve, reject) => {
    http.once("error", reject);
    http.listen(httpPort, "127.0.0.1", resolve);
  });
  return {
    smtpPort: (smtp.server.address() as AddressInfo).port,
    httpPort: (http.address() as AddressInfo).port,
    async stop() {
      await new Promise<void>((resolve) => smtp.close(resolve));
      await new Promise<void>((resolve) => {
        http.close(() => resolve());
        http.closeAllConnections();
      });
    },
  };
}
