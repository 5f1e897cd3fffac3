import type { LetterContent } from "@keel-round/core/letter";
import { inSentence } from "@keel-round/core/text";
import { renderToStaticMarkup } from "react-dom/server";
import type { PaperImages } from "@/data/letters/images";
import { plain } from "@/kit/markup/pdf";
import { LetterPage } from "./LetterPage";
import { renderLetterPdf } from "./pdf";
import { letterSections } from "./sections";

/** A letter in the three forms it is kept and sent in. */
export async function renderLetter(
  content: LetterContent,
  images: PaperImages,
): Promise<{ subject: string; html: string; plain: string; pdf: Buffer }> {
  return { ...renderLetterPage(content, images), pdf: await renderLetterPdf(content, images) };
}

/** The page of a letter, and its plain text. */
export const renderLetterPage = (content: LetterContent, images: PaperImages) => ({
  subject: subjectOf(content),
  html: `<!doctype html>${renderToStaticMarkup(<LetterPage content={content} images={images} />)}`,
  plain: plainLetter(content),
});

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
      ...letterSections(tank, content).map((s) => `${s.title}\n${s.lines.join("\n")}`),
    ].join("\n\n"),
  );
  const photos = (content.photos ?? []).map((p) => p.caption).filter((caption) => caption !== "");
  return plain([content.greeting, ...tanks, ...photos, content.close, content.signedBy].join("\n\n"));
}
