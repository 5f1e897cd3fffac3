import { Box } from "@chakra-ui/react";
import { byText } from "@keel-round/core/text";
import { figure } from "@keel-round/core/units";
import { wearOf } from "@keel-round/core/upkeep";
import type { Equipment } from "@/data/desk/equipment";
import { AppLink } from "@/kit/AppLink";
import { A, Rect, Span, Svg, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { yearDate } from "@/kit/words";

/** How much of a life is used: a bar of a hundred, the part beyond it in ochre. */
function Life({ used }: { used: number }) {
  const width = Math.min(1, used) * 100;
  return (
    <Svg
      width="104px"
      height="12px"
      viewBox="0 0 104 12"
      role="img"
      aria-label={`${Math.round(used * 100)} % of its life used`}
    >
      <Rect x="0.5" y="3" width="100" height="6" fill="none" stroke="ruleStrong" />
      <Rect x="0.5" y="3" width={width} height="6" fill={used >= 0.9 ? "ochre" : "soft"} />
    </Svg>
  );
}

/** What hangs on the tank, by what falls due first. */
export function EquipmentTab({
  tankId,
  equipment,
  today,
  editable,
}: {
  tankId: string;
  equipment: readonly Equipment[];
  today: string;
  editable: boolean;
}) {
  const rows = equipment
    .map((e) => ({ e, wear: wearOf(e, today) }))
    .map((r) => ({
      ...r,
      first: [r.wear.serviceDueOn, r.wear.replaceDueOn].filter((d) => d !== null).sort()[0] ?? "9",
    }))
    .sort((a, b) => byText(a.first, b.first));
  const due = (on: string | null) =>
    on === null ? (
      <Span color="faint">—</Span>
    ) : (
      <Span color={on < today ? "ochre" : "inherit"} fontWeight={on < today ? "600" : "400"}>
        {on < today ? "was due " : ""}
        {yearDate(on)}
      </Span>
    );
  return (
    <Box>
      {rows.length === 0 ? (
        <Box color="soft">No equipment is on the list yet.</Box>
      ) : (
        <Box overflowX="auto">
          <Table borderCollapse="collapse" fontSize="14px" minW="760px" w="100%">
            <thead>
              <tr>
                {["Equipment", "Installed", "Hours run", "Service", "Replace", "Life used", "Notes"].map((h) => (
                  <Head key={h}>{h}</Head>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map(({ e, wear }) => (
                <tr key={e.id}>
                  <Cell fontWeight="560">
                    {editable ? <AppLink href={`/desk/equipment/${e.id}`}>{e.name}</AppLink> : e.name}
                  </Cell>
                  <Cell whiteSpace="nowrap">{yearDate(e.installedOn)}</Cell>
                  <Cell fontFamily="mono">{wear.hoursRun === null ? "" : figure(wear.hoursRun, 0)}</Cell>
                  <Cell whiteSpace="nowrap">{due(wear.serviceDueOn)}</Cell>
                  <Cell whiteSpace="nowrap">
                    {due(wear.replaceDueOn)}
                    {wear.replaceBy === "hours" && <Span color="soft"> by hours</Span>}
                  </Cell>
                  <Cell>{wear.used !== null && <Life used={wear.used} />}</Cell>
                  <Cell color="soft">{e.notes}</Cell>
                </tr>
              ))}
            </tbody>
          </Table>
        </Box>
      )}
      {editable && (
        <Box mt="12px">
          <A asChild color="coralline">
            <AppLink href={`/desk/equipment/new?tankId=${tankId}`}>Add equipment</AppLink>
          </A>
        </Box>
      )}
    </Box>
  );
}
