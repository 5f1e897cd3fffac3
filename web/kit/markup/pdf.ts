import { existsSync } from "node:fs";
import { join } from "node:path";
import { Font, StyleSheet } from "@react-pdf/renderer";
import { INK } from "./ink";

const FOLDER = "node_modules/@expo-google-fonts";

/** A typeface of the packages, beside the server or above it: a build that packs them would not know their kind. */
function typeface(file: string): string {
  const found = [FOLDER, `../${FOLDER}`]
    .map((folder) => join(/*turbopackIgnore: true*/ process.cwd(), folder, file))
    .find((path) => existsSync(/*turbopackIgnore: true*/ path));
  if (!found) throw new Error(`${FOLDER}/${file} is missing: start the program in the folder of the project.`);
  return found;
}

// Full typefaces: the subset ones turn a missing letter into another one without a word.
for (const [family, folder, name] of [
  ["AHN", "atkinson-hyperlegible-next", "AtkinsonHyperlegibleNext"],
  ["Noto", "noto-sans", "NotoSans"],
  ["NotoArabic", "noto-sans-arabic", "NotoSansArabic"],
  ["NotoHebrew", "noto-sans-hebrew", "NotoSansHebrew"],
] as const)
  Font.register({
    family,
    fonts: [
      { src: typeface(`${folder}/400Regular/${name}_400Regular.ttf`), fontWeight: 400 },
      { src: typeface(`${folder}/600SemiBold/${name}_600SemiBold.ttf`), fontWeight: 600 },
    ],
  });
Font.register({
  family: "AHM",
  src: typeface("atkinson-hyperlegible-mono/400Regular/AtkinsonHyperlegibleMono_400Regular.ttf"),
});
Font.registerHyphenationCallback((word) => [word]);

/** What all pages on paper look like. */
export const styles = StyleSheet.create({
  page: {
    // A name in another script is set in the first typeface that has its letters.
    fontFamily: ["AHN", "Noto", "NotoArabic", "NotoHebrew"],
    fontSize: 10,
    lineHeight: 1.4,
    color: INK.ink,
    backgroundColor: "#FFFFFF",
    paddingVertical: 40,
    paddingHorizontal: 52,
  },
  head: {
    flexDirection: "row",
    justifyContent: "space-between",
    borderBottomWidth: 1.4,
    borderColor: INK.ink,
    paddingBottom: 6,
  },
  h1: { fontSize: 18, fontWeight: 600, lineHeight: 1.2 },
  h2: {
    fontSize: 10,
    fontWeight: 600,
    marginTop: 10,
    borderBottomWidth: 0.7,
    borderColor: INK.ruleStrong,
    paddingBottom: 2,
  },
  row: {
    flexDirection: "row",
    alignItems: "center",
    borderBottomWidth: 0.5,
    borderColor: INK.rule,
    paddingVertical: 2.5,
  },
});

/** A text without the thin and fixed spaces that are not in a typeface, and that a mail's reader may not know. */
export const plain = (text: string): string => text.replaceAll("\u202f", " ").replaceAll("\u00a0", " ");

/** Letters that none of the typefaces has: another one would stand in their place. */
const UNKNOWN =
  /[^\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Devanagari}\p{Script=Common}\p{Script=Inherited}]/gu;

/** A text as it is set. Of a script that no typeface here has, each letter is a question mark: the page has it, and the mail. */
export const inType = (text: string): string => plain(text).replaceAll(UNKNOWN, "?");
