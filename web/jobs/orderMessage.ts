import { civilOf } from "@keel-round/core/calendar";
import { fileFigure } from "@keel-round/core/stores";
import { guardText } from "@keel-round/core/transfer";
import { stringify } from "csv-stringify/sync";
import type { orderMail } from "@/data/stores/orders";

type Mail = NonNullable<Awaited<ReturnType<typeof orderMail>>>;

/** The mail that orders from a supplier, with its lines as a table besides. */
export function orderMessage({ order, by, business }: Mail) {
  const { date } = civilOf(order.orderedAt.getTime(), business.zone);
  return {
    // Fixed, so that a mail sent twice after a cut connection is one mail to the reader's program.
    messageId: `<order-${order.id}@keel-round.invalid>`,
    from: { name: business.name, address: business.mailFrom },
    to: order.email,
    subject: `Order of ${business.name}, ${date}`,
    text: [
      order.supplier === "" ? "Please send us:" : `To ${order.supplier}: please send us`,
      order.lines
        .map((l) =>
          l.packs === null
            ? `${l.name}: ${fileFigure(l.amount)} ${l.unit}`
            : `${l.name}: ${fileFigure(l.packs)} × ${fileFigure(l.packAmount ?? 1)} ${l.unit}`,
        )
        .join("\n"),
      [by, business.name, business.phone].filter((line) => line !== "").join("\n"),
    ].join("\n\n"),
    attachments: [
      {
        filename: `order ${date}.csv`,
        contentType: "text/csv; charset=utf-8",
        content: `\ufeff${stringify([
          ["Item", "Packs", "In a pack", "Amount", "Unit"],
          ...order.lines.map((l) => [
            ...[guardText(l.name), l.packs === null ? "" : fileFigure(l.packs)],
            ...[l.packAmount === null ? "" : fileFigure(l.packAmount), fileFigure(l.amount), l.unit],
          ]),
        ])}`,
      },
    ],
  };
}
