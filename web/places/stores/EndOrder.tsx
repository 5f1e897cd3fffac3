"use client";

import { Flex } from "@chakra-ui/react";
import { Problem, QuietButton } from "@/kit/controls";
import { useAsk } from "@/kit/useAsk";
import { endOrderAction } from "./actions";

/** Says that an order came, or that it will not. */
export function EndOrder({ orderId, supplier }: { orderId: string; supplier: string }) {
  const { ask, problem, disabled } = useAsk();
  return (
    <Flex gap="8px" align="center" className="screen">
      <QuietButton
        type="button"
        disabled={disabled}
        aria-label={`It came: ${supplier}`}
        onClick={() => ask(endOrderAction({ orderId, came: true }))}
      >
        It came
      </QuietButton>
      <QuietButton
        type="button"
        disabled={disabled}
        aria-label={`Cancel: ${supplier}`}
        onClick={() => ask(endOrderAction({ orderId, came: false }))}
      >
        Cancel
      </QuietButton>
      <Problem says={problem} />
    </Flex>
  );
}
