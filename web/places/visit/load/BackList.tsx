import { Box } from "@chakra-ui/react";
import type { ThingLoad } from "@keel-round/core/load";
import { Choice } from "@/kit/controls";
import { TickLine } from "./TickLine";
import { staysAt, type Ticks, tickBack } from "./ticks";

/** What comes back in the evening, disinfected between sites; what stayed somewhere is said with where. */
export function BackList({
  things,
  places,
  ticks,
  onTicks,
}: {
  things: readonly ThingLoad[];
  places: readonly string[];
  ticks: Ticks;
  onTicks: (ticks: Ticks) => void;
}) {
  const stayed = things.filter((t) => ticks.stays[t.item] !== undefined);
  return (
    <Box mt="10px">
      <Box color="soft" fontSize="15px">
        Rinsed and disinfected before it goes back into the van.
      </Box>
      {things.map((t) => (
        <Box key={t.item}>
          <TickLine
            item={t.item}
            amount=""
            note={t.places.join(", ")}
            on={ticks.back.includes(t.item)}
            onPress={() => onTicks(tickBack(ticks, t.item))}
          />
          {!ticks.back.includes(t.item) && (
            <Choice
              aria-label={`${t.item} stayed at`}
              minH="48px"
              my="4px"
              value={ticks.stays[t.item] ?? ""}
              onChange={(e) => onTicks(staysAt(ticks, t.item, e.target.value))}
            >
              <option value="">Not back yet</option>
              {places.map((p) => (
                <option key={p} value={p}>
                  Stayed at {p}
                </option>
              ))}
            </Choice>
          )}
        </Box>
      ))}
      {stayed.length > 0 && (
        <Box mt="10px" fontWeight="600" color="ochre" data-stayed="">
          Not back: {stayed.map((t) => `${t.item}, at ${ticks.stays[t.item]}`).join("; ")}.
        </Box>
      )}
    </Box>
  );
}
