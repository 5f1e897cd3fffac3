"use client";

import type { OnSite } from "@/data/round/sea";
import { Notice, QuietButton } from "@/kit/controls";
import { useAsk } from "@/kit/useAsk";
import { mixInsteadAction } from "./actions";

/** Plans salt water that is mixed at the tank into its visit, in place of sea water. */
export function MixInstead({ way }: { way: OnSite }) {
  const { ask, problem, disabled } = useAsk();
  const plan = () =>
    ask(mixInsteadAction({ visitId: way.visitId, change: { litres: way.litres, sourceId: way.source.id } }));
  return (
    <>
      <QuietButton type="button" disabled={disabled} onClick={plan}>
        Plan {way.source.name} for this visit
      </QuietButton>
      {problem && <Notice tone="danger">{problem}</Notice>}
    </>
  );
}
