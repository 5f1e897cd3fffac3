import { addDays, daysBetween } from "../calendar/civil.ts";
import { youngShare } from "../programme/index.ts";
import { systemVolumeL, volumeRelative95 } from "../tank/index.ts";
import { litresToReach } from "../water/index.ts";
import { q, type Worked, worked, Z95 } from "../worked/index.ts";
import { CEILINGS, modeOf } from "./change.ts";
import type { PlanInput } from "./inputs.ts";
import { neededRange } from "./needed.ts";
import { sourceRelative } from "./sourceOn.ts";
import type { Knowns, WaterPlan, WaterReason } from "./waterPlan.ts";

/** Test-led tanks are changed at least this often, days. */
const LONGEST_INTERVAL_DAYS = 35;

/** The litres that the reading which raised the change asks for, with their range; null where none did. */
export function neededOf(input: PlanInput, known: Knowns, reasons: readonly WaterReason[]): Worked | null {
  const raised = reasons.find((r) => r.code === "raised");
  const value = raised && known[raised.parameter];
  if (!raised || !value) return null;
  const systemL = systemVolumeL(input.book);
  const refill = input.source.chemistry[raised.parameter] ?? 0;
  const asked = {
    before: value.value,
    target: raised.target,
    refill,
    systemL,
    mode: modeOf(input.book),
    deadL: input.book.deadL,
  };
  const answer = litresToReach(asked);
  if (!answer.ok) return null;
  const range = neededRange({
    ...asked,
    beforeSigma: value.sigma,
    refillSigma: Math.abs(refill) * sourceRelative(input.source, raised.parameter),
    volumeRelative: volumeRelative95(input.book) / Z95,
  });
  const unit = raised.parameter === "ammonia" ? "mg/L N" : "mg/L";
  return {
    ...worked("litres-needed", answer.litres, "L", {
      before: q(value.value, unit),
      target: q(raised.target, unit),
      "new water": q(refill, unit),
      system: q(systemL, "L"),
    }),
    range: { low: Math.max(0, range.low), high: Math.min(range.high, systemL * MOST_NEEDED) },
  };
}

/** A range that ends above this many volumes of the system says only that it may not be reached at all. */
const MOST_NEEDED = 3;

/** What the tank's policy, a reading or a person asks for, before any limit. */
export function want(
  input: PlanInput,
  known: Knowns,
  systemL: number,
  mode: "batch" | "in-and-out",
): { wantedL: number; decision: WaterPlan["decision"]; reasons: WaterReason[] } {
  const { book, source } = input;
  const { policy, share } = book.schools;
  const reasons: WaterReason[] = [];
  const young = youngShare(book, input.on);
  const baseL = share * young.times * systemL;
  if (young.phase) reasons.push({ code: "young", phase: young.phase, times: young.times });

  const temperature = known.temperature;
  const cold = book.bands.find((b) => b.parameter === "temperature");
  if (temperature?.today && cold && temperature.value < cold.actLow && book.gear.includes("heater"))
    return {
      wantedL: 0,
      decision: "postpone",
      reasons: [{ code: "too-cold", value: temperature.value, floor: cold.actLow }],
    };

  if (book.treatment) {
    const until = addDays(book.treatment.startedOn, book.treatment.contactDays);
    if (input.on < until)
      return { wantedL: 0, decision: "postpone", reasons: [{ code: "treatment", name: book.treatment.name, until }] };
    if (input.on <= addDays(book.treatment.followUpOn, 7) && input.on >= book.treatment.followUpOn)
      reasons.push({ code: "treatment-follow-up", name: book.treatment.name });
  }

  if (input.chosen) {
    const { litres, by } = input.chosen;
    return {
      wantedL: litres,
      decision: litres > 0 ? "change" : "none",
      reasons: [{ code: "chosen", litres, by }, ...reasons],
    };
  }

  let wantedL = policy === "test-led" ? 0 : baseL;
  let raisedBy: WaterReason | null = null;
  for (const band of book.bands) {
    if (!CEILINGS.includes(band.parameter)) continue;
    const value = known[band.parameter];
    if (!value || value.value <= band.idealHigh) continue;
    const refill = source.chemistry[band.parameter] ?? 0;
    const needed = litresToReach({
      before: value.value,
      target: band.idealHigh,
      refill,
      systemL,
      mode,
      deadL: book.deadL,
    });
    if (!needed.ok) reasons.push({ code: "cannot-reach", parameter: band.parameter, target: band.idealHigh, refill });
    else if (needed.litres > wantedL) {
      wantedL = needed.litres;
      raisedBy = {
        code: "raised",
        parameter: band.parameter,
        value: value.value,
        target: band.idealHigh,
        fromL: baseL,
      };
    }
  }
  if (raisedBy) return { wantedL, decision: "change", reasons: [raisedBy, ...reasons] };

  if (policy === "test-led") {
    const needed = book.bands.filter((b) => b.required && CEILINGS.includes(b.parameter));
    const unread = needed.filter((b) => !known[b.parameter]).map((b) => b.parameter);
    if (unread.length > 0)
      return { wantedL: 0, decision: "unknown", reasons: [{ code: "no-reading", parameters: unread }, ...reasons] };
    const days = input.lastVisitOn ? daysBetween(input.lastVisitOn, input.on) : LONGEST_INTERVAL_DAYS;
    if (days >= LONGEST_INTERVAL_DAYS)
      return { wantedL: baseL, decision: "change", reasons: [{ code: "longest-interval", days }, ...reasons] };
    return {
      wantedL: 0,
      decision: "none",
      reasons: [{ code: "within-bands", longestDays: LONGEST_INTERVAL_DAYS }, ...reasons],
    };
  }
  return { wantedL: baseL, decision: "change", reasons: [...reasons, { code: "policy", policy, share }] };
}
