"use client";

import { Box, Flex } from "@chakra-ui/react";
import { parseNumber } from "@keel-round/core/units";
import { WEIGHT_FACTS, WEIGHTS, type Weights } from "@keel-round/core/weeks";
import { useState } from "react";
import { FieldRow, GoButton, Notice, QuietButton, TextInput } from "@/kit/controls";
import { Form } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { saveWeightsAction } from "./actions";

const KEYS = Object.keys(WEIGHT_FACTS) as (keyof Weights)[];

/** What a settled round is weighed by: each figure with what more of it does. */
export function WeightsForm({ weights, decimal }: { weights: Partial<Weights>; decimal: "." | "," }) {
  const { ask, problem, said, disabled } = useAsk();
  const write = (value: number | undefined) => (value === undefined ? "" : String(value).replace(".", decimal));
  const [typed, setTyped] = useState(() => Object.fromEntries(KEYS.map((k) => [k, write(weights[k])])));
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const save = async (texts: Readonly<Record<string, string>>) => {
    const read = KEYS.flatMap((key) => {
      const text = texts[key]?.trim() ?? "";
      return text === "" ? [] : [[key, parseNumber(text, decimal)] as const];
    });
    const wrong = Object.fromEntries(
      read.flatMap(([key, value]) => {
        const { most } = WEIGHT_FACTS[key];
        return value === null || value < 0 || value > most ? [[key, `Enter a number from 0 to ${most}.`]] : [];
      }),
    );
    setErrors(wrong);
    if (Object.keys(wrong).length === 0) await ask(saveWeightsAction(Object.fromEntries(read)), () => "Saved.");
  };
  return (
    <Form
      method="post"
      noValidate
      pt="10px"
      data-weights=""
      onSubmit={(e) => {
        e.preventDefault();
        void save(typed);
      }}
    >
      <Box color="soft" fontSize="14.5px" mb="10px" maxW="64ch">
        When the round is settled, everything is weighed against minutes of driving. 2 means: as bad as two minutes more
        on the road. Leave a field empty for the usual figure.
      </Box>
      {KEYS.map((key) => (
        <Flex key={key} gap="4px 16px" wrap="wrap" align="flex-start">
          <Box w="330px" maxW="100%">
            <FieldRow label={WEIGHT_FACTS[key].label} error={errors[key]}>
              <TextInput
                inputMode="decimal"
                w="110px"
                value={typed[key] ?? ""}
                placeholder={write(WEIGHTS[key])}
                aria-invalid={errors[key] ? true : undefined}
                onChange={(e) => setTyped((before) => ({ ...before, [key]: e.target.value }))}
              />
            </FieldRow>
          </Box>
          <Box color="soft" fontSize="14px" flex="1" minW="240px" pt="24px">
            {WEIGHT_FACTS[key].says}
          </Box>
        </Flex>
      ))}
      {(problem ?? said) && (
        <Box role={problem ? "alert" : "status"} mb="10px">
          <Notice tone={problem ? "danger" : "plain"}>{problem ?? said}</Notice>
        </Box>
      )}
      <Flex gap="10px">
        <GoButton type="submit" disabled={disabled}>
          Save weights
        </GoButton>
        <QuietButton
          type="button"
          disabled={disabled}
          onClick={() => {
            const none = Object.fromEntries(KEYS.map((k) => [k, ""]));
            setTyped(none);
            void save(none);
          }}
        >
          Use the usual figures
        </QuietButton>
      </Flex>
    </Form>
  );
}
