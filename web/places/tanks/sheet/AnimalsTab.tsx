import { Box, Flex } from "@chakra-ui/react";
import { dwindling } from "@keel-round/core/upkeep";
import type { AnimalWithEvents } from "@/data/desk/animals";
import { AppLink } from "@/kit/AppLink";
import { A, Span } from "@/kit/elements";
import { dayLabel } from "@/kit/words";
import { AnimalEvent, type AnimalEventAction } from "./AnimalEvent";

const HAZARD = {
  sting: "stings",
  spine: "venomous spines: tools, no hands",
  bite: "bites",
  toxin: "toxic: gloves and eye cover",
} as const;

const KIND = {
  added: "added",
  born: "born",
  lost: "lost",
  "moved-out": "moved out",
  counted: "counted",
} as const;

/** Who lives in it, what happened to them, and which group dwindles. */
export function AnimalsTab({
  tankId,
  animals,
  today,
  record,
}: {
  tankId: string;
  animals: readonly AnimalWithEvents[];
  today: string;
  /** Null for who may look only. */
  record: AnimalEventAction | null;
}) {
  return (
    <Box maxW="900px">
      {animals.length === 0 && <Box color="soft">No animals are on the list yet.</Box>}
      {animals.map(({ row, events }) => {
        const less = dwindling(events, today);
        return (
          <Box key={row.id} py="12px" borderBottomWidth="1px" borderColor="rule">
            <Flex gap="14px" align="baseline" wrap="wrap">
              <Span fontFamily="mono" fontSize="22px" fontWeight="560" minW="44px" textAlign="right">
                {row.count}
              </Span>
              <Span fontSize="16px" fontWeight="560">
                {record ? <AppLink href={`/desk/animal/${row.id}`}>{row.name}</AppLink> : row.name}
              </Span>
              {row.hazard && <Span color="vermilion">{HAZARD[row.hazard]}</Span>}
              {less && (
                <Span color="ochre" fontWeight="600">
                  dwindling: {less.lost} of {less.of} lost in {less.days} days. Jumpers, aggression or hunger?
                </Span>
              )}
              <Box flex="1" />
              {record && <AnimalEvent animalId={row.id} name={row.name} today={today} record={record} />}
            </Flex>
            {events.slice(0, 6).map((e) => (
              <Box key={e.id} pl="58px" fontSize="13.5px" color="soft">
                {dayLabel(e.onDate)}: {e.number} {KIND[e.kind]}
                {e.cause && `, ${e.cause}`}
                {e.remedy && ` (${e.remedy})`}; then {e.countAfter}. {e.by}
              </Box>
            ))}
          </Box>
        );
      })}
      {record && (
        <Box mt="12px">
          <A asChild color="coralline">
            <AppLink href={`/desk/animal/new?tankId=${tankId}`}>Add a group of animals</AppLink>
          </A>
        </Box>
      )}
    </Box>
  );
}
