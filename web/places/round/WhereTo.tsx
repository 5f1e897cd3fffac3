import { Box, Flex } from "@chakra-ui/react";
import type { AreaMap } from "@keel-round/core/desk";
import { COLLECT } from "@keel-round/core/round";
import type { Round } from "@/data/round/round";
import { DayMap, type MapStop } from "@/kit/DayMap";
import { A, Details, Span, Summary } from "@/kit/elements";

/** Decimals of a degree: a metre. */
const DECIMALS = 5;

/** The day on a map, and every address with its coordinates: to be copied, or opened in a map's own program. */
export function WhereTo({ round, map }: { round: Round; map: AreaMap | null }) {
  const places = placesOf(round);
  if (places.length === 0) return null;
  return (
    <Details mt="16px" fontSize="14.5px">
      <Summary minH="40px" fontWeight="620" cursor="pointer">
        Map of the day
      </Summary>
      <DayMap base={round.base} stops={places} map={map} />
      {places.map((p) => (
        <Flex key={p.id} gap="4px 14px" py="6px" wrap="wrap" borderBottomWidth="1px" borderColor="rule">
          <Span fontFamily="mono" w="22px">
            {p.order ?? "–"}
          </Span>
          <Span w="170px" fontWeight="620">
            {p.name}
          </Span>
          <Span flex="1" minW="180px">
            {p.address}
          </Span>
          <Span fontFamily="mono" userSelect="all">
            {p.lat.toFixed(DECIMALS)}, {p.lon.toFixed(DECIMALS)}
          </Span>
          <A asChild color="coralline">
            <a href={`geo:${p.lat},${p.lon}?q=${p.lat},${p.lon}`} aria-label={`Open ${p.name} in maps`}>
              Open in maps
            </a>
          </A>
        </Flex>
      ))}
      <Box color="soft" fontSize="13px" mt="4px">
        Drawn from coordinates: straight lines, not streets.
      </Box>
    </Details>
  );
}

/** The places of the day in their order, the quay among them. */
function placesOf({ day, stops, sea }: Round): (MapStop & { readonly address: string })[] {
  const order = [...day.stops.map((s) => s.stop), ...day.leftOver.map((l) => l.stop)];
  return order.map((stop, i) => ({
    ...{ id: stop.id, name: stop.name, lat: stop.lat, lon: stop.lon },
    order: i < day.stops.length ? i + 1 : null,
    address: stop.id === COLLECT ? (sea?.placeName ?? "") : (stops.find((s) => s.id === stop.id)?.site.address ?? ""),
  }));
}
