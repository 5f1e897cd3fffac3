import type { ReportContent, ReportCurve, ReportTank } from "@keel-round/core/report";
import { Document, Image, Page, Path, Rect, Svg, Text, View } from "@react-pdf/renderer";
import { INK, TONE } from "@/kit/markup/ink";
import { PdfKeel } from "@/kit/markup/PdfKeel";
import { inType, styles } from "@/kit/markup/pdf";
import { curvePlaces } from "@/kit/markup/periodCurve";
import { listsOf } from "./lists";

/** Three beside each other on A4. */
const BOX = { width: 154, height: 38 };

const DOT = 1.7;
/** A dot as a piece of a path: one path of all of them is set much quicker than a circle each. */
const dotAt = ({ x, y }: { readonly x: number; readonly y: number }): string =>
  `M${x - DOT} ${y}a${DOT} ${DOT} 0 1 0 ${2 * DOT} 0a${DOT} ${DOT} 0 1 0 ${-2 * DOT} 0Z`;

function Curve({ curve, of }: { curve: ReportCurve; of: ReportContent }) {
  const { d, dots, band } = curvePlaces(curve, { from: of.fromOn, to: of.untilOn, ...BOX });
  return (
    <View style={{ width: BOX.width, marginRight: 9, marginTop: 7 }} wrap={false}>
      <View style={{ flexDirection: "row", justifyContent: "space-between" }}>
        <Text style={{ fontSize: 9, fontWeight: 600 }}>{curve.label}</Text>
        <Text style={{ fontSize: 9, fontFamily: "AHM", color: TONE[curve.ended] }}>{inType(curve.shown)}</Text>
      </View>
      <Svg width={BOX.width} height={BOX.height}>
        {band ? <Rect x={0} y={band.y} width={BOX.width} height={band.height} fill={INK.band} /> : null}
        {dots.length > 1 ? <Path d={d} stroke={INK.soft} strokeWidth={1} fill="none" /> : null}
        <Path d={dots.map(dotAt).join("")} fill={INK.ink} />
      </Svg>
      <Text style={{ fontSize: 8, color: INK.soft }}>{inType(curve.right)}</Text>
    </View>
  );
}

const Curves = ({ curves, of }: { curves: readonly ReportCurve[]; of: ReportContent }) => (
  <View style={{ flexDirection: "row", flexWrap: "wrap" }}>
    {curves.map((c) => (
      <Curve key={c.parameter} curve={c} of={of} />
    ))}
  </View>
);

function Tank({ tank, of }: { tank: ReportTank; of: ReportContent }) {
  return (
    <View style={{ marginTop: 12 }}>
      <View style={{ flexDirection: "row", alignItems: "center" }} wrap={false}>
        <PdfKeel state={tank.state} width={20} />
        <Text style={{ fontSize: 11.5, fontWeight: 600, flex: 1 }}>{inType(tank.heading)}</Text>
      </View>
      {tank.body.map((paragraph) => (
        <Text key={paragraph} style={{ marginTop: 2 }}>
          {inType(paragraph)}
        </Text>
      ))}
      <Curves curves={tank.curves} of={of} />
      {listsOf(tank).map((line) => (
        <Text key={line} style={{ marginTop: 3 }}>
          {inType(line)}
        </Text>
      ))}
    </View>
  );
}

function Table({ of }: { of: NonNullable<ReportContent["table"]> }) {
  const row = (cells: readonly string[], head: boolean) => (
    <View key={cells[0]} style={{ ...styles.row, paddingVertical: 1.5 }} wrap={false}>
      {cells.map((cell, i) => (
        <Text
          // A row has the columns of its head, in their order.
          key={of.head[i]}
          style={{
            ...(i === 0 ? { flex: 1 } : { width: 62, textAlign: "right" as const }),
            ...{ fontSize: 9, fontWeight: head ? 600 : 400 },
          }}
        >
          {inType(cell)}
        </Text>
      ))}
    </View>
  );
  return (
    <View style={{ marginTop: 12 }}>
      {row(of.head, true)}
      {of.rows.map((cells) => row(cells, false))}
    </View>
  );
}

/** A report on A4 pages. */
export function ReportPdf({ content, mark }: { content: ReportContent; mark: string | null }) {
  const { colour } = content;
  return (
    <Document language={content.locale} title={content.title} author={content.business}>
      <Page size="A4" style={styles.page}>
        <View style={{ ...styles.head, ...(colour ? { borderColor: colour } : {}) }}>
          <View style={{ flexDirection: "row", alignItems: "center" }}>
            {mark ? <Image src={mark} style={{ height: 20, marginRight: 7 }} /> : null}
            <Text style={{ fontWeight: 600, ...(colour ? { color: colour } : {}) }}>{inType(content.business)}</Text>
          </View>
          <Text style={{ color: INK.soft }}>{content.period}</Text>
        </View>
        <Text style={{ ...styles.h1, marginTop: 12 }}>{inType(content.title)}</Text>
        {[content.greeting, content.answer]
          .filter((t) => t !== "")
          .map((t) => (
            <Text key={t} style={{ marginTop: 5 }}>
              {inType(t)}
            </Text>
          ))}
        <Text style={{ marginTop: 5 }}>{inType(content.totals.join(" · "))}</Text>
        {content.curvesOf ? <Text style={styles.h2}>{content.curvesOf}</Text> : null}
        <Curves curves={content.curves} of={content} />
        {content.tanks.map((tank) => (
          <Tank key={`${tank.siteName} ${tank.name}`} tank={tank} of={content} />
        ))}
        {content.table ? <Table of={content.table} /> : null}
        {content.sections.map(({ title, lines }) => (
          <View key={title}>
            <Text style={styles.h2}>{title}</Text>
            {lines.map((line) => (
              <Text key={line} style={{ marginTop: 2 }}>
                {inType(line)}
              </Text>
            ))}
          </View>
        ))}
        {content.close ? <Text style={{ marginTop: 14 }}>{inType(content.close)}</Text> : null}
        <Text style={{ marginTop: 6 }}>{inType(content.signedBy)}</Text>
      </Page>
    </Document>
  );
}
