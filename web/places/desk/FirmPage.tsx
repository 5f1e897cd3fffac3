import { Box } from "@chakra-ui/react";
import type { Firm } from "@keel-round/core/desk";
import type { Weights } from "@keel-round/core/weeks";
import type { Scope } from "@/data/access/scope";
import type { FirmChange } from "@/data/firm/firm";
import type { FirmVoice } from "@/data/firm/voice";
import { PageHead, SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { dayLabel } from "@/kit/words";
import { DeskNav } from "./DeskNav";
import { FirmForm } from "./FirmForm";
import { Holidays } from "./Holidays";
import { MapForm } from "./MapForm";
import { MarkForm } from "./MarkForm";
import { VoiceForm } from "./VoiceForm";
import { WeightsForm } from "./WeightsForm";

/** What the firm says of itself, and what a day may change in its tanks. */
export function FirmPage({
  scope,
  firm,
  holidays,
  weights,
  voice,
  mark,
  hasMap,
  history,
}: {
  scope: Scope;
  firm: Firm;
  holidays: readonly { readonly on: string; readonly name: string }[];
  weights: Partial<Weights>;
  voice: FirmVoice;
  /** As a data address; null of a firm without one. */
  mark: string | null;
  hasMap: boolean;
  history: readonly FirmChange[];
}) {
  return (
    <Box>
      <DeskNav here="firm" scope={scope} />
      <PageHead title="The firm" facts={`times are of ${scope.zone}`} />
      <FirmForm firm={firm} units={scope.units} />
      <Box mt="30px" maxW="760px">
        <SubHead>Letters to owners</SubHead>
        <MarkForm mark={mark} />
        <VoiceForm of={voice} />
      </Box>
      <Box mt="30px" maxW="760px">
        <SubHead>Public holidays</SubHead>
        <Holidays holidays={holidays} />
      </Box>
      <Box mt="30px" maxW="760px">
        <SubHead>Map under the day</SubHead>
        <MapForm has={hasMap} />
      </Box>
      <Box mt="30px" maxW="760px">
        <SubHead>What a settled round is weighed by</SubHead>
        <WeightsForm weights={weights} decimal={scope.units.decimal ?? "."} />
      </Box>
      <Box mt="30px" maxW="760px">
        <SubHead>History</SubHead>
        {history.length === 0 && (
          <Box color="soft" pt="8px">
            Nothing was changed yet.
          </Box>
        )}
        {history.map((h) => (
          <Box key={h.id} py="6px" borderBottomWidth="1px" borderColor="rule" fontSize="14.5px">
            <Span color="soft">
              {dayLabel(h.on)}, {h.by}:
            </Span>{" "}
            {h.what}, {h.old} → <Span fontWeight="600">{h.new}</Span>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
