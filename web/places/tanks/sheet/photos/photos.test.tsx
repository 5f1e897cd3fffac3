// @vitest-environment happy-dom
import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, describe, expect, test } from "vitest";
import type { TankPhoto } from "@/data/photos/photos";
import { draw } from "@/testing/draw";
import { BeforeAfter } from "./BeforeAfter";
import { ordered, spotName, strip, whenTaken } from "./order";

afterEach(cleanup);

const photo = (id: string, onDate: string, change: Partial<TankPhoto> = {}): TankPhoto => ({
  ...{ id, onDate, at: new Date(`${onDate}T09:00:00Z`), note: "", width: 300, height: 200, by: "Ines Calder" },
  ...{ spot: "tank", spotId: "", of: null, agreed: null },
  ...change,
});
const whole = [photo("d", "2026-11-24"), photo("c", "2026-11-03"), photo("b", "2026-10-02"), photo("a", "2026-08-20")];
const others = [
  photo("g", "2026-11-24", { spot: "animal", spotId: "x", of: "clownfish" }),
  photo("f", "2026-11-24", { spot: "step", spotId: "glass-inside" }),
  photo("e", "2026-11-24", { spot: "finding", spotId: "y", of: "A spot on the glass" }),
];

describe("pictures in order", () => {
  test("stand by month, the newest first", () => {
    const groups = ordered([...others, ...whole], "month");
    expect(groups.map((g) => [g.title, g.photos.length])).toEqual([
      ["November 2026", 5],
      ["October 2026", 1],
      ["August 2026", 1],
    ]);
  });
  test("or by what they show, the whole tank first, each by its name", () => {
    const titles = ordered([...others, ...whole], "spot").map((g) => g.title);
    expect(titles[0]).toBe("The whole tank");
    expect(titles.slice(1)).toEqual(expect.arrayContaining(["clownfish", "“A spot on the glass”"]));
    // A step is called by what it is, not by its code.
    expect(titles.join()).not.toContain("glass-inside");
    expect(titles.length).toBe(4);
    expect(spotName({ spot: "animal", spotId: "gone", of: null })).toBe("Animals that are gone");
    expect(spotName({ spot: "step", spotId: "a-firms-own", of: null })).toBe("A step of a visit");
  });
  test("of a month the last one stands for it, the older first", () => {
    expect(strip(whole).map((p) => p.id)).toEqual(["a", "b", "d"]);
  });
  test("two of one day are told apart", () => {
    const two = [photo("later", "2026-11-24"), photo("earlier", "2026-11-24")];
    expect(whenTaken(two[0] as TankPhoto, two)).toMatch(/, 2 of 2$/);
    expect(whenTaken(two[1] as TankPhoto, two)).toMatch(/, 1 of 2$/);
    expect(whenTaken(whole[3] as TankPhoto, whole)).not.toContain(" of ");
  });
});

describe("before and after", () => {
  const show = () =>
    draw(<BeforeAfter group={{ key: "tank ", title: "The whole tank", photos: whole }} tankName="Reef" />);
  const clip = () => screen.getByAltText(/^Reef before/).style.clipPath;

  test("begin with the oldest and the newest, and the edge is moved by keys", () => {
    show();
    expect(screen.getByAltText(/^Reef before/).getAttribute("src")).toBe("/api/photos/a");
    expect(screen.getByAltText(/^Reef after/).getAttribute("src")).toBe("/api/photos/d");
    const edge = screen.getByLabelText("Edge between before and after");
    fireEvent.change(edge, { target: { value: "20" } });
    expect(clip()).toContain("80%");
    expect(edge.getAttribute("aria-valuetext")).toBe("20 % before");
  });
  test("others are chosen by name or from the strip of months", () => {
    show();
    fireEvent.change(screen.getByLabelText("Before"), { target: { value: "b" } });
    expect(screen.getByAltText(/^Reef before/).getAttribute("src")).toBe("/api/photos/b");
    fireEvent.click(screen.getByRole("button", { name: /^After: .*August/ }));
    expect(screen.getByAltText(/^Reef after/).getAttribute("src")).toBe("/api/photos/a");
  });
  test("one picture alone has nothing to be laid over", () => {
    const { container } = draw(
      <BeforeAfter group={{ key: "x", title: "x", photos: whole.slice(0, 1) }} tankName="Reef" />,
    );
    expect(container.querySelector("[data-before-after]")).toBeNull();
  });
});
