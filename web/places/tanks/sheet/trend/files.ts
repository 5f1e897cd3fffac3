import { readingIn, type UnitPreference, unitFor } from "@keel-round/core/units";
import { stringify } from "csv-stringify/browser/esm/sync";
import type { TankTrend } from "@/data/tanks/trend";

/** What the page gives a drawing by its style sheet, and a file has to hold itself. */
const LOOK = [
  ...["fill", "stroke", "stroke-width", "stroke-dasharray", "opacity", "paint-order"],
  ...["font-family", "font-size", "text-anchor"],
] as const;
/** Pixels of a picture for one of the drawing's units. */
const SHARP = 2;

/** A drawing as a file that stands by itself: its look is written into it. */
export function svgText(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [drawn, copied] = [
    [svg, ...svg.querySelectorAll("*")],
    [copy, ...copy.querySelectorAll("*")],
  ];
  drawn.forEach((element, i) => {
    const look = getComputedStyle(element);
    const target = copied[i] as Element;
    for (const name of LOOK) target.setAttribute(name, look.getPropertyValue(name));
    target.removeAttribute("class");
  });
  // What is taken hold of on the page is no part of the drawing.
  for (const handle of copy.querySelectorAll('[role="slider"]')) handle.remove();
  const { width, height } = svg.viewBox.baseVal;
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("width", String(width));
  copy.setAttribute("height", String(height));
  const ground = document.createElementNS("http://www.w3.org/2000/svg", "rect");
  ground.setAttribute("width", "100%");
  ground.setAttribute("height", "100%");
  ground.setAttribute("fill", getComputedStyle(document.body).backgroundColor);
  copy.prepend(ground);
  return new XMLSerializer().serializeToString(copy);
}

/** The same as pixels, twice as sharp as it is drawn. */
export async function pngOf(svg: SVGSVGElement): Promise<Blob> {
  const address = URL.createObjectURL(new Blob([svgText(svg)], { type: "image/svg+xml" }));
  try {
    const picture = new Image();
    picture.src = address;
    await picture.decode();
    const { width, height } = svg.viewBox.baseVal;
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [width * SHARP, height * SHARP];
    canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) =>
      canvas.toBlob((made) => (made ? resolve(made) : reject(new Error("No picture was made"))), "image/png"),
    );
  } finally {
    URL.revokeObjectURL(address);
  }
}

/** The readings of a figure, oldest first, with what is set aside. */
export function csvOf({ parameter, readings, answer }: TankTrend, units: UnitPreference): string {
  const aside = answer?.enough ? answer.trend.outliers : [];
  const unit = unitFor(parameter, units);
  return stringify([
    ["Day", `Value, ${unit}`, "As entered", "Method", "Set aside"],
    ...readings.map((r) => [
      r.on,
      readingIn(parameter, r.value, units),
      r.entered,
      r.method,
      aside.some((o) => o.day === r.day && o.value === r.value) ? "yes" : "",
    ]),
  ]);
}

/** Hands a file to whoever asked for it. */
export function handOver(name: string, file: Blob): void {
  const address = URL.createObjectURL(file);
  const link = document.createElement("a");
  [link.href, link.download] = [address, name];
  link.click();
  URL.revokeObjectURL(address);
}
