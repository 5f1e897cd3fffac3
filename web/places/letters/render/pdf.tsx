import type { LetterContent } from "@keel-round/core/letter";
import { renderToBuffer } from "@react-pdf/renderer";
import type { PaperImages } from "@/data/letters/images";
import { LetterPdf } from "./LetterPdf";

/** The PDF of a letter. */
export const renderLetterPdf = (content: LetterContent, images: PaperImages): Promise<Buffer> =>
  renderToBuffer(<LetterPdf content={content} images={images} />);
