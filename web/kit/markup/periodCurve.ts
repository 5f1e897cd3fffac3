import { daysBetween } from "@keel-round/core/calendar";
import type { ReportCurve } from "@keel-round/core/report";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";

/** A curve of a period, laid out in a box: its line, its dots and where what is right begins and ends. */
export interface CurvePlaces {
  readonly d: string;
  readonly dots: readonly { readonly x: number; readonly y: number }[];
  readonly band: { readonly y: number; readonly height: number } | null;
}

/** Room for the dots at the edges. */
const EDGE = 4;

/**
 * Lays a curve out in a box of so many units; one reading lies in the middle of its height where nothing is right.
 *
 * @param from The period's first day, and `to` its last one: what lies at the edges.
 */
export function curvePlaces(
  { points, band, reach: own }: Pick<ReportCurve, "points" | "band" | "reach">,
  {
    from,
    to,
    width,
    height,
  }: { readonly from: string; readonly to: string; readonly width: number; readonly height: number },
): CurvePlaces {
  const values = points.map((p) => p.value);
  const edges = own ?? (band ? { low: Math.max(0, band.low), high: band.high } : null);
  const reach = edges ? [...values, edges.low, edges.high] : values;
  const [low, high] = [Math.min(...reach), Math.max(...reach)];
  const flat = high - low < 1e-9;
  const y = scaleLinear()
    .domain(flat ? [low - 1, high + 1] : [low, high])
    .range([height - EDGE, EDGE]);
  const x = scaleLinear()
    .domain([0, Math.max(1, daysBetween(from, to))])
    .range([EDGE, width - EDGE])
    .clamp(true);
  const dots = points.map((p) => ({ x: round(x(daysBetween(from, p.on))), y: round(y(p.value)) }));
  const top = band ? y(band.high) : 0;
  return {
    d:
      line<(typeof dots)[number]>(
        (p) => p.x,
        (p) => p.y,
      )(dots) ?? "",
    dots,
    band: band ? { y: round(top), height: round(Math.max(1, y(Math.max(0, band.low)) - top)) } : null,
  };
}

const round = (value: number): number => Math.round(value * 10) / 10;
