import { DETAILS, type Detail, type ReportContent } from "@keel-round/core/report";
import { renderToBuffer } from "@react-pdf/renderer";
import { renderToStaticMarkup } from "react-dom/server";
import { plain } from "@/kit/markup/pdf";
import { listsOf } from "./lists";
import { ReportPage } from "./ReportPage";
import { ReportPdf } from "./ReportPdf";

/** A report in the forms it is kept and sent in. */
export interface RenderedReport {
  readonly content: ReportContent;
  readonly subject: string;
  readonly html: string;
  readonly plain: string;
  readonly pdf: Buffer;
}

const MOST_PAGES = 3;

/** How many pages a PDF has, as its own page objects say. */
export const pagesOf = (pdf: Buffer): number => pdf.toString("latin1").match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0;

/** What a page holds, points. */
const PAGE_HEIGHT = 762;

/** What the tanks take at the very least, points: what cannot fit is not set to find that out. */
const leastHeight = ({ tanks }: ReportContent): number =>
  tanks.reduce((sum, t) => sum + 26 + 13 * t.body.length + 55 * Math.ceil(t.curves.length / 3), 0);

/**
 * A report on at most three pages: as much is told as they hold.
 *
 * @param contentOf The report with so much detail.
 * @param mark The firm's mark as a data address; null without one.
 */
export async function renderReport(
  contentOf: (detail: Detail) => ReportContent,
  mark: string | null,
): Promise<RenderedReport> {
  for (const detail of DETAILS) {
    const content = contentOf(detail);
    if (detail !== DETAILS.at(-1) && leastHeight(content) > MOST_PAGES * PAGE_HEIGHT) continue;
    const pdf = await renderToBuffer(<ReportPdf content={content} mark={mark} />);
    if (pagesOf(pdf) <= MOST_PAGES || detail === DETAILS.at(-1))
      return {
        ...{ content, pdf },
        subject: content.title,
        html: `<!doctype html>${renderToStaticMarkup(<ReportPage content={content} mark={mark} />)}`,
        plain: plainReport(content),
      };
  }
  throw new Error("There is always a last detail.");
}

function plainReport(content: ReportContent): string {
  const { greeting, answer, totals, tanks, sections, close, signedBy, title } = content;
  const table = content.table?.rows.map((row) => row.join(", ")) ?? [];
  return plain(
    [
      ...[title, greeting, answer, totals.join("\n")],
      ...tanks.map((t) => [t.heading, ...t.body, ...listsOf(t)].join("\n\n")),
      table.join("\n"),
      ...sections.map((s) => `${s.title}\n${s.lines.join("\n")}`),
      ...[close, signedBy],
    ]
      .filter((part) => part !== "")
      .join("\n\n"),
  );
}
