"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Notice, QuietButton } from "@/kit/controls";
import { useHydrated } from "@/kit/useHydrated";
import { undoRoundAction } from "../actions";

/** What was changed last about the visits of a site, and its undo. */
export function UndoChange({ change }: { change: { readonly id: string; readonly said: string } }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [busy, setBusy] = useState(false);
  const [told, setTold] = useState<{ readonly problem: boolean; readonly says: string } | null>(null);
  const undo = async () => {
    setBusy(true);
    const answer = await answered(undoRoundAction({ changeId: change.id }));
    setBusy(false);
    if (!answer.ok) return setTold({ problem: true, says: answer.message });
    const { begun } = answer.value;
    setTold(
      begun === 0
        ? null
        : {
            problem: false,
            says: `Undone, but for ${begun === 1 ? "1 visit that has" : `${begun} visits that have`} begun since.`,
          },
    );
    router.refresh();
  };
  return (
    <Box pt="12px" fontSize="14.5px">
      <Flex gap="6px 12px" align="baseline" wrap="wrap">
        <Box color="soft">Changed last: {change.said}</Box>
        <QuietButton type="button" py="5px" fontSize="13.5px" disabled={!hydrated || busy} onClick={undo}>
          Undo this change
        </QuietButton>
      </Flex>
      {told && (
        <Box role="alert" mt="8px">
          <Notice tone={told.problem ? "danger" : "plain"}>{told.says}</Notice>
        </Box>
      )}
    </Box>
  );
}
