"use client";

import { Box } from "@chakra-ui/react";
import { byName } from "@keel-round/core/text";
import { PARAMETERS, type Parameter, parameterFacts } from "@keel-round/core/units";
import type { VisitBundle } from "@keel-round/core/visit";
import { memo, useCallback, useMemo, useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { BarButton, Choice, FieldRow } from "@/kit/controls";
import { H2 } from "@/kit/elements";
import { CountEntry } from "./CountEntry";
import { DraftsProvider, useDrafts } from "./drafts";
import { ReadingEntry } from "./ReadingEntry";
import { ThumbBar } from "./ThumbBar";

/** Parameters in the order somebody at this tank looks for them: its own first, then all others by name. */
function parametersFor(kept: VisitBundle): Parameter[] {
  const own = kept.input.facts.bands.map((b) => b.parameter);
  const others = PARAMETERS.filter((p) => !own.includes(p) && (p !== "hours" || kept.input.meters));
  return [...own, ...others.sort((a, b) => byName(parameterFacts[a].label, parameterFacts[b].label))];
}

/** Anything can be measured at any time of a visit, one figure after the other. */
export function Measure({ visit, onDone }: { visit: LiveVisit; onDone: () => void }) {
  const offered = useMemo(() => parametersFor(visit.kept), [visit.kept]);
  const [parameter, setParameter] = useState<Parameter>(offered[0] ?? "temperature");
  const { drafts, saveAll } = useDrafts();
  return (
    <>
      <Box px="18px" py="14px" flex="1">
        <H2 fontSize="24px" fontWeight="660" mb="8px">
          Measure anything
        </H2>
        <What
          offered={offered}
          chosen={parameter}
          onChoose={useCallback(
            async (next: Parameter) => {
              if (await saveAll()) setParameter(next);
            },
            [saveAll],
          )}
        />
        <DraftsProvider drafts={drafts}>
          <ReadingEntry key={parameter} visit={visit} parameter={parameter} />
          <H2 fontSize="20px" fontWeight="660" mt="26px">
            Count the animals
          </H2>
          <CountEntry visit={visit} />
        </DraftsProvider>
      </Box>
      <ThumbBar>
        <BarButton
          type="button"
          onClick={async () => {
            if (await saveAll()) onDone();
          }}
        >
          Back to the step
        </BarButton>
      </ThumbBar>
    </>
  );
}

/** Which parameter; what is entered of one draws the long list of all not again. */
const What = memo(function What({
  offered,
  chosen,
  onChoose,
}: {
  offered: readonly Parameter[];
  chosen: Parameter;
  onChoose: (next: Parameter) => void;
}) {
  return (
    <FieldRow label="What">
      <Choice minH="48px" value={chosen} onChange={(e) => onChoose(e.target.value as Parameter)}>
        {offered.map((p) => (
          <option key={p} value={p}>
            {parameterFacts[p].label}
          </option>
        ))}
      </Choice>
    </FieldRow>
  );
});
