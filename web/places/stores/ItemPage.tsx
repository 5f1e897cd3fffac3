import { Box, Flex } from "@chakra-ui/react";
import { placeKey, sayAmount } from "@keel-round/core/stores";
import { quantityText, type UnitPreference } from "@keel-round/core/units";
import type { LedgerLine } from "@/data/stores/moves";
import type { Kept, Stores } from "@/data/stores/overview";
import { AppLink } from "@/kit/AppLink";
import { PageHead, QuietButton, SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { Ledger, type ShownLine } from "./Ledger";
import { MergeForm } from "./MergeForm";
import { MoveForm } from "./MoveForm";
import { expiresText, lastsText, whyText } from "./words";

/** One item: where it lies, how long it lasts and why, what happened to it, and what is done with it now. */
export function ItemPage({
  kept,
  vans,
  others,
  ledger,
  units,
}: {
  kept: Kept;
  vans: Stores["vans"];
  others: readonly { readonly id: string; readonly name: string }[];
  ledger: { readonly lines: readonly LedgerLine[]; readonly more: boolean };
  units: UnitPreference;
}) {
  const { item, stock } = kept;
  const vanOf = (id: string | null) => {
    const van = vans.find((v) => v.id === id);
    return id === null ? "base" : van ? `${van.name}’s van` : "a van";
  };
  return (
    <Box>
      <PageHead
        title={item.name}
        facts={item.shelf}
        actions={
          <>
            <QuietButton asChild>
              <AppLink href={`/desk/item/${item.id}`}>Edit item</AppLink>
            </QuietButton>
            <QuietButton asChild>
              <AppLink href="/stores">All stores</AppLink>
            </QuietButton>
          </>
        }
      />
      <Flex gap="32px" wrap="wrap" mt="16px" align="baseline">
        {[null, ...vans.filter((v) => stock.places.has(v.id)).map((v) => v.id)].map((place) => (
          <Box key={placeKey(place)}>
            <Span fontFamily="mono" fontSize="32px" fontWeight="600" data-stock={placeKey(place)}>
              {sayAmount(stock.places.get(placeKey(place)) ?? 0, item.unit, units)}
            </Span>
            <Box color="soft">{place === null ? "at the base" : `in ${vanOf(place)}`}</Box>
          </Box>
        ))}
      </Flex>
      <Facts kept={kept} units={units} />
      <Box mt="22px">
        <SubHead>Book something</SubHead>
        <MoveForm
          item={{ ...item, places: Object.fromEntries(stock.places) }}
          vans={vans}
          units={units}
          key={[...stock.places].join()}
        />
      </Box>
      <Box mt="22px">
        <SubHead>What happened to it</SubHead>
        {ledger.lines.length === 0 ? (
          <Box color="soft">Nothing yet. Count what is there to begin.</Box>
        ) : (
          <Ledger lines={ledger.lines.map((l) => shown(l, vanOf(l.move.place)))} unit={item.unit} units={units} />
        )}
        {ledger.more && <Box color="soft">Older lines are not shown.</Box>}
      </Box>
      {others.length > 0 && (
        <Box mt="28px">
          <SubHead>Two items that are one</SubHead>
          <MergeForm itemId={item.id} others={others} />
        </Box>
      )}
    </Box>
  );
}

const shown = ({ move, by, tank, site }: LedgerLine, place: string): ShownLine => ({
  ...{ id: move.id, kind: move.kind, on: move.onDate, amount: move.amount, place, by, visitId: move.visitId },
  about: [
    tank !== null ? `${tank}, ${site}` : move.note,
    move.lot === "" ? "" : `lot ${move.lot}`,
    move.expiresOn === null ? "" : `expires ${move.expiresOn}`,
  ]
    .filter((part) => part !== "")
    .join("; "),
  byLog: move.cause !== "",
  takenBack: move.takenBackAt !== null,
});

/** How long it lasts and what that is worked out from. */
function Facts({ kept, units }: { kept: Kept; units: UnitPreference }) {
  const { item, left, needs, ratio, lossPerDay, order, onOrder } = kept;
  const text = (amount: number) => sayAmount(amount, item.unit, units);
  const planned = needs.reduce((sum, n) => sum + n.amount, 0);
  const share = (x: number) => quantityText(100 * x, "%", units, 0);
  const facts: (readonly [string, string])[] = [
    ["Lasts", lastsText(left, needs.length > 0)],
    ["Plans of 8 weeks take", text(planned)],
    [
      "Of that practice takes",
      ratio.counts === 0
        ? `${share(1)}, until it is counted twice (${share(ratio.low)} to ${share(ratio.high)})`
        : `${share(ratio.middle)} (${share(ratio.low)} to ${share(ratio.high)}), by ${ratio.counts} ${ratio.counts === 1 ? "count" : "counts"}`,
    ],
    ...(lossPerDay === null
      ? []
      : ([
          ["Not logged", `${text(Math.abs(lossPerDay) * 30)} ${lossPerDay < 0 ? "more found" : "lost"} a month`],
        ] as const)),
    ...(item.minimum === null ? [] : ([["Never less than", text(item.minimum)]] as const)),
    ...(onOrder > 0 ? ([["On order", text(onOrder)]] as const) : []),
    ...(order ? ([["To order", `${text(order.amount)}: ${whyText(order)}`]] as const) : []),
    ...left.expires.map((lot) => ["Expires", expiresText(lot, item.unit, units)] as const),
    ...(item.instead === "" ? [] : ([["Where there is none", `take ${item.instead}`]] as const)),
  ];
  return (
    <Box as="dl" mt="16px" display="grid" gridTemplateColumns="max-content 1fr" gap="4px 20px">
      {facts.map(([label, value]) => (
        <Box key={`${label} ${value}`} display="contents">
          <Box as="dt" color="soft">
            {label}
          </Box>
          <Box as="dd">{value}</Box>
        </Box>
      ))}
    </Box>
  );
}
