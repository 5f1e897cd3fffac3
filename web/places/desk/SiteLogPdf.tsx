import { longDate, sayDay } from "@keel-round/core/calendar";
import { counted } from "@keel-round/core/text";
import { Document, Page, renderToBuffer, Text, View } from "@react-pdf/renderer";
import type { SiteLog } from "@/data/visit/siteLog";
import { INK } from "@/kit/markup/ink";
import { inType, styles } from "@/kit/markup/pdf";

const COLUMNS = [
  { title: "Day, tank, by", width: 92 },
  { title: "Measured", width: 118 },
  { title: "Water", width: 84 },
  { title: "Done", width: 128 },
  { title: "Left out, found", width: 108 },
] as const;

function Row({ cells, head }: { cells: readonly string[]; head: boolean }) {
  return (
    <View style={{ ...styles.row, alignItems: "flex-start" }} wrap={false} fixed={head}>
      {COLUMNS.map(({ title, width }, i) => (
        <Text key={title} style={{ width, paddingRight: 6, fontSize: 8, fontWeight: head ? 600 : 400 }}>
          {inType(cells[i] ?? "")}
        </Text>
      ))}
    </View>
  );
}

/** The log of a site on A4: every visit of every tank a row, the heads on each page. */
export function siteLogPdf({ siteName, from, to, visits }: SiteLog): Promise<Buffer> {
  const day = (on: string) => `${sayDay(on)} ${on.slice(0, 4)}`;
  return renderToBuffer(
    <Document title={`${siteName}: log of visits`}>
      <Page size="A4" style={{ ...styles.page, paddingHorizontal: 32 }}>
        <View style={styles.head}>
          <Text style={{ fontWeight: 600 }}>{inType(`${siteName}: log of visits`)}</Text>
          <Text style={{ color: INK.soft }}>{`${day(from)} to ${day(to)}`}</Text>
        </View>
        <Text style={{ marginVertical: 6, color: INK.soft }}>
          {visits.length === 0 ? "No visit was closed on these days." : counted(visits.length, "visit")}
        </Text>
        <Row head cells={COLUMNS.map((c) => c.title)} />
        {visits.map((v) => (
          <Row
            key={v.id}
            head={false}
            cells={[
              `${longDate(v.on)} ${v.on.slice(0, 4)}\n${v.tank}\n${[v.by, v.time].filter((t) => t !== "").join(", ")}`,
              ...[v.readings.join("\n"), v.water.join("\n"), v.done.join("; "), [...v.left, ...v.found].join("; ")],
            ]}
          />
        ))}
        <Text
          fixed
          style={{ position: "absolute", bottom: 20, right: 32, fontSize: 8, color: INK.soft }}
          render={({ pageNumber, totalPages }) => `${pageNumber} of ${totalPages}`}
        />
      </Page>
    </Document>,
  );
}
