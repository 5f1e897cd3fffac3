import type { LetterContent, LetterPhoto, LetterTank } from "@keel-round/core/letter";
import type { PaperImages } from "@/data/letters/images";
import { Keel } from "@/kit/markup/Keel";
import { Picture } from "@/kit/markup/Picture";
import { PAPER_CSS } from "@/kit/markup/paperCss";
import { Strip } from "@/kit/markup/Strip";
import { letterSections, titleOf } from "./sections";

function Tank({ tank, content }: { tank: LetterTank; content: LetterContent }) {
  return (
    <section className="tank">
      <h1>
        <Keel state={tank.condition.state} />
        {tank.heading}
      </h1>
      {tank.body.map((paragraph) => (
        <p key={paragraph}>{paragraph}</p>
      ))}
      {tank.measured.length > 0 && <h2>{titleOf("measured", content)}</h2>}
      {tank.measured.length > 0 && (
        <table>
          <tbody>
            {tank.measured.map((m) => (
              <tr key={m.parameter}>
                <th scope="row">{m.label}</th>
                <td className="strip">
                  <Strip reading={m} />
                </td>
                <td className="num">{m.shown}</td>
                <td className="note">{m.note}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {letterSections(tank, content).map(({ title, lines }) => (
        <div key={title}>
          <h2>{title}</h2>
          {lines.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </div>
      ))}
    </section>
  );
}

function Photos({ of, images }: { of: readonly LetterPhoto[]; images: PaperImages }) {
  const shown = of.flatMap((p) => {
    const src = images.photos[p.photoId];
    return src ? [{ ...p, src }] : [];
  });
  if (shown.length === 0) return null;
  return (
    <div className="photos">
      {shown.map(({ photoId, caption, src }) => (
        <figure key={photoId}>
          <Picture src={src} alt={caption} />
          {caption && <figcaption>{caption}</figcaption>}
        </figure>
      ))}
    </div>
  );
}

/** The owner's page: static markup, no script. */
export function LetterPage({ content, images }: { content: LetterContent; images: PaperImages }) {
  return (
    <html lang={content.locale ?? "en"}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex" />
        <meta name="referrer" content="no-referrer" />
        <title>{`${content.siteName}, ${content.date}`}</title>
        <style dangerouslySetInnerHTML={{ __html: PAPER_CSS }} />
      </head>
      <body>
        <main>
          <header style={content.colour ? { borderColor: content.colour } : undefined}>
            <strong style={content.colour ? { color: content.colour } : undefined}>
              {images.mark && <Picture src={images.mark} alt="" className="mark" />}
              {content.business}
            </strong>
            <span className="soft">
              {content.date}
              {content.revision > 1 ? `, ${content.titles?.corrected ?? `corrected (${content.revision})`}` : ""}
            </span>
          </header>
          <p style={{ marginTop: 22 }}>{content.greeting}</p>
          {content.tanks.map((tank) => (
            <Tank key={tank.name} tank={tank} content={content} />
          ))}
          <Photos of={content.photos ?? []} images={images} />
          <p style={{ marginTop: 26 }}>{content.close}</p>
          <p style={{ marginTop: 14 }}>{content.signedBy}</p>
        </main>
      </body>
    </html>
  );
}
