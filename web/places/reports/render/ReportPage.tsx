import { sayDay } from "@keel-round/core/calendar";
import type { ReportContent, ReportCurve, ReportTank } from "@keel-round/core/report";
import { INK, TONE } from "@/kit/markup/ink";
import { Keel } from "@/kit/markup/Keel";
import { Picture } from "@/kit/markup/Picture";
import { PAPER_CSS } from "@/kit/markup/paperCss";
import { curvePlaces } from "@/kit/markup/periodCurve";
import { listsOf } from "./lists";

const css = `${PAPER_CSS}
h2 svg{display:inline-block;vertical-align:-3px;margin-right:8px}
ul{margin:8px 0 0;padding:0 0 0 18px}
.curves{display:grid;grid-template-columns:repeat(auto-fill,minmax(200px,1fr));gap:14px 18px;margin-top:12px}
.curves b{font-weight:600}.curves div{font-size:13.5px;line-height:1.35}
.curves span{font-family:AHM,ui-monospace,monospace}
td.num,th.num{text-align:right}
`;

type Drawn = Pick<ReportContent, "fromOn" | "untilOn" | "locale">;

/** The box that a curve is drawn in. */
const BOX = { width: 200, height: 54 };

function Curve({ curve, of }: { curve: ReportCurve; of: Drawn }) {
  const { d, dots, band } = curvePlaces(curve, { from: of.fromOn, to: of.untilOn, ...BOX });
  const readings = curve.points.map((p) => `${sayDay(p.on, of.locale)}: ${Number(p.value.toPrecision(4))}`).join(", ");
  return (
    <div>
      <b>{curve.label}</b> <span style={{ color: TONE[curve.ended] }}>{curve.shown}</span>
      <svg
        viewBox={`0 0 ${BOX.width} ${BOX.height}`}
        width="100%"
        role="img"
        aria-label={`${curve.label}: ${readings}`}
      >
        {band && <rect x="0" y={band.y} width={BOX.width} height={band.height} fill={INK.band} />}
        <path d={d} fill="none" stroke={INK.soft} strokeWidth="1.4" />
        {dots.map((p) => (
          <circle key={`${p.x} ${p.y}`} cx={p.x} cy={p.y} r="2.4" fill={INK.ink} />
        ))}
      </svg>
      <div className="soft">{curve.right}</div>
    </div>
  );
}

function Curves({ curves, of }: { curves: readonly ReportCurve[]; of: Drawn }) {
  if (curves.length === 0) return null;
  return (
    <div className="curves">
      {curves.map((c) => (
        <Curve key={c.parameter} curve={c} of={of} />
      ))}
    </div>
  );
}

function Tank({ tank, content }: { tank: ReportTank; content: ReportContent }) {
  return (
    <section>
      <h2>
        <Keel state={tank.state} width={26} />
        {tank.heading}
      </h2>
      {tank.body.map((paragraph) => (
        <p key={paragraph}>{paragraph}</p>
      ))}
      <Curves curves={tank.curves} of={content} />
      {listsOf(tank).map((line) => (
        <p key={line}>{line}</p>
      ))}
    </section>
  );
}

function Table({ of }: { of: NonNullable<ReportContent["table"]> }) {
  return (
    <table style={{ marginTop: 22 }}>
      <thead>
        <tr>
          {of.head.map((head, i) => (
            <th key={head} scope="col" className={i > 0 ? "num" : ""}>
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {of.rows.map(([name, ...figures]) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            {figures.map((figure, i) => (
              <td key={of.head[i + 1]} className="num">
                {figure}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A report as a page: static markup, no script. */
export function ReportPage({ content, mark }: { content: ReportContent; mark: string | null }) {
  return (
    <html lang={content.locale}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex" />
        <meta name="referrer" content="no-referrer" />
        <title>{content.title}</title>
        <style dangerouslySetInnerHTML={{ __html: css }} />
      </head>
      <body>
        <main>
          <header style={content.colour ? { borderColor: content.colour } : undefined}>
            <strong style={content.colour ? { color: content.colour } : undefined}>
              {mark && <Picture src={mark} alt="" className="mark" />}
              {content.business}
            </strong>
            <span className="soft">{content.period}</span>
          </header>
          <h1>{content.title}</h1>
          {content.greeting && <p>{content.greeting}</p>}
          {content.answer && <p>{content.answer}</p>}
          <ul>
            {content.totals.map((total) => (
              <li key={total}>{total}</li>
            ))}
          </ul>
          {content.curvesOf && <h2>{content.curvesOf}</h2>}
          <Curves curves={content.curves} of={content} />
          {content.tanks.map((tank) => (
            <Tank key={`${tank.siteName} ${tank.name}`} tank={tank} content={content} />
          ))}
          {content.table && <Table of={content.table} />}
          {content.sections.map(({ title, lines }) => (
            <div key={title}>
              <h2>{title}</h2>
              <ul>
                {lines.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </div>
          ))}
          {content.close && <p style={{ marginTop: 26 }}>{content.close}</p>}
          <p style={{ marginTop: 14 }}>{content.signedBy}</p>
        </main>
      </body>
    </html>
  );
}
