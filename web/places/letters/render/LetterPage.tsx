import type { LetterContent, LetterTank } from "@keel-round/core/letter";
import { INK } from "@/kit/markup/ink";
import { Keel } from "@/kit/markup/Keel";
import { Strip } from "@/kit/markup/Strip";
import { letterSections } from "./sections";

const css = `
@font-face{font-family:"AHN";src:url(/fonts/next.woff2) format("woff2");font-weight:200 800}
@font-face{font-family:"AHM";src:url(/fonts/mono.woff2) format("woff2");font-weight:200 800}
*{box-sizing:border-box;margin:0}
body{font:16px/1.5 AHN,system-ui,sans-serif;color:${INK.ink};background:${INK.sheet};padding:40px 24px}
main{max-width:670px;margin:0 auto}
header{display:flex;justify-content:space-between;align-items:baseline;gap:16px;border-bottom:2px solid ${INK.ink};padding-bottom:10px}
h1{font-size:29px;line-height:1.2;margin-top:26px;font-weight:640;letter-spacing:-.2px}
h2{font-size:15px;margin-top:22px;border-bottom:1px solid ${INK.ruleStrong};padding-bottom:4px;font-weight:640}
p{margin-top:8px}.soft{color:${INK.soft}}
table{width:100%;border-spacing:0;font-size:15px}td,th{padding:6px 0;border-bottom:1px solid ${INK.rule};text-align:left;font-weight:400}
td.num{font-family:AHM,ui-monospace,monospace;text-align:right;white-space:nowrap}td.note{padding-left:20px;color:${INK.soft}}
svg{display:block}h1 svg{display:inline-block;vertical-align:-3px;margin-right:8px}
.tank+.tank{margin-top:34px;border-top:1px solid ${INK.ruleStrong}}
@media(max-width:560px){td.strip{display:none}body{padding:20px 16px}h1{font-size:25px}td.note{padding-left:10px}}
@media print{body{padding:0;font-size:14px}h1{font-size:24px;margin-top:14px}h2{margin-top:12px}p{margin-top:4px}}
`;

function Tank({ tank }: { tank: LetterTank }) {
  return (
    <section className="tank">
      <h1>
        <Keel state={tank.condition.state} />
        {tank.heading}
      </h1>
      {tank.body.map((paragraph) => (
        <p key={paragraph}>{paragraph}</p>
      ))}
      {tank.measured.length > 0 && <h2>Measured</h2>}
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
      {letterSections(tank).map(({ title, lines }) => (
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

/** The owner's page: static markup, no script. */
export function LetterPage({ content }: { content: LetterContent }) {
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex" />
        <meta name="referrer" content="no-referrer" />
        <title>{`${content.siteName}, ${content.date}`}</title>
        <style dangerouslySetInnerHTML={{ __html: css }} />
      </head>
      <body>
        <main>
          <header style={content.colour ? { borderColor: content.colour } : undefined}>
            <strong style={content.colour ? { color: content.colour } : undefined}>{content.business}</strong>
            <span className="soft">
              {content.date}
              {content.revision > 1 ? `, corrected (${content.revision})` : ""}
            </span>
          </header>
          <p style={{ marginTop: 22 }}>{content.greeting}</p>
          {content.tanks.map((tank) => (
            <Tank key={tank.name} tank={tank} />
          ))}
          <p style={{ marginTop: 26 }}>{content.close}</p>
          <p style={{ marginTop: 14 }}>{content.signedBy}</p>
        </main>
      </body>
    </html>
  );
}
