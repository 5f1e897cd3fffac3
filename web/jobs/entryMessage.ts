import type { EntryMail } from "@/data/access/entry";

const TEXT: Readonly<Record<EntryMail["what"], (firm: string, address: string, url: string) => string>> = {
  invite: (firm, address, url) =>
    `${firm} works with Keel Round, and you are part of it. Set your password here:\n\n${url}\n\nThe link works once, for seven days. From then on you sign in with ${address} and your password.`,
  reset: (_firm, _address, url) =>
    `Set a new password here:\n\n${url}\n\nThe link works once, for an hour, and ends every sign-in of yours. If you did not ask for it, do nothing: your password stays as it is.`,
  link: (_firm, _address, url) =>
    `Look at your tanks here:\n\n${url}\n\nThe link works once, for an hour. Ask for another whenever you like; you need no password.`,
};
const SUBJECT: Readonly<Record<EntryMail["what"], (firm: string) => string>> = {
  invite: (firm) => `Your way in at ${firm}`,
  reset: () => "A new password",
  link: (firm) => `Your tanks at ${firm}`,
};

/** The mail with somebody's way in. */
export function entryMessage(entry: EntryMail, address: string) {
  const { to, name, businessName, mailFrom, what, path } = entry;
  return {
    from: { name: businessName, address: mailFrom },
    to: { name, address: to },
    subject: SUBJECT[what](businessName),
    text: `Hello ${name},\n\n${TEXT[what](businessName, to, `${address}${path}`)}\n\n${businessName}\n`,
  };
}
