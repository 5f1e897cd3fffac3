"use client";

import { Box } from "@chakra-ui/react";
import type { CorrectionDose } from "@keel-round/core/change";
import type { Dosed } from "@keel-round/core/mixing";
import type { SaidStep } from "@keel-round/core/steps";
import { figure, withUnit } from "@keel-round/core/units";
import type { LiveVisit } from "@/device/useVisit";
import { Notice } from "@/kit/controls";
import { B } from "@/kit/elements";
import { AmountField } from "./Amount";
import { Figure, Opened } from "./Figure";
import { refusalSentence } from "./refusals";

const doseOf = ({ plan }: LiveVisit, parameter: string | undefined): CorrectionDose | null =>
  plan.corrections?.flatMap((c) => (c.ok && c.parameter === parameter ? [c] : []))[0] ?? null;

const decimalsOf = (amount: number) => (amount < 100 ? 1 : 0);

/** What is to be given of it, and what the water should read once that has mixed. */
export function DoseFigure({ visit, step }: { visit: LiveVisit; step: SaidStep }) {
  const entry = step.enters?.find((e) => "dose" in e);
  const dose = doseOf(visit, entry && "dose" in entry ? entry.dose : undefined);
  if (!dose) return null;
  const { amount, unit, to, parameter, product } = dose;
  const { units } = visit.kept;
  return (
    <Box>
      <Figure of={{ figure: figure(amount.value, decimalsOf(amount.value)), unit }} after={` of ${product.name}`} />
      <Box fontSize="18px" mt="6px">
        then it should read <B fontFamily="mono">{withUnit(parameter, to.value, units)}</B>
      </Box>
      <Opened of={[amount, to]} units={units} />
    </Box>
  );
}

/** What really went in. */
export function DoseEntry({ visit, parameter }: { visit: LiveVisit; parameter: Dosed }) {
  const planned = doseOf(visit, parameter);
  const logged = visit.state.doses.find((d) => d.parameter === parameter) ?? null;
  // Nothing planned any more: what was given stands as it was logged.
  const unit = planned?.unit ?? logged?.unit;
  const product = planned?.product ?? (logged ? { id: logged.product, name: logged.name } : null);
  const perUnit = planned ? planned.rise / planned.amount.value : logged?.perUnit;
  if (!unit || !product || perUnit === undefined) return null;
  const most = planned ? Math.max(planned.rise, 0) : Number.POSITIVE_INFINITY;
  const rise = logged ? logged.amount * logged.perUnit : 0;
  return (
    <AmountField
      label={`Given, ${unit}`}
      logged={logged?.amount ?? null}
      expected={planned?.amount.value ?? null}
      expectedWord="as planned"
      shown={{ unit, step: planned && planned.amount.value >= 100 ? 5 : 0.5, decimals: 1, example: "12.5" }}
      decimal={visit.kept.units.decimal}
      onSay={async (amount) => {
        const { id, name } = product;
        const refusal = await visit.say({ type: "dose", parameter, product: id, name, amount, unit, perUnit });
        return refusal ? refusalSentence(refusal) : null;
      }}
    >
      {rise > MORE_THAN_PLANNED * most && (
        <Box mt="8px" role="status">
          <Notice tone="care">
            That raises it by {withUnit(parameter, rise, visit.kept.units)}, more than was planned for today. Watch the
            animals, and measure again before anything else goes in.
          </Notice>
        </Box>
      )}
    </AmountField>
  );
}

/** A spill of a tenth is nobody's alarm. */
const MORE_THAN_PLANNED = 1.1;
