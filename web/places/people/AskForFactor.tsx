"use client";

import { Box } from "@chakra-ui/react";
import { Problem, QuietButton } from "@/kit/controls";
import { useAsk } from "@/kit/useAsk";
import { askForSecondFactorAction } from "./actions";

/** The firm asks everybody who works there for a second factor, or leaves it to them. */
export function AskForFactor({ asks, lacking }: { asks: boolean; lacking: number }) {
  const { ask, problem, disabled } = useAsk();
  return (
    <Box pt="10px">
      <Box pb="10px">
        {asks
          ? "Everybody who works here signs in with a second factor: a code of an app, or a passkey."
          : "Whoever works here may sign in with a password alone."}{" "}
        {lacking > 0 &&
          (asks
            ? `${lacking} ${lacking === 1 ? "person has" : "people have"} none yet: they set one up with their next page.`
            : `${lacking} ${lacking === 1 ? "person has" : "people have"} none.`)}
      </Box>
      <QuietButton
        type="button"
        disabled={disabled}
        onClick={() => void ask(askForSecondFactorAction({ asks: !asks }))}
      >
        {asks ? "Leave it to each person" : "Ask everybody for one"}
      </QuietButton>
      <Problem says={problem} />
    </Box>
  );
}
