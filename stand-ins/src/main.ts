import { startMailSink } from "./mailSink.ts";

const sink = await startMailSink(Number(process.env.MAIL_SMTP_PORT ?? 0), Number(process.env.MAIL_HTTP_PORT ?? 0));
console.log(`stand-ins: mail server on ${sink.smtpPort}, its outbox on ${sink.httpPort}`);
for (const signal of ["SIGTERM", "SIGINT"] as const)
  process.on(signal, () => void sink.stop().then(() => process.exit(0)));
