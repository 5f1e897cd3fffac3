import type { letterMail } from "@/data/letters/mail";

type Mail = NonNullable<Awaited<ReturnType<typeof letterMail>>>;

/** The mail of a letter, as its client wants it: the whole page with a PDF, or a link alone. */
export function letterMessage(mail: Mail, link: string) {
  const copies = mail.contacts
    .filter((c) => c.letters && c.email !== "")
    .map((c) => ({ name: c.name, address: c.email }));
  const head = {
    // Fixed, so that a mail sent twice after a cut connection is one mail to the reader's program.
    messageId: `<letter-${mail.letter.id}@keel-round.invalid>`,
    from: { name: mail.businessName, address: mail.from },
    to: { name: mail.contact, address: mail.to },
    ...(copies.length > 0 ? { cc: copies } : {}),
    subject: mail.letter.subject,
  };
  if (mail.lettersBy === "mail-link")
    return { ...head, text: `${mail.contact},\n\nthe letter of our visit: ${link}\n\n${mail.businessName}\n` };
  return {
    ...head,
    text: `${mail.letter.plain}\n\nThis letter as a page: ${link}\n`,
    html: mail.letter.html,
    // Pictures of the page go as parts of the mail: many programs show no others.
    attachDataUrls: true,
    attachments: mail.letter.pdf
      ? [{ filename: "letter.pdf", content: mail.letter.pdf, contentType: "application/pdf" }]
      : [],
  };
}
