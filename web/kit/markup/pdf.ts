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
Font.register({
  family: "AHN",
  fonts: [
    { src: typeface("atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf"), fontWeight: 400 },
    {
      src: typeface("atkinson-hyperlegible-next/600SemiBold/AtkinsonHyperlegibleNext_600SemiBold.ttf"),
      fontWeight: 600,
    },
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
    fontFamily: "AHN",
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

/** Thin and fixed spaces are not in the typeface and would come out as other letters. */
export const plain = (text: string) => text.replaceAll("\u202f", " ").replaceAll("\u00a0", " ");
