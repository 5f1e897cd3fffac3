import { longDate, sayDay } from "@keel-round/core/calendar";
import { counted } from "@keel-round/core/text";
import { Document, Page, renderToBuffer, Text, View } from "@react-pdf/renderer";
import type { SiteLog } from "@/data/visit/siteLog";
import { INK } from "@/kit/markup/ink";
import { inType, styles } from "@/kit/markup/pdf";

// Of a page, the library takes the height of lines times the size of type once more each time it lays out anew, and a number of pages is
// laid out twice: it would stand outside of its page. Rows have it themselves.
const { lineHeight, ...page } = styles.page;

const COLUMNS = [
  { title: "Day, tank, by", width: 92 },
  { title: "Measured", width: 118 },
  { title: "Water", width: 84 },
  { title: "Done", width: 128 },
  { title: "Left out, found", width: 108 },
] as const;

// The library asks whether the word is there, not what it says: `fixed={false}` would let a row break in two.
function Row({ cells, head }: { cells: readonly string[]; head: boolean }) {
  return (
    <View style={{ ...styles.row, alignItems: "flex-start" }} wrap={false} {...(head ? { fixed: true } : {})}>
      {COLUMNS.map(({ title, width }, i) => (
        <Text key={title} style={{ width, paddingRight: 6, fontSize: 8, lineHeight, fontWeight: head ? 600 : 400 }}>
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
      <Page size="A4" style={{ ...page, paddingHorizontal: 32 }}>
        {/* First: what is fixed and stands after rows that go on is lost from the pages they go on to. */}
        <Text
          fixed
          style={{
            position: "absolute",
            bottom: 20,
            left: 32,
            right: 32,
            fontSize: 8,
            color: INK.soft,
            textAlign: "right",
          }}
          render={({ pageNumber, totalPages }) => `${pageNumber} of ${totalPages}`}
        />
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
      </Page>
    </Document>,
  );
}
