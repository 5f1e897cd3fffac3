import { fileFigure, placeKey } from "@keel-round/core/stores";
import { guardText } from "@keel-round/core/transfer";
import { stringify } from "csv-stringify/sync";
import type { Stores } from "./overview";

const plain = (x: number | null): string => (x === null ? "" : fileFigure(x));

/** What lies where as a table: an item a line, the base and each van a column, in the item's own unit. */
export function stockCsv({ kept, vans }: Stores): string {
  const headings = [
    ...["Item", "Kind", "Unit", "Base", ...vans.map((v) => guardText(`${v.name}'s van`)), "In all", "Never less than"],
    ...["Days left", "Days left, from", "Days left, to", "On order", "First to expire", "Lot", "Supplier", "Shelf"],
  ];
  const rows = kept.map(({ item, stock, left, onOrder }) => {
    const first = stock.lots.find((l) => l.expiresOn !== null);
    return [
      ...[guardText(item.name), item.kind, item.unit],
      ...[null, ...vans.map((v) => v.id)].map((place) => plain(stock.places.get(placeKey(place)) ?? 0)),
      ...[stock.total, item.minimum, left.middle, left.low, left.high, onOrder].map(plain),
      ...[first?.expiresOn ?? "", guardText(first?.lot ?? ""), guardText(item.supplier), guardText(item.shelf)],
    ];
  });
  // The mark tells spreadsheets that this is UTF-8.
  return `\ufeff${stringify([headings, ...rows])}`;
}
