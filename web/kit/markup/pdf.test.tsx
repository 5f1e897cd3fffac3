import { spawnSync } from "node:child_process";
import { Document, Page, renderToBuffer, Text } from "@react-pdf/renderer";
import { expect, test } from "vitest";
import { inType, plain, styles } from "./pdf";

/** The words of a PDF as a reader finds them. */
async function wordsOf(text: string): Promise<string> {
  const pdf = await renderToBuffer(
    <Document>
      <Page style={styles.page}>
        <Text>{inType(text)}</Text>
        <Text style={{ fontWeight: 600 }}>{inType(text)}</Text>
      </Page>
    </Document>,
  );
  const { stdout, status } = spawnSync("pdftotext", ["-", "-"], { input: pdf, encoding: "utf8" });
  expect(status).toBe(0);
  return stdout.normalize("NFKC");
}

test.each([["Łódź, Žižkov, Ørsted, Şenol"], ["Αθηνά"], ["Наталья Їжак"], ["कमल"]])(
  "%s is set with its own letters, plain and strong",
  async (name) => {
    expect((await wordsOf(name)).split(name.normalize("NFKC"))).toHaveLength(3);
  },
);

test("right-to-left names are set in their own letters", async () => {
  for (const name of ["ياسمين", "שירה"]) {
    const letters = new Set([...(await wordsOf(name))].filter((c) => /\p{L}/u.test(c)));
    for (const letter of name) expect([...letters], name).toContain(letter);
  }
});

test("a script that no typeface here has is told by question marks, never by other letters", async () => {
  expect(inType("王さん")).toBe("???");
  expect(await wordsOf("王 Brandt")).toContain("? Brandt");
  // The page and the mail have it.
  expect(plain("1\u202f350\u00a0L, 王")).toBe("1 350 L, 王");
});
