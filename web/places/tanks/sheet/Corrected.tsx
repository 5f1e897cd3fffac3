import { Box } from "@chakra-ui/react";
import { sayDay } from "@keel-round/core/calendar";
import { andList } from "@keel-round/core/text";
import { type CorrectedReading, correctionText } from "@/data/tanks/corrected";
import { SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { moment } from "@/kit/words";

/** Readings that were corrected: old and new, by whom and why, and what was made from the old figure. */
export function Corrected({ of, zone }: { of: readonly CorrectedReading[]; zone: string }) {
  if (of.length === 0) return null;
  return (
    <Box mt="26px" maxW="860px" data-corrected="">
      <SubHead>Corrected</SubHead>
      {of.map((c) => (
        <Box key={c.id} py="7px" borderBottomWidth="1px" borderColor="rule" fontSize="15px">
          {correctionText(c)}. <Span color="soft">Read {moment(c.takenAt, zone)}.</Span>
          <Box color="soft" fontSize="14px">
            {moment(c.at, zone)}, {c.by}: {c.why}
          </Box>
          {leaned(c) && (
            <Box color="ochre" fontSize="14px">
              {leaned(c)}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}

const days = (on: readonly string[]) => andList(on.map((day) => sayDay(day)));

/** What leaned on the old figure; null where nothing did. */
function leaned({ visitsOn, lettersOn }: CorrectedReading): string | null {
  const parts = [
    ...(visitsOn.length > 0 ? [`the ${visitsOn.length === 1 ? "plan" : "plans"} of ${days(visitsOn)}`] : []),
    ...(lettersOn.length > 0 ? [`the ${lettersOn.length === 1 ? "letter" : "letters"} of ${days(lettersOn)}`] : []),
  ];
  return parts.length > 0
    ? `Made with the old figure: ${andList(parts)}. Condition and next plan use the new one.`
    : null;
}
