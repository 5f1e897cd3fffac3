import type { toldMail } from "@/data/owner/told";

type Mail = NonNullable<Awaited<ReturnType<typeof toldMail>>>;

/** The mail that tells a firm at once what an owner saw. */
export const toldMessage = ({ finding, tankName, site, client, by, business, to }: Mail, address: string) => ({
  // Fixed, so that a mail sent twice after a cut connection is one mail to the reader's program.
  messageId: `<told-${finding.id}@keel-round.invalid>`,
  from: { name: business.name, address: business.mailFrom },
  to: [...to],
  subject: `${site.name}, ${tankName}: ${finding.text}`.replaceAll(/\s+/g, " ").slice(0, 190),
  text: [
    `${by} of ${client.name} writes:`,
    finding.text,
    [site.address, client.phone].filter((line) => line !== "").join("\n"),
    `It stands on the next visit's plan: ${address}/tanks/${finding.tankId}`,
  ].join("\n\n"),
});
