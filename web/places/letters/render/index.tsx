import { renderToBuffer } from "@react-pdf/renderer";
import { renderToStaticMarkup } from "react-dom/server";
import type { LetterContent } from "@/data/letters";
import { LetterPage } from "./LetterPage";
import { LetterPdf } from "./LetterPdf";
import { letterSections } from "./sections";

/** A letter in the three forms it is kept and sent in. */
export async function renderLetter(
  content: LetterContent,
): Promise<{ subject: string; html: string; plain: string; pdf: Buffer }> {
  return {
    subject: `${content.siteName}: ${content.tanks.map((t) => t.heading.replace(/^Your /, "your ")).join("; ")}`.slice(
      0,
      190,
    ),
    html: `<!doctype html>${renderToStaticMarkup(<LetterPage content={content} />)}`,
    plain: plainLetter(content),
    pdf: await renderToBuffer(<LetterPdf content={content} />),
  };
}

function plainLetter(content: LetterContent): string {
  const tanks = content.tanks.map((tank) =>
    [
      tank.heading,
      tank.opening.join(" "),
      ...tank.measured.map((m) => `${m.label}: ${m.shown}, ${m.note}`),
      ...(tank.notMeasured ? [tank.notMeasured] : []),
      ...letterSections(tank).map((s) => `${s.title}\n${s.lines.join("\n")}`),
    ].join("\n\n"),
  );
  return [`Dear ${content.to},`, ...tanks, content.signedBy]
    .join("\n\n")
    .replaceAll("\u202f", " ")
    .replaceAll("\u00a0", " ");
}
