"use client";

import { Box, Flex } from "@chakra-ui/react";
import { sayAmount } from "@keel-round/core/stores";
import { parseNumber, type UnitPreference } from "@keel-round/core/units";
import { useState } from "react";
import type { Proposal } from "@/data/stores/orders";
import { FieldRow, GoButton, Problem, TextInput } from "@/kit/controls";
import { Form, Span, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { useAsk } from "@/kit/useAsk";
import { orderAction } from "./actions";
import { whyText } from "./words";

type Line = Proposal["lines"][number];

/** Packs where it comes in packs, else the amount. */
const startOf = ({ packs, amount }: Line): string => String(packs ?? amount);

/** What is ordered of one supplier: each line may be changed, an empty one is left out. */
export function OrderForm({ proposal, units }: { proposal: Proposal; units: UnitPreference }) {
  const { supplier, lines } = proposal;
  const { ask, problem, said, fields, disabled } = useAsk();
  const [email, setEmail] = useState(proposal.email);
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const textOf = (l: Line) => typed[l.itemId] ?? startOf(l);
  const amountOf = (l: Line): number =>
    (parseNumber(textOf(l), units.decimal) ?? Number.NaN) * (l.packs === null ? 1 : (l.item.packAmount ?? 1));
  const wrong = (l: Line) => textOf(l).trim() !== "" && !(amountOf(l) > 0);
  const wanted = lines.filter((l) => textOf(l).trim() !== "");
  const send = () =>
    ask(orderAction({ supplier, email, lines: wanted.map((l) => ({ itemId: l.itemId, amount: amountOf(l) })) }), () =>
      email === "" ? "Noted as ordered." : `Ordered: a mail goes to ${email}.`,
    );
  return (
    <Form
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <Box overflowX="auto">
        <Table borderCollapse="collapse" fontSize="14.5px" w="100%" minW="560px">
          <thead>
            <tr>
              {["Item", "There is", "Order", "Comes to", "Why"].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map((l) => (
              <LineRow
                key={l.itemId}
                line={l}
                text={textOf(l)}
                amount={amountOf(l)}
                wrong={wrong(l)}
                units={units}
                onType={(text) => setTyped({ ...typed, [l.itemId]: text })}
              />
            ))}
          </tbody>
        </Table>
      </Box>
      <Flex gap="12px" align="end" mt="12px" wrap="wrap" className="screen">
        <Box w="300px">
          <FieldRow label="Mail the order to" error={fields.email?.[0]} hint="Empty where you order it another way.">
            <TextInput type="email" value={email} onChange={(e) => setEmail(e.target.value)} />
          </FieldRow>
        </Box>
        <Box pb="32px">
          <GoButton type="submit" disabled={disabled || wanted.length === 0 || lines.some(wrong)}>
            {email === "" ? "Note as ordered" : "Order"}
          </GoButton>
        </Box>
      </Flex>
      <Problem says={fields.email ? null : problem} />
      <Box role="status" color="soft">
        {said}
      </Box>
    </Form>
  );
}

/** One line: what there is, how much is ordered in packs or by itself, and what that comes to. */
function LineRow({
  line: l,
  text,
  amount,
  wrong,
  units,
  onType,
}: {
  line: Line;
  text: string;
  amount: number;
  wrong: boolean;
  units: UnitPreference;
  onType: (text: string) => void;
}) {
  return (
    <tr data-proposed={l.item.name}>
      <Cell fontWeight="560">{l.item.name}</Cell>
      <Cell fontFamily="mono" whiteSpace="nowrap">
        {sayAmount(l.stock, l.item.unit, units)}
        {l.onOrder > 0 && ` + ${sayAmount(l.onOrder, l.item.unit, units)}`}
      </Cell>
      <Cell>
        <Flex gap="8px" align="center">
          <TextInput
            w="90px"
            inputMode="decimal"
            aria-label={`${l.packs === null ? l.item.unit : "Packs"} of ${l.item.name}`}
            aria-invalid={wrong}
            value={text}
            onChange={(e) => onType(e.target.value)}
          />
          <Span color="soft" whiteSpace="nowrap">
            {l.packs === null ? l.item.unit : `of ${sayAmount(l.item.packAmount ?? 1, l.item.unit, units)}`}
          </Span>
        </Flex>
        {wrong && (
          <Box role="alert" color="vermilion" fontSize="13.5px">
            Enter a number above 0, or nothing to leave it out.
          </Box>
        )}
      </Cell>
      <Cell fontFamily="mono" whiteSpace="nowrap">
        {amount > 0 && sayAmount(amount, l.item.unit, units)}
      </Cell>
      <Cell color="soft">{whyText(l)}</Cell>
    </tr>
  );
}
