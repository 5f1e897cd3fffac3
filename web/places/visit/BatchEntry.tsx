"use client";

import { Box } from "@chakra-ui/react";
import {
  fromShown,
  parameterFacts,
  parseNumber,
  parseReading,
  quantity,
  quantityText,
  toShown,
  type UnitPreference,
  unitShown,
} from "@keel-round/core/units";
import { useState } from "react";
import type { LiveVisit } from "@/device/useVisit";
import { Notice, Problem, QuietButton } from "@/kit/controls";
import { refusalSentence } from "./refusals";
import { Stepper } from "./Stepper";

/** Further off its salt's figure than this share, a batch is confirmed. */
const FAR_SHARE = 0.15;
/** Salinity that the figure of a salt is of, PSU. */
const FIGURE_PSU = 35;

/** A verified batch: what it measured corrects the salt's figure for the next plan. */
export function BatchEntry({ visit }: { visit: LiveVisit }) {
  const { batch } = visit.state;
  const { units } = visit.kept;
  const [open, setOpen] = useState(false);
  return (
    <Box mt="10px">
      {batch && (
        <Box color="soft">
          Batch measured: {quantityText(batch.measuredPsu, "ppt", units)} from {batch.grams} g in{" "}
          {quantityText(batch.litres, "L", units)}.
        </Box>
      )}
      {open ? (
        <BatchFields visit={visit} onSaved={() => setOpen(false)} />
      ) : (
        <QuietButton type="button" minH="48px" onClick={() => setOpen(true)}>
          {batch ? "Correct the batch" : "I mixed it and measured it"}
        </QuietButton>
      )}
    </Box>
  );
}

/** What was mixed, as it is typed. Nothing is filled in: only what was mixed and measured is kept. */
function useBatch(visit: LiveVisit, onSaved: () => void) {
  const { units, input } = visit.kept;
  const [litres, setLitres] = useState("");
  const [grams, setGrams] = useState("");
  const [psu, setPsu] = useState("");
  const [error, setError] = useState<string | null>(null);
  const number = (t: string) => parseNumber(t, units.decimal) ?? Number.NaN;
  const canonical = {
    litres: fromShown(number(litres), "L", units),
    grams: number(grams),
    measuredPsu: saltOf(psu, units),
  };
  const own = (canonical.grams * FIGURE_PSU) / (canonical.litres * canonical.measuredPsu);
  const planned = input.source.salt?.gramsPerLitre ?? own;
  const save = async (confirmed: boolean) => {
    if (Object.values(canonical).some((v) => !(v > 0)))
      return setError("Enter how much was mixed, the grams of salt and the salinity, each above 0.");
    const refusal = await visit.say({ type: "batch", ...canonical, confirmed });
    setError(refusal ? refusalSentence(refusal) : null);
    if (!refusal) onSaved();
  };
  const far = Math.abs(own / planned - 1) > FAR_SHARE;
  return { litres, setLitres, grams, setGrams, psu, setPsu, error, own, planned, far, save };
}

function BatchFields({ visit, onSaved }: { visit: LiveVisit; onSaved: () => void }) {
  const { water } = visit.plan;
  const { units } = visit.kept;
  const batch = useBatch(visit, onSaved);
  const scale = parameterFacts.salinity.units.find((u) => u.unit === units.salinity);
  const wanted = water.mixPsu ?? FIGURE_PSU;
  const unit = unitShown("L", units);
  return (
    <Box borderWidth="1px" borderColor="ruleStrong" p="10px">
      <Stepper
        label={`${unit === "L" ? "Litres" : "Gallons"} mixed`}
        unit={unit}
        value={batch.litres}
        step={units.volume === "L" ? 5 : 1}
        decimals={0}
        start={toShown(water.saltWaterL?.value ?? 100, "L", units)}
        onChange={batch.setLitres}
      />
      <Stepper
        label="Salt weighed"
        unit="g"
        value={batch.grams}
        step={10}
        decimals={0}
        start={Math.round(water.saltG?.value ?? 0)}
        onChange={batch.setGrams}
      />
      <Stepper
        label="Measured"
        unit={units.salinity}
        value={batch.psu}
        step={scale ? 10 ** -scale.decimals : 0.1}
        decimals={scale?.decimals ?? 1}
        start={scale ? scale.fromCanonical(wanted) : wanted}
        onChange={batch.setPsu}
      />
      {Number.isFinite(batch.own) && (
        <Box color="soft" mt="8px">
          This batch alone says {quantityText(batch.own, "g/L", units, 1)}; planned with{" "}
          {quantity(batch.planned, "g/L", units, 1).figure}.
        </Box>
      )}
      {batch.far && (
        <Box mt="8px">
          <Notice tone="care">More than 15 % off this salt's figure. Weigh or measure again, or confirm it.</Notice>
        </Box>
      )}
      <QuietButton type="button" minH="48px" mt="8px" onClick={() => batch.save(batch.far)}>
        {batch.far ? "It is right" : "Save the batch"}
      </QuietButton>
      <Problem says={batch.error} />
    </Box>
  );
}

/** A salinity as it was typed on the person's scale, PSU; not a number where it is none. */
function saltOf(text: string, units: UnitPreference): number {
  const parsed = parseReading({
    parameter: "salinity",
    text,
    unit: units.salinity,
    method: "meter",
    decimal: units.decimal,
  });
  return parsed.ok ? parsed.value : Number.NaN;
}
