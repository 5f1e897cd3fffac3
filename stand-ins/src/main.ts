import { startMailSink } from "./mailSink.ts";
import { startPushSink } from "./pushSink.ts";

const sink = await startMailSink(Number(process.env.MAIL_SMTP_PORT ?? 0), Number(process.env.MAIL_HTTP_PORT ?? 0));
console.log(`stand-ins: mail server on ${sink.smtpPort}, its outbox on ${sink.httpPort}`);
const push = await startPushSink(Number(process.env.PUSH_PORT ?? 0), process.env.PUSH_CA);
console.log(`stand-ins: what rings browsers on ${push.url}`);
for (const signal of ["SIGTERM", "SIGINT"] as const)
  process.on(signal, () => void Promise.all([sink.stop(), push.stop()]).then(() => process.exit(0)));
