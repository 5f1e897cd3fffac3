"use client";

import { Box } from "@chakra-ui/react";
import { sayDay } from "@keel-round/core/calendar";
import { type MoveKind, type StoreUnit, sayAmount } from "@keel-round/core/stores";
import type { UnitPreference } from "@keel-round/core/units";
import { AppLink } from "@/kit/AppLink";
import { Problem, QuietButton } from "@/kit/controls";
import { A, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { useAsk } from "@/kit/useAsk";
import { takeBackMoveAction } from "./actions";

/** One line as it is shown. */
export interface ShownLine {
  readonly id: string;
  readonly kind: MoveKind;
  readonly on: string;
  readonly amount: number;
  readonly place: string;
  readonly by: string | null;
  readonly visitId: string | null;
  /** Where a visit took it: tank and site; else what is known of it. */
  readonly about: string;
  readonly byLog: boolean;
  readonly takenBack: boolean;
}

const WHAT: Readonly<Record<MoveKind, string>> = {
  delivered: "came",
  used: "used",
  counted: "counted",
  moved: "moved",
  thrown: "thrown away",
};

/** What happened to an item, the newest first; what somebody booked by hand can be taken back. */
export function Ledger({
  lines,
  unit,
  units,
}: {
  lines: readonly ShownLine[];
  unit: StoreUnit;
  units: UnitPreference;
}) {
  const { ask, problem, disabled } = useAsk();
  const amount = (l: ShownLine) =>
    `${l.kind !== "counted" && l.amount > 0 ? "+" : ""}${sayAmount(l.amount, unit, units)}`;
  return (
    <Box overflowX="auto">
      <Problem says={problem} mb="8px" />
      <Table borderCollapse="collapse" fontSize="14.5px" w="100%" minW="600px">
        <thead>
          <tr>
            {["Day", "What", "How much", "Where", "By", ""].map((h) => (
              <Head key={h}>{h}</Head>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((l) => (
            <Box as="tr" key={l.id} data-line={l.kind} color={l.takenBack ? "soft" : "inherit"}>
              <Cell whiteSpace="nowrap">{sayDay(l.on)}</Cell>
              <Cell>
                {WHAT[l.kind]}
                {l.about !== "" && (
                  <Box color="soft" fontSize="13px">
                    {l.visitId ? (
                      <A asChild>
                        <AppLink href={`/visits/${l.visitId}`}>{l.about}</AppLink>
                      </A>
                    ) : (
                      l.about
                    )}
                  </Box>
                )}
              </Cell>
              <Cell fontFamily="mono" whiteSpace="nowrap" textDecoration={l.takenBack ? "line-through" : "none"}>
                {amount(l)}
              </Cell>
              <Cell>{l.place}</Cell>
              <Cell color="soft">{l.by}</Cell>
              <Cell>
                {l.takenBack
                  ? "taken back"
                  : !l.byLog && (
                      <QuietButton
                        type="button"
                        disabled={disabled}
                        aria-label={`Take back: ${WHAT[l.kind]} ${amount(l)}`}
                        onClick={() => ask(takeBackMoveAction({ moveId: l.id }))}
                      >
                        Take back
                      </QuietButton>
                    )}
              </Cell>
            </Box>
          ))}
        </tbody>
      </Table>
    </Box>
  );
}
