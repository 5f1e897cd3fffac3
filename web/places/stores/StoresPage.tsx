import { Box, Flex } from "@chakra-ui/react";
import type { BarrelLine } from "@keel-round/core/load";
import { placeKey, sayAmount } from "@keel-round/core/stores";
import { litresText, type UnitPreference } from "@keel-round/core/units";
import type { Kept, Stores } from "@/data/stores/overview";
import { AppLink } from "@/kit/AppLink";
import { PageHead, QuietButton, SubHead } from "@/kit/controls";
import { A, Span, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { KeepButton } from "./KeepButton";
import { expiresText, lastsText, whyText } from "./words";

/** What there is, where it lies, and how long it lasts; what runs out soonest first. */
export function StoresPage({ stores, units }: { stores: Stores; units: UnitPreference }) {
  const { kept, unkept, barrels, vans } = stores;
  const short = kept.filter((k) => k.order !== null).length;
  return (
    <Box>
      <PageHead
        title="Stores"
        facts={`${kept.length} ${kept.length === 1 ? "item" : "items"}${short > 0 ? `, ${short} to order` : ""}`}
        actions={
          <>
            {kept.length > 0 && (
              <QuietButton asChild>
                <A href="/api/export/stock" download>
                  CSV
                </A>
              </QuietButton>
            )}
            <QuietButton asChild>
              <AppLink href="/desk/item/new">New item</AppLink>
            </QuietButton>
            <QuietButton asChild>
              <AppLink href="/stores/orders">Orders</AppLink>
            </QuietButton>
          </>
        }
      />
      {kept.length === 0 ? (
        <Box color="soft" mt="16px">
          Nothing is kept yet. Keep what plans take, below: what visits use is then taken off by their logs.
        </Box>
      ) : (
        <Box overflowX="auto" mt="16px">
          <Table borderCollapse="collapse" fontSize="14.5px" w="100%" minW="720px">
            <thead>
              <tr>
                {["Item", "At the base", ...vans.map((v) => `${v.name}’s van`), "Lasts", "Note"].map((h) => (
                  <Head key={h}>{h}</Head>
                ))}
              </tr>
            </thead>
            <tbody>
              {kept.map((k) => (
                <ItemRow key={k.item.id} kept={k} vans={vans} units={units} />
              ))}
            </tbody>
          </Table>
        </Box>
      )}
      <Barrels barrels={barrels} units={units} />
      {unkept.length > 0 && (
        <Box mt="28px" as="section" aria-label="Not kept">
          <SubHead>Plans of the coming 8 weeks also take</SubHead>
          {unkept.map((u) => (
            <Flex key={`${u.name} ${u.unit}`} gap="12px" align="center" py="5px" maxW="640px" data-unkept={u.name}>
              <Box flex="1" _firstLetter={{ textTransform: "uppercase" }}>
                {u.name}
              </Box>
              <Span fontFamily="mono" color="soft">
                {u.unit === "times" ? `${u.amount} times` : sayAmount(u.amount, u.unit, units)}
              </Span>
              <KeepButton name={u.name} unit={u.unit} />
            </Flex>
          ))}
        </Box>
      )}
    </Box>
  );
}

function ItemRow({ kept, vans, units }: { kept: Kept; vans: Stores["vans"]; units: UnitPreference }) {
  const { item, stock, left, needs, order, onOrder } = kept;
  const at = (place: string | null) => stock.places.get(placeKey(place)) ?? 0;
  const shown = (amount: number) => (
    <Span color={amount < 0 ? "vermilion" : amount === 0 ? "soft" : "inherit"} whiteSpace="nowrap">
      {sayAmount(amount, item.unit, units)}
    </Span>
  );
  const notes = [
    ...(stock.total < 0 ? ["more was used than was booked: count it"] : []),
    ...(order ? [whyText(order)] : []),
    ...(onOrder > 0 ? [`${sayAmount(onOrder, item.unit, units)} on order`] : []),
    ...left.expires.map((lot) => expiresText(lot, item.unit, units)),
  ];
  return (
    <tr data-item={item.name}>
      <Cell>
        <A asChild fontWeight="560">
          <AppLink href={`/stores/${item.id}`}>{item.name}</AppLink>
        </A>
        {item.shelf !== "" && (
          <Box color="soft" fontSize="13px">
            {item.shelf}
          </Box>
        )}
      </Cell>
      <Cell fontFamily="mono">{shown(at(null))}</Cell>
      {vans.map((v) => (
        <Cell key={v.id} fontFamily="mono">
          {stock.places.has(v.id) ? shown(at(v.id)) : null}
        </Cell>
      ))}
      <Cell whiteSpace="nowrap">{lastsText(left, needs.length > 0)}</Cell>
      <Cell color={order || stock.total < 0 ? "ochre" : "soft"}>{notes.join("; ")}</Cell>
    </tr>
  );
}

/** What stands in the barrels of the base. */
function Barrels({ barrels, units }: { barrels: readonly BarrelLine[]; units: UnitPreference }) {
  if (barrels.length === 0) return null;
  return (
    <Box mt="28px" as="section" aria-label="Barrels">
      <SubHead>Barrels</SubHead>
      {barrels.map((b) => (
        <Flex key={b.name} gap="12px" py="5px" maxW="640px">
          <Box flex="1">{b.name}</Box>
          <Box color="soft">{b.water ?? "empty"}</Box>
          <Span fontFamily="mono" whiteSpace="nowrap">
            {litresText(b.litres, units)} of {litresText(b.capacityL, units)}
          </Span>
        </Flex>
      ))}
      <A asChild color="coralline">
        <AppLink href="/water/mixing">Mixing room</AppLink>
      </A>
    </Box>
  );
}
