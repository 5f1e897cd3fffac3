import { Box } from "@chakra-ui/react";
import { quantity, type UnitPreference } from "@keel-round/core/units";
import { catalogue, type Worked } from "@keel-round/core/worked";
import type { ReactNode } from "react";
import { Dd, Details, Dl, Dt, Span, Summary } from "@/kit/elements";

/** A planned figure with its unit; opening it shows where it comes from. Works without script, by key and by thumb. */
export function WorkedFigure({
  of,
  units,
  size = "23px",
  decimals,
  children,
}: {
  of: Worked;
  units: UnitPreference;
  size?: string;
  decimals?: number;
  children?: ReactNode;
}) {
  const shown = quantity(of.value, of.unit, units, decimals);
  return (
    <Details data-working="" css={{ "&[open] > summary .hint": { color: "coralline" } }}>
      <Summary
        listStyle="none"
        display="flex"
        alignItems="baseline"
        gap="6px"
        flexWrap="wrap"
        css={{ "&::-webkit-details-marker": { display: "none" } }}
      >
        <Span fontFamily="mono" fontSize={size} fontWeight="560" lineHeight="1.1">
          {shown.figure}
        </Span>
        <Span color="soft" fontSize="14px">
          {shown.unit}
        </Span>
        {children}
        <Span
          className="hint"
          color="soft"
          fontSize="13px"
          textDecoration="underline"
          textDecorationStyle="dotted"
          textUnderlineOffset="3px"
        >
          working
        </Span>
      </Summary>
      <Working of={of} units={units} />
    </Details>
  );
}

/** Inputs, formula in words, source and limits of a planned number. */
export function Working({ of, units }: { of: Worked; units: UnitPreference }) {
  const words = catalogue[of.formula];
  const range = of.range;
  const bound = (value: number) => quantity(value, of.unit, units).figure;
  return (
    <Box
      borderLeftWidth="3px"
      borderColor="coralline"
      bg="sheet"
      px="12px"
      py="10px"
      mt="6px"
      fontSize="13.5px"
      maxW="62ch"
    >
      <Box fontWeight="620">{words.title}</Box>
      <Box mt="2px">{words.words}</Box>
      <Dl mt="6px" display="grid" gridTemplateColumns="auto 1fr" columnGap="14px" rowGap="1px">
        {Object.entries(of.inputs).map(([name, input]) => {
          const shown =
            typeof input === "string" ? { figure: input, unit: "" } : quantity(input.value, input.unit, units);
          return (
            <Box key={name} display="contents">
              <Dt color="soft">{name}</Dt>
              <Dd fontFamily="mono">
                {shown.figure} {shown.unit}
              </Dd>
            </Box>
          );
        })}
        {range && (
          <Box display="contents">
            <Dt color="soft">likely between</Dt>
            <Dd fontFamily="mono">
              {bound(range.low)} and {bound(range.high)} (95 %)
            </Dd>
          </Box>
        )}
      </Dl>
      <Box mt="6px" color="soft">
        {words.source} {words.limits}
      </Box>
    </Box>
  );
}
