import type { LetterContent, LetterReading, LetterTank } from "@keel-round/core/letter";
import { Circle, Document, Image, Line, Page, Rect, Svg, Text, View } from "@react-pdf/renderer";
import type { PaperImages } from "@/data/letters/images";
import { stripPlaces } from "@/kit/markup/bandStrip";
import { INK, TONE } from "@/kit/markup/ink";
import { PdfKeel } from "@/kit/markup/PdfKeel";
import { inType, styles } from "@/kit/markup/pdf";
import { letterSections, titleOf } from "./sections";

function Strip({ reading }: { reading: LetterReading }) {
  const at = stripPlaces(reading);
  const x = (place: number) => 4 + place * 122;
  return (
    <Svg width={130} height={12}>
      <Line x1={4} x2={126} y1={6} y2={6} stroke={INK.ruleStrong} strokeWidth={0.7} />
      <Rect x={x(at.low)} y={2.5} width={Math.max(2, x(at.high) - x(at.low))} height={7} fill={INK.band} />
      {at.before !== null ? (
        <Circle cx={x(at.before)} cy={6} r={2.4} fill="#FFFFFF" stroke={INK.faint} strokeWidth={0.7} />
      ) : null}
      <Circle cx={x(at.now)} cy={6} r={3} fill={TONE[reading.standing]} />
    </Svg>
  );
}

function Tank({ tank, content }: { tank: LetterTank; content: LetterContent }) {
  return (
    <View style={{ marginTop: 14 }}>
      <View style={{ flexDirection: "row", alignItems: "center" }}>
        <PdfKeel state={tank.condition.state} />
        <Text style={styles.h1}>{inType(tank.heading)}</Text>
      </View>
      {tank.body.map((paragraph) => (
        <Text key={paragraph} style={{ marginTop: 4 }}>
          {inType(paragraph)}
        </Text>
      ))}
      {tank.measured.length > 0 ? <Text style={styles.h2}>{titleOf("measured", content)}</Text> : null}
      {tank.measured.map((m) => (
        <View key={m.parameter} style={styles.row}>
          <Text style={{ width: 92 }}>{m.label}</Text>
          <Strip reading={m} />
          <Text style={{ width: 84, textAlign: "right", fontFamily: "AHM", fontSize: 9.5 }}>{inType(m.shown)}</Text>
          <Text style={{ flex: 1, paddingLeft: 12, color: INK.soft }}>{inType(m.note)}</Text>
        </View>
      ))}
      {letterSections(tank, content).map(({ title, lines }) => (
        <View key={title}>
          <Text style={styles.h2}>{title}</Text>
          {lines.map((line) => (
            <Text key={line} style={{ marginTop: 2.5 }}>
              {inType(line)}
            </Text>
          ))}
        </View>
      ))}
    </View>
  );
}

/** The letter as an A4 page. */
export function LetterPdf({ content, images }: { content: LetterContent; images: PaperImages }) {
  return (
    <Document
      language={content.locale ?? "en"}
      title={`${content.siteName}, ${content.date}`}
      author={content.business}
    >
      <Page size="A4" style={styles.page}>
        <View style={{ ...styles.head, ...(content.colour ? { borderColor: content.colour } : {}) }}>
          <View style={{ flexDirection: "row", alignItems: "center" }}>
            {images.mark ? <Image src={images.mark} style={{ height: 20, marginRight: 7 }} /> : null}
            <Text style={{ fontWeight: 600, ...(content.colour ? { color: content.colour } : {}) }}>
              {inType(content.business)}
            </Text>
          </View>
          <Text style={{ color: INK.soft }}>{content.date}</Text>
        </View>
        <Text style={{ marginTop: 14 }}>{inType(content.greeting)}</Text>
        {content.tanks.map((tank) => (
          <Tank key={tank.name} tank={tank} content={content} />
        ))}
        <View style={{ flexDirection: "row", marginTop: 10 }}>
          {(content.photos ?? []).map(({ photoId, caption }) =>
            images.photos[photoId] ? (
              <View key={photoId} style={{ width: 236, marginRight: 12 }} wrap={false}>
                <Image src={images.photos[photoId]} />
                <Text style={{ fontSize: 9, color: INK.soft, marginTop: 2 }}>{inType(caption)}</Text>
              </View>
            ) : null,
          )}
        </View>
        <Text style={{ marginTop: 16 }}>{inType(content.close)}</Text>
        <Text style={{ marginTop: 8 }}>{inType(content.signedBy)}</Text>
      </Page>
    </Document>
  );
}
