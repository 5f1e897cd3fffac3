"use client";

import { Box } from "@chakra-ui/react";
import { sayDay } from "@keel-round/core/calendar";
import type { PlanInput } from "@keel-round/core/given";
import type { TroubleCode } from "@keel-round/core/trouble";
import type { UnitPreference } from "@keel-round/core/units";
import { useRouter } from "next/navigation";
import { GoButton, PageHead, Problem } from "@/kit/controls";
import { GuideView } from "@/kit/trouble/GuideView";
import { useAsk } from "@/kit/useAsk";
import { noteTroubleAction } from "./actions";

/** "Something is wrong" with a tank that somebody rings about: what it may be, and what the next visit does about it. */
export function WrongView({
  tankId,
  title,
  input,
  units,
  nextOn,
}: {
  tankId: string;
  title: string;
  input: PlanInput;
  units: UnitPreference;
  nextOn: string | null;
}) {
  return (
    <Box>
      <PageHead title={`Something is wrong: ${title}`} facts="Tap what is seen, by you or by whoever rings." />
      <Box mx="-18px" mt="12px" maxW="860px">
        <GuideView
          input={input}
          units={units}
          footer={(trouble) => <Note key={trouble} tankId={tankId} trouble={trouble} nextOn={nextOn} />}
        />
      </Box>
    </Box>
  );
}

function Note({ tankId, trouble, nextOn }: { tankId: string; trouble: TroubleCode; nextOn: string | null }) {
  const { disabled, problem, ask } = useAsk();
  const router = useRouter();
  const note = () =>
    ask(noteTroubleAction({ tankId, trouble }), () => {
      router.push(`/tanks/${tankId}?tab=programme`);
      return undefined;
    });
  return (
    <Box mt="14px">
      <GoButton type="button" minH="44px" disabled={disabled} onClick={note}>
        {nextOn ? `See to it on ${sayDay(nextOn)}` : "See to it on the next visit"}
      </GoButton>
      <Problem says={problem} />
    </Box>
  );
}
