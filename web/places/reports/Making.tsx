"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { ToldRun } from "@/data/reports/runs";
import { Problem, QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { cancelReportsAction } from "./actions";

type Told = Pick<ToldRun, "state" | "gone" | "total" | "cancelAsked">;

/** Reports that are being made: how far they are, and a way to stop them. */
export function Making({ run }: { run: ToldRun }) {
  const router = useRouter();
  const { ask, problem, disabled } = useAsk();
  const [told, setTold] = useState<Told>(run);
  useEffect(() => {
    const source = new EventSource(`/api/reports/${run.id}`);
    source.onmessage = ({ data }: MessageEvent<string>) => {
      const now = JSON.parse(data) as Told;
      setTold(now);
      if (now.state === "making") return;
      source.close();
      router.refresh();
    };
    return () => source.close();
  }, [run.id, router]);
  const { gone, total, cancelAsked } = told;
  return (
    <Box mt="16px" role="status" data-making="">
      <Flex gap="14px" align="center" wrap="wrap">
        <Span fontWeight="600">{run.name}</Span>
        <progress max={Math.max(1, total)} value={gone} aria-label="Clients gone through" />
        <Span color="soft" fontFamily="mono">
          {gone} of {total} clients
        </Span>
        <QuietButton
          type="button"
          disabled={disabled || cancelAsked}
          onClick={() => ask(cancelReportsAction({ runId: run.id }))}
        >
          {cancelAsked ? "Stopping" : "Stop"}
        </QuietButton>
      </Flex>
      <Problem says={problem} mt="6px" />
    </Box>
  );
}
