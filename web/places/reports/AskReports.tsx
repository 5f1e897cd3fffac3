"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { PeriodKind } from "@keel-round/core/report";
import { useState } from "react";
import { Choice, FieldRow, GoButton, Problem } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { askReportsAction } from "./actions";

const NAME: Readonly<Record<PeriodKind, string>> = {
  month: "a month, for each client",
  quarter: "a quarter, for each client",
  year: "a year, for the firm",
};

interface Offered {
  readonly kind: PeriodKind;
  readonly periods: readonly { readonly fromOn: string; readonly name: string }[];
}

/** Chooses a period that is over, and asks for its reports. */
export function AskReports({ offered }: { offered: readonly Offered[] }) {
  const { ask, problem, fields, disabled } = useAsk();
  const [kind, setKind] = useState<PeriodKind>("month");
  const periods = offered.find((o) => o.kind === kind)?.periods ?? [];
  const [chosen, setChosen] = useState("");
  const fromOn = periods.some((p) => p.fromOn === chosen) ? chosen : (periods[0]?.fromOn ?? "");
  return (
    <Form
      mt="16px"
      onSubmit={(e) => {
        e.preventDefault();
        void ask(askReportsAction({ kind, fromOn }));
      }}
    >
      <Flex gap="4px 16px" wrap="wrap" align="flex-end">
        <FieldRow label="Reports of" error={fields.kind?.[0]}>
          <Choice value={kind} onChange={(e) => setKind(e.target.value as PeriodKind)} w="240px">
            {offered.map((o) => (
              <option key={o.kind} value={o.kind}>
                {NAME[o.kind]}
              </option>
            ))}
          </Choice>
        </FieldRow>
        <FieldRow label="Which one" error={fields.fromOn?.[0]}>
          <Choice value={fromOn} onChange={(e) => setChosen(e.target.value)} w="240px">
            {periods.map((p) => (
              <option key={p.fromOn} value={p.fromOn}>
                {p.name}
              </option>
            ))}
          </Choice>
        </FieldRow>
        <Box pb="10px">
          <GoButton type="submit" disabled={disabled}>
            Make them
          </GoButton>
        </Box>
      </Flex>
      <Problem says={problem} mt="4px" />
    </Form>
  );
}
