import { Box } from "@chakra-ui/react";
import type { RoadLine } from "@/data/round/roads";
import { PageHead, SubHead } from "@/kit/controls";
import { Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { duration } from "@/kit/words";
import { ImportRoads } from "./ImportRoads";
import { RoadButtons } from "./RoadButtons";

/** How long the ways between sites take: learnt from the log, by a list, or by distance. */
export function RoadsPage({ roads, nav }: { roads: readonly RoadLine[]; nav: React.ReactNode }) {
  const listed = roads.filter((r) => r.listedMinutes !== null).length;
  return (
    <Box>
      {nav}
      <PageHead title="Roads" facts={`${roads.length} known better than by distance, ${listed} of them by a list`} />
      <Box color="soft" mt="8px" maxW="70ch">
        Minutes are learnt from the moments visits were closed and the next ones started. A list of yours counts before
        them; every other way is estimated by distance.
      </Box>
      {roads.length > 0 && (
        <Box overflowX="auto" mt="16px">
          <Table borderCollapse="collapse" fontSize="14.5px" w="100%" minW="760px">
            <thead>
              <tr>
                {["From", "To", "By distance", "Learnt", "By the list", ""].map((h) => (
                  <Head key={h}>{h}</Head>
                ))}
              </tr>
            </thead>
            <tbody>
              {roads.map((r) => (
                <Row key={r.id} road={r} />
              ))}
            </tbody>
          </Table>
        </Box>
      )}
      <Box mt="26px" maxW="640px">
        <SubHead>A list of your own</SubHead>
        <ImportRoads listed={listed} />
      </Box>
    </Box>
  );
}

function Row({ road: r }: { road: RoadLine }) {
  return (
    <tr data-road={`${r.from} to ${r.to}`}>
      <Cell fontWeight="620">{r.from}</Cell>
      <Cell>{r.to}</Cell>
      <Cell className="num">{duration(r.estimateMinutes)}</Cell>
      <Cell className="num">
        {r.learntMinutes === null ? "–" : duration(r.learntMinutes)}
        {r.drives > 0 && (
          <Box color="soft" fontSize="13px">
            {r.drives === 1 ? "1 drive" : `${r.drives} drives`}
            {r.setAside ? ", put aside" : ""}
          </Box>
        )}
      </Cell>
      <Cell className="num">{r.listedMinutes === null ? "–" : duration(r.listedMinutes)}</Cell>
      <Cell>
        {r.askedMinutes !== null && (
          <Box color="ochre" fontSize="14px" mb="4px">
            Three drives took about {duration(r.askedMinutes)}. A ferry, or a closed bridge?
          </Box>
        )}
        <RoadButtons road={r} />
      </Cell>
    </tr>
  );
}
