"use client";

import { Flex } from "@chakra-ui/react";
import { AppLink } from "@/kit/AppLink";
import { GoButton, Problem, QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import type { RecordFormProps } from "@/kit/record/RecordForm";
import { useAsk } from "@/kit/useAsk";

/** The tank whose share may be changed, and how it is decided today. */
export interface SavePolicy {
  readonly tank: { readonly id: string; readonly version: number };
  /** Whether its share decides; else it is made to. */
  readonly byShare: boolean;
  readonly save: RecordFormProps["save"];
  /** Where the days of its visits are changed. */
  readonly visits: string;
}

/** What was tried on the drawing, to be used from the next visit on or put back. */
export function UseIt({
  policy,
  share,
  visits,
  says,
  onReset,
}: {
  policy: SavePolicy | null;
  /** Null where only the days were tried. */
  share: number | null;
  /** Where another interval is planned: its visits are the site's. Null where only the share was tried. */
  visits: string | null;
  says: string;
  onReset: () => void;
}) {
  const { ask, problem, said, disabled } = useAsk();
  const use = async ({ tank, byShare, save }: SavePolicy, to: number) =>
    ask(
      save({
        ...{ entity: "tank", ...tank, confirmed: [] },
        values: { "practice.share": to, ...(byShare ? {} : { "practice.policy": "fixed-share" }) },
      }),
      (answer) =>
        answer.kind === "saved"
          ? "Saved: the next plans follow it."
          : `${answer.stale.by} changed this tank meanwhile. Look again.`,
    );
  return (
    <Flex gap="12px" align="center" wrap="wrap" mt="12px" data-tried="">
      <Span>{says}</Span>
      {policy && share !== null && (
        <GoButton type="button" disabled={disabled} onClick={() => void use(policy, share)}>
          Use {Math.round(100 * share)} %{policy.byShare ? "" : ", the same each visit"}
        </GoButton>
      )}
      {visits && (
        <QuietButton asChild>
          <AppLink href={visits}>Change the days of its visits</AppLink>
        </QuietButton>
      )}
      <QuietButton type="button" onClick={onReset}>
        As it is
      </QuietButton>
      <Problem says={problem} />
      {said && <Span role="status">{said}</Span>}
    </Flex>
  );
}
