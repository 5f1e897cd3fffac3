import { createRequire } from "node:module";
import type { LetterContent, LetterReading, LetterTank } from "@keel-round/core/letter";
import { Circle, Document, Font, G, Line, Page, Path, Rect, StyleSheet, Svg, Text, View } from "@react-pdf/renderer";
import { stripPlaces } from "@/kit/markup/bandStrip";
import { INK, TILT, TONE } from "@/kit/markup/ink";
import { letterSections } from "./sections";

// Full typefaces: the subset ones turn a missing letter into another one without a word.
const { resolve } = createRequire(import.meta.url);
Font.register({
  family: "AHN",
  fonts: [
    {
      src: resolve("@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf"),
      fontWeight: 400,
    },
    {
      src: resolve(
        "@expo-google-fonts/atkinson-hyperlegible-next/600SemiBold/AtkinsonHyperlegibleNext_600SemiBold.ttf",
      ),
      fontWeight: 600,
    },
  ],
});
Font.register({
  family: "AHM",
  src: resolve("@expo-google-fonts/atkinson-hyperlegible-mono/400Regular/AtkinsonHyperlegibleMono_400Regular.ttf"),
});
Font.registerHyphenationCallback((word) => [word]);

const styles = StyleSheet.create({
  page: {
    fontFamily: "AHN",
    fontSize: 10,
    lineHeight: 1.4,
    color: INK.ink,
    backgroundColor: "#FFFFFF",
    paddingVertical: 40,
    paddingHorizontal: 52,
  },
  head: {
    flexDirection: "row",
    justifyContent: "space-between",
    borderBottomWidth: 1.4,
    borderColor: INK.ink,
    paddingBottom: 6,
  },
  h1: { fontSize: 18, fontWeight: 600, lineHeight: 1.2 },
  h2: {
    fontSize: 10,
    fontWeight: 600,
    marginTop: 10,
    borderBottomWidth: 0.7,
    borderColor: INK.ruleStrong,
    paddingBottom: 2,
  },
  row: {
    flexDirection: "row",
    alignItems: "center",
    borderBottomWidth: 0.5,
    borderColor: INK.rule,
    paddingVertical: 2.5,
  },
});

/** Thin and fixed spaces are not in the typeface and would come out as other letters. */
const plain = (text: string) => text.replaceAll("\u202f", " ").replaceAll("\u00a0", " ");

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

function Tank({ tank }: { tank: LetterTank }) {
  const colour = TONE[tank.condition.state];
  return (
    <View style={{ marginTop: 14 }}>
      <View style={{ flexDirection: "row", alignItems: "center" }}>
        <Svg width={26} height={16} viewBox="0 0 26 16" style={{ marginRight: 6 }}>
          <G transform={`rotate(${TILT[tank.condition.state]}, 13, 7)`}>
            <Path d="M2.5 7 H23.5" stroke={colour} strokeWidth={2.2} />
            <Path d="M10 7 L13 12.5 L16 7 Z" fill={colour} />
          </G>
        </Svg>
        <Text style={styles.h1}>{plain(tank.heading)}</Text>
      </View>
      {tank.body.map((paragraph) => (
        <Text key={paragraph} style={{ marginTop: 4 }}>
          {plain(paragraph)}
        </Text>
      ))}
      {tank.measured.length > 0 ? <Text style={styles.h2}>Measured</Text> : null}
      {tank.measured.map((m) => (
        <View key={m.parameter} style={styles.row}>
          <Text style={{ width: 92 }}>{m.label}</Text>
          <Strip reading={m} />
          <Text style={{ width: 84, textAlign: "right", fontFamily: "AHM", fontSize: 9.5 }}>{plain(m.shown)}</Text>
          <Text style={{ flex: 1, paddingLeft: 12, color: INK.soft }}>{plain(m.note)}</Text>
        </View>
      ))}
      {letterSections(tank).map(({ title, lines }) => (
        <View key={title}>
          <Text style={styles.h2}>{title}</Text>
          {lines.map((line) => (
            <Text key={line} style={{ marginTop: 2.5 }}>
              {plain(line)}
            </Text>
          ))}
        </View>
      ))}
    </View>
  );
}

/** The letter as an A4 page. */
export function LetterPdf({ content }: { content: LetterContent }) {
  return (
    <Document title={`${content.siteName}, ${content.date}`} author={content.business}>
      <Page size="A4" style={styles.page}>
        <View style={{ ...styles.head, ...(content.colour ? { borderColor: content.colour } : {}) }}>
          <Text style={{ fontWeight: 600, ...(content.colour ? { color: content.colour } : {}) }}>
            {content.business}
          </Text>
          <Text style={{ color: INK.soft }}>{content.date}</Text>
        </View>
        <Text style={{ marginTop: 14 }}>{plain(content.greeting)}</Text>
        {content.tanks.map((tank) => (
          <Tank key={tank.name} tank={tank} />
        ))}
        <Text style={{ marginTop: 16 }}>{plain(content.close)}</Text>
        <Text style={{ marginTop: 8 }}>{content.signedBy}</Text>
      </Page>
    </Document>
  );
}
