"use client";

import type { Unkept } from "@/data/stores/overview";
import { Problem, QuietButton } from "@/kit/controls";
import { useAsk } from "@/kit/useAsk";
import { keepItemAction } from "./actions";

/** Makes an item of something that plans take. */
export function KeepButton({ name, unit }: Pick<Unkept, "name" | "unit">) {
  const { ask, problem, disabled } = useAsk();
  return (
    <>
      <QuietButton
        type="button"
        disabled={disabled}
        aria-label={`Keep ${name} in the stores`}
        onClick={() => ask(keepItemAction({ name, unit }))}
      >
        Keep it
      </QuietButton>
      <Problem says={problem} />
    </>
  );
}
