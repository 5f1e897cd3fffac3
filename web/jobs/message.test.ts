import { describe, expect, test } from "vitest";
import { letterMessage } from "./message";

type Mail = Parameters<typeof letterMessage>[0];

const mail = (change: Partial<Mail> = {}): Mail => ({
  letter: {
    id: "01a214be-1d4f-722b-a13e-38a0f24382fe",
    subject: "Your reef on Thursday",
    plain: "It is well.",
    html: "<p>It is well.</p>",
    pdf: Buffer.from("%PDF"),
  } as Mail["letter"],
  to: "house@hotel.example",
  contact: "Mr. Brandt",
  contacts: [],
  lettersBy: "mail-pdf",
  from: "letters@firm.example",
  businessName: "The firm",
  ...change,
});
const person = (name: string, email: string, letters: boolean) => ({ name, role: "", phone: "", email, letters });

describe("the mail of a letter", () => {
  test("goes to who is written to first, whole and with its page", () => {
    const message = letterMessage(mail(), "http://x/letter/1");
    expect(message.to).toEqual({ name: "Mr. Brandt", address: "house@hotel.example" });
    expect(message).toMatchObject({ html: "<p>It is well.</p>", attachments: [{ filename: "letter.pdf" }] });
    expect(message).not.toHaveProperty("cc");
  });
  test("copies those who asked for it and have an address, and nobody else", () => {
    const contacts = [
      person("Ottoline Marsh", "engineer@hotel.example", true),
      person("Wessel Dray", "", true),
      person("Josie", "josie@hotel.example", false),
    ];
    expect(letterMessage(mail({ contacts }), "http://x").cc).toEqual([
      { name: "Ottoline Marsh", address: "engineer@hotel.example" },
    ]);
  });
  test("with a link alone carries no letter", () => {
    const message = letterMessage(mail({ lettersBy: "mail-link" }), "http://x/letter/1");
    expect(message.text).toContain("http://x/letter/1");
    expect(message.text).not.toContain("It is well");
    expect(message).not.toHaveProperty("html");
  });
  test("sent twice is one mail to the reader's program", () =>
    expect(letterMessage(mail(), "http://x").messageId).toBe(letterMessage(mail(), "http://x").messageId));
});
