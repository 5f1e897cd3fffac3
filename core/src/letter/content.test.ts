import { describe, expect, test } from "vitest";
import { inVoice, type LetterTank, nameOf, USUAL_VOICE } from "./index.ts";

const tank = {
  ...{ name: "Reef", heading: "The reef is doing well.", body: ["We changed 97 L."] },
  ...{ measured: [{}], until: ["Feed once."], list: ["Every day: feed."] },
} as unknown as LetterTank;
const content = { greeting: "Dear Dr. Ilves,", tanks: [tank], close: "See you on Friday." };

describe("a letter in a firm's voice", () => {
  test("is the usual one where the firm has said nothing", () => {
    expect(inVoice(content, USUAL_VOICE, "Dr. Ilves")).toEqual({ ...content, colour: null });
  });
  test("greets in its own words, by name where one is known, and ends with its own sentence", () => {
    const voice = { ...USUAL_VOICE, greeting: "Good day", close: "Tell us if anything looks odd.", colour: "#0a5a4a" };
    expect(inVoice(content, voice, "Dr. Ilves")).toMatchObject({
      greeting: "Good day Dr. Ilves,",
      close: "See you on Friday. Tell us if anything looks odd.",
      colour: "#0a5a4a",
    });
    expect(inVoice(content, voice, nameOf("Reception")).greeting).toBe("Good day,");
  });
  test("leaves out what it always leaves out, and never what was done or how the tank is", () => {
    const bare = inVoice(content, { ...USUAL_VOICE, leftOut: ["measured", "until", "list"] }, "");
    expect(bare.tanks[0]).toMatchObject({
      ...{ heading: tank.heading, body: tank.body, measured: [], until: [], list: [] },
    });
  });
});
