import type { LetterContent } from "@keel-round/core/letter";
import { inSentence } from "@keel-round/core/text";
import { renderToBuffer } from "@react-pdf/renderer";
import { renderToStaticMarkup } from "react-dom/server";
import { LetterPage } from "./LetterPage";
import { LetterPdf } from "./LetterPdf";
import { letterSections } from "./sections";

/** A letter in the three forms it is kept and sent in. */
export async function renderLetter(
  content: LetterContent,
): Promise<{ subject: string; html: string; plain: string; pdf: Buffer }> {
  return {
    subject: subjectOf(content),
    html: `<!doctype html>${renderToStaticMarkup(<LetterPage content={content} />)}`,
    plain: plainLetter(content),
    pdf: await renderToBuffer(<LetterPdf content={content} />),
  };
}

/** The mail's subject: the answer of each tank, without a full stop. */
function subjectOf({ siteName, tanks }: LetterContent): string {
  const answers = tanks.map((t) => inSentence(t.heading.replace(/[.]$/, "")));
  return `${siteName}: ${answers.join("; ")}`.slice(0, 190);
}

function plainLetter(content: LetterContent): string {
  const tanks = content.tanks.map((tank) =>
    [
      tank.heading,
      ...tank.body,
      ...tank.measured.map((m) => `${m.label}: ${m.shown}, ${m.note}`),
      ...letterSections(tank).map((s) => `${s.title}\n${s.lines.join("\n")}`),
    ].join("\n\n"),
  );
  return [content.greeting, ...tanks, content.close, content.signedBy]
    .join("\n\n")
    .replaceAll("\u202f", " ")
    .replaceAll("\u00a0", " ");
}
