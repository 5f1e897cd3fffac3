// @vitest-environment happy-dom
import type { LetterPhoto } from "@keel-round/core/letter";
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { afterEach, expect, test } from "vitest";
import { draw } from "@/testing/draw";
import { LetterPhotos } from "./LetterPhotos";

afterEach(cleanup);

const pictures = ["a", "b", "c"].map((id, i) => ({
  id,
  on: `2026-11-0${i + 1}`,
  tank: "Reef",
  note: id === "a" ? "The new lamp" : "",
}));

function Chooser({ onChange }: { onChange: (photos: readonly LetterPhoto[]) => void }) {
  const [chosen, setChosen] = useState<readonly LetterPhoto[]>([]);
  return (
    <LetterPhotos
      pictures={pictures}
      chosen={chosen}
      onChoose={(photos) => {
        setChosen(photos);
        onChange(photos);
      }}
    />
  );
}

test("two pictures at most, each under words of its own that begin with what was noted of it", async () => {
  let now: readonly LetterPhoto[] = [];
  draw(<Chooser onChange={(photos) => (now = photos)} />);
  const user = userEvent.setup();
  const [first, second, third] = screen.getAllByRole("checkbox") as [HTMLElement, HTMLElement, HTMLElement];
  await user.click(first);
  expect(now).toEqual([{ photoId: "a", caption: "The new lamp" }]);
  await user.click(second);
  expect(third.hasAttribute("disabled")).toBe(true);
  await user.type(screen.getByRole("textbox", { name: /2 Nov/ }), "Its left half");
  expect(now.at(-1)).toEqual({ photoId: "b", caption: "Its left half" });
  // One that is let go makes room for another.
  await user.click(first);
  expect(third.hasAttribute("disabled")).toBe(false);
  expect(now.map((p) => p.photoId)).toEqual(["b"]);
});
