"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type StoreUnit, sayAmount } from "@keel-round/core/stores";
import { parseNumber, type UnitPreference } from "@keel-round/core/units";
import { useState } from "react";
import { Choice, FieldRow, GoButton, Problem, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { moveAction } from "./actions";

const KINDS = [
  ["counted", "Count"],
  ["delivered", "Delivery"],
  ["moved", "Move"],
  ["thrown", "Throw away"],
] as const;
type Kind = (typeof KINDS)[number][0];

const ASKS: Readonly<Record<Kind, string>> = {
  counted: "There is",
  delivered: "Came",
  moved: "Moved",
  thrown: "Thrown away",
};
const BOOKED: Readonly<Record<Kind, string>> = {
  counted: "Counted.",
  delivered: "Delivery booked.",
  moved: "Move booked.",
  thrown: "Booked as thrown away.",
};

export interface MovedItem {
  readonly id: string;
  readonly unit: StoreUnit;
  readonly packAmount: number | null;
  /** What is booked, by place; the base is "". */
  readonly places: Readonly<Record<string, number>>;
}

const EMPTY = { amount: "", lot: "", expiresOn: "", note: "" };

/** What somebody did with an item: counted it, took a delivery in, moved it to a van, threw it away. */
export function MoveForm({
  item,
  vans,
  units,
}: {
  item: MovedItem;
  vans: readonly { readonly id: string; readonly name: string }[];
  units: UnitPreference;
}) {
  const { ask, problem, said, fields, disabled } = useAsk();
  const [kind, setKind] = useState<Kind>("counted");
  const [place, setPlace] = useState("");
  const [to, setTo] = useState(vans[0]?.id ?? "");
  const [typed, setTyped] = useState(EMPTY);
  const set = (key: keyof typeof EMPTY) => (text: string) => setTyped({ ...typed, [key]: text });
  const booked = item.places[place] ?? 0;
  const send = () =>
    ask(
      moveAction({
        ...{ kind, itemId: item.id, place: place || null, to: to || null, booked, note: typed.note },
        ...{ amount: parseNumber(typed.amount, units.decimal), lot: typed.lot, expiresOn: typed.expiresOn || null },
      }),
      () => {
        setTyped(EMPTY);
        return BOOKED[kind];
      },
    );
  return (
    <Form
      maxW="520px"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <KindPick kind={kind} onChoose={setKind} />
      <Flex gap="12px" wrap="wrap">
        <PlaceField label={kind === "moved" ? "From" : "Where"} value={place} vans={vans} onChoose={setPlace} />
        {kind === "moved" && <PlaceField label="To" value={to} vans={vans} onChoose={setTo} error={fields.to?.[0]} />}
        <Box w="170px">
          <FieldRow
            label={`${ASKS[kind]}, ${item.unit}`}
            error={fields.amount?.[0]}
            hint={kind === "counted" ? `Booked: ${sayAmount(booked, item.unit, units)}` : packHint(item, kind, units)}
          >
            <TextInput inputMode="decimal" value={typed.amount} onChange={(e) => set("amount")(e.target.value)} />
          </FieldRow>
        </Box>
        {kind === "delivered" && (
          <>
            <Box w="130px">
              <FieldRow label="Lot" error={fields.lot?.[0]}>
                <TextInput value={typed.lot} onChange={(e) => set("lot")(e.target.value)} />
              </FieldRow>
            </Box>
            <Box w="170px">
              <FieldRow label="Expires on" error={fields.expiresOn?.[0]}>
                <TextInput type="date" value={typed.expiresOn} onChange={(e) => set("expiresOn")(e.target.value)} />
              </FieldRow>
            </Box>
          </>
        )}
      </Flex>
      <FieldRow label={kind === "thrown" ? "Why" : "Note"} error={fields.note?.[0]}>
        <TextInput value={typed.note} onChange={(e) => set("note")(e.target.value)} />
      </FieldRow>
      <GoButton type="submit" disabled={disabled}>
        Save
      </GoButton>
      <Problem says={problem} mt="10px" />
      <Box role="status" mt="8px" color="soft">
        {said}
      </Box>
    </Form>
  );
}

const packHint = ({ packAmount, unit }: MovedItem, kind: Kind, units: UnitPreference): string =>
  kind === "delivered" && packAmount !== null ? `A pack holds ${sayAmount(packAmount, unit, units)}` : "";

function PlaceField({
  label,
  value,
  vans,
  onChoose,
  error,
}: {
  label: string;
  value: string;
  vans: readonly { readonly id: string; readonly name: string }[];
  onChoose: (place: string) => void;
  error?: string | undefined;
}) {
  return (
    <Box w="190px">
      <FieldRow label={label} error={error}>
        <Choice value={value} onChange={(e) => onChoose(e.target.value)}>
          <option value="">At the base</option>
          {vans.map((v) => (
            <option key={v.id} value={v.id}>
              {v.name}’s van
            </option>
          ))}
        </Choice>
      </FieldRow>
    </Box>
  );
}

/** What was done with it. */
function KindPick({ kind, onChoose }: { kind: Kind; onChoose: (kind: Kind) => void }) {
  return (
    <Flex gap="6px" wrap="wrap" my="12px" role="group" aria-label="What was done">
      {KINDS.map(([id, label]) => (
        <QuietButton
          key={id}
          type="button"
          aria-pressed={kind === id}
          _pressed={{ bg: "corallineWash", borderColor: "coralline" }}
          onClick={() => onChoose(id)}
        >
          {label}
        </QuietButton>
      ))}
    </Flex>
  );
}
