import type { noticeMail } from "@/data/notices/notices";

type Mail = NonNullable<Awaited<ReturnType<typeof noticeMail>>>;

/** The mail that tells an owner of a visit that was moved. */
export const noticeMessage = ({ notice, contact, from, businessName }: Mail) => ({
  // Fixed, so that a mail sent twice after a cut connection is one mail to the reader's program.
  messageId: `<notice-${notice.id}@keel-round.invalid>`,
  from: { name: businessName, address: from },
  to: { name: contact, address: notice.email },
  subject: notice.subject,
  text: `${notice.body}\n\n${businessName}\n`,
});
