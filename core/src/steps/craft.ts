import type { TankBook } from "../tank/index.ts";

const RUNS_CLEAR = "Until it runs clear. Pinch the hose, and the sand drops back.";

/** How a good hand does a job of the library, said at its step. */
const CRAFT: Readonly<Record<string, string>> = {
  "glass-inside":
    "Push the sand away from the pane first. A card at the sand line, a brush in the corners; look along the pane from the side.",
  "blow-rock":
    "Stir only the top of open sand: gas goes out a little at a time, and a deep bed is left alone. Look through what floats up for animals.",
  "vacuum-sector": RUNS_CLEAR,
  "deep-sector": RUNS_CLEAR,
};

/** The same as words, with the blade where the panes bear one. */
export function craftOfJob(code: string, { material }: Pick<TankBook, "material">): string | undefined {
  const words = CRAFT[code];
  return code === "glass-inside" && material !== "acrylic" ? `${words} A hard blade at about 45°.` : words;
}
